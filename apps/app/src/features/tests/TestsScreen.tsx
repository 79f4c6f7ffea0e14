import { router, useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { FAULTS, isFault, listTests, lowerFirst, type Finding } from '@jumper/core';
import { Columns } from '../../ui/Columns';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Part } from '../../ui/Part';
import { Text } from '../../ui/Text';
import { useJobDiagnosis } from '../bench/useJobDiagnosis';
import { WithJob } from '../jobs/WithJob';
import { JobPlace } from '../jobPlace/JobPlace';
import { partTests } from '../schematic/partTests';
import { sheetOfJob, workState } from '../work/workState';
import { testsView, type TestLine } from './testsView';

export function TestsScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the tests">
      {(parts) => <Tests parts={parts} />}
    </WithJob>
  );
}

/** Every test of this plant, by what it looks at: what it costs, what it waits for, and why it is not possible now. */
function Tests({ parts }: { parts: JobParts }) {
  const { for: about, at } = useLocalSearchParams<{ for?: string; at?: string }>();
  const { file, judged } = useJobDiagnosis(parts);
  const [find, setFind] = useState('');
  const diagnosis = judged.data,
    fault = about && isFault(about) ? about : null,
    part = at ? partTests(at) : null;
  const listed = useMemo(
    () => listTests(sheetOfJob(parts), file.logs ?? [], (file.findings ?? []) as Finding[], workState(parts).heat),
    [parts, file],
  );
  const sections = testsView(listed, (diagnosis?.now ?? diagnosis)?.nextTests ?? [], { find, about: fault, among: part?.tests ?? null });
  const narrowed = fault ? `What would prove: ${lowerFirst(FAULTS[fault].title)}` : part ? `At the ${lowerFirst(part.title)}` : null;
  return (
    <JobPlace parts={parts} at="tests">
      <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[1100px] gap-4 pb-6 pt-3">
        <View className="gap-2 px-4">
          {narrowed ? (
            <View className="flex-row items-center gap-3">
              <Text role="heading" aria-level={2} className="min-w-0 flex-1 font-semibold text-lead">
                {narrowed}
              </Text>
              <Key label="All tests" className="px-3" onPress={() => router.setParams({ for: undefined, at: undefined })} />
            </View>
          ) : (
            <Text className="text-ink2">Any test can be done at any time. The verdict takes it in, whoever chose it.</Text>
          )}
          <Field label="Find a test" value={find} onChange={setFind} />
        </View>
        {sections.length === 0 ? (
          <Text className="px-4 text-ink2">
            {find ? `No test with “${find.trim()}”.` : 'No test of this plant speaks of it. Log another heat cycle.'}
          </Text>
        ) : null}
        {sections.map((s) => (
          <Part key={s.key} title={s.title}>
            <View role="list" aria-label={s.title}>
              <Columns lines="">
                {s.lines.map((l) => (
                  <Line key={l.test} line={l} jobId={parts.job.id} />
                ))}
              </Columns>
            </View>
          </Part>
        ))}
      </ScrollView>
    </JobPlace>
  );
}

function Line({ line, jobId }: { line: TestLine; jobId: string }) {
  return (
    <View role="listitem" className="border-t border-hair">
      <Pressable
        role="button"
        onPress={() => router.navigate(`/jobs/${jobId}/test/${line.test}?from=tests` as never)}
        className="min-h-[64px] gap-0.5 px-4 py-2 active:bg-sheet"
      >
        <View className="flex-row items-baseline gap-2">
          <Text className="min-w-0 flex-1 font-semibold text-body">{line.title}</Text>
          {line.done ? <Text className="font-medium text-small text-verdigris">done</Text> : null}
        </View>
        <Text className="text-small text-ink2">{line.tells}</Text>
        <Text className="text-small">{line.cost}</Text>
        {line.notNow ? <Text className="text-small text-brass">{line.notNow}</Text> : null}
      </Pressable>
    </View>
  );
}

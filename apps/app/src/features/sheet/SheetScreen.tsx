import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { JobParts, SheetRecord } from '@jumper/contract';
import type { CircuitSheet } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Columns, useRoom } from '../../ui/Columns';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { CircuitPicker } from '../jobs/CircuitPicker';
import { useSheetVersions } from '../jobs/jobData';
import { WithJob } from '../jobs/WithJob';
import { useUnits } from '../units/UnitsProvider';
import { SheetFields } from './SheetFields';
import { formOf, sheetOf } from './sheetForm';
import { useSaveSheet } from './useSaveSheet';
import { clockText, dayAndYear } from '../units/dates';

export function SheetScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the circuit" missing="This circuit is not on this device">
      {(parts) => <Editor parts={parts} />}
    </WithJob>
  );
}

/** A changed sheet is a new version; the old ones stay. */
function Editor({ parts }: { parts: JobParts }) {
  const { units } = useUnits();
  const saveSheet = useSaveSheet();
  const [form, setForm] = useState(() => formOf(parts.sheet, units));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [copying, setCopying] = useState(false);
  const versions = useSheetVersions(parts.job.circuitId);
  const copy = (from: SheetRecord) => {
    const other = formOf(from, units);
    setForm({ ...other, site: form.site, town: form.town, assumed: [...new Set([...other.assumed, ...Object.keys(other.numbers)])] });
    setCopying(false);
    setProblems({});
  };
  const room = useRoom();
  const back = `/jobs/${parts.job.id}`;
  const save = async () => {
    const result = sheetOf(form, units, parts.sheet.sheet as unknown as CircuitSheet);
    if (result.kind === 'bad') return setProblems(result.problems);
    await saveSheet({ circuitId: parts.job.circuitId, ...result });
    router.navigate(back as never);
  };
  const bad = Object.values(problems);
  return (
    <View className={`mx-auto w-full flex-1 ${room}`}>
      <Header title="Circuit" subtitle={parts.sheet.site} backTo={back} />
      <ScrollView className="flex-1" contentContainerClassName="gap-4 p-4">
        <Columns>
          <Field label="Site" value={form.site} onChange={(site) => setForm({ ...form, site })} problem={problems.site ?? null} />
          <Field label="Town" value={form.town} onChange={(town) => setForm({ ...form, town })} />
        </Columns>
        {copying ? (
          <CircuitPicker without={parts.job.circuitId} onPick={copy} onClose={() => setCopying(false)} />
        ) : (
          <Button label="Copy from another circuit" onPress={() => setCopying(true)} />
        )}
        <Button label="Valve map" kind="quiet" onPress={() => router.navigate(`${back}/valves?for=sheet` as never)} />
        <SheetFields form={form} problems={problems} units={units} onChange={setForm} />
        {(versions.data?.length ?? 0) > 1 ? (
          <View role="list" aria-label="Versions" className="gap-1">
            <Text role="heading" aria-level={2} className="font-semibold text-lead">
              Versions kept
            </Text>
            {versions.data!.map((v) => (
              <View key={v.id} role="listitem" className="min-h-[52px] flex-row items-center gap-3 border-t border-hair">
                <Text className="min-w-0 flex-1">
                  {`${dayAndYear(v.recordedAt)}, ${clockText(v.recordedAt)}`}
                  {v.id === parts.sheet.id ? <Text className="text-ink2">{'  counts now'}</Text> : null}
                </Text>
                {v.id === parts.sheet.id ? null : (
                  <Key
                    label="Take it up"
                    name={`Take up the version of ${v.recordedAt}`}
                    className="px-3"
                    onPress={() => setForm(formOf(v, units))}
                  />
                )}
              </View>
            ))}
          </View>
        ) : null}
      </ScrollView>
      <View className="gap-2 border-t border-ink bg-sheet px-3 py-3">
        {bad.length > 0 ? (
          <Notice kind="danger" live>
            {bad[0]!}
          </Notice>
        ) : null}
        <Button label="Keep this version" kind="main" onPress={() => void save()} />
      </View>
    </View>
  );
}

import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { jobToCase, standingFacts, type JobParts } from '@jumper/contract';
import { TEST_IDS, TEST_STEPS, testRow, type Finding, type TestId, type TestRow, type TestSteps, type ValueSpec } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { findingText } from '../bench/recordRows';
import { useAddFact } from '../jobs/useAddFact';
import { useJob } from '../jobs/jobData';
import { temperatureText, type Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { FLAG_LABELS, findingOf, prechargeTrap, VALUE_LABELS, type FindingForm } from './findingForm';
import { clockText } from '../timers/timers';
import { useWatch } from './useWatch';

export function TestScreen({ jobId, testId }: { jobId: string; testId: string }) {
  const job = useJob(jobId);
  const test = TEST_IDS.find((t) => t === testId);
  if (!test) return <State title="There is no such test" action={{ label: 'To the jobs', onPress: () => router.navigate('/') }} />;
  if (job.isPending) return <State title="Opening the test …" />;
  if (!job.data) return <State title="This job is not on this device" action={{ label: 'To the jobs', onPress: () => router.navigate('/') }} />;
  return <TestCard parts={job.data} test={test} />;
}

function TestCard({ parts, test }: { parts: JobParts; test: TestId }) {
  const { units } = useUnits();
  const row: TestRow = testRow(test);
  const steps = TEST_STEPS[test];
  const add = useAddFact(parts.job.id);
  const watch = useWatch({ jobId: parts.job.id, testId: test, label: row.title, lengthS: 60 * (steps?.watchMin ?? 0) });
  const [form, setForm] = useState<FindingForm>(() => ({ outcome: null, values: startValues(watch.watch?.startText), flags: {} }));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const back = `/jobs/${parts.job.id}`;
  const lastC = jobToCase(parts).logs?.at(-1)?.samples.flowC?.findLast((c) => c !== null) ?? null;
  const tooHot = steps?.coolBelowC !== undefined && lastC !== null && lastC > steps.coolBelowC;
  const trap = test === 'precharge' ? prechargeTrap(form) : null;

  const record = async (outcome: string | null = form.outcome) => {
    const values = watch.watch && !form.values.minutes ? { ...form.values, minutes: String(Math.max(1, Math.round(watch.elapsedS / 60))) } : form.values;
    const result = findingOf(test, row, { ...form, values, outcome }, units);
    if (result.kind === 'bad') return setProblems(result.problems);
    const id = await add({ kind: 'finding', at: new Date().toISOString(), finding: result.finding as never });
    watch.clear();
    router.navigate(`/jobs/${parts.job.id}?after=${id}` as never);
  };

  const fields = Object.entries(row.values ?? {}) as [string, ValueSpec][];
  const onlyOutcomes = row.outcomes !== undefined;
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title={row.title} subtitle={`${parts.sheet.site} · about ${row.minutes} min · ${row.intrusive ? 'drains or opens something' : 'nothing drained'}`} backTo={back} />
      <ScrollView className="flex-1" contentContainerClassName="gap-4 p-4">
        {tooHot ? <Notice kind="caution" title={`Wait until below ${temperatureText(steps!.coolBelowC!, units.temperature)}`}>{`It was ${temperatureText(lastC!, units.temperature)} when last read. Hot water under pressure scalds.`}</Notice> : null}
        {steps ? <Steps steps={steps} /> : <Text className="text-ink2">{row.tells}</Text>}
        {steps?.watchMin ? <WatchBlock minutes={steps.watchMin} watch={watch} startText={form.values.startBar ?? ''} onNeedStart={() => setProblems({ startBar: 'At the start: read the gauge first.' })} /> : null}
        <Earlier parts={parts} test={test} units={units} onUndo={(id) => void add({ kind: 'retraction', at: new Date().toISOString() }, id)} />
        <View className="gap-4">
          {fields.filter(([name]) => !(steps?.watchMin && name === 'minutes' && watch.watch)).map(([name, spec]) => (
            <Field key={name} label={`${VALUE_LABELS[name] ?? name}${spec.optional ? ', if read' : ''}`} unit={spec.unit === 'bar' ? units.pressure : spec.unit === '°C' ? units.temperature : spec.unit === 'count' || spec.unit === 'pH' ? '' : spec.unit} numeric
              value={form.values[name] ?? ''} onChange={(text) => { setForm({ ...form, values: { ...form.values, [name]: text } }); setProblems({}); }} problem={problems[name] ?? null} />
          ))}
          {(row.flags ?? []).map((name) => <Key key={name} label={`${form.flags[name] ? '✓ ' : ''}${FLAG_LABELS[name] ?? name}`} pressed={form.flags[name] ?? false} className="min-h-[52px]" onPress={() => setForm({ ...form, flags: { ...form.flags, [name]: !form.flags[name] } })} />)}
          {trap ? <Trap trap={trap} circuit={form.values.circuitBar ?? ''} units={units} /> : null}
        </View>
      </ScrollView>
      <View className="gap-2 border-t border-ink bg-sheet px-3 py-3">
        {Object.values(problems)[0] ? <Notice kind="danger" live>{Object.values(problems)[0]!}</Notice> : null}
        {onlyOutcomes ? <Outcomes row={row} steps={steps} onPick={(o) => void record(o)} /> : <Button label={trap ? 'Record it as it is' : 'Record'} kind={trap ? 'plain' : 'main'} onPress={() => void record()} />}
        <Button label="Cannot do this now" kind="quiet" onPress={() => router.navigate(back as never)} />
      </View>
    </View>
  );
}

/** What this test said before on this job; it can be taken back here. The later one counts. */
function Earlier({ parts, test, units, onUndo }: { parts: JobParts; test: TestId; units: Units; onUndo: (id: string) => void }) {
  const earlier = standingFacts(parts.facts).filter((f) => f.body.kind === 'finding' && f.body.finding.test === test);
  if (earlier.length === 0) return null;
  return (
    <View className="gap-2">
      {earlier.map((f) => f.body.kind === 'finding' ? (
        <View key={f.id} className="flex-row items-center gap-3 border-y border-hair py-1.5">
          <Text className="min-w-0 flex-1"><Text className="text-ink2">Done before: </Text>{findingText(f.body.finding as unknown as Finding, units)}</Text>
          <Key label="Take it back" className="px-3" onPress={() => onUndo(f.id)} />
        </View>
      ) : null)}
    </View>
  );
}

const startValues = (startBar: string | undefined): Record<string, string> => (startBar === undefined ? {} : { startBar });

function Steps({ steps }: { steps: TestSteps }) {
  return (
    <View role="list" aria-label="Steps">
      {steps.steps.map((s, i) => (
        <View key={s.text} role="listitem" className={`flex-row gap-3 py-3 ${i > 0 ? 'border-t border-hair' : ''}`}>
          <View className="h-[30px] w-[30px] items-center justify-center rounded bg-ink"><Text className="font-figure text-[18px] text-lime">{i + 1}</Text></View>
          <View className="min-w-0 flex-1 gap-1">
            <Text className="font-medium text-[16.5px] leading-[22px]">{s.text}</Text>
            {s.note ? <Text className="text-[14px] leading-[19px] text-ink2">{s.note}</Text> : null}
            {s.caution ? <Notice kind="caution">{s.caution}</Notice> : null}
          </View>
        </View>
      ))}
    </View>
  );
}

/** The outcome is the last touch: it records. Each says what it would mean. */
function Outcomes({ row, steps, onPick }: { row: TestRow; steps: TestSteps | undefined; onPick: (outcome: string) => void }) {
  return (
    <View role="group" aria-label="What did you find" className="gap-2">
      {row.outcomes!.map((o) => (
        <View key={o} className="flex-row items-center gap-3">
          <Button label={label(o)} kind="next" className="w-[136px]" onPress={() => onPick(o)} />
          <Text className="min-w-0 flex-1 text-[13.5px] leading-[18px] text-ink2">{steps?.means?.[o] ?? ''}</Text>
        </View>
      ))}
    </View>
  );
}

const label = (outcome: string) => { const s = outcome.replaceAll('-', ' '); return s.charAt(0).toUpperCase() + s.slice(1); };

function Trap({ trap, circuit, units }: { trap: 'circuit-not-empty' | 'drain-shut'; circuit: string; units: Units }) {
  if (trap === 'circuit-not-empty') return <Notice kind="danger" title="Not empty yet" live>{`${circuit} ${units.pressure} of water stands behind the diaphragm: the tyre gauge would only repeat it. Open the drain until the gauge shows zero.`}</Notice>;
  return <Notice kind="caution" title="Is the drain open?">{`With the drain shut, water behind the diaphragm hides the true charge. A reading taken so counts for little.`}</Notice>;
}

function WatchBlock({ minutes, watch, startText, onNeedStart }: { minutes: number; watch: ReturnType<typeof useWatch>; startText: string; onNeedStart: () => void }) {
  const leftS = minutes * 60 - watch.elapsedS;
  return (
    <View className="gap-2 border-y border-hair py-3">
      <View className="flex-row items-center justify-between gap-3">
        <View role="timer" aria-label="Time on watch">
          <Text className="font-figure text-[44px] leading-[48px]" style={{ fontVariant: ['tabular-nums'] }}>{clockText(watch.elapsedS)}</Text>
          <Text className="text-[13.5px] text-ink2">{watch.watch ? (leftS > 0 ? `read again in ${clockText(leftS)}` : 'time is up: read the gauge') : `${minutes} minutes; it runs on if you lock the phone`}</Text>
        </View>
        {watch.watch ? <Button label="Start anew" kind="quiet" onPress={watch.clear} /> : <Button label="Start the watch" kind="main" onPress={() => (startText.trim() ? watch.start(startText) : onNeedStart())} />}
      </View>
    </View>
  );
}

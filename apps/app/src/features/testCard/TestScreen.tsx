import { router, useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { standingFacts, type JobParts } from '@jumper/contract';
import {
  expectedNumbers,
  resolveCircuit,
  testPlan,
  testStepsFor,
  TEST_IDS,
  testRow,
  type Finding,
  type TestId,
  type TestRow,
  type ValueSpec,
  watchAfterLogsMin,
} from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Halves } from '../../ui/Halves';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { findingText } from '../bench/findingText';
import { useJobDiagnosis } from '../bench/useJobDiagnosis';
import { useAddFact } from '../jobs/useAddFact';
import { toJobs, WithJob } from '../jobs/WithJob';
import { fieldUnit, fromField } from '../units/formUnits';
import { Spoken } from '../units/Spoken';
import { parseTyped, type Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { CoolGate } from '../work/CoolGate';
import { ExpectedTable } from '../work/ExpectedTable';
import { isWaited, useCooling } from '../work/useCooling';
import { positionFact, sheetOfJob, workState } from '../work/workState';
import { Conditions } from './Conditions';
import { findingOf, prechargeTrap, startField, VALUE_LABELS, type FindingForm } from './findingForm';
import { MeaningNow } from './MeaningNow';
import { Outcomes } from './Outcomes';
import { OutlookTable } from './OutlookTable';
import { isProposed, outlookOn } from './proposed';
import { SkipTest } from './SkipTest';
import { StepList } from './StepList';
import { useDraft } from '../drafts/useDraft';
import { useWatch } from './useWatch';
import { WatchBlock } from './WatchBlock';

export function TestScreen({ jobId, testId }: { jobId: string; testId: string }) {
  const test = TEST_IDS.find((t) => t === testId);
  if (!test) return <State title="There is no such test" action={toJobs} />;
  return (
    <WithJob jobId={jobId} opening="the test">
      {(parts) => <TestCard parts={parts} test={test} />}
    </WithJob>
  );
}

interface Draft {
  form: FindingForm;
  ticked: number[];
}
const BLANK: Draft = { form: { outcome: null, values: {}, flags: {}, words: {} }, ticked: [] };

function TestCard({ parts, test }: { parts: JobParts; test: TestId }) {
  const { units } = useUnits();
  const jobId = parts.job.id,
    row: TestRow = testRow(test),
    circuit = sheetOfJob(parts),
    steps = testStepsFor(test, circuit),
    state = workState(parts);
  const add = useAddFact(jobId);
  const { file, judged } = useJobDiagnosis(parts),
    logs = useMemo(() => file.logs ?? [], [file]),
    log = logs.at(-1) ?? null;
  const watchMin = useMemo(
    () => watchAfterLogsMin(test, resolveCircuit(circuit), logs) ?? steps?.watchMin ?? 0,
    [test, circuit, steps, logs],
  );
  const watch = useWatch({ jobId, testId: test, label: row.title, lengthS: 60 * watchMin });
  // What was entered so far outlives a look at the bench, a reload or a locked phone.
  const draft = useDraft<Draft>(`jumper.test.${jobId}.${test}`, BLANK);
  const { form } = draft.value;
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [skipping, setSkipping] = useState(false);
  const back = `/jobs/${jobId}`,
    { from } = useLocalSearchParams<{ from?: string }>();
  const cool = useCooling(log, row.coolBelowC),
    still = useCooling(log, row.stillBelowC);
  const gated = isWaited(cool),
    cooling = gated ? cool : isWaited(still) ? still : null;
  const trap = test === 'precharge' ? prechargeTrap(form, units) : null;
  const begins = startField(row);
  const setForm = (change: Partial<FindingForm>) => {
    draft.set({ ...draft.value, form: { ...form, ...change } });
    setProblems({});
  };
  const leave = () => {
    draft.clear();
    watch.clear();
  };

  const finding = (outcome: string | null) => {
    const values =
      watch.watch && !form.values.minutes ? { ...form.values, minutes: String(Math.max(1, Math.round(watch.elapsedS / 60))) } : form.values;
    return findingOf(test, row, { ...form, values, outcome }, units);
  };
  const record = async (outcome: string | null = form.outcome) => {
    const result = finding(outcome);
    if (result.kind === 'bad') return setProblems(result.problems);
    // A test that somebody chose by himself tells the judge what he suspects; one that it asked for does not.
    const made = isProposed(judged.data, test) ? { ...result.finding, proposed: true } : result.finding;
    const id = await add({ kind: 'finding', at: new Date().toISOString(), finding: made as never });
    leave();
    router.navigate(`${back}?after=${id}` as never);
  };
  const skip = async (reason: string) => {
    await add({ kind: 'skip', at: new Date().toISOString(), test, reason });
    leave();
    router.navigate(back as never);
  };

  const fields = Object.entries(row.values ?? {}) as [string, ValueSpec][];
  const nowBar = firstBar(form, units) ?? log?.samples.pressureBar.findLast((p) => p !== null) ?? undefined;
  const drawL = parseTyped(form.values.volumeL ?? '');
  const expected = expectedNumbers(test, circuit, {
    ...(nowBar !== undefined ? { nowBar } : {}),
    ...(test === 'draw-off' && drawL.kind === 'number' && drawL.value > 0 ? { drawL: fromField(drawL.value, 'L', units) } : {}),
    ...(watchMin ? { watchMin } : {}),
  });
  const soFar = row.outcomes ? null : finding(null);
  return (
    <Halves
      header={
        <Header
          title={row.title}
          subtitle={`${parts.sheet.site} · about ${Math.max(row.minutes, watchMin)} min · ${row.intrusive ? 'drains or opens something' : 'nothing drained'}`}
          backTo={from === 'tests' ? `${back}/tests` : back}
        />
      }
      walk={
        <>
          {cooling ? (
            <CoolGate
              jobId={jobId}
              path={`${back}/test/${test}`}
              cooling={cooling}
              belowC={(gated ? row.coolBelowC : row.stillBelowC)!}
              units={units}
              opens={gated}
              onRead={(b) => void add(b)}
            />
          ) : null}
          {row.fires && !state.heat.allowed ? (
            <Notice kind="danger" title="Not with the heat on now">
              {`${state.heat.blocks.map((b) => b.text).join(' ')} Put it right first.`}
            </Notice>
          ) : null}
          {steps?.refused ? (
            <Notice kind="danger" title="Not on this circuit as it is drawn">
              {steps.refused}
            </Notice>
          ) : null}
          {testPlan(test, circuit) ? (
            <Button label="Valve map" kind="quiet" onPress={() => router.navigate(`${back}/valves?for=${test}` as never)} />
          ) : null}
          {steps?.who ? (
            <Notice kind="caution" title="Who may do it">
              {steps.who}
            </Notice>
          ) : null}
          <ExpectedTable numbers={expected} units={units} title="In this circuit" />
          {steps ? (
            <StepList
              steps={steps.steps}
              ticked={draft.value.ticked}
              onTick={(i) => {
                // What a step turns goes on the record, and with it on the list of what has to be put back.
                const turns = draft.value.ticked.includes(i) ? [] : (steps.steps[i]?.turns ?? []);
                for (const t of turns) void add(positionFact(t.position, t.state, new Date().toISOString()));
                draft.set({
                  ...draft.value,
                  ticked: draft.value.ticked.includes(i) ? draft.value.ticked.filter((t) => t !== i) : [...draft.value.ticked, i],
                });
              }}
            />
          ) : (
            <Text className="text-ink2">{row.tells}</Text>
          )}
          {steps?.stop ? (
            <Notice kind="caution" title="Break off when">
              <Spoken said={steps.stop} />
            </Notice>
          ) : null}
          {watchMin ? (
            <WatchBlock
              minutes={watchMin}
              watch={watch}
              startText={begins ? (form.values[begins] ?? '') : '–'}
              onNeedStart={() => setProblems(begins ? { [begins]: `${VALUE_LABELS[begins]}: read the gauge first.` } : {})}
            />
          ) : null}
          <OutlookTable outlook={outlookOn(judged.data, test)} />
        </>
      }
      note={
        <>
          <Earlier
            parts={parts}
            test={test}
            units={units}
            onUndo={(id) => void add({ kind: 'retraction', at: new Date().toISOString() }, id)}
          />
          <View className="gap-4">
            {fields
              .filter(([name]) => !(watchMin && name === 'minutes' && watch.watch))
              .map(([name, spec]) => (
                <Field
                  key={name}
                  label={`${VALUE_LABELS[name] ?? name}${spec.optional ? ', if read' : ''}`}
                  unit={fieldUnit(spec.unit, units)}
                  numeric
                  value={form.values[name] ?? ''}
                  onChange={(text) => setForm({ values: { ...form.values, [name]: text } })}
                  problem={problems[name] ?? null}
                />
              ))}
            <Conditions row={row} form={form} circuit={circuit} problems={problems} onChange={setForm} />
            {trap ? <Trap trap={trap} circuit={form.values.circuitBar ?? ''} units={units} /> : null}
          </View>
        </>
      }
      dock={
        <>
          {Object.values(problems)[0] ? (
            <Notice kind="danger" live>
              {Object.values(problems)[0]!}
            </Notice>
          ) : soFar?.kind === 'ok' && steps && !trap && !skipping ? (
            // Beside the button that records it, so that it is read before that.
            <MeaningNow finding={soFar.finding} sheet={circuit} means={steps.means} />
          ) : null}
          {skipping ? (
            <SkipTest onSkip={(reason) => void skip(reason)} onBack={() => setSkipping(false)} />
          ) : (
            <>
              {gated ? (
                <Text className="text-center text-ink2">Recorded once it is cool enough to be done.</Text>
              ) : row.outcomes ? (
                <Outcomes row={row} steps={steps} onPick={(o) => void record(o)} />
              ) : (
                <Button label={trap ? 'Record it as it is' : 'Record'} kind={trap ? 'plain' : 'main'} onPress={() => void record()} />
              )}
              <Button label="Cannot do this now" kind="quiet" onPress={() => setSkipping(true)} />
            </>
          )}
        </>
      }
    />
  );
}

/** The pressure that a test begins from, once it is typed. */
function firstBar(form: FindingForm, units: Units): number | null {
  for (const name of ['beforeBar', 'startBar', 'fromBar', 'coldBar', 'boilerStartBar']) {
    const typed = parseTyped(form.values[name] ?? '');
    if (typed.kind === 'number') return fromField(typed.value, 'bar', units);
  }
  return null;
}

/** What this test said before on this job; it can be taken back here. The later one counts. */
function Earlier({ parts, test, units, onUndo }: { parts: JobParts; test: TestId; units: Units; onUndo: (id: string) => void }) {
  const earlier = standingFacts(parts.facts).filter((f) => f.body.kind === 'finding' && f.body.finding.test === test);
  if (earlier.length === 0) return null;
  return (
    <View className="gap-2">
      {earlier.map((f) =>
        f.body.kind === 'finding' ? (
          <View key={f.id} className="flex-row items-center gap-3 border-y border-hair py-1.5">
            <Text className="min-w-0 flex-1">
              <Text className="text-ink2">Done before: </Text>
              {findingText(f.body.finding as unknown as Finding, units)}
            </Text>
            <Key label="Take it back" className="px-3" onPress={() => onUndo(f.id)} />
          </View>
        ) : null,
      )}
    </View>
  );
}

function Trap({ trap, circuit, units }: { trap: 'circuit-not-empty' | 'drain-shut'; circuit: string; units: Units }) {
  if (trap === 'circuit-not-empty')
    return (
      <Notice
        kind="danger"
        title="Not empty yet"
        live
      >{`${circuit} ${units.pressure} of water stands behind the diaphragm: the tyre gauge would only repeat it. Open the drain until the gauge shows zero.`}</Notice>
    );
  return (
    <Notice
      kind="caution"
      title="Is the drain open?"
    >{`With the drain shut, water behind the diaphragm hides the true charge. A reading taken so counts for little.`}</Notice>
  );
}

import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { v7 } from 'uuid';
import { jobToCase, type FactBody, type JobParts } from '@jumper/contract';
import {
  expectedNumbers,
  lowerFirst,
  planOf,
  RUN_SHEET_IDS,
  runSheet,
  runSheetRow,
  sheetAfterPart,
  sheetsForSet,
  type PartFitted,
  type RunSheetId,
  type RunStep,
  type StepAnswer,
} from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Halves } from '../../ui/Halves';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { leadOf } from '../bench/suspects';
import { useJobDiagnosis } from '../bench/useJobDiagnosis';
import { jobPlace } from '../jobPlace/jobPlaces';
import { useAddFact } from '../jobs/useAddFact';
import { toJobs, WithJob } from '../jobs/WithJob';
import { useSaveSheet } from '../sheet/useSaveSheet';
import { startTimer } from '../timers/timers';
import { TimerStrip } from '../timers/TimerStrip';
import { saidText } from '../units/saidText';
import { useUnits } from '../units/UnitsProvider';
import { AnswerNotice } from './AnswerNotice';
import { CoolGate } from './CoolGate';
import { CurrentStep } from './CurrentStep';
import { DrainPlanner } from './DrainPlanner';
import { ExpectedTable } from './ExpectedTable';
import { PartCard } from './PartCard';
import { PutBackList } from './PutBackList';
import { askUnit } from './asked';
import { checkAsk, ASK_LABELS, type AskResult } from './stepAsk';
import { StepRow } from './StepRow';
import { isWaited, useCooling } from './useCooling';
import { factsOfAnswer, factsOfAsk, freshProgress, sheetOfJob, stepFacts, workState, type WorkState } from './workState';

export function RunScreen({ jobId, sheetId }: { jobId: string; sheetId: string }) {
  const id = RUN_SHEET_IDS.find((s) => s === sheetId);
  if (!id) return <State title="There is no such run sheet" action={toJobs} />;
  return (
    <WithJob jobId={jobId} opening="the run sheet">
      {(parts) => <Run parts={parts} id={id} />}
    </WithJob>
  );
}

/** Opening the water side: only below the run sheet's temperature. */
const opensWater = (step: RunStep) =>
  step.turns?.some(
    (t) => t.state === 'away' && ['drain', 'vessel-drain', 'relief', 'vents', 'boiler-valves', 'freeze-plug'].includes(t.position),
  ) ?? false;

const powersUp = (step: RunStep): boolean => step.turns?.some((t) => t.position === 'boiler-power' && t.state === 'back') ?? false;

/** Share of a phone's height that the current step takes at most; beyond it is scrolled in its place. */
const STEP_SHARE = 0.42;

function Run({ parts, id }: { parts: JobParts; id: RunSheetId }) {
  const { units } = useUnits(),
    { height } = useWindowDimensions();
  const add = useAddFact(parts.job.id),
    saveSheet = useSaveSheet();
  const circuit = sheetOfJob(parts),
    sheet = runSheet(id, circuit);
  const back = jobPlace(parts.job.id, 'work'),
    here = `${back}/${id}`;
  const state = useMemo(() => workState(parts), [parts]);
  const [fresh] = useState(() => v7());
  const [chosen, setChosen] = useState<string | null>(null);
  const begun = state.runs.find((r) => (chosen ? r.run === chosen : r.sheet === id && !r.progress.finished));
  const run = { run: begun?.run ?? fresh, sheet: id };
  const progress = begun?.progress ?? freshProgress(id, parts);
  const finished = begun?.progress.finished ?? false;
  const step = progress.next;
  // How long a freeze takes is what its maker says.
  const freezeMin = progress.said.get('time')?.value,
    timerMin = step?.timerMin ?? (step?.id === 'freeze' ? freezeMin : undefined);
  const [typed, setTyped] = useState('');
  const [answer, setAnswer] = useState<Exclude<AskResult, { kind: 'ok' }> | null>(null);
  const [cameOut, setCameOut] = useState<{ step: string; answer: StepAnswer } | null>(null);
  const [skipping, setSkipping] = useState<string | null>(null);
  const lastLog = useMemo(() => jobToCase(parts).logs?.at(-1) ?? null, [parts]),
    cooling = useCooling(lastLog, sheet.coolBelowC);
  const gated = step !== null && opensWater(step) && isWaited(cooling);
  // Power comes on only where the one rule for heat allows it, whoever left something away.
  const noPower = step !== null && powersUp(step) && !state.heat.allowed;
  const partHere = step?.fits && !state.parts.some((p) => p.part.kind === step.fits && (!begun || p.at >= begun.startedAt));

  const write = async (facts: FactBody[]) => {
    for (const f of facts) await add(f);
    setChosen(run.run);
    setTyped('');
    setAnswer(null);
    setSkipping(null);
  };
  const done = (sure = false) => {
    if (!step) return;
    const at = new Date().toISOString();
    if (!step.asks) return void write(stepFacts(run, state, circuit, step.id, 'done', at));
    const said = progress.said.get('found')?.value;
    const result = checkAsk(step.asks, typed, circuit, units, said, sure);
    if (result.kind !== 'ok') return setAnswer(result);
    void write([
      ...factsOfAsk(step.asks, result.value, at),
      ...stepFacts(run, state, circuit, step.id, 'done', at, { value: result.value }),
    ]);
  };
  const choose = (a: StepAnswer) => {
    if (!step) return;
    const at = new Date().toISOString();
    setCameOut(a.then ? { step: step.id, answer: a } : null);
    void write([...factsOfAnswer(a, at), ...(a.ends ? stepFacts(run, state, circuit, step.id, 'done', at, { answer: a.id }) : [])]);
  };
  const skip = () => {
    if (step && skipping?.trim())
      void write(stepFacts(run, state, circuit, step.id, 'skipped', new Date().toISOString(), { reason: skipping.trim().slice(0, 400) }));
  };
  /** What is fitted goes on the circuit's sheet as a new version, so that everything is worked out with it. */
  const fit = async (part: PartFitted) => {
    await add({ kind: 'part', at: new Date().toISOString(), part });
    const after = sheetAfterPart(circuit, part);
    if (after)
      await saveSheet({
        ...parts.sheet,
        sheet: after,
        assumed: parts.sheet.assumed.filter(
          (f) => !f.startsWith(part.kind === 'vessel' ? 'vessel.' : part.kind === 'relief-valve' ? 'reliefValve.' : 'fill.set'),
        ),
      });
  };
  const numbers = id === 'recharge' || id === 'core-change' || id === 'vessel-change' ? expectedNumbers('pump-up-hold', circuit) : [];
  const number = step ? sheet.steps.findIndex((s) => s.id === step.id) + 1 : 0;
  const asks = step?.asks && !gated && !partHere,
    open = step !== null && !gated && !partHere && skipping === null;
  const map = () => router.navigate(`/jobs/${parts.job.id}/valves?for=${id}` as never);

  return (
    <Halves
      name="Run sheet"
      className="gap-3 pb-4"
      header={
        <Header
          title={sheet.title}
          subtitle={`${parts.sheet.site} · ${finished ? 'done' : `step ${number} of ${sheet.steps.length}`} · about ${sheet.minutes} min`}
          backTo={back}
        />
      }
      walk={
        <>
          <TimerStrip jobId={parts.job.id} />
          <View className="gap-3 px-4 pt-3">
            {sheet.refused ? (
              <Notice kind="danger" title="Not on this circuit">
                {sheet.refused}
              </Notice>
            ) : null}
            {sheet.who ? <Notice kind="caution">{sheet.who}</Notice> : null}
          </View>
          <View role="list" aria-label="Steps">
            {sheet.steps.map((s, i) => (
              <StepRow
                key={s.id}
                number={i + 1}
                step={s}
                said={progress.said.get(s.id) ?? null}
                current={!finished && s.id === step?.id}
                units={units}
              />
            ))}
          </View>
          {finished ? (
            <View className="gap-3 px-4">
              <Notice kind="sound" title="Every step is done">
                {sheet.repairs.length ? 'The work stands in the record. The log says what proves it.' : 'It stands in the record.'}
              </Notice>
            </View>
          ) : null}
          <View className="gap-3 px-4">
            <ExpectedTable numbers={numbers} units={units} title="In this circuit" />
            {id === 'drain-refill' ? <DrainPlanner jobId={parts.job.id} units={units} /> : null}
          </View>
          <PutBackList open={state.open} onAdd={(b) => void add(b)} />
        </>
      }
      dock={
        <>
          <ScrollView style={{ maxHeight: Math.round(height * STEP_SHARE) }} contentContainerClassName="gap-2">
            {step && !finished ? <CurrentStep number={number} of={sheet.steps.length} step={step} units={units} /> : null}
            {step?.id === 'shut-drain' ? <AlsoEmpty parts={parts} state={state} here={id} /> : null}
            {gated && sheet.coolBelowC ? (
              <CoolGate
                jobId={parts.job.id}
                path={here}
                cooling={cooling}
                belowC={sheet.coolBelowC}
                opens
                units={units}
                onRead={(b) => void add(b)}
              />
            ) : null}
            {noPower ? (
              <Notice kind="danger" title="No power yet">{`${state.heat.blocks.map((b) => b.text).join(' ')} Put it right first.`}</Notice>
            ) : null}
            {cameOut ? <AnswerNotice jobId={parts.job.id} answer={cameOut.answer} units={units} /> : null}
            {answer ? (
              <Notice kind={answer.kind === 'ask' ? 'caution' : 'danger'} live>
                {answer.message}
              </Notice>
            ) : null}
            {step && partHere && !gated ? <PartCard kind={step.fits!} sheet={circuit} units={units} onFit={(p) => void fit(p)} /> : null}
          </ScrollView>
          {asks ? (
            <Field
              label={ASK_LABELS[step.asks!]}
              unit={askUnit(step.asks!, units)}
              numeric
              value={typed}
              onChange={(t) => {
                setTyped(t);
                setAnswer(null);
              }}
              onSubmit={() => done()}
            />
          ) : null}
          {skipping !== null ? (
            <Field label="Why is it left out" value={skipping} onChange={setSkipping} autoFocus onSubmit={skip} />
          ) : null}
          {finished ? (
            <Button label="To the log" kind="main" onPress={() => router.navigate(jobPlace(parts.job.id, 'log') as never)} />
          ) : skipping !== null ? (
            <View className="flex-row gap-2">
              <Button label="Leave it out" kind="next" className="flex-1" disabled={!skipping.trim()} onPress={skip} />
              <Button label="No" kind="quiet" className="flex-1" onPress={() => setSkipping(null)} />
            </View>
          ) : open ? (
            <>
              {step.answers ? (
                <View role="group" aria-label="How did it come out" className="flex-row flex-wrap gap-2">
                  {step.answers.map((a) => (
                    <Button
                      key={a.id}
                      label={a.label}
                      kind={a.ends && a.id === step.answers![0]!.id ? 'main' : 'plain'}
                      className="grow basis-[45%]"
                      disabled={noPower}
                      onPress={() => choose(a)}
                    />
                  ))}
                </View>
              ) : null}
              <View className="flex-row flex-wrap gap-2">
                {step.showsMap ? <Button label="Valve map" kind="next" className="grow" onPress={map} /> : null}
                {timerMin ? (
                  <Button
                    label={`Timer, ${timerMin} min`}
                    className="grow"
                    onPress={() =>
                      startTimer({
                        id: `${run.run}.${step.id}`,
                        jobId: parts.job.id,
                        testId: null,
                        label: saidText(step.text, units),
                        startedMs: Date.now(),
                        lengthS: 60 * timerMin,
                        path: here,
                      })
                    }
                  />
                ) : null}
                {!step.showsMap && planOf(id, circuit) ? <Button label="Map" aria-label="Valve map" kind="quiet" onPress={map} /> : null}
                {step.must ? null : <Button label="Skip" kind="quiet" onPress={() => setSkipping('')} />}
                {step.answers ? null : (
                  <Button
                    label={answer?.kind === 'ask' ? 'It is so' : 'Done'}
                    kind="main"
                    className="min-w-[130px] flex-1"
                    disabled={noPower}
                    onPress={() => done(answer?.kind === 'ask')}
                  />
                )}
              </View>
            </>
          ) : null}
        </>
      }
    />
  );
}

/** Before the part is filled again: another repair of what is likely wrong that needs it empty as well, so that it is drained once. */
function AlsoEmpty({ parts, state, here }: { parts: JobParts; state: WorkState; here: RunSheetId }) {
  const { judged } = useJobDiagnosis(parts),
    circuit = sheetOfJob(parts);
  const diagnosis = judged.data,
    lead = diagnosis ? leadOf(diagnosis.now ?? diagnosis) : undefined,
    begun = state.runs.filter((r) => !r.progress.finished).map((r) => r.sheet),
    other = [...new Set([...begun, ...sheetsForSet(lead?.faults ?? [])])].filter((s) => {
      const plan = s === here || state.runs.some((r) => r.sheet === s && r.progress.finished) ? null : planOf(s, circuit);
      return plan?.kind === 'plan';
    });
  return (
    <View className="gap-2">
      <Text className="text-small text-ink2">Anything else to do while it is empty? Its steps that are done already are ticked there.</Text>
      {other.map((s) => (
        <Button
          key={s}
          label={`First: ${lowerFirst(runSheetRow(s).title)}`}
          onPress={() => router.navigate(`${jobPlace(parts.job.id, 'work')}/${s}` as never)}
        />
      ))}
      {other.length === 0 ? (
        <Button label="Choose another run sheet" kind="quiet" onPress={() => router.navigate(jobPlace(parts.job.id, 'work') as never)} />
      ) : null}
    </View>
  );
}

import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { v7 } from 'uuid';
import { jobToCase, type FactBody, type JobParts } from '@jumper/contract';
import { expectedNumbers, planOf, RUN_SHEET_IDS, runSheet, type RunSheetId, type RunStep } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Halves } from '../../ui/Halves';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { useAddFact } from '../jobs/useAddFact';
import { toJobs, WithJob } from '../jobs/WithJob';
import { startTimer } from '../timers/timers';
import { TimerStrip } from '../timers/TimerStrip';
import { saidText } from '../units/saidText';
import { useUnits } from '../units/UnitsProvider';
import { CoolGate } from './CoolGate';
import { DrainPlanner } from './DrainPlanner';
import { ExpectedTable } from './ExpectedTable';
import { PartCard } from './PartCard';
import { PutBackList } from './PutBackList';
import { askUnit } from './asked';
import { checkAsk, ASK_LABELS, type AskResult } from './stepAsk';
import { StepRow } from './StepRow';
import { isWaited, useCooling } from './useCooling';
import { findingOfStep, sheetOfJob, stepFacts, workState } from './workState';

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

function Run({ parts, id }: { parts: JobParts; id: RunSheetId }) {
  const { units } = useUnits();
  const add = useAddFact(parts.job.id);
  const circuit = sheetOfJob(parts),
    sheet = runSheet(id, circuit);
  const back = `/jobs/${parts.job.id}/work`,
    here = `${back}/${id}`;
  const state = useMemo(() => workState(parts), [parts]);
  const [fresh] = useState(() => v7());
  const [chosen, setChosen] = useState<string | null>(null);
  const begun = state.runs.find((r) => (chosen ? r.run === chosen : r.sheet === id && !r.progress.finished));
  const run = { run: begun?.run ?? fresh, sheet: id };
  const finished = begun?.progress.finished ?? false;
  const step = begun ? begun.progress.next : (sheet.steps[0] ?? null);
  // How long a freeze takes is what its maker says.
  const freezeMin = begun?.progress.said.get('time')?.value,
    timerMin = step?.timerMin ?? (step?.id === 'freeze' ? freezeMin : undefined);
  const [typed, setTyped] = useState('');
  const [answer, setAnswer] = useState<Exclude<AskResult, { kind: 'ok' }> | null>(null);
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
    const said = begun?.progress.said.get('found')?.value;
    const result = checkAsk(step.asks, typed, circuit, units, said, sure);
    if (result.kind !== 'ok') return setAnswer(result);
    void write([
      ...findingOfStep(step.asks, result.value, at),
      ...stepFacts(run, state, circuit, step.id, 'done', at, { value: result.value }),
    ]);
  };
  const skip = () => {
    if (step && skipping?.trim())
      void write(stepFacts(run, state, circuit, step.id, 'skipped', new Date().toISOString(), { reason: skipping.trim().slice(0, 400) }));
  };
  const numbers = id === 'recharge' || id === 'core-change' || id === 'vessel-change' ? expectedNumbers('pump-up-hold', circuit) : [];

  return (
    <Halves
      name="Run sheet"
      className="gap-3 pb-4"
      header={
        <Header
          title={sheet.title}
          subtitle={`${parts.sheet.site} · ${finished ? 'done' : `step ${(begun?.progress.doneCount ?? 0) + 1} of ${sheet.steps.length}`} · about ${sheet.minutes} min`}
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
            <ExpectedTable numbers={numbers} units={units} title="In this circuit" />
          </View>
          {id === 'drain-refill' ? (
            <View className="px-4">
              <DrainPlanner jobId={parts.job.id} units={units} />
            </View>
          ) : null}
          <View role="list" aria-label="Steps">
            {sheet.steps.map((s, i) => (
              <StepRow
                key={s.id}
                number={i + 1}
                step={s}
                said={begun?.progress.said.get(s.id) ?? null}
                current={s.id === step?.id}
                units={units}
              />
            ))}
          </View>
          {finished ? (
            <View className="gap-3 px-4">
              <Notice kind="sound" title="Every step is done">
                {sheet.repairs.length ? 'The work stands in the record. The bench says what proves it.' : 'It stands in the record.'}
              </Notice>
            </View>
          ) : null}
          <PutBackList open={state.open} onAdd={(b) => void add(b)} />
        </>
      }
      dock={
        <>
          {step?.showsMap || planOf(id, circuit) ? (
            <Button
              label="Valve map"
              kind={step?.showsMap ? 'next' : 'quiet'}
              onPress={() => router.navigate(`/jobs/${parts.job.id}/valves?for=${id}` as never)}
            />
          ) : null}
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
          {answer ? (
            <Notice kind={answer.kind === 'ask' ? 'caution' : 'danger'} live>
              {answer.message}
            </Notice>
          ) : null}
          {step && partHere && !gated ? (
            <ScrollView style={{ maxHeight: 380 }}>
              <PartCard kind={step.fits!} sheet={circuit} units={units} onAdd={(b) => void add(b)} />
            </ScrollView>
          ) : null}
          {step?.asks && !gated && !partHere ? (
            <Field
              label={ASK_LABELS[step.asks]}
              unit={askUnit(step.asks, units)}
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
            <Button label="To the bench" kind="main" onPress={() => router.navigate(`/jobs/${parts.job.id}` as never)} />
          ) : skipping !== null ? (
            <View className="flex-row gap-2">
              <Button label="Leave it out" kind="next" className="flex-1" disabled={!skipping.trim()} onPress={skip} />
              <Button label="No" kind="quiet" className="flex-1" onPress={() => setSkipping(null)} />
            </View>
          ) : step && !gated && !partHere ? (
            <View className="flex-row gap-2">
              {timerMin ? (
                <Button
                  label={`Timer, ${timerMin} min`}
                  className="flex-1"
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
              {step.must ? null : <Button label="Skip" kind="quiet" className="w-[96px]" onPress={() => setSkipping('')} />}
              <Button
                label={answer?.kind === 'ask' ? 'It is so' : 'Done'}
                kind="main"
                className="flex-[2]"
                disabled={noPower}
                onPress={() => done(answer?.kind === 'ask')}
              />
            </View>
          ) : null}
        </>
      }
    />
  );
}

import { lowerFirst } from '@jumper/core';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { jobToCase, type JobParts } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { Figure } from '../figure/Figure';
import { LoopFigure } from '../figure/LoopFigure';
import { SyncBadge } from '../jobs/SyncBadge';
import { useAddFact } from '../jobs/useAddFact';
import { useJob } from '../jobs/jobData';
import { CircuitDrawing } from '../schematic/CircuitDrawing';
import { proofView } from '../proof/proofView';
import { SheetSummary } from '../sheet/SheetSummary';
import { TimerStrip } from '../timers/TimerStrip';
import type { Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { benchView, type BenchView } from './benchView';
import { Dock } from './Dock';
import { FindingEffect } from './FindingEffect';
import { JobFiles } from './JobFiles';
import { LogTabs } from './LogTabs';
import { NextStep } from './NextStep';
import { Reading } from './Reading';
import { RecordList } from './RecordList';
import { recordRows } from './recordRows';
import { ShortcutHelp } from './ShortcutHelp';
import { JudgeProgress } from './JudgeProgress';
import { SuspectList } from './SuspectList';
import { nextTest, predictedBy, suspects } from './suspects';
import { caseKey, useDiagnosis } from './useDiagnosis';
import { useShortcuts } from './useShortcuts';
import { useWakeLock } from './useWakeLock';
import { VerdictBlock } from './VerdictBlock';
import { WorkDone } from './WorkDone';
import { useKeepVerdict } from '../verdict/verdicts';
import { PutBackList } from '../work/PutBackList';
import { workState } from '../work/workState';

/** Three columns and the places beside them need so much, px. */
const WIDE = 1100;
const NEXT_UNIT: Record<string, Units['pressure']> = { bar: 'psi', psi: 'kPa', kPa: 'bar' };

export function BenchScreen({ jobId, after }: { jobId: string; after?: string }) {
  const job = useJob(jobId);
  if (job.isPending) return <State title="Opening the job …" />;
  if (job.isError)
    return (
      <State
        title="The job could not be read from this device"
        text={String(job.error)}
        action={{ label: 'Try again', onPress: () => void job.refetch() }}
      />
    );
  if (!job.data)
    return (
      <State
        title="This job is not on this device"
        text="It may not have come over yet, or belong to someone else."
        action={{ label: 'To the jobs', onPress: () => router.navigate('/') }}
      />
    );
  return <Bench parts={job.data} {...(after ? { after } : {})} />;
}

function Bench({ parts, after }: { parts: JobParts; after?: string }) {
  const jobId = parts.job.id;
  const { units, choose: chooseUnits } = useUnits();
  const { width, height: windowHeight } = useWindowDimensions();
  const wide = width >= WIDE;
  const add = useAddFact(jobId);
  const takeBack = (id: string) => void add({ kind: 'retraction', at: new Date().toISOString() }, id);
  const [logIndex, setLogIndex] = useState<number | null>(null);
  const [overlay, setOverlay] = useState<string | null>(null);
  const [help, setHelp] = useState(false);
  const file = useMemo(() => jobToCase(parts), [parts]);
  const judged = useDiagnosis(file, caseKey(parts));
  const diagnosis = judged.data ?? null;
  const judgement = diagnosis ? (diagnosis.now ?? diagnosis) : null;
  const view = useMemo(
    () => benchView(parts, file, units, { logIndex, chargeNow: judgement?.estimates.prechargeBar ?? null }),
    [parts, file, units, logIndex, judgement],
  );
  const rows = useMemo(() => recordRows(parts.facts, units), [parts.facts, units]);
  const proof = useMemo(() => proofView(parts, file, diagnosis, units), [parts, file, diagnosis, units]);
  useKeepVerdict(parts, judged.isPlaceholderData ? null : diagnosis, proof);
  const state = useMemo(() => workState(parts), [parts]);
  const list = useMemo(() => (judgement ? suspects(judgement) : []), [judgement]);
  const predicted = judgement && overlay !== null ? predictedBy(judgement, overlay, view.shown) : null;
  const next = judgement ? nextTest(judgement, state.skips) : null;
  useWakeLock(view.heatOn);
  useShortcuts({
    '?': () => setHelp(!help),
    n: () => {
      if (next) router.navigate(`/jobs/${jobId}/test/${next}` as never);
    },
  });

  const dock = (
    <Dock
      jobId={jobId}
      lastBar={view.lastBar}
      lastAtMs={view.lastAtMs}
      lastC={view.lastC}
      startBar={1}
      narrow={wide}
      heatOn={view.heatOn}
      heatUnsaid={view.heatUnsaid}
      reliefBar={view.figure.reliefBar}
      units={units}
      forbids={state.forbids}
      {...(file.circuit.gauge?.resolutionBar ? { resolutionBar: file.circuit.gauge.resolutionBar } : {})}
      onAdd={(body) => {
        setLogIndex(null);
        return add(body);
      }}
      onUndo={takeBack}
    />
  );
  const figure = (
    <View className="gap-1">
      <Reading view={view} wide={wide} onUnit={() => chooseUnits({ ...units, pressure: NEXT_UNIT[units.pressure] ?? 'bar' })} />
      <LogTabs view={view} onChoose={setLogIndex} />
      <Figure view={view.figure} units={units} height={wide ? wideFigureHeight(windowHeight, view) : 268} predicted={predicted} />
      {predicted ? (
        <Text
          role="status"
          className="px-4 text-[13px] leading-[18px] text-oxide"
        >{`Dashed: what this log would look like with ${lowerFirst(list.find((s) => s.key === overlay)!.title)}.`}</Text>
      ) : null}
      {view.ruleOfThumb ? <Text className="px-4 text-[13px] text-ink2">{view.ruleOfThumb}</Text> : null}
    </View>
  );
  const loop = view.loop ? <LoopFigure view={view.loop} units={units} height={wide ? 180 : 150} /> : null;
  const judgementParts = (
    <>
      <TimerStrip jobId={jobId} />
      <PutBackList open={state.open} onAdd={(body) => void add(body)} />
      <JudgeProgress />
      {after ? (
        <View className="px-3">
          <FindingEffect parts={parts} factId={after} now={judged.isPlaceholderData ? null : diagnosis} onUndo={() => takeBack(after)} />
        </View>
      ) : null}
      {proof?.kind === 'pass' ? null : (
        <View className="px-3">
          <NextStep
            jobId={jobId}
            judgement={judgement}
            readings={view.lastBar === null ? 0 : 1}
            busy={judged.isFetching}
            awaitsRun={proof?.proof.reasons[0]?.code === 'no-run'}
            skipped={state.skips}
          />
        </View>
      )}
      {diagnosis && rows.length > 0 ? (
        <VerdictBlock
          jobId={jobId}
          skipped={state.skips}
          proof={proof}
          diagnosis={diagnosis}
          stale={judged.isPlaceholderData}
          units={units}
        />
      ) : null}
      {judged.isError ? (
        <View className="px-3">
          <Notice kind="danger" title="The judge stopped">{`${String(judged.error)}. Your readings are safe.`}</Notice>
        </View>
      ) : null}
      {rows.length > 0 ? <SuspectList suspects={list} onOpen={setOverlay} /> : null}
    </>
  );
  const record = (
    <View className="gap-1 pt-2">
      <Heading>Record</Heading>
      {rows.length === 0 ? (
        <Text className="px-4 text-ink2">Nothing logged yet.</Text>
      ) : (
        <RecordList rows={rows} units={units} reliefBar={view.figure.reliefBar} onAdd={add} />
      )}
    </View>
  );
  const work =
    rows.length > 0 ? (
      <View>
        <View className="gap-3 border-t border-hair px-4 pt-3">
          <Button label="Work, step by step" onPress={() => router.navigate(`/jobs/${jobId}/work` as never)} />
        </View>
        <WorkDone units={units} onAdd={(body) => add(body)} />
        <View className="px-4 pb-3">
          <Button label="Report for the customer" onPress={() => router.navigate(`/jobs/${jobId}/report` as never)} />
        </View>
      </View>
    ) : null;
  const circuit = (
    <View className="gap-1 pt-2">
      <Heading>Circuit</Heading>
      <CircuitDrawing jobId={jobId} circuitId={parts.job.circuitId} sheet={file.circuit} units={units} />
      <SheetSummary sheet={parts.sheet} units={units} />
      <JobFiles parts={parts} file={file} />
    </View>
  );

  if (wide)
    return (
      <View className="flex-1">
        <Header title={view.title} subtitle={view.subtitle} backTo="/">
          <Key label="Keys" className="px-3" onPress={() => setHelp(!help)} />
          <View className="w-2" />
          <SyncBadge />
        </Header>
        <View className="min-h-0 flex-1 flex-row">
          <View className="w-[316px] border-r border-hair">
            <ScrollView className="flex-1">
              {record}
              {circuit}
            </ScrollView>
            {dock}
          </View>
          <View className="min-w-0 flex-1 border-r border-hair">
            <ScrollView tabIndex={0} role="region" aria-label="Pressure over time" contentContainerClassName="p-4">
              {figure}
              {loop}
            </ScrollView>
          </View>
          <View className="w-[336px] bg-sheet">
            <ScrollView contentContainerClassName="gap-3 py-4">
              {judgementParts}
              {work}
            </ScrollView>
          </View>
        </View>
        {help ? <ShortcutHelp onClose={() => setHelp(false)} /> : null}
      </View>
    );
  return (
    <View className="flex-1">
      <Header title={view.title} subtitle={view.subtitle} backTo="/">
        <SyncBadge />
      </Header>
      <ScrollView className="flex-1" contentContainerClassName="gap-3 pb-4">
        {figure}
        {judgementParts}
        {loop}
        {work}
        {record}
        {circuit}
      </ScrollView>
      {dock}
    </View>
  );
}

/** With no loop to draw below it the figure takes what the window leaves. */
const wideFigureHeight = (windowHeight: number, view: BenchView) =>
  view.loop ? 420 : Math.min(640, Math.max(420, windowHeight - (view.logs.length > 0 ? 310 : 250)));

function Heading({ children }: { children: string }) {
  return (
    <Text role="heading" aria-level={2} className="px-4 pb-1 font-semibold text-[15px] text-ink2">
      {children}
    </Text>
  );
}

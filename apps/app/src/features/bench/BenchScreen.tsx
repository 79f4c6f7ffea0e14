import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';
import { jobToCase, type JobParts } from '@jumper/contract';
import { testRow, type Diagnosis } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { saveCaseFile } from '../caseFile/saveCaseFile';
import { Figure } from '../figure/Figure';
import { LoopFigure } from '../figure/LoopFigure';
import { SyncBadge } from '../jobs/SyncBadge';
import { useAddFact } from '../jobs/useAddFact';
import { useJob } from '../jobs/jobData';
import { SheetSummary } from '../sheet/SheetSummary';
import { pressureText, type Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { benchView, type BenchView } from './benchView';
import { Dock } from './Dock';
import { FindingEffect } from './FindingEffect';
import { NextStep } from './NextStep';
import { WorkDone } from './WorkDone';
import { RecordList } from './RecordList';
import { recordRows } from './recordRows';
import { SuspectList } from './SuspectList';
import { suspects, verdict } from './suspects';
import { useDiagnosis } from './useDiagnosis';

const WIDE = 1000;

export function BenchScreen({ jobId, after }: { jobId: string; after?: string }) {
  const job = useJob(jobId);
  if (job.isPending) return <State title="Opening the job …" />;
  if (job.isError) return <State title="The job could not be read from this device" text={String(job.error)} action={{ label: 'Try again', onPress: () => void job.refetch() }} />;
  if (!job.data) return <State title="This job is not on this device" text="It may not have come over yet, or belong to someone else." action={{ label: 'To the jobs', onPress: () => router.navigate('/') }} />;
  return <Bench parts={job.data} {...(after ? { after } : {})} />;
}

function Bench({ parts, after }: { parts: JobParts; after?: string }) {
  const { units } = useUnits();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const add = useAddFact(parts.job.id);
  const file = useMemo(() => jobToCase(parts), [parts]);
  const view = useMemo(() => benchView(parts, file, units), [parts, file, units]);
  const rows = useMemo(() => recordRows(parts.facts, units), [parts.facts, units]);
  const judged = useDiagnosis(file);
  const diagnosis = judged.data ?? null;
  const [overlay, setOverlay] = useState<string | null>(null);
  const judgement = diagnosis ? (diagnosis.now ?? diagnosis) : null;
  const unproved = (file.repairs?.length ?? 0) > 0 && !file.logs?.some((l) => l.epoch === 'after-work' && l.samples.tS.length >= 3);
  const list = useMemo(() => (judgement ? suspects(judgement) : []), [judgement]);
  const predicted = overlay !== null && overlay === list[0]?.key && judgement?.predicted ? judgement.predicted.tS.map((t, i) => ({ min: t / 60, bar: judgement.predicted!.gaugeBar[i]! })) : null;

  const dock = (
    <Dock lastBar={view.lastBar} lastAtMs={view.lastAtMs} lastC={view.lastC} startBar={1} narrow={wide} heatOn={view.heatOn} reliefBar={view.figure.reliefBar} units={units}
      {...(file.circuit.gauge?.resolutionBar ? { resolutionBar: file.circuit.gauge.resolutionBar } : {})}
      onAdd={(body) => add(body)} onUndo={(id) => void add({ kind: 'retraction', at: new Date().toISOString() }, id)} />
  );
  const figure = (
    <View className="gap-1">
      <Reading view={view} wide={wide} />
      <Figure view={view.figure} units={units} height={wide ? 420 : 268} predicted={predicted} />
      {view.ruleOfThumb ? <Text className="px-4 text-[13px] text-ink2">{view.ruleOfThumb}</Text> : null}
    </View>
  );
  const loop = view.loop ? <LoopFigure view={view.loop} units={units} height={wide ? 180 : 150} /> : null;
  const judgementParts = (
    <>
      {after ? <View className="px-3"><FindingEffect parts={parts} factId={after} now={diagnosis} /></View> : null}
      <View className="px-3"><NextStep jobId={parts.job.id} judgement={judgement} readings={view.figure.readings.length} busy={judged.isFetching} /></View>
      {diagnosis && rows.length > 0 ? <VerdictBlock jobId={parts.job.id} unproved={unproved} diagnosis={diagnosis} stale={judged.isPlaceholderData} units={units} /> : null}
      {judged.isError ? <View className="px-3"><Notice kind="danger" title="The judge stopped">{`${String(judged.error)}. Your readings are safe.`}</Notice></View> : null}
      {rows.length > 0 ? <SuspectList suspects={list} onOpen={setOverlay} /> : null}
    </>
  );
  const record = (
    <View className="gap-1 pt-2">
      <Heading>Record</Heading>
      {rows.length === 0 ? <Text className="px-4 text-ink2">Nothing logged yet.</Text> : <RecordList rows={rows} units={units} reliefBar={view.figure.reliefBar} onAdd={add} />}
    </View>
  );
  const work = rows.length > 0 ? <WorkDone units={units} onAdd={(body) => add(body)} /> : null;
  const circuit = (
    <View className="gap-1 pt-2">
      <Heading>Circuit</Heading>
      <SheetSummary sheet={parts.sheet} units={units} />
      <View className="gap-2 px-4 pb-5 pt-2">
        <Button label="Change the circuit" onPress={() => router.navigate(`/jobs/${parts.job.id}/sheet`)} />
        <Button label="Save as case file" onPress={() => saveCaseFile(file, parts.sheet.site)} />
      </View>
    </View>
  );

  if (wide)
    return (
      <View className="flex-1">
        <Header title={view.title} subtitle={view.subtitle} backTo="/"><SyncBadge /></Header>
        <View className="min-h-0 flex-1 flex-row">
          <View className="w-[340px] border-r border-hair"><ScrollView className="flex-1">{record}{work}{circuit}</ScrollView>{dock}</View>
          <View className="min-w-0 flex-1 border-r border-hair"><ScrollView tabIndex={0} role="region" aria-label="Pressure over time" contentContainerClassName="p-4">{figure}{loop}</ScrollView></View>
          <View className="w-[360px] bg-sheet"><ScrollView contentContainerClassName="gap-3 py-4">{judgementParts}</ScrollView></View>
        </View>
      </View>
    );
  return (
    <View className="flex-1">
      <Header title={view.title} subtitle={view.subtitle} backTo="/"><SyncBadge /></Header>
      <ScrollView className="flex-1" contentContainerClassName="gap-3 pb-4">{figure}{judgementParts}{loop}{work}{record}{circuit}</ScrollView>
      {dock}
    </View>
  );
}

const TONE = { oxide: 'text-oxide', verdigris: 'text-verdigris', slate: 'text-slate', ink: 'text-ink' } as const;

/** The one number that matters, and beside it the difference and what would be right. */
function Reading({ view, wide }: { view: BenchView; wide: boolean }) {
  if (!view.number) return <View className="px-4 pt-2"><Text className="font-figure text-[40px] leading-[52px] text-ink2">No reading yet</Text></View>;
  return (
    <View className="flex-row items-end gap-4 px-4 pt-1">
      <View className="flex-row items-baseline gap-1.5" role="status" aria-label={`Now ${view.number.value} ${view.number.unit}`}>
        <Text testID="reading" className={`font-figure ${wide ? 'text-[80px] leading-[84px]' : 'text-[64px] leading-[68px]'}`} style={{ fontVariant: ['tabular-nums'] }}>{view.number.value}</Text>
        <Text className="font-medium text-[20px] text-ink2">{view.number.unit}</Text>
      </View>
      <View className="min-w-0 flex-1 gap-0.5 pb-2.5">
        {view.change ? <Text className={`font-semibold text-[16px] ${TONE[view.change.tone]}`}>{view.change.text}</Text> : null}
        {view.right ? <Text className="text-[13.5px] leading-[18px] text-ink2">{view.right}</Text> : null}
      </View>
    </View>
  );
}

function VerdictBlock({ jobId, diagnosis, unproved, stale, units }: { jobId: string; diagnosis: Diagnosis; unproved: boolean; stale: boolean; units: Units }) {
  const v = verdict(diagnosis, unproved);
  const judgement = diagnosis.now ?? diagnosis;
  const lead = judgement.hypotheses[0];
  // Worth a line once one fault stands out, and only where the next test is another.
  const proof = lead && lead.faults[0] !== 'none' && lead.probability > 0.5 && judgement.provingTest !== judgement.nextTests[0]?.test ? judgement.provingTest : null;
  const charge = (diagnosis.now ?? diagnosis).estimates.prechargeBar;
  return (
    <View testID="verdict" aria-busy={stale} className={`gap-1 px-4 ${stale ? 'opacity-60' : ''}`}>
      <Text role="heading" aria-level={2} className={`font-semibold text-[20px] leading-[25px] ${v.kind === 'sound' ? 'text-verdigris' : 'text-ink'}`}>{v.headline}</Text>
      <Text className="text-ink2">{v.text}</Text>
      {charge ? <Text><Text className="text-ink2">Vessel’s charge, from this log: </Text><Text className="font-semibold">{pressureText(charge.median, units.pressure)}</Text><Text className="text-ink2">{`, ${pressureText(charge.p05, units.pressure)} to ${pressureText(charge.p95, units.pressure)}`}{charge.median < 0 ? ' (below zero: waterlogged)' : ''}</Text></Text> : null}
      {proof ? (
        <Pressable role="button" onPress={() => router.navigate(`/jobs/${jobId}/test/${proof}`)} className="min-h-[48px] justify-center active:opacity-70">
          <Text><Text className="text-ink2">Before a part is bought, prove it: </Text><Text className="font-semibold underline">{testRow(proof).title.charAt(0).toLowerCase() + testRow(proof).title.slice(1)}</Text></Text>
        </Pressable>
      ) : null}
      {(diagnosis.now ?? diagnosis).contradictions.map((c) => <Notice key={c.text} kind="caution" title="Two findings disagree">{c.text}</Notice>)}
    </View>
  );
}

function Heading({ children }: { children: string }) {
  return <Text role="heading" aria-level={2} className="px-4 pb-1 font-semibold text-[15px] text-ink2">{children}</Text>;
}

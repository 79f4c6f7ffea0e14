import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { useColumns } from '../../ui/Columns';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { LoopFigure } from '../figure/LoopFigure';
import { SyncBadge } from '../jobs/SyncBadge';
import { useJob } from '../jobs/jobData';
import { CircuitDrawing } from '../schematic/CircuitDrawing';
import { SheetSummary } from '../sheet/SheetSummary';
import { BenchAlerts } from './BenchAlerts';
import { BenchFigure } from './BenchFigure';
import { BenchJudgement } from './BenchJudgement';
import { Dock } from './Dock';
import { JobFiles } from './JobFiles';
import { RecordList } from './RecordList';
import { ShortcutHelp } from './ShortcutHelp';
import { useBench, type BenchState } from './useBench';
import { WorkDone } from './WorkDone';

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

/** The same parts one below the other on a phone, side by side on a wide screen. */
function Bench({ parts, after }: { parts: JobParts; after?: string }) {
  const wide = useColumns(),
    bench = useBench(parts),
    { view, units } = bench;
  const dock = <BenchDock bench={bench} wide={wide} />;
  const figure = <BenchFigure bench={bench} wide={wide} />;
  const loop = view.loop ? <LoopFigure view={view.loop} units={units} height={wide ? 180 : 150} /> : null;
  const alerts = <BenchAlerts bench={bench} />;
  const judgement = <BenchJudgement bench={bench} {...(after ? { after } : {})} />;
  const work = bench.rows.length > 0 ? <Work bench={bench} /> : null;
  const record = <Record bench={bench} />;
  const circuit = <Circuit bench={bench} />;
  if (!wide)
    return (
      <View className="flex-1">
        <Header title={view.title} subtitle={view.subtitle} backTo="/">
          <SyncBadge />
        </Header>
        <ScrollView className="flex-1" contentContainerClassName="gap-3 pb-4">
          {alerts}
          {figure}
          {judgement}
          {loop}
          {work}
          {record}
          {circuit}
        </ScrollView>
        {dock}
      </View>
    );
  return (
    <View className="flex-1">
      <Header title={view.title} subtitle={view.subtitle} backTo="/">
        <Key label="Keys" className="px-3" onPress={bench.toggleHelp} />
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
            {alerts}
            {judgement}
            {work}
          </ScrollView>
        </View>
      </View>
      {bench.help ? <ShortcutHelp onClose={bench.toggleHelp} /> : null}
    </View>
  );
}

function BenchDock({ bench: { jobId, view, units, state, file, add, takeBack, chooseLog }, wide }: { bench: BenchState; wide: boolean }) {
  const resolutionBar = file.circuit.gauge?.resolutionBar;
  return (
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
      heat={state.heat}
      {...(resolutionBar ? { resolutionBar } : {})}
      onAdd={(body) => {
        chooseLog(null);
        return add(body);
      }}
      onUndo={takeBack}
    />
  );
}

function Record({ bench: { rows, units, view, add } }: { bench: BenchState }) {
  return (
    <View className="gap-1 pt-2">
      <Heading>Record</Heading>
      {rows.length === 0 ? (
        <Text className="px-4 text-ink2">Nothing logged yet.</Text>
      ) : (
        <RecordList rows={rows} units={units} reliefBar={view.figure.reliefBar} onAdd={add} />
      )}
    </View>
  );
}

function Work({ bench: { jobId, units, add } }: { bench: BenchState }) {
  return (
    <View>
      <View className="gap-3 border-t border-hair px-4 pt-3">
        <Button label="Work, step by step" onPress={() => router.navigate(`/jobs/${jobId}/work` as never)} />
      </View>
      <WorkDone units={units} onAdd={(body) => add(body)} />
      <View className="px-4 pb-3">
        <Button label="Report for the customer" onPress={() => router.navigate(`/jobs/${jobId}/report` as never)} />
      </View>
    </View>
  );
}

function Circuit({ bench: { jobId, parts, file, units } }: { bench: BenchState }) {
  return (
    <View className="gap-1 pt-2">
      <Heading>Circuit</Heading>
      <CircuitDrawing jobId={jobId} circuitId={parts.job.circuitId} sheet={file.circuit} units={units} />
      <SheetSummary sheet={parts.sheet} units={units} />
      <JobFiles parts={parts} file={file} />
    </View>
  );
}

function Heading({ children }: { children: string }) {
  return (
    <Text role="heading" aria-level={2} className="px-4 pb-1 font-semibold text-[15px] text-ink2">
      {children}
    </Text>
  );
}

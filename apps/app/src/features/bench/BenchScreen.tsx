import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { useColumns } from '../../ui/Columns';
import { Key } from '../../ui/Key';
import { State } from '../../ui/State';
import { LoopFigure } from '../figure/LoopFigure';
import { useJob } from '../jobs/jobData';
import { JobPlace } from '../jobPlace/JobPlace';
import { TimerStrip } from '../timers/TimerStrip';
import { BenchAlerts } from './BenchAlerts';
import { BenchFigure } from './BenchFigure';
import { BenchJudgement } from './BenchJudgement';
import { BenchReasons } from './BenchReasons';
import { Dock } from './Dock';
import { PutBackLine } from './PutBackLine';
import { RecordPanel } from '../record/RecordPanel';
import { ShortcutHelp } from './ShortcutHelp';
import { useBench, type BenchState } from './useBench';

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

/** Log and verdict. On a phone one below the other, with verdict and next step in the first screen; side by side on a wide screen. */
function Bench({ parts, after }: { parts: JobParts; after?: string }) {
  const wide = useColumns(),
    bench = useBench(parts),
    { view, units, jobId } = bench;
  const dock = <BenchDock bench={bench} wide={wide} />;
  const figure = <BenchFigure bench={bench} wide={wide} />;
  const loop = view.loop ? <LoopFigure view={view.loop} units={units} height={wide ? 180 : 150} /> : null;
  const urgent = (
    <>
      <BenchAlerts bench={bench} />
      <TimerStrip jobId={jobId} />
      <PutBackLine jobId={jobId} open={bench.state.open} />
    </>
  );
  const judgement = <BenchJudgement bench={bench} {...(after ? { after } : {})} />;
  const reasons = <BenchReasons bench={bench} />;
  if (!wide)
    return (
      <JobPlace parts={parts} at="log" foot={dock}>
        <ScrollView className="flex-1" contentContainerClassName="gap-2 pb-4">
          {urgent}
          {figure}
          {judgement}
          {reasons}
          {loop}
        </ScrollView>
      </JobPlace>
    );
  return (
    <JobPlace parts={parts} at="log" tools={<Key label="Keys" name="Keyboard keys" className="mr-2 px-3" onPress={bench.toggleHelp} />}>
      <View className="min-h-0 flex-1 flex-row">
        <View className="w-[316px] border-r border-hair">
          <ScrollView className="flex-1">
            <RecordPanel rows={bench.rows} units={units} reliefBar={view.figure.reliefBar} onAdd={bench.add} />
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
            {urgent}
            {judgement}
            {reasons}
          </ScrollView>
        </View>
      </View>
      {bench.help ? <ShortcutHelp onClose={bench.toggleHelp} /> : null}
    </JobPlace>
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

import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { useColumns } from '../../ui/Columns';
import { WithJob } from '../jobs/WithJob';
import { JobPlace } from '../jobPlace/JobPlace';
import { CircuitDrawing } from '../schematic/CircuitDrawing';
import { SheetSummary } from '../sheet/SheetSummary';
import { useUnits } from '../units/UnitsProvider';
import { sheetOfJob } from '../work/workState';

export function CircuitPlaceScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the circuit">
      {(parts) => <Circuit parts={parts} />}
    </WithJob>
  );
}

/** The circuit of a job: its drawing, what its sheet says, and what that works out to. */
function Circuit({ parts }: { parts: JobParts }) {
  const wide = useColumns(),
    { units } = useUnits(),
    to = `/jobs/${parts.job.id}`;
  const drawing = <CircuitDrawing jobId={parts.job.id} circuitId={parts.job.circuitId} sheet={sheetOfJob(parts)} units={units} />;
  const summary = <SheetSummary sheet={parts.sheet} units={units} />;
  const ways = (
    <View className="gap-2 px-4 pb-5 pt-3">
      <Button label="Change the circuit" kind="next" onPress={() => router.navigate(`${to}/sheet` as never)} />
      <Button label="Valve map" onPress={() => router.navigate(`${to}/valves` as never)} />
      <Button label="History of the circuit" onPress={() => router.navigate(`${to}/history` as never)} />
      <Button label="Tools, with this circuit" onPress={() => router.navigate(`/tools?job=${parts.job.id}` as never)} />
    </View>
  );
  return (
    <JobPlace parts={parts} at="circuit">
      {wide ? (
        <View className="min-h-0 flex-1 flex-row">
          <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[760px] py-4">
            {drawing}
          </ScrollView>
          <ScrollView className="w-[480px] flex-none border-l border-hair bg-sheet" contentContainerClassName="pt-2">
            {summary}
            {ways}
          </ScrollView>
        </View>
      ) : (
        <ScrollView className="flex-1" contentContainerClassName="gap-2 pt-3">
          {drawing}
          {ways}
          {summary}
        </ScrollView>
      )}
    </JobPlace>
  );
}

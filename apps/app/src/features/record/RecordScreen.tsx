import { router } from 'expo-router';
import { ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { useColumns } from '../../ui/Columns';
import { benchView } from '../bench/benchView';
import { useBench } from '../bench/useBench';
import { saveCaseFile, saveLogTable } from '../caseFile/saveCaseFile';
import { WithJob } from '../jobs/WithJob';
import { JobPlace } from '../jobPlace/JobPlace';
import { RecordPanel } from './RecordPanel';

export function RecordScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the record">
      {(parts) => <Record parts={parts} />}
    </WithJob>
  );
}

/** What was written down on this job, and what goes out of it: the report, the tables, the case file. */
function Record({ parts }: { parts: JobParts }) {
  const wide = useColumns(),
    bench = useBench(parts),
    to = `/jobs/${parts.job.id}`,
    { title, subtitle }: Pick<ReturnType<typeof benchView>, 'title' | 'subtitle'> = bench.view;
  const files = (
    <View className="gap-2 px-4 pb-5 pt-3">
      <Button label="History of the circuit" onPress={() => router.navigate(`${to}/history` as never)} />
      <Button label="Bring in a logger’s table" onPress={() => router.navigate(`${to}/import` as never)} />
      {bench.file.logs?.length ? (
        <Button label="Save the logs as a table" onPress={() => saveLogTable(bench.file, parts.sheet.site)} />
      ) : null}
      <Button label="Save as case file" onPress={() => saveCaseFile(bench.file, parts.sheet.site)} />
    </View>
  );
  const report = (
    <View className="border-t border-ink bg-sheet px-3 py-2">
      <Button label="Report for the customer" kind="main" onPress={() => router.navigate(`${to}/report` as never)} />
    </View>
  );
  return (
    <JobPlace jobId={parts.job.id} at="record" title={title} subtitle={subtitle} foot={wide ? null : report}>
      {wide ? (
        <View className="min-h-0 flex-1 flex-row">
          <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[860px] pb-6">
            <RecordPanel bench={bench} />
          </ScrollView>
          <ScrollView className="w-[400px] flex-none border-l border-hair bg-sheet">
            {report}
            {files}
          </ScrollView>
        </View>
      ) : (
        <ScrollView className="flex-1">
          <RecordPanel bench={bench} />
          {files}
        </ScrollView>
      )}
    </JobPlace>
  );
}

import { router } from 'expo-router';
import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { resolveCircuit } from '@jumper/core';
import { Button } from '../../ui/Button';
import { useColumns } from '../../ui/Columns';
import { recordRows } from '../bench/recordRows';
import { saveCaseFile, saveLogTable } from '../caseFile/saveCaseFile';
import { useAddFact } from '../jobs/useAddFact';
import { WithJob } from '../jobs/WithJob';
import { JobPlace } from '../jobPlace/JobPlace';
import { useUnits } from '../units/UnitsProvider';
import { judgedCase, useVanParts } from '../van/van';
import { sheetOfJob } from '../work/workState';
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
    { units } = useUnits(),
    add = useAddFact(parts.job.id),
    van = useVanParts(),
    to = `/jobs/${parts.job.id}`;
  const file = useMemo(() => judgedCase(parts, van), [parts, van]),
    reliefBar = resolveCircuit(file.circuit).reliefSetGaugeBar;
  const rows = useMemo(() => recordRows(parts.facts, units, sheetOfJob(parts)), [parts, units]);
  const record = <RecordPanel rows={rows} units={units} reliefBar={reliefBar} onAdd={add} />;
  const files = (
    <View className="gap-2 px-4 pb-5 pt-3">
      <Button label="History of the circuit" onPress={() => router.navigate(`${to}/history` as never)} />
      <Button label="Bring in a logger’s table" onPress={() => router.navigate(`${to}/import` as never)} />
      {file.logs?.length ? <Button label="Save the logs as a table" onPress={() => saveLogTable(file, parts.sheet.site)} /> : null}
      <Button label="Save as case file" onPress={() => saveCaseFile(file, parts.sheet.site)} />
    </View>
  );
  const report = (
    <View className="border-t border-ink bg-sheet px-3 py-2">
      <Button label="Report for the customer" kind="main" onPress={() => router.navigate(`${to}/report` as never)} />
    </View>
  );
  return (
    <JobPlace parts={parts} at="record" foot={wide ? null : report}>
      {wide ? (
        <View className="min-h-0 flex-1 flex-row">
          <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[860px] pb-6">
            {record}
          </ScrollView>
          <ScrollView className="w-[400px] flex-none border-l border-hair bg-sheet">
            {report}
            {files}
          </ScrollView>
        </View>
      ) : (
        <ScrollView className="flex-1">
          {record}
          {files}
        </ScrollView>
      )}
    </JobPlace>
  );
}

import { router } from 'expo-router';
import { View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import type { Case } from '@jumper/core';
import { Button } from '../../ui/Button';
import { saveCaseFile, saveLogTable } from '../caseFile/saveCaseFile';

/** What goes out of a job and comes into it. */
export function JobFiles({ parts, file }: { parts: JobParts; file: Case }) {
  const to = `/jobs/${parts.job.id}`;
  return (
    <View className="gap-2 px-4 pb-5 pt-2">
      <Button label="History of the circuit" onPress={() => router.navigate(`${to}/history` as never)} />
      <Button label="Change the circuit" onPress={() => router.navigate(`${to}/sheet` as never)} />
      <Button label="Tools, with this circuit" onPress={() => router.navigate(`/tools?job=${parts.job.id}` as never)} />
      <Button label="Bring in a logger’s table" onPress={() => router.navigate(`${to}/import` as never)} />
      {file.logs?.length ? <Button label="Save the logs as a table" onPress={() => saveLogTable(file, parts.sheet.site)} /> : null}
      <Button label="Save as case file" onPress={() => saveCaseFile(file, parts.sheet.site)} />
    </View>
  );
}

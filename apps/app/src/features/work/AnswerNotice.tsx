import { router } from 'expo-router';
import { View } from 'react-native';
import { RUN_SHEET_IDS, runSheetRow, type StepAnswer } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { jobPlace } from '../jobPlace/jobPlaces';
import { saidText } from '../units/saidText';
import type { Units } from '../units/units';

/** What to do after a step came out in another way than it should, in order, and the run sheets that may be the way on. */
export function AnswerNotice({ jobId, answer, units }: { jobId: string; answer: StepAnswer; units: Units }) {
  const sheets = RUN_SHEET_IDS.filter((s) => answer.leadsTo?.includes(s));
  return (
    <Notice kind="caution" title={answer.label} live>
      <View className="gap-2">
        {answer.then?.map((t, i) => (
          <Text key={i}>{answer.then!.length > 1 ? `${i + 1}. ${saidText(t, units)}` : saidText(t, units)}</Text>
        ))}
        {sheets.map((s) => (
          <Button key={s} label={runSheetRow(s).title} onPress={() => router.navigate(`${jobPlace(jobId, 'work')}/${s}` as never)} />
        ))}
      </View>
    </Notice>
  );
}

import { router } from 'expo-router';
import { Pressable, View } from 'react-native';
import { positionRow, type PutBack } from '@jumper/core';
import { Text } from '../../ui/Text';
import { jobPlace } from '../jobPlace/jobPlaces';
import { putBackText } from '../work/workWords';

/** What stands away from where it belongs, in one line that leads to the list where it is put back. */
export function PutBackLine({ jobId, open }: { jobId: string; open: PutBack[] }) {
  if (open.length === 0) return null;
  const stops = open.some((p) => positionRow(p.position).stopsHeat);
  return (
    <Pressable
      role="button"
      aria-label={`${open.length} to put back: ${open.map(putBackText).join(', ')}`}
      onPress={() => router.navigate(jobPlace(jobId, 'work') as never)}
      className="min-h-[52px] flex-row items-center gap-3 border-y border-hair bg-palebrass px-4 py-1 active:opacity-70"
    >
      <View className="min-w-0 flex-1">
        <Text numberOfLines={1} className="font-medium">
          {`To put back, ${open.length}: ${open.map(putBackText).join(', ')}`}
        </Text>
        {stops ? <Text className="text-small text-ink2">No heat until it is back.</Text> : null}
      </View>
      <Text className="font-semibold text-small underline">Show</Text>
    </Pressable>
  );
}

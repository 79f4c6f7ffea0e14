import { Pressable, View } from 'react-native';
import { Text } from '../../ui/Text';
import type { BenchView } from './benchView';

const TONE = { oxide: 'text-oxide', verdigris: 'text-verdigris', slate: 'text-slate', ink: 'text-ink' } as const;

/** The one number that matters, and beside it the difference and what would be right. */
export function Reading({ view, wide, onUnit }: { view: BenchView; wide: boolean; onUnit: () => void }) {
  if (!view.number)
    return (
      <View className="px-4 pt-2">
        <Text className="font-figure text-head text-ink2">{view.logs.length > 0 ? 'No reading in this log yet' : 'No reading yet'}</Text>
      </View>
    );
  return (
    <View className="flex-row flex-wrap items-end gap-x-4 px-4 pt-1">
      <View className="flex-row items-baseline gap-1.5" role="status" aria-label={`Now ${view.number.value} ${view.number.unit}`}>
        <Text testID="reading" className={`font-figure ${wide ? 'text-wide' : 'text-reading'}`} style={{ fontVariant: ['tabular-nums'] }}>
          {view.number.value}
        </Text>
      </View>
      <Pressable
        role="button"
        aria-label={`${view.number.unit}, change the unit`}
        onPress={onUnit}
        className="-ml-3 min-h-[48px] min-w-[48px] items-center justify-center self-end pb-1 active:opacity-70"
      >
        <Text className="font-medium text-title text-ink2 underline decoration-dotted">{view.number.unit}</Text>
      </Pressable>
      <View className="min-w-[140px] flex-1 gap-0.5 pb-2.5">
        {view.change ? <Text className={`font-semibold text-body ${TONE[view.change.tone]}`}>{view.change.text}</Text> : null}
        {view.right ? <Text className="text-small text-ink2">{view.right}</Text> : null}
      </View>
    </View>
  );
}

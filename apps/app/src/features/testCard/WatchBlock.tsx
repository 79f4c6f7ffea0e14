import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { clockText } from '../timers/timers';
import type { useWatch } from './useWatch';

interface Props {
  minutes: number;
  watch: ReturnType<typeof useWatch>;
  startText: string;
  onNeedStart: () => void;
}

/** The clock of a watch, from the reading at its start. */
export function WatchBlock({ minutes, watch, startText, onNeedStart }: Props) {
  const leftS = minutes * 60 - watch.elapsedS;
  return (
    <View className="gap-2 border-y border-hair py-3">
      <View className="flex-row items-center justify-between gap-3">
        <View role="timer" aria-label="Time on watch" className="min-w-0 flex-1">
          <Text className="font-figure text-dial" style={{ fontVariant: ['tabular-nums'] }}>
            {clockText(watch.elapsedS)}
          </Text>
          <Text className="text-small text-ink2">
            {watch.watch
              ? leftS > 0
                ? `read again in ${clockText(leftS)}`
                : 'time is up: read the gauge'
              : `${minutes} minutes; it runs on if you lock the phone`}
          </Text>
        </View>
        {watch.watch ? (
          <Button label="Start anew" kind="quiet" onPress={watch.clear} />
        ) : (
          <Button label="Start the watch" kind="main" onPress={() => (startText.trim() ? watch.start(startText) : onNeedStart())} />
        )}
      </View>
    </View>
  );
}

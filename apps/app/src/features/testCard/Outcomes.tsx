import { View } from 'react-native';
import type { TestRow, TestSteps } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { Spoken } from '../units/Spoken';
import { capital, plain } from '../units/words';

/** The outcome is the last touch: it records. Each says what it would mean. */
export function Outcomes({ row, steps, onPick }: { row: TestRow; steps: TestSteps | undefined; onPick: (outcome: string) => void }) {
  return (
    <View role="group" aria-label="What did you find" className="gap-2">
      {row.outcomes!.map((o) => (
        <View key={o} className="flex-row items-center gap-3">
          <Button label={capital(plain(o))} kind="next" className="w-[136px]" onPress={() => onPick(o)} />
          <Text className="min-w-0 flex-1 text-small text-ink2">
            <Spoken said={steps?.means[o] ?? ''} />
          </Text>
        </View>
      ))}
    </View>
  );
}

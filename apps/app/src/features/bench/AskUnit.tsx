import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { pressureText, type Units } from '../units/units';
import type { PressureCheck } from './checkPressure';

/** Asks whether a number that no circuit of this relief stands at was meant in another unit. */
export function AskUnit({
  question,
  typed,
  units,
  reliefBar,
  onTake,
  onBack,
}: {
  question: Extract<PressureCheck, { kind: 'ask' }>;
  typed: string;
  units: Units;
  reliefBar: number;
  onTake: (bar: number) => void;
  onBack: () => void;
}) {
  return (
    <Notice kind="caution" live>
      <Text className="font-semibold">
        {typed.trim()} {units.pressure}
        {question.asPsiBar !== null ? ': was that psi?' : ': is that right?'}
      </Text>
      <Text>This circuit’s relief opens at {pressureText(reliefBar, units.pressure)}.</Text>
      <View className="mt-1 flex-row flex-wrap gap-2">
        {question.asPsiBar !== null ? (
          <Key
            label={`psi: log ${pressureText(question.asPsiBar, units.pressure)}`}
            className="grow"
            onPress={() => onTake(Math.round(question.asPsiBar! * 1e4) / 1e4)}
          />
        ) : null}
        {Number.isNaN(question.bar) ? null : (
          <Key label={`${typed.trim()} ${units.pressure} is right`} className="grow" onPress={() => onTake(question.bar)} />
        )}
        <Key label="Change it" className="grow" onPress={onBack} />
      </View>
    </Notice>
  );
}

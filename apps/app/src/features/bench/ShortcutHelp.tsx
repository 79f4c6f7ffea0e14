import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

const KEYS: [string, string][] = [
  ['L', 'type a pressure, or begin with its digits'],
  ['+  −', 'nudge the value'],
  ['Enter', 'log it'],
  ['C', 'temperatures with it'],
  ['H', 'heat on or off'],
  ['T', 'topped up'],
  ['Z', 'take the last entry back'],
  ['N', 'start the next test'],
  ['← →', 'go along the trace, when it has the focus'],
  ['Esc', 'leave an entry'],
  ['?', 'this list'],
];

/** The keyboard of the bench, for a wide screen. */
export function ShortcutHelp({ onClose }: { onClose: () => void }) {
  return (
    <View
      role="dialog"
      aria-label="Keyboard"
      className="absolute bottom-4 right-4 z-10 w-[340px] gap-3 rounded border-[1.5px] border-ink bg-sheet p-4"
    >
      <Text role="heading" aria-level={2} className="font-semibold text-lead">
        Keyboard
      </Text>
      <View className="gap-1">
        {KEYS.map(([key, does]) => (
          <View key={key} className="flex-row gap-3">
            <Text className="w-[56px] font-semibold">{key}</Text>
            <Text className="min-w-0 flex-1">{does}</Text>
          </View>
        ))}
      </View>
      <Button label="Close" kind="next" onPress={onClose} />
    </View>
  );
}

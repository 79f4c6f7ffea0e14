import { View } from 'react-native';
import { Key } from './Key';
import { Text } from './Text';

interface Props<T extends string> {
  label: string;
  options: { value: T; label: string }[];
  value: T | null;
  onChange: (value: T) => void;
  problem?: string | null;
}

/** One of a few, all in sight. Two share the row evenly, and three whose words are short. The problem under it names what is wrong. */
export function Choice<T extends string>({ label, options, value, onChange, problem }: Props<T>) {
  const evenly = options.length === 2 || (options.length === 3 && options.every((o) => o.label.length <= SHORT));
  return (
    <View role="group" aria-label={label} className="gap-1">
      <Text className="font-medium text-small text-ink2">{label}</Text>
      <View className="flex-row flex-wrap gap-2">
        {options.map((o) => (
          <Key
            key={o.value}
            label={o.label}
            pressed={o.value === value}
            onPress={() => onChange(o.value)}
            className={`px-3 ${evenly ? 'flex-1' : 'grow'}`}
          />
        ))}
      </View>
      {problem ? (
        <Text role="alert" className="text-small text-oxide">
          {problem}
        </Text>
      ) : null}
    </View>
  );
}

/** So many letters stand on a third of a phone's row. */
const SHORT = 13;

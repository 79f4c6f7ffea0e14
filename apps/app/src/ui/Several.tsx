import { View } from 'react-native';
import { Key } from './Key';
import { Text } from './Text';

interface Props<T extends string> {
  label: string;
  options: readonly { value: T; label: string }[];
  value: readonly T[];
  onChange: (value: T[]) => void;
}

/** Any number of a few, all in sight, each touched on and off. */
export function Several<T extends string>({ label, options, value, onChange }: Props<T>) {
  return (
    <View role="group" aria-label={label} className="gap-2">
      <Text className="font-medium text-small text-ink2">{label}</Text>
      <View className="flex-row flex-wrap gap-2">
        {options.map((o) => {
          const on = value.includes(o.value);
          return (
            <Key
              key={o.value}
              label={o.label}
              pressed={on}
              className="px-3"
              onPress={() => onChange(on ? value.filter((x) => x !== o.value) : [...value, o.value])}
            />
          );
        })}
      </View>
    </View>
  );
}

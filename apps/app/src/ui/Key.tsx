import { Pressable, type PressableProps } from 'react-native';
import { Text } from './Text';

interface Props extends Omit<PressableProps, 'children'> {
  label: string;
  pressed?: boolean;
  name?: string;
  className?: string;
  large?: boolean;
}

/** A one-touch key of the dock or a choice in a row; 48 px at least. A pressed key is filled, not only coloured. */
export function Key({ label, pressed, name, className = '', large = false, ...rest }: Props) {
  return (
    <Pressable
      role="button"
      aria-label={name ?? label}
      aria-pressed={pressed}
      className={`min-h-[48px] max-w-full items-center justify-center rounded border px-1.5 active:opacity-70 ${pressed ? 'border-ink bg-ink' : 'border-hair bg-lime'} ${className}`}
      {...rest}
    >
      <Text
        numberOfLines={2}
        className={`text-center ${large ? 'font-figure text-head' : 'font-medium text-small'} ${pressed ? 'text-lime' : 'text-ink'}`}
      >
        {label}
      </Text>
    </Pressable>
  );
}

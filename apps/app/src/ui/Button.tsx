import type { ReactNode } from 'react';
import { Pressable, type PressableProps } from 'react-native';
import { Text } from './Text';

const LOOK = {
  main: { box: 'bg-copper border-copper', text: 'text-oncopper' },
  next: { box: 'bg-ink border-ink', text: 'text-lime' },
  plain: { box: 'bg-transparent border-ink2', text: 'text-ink' },
  danger: { box: 'bg-oxide border-oxide', text: 'text-lime' },
  quiet: { box: 'bg-transparent border-hair', text: 'text-ink' },
} as const;

interface Props extends Omit<PressableProps, 'children'> {
  label: string;
  kind?: keyof typeof LOOK;
  className?: string;
  icon?: ReactNode;
  busy?: boolean;
}

/** One line, at least 52 px high. `main` is the one thing to do on a view. */
export function Button({ label, kind = 'plain', className = '', icon, busy = false, disabled, ...rest }: Props) {
  const off = disabled || busy;
  return (
    <Pressable
      role="button"
      aria-disabled={off || undefined}
      disabled={off}
      className={`min-h-[52px] flex-row items-center justify-center gap-2 rounded border px-4 active:opacity-80 ${LOOK[kind].box} ${off ? 'opacity-45' : ''} ${className}`}
      {...rest}
    >
      {icon}
      <Text className={`text-center font-semibold text-lead ${LOOK[kind].text}`}>{busy ? 'One moment …' : label}</Text>
    </Pressable>
  );
}

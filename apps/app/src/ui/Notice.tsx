import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from './Text';

const LOOK = {
  note: { box: 'bg-paleslate', bar: 'bg-slate' },
  caution: { box: 'bg-palebrass', bar: 'bg-brassfill' },
  danger: { box: 'bg-paleoxide', bar: 'bg-oxide' },
  sound: { box: 'bg-paleverdigris', bar: 'bg-verdigris' },
} as const;

/** A bar at the left and a word at its head say what kind it is; the colour only repeats it. */
export function Notice({
  kind,
  title,
  children,
  live = false,
}: {
  kind: keyof typeof LOOK;
  title?: string;
  children?: ReactNode;
  live?: boolean;
}) {
  return (
    <View role={live ? 'alert' : undefined} className={`flex-row overflow-hidden rounded ${LOOK[kind].box}`}>
      <View className={`w-1 ${LOOK[kind].bar}`} />
      <View className="flex-1 gap-1 px-3 py-3">
        {title ? <Text className="font-semibold">{title}</Text> : null}
        {typeof children === 'string' ? <Text>{children}</Text> : children}
      </View>
    </View>
  );
}

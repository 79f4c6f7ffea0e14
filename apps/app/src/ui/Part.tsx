import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from './Text';

/** A part of a view under its heading. */
export function Part({ title, children, className = '' }: { title: string; children: ReactNode; className?: string }) {
  return (
    <View className={`gap-1 ${className}`}>
      <Text role="heading" aria-level={2} className="px-4 pb-1 font-semibold text-body text-ink2">
        {title}
      </Text>
      {children}
    </View>
  );
}

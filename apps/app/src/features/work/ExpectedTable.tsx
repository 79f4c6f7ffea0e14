import { View } from 'react-native';
import type { ExpectedNumber } from '@jumper/core';
import { Text } from '../../ui/Text';
import type { Units } from '../units/units';
import { expectedText } from './workWords';

/** What this circuit should show, number by number. */
export function ExpectedTable({ numbers, units, title }: { numbers: ExpectedNumber[]; units: Units; title: string }) {
  if (numbers.length === 0) return null;
  return (
    <View role="table" aria-label={title}>
      <Text className="pb-1 font-semibold text-small text-ink2">{title}</Text>
      {numbers.map((n) => {
        const { label, value } = expectedText(n, units);
        return (
          <View key={n.code} role="row" className="min-h-[36px] flex-row items-center justify-between gap-3 border-t border-hair">
            <Text role="cell" className="min-w-0 flex-1 text-small">
              {label}
            </Text>
            <Text role="cell" className="font-figure text-title">
              {value}
            </Text>
          </View>
        );
      })}
    </View>
  );
}

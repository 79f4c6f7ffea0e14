import Check from 'lucide-react-native/icons/check';
import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import type { RunStep, StepSaid } from '@jumper/core';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import { saidText } from '../units/saidText';
import { clockText } from '../units/dates';
import type { Units } from '../units/units';
import { askedText } from './asked';

/** One step of a run sheet in a line: done ones with what they said, when and by whom; the one to do is told in full beside its button. */
export function StepRow({
  number,
  step,
  said,
  current,
  units,
}: {
  number: number;
  step: RunStep;
  said: StepSaid | null;
  current: boolean;
  units: Units;
}) {
  const { tokens } = useTheme();
  const row = useRef<View>(null);
  // The list follows the step that is done.
  useEffect(() => {
    if (current) (row.current as unknown as HTMLElement | null)?.scrollIntoView?.({ block: 'nearest' });
  }, [current]);
  const value = said?.value === undefined || !step.asks ? null : askedText(step.asks, said.value, units),
    came = said?.answer ? (step.answers?.find((a) => a.id === said.answer)?.label ?? null) : null;
  return (
    <View ref={row} role="listitem" className={`flex-row gap-3 border-t border-hair px-4 py-2 ${current ? 'bg-sheet' : ''}`}>
      <View
        className={`h-[30px] w-[30px] items-center justify-center rounded ${current ? 'bg-copper' : said ? 'border border-ink2' : 'border border-hair'}`}
      >
        {said?.did === 'done' ? (
          <Check size={18} color={tokens.ink} />
        ) : (
          <Text className={`font-figure text-lead ${current ? 'text-oncopper' : 'text-ink2'}`}>{number}</Text>
        )}
      </View>
      <View className="min-w-0 flex-1 gap-0.5 pt-1">
        <Text numberOfLines={current ? 2 : undefined} className={current ? 'font-semibold' : said ? '' : 'text-ink2'}>
          {saidText(step.text, units)}
          {(value ?? came) ? <Text className="font-semibold">{`  ${value ?? came}`}</Text> : null}
        </Text>
        {said?.did === 'skipped' ? (
          <Text className="text-small text-brass">{`Left out: ${said.reason ?? 'no reason given'}`}</Text>
        ) : said ? (
          <Text className="text-small text-ink2">
            {[said.given ? 'So already' : 'Done', clockText(said.at), said.by].filter(Boolean).join(', ')}
          </Text>
        ) : null}
      </View>
    </View>
  );
}

import Check from 'lucide-react-native/icons/check';
import { View } from 'react-native';
import type { RunStep, StepSaid } from '@jumper/core';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import { saidText } from '../units/saidText';
import type { Units } from '../units/units';
import { askedText } from './asked';

/** One step of a run sheet: done ones with what they said, the one to do in full, the rest in a line. */
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
  const value = said?.value === undefined || !step.asks ? null : askedText(step.asks, said.value, units);
  return (
    <View
      role="listitem"
      aria-current={current ? 'step' : undefined}
      className={`flex-row gap-3 border-t border-hair px-4 ${current ? 'bg-sheet py-3' : 'py-2'}`}
    >
      <View
        className={`h-[30px] w-[30px] items-center justify-center rounded ${current ? 'bg-copper' : said ? 'border border-ink2' : 'border border-hair'}`}
      >
        {said?.did === 'done' ? (
          <Check size={18} color={tokens.ink} />
        ) : (
          <Text className={`font-figure text-[18px] ${current ? 'text-oncopper' : 'text-ink2'}`}>{number}</Text>
        )}
      </View>
      <View className="min-w-0 flex-1 gap-1 pt-0.5">
        <Text
          className={
            current
              ? 'font-semibold text-[18px] leading-[23px]'
              : said
                ? 'text-[15px] leading-[20px]'
                : 'text-[15px] leading-[20px] text-ink2'
          }
        >
          {saidText(step.text, units)}
          {value ? <Text className="font-semibold">{`  ${value}`}</Text> : null}
        </Text>
        {said?.did === 'skipped' ? (
          <Text className="text-[13.5px] text-brass">{`Left out: ${said.reason ?? 'no reason given'}`}</Text>
        ) : null}
        {current && step.note ? <Text className="text-[14px] leading-[19px] text-ink2">{saidText(step.note, units)}</Text> : null}
        {current && step.branch ? (
          <Notice kind="note" title={step.branch.title}>
            {step.branch.steps.map((s, i) => `${i + 1}. ${saidText(s, units)}`).join('\n')}
          </Notice>
        ) : null}
        {current && step.caution ? <Notice kind="caution">{saidText(step.caution, units)}</Notice> : null}
      </View>
    </View>
  );
}

import { View } from 'react-native';
import type { RunStep } from '@jumper/core';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { saidText } from '../units/saidText';
import type { Units } from '../units/units';

/** The step to do, in full, beside the button that ends it. */
export function CurrentStep({ number, of, step, units }: { number: number; of: number; step: RunStep; units: Units }) {
  return (
    <View aria-current="step" testID="current-step" className="gap-2">
      <View className="flex-row gap-3">
        <View className="h-[32px] min-w-[32px] items-center justify-center rounded bg-copper px-1">
          <Text className="font-figure text-title text-oncopper" aria-label={`Step ${number} of ${of}`}>
            {number}
          </Text>
        </View>
        <View className="min-w-0 flex-1 gap-1">
          <Text className="font-semibold text-lead">{saidText(step.text, units)}</Text>
          {step.note ? <Text className="text-ink2">{saidText(step.note, units)}</Text> : null}
        </View>
      </View>
      {step.caution ? <Notice kind="caution">{saidText(step.caution, units)}</Notice> : null}
      {step.branch ? (
        <Notice kind="note" title={step.branch.title}>
          {step.branch.steps.map((s, i) => `${i + 1}. ${saidText(s, units)}`).join('\n')}
        </Notice>
      ) : null}
    </View>
  );
}

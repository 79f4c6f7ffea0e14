import Check from 'lucide-react-native/icons/check';
import { Pressable, View } from 'react-native';
import type { Step } from '@jumper/core';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { Spoken } from '../units/Spoken';
import { useTheme } from '../../ui/ThemeProvider';

interface Props {
  steps: Step[];
  ticked: number[];
  onTick: (index: number) => void;
}

/** Steps in order; a touch ticks one off, so that one finds the place again. */
export function StepList({ steps, ticked, onTick }: Props) {
  const { tokens } = useTheme();
  return (
    <View role="list" aria-label="Steps">
      {steps.map((s, i) => {
        const done = ticked.includes(i);
        return (
          <View key={i} role="listitem" className={`flex-row gap-3 py-2 ${i > 0 ? 'border-t border-hair' : ''}`}>
            <Pressable
              role="checkbox"
              aria-checked={done}
              aria-label={`Step ${i + 1} done`}
              onPress={() => onTick(i)}
              className="-m-2 h-[48px] w-[48px] items-center justify-center active:opacity-70"
            >
              <View className={`h-[30px] w-[30px] items-center justify-center rounded ${done ? 'border border-ink2' : 'bg-ink'}`}>
                {done ? <Check size={18} color={tokens.ink} /> : <Text className="font-figure text-lead text-lime">{i + 1}</Text>}
              </View>
            </Pressable>
            <View className="min-w-0 flex-1 gap-1">
              <Text className={`font-medium text-lead ${done ? 'text-ink2' : ''}`}>
                <Spoken said={s.text} />
              </Text>
              {s.note && !done ? (
                <Text className="text-small text-ink2">
                  <Spoken said={s.note} />
                </Text>
              ) : null}
              {s.caution && !done ? (
                <Notice kind="caution">
                  <Spoken said={s.caution} />
                </Notice>
              ) : null}
            </View>
          </View>
        );
      })}
    </View>
  );
}

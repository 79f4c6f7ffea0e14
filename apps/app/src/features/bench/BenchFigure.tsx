import { lowerFirst } from '@jumper/core';
import { useWindowDimensions, View } from 'react-native';
import { Text } from '../../ui/Text';
import { Figure } from '../figure/Figure';
import type { Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import type { BenchView } from './benchView';
import { LogTabs } from './LogTabs';
import { Reading } from './Reading';
import type { BenchState } from './useBench';

const NEXT_UNIT: Record<string, Units['pressure']> = { bar: 'psi', psi: 'kPa', kPa: 'bar' };

/** The last reading, the logs to choose from, and ladder and trace of the one chosen, with what a suspect would have made of it. */
export function BenchFigure({ bench: { view, suspects, overlay, predicted, chooseLog }, wide }: { bench: BenchState; wide: boolean }) {
  const { units, choose: chooseUnits } = useUnits(),
    { height } = useWindowDimensions();
  return (
    <View className="gap-1">
      <Reading view={view} wide={wide} onUnit={() => chooseUnits({ ...units, pressure: NEXT_UNIT[units.pressure] ?? 'bar' })} />
      <LogTabs view={view} onChoose={chooseLog} />
      <Figure view={view.figure} units={units} height={wide ? wideFigureHeight(height, view) : 268} predicted={predicted} />
      {predicted ? (
        <Text
          role="status"
          className="px-4 text-small text-oxide"
        >{`Dashed: what this log would look like with ${lowerFirst(suspects.find((s) => s.key === overlay)!.title)}.`}</Text>
      ) : null}
      {view.ruleOfThumb ? <Text className="px-4 text-small text-ink2">{view.ruleOfThumb}</Text> : null}
    </View>
  );
}

/** With no loop to draw below it the figure takes what the window leaves. */
const wideFigureHeight = (windowHeight: number, view: BenchView) =>
  view.loop ? 420 : Math.min(640, Math.max(420, windowHeight - (view.logs.length > 0 ? 310 : 250)));

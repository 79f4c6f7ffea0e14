import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { Text } from '../../ui/Text';
import { bandLabelTop } from './bandLabel';
import type { FigureView } from './figureModel';
import { pressureText, type Units } from '../units/units';
import { LadderGround, LadderMarks } from './Ladder';
import { figureScale } from './scale';
import { Scrub } from './Scrub';

// The chart library is a hundred kilobytes: ladder and numbers stand before it has come.
const Trace = lazy(() => import('./Trace'));

interface Props {
  view: FigureView;
  units: Units;
  height: number;
  predicted?: { min: number; bar: number }[] | null;
  /** Without touch, for paper. */
  quiet?: boolean;
}

/** Ladder and trace as one figure: the ladder is the trace's vertical axis. */
export function Figure({ view, units, height, predicted = null, quiet = false }: Props) {
  const [width, setWidth] = useState(0);
  const scale = figureScale({ width: Math.max(width, 220), height, spanMin: view.spanMin, topBar: view.topBar });
  const bandTop = bandLabelTop(view, scale);
  return (
    <View testID="figure" onLayout={(e) => setWidth(e.nativeEvent.layout.width)} style={{ height }}>
      <View role="img" aria-label={spoken(view, units)} className="absolute inset-0">
        {width > 0 ? (
          <>
            <LadderGround view={view} scale={scale} units={units} />
            <Suspense fallback={null}>
              <Trace view={view} scale={scale} predicted={predicted} />
            </Suspense>
            <LadderMarks view={view} scale={scale} units={units} />
            {bandTop === null ? null : (
              <Text
                aria-hidden
                className="absolute font-medium text-small text-verdigris"
                style={{ right: width - scale.plotRight + 4, top: bandTop }}
              >
                healthy band
              </Text>
            )}
          </>
        ) : null}
      </View>
      {width > 0 && !quiet ? <Scrub view={view} scale={scale} units={units} /> : null}
    </View>
  );
}

/** The figure in words, for those who do not see it. */
function spoken(view: FigureView, units: Units): string {
  const rungs = view.rungs.map((r) => `${r.label} ${pressureText(r.bar, units.pressure)}`).join(', ');
  if (view.nowBar === null) return `Pressure ladder, no readings yet. ${rungs}.`;
  const first = view.readings[0]!,
    last = view.readings.at(-1)!;
  return `Pressure ladder with ${view.taken} readings, from ${pressureText(first.bar, units.pressure)} to ${pressureText(last.bar, units.pressure)} in ${Math.round(last.min - first.min)} minutes. ${view.forecast ? `Relief ${view.forecast.text}. ` : ''}${rungs}.`;
}

import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import type { Units } from '../units/units';
import type { FigureView } from './figureModel';
import { readAt, stepAt } from './readAt';
import type { FigureScale } from './scale';

/** A finger on the trace reads it; so do the arrow keys. It lies over the plot and gives vertical movement back to the page. */
export function Scrub({ view, scale, units }: { view: FigureView; scale: FigureScale; units: Units }) {
  const { tokens } = useTheme();
  const [min, setMin] = useState<number | null>(null);
  const at = min === null ? null : readAt(view, min, units);
  const width = scale.plotRight - scale.plotLeft,
    height = scale.plotBottom - scale.plotTop;
  const touch = (e: { nativeEvent: { pageX: number; locationX: number } }) => setMin((e.nativeEvent.locationX / width) * scale.spanMin);
  const key = (e: { key: string; preventDefault: () => void }) => {
    if (e.key === 'Escape') return setMin(null);
    if (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight') return;
    e.preventDefault();
    setMin(stepAt(view, at?.min ?? null, e.key === 'ArrowRight' ? 1 : -1));
  };
  if (view.readings.length === 0) return null;
  const x = at ? scale.x(at.min) - scale.plotLeft : 0;
  return (
    <>
      {at ? (
        <Svg width={scale.width} height={scale.height} style={{ position: 'absolute', left: 0, top: 0 }} pointerEvents="none" aria-hidden>
          <Line
            x1={scale.x(at.min)}
            x2={scale.x(at.min)}
            y1={scale.plotTop}
            y2={scale.plotBottom + 15}
            stroke={tokens.ink}
            strokeWidth="1"
          />
          <Circle cx={scale.x(at.min)} cy={scale.y(at.bar)} r="5.5" fill={tokens.copper} stroke={tokens.lime} strokeWidth="1.5" />
        </Svg>
      ) : null}
      <View
        testID="scrub"
        role="slider"
        tabIndex={0}
        aria-label="Look at a reading"
        aria-valuemin={0}
        aria-valuemax={Math.round(scale.spanMin)}
        aria-valuenow={Math.round(at?.min ?? view.readings.at(-1)!.min)}
        {...(at ? { 'aria-valuetext': at.lines.join(', ') } : { 'aria-valuetext': 'the last reading' })}
        onStartShouldSetResponder={() => true}
        onResponderGrant={touch}
        onResponderMove={touch}
        onResponderRelease={() => undefined}
        onResponderTerminate={() => setMin(null)}
        {...({ onKeyDown: key, onBlur: () => setMin(null) } as object)}
        style={
          {
            position: 'absolute',
            left: scale.plotLeft,
            top: scale.plotTop,
            width,
            height,
            touchAction: 'pan-y',
            cursor: 'crosshair',
          } as never
        }
      />
      {at ? (
        <View
          pointerEvents="none"
          testID="scrub-text"
          className="absolute rounded bg-ink px-2.5 py-1.5"
          style={
            x > width / 2
              ? { right: scale.width - scale.plotLeft - x + 8, top: scale.plotTop + 4 }
              : { left: scale.plotLeft + x + 8, top: scale.plotTop + 4 }
          }
        >
          {at.lines.map((line, i) => (
            <Text key={i} className={`text-lime ${i === 0 ? 'font-semibold text-small' : 'text-small'}`}>
              {line}
            </Text>
          ))}
        </View>
      ) : null}
    </>
  );
}

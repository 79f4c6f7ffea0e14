import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import type { LoopView } from './figureModel';
import { pressureNumber, pressureText, temperatureText, type Units } from '../units/units';

const LEFT = 76,
  RIGHT = 14,
  TOP = 8,
  BOTTOM = 22;

/** Pressure against temperature, the healthy band under it. Steep and straight: little gas. Not closing: water came or went. */
export function LoopFigure({ view, units, height }: { view: LoopView; units: Units; height: number }) {
  const { tokens } = useTheme();
  const [width, setWidth] = useState(0);
  const x = (c: number) => LEFT + ((c - view.fromC) / (view.toC - view.fromC)) * (width - LEFT - RIGHT);
  const y = (bar: number) => height - BOTTOM - (Math.max(0, bar) / view.topBar) * (height - BOTTOM - TOP);
  const path = (points: { celsius: number; bar: number }[]) =>
    points.map((p, i) => `${i ? 'L' : 'M'} ${x(p.celsius)} ${y(p.bar)}`).join(' ');
  const band = view.band.length
    ? `${path(view.band.map((b) => ({ celsius: b.celsius, bar: b.high })))} ${path([...view.band].reverse().map((b) => ({ celsius: b.celsius, bar: b.low }))).replace('M', 'L')} Z`
    : '';
  const first = view.points[0]!,
    last = view.points.at(-1)!;
  const label = { fontSize: 12.5, fontFamily: 'BarlowCondensed_500Medium', fill: tokens.ink2 } as const;
  return (
    <View className="pt-1">
      <Text className="px-4 font-medium text-small text-ink2">Pressure over flow temperature</Text>
      <View
        testID="loop"
        role="img"
        aria-label={`From ${pressureText(first.bar, units.pressure)} at ${temperatureText(first.celsius, units.temperature)} to ${pressureText(last.bar, units.pressure)} at ${temperatureText(last.celsius, units.temperature)}`}
        style={{ height }}
        onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      >
        {width > 0 ? (
          <Svg width={width} height={height} aria-hidden>
            {band ? <Path d={band} fill={tokens.verdigris} fillOpacity="0.22" /> : null}
            {view.reliefBar < view.topBar ? (
              <Line x1={LEFT} x2={width - RIGHT} y1={y(view.reliefBar)} y2={y(view.reliefBar)} stroke={tokens.oxide} strokeWidth="1.4" />
            ) : null}
            <Line x1={LEFT} x2={LEFT} y1={TOP} y2={height - BOTTOM} stroke={tokens.ink} strokeWidth="1.6" />
            <Line x1={LEFT} x2={width - RIGHT} y1={height - BOTTOM} y2={height - BOTTOM} stroke={tokens.hair} strokeWidth="1" />
            <Path d={path(view.points)} fill="none" stroke={tokens.ink} strokeWidth="1.8" />
            <Circle cx={x(first.celsius)} cy={y(first.bar)} r="4" fill={tokens.slate} />
            <Circle cx={x(last.celsius)} cy={y(last.bar)} r="4" fill={tokens.copper} />
            {[first, last].map((p, i) => (
              <SvgText
                key={i}
                x={LEFT - 8}
                y={y(p.bar) + 4 + (i === 1 && Math.abs(y(first.bar) - y(last.bar)) < 14 ? -14 : 0)}
                textAnchor="end"
                {...label}
              >
                {pressureNumber(p.bar, units.pressure)}
              </SvgText>
            ))}
            {[view.fromC, view.toC].map((c, i) => (
              <SvgText key={c} x={x(c)} y={height - 6} textAnchor={i ? 'end' : 'start'} {...label}>
                {temperatureText(c, units.temperature)}
              </SvgText>
            ))}
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../../ui/ThemeProvider';
import type { Tokens } from '../../ui/tokens';
import type { DrawnPart, Schematic } from './Schematic';

const TARGET = 48;

/** The circuit as a drawing; a touch on a part says what it is and what is known of it. */
export function SchematicFigure({
  view,
  chosen,
  onChoose,
}: {
  view: Schematic;
  chosen: string | null;
  onChoose: (id: string | null) => void;
}) {
  const { tokens } = useTheme();
  const [width, setWidth] = useState(0);
  const scale = width / view.width;
  return (
    <View
      onLayout={(e) => setWidth(Math.min(560, e.nativeEvent.layout.width))}
      role="group"
      aria-label="Drawing of the circuit"
      style={{ height: width === 0 ? 300 : view.height * scale }}
    >
      {width > 0 ? (
        <View style={{ width, height: view.height * scale }}>
          <Svg
            width={width}
            height={view.height * scale}
            viewBox={`0 0 ${view.width} ${view.height}`}
            aria-hidden
            style={{ position: 'absolute' }}
          >
            {view.lines.map((l, i) => (
              <Polyline
                key={i}
                points={l.points.map((p) => p.join(',')).join(' ')}
                fill="none"
                stroke={{ supply: tokens.copper, return: tokens.slate, quiet: tokens.ink2 }[l.tone]}
                strokeWidth={l.tone === 'quiet' ? 1.5 : 3}
                strokeLinejoin="round"
              />
            ))}
            {view.parts.map((p) => (
              <Symbol key={p.id} part={p} on={p.id === chosen} t={tokens} />
            ))}
          </Svg>
          {view.parts.map((p) => (
            <Pressable
              key={p.id}
              role="button"
              aria-label={`${p.title}${p.warn ? ', look at this' : ''}`}
              aria-pressed={p.id === chosen}
              onPress={() => onChoose(p.id === chosen ? null : p.id)}
              style={{ position: 'absolute', left: p.x * scale - TARGET / 2, top: p.y * scale - TARGET / 2, width: TARGET, height: TARGET }}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}

function Symbol({ part, on, t }: { part: DrawnPart; on: boolean; t: Tokens }) {
  const { x, y, kind, label } = part;
  const stroke = part.warn ? t.brass : t.ink,
    fill = on ? t.hair : t.sheet,
    line = { stroke, strokeWidth: on ? 2.6 : 1.7, fill };
  return (
    <G>
      <Shape kind={kind} x={x} y={y} line={line} t={t} />
      {part.warn ? (
        <SvgText x={x + 15} y={y - 10} fontSize="15" fontFamily="BarlowCondensed_600SemiBold" fill={t.brass}>
          !
        </SvgText>
      ) : null}
      {label ? (
        <SvgText
          x={label.x}
          y={label.y}
          textAnchor={label.anchor}
          fontSize="13"
          fontFamily="Barlow_500Medium"
          stroke={t.lime}
          strokeWidth={4}
          strokeLinejoin="round"
          fill={t.lime}
        >
          {label.text}
        </SvgText>
      ) : null}
      {label ? (
        <SvgText x={label.x} y={label.y} textAnchor={label.anchor} fontSize="13" fontFamily="Barlow_500Medium" fill={t.ink}>
          {label.text}
        </SvgText>
      ) : null}
    </G>
  );
}

type LineStyle = { stroke: string; strokeWidth: number; fill: string };
/** Two triangles tip to tip: a valve. */
const Valve = ({ x, y, line }: { x: number; y: number; line: LineStyle }) => (
  <Path d={`M${x - 9} ${y - 7}L${x + 9} ${y + 7}V${y - 7}L${x - 9} ${y + 7}Z`} {...line} />
);

function Shape({ kind, x, y, line, t }: { kind: DrawnPart['kind']; x: number; y: number; line: LineStyle; t: Tokens }) {
  switch (kind) {
    case 'boiler':
      return <Rect x={x - 27} y={y - 32} width={54} height={64} rx={2} {...line} />;
    case 'gauge':
      return (
        <G>
          <Circle cx={x} cy={y} r={12} {...line} />
          <Line x1={x} y1={y} x2={x + 6} y2={y - 7} stroke={line.stroke} strokeWidth={1.7} />
        </G>
      );
    case 'relief':
    case 'hot-water-relief':
      return (
        <G>
          <Path d={`M${x + 4} ${y}L${x - 8} ${y - 8}V${y + 8}Z`} {...line} />
          <Path d={`M${x - 2} ${y - 9}v-5h6`} fill="none" stroke={line.stroke} strokeWidth={1.7} />
        </G>
      );
    case 'vessel':
    case 'hot-water-vessel':
      return (
        <G>
          <Circle cx={x} cy={y} r={24} {...line} />
          <Path d={`M${x - 24} ${y}q12 -8 24 0t24 0`} fill="none" stroke={t.slate} strokeWidth={1.7} />
        </G>
      );
    case 'feed':
      return (
        <G>
          <Valve x={x} y={y} line={line} />
          <Path d={`M${x - 6} ${y + 30}h12`} stroke={line.stroke} strokeWidth={1.7} />
        </G>
      );
    case 'plate':
      return (
        <G>
          <Rect x={x - 10} y={y - 22} width={20} height={44} {...line} />
          {[-4, 0, 4].map((d) => (
            <Line key={d} x1={x + d} y1={y - 22} x2={x + d} y2={y + 22} stroke={line.stroke} strokeWidth={1} />
          ))}
        </G>
      );
    case 'coil':
      return (
        <G>
          <Rect x={x - 18} y={y - 27} width={36} height={54} rx={8} {...line} />
          <Path
            d={`M${x} ${y - 27}q-14 9 0 9q14 0 0 9q-14 0 0 9q14 0 0 9q-14 0 0 9q14 0 0 9`}
            fill="none"
            stroke={t.copper}
            strokeWidth={1.7}
          />
        </G>
      );
    case 'pump':
      return (
        <G>
          <Circle cx={x} cy={y} r={12} {...line} />
          <Path d={`M${x - 5} ${y - 8}L${x + 9} ${y}L${x - 5} ${y + 8}`} fill="none" stroke={line.stroke} strokeWidth={1.7} />
        </G>
      );
    case 'zone':
      return (
        <G>
          <Rect x={x - 20} y={y - 27} width={40} height={54} rx={2} {...line} />
          {[-10, 0, 10].map((d) => (
            <Line key={d} x1={x + d} y1={y - 20} x2={x + d} y2={y + 20} stroke={line.stroke} strokeWidth={1.2} />
          ))}
        </G>
      );
    case 'tank':
      return <Path d={`M${x - 18} ${y - 12}v22h36v-22`} {...line} />;
    case 'automatic-vent':
    case 'air-separator':
      return <Path d={`M${x} ${y - 11}l8 18h-16Z`} {...line} />;
    case 'isolating-valve':
    case 'vessel-valve':
    case 'motor-valve':
    case 'blending-valve':
    case 'check-valve':
    case 'drain-cock':
    case 'feed-bypass':
    case 'backflow-preventer':
      return <Valve x={x} y={y} line={line} />;
    default:
      return <Rect x={x - 8} y={y - 8} width={16} height={16} transform={`rotate(45 ${x} ${y})`} {...line} />;
  }
}

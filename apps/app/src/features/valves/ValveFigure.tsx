import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../../ui/ThemeProvider';
import type { Tokens } from '../../ui/tokens';
import type { DrawnSection, ValveMapView } from './valveMapView';

const WIDTH = 366,
  HEIGHT = 268,
  TOP = 58,
  BOTTOM = 206;
/** Where the two sides lie, left and right of the boiler's valves. */
const SIDES = { boiler: { x: 4, width: 152 }, circuit: { x: 190, width: 172 } } as const;
const VALVE_X = 173;

/** Both sides of the boiler's valves with what stands on each: solid what is under pressure, hollow what is emptied, hatched what is shut in. */
export function ValveFigure({ view }: { view: ValveMapView }) {
  const { tokens: t } = useTheme();
  const [width, setWidth] = useState(0);
  const shown = Math.min(560, width);
  const told = [
    ...view.sections.map((s) => `${s.title}: ${s.line}`),
    ...view.valves.map((v) => `${v.title} ${v.shut ? 'shut' : v.planned ? 'to be shut' : 'open'}`),
  ].join('. ');
  return (
    <View onLayout={(e) => setWidth(e.nativeEvent.layout.width)} role="img" aria-label={`Valve map. ${told}`}>
      {shown > 0 ? (
        <Svg width={shown} height={(HEIGHT * shown) / WIDTH} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
          <Defs>
            <Pattern id="hatch" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <Line x1="0" y1="0" x2="0" y2="9" stroke={t.oxide} strokeWidth="1.2" opacity="0.45" />
            </Pattern>
          </Defs>
          {(['boiler', 'circuit'] as const).map((id) => (
            <Side key={id} section={view.sections.find((s) => s.id === id)!} at={SIDES[id]} t={t} />
          ))}
          <Pipes view={view} t={t} />
          <Boiler view={view} t={t} />
          <Radiators t={t} />
          {(['boiler', 'circuit'] as const).map((side) => (
            <Parts key={side} view={view} side={side} t={t} />
          ))}
          <MapValve view={view} id="boiler-flow" x={VALVE_X} y={TOP} name="flow" t={t} />
          <MapValve view={view} id="boiler-return" x={VALVE_X} y={BOTTOM} name="return" t={t} />
        </Svg>
      ) : null}
    </View>
  );
}

function Side({ section, at, t }: { section: DrawnSection; at: { x: number; width: number }; t: Tokens }) {
  const trapped = section.tone === 'trapped',
    color = trapped ? t.oxide : section.tone === 'emptied' ? t.slate : t.hair;
  return (
    <G>
      <Rect
        x={at.x}
        y={4}
        width={at.width}
        height={HEIGHT - 8}
        fill={trapped ? 'url(#hatch)' : section.tone === 'emptied' ? t.slate : 'none'}
        fillOpacity={section.tone === 'emptied' ? 0.12 : 1}
        stroke={color}
        strokeWidth={trapped ? 1.6 : 1}
        strokeDasharray={trapped ? '6 4' : undefined}
      />
      <Label x={at.x + 8} y={22} text={SAYS[section.tone] ?? capitalised(section.title)} color={trapped ? t.oxide : t.ink} bold t={t} />
    </G>
  );
}
/** What a side is called while it is emptied or shut in. */
const SAYS: Partial<Record<DrawnSection['tone'], string>> = { emptied: 'To be empty', trapped: 'Shut in' };
const capitalised = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

function Label({
  x,
  y,
  text,
  color,
  bold = false,
  anchor = 'start',
  t,
}: {
  x: number;
  y: number;
  text: string;
  color: string;
  bold?: boolean;
  anchor?: 'start' | 'middle' | 'end';
  t: Tokens;
}) {
  const at = { x, y, textAnchor: anchor, fontSize: '12.5', fontFamily: bold ? 'Barlow_600SemiBold' : 'Barlow_500Medium' } as const;
  return (
    <G>
      <SvgText {...at} fill={t.lime} stroke={t.lime} strokeWidth={3.5} strokeLinejoin="round">
        {text}
      </SvgText>
      <SvgText {...at} fill={color}>
        {text}
      </SvgText>
    </G>
  );
}

/** A pipe: filled where water stands under pressure, two lines where it is emptied. */
function Pipe({ points, color, hollow, t }: { points: [number, number][]; color: string; hollow: boolean; t: Tokens }) {
  const at = points.map((p) => p.join(',')).join(' ');
  return (
    <G>
      <Polyline points={at} fill="none" stroke={color} strokeWidth={5} strokeLinejoin="round" />
      {hollow ? <Polyline points={at} fill="none" stroke={t.lime} strokeWidth={2} strokeLinejoin="round" /> : null}
    </G>
  );
}

function Pipes({ view, t }: { view: ValveMapView; t: Tokens }) {
  const hollow = (id: string) => view.sections.find((s) => s.id === id)?.tone === 'emptied';
  return (
    <G>
      <Pipe
        points={[
          [42, 96],
          [42, TOP],
          [VALVE_X, TOP],
        ]}
        color={t.copper}
        hollow={hollow('boiler')}
        t={t}
      />
      <Pipe
        points={[
          [42, 168],
          [42, BOTTOM],
          [VALVE_X, BOTTOM],
        ]}
        color={t.slate}
        hollow={hollow('boiler')}
        t={t}
      />
      <Pipe
        points={[
          [VALVE_X, TOP],
          [344, TOP],
        ]}
        color={t.copper}
        hollow={hollow('circuit')}
        t={t}
      />
      <Pipe
        points={[
          [VALVE_X, BOTTOM],
          [344, BOTTOM],
        ]}
        color={t.slate}
        hollow={hollow('circuit')}
        t={t}
      />
      {[218, 262, 306].map((x) => (
        <G key={x}>
          <Pipe
            points={[
              [x, TOP],
              [x, 100],
            ]}
            color={t.copper}
            hollow={hollow('circuit')}
            t={t}
          />
          <Pipe
            points={[
              [x, 156],
              [x, BOTTOM],
            ]}
            color={t.slate}
            hollow={hollow('circuit')}
            t={t}
          />
        </G>
      ))}
    </G>
  );
}

const Boiler = ({ view, t }: { view: ValveMapView; t: Tokens }) => (
  <G>
    <Rect x={16} y={96} width={58} height={72} rx={3} fill={t.sheet} stroke={t.ink} strokeWidth={1.7} />
    <Label x={45} y={128} text="Boiler" color={t.ink} bold anchor="middle" t={t} />
    {view.parts.outputKw ? <Label x={45} y={146} text={view.parts.outputKw} color={t.ink2} anchor="middle" t={t} /> : null}
  </G>
);

const Radiators = ({ t }: { t: Tokens }) => (
  <G>
    {[218, 262, 306].map((x) => (
      <G key={x}>
        <Rect x={x - 15} y={100} width={30} height={56} rx={2} fill={t.sheet} stroke={t.ink} strokeWidth={1.5} />
        {[-6, 0, 6].map((d) => (
          <Line key={d} x1={x + d} y1={108} x2={x + d} y2={148} stroke={t.ink2} strokeWidth={1} />
        ))}
      </G>
    ))}
  </G>
);

/** Where parts hang on each side: above the flow, or below the return. */
const SLOTS = {
  boiler: { relief: 62, gauge: 104, plate: 112, vessel: 106, feed: 140, drain: 56, pump: 82, coil: 134 },
  circuit: { relief: 240, gauge: 286, plate: 330, vessel: 236, feed: 292, drain: 342, pump: 204, coil: 340 },
} as const;

function Parts({ view, side, t }: { view: ValveMapView; side: 'boiler' | 'circuit'; t: Tokens }) {
  const { places, parts } = view,
    x = SLOTS[side],
    stroke = { stroke: t.ink, strokeWidth: 1.7, fill: t.sheet };
  const drains = places.drain === side || places.drain === 'both';
  return (
    <G>
      {places.relief === side ? (
        <G>
          <Line x1={x.relief} y1={TOP} x2={x.relief} y2={46} stroke={t.ink} strokeWidth={1.7} />
          <Path d={`M${x.relief - 8} 46h16l-8 -11z`} {...stroke} />
          <Label x={x.relief} y={80} text="relief" color={t.ink2} anchor="middle" t={t} />
        </G>
      ) : null}
      {places.gauge === side ? (
        <G>
          <Line x1={x.gauge} y1={TOP} x2={x.gauge} y2={50} stroke={t.ink} strokeWidth={1.7} />
          <Circle cx={x.gauge} cy={40} r={10} {...stroke} />
          <Line x1={x.gauge} y1={40} x2={x.gauge + 5} y2={34} stroke={t.ink} strokeWidth={1.7} />
          <Label x={x.gauge + 14} y={38} text="gauge" color={t.ink2} t={t} />
        </G>
      ) : null}
      {parts.plate && places.plate === side ? (
        <G>
          <Rect x={x.plate - 14} y={106} width={28} height={34} {...stroke} />
          <Path d={`M${x.plate - 8} 108l6 30l4 -30l6 30`} stroke={t.ink2} strokeWidth={1} fill="none" />
          <Label x={x.plate} y={156} text="plate" color={t.ink2} anchor="middle" t={t} />
        </G>
      ) : null}
      {parts.coil && places.coil === side ? (
        <G>
          <Rect x={x.coil - 14} y={104} width={28} height={44} rx={12} {...stroke} />
          <Path d={`M${x.coil - 8} 114q16 4 0 8q16 4 0 8q16 4 0 8`} stroke={t.ink} strokeWidth={1.4} fill="none" />
          <Label x={x.coil} y={164} text="coil" color={t.ink2} anchor="middle" t={t} />
        </G>
      ) : null}
      {places.pump === side ? (
        <G>
          <Circle cx={x.pump} cy={BOTTOM} r={9} {...stroke} />
          <Path d={`M${x.pump - 5} ${BOTTOM - 5}l10 5l-10 5z`} fill={t.ink} />
        </G>
      ) : null}
      {places.vessel === side ? (
        <G>
          <Line x1={x.vessel} y1={BOTTOM} x2={x.vessel} y2={226} stroke={t.slate} strokeWidth={3} />
          <Circle cx={x.vessel} cy={236} r={12} {...stroke} />
          <Path d={`M${x.vessel - 11} 236q5.5 -5 11 0t11 0`} stroke={t.slate} strokeWidth={1.6} fill="none" />
          <Label x={x.vessel} y={261} text={parts.vesselL ?? 'vessel'} color={t.ink2} anchor="middle" t={t} />
          {parts.vesselValve ? <MapValve view={view} id="vessel-valve" x={x.vessel} y={217} small t={t} /> : null}
        </G>
      ) : null}
      {parts.feed && places.feed === side ? (
        <G>
          <Line x1={x.feed} y1={BOTTOM} x2={x.feed} y2={228} stroke={t.slate} strokeWidth={3} />
          <Bowtie x={x.feed} y={234} filled={false} t={t} />
          <Label x={x.feed} y={258} text="feed" color={t.ink2} anchor="middle" t={t} />
        </G>
      ) : null}
      {drains ? (
        <G>
          <Line x1={x.drain} y1={BOTTOM} x2={x.drain} y2={228} stroke={t.slate} strokeWidth={3} />
          <Bowtie x={x.drain} y={234} filled={view.drain === 'shut'} t={t} />
          <Label x={x.drain} y={258} text="drain" color={t.ink2} anchor="middle" t={t} />
        </G>
      ) : null}
    </G>
  );
}

const Bowtie = ({ x, y, filled, t, size = 1 }: { x: number; y: number; filled: boolean; t: Tokens; size?: number }) => (
  <Path
    d={`M${x - 8 * size} ${y - 6 * size}L${x + 8 * size} ${y + 6 * size}V${y - 6 * size}L${x - 8 * size} ${y + 6 * size}Z`}
    stroke={t.ink}
    strokeWidth={1.7}
    fill={filled ? t.ink : t.sheet}
  />
);

/** A valve of the map: filled with a bar when shut, hollow when open, ringed where it has to be shut yet. */
function MapValve({
  view,
  id,
  x,
  y,
  name,
  small = false,
  t,
}: {
  view: ValveMapView;
  id: string;
  x: number;
  y: number;
  name?: string;
  small?: boolean;
  t: Tokens;
}) {
  const valve = view.valves.find((v) => v.id === id);
  if (!valve) return null;
  const size = small ? 0.8 : 1.3;
  return (
    <G>
      {valve.planned && !valve.shut ? (
        <Circle cx={x} cy={y} r={17 * (small ? 0.7 : 1)} fill="none" stroke={t.copper} strokeWidth={2} strokeDasharray="4 3" />
      ) : null}
      <Bowtie x={x} y={y} filled={valve.shut} size={size} t={t} />
      {valve.shut ? <Line x1={x} y1={y - 12 * size} x2={x} y2={y + 12 * size} stroke={t.ink} strokeWidth={2.4} /> : null}
      {name ? (
        <Label
          x={x}
          y={y + (y < 120 ? 30 : -22)}
          text={valve.shut ? 'shut' : valve.planned ? 'shut it' : name}
          color={valve.shut || valve.planned ? t.oxide : t.ink2}
          anchor="middle"
          bold={valve.shut}
          t={t}
        />
      ) : null}
    </G>
  );
}

import Svg, { Circle, Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../../ui/ThemeProvider';
import type { Tokens } from '../../ui/tokens';
import type { FigureView, Rung } from './figureModel';
import { labelEvents } from './labelEvents';
import { rungLabel } from './rungs';
import { pressureNumber, temperatureText, type Units } from '../units/units';
import { keepApart, timeTicks, timeUnit, type FigureScale } from './scale';

const DASH = { solid: undefined, dashed: '5 4', dotted: '1.5 3', none: undefined } as const;
const toneOf = (rung: Rung, t: Tokens) =>
  ({ relief: t.oxide, right: t.verdigris, fill: t.slate, quiet: t.ink2, doubt: t.brass })[rung.tone];
const LABEL_GAP = 14.5;
/** Half the pointer's height. */
const POINTER_HALF = 10;

/** Rungs, rails, the forbidden zone and the time axis: what lies behind the trace. */
export function LadderGround({ view, scale, units }: { view: FigureView; scale: FigureScale; units: Units }) {
  const { tokens } = useTheme();
  const { x, y } = scale;
  const labelY = keepApart(
    view.rungs.map((r) => y(r.bar)),
    LABEL_GAP,
    scale.plotTop + 8,
    scale.plotBottom - 2,
  );
  return (
    <Svg width={scale.width} height={scale.height} style={{ position: 'absolute', left: 0, top: 0 }} aria-hidden>
      <Defs>
        <Pattern id="forbidden" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Line x1="0" y1="0" x2="0" y2="7" stroke={tokens.oxide} strokeWidth="1.2" strokeOpacity="0.4" />
        </Pattern>
      </Defs>
      <Rect
        x={scale.railLeft}
        y={scale.plotTop}
        width={scale.plotRight - scale.railLeft}
        height={Math.max(0, y(view.reliefBar) - scale.plotTop)}
        fill="url(#forbidden)"
      />
      {view.rungs.map((r, i) => (
        <G key={r.id}>
          {r.reach ? <Reach rung={r} scale={scale} colour={toneOf(r, tokens)} /> : null}
          {r.line === 'none' ? null : (
            <Line
              x1={scale.railLeft}
              x2={scale.plotRight}
              y1={y(r.bar)}
              y2={y(r.bar)}
              stroke={toneOf(r, tokens)}
              strokeWidth={r.id === 'relief' ? 1.8 : 1.1}
              strokeDasharray={DASH[r.line]}
              strokeOpacity={r.id === 'relief' ? 1 : 0.75}
            />
          )}
          {Math.abs(labelY[i]! - y(r.bar)) > 3 ? (
            <Line x1={scale.railLeft - 4} y1={labelY[i]} x2={scale.railLeft} y2={y(r.bar)} stroke={toneOf(r, tokens)} strokeWidth="0.8" />
          ) : null}
          <SvgText
            x={scale.railLeft - 6}
            y={labelY[i]! + 4}
            textAnchor="end"
            fontSize="13"
            fontFamily="Barlow_500Medium"
            fill={toneOf(r, tokens)}
          >
            {rungLabel(r, units)}
          </SvgText>
        </G>
      ))}
      {[scale.railLeft, scale.railRight].map((rail) => (
        <Line key={rail} x1={rail} x2={rail} y1={scale.plotTop} y2={scale.plotBottom} stroke={tokens.ink} strokeWidth="1.6" />
      ))}
      {view.rungs.map((r, i) => {
        const numberY = labelY[i]! - (Math.abs(labelY[i]! - y(r.bar)) > 3 ? -4 : 3);
        // Beside the rail where the pointer would cover it.
        const covered = view.nowBar !== null && Math.abs(y(view.nowBar) - (numberY - 4)) < POINTER_HALF + 3;
        return (
          <SvgText
            key={r.id}
            x={covered ? scale.railRight + 14 : (scale.railLeft + scale.railRight) / 2}
            y={numberY}
            textAnchor={covered ? 'start' : 'middle'}
            fontSize="12"
            fontFamily="BarlowCondensed_600SemiBold"
            fill={toneOf(r, tokens)}
          >
            {r.belowFoot ? '< 0' : pressureNumber(r.bar, units.pressure)}
          </SvgText>
        );
      })}
      <TimeAxis view={view} scale={scale} units={units} />
    </Svg>
  );

  function TimeAxis({ view: v, scale: s, units: u }: { view: FigureView; scale: FigureScale; units: Units }) {
    const top = s.plotBottom + 8;
    return (
      <G>
        <Rect x={s.plotLeft} y={top} width={s.plotRight - s.plotLeft} height="7" fill={tokens.hair} />
        {v.heat.slice(1).map((h, i) => (
          <Rect
            key={i}
            x={x(v.heat[i]!.min)}
            y={top}
            width={Math.max(0.5, x(h.min) - x(v.heat[i]!.min)) + 0.4}
            height="7"
            fill={heatColour((h.celsius + v.heat[i]!.celsius) / 2, tokens)}
          />
        ))}
        {v.lastC !== null ? (
          <SvgText x={s.railRight} y={top + 8} textAnchor="end" fontSize="13" fontFamily="Barlow_500Medium" fill={tokens.copper}>
            {temperatureText(v.lastC, u.temperature)}
          </SvgText>
        ) : null}
        {timeTicks(v.spanMin).map((t) => (
          <SvgText
            key={t.min}
            x={x(t.min)}
            y={top + 24}
            textAnchor="middle"
            fontSize="12.5"
            fontFamily="BarlowCondensed_500Medium"
            fill={tokens.ink2}
          >
            {t.label}
          </SvgText>
        ))}
        <SvgText x={s.railRight} y={top + 24} textAnchor="end" fontSize="13" fontFamily="Barlow_400Regular" fill={tokens.ink2}>
          {timeUnit(v.spanMin)}
        </SvgText>
      </G>
    );
  }
}

/** A doubt: what is between its ends may be so. Beside the rail's numbers, which stay legible. */
function Reach({ rung, scale, colour }: { rung: Rung; scale: FigureScale; colour: string }) {
  const top = scale.y(rung.reach!.high),
    height = Math.max(3, scale.y(rung.reach!.low) - top);
  return (
    <G>
      <Rect x={scale.railLeft} y={top} width={scale.railRight - scale.railLeft} height={height} fill={colour} fillOpacity="0.2" />
      <Rect x={scale.railRight - 4} y={top} width="4" height={height} fill={colour} />
    </G>
  );
}

/** Slate when cold, copper when hot. */
function heatColour(celsius: number, t: Tokens): string {
  const share = Math.min(1, Math.max(0, (celsius - 15) / 55));
  const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
  const a = rgb(t.slate),
    b = rgb(t.copper);
  return `rgb(${a.map((v, i) => Math.round(v + (b[i]! - v) * share)).join(',')})`;
}

/** Readings, ticks on the ladder, forecast, events and the pointer: what lies before the trace. */
export function LadderMarks({ view, scale, units }: { view: FigureView; scale: FigureScale; units: Units }) {
  const { tokens } = useTheme();
  const { x, y } = scale;
  // Not where a rung's number stands.
  const recent = view.readings.slice(-7, -1).filter((r) => view.rungs.every((rung) => Math.abs(y(r.bar) - (y(rung.bar) - 6)) > 8));
  const many = view.taken > 60;
  const labelled = labelEvents(view.events, x);
  const now = view.nowBar;
  return (
    <Svg width={scale.width} height={scale.height} style={{ position: 'absolute', left: 0, top: 0 }} pointerEvents="none" aria-hidden>
      {labelled.map(({ e, words, row }, i) => (
        <G key={i}>
          <Path d={`M ${x(e.min)} ${scale.plotBottom + 1} l 4 6 l -8 0 z`} fill={tokens.copper} />
          {words === null ? null : (
            <SvgText
              x={Math.min(x(e.min) + 6, scale.plotRight - 4)}
              y={scale.plotBottom - 4 - row * 13}
              textAnchor={x(e.min) > scale.plotRight - 60 ? 'end' : 'start'}
              fontSize="12"
              fontFamily="Barlow_500Medium"
              fill={tokens.ink2}
            >
              {words}
            </SvgText>
          )}
        </G>
      ))}
      {recent.map((r, i) => (
        <Line
          key={r.id}
          x1={scale.railLeft + 4}
          x2={scale.railRight - 4}
          y1={y(r.bar)}
          y2={y(r.bar)}
          stroke={tokens.ink}
          strokeWidth="1.6"
          strokeOpacity={0.15 + (0.5 * (i + 1)) / recent.length}
        />
      ))}
      {view.before ? <BeforeLabel view={view} scale={scale} colour={tokens.ink2} /> : null}
      {view.forecast ? (
        <>
          <Line
            x1={x(view.forecast.from.min)}
            y1={y(view.forecast.from.bar)}
            x2={x(view.forecast.to.min)}
            y2={y(view.forecast.to.bar)}
            stroke={tokens.oxide}
            strokeWidth="2"
            strokeDasharray="2 4"
          />
          <SvgText
            x={scale.plotRight - 4}
            y={y(view.reliefBar) - 5}
            textAnchor="end"
            fontSize="13"
            fontFamily="Barlow_600SemiBold"
            fill={tokens.oxide}
          >
            {view.forecast.text}
          </SvgText>
        </>
      ) : null}
      {many
        ? null
        : view.readings.map((r) => (
            <Circle key={r.id} cx={x(r.min)} cy={y(r.bar)} r="4.2" fill={tokens.lime} stroke={tokens.ink} strokeWidth="2" />
          ))}
      {now === null ? null : (
        <G>
          <Path
            d={`M ${scale.railLeft} ${y(now) - POINTER_HALF} H ${scale.railRight + 1} L ${scale.railRight + 10} ${y(now)} L ${scale.railRight + 1} ${y(now) + POINTER_HALF} H ${scale.railLeft} z`}
            fill={tokens.ink}
          />
          <SvgText
            x={(scale.railLeft + scale.railRight) / 2 + 1}
            y={y(now) + 5}
            textAnchor="middle"
            fontSize="15"
            fontFamily="BarlowCondensed_600SemiBold"
            fill={tokens.lime}
          >
            {pressureNumber(now, units.pressure)}
          </SvgText>
        </G>
      )}
    </Svg>
  );
}

/** At the earlier run's highest point, where it stands apart from this one. */
function BeforeLabel({ view, scale, colour }: { view: FigureView; scale: FigureScale; colour: string }) {
  const top = view.before!.points.reduce((best, p) => (p.bar > best.bar ? p : best));
  const right = scale.x(top.min) > scale.plotRight - 90;
  return (
    <SvgText
      x={scale.x(top.min) + (right ? -6 : 6)}
      y={scale.y(top.bar) + (right ? -6 : 4)}
      textAnchor={right ? 'end' : 'start'}
      fontSize="12.5"
      fontFamily="Barlow_500Medium"
      fill={colour}
    >
      {view.before!.label}
    </SvgText>
  );
}

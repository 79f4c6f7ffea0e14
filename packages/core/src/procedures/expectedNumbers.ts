import { balancedGaugeBar, complianceAt, heldL } from '../circuit/balance';
import { balanceOf, topUpL } from '../circuit/balanceOf';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { rightCold, rightHot } from '../circuit/rightBand';
import { resolveCircuit, type ResolvedCircuit } from '../circuit/resolveCircuit';
import type { TestId } from '../judge/tests';
import { pumpUp } from '../vessel/pumpUp';

/** One number worked out for this circuit before a test is done. Pressures bar gauge at the system gauge, but for charges. */
export interface ExpectedNumber {
  code: ExpectedCode;
  value: number;
  unit: 'bar' | 'L' | 'strokes';
  low?: number;
  high?: number;
  /** Of what is shown after a draw-off: how much is drawn, L. */
  drawnL?: number;
}
export type ExpectedCode =
  | 'cold-right'
  | 'charge-target'
  | 'charge-with-coupling'
  | 'pump-strokes'
  | 'draw-about'
  | 'stop-drawing'
  | 'boiler-water'
  | 'after-right'
  | 'after-flat'
  | 'drained-right'
  | 'drained-flat'
  | 'litre-an-hour-rises'
  | 'water-above-lifts'
  | 'relief-set'
  | 'hot-right'
  | 'litres-a-top-up'
  | 'gauge-now';

/** What is known when a test begins. */
export interface TestSituation {
  /** Where the gauge stands now, or the usual fill where nothing was read. */
  nowBar?: number;
  /** Water to be drawn off, L. */
  drawL?: number;
  /** Length of the watch, min. */
  watchMin?: number;
}

/** What goes lost when the coupling is taken off. Common practice. */
export const COUPLING_LOSS_BAR = 0.05;
/** Air of one stroke of an ordinary hand pump, L. Common practice. */
const STROKE_L = 0.15;

/** Where the gauge stands after a volume is taken out cold. @returns bar gauge, not below 0: the gauge shows no less */
export function afterDrawGaugeBar(circuit: ResolvedCircuit, beforeGaugeBar: number, volumeL: number, prechargeGaugeBar?: number): number {
  const balance = balanceOf(circuit, prechargeGaugeBar);
  return Math.max(0, balancedGaugeBar(balance, heldL(balance, beforeGaugeBar) - volumeL, beforeGaugeBar));
}

/** Water that comes out when boiler and vessel are drained from a pressure, L: what the vessel held above an empty circuit, and the
 *  boiler's own. */
export function drainedL(circuit: ResolvedCircuit, fromGaugeBar: number, prechargeGaugeBar?: number): number {
  const balance = balanceOf(circuit, prechargeGaugeBar);
  return heldL(balance, fromGaugeBar) - heldL(balance, 0) + circuit.boilerWaterL;
}

/** What a sound circuit of this sheet should show in a test, and what a flat vessel would show, where that is the question. Empty where
 *  there is no number to expect. */
export function expectedNumbers(test: TestId, sheet: CircuitSheet, situation: TestSituation = {}): ExpectedNumber[] {
  const c = resolveCircuit(sheet),
    now = situation.nowBar ?? c.fillGaugeBar;
  const bar = (code: ExpectedCode, value: number, reach?: [number, number]): ExpectedNumber => ({
    code,
    value,
    unit: 'bar',
    ...(reach ? { low: reach[0], high: reach[1] } : {}),
  });
  const litres = (code: ExpectedCode, value: number): ExpectedNumber => ({ code, value, unit: 'L' });
  switch (test) {
    case 'idle-cold-pressure':
      return [bar('cold-right', c.fillGaugeBar, [rightCold(c).lowGaugeBar, rightCold(c).highGaugeBar])];
    case 'precharge':
      return [bar('charge-target', c.prechargeGaugeBar), strokesToPump(c)];
    case 'pump-up-hold':
      return [
        bar('charge-target', c.prechargeGaugeBar),
        bar('charge-with-coupling', c.prechargeGaugeBar + COUPLING_LOSS_BAR),
        strokesToPump(c),
      ];
    case 'draw-off': {
      const volumeL = situation.drawL ?? drawOffL(c, now);
      return [
        { ...bar('after-right', afterDrawGaugeBar(c, now, volumeL)), drawnL: volumeL },
        { ...bar('after-flat', afterDrawGaugeBar(c, now, volumeL, FLAT_CHARGE_BAR)), drawnL: volumeL },
        litres('draw-about', volumeL),
        bar('stop-drawing', stopDrawingBar(c)),
      ];
    }
    case 'vessel-drained-volume':
      return [
        litres('drained-right', drainedL(c, now)),
        litres('drained-flat', drainedL(c, now, FLAT_CHARGE_BAR)),
        litres('boiler-water', c.boilerWaterL),
      ];
    case 'fill-disconnected-watch':
      return [riseOfALitreAnHour(c, now, situation.watchMin), bar('water-above-lifts', c.staticGaugeBar)];
    case 'fill-isolated-watch':
    case 'cold-main-off-watch':
    case 'cold-main-on-watch':
    case 'coil-isolated-watch':
    case 'boiler-isolated-hold':
      return [riseOfALitreAnHour(c, now, situation.watchMin)];
    case 'second-gauge':
      return situation.nowBar === undefined ? [] : [bar('gauge-now', now)];
    case 'gauge-at-zero':
      return [bar('gauge-now', 0), bar('water-above-lifts', c.staticGaugeBar)];
    case 'relief-marking':
      return [bar('relief-set', c.reliefSetGaugeBar)];
    case 'top-ups-per-month':
      return [litres('litres-a-top-up', topUpL(c))];
    case 'heat-run-after': {
      const hot = rightHot({ circuit: c, coldGaugeBar: now, coldC: 15, flowC: c.maxFlowC });
      return [bar('hot-right', hot.gaugeBar, [hot.lowGaugeBar, hot.highGaugeBar]), bar('relief-set', c.reliefSetGaugeBar)];
    }
    default:
      return [];
  }
}

/** Water to draw off so that this gauge shows it on this circuit: five of its divisions, but no lower than the water standing above, L. */
export function drawOffL(c: ResolvedCircuit, nowGaugeBar: number): number {
  const balance = balanceOf(c),
    toBar = Math.max(nowGaugeBar - DIVISIONS_SHOWN * c.gaugeStepBar, stopDrawingBar(c));
  const litres = heldL(balance, nowGaugeBar) - heldL(balance, Math.min(nowGaugeBar, toBar));
  return Math.max(LEAST_DRAW_L, Number(litres.toPrecision(2)));
}
const DIVISIONS_SHOWN = 5,
  LEAST_DRAW_L = 0.1;
/** Below this nothing more is drawn, bar gauge: the top of the circuit would suck air in. */
export const stopDrawingBar = (c: ResolvedCircuit): number => c.staticGaugeBar + 0.2;

/** A charge at which a vessel still has gas, and gives next to none of its water back at a usual fill. */
const FLAT_CHARGE_BAR = 0;

function riseOfALitreAnHour(c: ResolvedCircuit, nowGaugeBar: number, watchMin = 15): ExpectedNumber {
  return { code: 'litre-an-hour-rises', unit: 'bar', value: watchMin / 60 / complianceAt(balanceOf(c), nowGaugeBar) };
}

/** Strokes of a hand pump from flat to the target. */
function strokesToPump(c: ResolvedCircuit): ExpectedNumber {
  const { strokes } = pumpUp({
    nominalVolumeL: Math.min(10_000, Math.max(1, c.vesselL)),
    fromGaugeBar: 0,
    toGaugeBar: Math.min(10, Math.max(0, c.prechargeGaugeBar)),
    strokeL: STROKE_L,
    atmosphericBar: c.atmosphericBar,
  });
  return { code: 'pump-strokes', unit: 'strokes', value: Math.round(strokes / 10) * 10 };
}

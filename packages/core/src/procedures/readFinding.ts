import type { CircuitSheet } from '../circuit/CircuitSheet';
import { USUAL_FLOOR_C, zoneOf } from '../circuit/zones';
import { rightCold, rightHot } from '../circuit/rightBand';
import { placesOf } from '../circuit/placesOnMap';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { EMPTY_GAUGE_BAR, type Finding } from '../judge/Finding';
import { LEAST_FIRING_MIN } from '../judge/findings/numberTable';
import { trappedRise } from '../valves/regionState';
import { afterDrawGaugeBar, drainedL } from './expectedNumbers';

export type Reading = 'low' | 'right' | 'high';

/** How a measured value of a test stands to what this circuit should show; null for touched outcomes and where a value is missing. A rough
 *  word at the test, not the judge: thresholds are common practice, widened by half a division of the gauge. */
export function readFinding(f: Finding, sheet: CircuitSheet): Reading | null {
  const c = resolveCircuit(sheet),
    half = 0.5 * c.gaugeStepBar;
  const against = (value: number | undefined, low: number, high: number): Reading | null =>
    value === undefined ? null : value < low ? 'low' : value > high ? 'high' : 'right';
  const change = (from: number | undefined, to: number | undefined): Reading | null =>
    from === undefined || to === undefined ? null : against(to - from, -STEADY_BAR - half, STEADY_BAR + half);
  switch (f.test) {
    case 'idle-cold-pressure': {
      const { lowGaugeBar, highGaugeBar } = rightCold(c);
      return against(f.valueBar, lowGaugeBar, highGaugeBar);
    }
    case 'precharge':
      return (f.circuitBar ?? 0) > EMPTY_GAUGE_BAR
        ? null
        : against(f.valueBar, c.prechargeGaugeBar - CHARGE_BAR, c.prechargeGaugeBar + CHARGE_BAR);
    case 'second-gauge':
      return f.valueBar === undefined ? null : against(f.firstGaugeBar, f.valueBar - GAUGES_BAR - half, f.valueBar + GAUGES_BAR + half);
    case 'gauge-at-zero':
      return against(f.valueBar, -Infinity, GAUGES_BAR + half);
    case 'relief-marking':
      return against(f.markedBar, c.reliefSetGaugeBar - CHARGE_BAR, c.reliefSetGaugeBar + CHARGE_BAR);
    case 'draw-off': {
      if (f.volumeL === undefined || f.beforeBar === undefined) return null;
      const right = afterDrawGaugeBar(c, f.beforeBar, f.volumeL),
        reach = 0.3 * Math.abs(f.beforeBar - right) + half + 0.03;
      return against(f.afterBar, right - reach, right + reach);
    }
    case 'vessel-drained-volume': {
      if (f.fromBar === undefined) return null;
      const right = drainedL(c, f.fromBar);
      return against(f.volumeL, 0.65 * right, 1.8 * right);
    }
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
    case 'cold-main-off-watch':
    case 'cold-main-on-watch':
    case 'coil-isolated-watch':
      return change(f.startBar, f.endBar);
    case 'boiler-isolated-hold': {
      // A side without the vessel follows its temperature: what that explains is taken off, where both temperatures were read.
      const rise = trappedRise(c),
        perK = (rise.lowBarPerK + rise.highBarPerK) / 2,
        warmed = (from: number | undefined, to: number | undefined, hasVessel: boolean) =>
          hasVessel || from === undefined || to === undefined ? 0 : perK * (to - from),
        less = (end: number | undefined, bar: number) => (end === undefined ? undefined : end - bar),
        atBoiler = placesOf(sheet).vessel === 'boiler';
      const sides = [
        change(f.boilerStartBar, less(f.boilerEndBar, warmed(f.boilerStartC, f.boilerEndC, atBoiler))),
        change(f.circuitStartBar, less(f.circuitEndBar, warmed(f.circuitStartC, f.circuitEndC, !atBoiler))),
      ];
      return sides[0] === null ? null : sides.includes('low') ? 'low' : sides.includes('high') ? 'high' : 'right';
    }
    case 'top-ups-per-month':
      return f.count === undefined ? null : f.count > 0.9 ? 'high' : 'low';
    case 'discharge-catch':
      return f.volumeMl === undefined ? null : f.volumeMl > DROPS_ML ? 'high' : 'low';
    case 'heat-run-after': {
      if (f.coldBar === undefined) return null;
      const hot = rightHot({ circuit: c, coldGaugeBar: f.coldBar, coldC: 15, flowC: f.hotC ?? c.maxFlowC });
      return against(f.hotBar, hot.lowGaugeBar, hot.highGaugeBar);
    }
    case 'flow-return':
      return f.flowC === undefined || f.returnC === undefined || (f.minutesFiring ?? Infinity) < LEAST_FIRING_MIN
        ? null
        : against(f.flowC - f.returnC, LEAST_PARTED_K, MOST_PARTED_K);
    case 'zone-pipe-temperatures': {
      if (f.supplyC === undefined) return null;
      if (f.calling === false) return against(f.supplyC, -Infinity, UNCALLED_C);
      const cold = against(f.supplyC, calledFromC(f, sheet), Infinity);
      return cold === 'right' && f.returnC !== undefined ? against(f.supplyC - f.returnC, -Infinity, MOST_PARTED_K) : cold;
    }
    case 'mixed-supply':
      return f.setC === undefined ? null : against(f.valueC, f.setC - MIXED_K, f.setC + MIXED_K);
    default:
      return null;
  }
}

/** From where a zone that calls counts as warm: a floor by its own setting, of which two thirds of the way up from the room will do. */
function calledFromC(f: Finding, sheet: CircuitSheet): number {
  const zone = zoneOf(sheet, f.zone);
  return zone?.emitter === 'floor' ? ROOM_C + (2 / 3) * ((zone.setC ?? USUAL_FLOOR_C) - ROOM_C) : CALLED_C;
}
const ROOM_C = 20;

const STEADY_BAR = 0.03,
  CHARGE_BAR = 0.15,
  GAUGES_BAR = 0.1,
  DROPS_ML = 20;
/** How far flow and return are apart at the least and at the most, K. */
const LEAST_PARTED_K = 3,
  MOST_PARTED_K = 20;
/** A zone that calls is hotter than this, one that does not cooler, °C; how far a mixed supply may stand off its setting, K. */
const CALLED_C = 38,
  UNCALLED_C = 35,
  MIXED_K = 5;

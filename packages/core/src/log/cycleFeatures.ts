import { endsRun, heatWasOn, type PressureLog } from './PressureLog';

/** A log that spans less than this, K, is no heat cycle. */
export const HEATED_K = 15;

/** From here on a circuit's flow is no cold one's, °C. */
export const COLD_BELOW_C = 40;

/** What a person would read off a log. Fields are null where the log does not hold them. */
export interface CycleFeatures {
  /** The heat was on before the log began, as its first temperature or its first word of the heat says. */
  beganHot: boolean;
  /** It began hot and was not heated since: it stands hot, or cools. */
  foundHot: boolean;
  firstBar: number | null;
  firstC: number | null;
  lastBar: number | null;
  peakBar: number | null;
  coldBar: number | null;
  coldC: number | null;
  hotBar: number | null;
  hotC: number | null;
  hotReturnC: number | null;
  /** Rise from the last cold reading before heating to the peak after it. */
  swingBar: number | null;
  hottestC: number | null;
}

/** Cold is the last reading at or before heat-on (else the first); hot the highest after it, of equals the hottest, until water was let in
 *  or out by hand. A log that began hot and only cools has them the other way round: the highest, and the last. */
export function cycleFeatures(log: PressureLog): CycleFeatures {
  const { tS, pressureBar, flowC, returnC } = log.samples;
  const heatOn = log.events?.find((e) => e.kind === 'heat-on')?.tS;
  let cold = -1,
    hot = -1,
    first = -1,
    last = -1;
  const isHigher = (i: number, best: number) => {
    if (best < 0) return true;
    const byBar = pressureBar[i]! - pressureBar[best]!;
    return byBar > 0 || (byBar === 0 && (flowC?.[i] ?? -Infinity) > (flowC?.[best] ?? Infinity));
  };
  const disturbed = log.events?.find((e) => e.tS > (heatOn ?? 0) && endsRun(e))?.tS ?? Infinity;
  for (let i = 0; i < tS.length; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    if (first < 0) {
      first = i;
      cold = i;
    }
    last = i;
    if (heatOn !== undefined && tS[i]! <= heatOn) {
      cold = i;
      hot = -1;
    } else if (i !== cold && tS[i]! < disturbed && isHigher(i, hot)) hot = i;
  }
  const at = (i: number, of?: (number | null)[]) => (i < 0 ? null : (of?.[i] ?? null));
  const beganHot = first >= 0 && (flowC?.[first] ?? null) !== null ? flowC![first]! >= COLD_BELOW_C : heatWasOn(log),
    foundHot = beganHot && heatOn === undefined;
  if (foundHot) {
    cold = last;
    hot = pressureBar.reduce<number>((best, p, i) => (p !== null && tS[i]! < disturbed && isHigher(i, best) ? i : best), -1);
  }
  const firstHeated = heatOn === undefined ? -1 : tS.findIndex((t) => t > heatOn),
    heatedFrom = foundHot || firstHeated >= 0 ? firstHeated : Infinity;
  // Before the heat a circuit stands at one temperature: the return will do for the flow, and nothing that was read once it was heated.
  const cool = (i: number) => at(i, flowC) ?? at(i, returnC) ?? nearest(i, flowC, i < heatedFrom ? heatedFrom : Infinity);
  const coldBar = at(cold, pressureBar),
    hotBar = at(hot, pressureBar);
  return {
    beganHot,
    foundHot,
    firstBar: at(first, pressureBar),
    firstC: cool(first),
    lastBar: at(last, pressureBar),
    peakBar: hotBar ?? coldBar,
    coldBar,
    coldC: cool(cold),
    hotBar,
    hotC: nearest(hot, flowC),
    hotReturnC: at(hot, returnC),
    swingBar: coldBar !== null && hotBar !== null ? hotBar - coldBar : null,
    hottestC: highest(flowC),
  };
}

/** The highest of some values; null where none was read. */
function highest(values: readonly (number | null)[] = []): number | null {
  let most: number | null = null;
  for (let i = 0; i < values.length; i++) {
    const v = values[i]!;
    if (v !== null && (most === null || v > most)) most = v;
  }
  return most;
}

/** The value at i, or the nearest before it, or the nearest after that stands before a place. */
function nearest(i: number, of?: (number | null)[], before = Infinity): number | null {
  if (i < 0 || !of) return null;
  for (let k = i; k >= 0; k--) if (of[k] !== null && of[k] !== undefined) return of[k]!;
  for (let k = i + 1; k < of.length && k < before; k++) if (of[k] !== null && of[k] !== undefined) return of[k]!;
  return null;
}

/** The pressure that a log shows the circuit cold at, gauge bar; null where it shows none: one that was found hot and has not come down to
 *  cold. */
export function coldPressureOf(log: PressureLog): number | null {
  const f = cycleFeatures(log),
    warm = f.coldC !== null ? f.coldC >= COLD_BELOW_C : f.beganHot;
  return warm ? null : f.coldBar;
}

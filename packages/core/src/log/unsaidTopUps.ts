import { bySensor, isHeatSwitch, type LogEvent, type PressureLog } from './PressureLog';

/** A rise counts from here on, bar, and from so many steps of the readings. */
const LEAST_RISE_BAR = 0.25,
  LEAST_STEPS = 3;
/** It is over within so long, s; what takes longer may be a hole. */
const WITHIN_S = 900;
/** Readings before and after over which it stands still, how still against the rise, and how still the flow, K. */
const AROUND = 3,
  STILL_SHARE = 0.25,
  STILL_K = 3;
/** With no temperatures, heat switched so near counts as its cause, s. */
const NEAR_HEAT_S = 1800;

/** More than so many within so long after one another, s, were let in by nobody: what steps up and down so often is something else. Common
 *  practice. */
const MOST_OFTEN = 8,
  OFTEN_WITHIN_S = 3 * 3600;
const oftenerThanAnybody = (found: readonly LogEvent[]): boolean =>
  found.length > MOST_OFTEN && (found.at(-1)!.tS - found[0]!.tS) / (found.length - 1) < OFTEN_WITHIN_S;

/** Water let in by hand that nobody wrote down, in a log that a sensor wrote: the pressure steps up at once while nothing is heated, and
 *  stands still before and after. A hole lets in water all the time and a feed keeps a level, so neither looks like that. Hand logs are
 *  left alone: whoever reads is there to see it.
 *  @param stepBar to what the pressure was rounded */
export function unsaidTopUps(log: PressureLog, stepBar: number): LogEvent[] {
  if (!bySensor(log)) return [];
  const { tS, pressureBar, flowC } = log.samples,
    events = log.events ?? [];
  const least = Math.max(LEAST_RISE_BAR, LEAST_STEPS * stepBar);
  if (!risesAtOnce(pressureBar, least)) return [];
  const read: number[] = [];
  for (let i = 0; i < tS.length; i++) if (pressureBar[i] !== null && pressureBar[i] !== undefined) read.push(i);
  const temperatures = flowC?.some((c) => c !== null) ?? false;
  const p = (k: number) => pressureBar[read[Math.max(0, Math.min(read.length - 1, k))]!]!,
    t = (k: number) => tS[read[k]!]!;
  const found: LogEvent[] = [];
  for (let k = 1; k < read.length; k++) {
    // A filling that runs over two readings is one step.
    let end = k;
    if (end + 1 < read.length && p(end + 1) - p(end) > 0.5 * (p(end) - p(k - 1))) end++;
    const rise = p(end) - p(k - 1);
    if (rise < least || t(end) - t(k - 1) > WITHIN_S) continue;
    const still = Math.abs(p(k - 1) - p(k - 1 - AROUND)) <= STILL_SHARE * rise && Math.abs(p(end + AROUND) - p(end)) <= STILL_SHARE * rise;
    const told = events.some((e) => e.tS > t(k - 1) - WITHIN_S && e.tS <= t(end) + WITHIN_S && !isHeatSwitch(e) && e.kind !== 'note');
    if (still && !told && unheated(read[k - 1]!, read[end]!)) {
      found.push({ tS: t(end), kind: 'top-up' });
      k = end;
    }
  }
  return oftenerThanAnybody(found) ? [] : found;

  /** Whether the flow stood still from a little before to a little after; without temperatures, whether no heat was switched near. */
  function unheated(from: number, to: number): boolean {
    const fromS = tS[from]!,
      toS = tS[to]!;
    if (!temperatures) return events.some(isHeatSwitch) && !events.some((e) => isHeatSwitch(e) && Math.abs(e.tS - fromS) < NEAR_HEAT_S);
    let coldest = Infinity,
      hottest = -Infinity;
    let i = from;
    while (i > 0 && tS[i - 1]! >= fromS - WITHIN_S / 3) i--;
    for (; i < tS.length && tS[i]! <= toS + WITHIN_S / 3; i++) {
      const c = flowC![i];
      if (c !== null && c !== undefined) {
        coldest = Math.min(coldest, c);
        hottest = Math.max(hottest, c);
      }
    }
    return hottest > -Infinity && hottest - coldest <= STILL_K;
  }
}

/** Whether any two readings next to each other, or with one between them, are so far apart. A month of seconds has millions of readings, of
 *  which mostly none are: this looks through them once and makes nothing. */
function risesAtOnce(pressureBar: readonly (number | null)[], leastBar: number): boolean {
  let before: number | null = null,
    last: number | null = null;
  for (let i = 0; i < pressureBar.length; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    if ((last !== null && p - last >= leastBar) || (before !== null && p - before >= leastBar)) return true;
    before = last;
    last = p;
  }
  return false;
}

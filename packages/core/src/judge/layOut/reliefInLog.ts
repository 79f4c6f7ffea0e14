import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { EVENT_OFF_S } from '../../log/PressureLog';
import { keptItsWater } from './keptItsWater';
import { ANEW_AFTER, RELIEF_LET_GO, type LogTrack } from './LogTrack';
import { unreadAboveBar } from './unreadAbove';

/** From this share of the relief's set pressure on it may be blowing; while it does, the pressure saws between its lift and its seat. */
export const NEAR_RELIEF = 0.88;
const SAW_SHARE = 0.06,
  STILL_BLOWS = 0.8;
/** A fall between two readings that no cooling explains, from warm and from where a relief may lift, however early, far and quick enough:
 *  it let go. Cold, or from lower down, the water is leaving by another way, and a vessel that runs empty on it lets the pressure fall all
 *  at once. While the water grows warmer less of a fall says so. */
const DROP_BAR = 0.22,
  DROP_WARMING_BAR = 0.1,
  DROP_FROM_SHARE = 0.4,
  WARM_K = 5,
  LETS_GO_BAR_PER_H = 1.5;

/** What has cooled by more, K, fell by that. */
export const DROP_COOLING_K = 4;

/** A fall from a peak counts from here, bar, as long as the water has cooled no more than so, K, and was so far above its coldest. */
const EASED_BAR = 0.12,
  STILL_HOT_K = 2,
  HOT_ABOVE_K = 8;

const easedFromBar = (stepBar: number): number => Math.max(EASED_BAR, 1.5 * stepBar);

/** How far the pressure fell back from a peak while the water stayed hot, bar; 0 where it did not. */
export function easedHotBar(gaugeBar: number[], meanC: number[], stepBar: number): number {
  const coldestC = Math.min(...meanC),
    least = easedFromBar(stepBar);
  let peak = 0,
    most = 0;
  gaugeBar.forEach((bar, i) => {
    if (bar >= gaugeBar[peak]!) peak = i;
    if (meanC[peak]! - coldestC > HOT_ABOVE_K && meanC[i]! > meanC[peak]! - STILL_HOT_K) most = Math.max(most, gaugeBar[peak]! - bar);
  });
  return most > least ? most : 0;
}

/** Whether the pressure, once it had fallen back from its peak while the water stayed hot, was held there: neither back up to where it had
 *  let go, nor on its way down.
 *  @param top the highest reading and its time, s, which the points may have smoothed away */
export function heldBelowPeak(
  gaugeBar: number[],
  meanC: number[],
  tS: number[],
  stepBar: number,
  top: { gaugeBar: number; tS: number },
): boolean {
  const least = easedFromBar(stepBar),
    hottestC = Math.max(...meanC),
    until = meanC.findLastIndex((c) => c > hottestC - STILL_HOT_K);
  const hot = gaugeBar.flatMap((bar, i) => (tS[i]! > top.tS && i <= until ? [{ bar, s: tS[i]! }] : [])),
    fell = hot.findIndex(({ bar }) => bar < top.gaugeBar - least);
  if (fell < 0 || fell === hot.length - 1) return false;
  // The point at which it fell may be the mean of before and after.
  const since = hot.slice(fell + 1),
    last = since.at(-1)!;
  return (
    last.s - since[0]!.s >= HELD_S && since.every(({ bar }) => bar < top.gaugeBar - HELD_BELOW * least) && last.bar > since[0]!.bar - least
  );
}
/** For how long it has to be held, s, and how near to the peak it may come again, as a share of the least fall. */
const HELD_S = 480,
  HELD_BELOW = 0.7;

/** Whatever a relief lets go, it shuts before so little is left of the pressure that it let go from; and from here on water has cooled, K.
 */
const SHUTS_AT_LEAST = 0.7,
  COOLED_K = 0.3;
/** Less than this share of it no relief leaves, hot or not: a vessel has run empty, or the circuit is open. */
const LEAST_LEFT = 0.5;

/** So quickly a circuit without its vessel loses its pressure once it cools, s. Common practice: within minutes. */
const FALLS_WITHIN_S = 600;
/** When just it does so hangs on a kelvin, which no thermometer on a pipe gives, where it takes no longer than so, s: for so long the
 *  points count for less, by a share of the fall. */
const FALLS_ABOUT_S = 240,
  FALLS_ABOUT_SHARE = 0.5;

/** The fall that a point is in: from where to where it goes on, over points that belong to it. */
function fallAt({ gaugeBar, n }: LogTrack, i: number, belongs: (k: number) => boolean): { top: number; low: number } {
  let top = i - 1,
    low = i;
  while (top > 0 && gaugeBar[top - 1]! >= gaugeBar[top]! && belongs(top - 1)) top--;
  while (low + 1 < n && gaugeBar[low + 1]! <= gaugeBar[low]! && belongs(low + 1)) low++;
  return { top, low };
}

/** Whether the fall that a point belongs to goes farther in a few minutes than a relief lets it. */
function fallsFar(track: LogTrack, i: number): boolean {
  const { gaugeBar, tS } = track,
    { top, low } = fallAt(track, i, (k) => Math.abs(tS[k]! - tS[i - 1]!) <= FALLS_WITHIN_S);
  return gaugeBar[low]! < SHUTS_AT_LEAST * gaugeBar[top]!;
}

/** How quickly the pressure was seen to fall while nothing was warm yet, bar/s; 0 where it stood. What loses water cold loses it hot as
 *  well, and no relief has to let go for that. */
function idleFallBarPerS({ gaugeBar, tS, starts, drawnL, n }: LogTrack, meanC: number[], coldestC: number, stepBar: number): number {
  let quickest = 0;
  for (let i = 1; i < n && meanC[i]! - coldestC < STILL_COLD_K && !starts[i] && drawnL[i] === 0; i++)
    if (tS[i]! > tS[0]!) quickest = Math.max(quickest, (gaugeBar[0]! - gaugeBar[i]! - stepBar) / (tS[i]! - tS[0]!));
  return quickest;
}
/** How quickly it falls on before a quick fall and after it, as long as the water stays as warm, bar/s; 0 where that is not for long. A
 *  relief lets go at once. */
function fallsOnBarPerS(track: LogTrack, meanC: number[], from: number, to: number, stepBar: number): number {
  const { gaugeBar, tS } = track,
    { top, low } = fallAt(track, to, (k) => Math.abs(meanC[k]! - meanC[to]!) < STILL_HOT_K);
  const restS = tS[from]! - tS[Math.min(top, from)]! + tS[low]! - tS[to]!,
    restBar = gaugeBar[Math.min(top, from)]! - gaugeBar[from]! + gaugeBar[to]! - gaugeBar[low]! - stepBar;
  return restS < FALLS_ON_S ? 0 : Math.max(0, restBar / restS);
}
const FALLS_ON_S = 480;
/** A relief that lets go of a large plant's water takes its minutes, s. */
const QUICK_WITHIN_S = 900;
/** So little warmer than its coldest a circuit counts as cold, K; and so much more quickly than cold the same hole lets a warm circuit
 *  fall, whose vessel gives less the fuller it is. */
const STILL_COLD_K = 2,
  QUICKER_HOT = 3;

/** What a point is in a saw between lift and seat: nothing of it, the foot that a relief left behind, or on the way up from there. */
const NO_TOOTH = 0,
  FOOT = 1,
  RISING = 2;
/** A relief's fall inside its zone, bar; as far up from its foot as so much of its height a tooth is known for what it is, and so many of
 *  them are followed. */
const TOOTH_BAR = 0.1,
  TOOTH_SHARE = 0.6,
  MOST_TEETH = 4;

/** Where a logger saw the relief let go and shut again, the water begins anew at the foot of each tooth; and whether it rises from there
 *  with the heat or by itself says whether water comes in. Near the tooth's top the relief may have let go again already. */
function sawTeeth({ gaugeBar, tS, n }: LogTrack, meanC: number[], nearBar: number, stillBar: number, stepBar: number): Uint8Array {
  const parts = new Uint8Array(n),
    least = Math.max(TOOTH_BAR, 2.5 * stepBar);
  let top = 0,
    teeth = 0;
  for (let i = 1; i < n; i++) {
    if (gaugeBar[i]! >= gaugeBar[top]!) top = i;
    const fellBar = gaugeBar[top]! - gaugeBar[i]!,
      isFoot = i + 1 < n && gaugeBar[i + 1]! >= gaugeBar[i]! - stepBar;
    if (gaugeBar[i]! < stillBar || gaugeBar[top]! < nearBar || fellBar < least || !isFoot) continue;
    const footBar = gaugeBar[i]!,
      atOnce = tS[i]! - tS[top]! <= Math.min(QUICK_WITHIN_S, (fellBar * 3600) / LETS_GO_BAR_PER_H) && meanC[top]! - meanC[i]! < STILL_HOT_K;
    top = i;
    if (!atOnce || teeth === MOST_TEETH) continue;
    teeth++;
    parts[i] = FOOT;
    const rises = (k: number) =>
      gaugeBar[k]! >= footBar - stepBar &&
      gaugeBar[k]! < footBar + TOOTH_SHARE * fellBar &&
      gaugeBar[k]! >= gaugeBar[k - 1]! - TOOTH_SHARE * fellBar;
    for (let k = i + 1; k < n && rises(k); k++) parts[k] = RISING;
  }
  return parts;
}

/** How much a relief lets go cannot be foretold: near it readings count for little, and after it the water begins anew. Where the heat is
 *  off already, and the pressure falls farther than a relief lets it, the cooling did it, and the fall is for the circuit to explain: one
 *  without its vessel loses all at once. The water begins anew before it, where a relief had been at work and what took it there is seen.
 *  What nothing feeds and stands as high afterwards as before has let nothing go. */
export function allowForRelief(
  track: LogTrack,
  meanC: number[],
  { reliefSetGaugeBar, fedByItself }: Pick<ResolvedCircuit, 'reliefSetGaugeBar' | 'fedByItself'>,
  stepBar: number,
  heatIsOff: (i: number, withinS?: number) => boolean,
  highest: { gaugeBar: number; tS: number },
): void {
  const near = NEAR_RELIEF * reliefSetGaugeBar,
    still = STILL_BLOWS * reliefSetGaugeBar;
  const coldestC = Math.min(...meanC),
    idleBarPerS = idleFallBarPerS(track, meanC, coldestC, stepBar);
  const afterLift = sawTeeth(track, meanC, near, still, stepBar);
  let blowing = false;
  for (let i = 1; i < track.n; i++) {
    const before = track.gaugeBar[i - 1]!,
      now = track.gaugeBar[i]!;
    if (!blowing && now >= near) blowing = fedByItself || !keptItsWater(track, meanC, i, stepBar);
    const from = quickFrom(i),
      top = track.gaugeBar[from]!;
    const cools = heatIsOff(i) && meanC[i]! < meanC[Math.min(from, i - 1)]! - COOLED_K && fallsFar(track, i);
    if (blowing && now >= still) {
      if (afterLift[i] === FOOT) letGo(i);
      if (afterLift[i] === NO_TOOTH) track.variance[i]! += (SAW_SHARE * reliefSetGaugeBar) ** 2;
    }
    if (blowing && before >= still && now < still) {
      // The foot of a tooth has begun the stretch already.
      if (track.starts[i - 1] !== RELIEF_LET_GO) {
        const stoodBefore = i > 1 && track.gaugeBar[i - 2]! >= still;
        if (cools && heatIsOff(i - 1, EVENT_OFF_S)) track.starts[i - 1] ||= ANEW_AFTER;
        else track.starts[cools && stoodBefore ? i - 1 : i] = 1;
        if (meanC[i - 1]! - meanC[i]! < STILL_HOT_K && !heatIsOff(i)) letGo(i);
      }
      blowing = false;
    }
    if (cools && track.tS[i]! - track.tS[from]! <= FALLS_ABOUT_S)
      for (let k = from + 1; k < track.n && track.tS[k]! - track.tS[from]! <= FALLS_ABOUT_S; k++)
        track.variance[k]! += (FALLS_ABOUT_SHARE * (top - now)) ** 2;
    const mayLift =
      !cools &&
      now >= LEAST_LEFT * top &&
      top >= DROP_FROM_SHARE * reliefSetGaugeBar &&
      meanC[from]! - coldestC > WARM_K &&
      meanC[from]! - meanC[i]! < DROP_COOLING_K;
    if (from < i && mayLift && !(blowing && now >= still) && fellAtOnce(from, i)) {
      for (let k = from + 1; k < i; k++) track.variance[k]! += (top - now) ** 2;
      letGo(i, from);
    }
  }
  for (let i = 1; i < track.n; i++) {
    if (!track.letGo || track.starts[i] !== RELIEF_LET_GO) continue;
    const warmedK = meanC[i]! - meanC[fallAt(track, i, () => true).top]!;
    if (warmedK >= -COOLED_K) track.letGo.times++;
    if (warmedK > COOLED_K && !heatIsOff(i)) track.letGo.timesWarming++;
  }

  /** Where the quick fall began that ends at a point; the point itself where none ends there. */
  function quickFrom(i: number): number {
    const quick = (k: number) =>
      k > 0 && k < track.n && track.gaugeBar[k - 1]! - track.gaugeBar[k]! > (LETS_GO_BAR_PER_H / 3600) * (track.tS[k]! - track.tS[k - 1]!);
    if (!quick(i) || (quick(i + 1) && track.tS[i + 1]! - track.tS[i]! <= QUICK_WITHIN_S)) return i;
    let from = i - 1;
    while (quick(from) && track.tS[i]! - track.tS[from - 1]! <= QUICK_WITHIN_S) from--;
    return from;
  }

  /** Keeps where it let go on the way down to a point, and from where that was quick; the points may have smoothed the peak away. */
  function letGo(i: number, from = fallAt(track, i, () => true).top): void {
    const { top } = fallAt(track, i, () => true),
      fromS = track.tS[Math.max(0, top - 1)]!;
    const fromBar = highest.tS >= fromS && highest.tS <= track.tS[i]! ? highest.gaugeBar : track.gaugeBar[top]!;
    const fellBar = track.gaugeBar[from]! - track.gaugeBar[i]!,
      before = track.letGo;
    track.starts[i] = RELIEF_LET_GO;
    const farthest =
      before && before.fellBar > fellBar ? before : { fellBar, tookS: track.tS[i]! - track.tS[from]!, cooledK: meanC[from]! - meanC[i]! };
    const peak = before && before.gaugeBar > fromBar ? before : { gaugeBar: fromBar, unreadBar: unreadAbove(top) };
    track.letGo = { ...farthest, times: 0, timesWarming: 0, noted: false, gaugeBar: peak.gaugeBar, unreadBar: peak.unreadBar };
  }

  /** How far it may have risen unread above a peak, bar, before it was read lower. */
  function unreadAbove(peak: number): number {
    const { gaugeBar, tS } = track;
    if (peak === 0) return Infinity;
    return unreadAboveBar(gaugeBar[peak]! - gaugeBar[peak - 1]!, tS[peak]! - tS[peak - 1]!, tS[peak + 1]! - tS[peak]!, stepBar);
  }

  /** Whether a quick fall is far enough for a relief, and quicker than what the circuit loses anyway. */
  function fellAtOnce(from: number, to: number): boolean {
    const fellBar = track.gaugeBar[from]! - track.gaugeBar[to]!,
      gapS = track.tS[to]! - track.tS[from]!;
    // A pump that stops with the heat lets the gauge fall as far.
    const warms = meanC[to]! > meanC[from]! + COOLED_K && !heatIsOff(to) && !heatIsOff(Math.min(to + 1, track.n - 1));
    return (
      fellBar > Math.max(warms ? DROP_WARMING_BAR : DROP_BAR, 2.5 * stepBar) &&
      fellBar > QUICKER_HOT * Math.max(idleBarPerS, fallsOnBarPerS(track, meanC, from, to, stepBar)) * gapS
    );
  }
}

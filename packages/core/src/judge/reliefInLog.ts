import type { LogTrack } from './LogTrack';

/** From this share of the relief's set pressure on it may be blowing; while it does, the pressure saws between its lift and its seat. */
const NEAR_RELIEF = 0.88, SAW_SHARE = 0.06, STILL_BLOWS = 0.8;
/** A fall between two readings that no cooling explains, from warm and from where a relief may lift, however early, far and quick enough: it let go. Cold, or from lower down, the water is
 *  leaving by another way, and a vessel that runs empty on it lets the pressure fall all at once. */
const DROP_BAR = 0.22, DROP_COOLING_K = 4, DROP_FROM_SHARE = 0.4, WARM_K = 5, LETS_GO_BAR_PER_H = 1.5;

/** A fall from a peak counts from here, bar, as long as the water has cooled no more than so, K, and was so far above its coldest. */
const EASED_BAR = 0.12, STILL_HOT_K = 2, HOT_ABOVE_K = 8;

const easedFromBar = (stepBar: number): number => Math.max(EASED_BAR, 1.5 * stepBar);

/** How far the pressure fell back from a peak while the water stayed hot, bar; 0 where it did not. */
export function easedHotBar(gaugeBar: number[], meanC: number[], stepBar: number): number {
  const coldestC = Math.min(...meanC), least = easedFromBar(stepBar);
  let peak = 0, most = 0;
  gaugeBar.forEach((bar, i) => {
    if (bar >= gaugeBar[peak]!) peak = i;
    if (meanC[peak]! - coldestC > HOT_ABOVE_K && meanC[i]! > meanC[peak]! - STILL_HOT_K) most = Math.max(most, gaugeBar[peak]! - bar);
  });
  return most > least ? most : 0;
}

/** Whether the pressure, once it had fallen back from its peak while the water stayed hot, was held there: neither back up to where it had let go, nor on its way down.
 *  @param top the highest reading and its time, s, which the points may have smoothed away */
export function heldBelowPeak(gaugeBar: number[], meanC: number[], tS: number[], stepBar: number, top: { gaugeBar: number; tS: number }): boolean {
  const least = easedFromBar(stepBar), hottestC = Math.max(...meanC), until = meanC.findLastIndex((c) => c > hottestC - STILL_HOT_K);
  const hot = gaugeBar.flatMap((bar, i) => (tS[i]! > top.tS && i <= until ? [{ bar, s: tS[i]! }] : [])), fell = hot.findIndex(({ bar }) => bar < top.gaugeBar - least);
  if (fell < 0 || fell === hot.length - 1) return false;
  // The point at which it fell may be the mean of before and after.
  const since = hot.slice(fell + 1), last = since.at(-1)!;
  return last.s - since[0]!.s >= HELD_S && since.every(({ bar }) => bar < top.gaugeBar - HELD_BELOW * least) && last.bar > since[0]!.bar - least;
}
/** For how long it has to be held, s, and how near to the peak it may come again, as a share of the least fall. */
const HELD_S = 480, HELD_BELOW = 0.7;

/** Whatever a relief lets go, it shuts before so little is left of the pressure that it let go from; and from here on water has cooled, K. */
const SHUTS_AT_LEAST = 0.7, COOLED_K = 0.3;

/** So quickly a circuit without its vessel loses its pressure once it cools, s. Common practice: within minutes. */
const FALLS_WITHIN_S = 600;

/** The fall that a point is in: from where to where it goes on, over points that belong to it. */
function fallAt({ gaugeBar, n }: LogTrack, i: number, belongs: (k: number) => boolean): { top: number; low: number } {
  let top = i - 1, low = i;
  while (top > 0 && gaugeBar[top - 1]! >= gaugeBar[top]! && belongs(top - 1)) top--;
  while (low + 1 < n && gaugeBar[low + 1]! <= gaugeBar[low]! && belongs(low + 1)) low++;
  return { top, low };
}

/** Whether the fall that a point belongs to goes farther in a few minutes than a relief lets it. */
function fallsFar(track: LogTrack, i: number): boolean {
  const { gaugeBar, tS } = track, { top, low } = fallAt(track, i, (k) => Math.abs(tS[k]! - tS[i - 1]!) <= FALLS_WITHIN_S);
  return gaugeBar[low]! < SHUTS_AT_LEAST * gaugeBar[top]!;
}

/** How quickly the pressure was seen to fall while nothing was warm yet, bar/s; 0 where it stood. What loses water cold loses it hot as well, and no relief has to let go for that. */
function idleFallBarPerS({ gaugeBar, tS, starts, drawnL, n }: LogTrack, meanC: number[], coldestC: number, stepBar: number): number {
  let quickest = 0;
  for (let i = 1; i < n && meanC[i]! - coldestC < STILL_COLD_K && !starts[i] && drawnL[i] === 0; i++) if (tS[i]! > tS[0]!) quickest = Math.max(quickest, (gaugeBar[0]! - gaugeBar[i]! - stepBar) / (tS[i]! - tS[0]!));
  return quickest;
}
/** How quickly it falls on before a fall and after it, as long as the water stays as warm, bar/s; 0 where that is not for long. A relief lets go at once. */
function fallsOnBarPerS(track: LogTrack, meanC: number[], i: number, stepBar: number): number {
  const { gaugeBar, tS } = track, { top, low } = fallAt(track, i, (k) => Math.abs(meanC[k]! - meanC[i]!) < STILL_HOT_K);
  const restS = tS[i - 1]! - tS[top]! + tS[low]! - tS[i]!, restBar = gaugeBar[top]! - gaugeBar[i - 1]! + gaugeBar[i]! - gaugeBar[low]! - stepBar;
  return restS < FALLS_ON_S ? 0 : Math.max(0, restBar / restS);
}
const FALLS_ON_S = 480;
/** So little warmer than its coldest a circuit counts as cold, K; and so much more quickly than cold the same hole lets a warm circuit fall, whose vessel gives less the fuller it is. */
const STILL_COLD_K = 2, QUICKER_HOT = 3;

/** How much a relief lets go cannot be foretold: near it readings count for little, and after it the water begins anew. Where the heat is off already, and the pressure falls farther than a relief lets it,
 *  the cooling did it, and the fall is for the circuit to explain: one without its vessel loses all at once. The water begins anew before it, where a relief had been at work and what took it there is seen. */
export function allowForRelief(track: LogTrack, meanC: number[], reliefSetGaugeBar: number, stepBar: number, heatIsOff: (i: number) => boolean): void {
  const near = NEAR_RELIEF * reliefSetGaugeBar, still = STILL_BLOWS * reliefSetGaugeBar;
  const coldestC = Math.min(...meanC), idleBarPerS = idleFallBarPerS(track, meanC, coldestC, stepBar);
  let blowing = false;
  for (let i = 1; i < track.n; i++) {
    const before = track.gaugeBar[i - 1]!, now = track.gaugeBar[i]!;
    if (now >= near) blowing = true;
    const cools = heatIsOff(i) && meanC[i]! < meanC[i - 1]! - COOLED_K && fallsFar(track, i);
    if (blowing && now >= still) track.variance[i]! += (SAW_SHARE * reliefSetGaugeBar) ** 2;
    if (blowing && before >= still && now < still) {
      const stoodBefore = i > 1 && track.gaugeBar[i - 2]! >= still;
      track.starts[cools && stoodBefore ? i - 1 : i] = 1;
      blowing = false;
    }
    const mayLift = !cools && before >= DROP_FROM_SHARE * reliefSetGaugeBar && meanC[i - 1]! - coldestC > WARM_K && meanC[i - 1]! - meanC[i]! < DROP_COOLING_K;
    if (mayLift && !(blowing && now >= still) && fellAtOnce(i)) {
      track.starts[i] = 1;
      track.letGoLow ||= before < near;
    }
  }

  /** Whether the fall to a point is far and quick enough for a relief, and quicker than what the circuit loses anyway. */
  function fellAtOnce(i: number): boolean {
    const fellBar = track.gaugeBar[i - 1]! - track.gaugeBar[i]!, gapS = track.tS[i]! - track.tS[i - 1]!;
    if (fellBar <= Math.max(DROP_BAR, 2.5 * stepBar, (LETS_GO_BAR_PER_H / 3600) * gapS)) return false;
    return fellBar > QUICKER_HOT * Math.max(idleBarPerS, fallsOnBarPerS(track, meanC, i, stepBar)) * gapS;
  }
}

import type { CircuitFluid } from '../../water/fluid';
import { fluidGrowth } from '../../water/fluid';

/** How a circuit of which no temperature was read warms and cools, as far as its boiler, its content and the switching of the heat tell.
 *  How fast it really goes either way is not known: the kernel's tempos stretch it. */
export interface BlindHeat {
  /** When the heat is switched, s, in order, in turn on and off. */
  switchS: readonly number[];
  /** The heat was on before the log began: the first switch is off. */
  beginsHot: boolean;
  coldC: number;
  hotC: number;
  kPerS: number;
  coolingS: number;
  /** Growth from the first point's temperature at whole degrees from `coldC` on. */
  growthAt: Float64Array;
}

/** Burners throttle back over the last kelvins below their limit. Common practice. */
const THROTTLED_K = 15;

/** Mean temperature after heating for a time: at full pace, then ever slower towards the limit. */
function warmed(fromC: number, limitC: number, kPerS: number, gapS: number): number {
  const throttledC = limitC - THROTTLED_K;
  const atFullS = Math.min(gapS, Math.max(0, (throttledC - fromC) / kPerS));
  const reachedC = fromC + kPerS * atFullS;
  return gapS <= atFullS ? reachedC : limitC - (limitC - reachedC) * Math.exp((-(gapS - atFullS) * kPerS) / THROTTLED_K);
}

/** How far up to its limit a circuit is that was heated before its log began, and by which power of its tempo less where it warms slowly:
 *  few had come to the end of it, and many are kept below it. Common practice. */
const WARM_ALREADY = 0.88,
  WARM_BY_TEMPO = 0.35,
  WARMEST = 1.05;

/** Mean temperature at each point, °C: heating adds what the boiler gives, up to its limit; cooling loses in proportion to what is there.
 *  @param heatTempo, coolTempo how many times as fast as reckoned it warms and cools */
export function blindMeanC(
  heat: BlindHeat,
  tS: ArrayLike<number>,
  n: number,
  heatTempo: number,
  coolTempo: number,
  out: Float64Array,
): void {
  const { switchS, beginsHot, coldC, hotC, kPerS, coolingS } = heat;
  let now = beginsHot ? coldC + (hotC - coldC) * Math.min(WARMEST, WARM_ALREADY * heatTempo ** WARM_BY_TEMPO) : coldC,
    next = 0,
    fromS = tS[0]!;
  for (let i = 0; i < n; i++) {
    const untilS = tS[i]!;
    // A gap in which it is switched falls into parts.
    for (;;) {
      const on = (next % 2 === 1) !== beginsHot,
        switched = next < switchS.length && switchS[next]! < untilS,
        partS = (switched ? Math.max(fromS, switchS[next]!) : untilS) - fromS;
      if (partS > 0)
        now = on ? warmed(now, hotC, kPerS * heatTempo, partS) : coldC + (now - coldC) * Math.exp((-partS * coolTempo) / coolingS);
      fromS += partS;
      if (!switched) break;
      next++;
    }
    out[i] = now;
  }
}

/** Growth at whole degrees, for quick look-up between them. */
export const growthTable = (fluid: CircuitFluid, coldC: number, hotC: number): Float64Array =>
  Float64Array.from({ length: Math.max(2, Math.ceil(hotC - coldC) + 2) }, (_, k) => fluidGrowth(fluid, coldC, coldC + k));

/** Growth of the content at each point under these tempos. */
export function blindGrowth(
  heat: BlindHeat,
  tS: ArrayLike<number>,
  n: number,
  heatTempo: number,
  coolTempo: number,
  out: Float64Array,
): void {
  blindMeanC(heat, tS, n, heatTempo, coolTempo, out);
  for (let i = 0; i < n; i++) {
    const x = out[i]! - heat.coldC,
      k = Math.min(heat.growthAt.length - 2, Math.floor(x));
    out[i] = heat.growthAt[k]! + (x - k) * (heat.growthAt[k + 1]! - heat.growthAt[k]!);
  }
}

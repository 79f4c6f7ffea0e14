import { normalCdf, normalQuantile } from '../normal';

/** A free parameter: a standard normal number turned into a physical one. Priors that are not normal are bent by the map. Some hang on
 *  another parameter, which then stands before them: `v` holds those that are known; without it they are as the sheet has them. */
export interface FreeParameter {
  slot: number;
  of: (z: number, v?: Float64Array) => number;
  starts: number[];
  /** Whether it leaps where `z` goes through nought: a slope measured across that would say that all depends on it. */
  leapsAtNought?: boolean;
}

export const normal = (slot: number, mean: number, sd: number, least = -Infinity): FreeParameter => ({
  slot,
  of: (z) => Math.max(least, mean + sd * z),
  starts: [0],
});
/** A normal quantity that is never below its least: the tail is cut off, not heaped up there. */
export const normalFrom = (slot: number, mean: number, sd: number, least: number, starts = [0]): FreeParameter => {
  const cut = normalCdf((least - mean) / sd);
  return { slot, of: (z) => mean + sd * normalQuantile(cut + (1 - cut) * normalCdf(z)), starts };
};
export const logNormal = (slot: number, median: number, sd: number): FreeParameter => ({
  slot,
  of: (z) => median * Math.exp(sd * z),
  starts: [0],
});
/** How much faster a circuit warms or cools than its sheet says: mostly by less than the spread, now and then by far more, since an output
 *  on a sheet may be another circuit's and half of the emitters shut. */
export const tempo = (slot: number, sd: number): FreeParameter => ({
  slot,
  of: (z) => Math.exp(sd * z * (1 + FAR_TEMPO * z * z)),
  starts: [0],
});
const FAR_TEMPO = 0.1;
export const uniform = (slot: number, least: number, most: number, starts = [-1, 0.6]): FreeParameter => ({
  slot,
  of: (z) => least + (most - least) * normalCdf(z),
  starts,
});

/** Effective number of draws, after Kish: how many equal ones would say as much. */
export const kish = (weights: number[]): number => weights.reduce((a, b) => a + b, 0) ** 2 / weights.reduce((a, b) => a + b * b, 0);

/** Cuts weights at √N times their mean: one lucky draw far out must not speak for the whole model.
 *  @see E. Ionides, Truncated importance sampling, J. Comput. Graph. Stat. 17, 2008 (from memory) */
export function truncated(weights: number[]): number[] {
  const most = (weights.reduce((a, b) => a + b, 0) / weights.length) * Math.sqrt(weights.length);
  return weights.map((w) => Math.min(w, most));
}

/** Weights raised to the power below 1 that spreads them over so many draws: wider than the truth, and honest about how little was hit. */
export function flattened(weights: number[], effective: number): number[] {
  let low = 0,
    high = 1;
  for (let i = 0; i < 20; i++) {
    const power = (low + high) / 2;
    if (kish(weights.map((w) => w ** power)) < effective) high = power;
    else low = power;
  }
  return weights.map((w) => w ** low);
}

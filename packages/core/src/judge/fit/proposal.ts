import { backSolve, cholesky, forwardSolve } from './linear';

/** Degrees of freedom of the proposals: wide tails, so that no draw far out is worth too much. */
export const TAIL = 5;

/** A place that fits best round about: its curvature as L Lᵀ, and Laplace's estimate of its weight. */
export interface Mode {
  z: Float64Array;
  l: Float64Array;
  logDetL: number;
  laplace: number;
  /** The same curvature, but as wide as the prior along what moves the pressure by leaps, where a slope at one place says little. */
  wide?: Pick<ProposalPart, 'l' | 'logDetL'>;
}
/** One part of the proposal: a multivariate t round z with precision L Lᵀ. */
export interface ProposalPart {
  z: Float64Array;
  l: Float64Array;
  logDetL: number;
  share: number;
}

/** All parts are made here: of one shape, engines compile what draws and weighs by them once. */
export const partAt = (z: Float64Array, { l, logDetL }: Pick<ProposalPart, 'l' | 'logDetL'>, share: number): ProposalPart => ({
  z,
  l,
  logDetL,
  share,
});

/** Natural log of Laplace's weight of all modes together; the first is the heaviest. */
export const logTotal = (modes: readonly Mode[]): number =>
  modes[0]!.laplace + Math.log(modes.reduce((sum, m) => sum + Math.exp(m.laplace - modes[0]!.laplace), 0));

/** Parts of a proposal round modes, each by its weight, `share` in all. */
export function sharedOut(modes: Mode[], share: number): ProposalPart[] {
  const total = modes.length ? logTotal(modes) : 0;
  return modes.flatMap((m) => {
    const own = share * Math.exp(m.laplace - total);
    return m.wide ? [partAt(m.z, m, (1 - WIDE_SHARE) * own), partAt(m.z, m.wide, WIDE_SHARE * own)] : [partAt(m.z, m, own)];
  });
}
const WIDE_SHARE = 0.5;

/** Natural log of the determinant of a Cholesky factor. */
export function logDetOf(l: Float64Array, n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += Math.log(l[i * n + i]!);
  return sum;
}

/** What is believed before any log: standard normal in every parameter. */
export function priorMode(n: number): Mode {
  const l = new Float64Array(n * n);
  for (let i = 0; i < n; i++) l[i * n + i] = 1;
  return { z: new Float64Array(n), l, logDetL: 0, laplace: 0 };
}

/** A proposal round the weighted mean of draws, with their spread a little widened. The weights are softened, so that one lucky draw does
 *  not become the whole picture; null where the spread cannot be inverted. */
export function adaptedPart(at: Float64Array[], weights: number[], n: number, share: number): ProposalPart | null {
  const soft = Float64Array.from(weights, Math.sqrt),
    off = new Float64Array(n);
  let sum = 0;
  for (let k = 0; k < at.length; k++) sum += soft[k]!;
  const mean = new Float64Array(n),
    cov = new Float64Array(n * n);
  for (let k = 0; k < at.length; k++) for (let i = 0; i < n; i++) mean[i]! += (soft[k]! / sum) * at[k]![i]!;
  for (let k = 0; k < at.length; k++) {
    const share = soft[k]! / sum;
    for (let i = 0; i < n; i++) {
      off[i] = at[k]![i]! - mean[i]!;
      for (let j = 0; j <= i; j++) cov[i * n + j]! += share * off[i]! * off[j]!;
    }
  }
  for (let i = 0; i < n; i++) {
    cov[i * n + i]! += 1e-3;
    for (let j = 0; j < i; j++) cov[j * n + i] = cov[i * n + j]!;
  }
  const c = cholesky(cov, n);
  if (!c) return null;
  const precision = new Float64Array(n * n),
    column = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    column.fill(0);
    column[k] = 1;
    forwardSolve(c, column, n);
    backSolve(c, column, n);
    for (let i = 0; i < n; i++) precision[i * n + k] = column[i]!;
  }
  const l = cholesky(precision, n);
  if (!l) return null;
  return partAt(mean, { l, logDetL: logDetOf(l, n) }, share);
}

/** Density of one part of a proposal at a place. */
export function partDensity(part: ProposalPart, at: Float64Array, n: number): number {
  let q = 0;
  // |Lᵀ (z − ẑ)|² with H = L Lᵀ.
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let k = i; k < n; k++) sum += part.l[k * n + i]! * (at[k]! - part.z[k]!);
    q += sum * sum;
  }
  return Math.exp(tNorm(n) + part.logDetL - ((TAIL + n) / 2) * Math.log(1 + q / TAIL));
}

const tNorms = new Map<number, number>();
/** Log of the normalising constant of a multivariate t with TAIL degrees of freedom in n dimensions, less the determinant. */
function tNorm(n: number): number {
  let value = tNorms.get(n);
  if (value === undefined) {
    value = logGamma((TAIL + n) / 2) - logGamma(TAIL / 2) - (n / 2) * Math.log(TAIL * Math.PI);
    tNorms.set(n, value);
  }
  return value;
}

/** Lanczos approximation (g = 7, n = 9), relative error below 1e-13. */
function logGamma(x: number): number {
  const g = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
    -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  let a = g[0]!;
  const t = x - 1 + 7.5;
  for (let i = 1; i < 9; i++) a += g[i]! / (x - 1 + i);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(a);
}

import { seededRandom } from '../../simulate/seededRandom';
import { descend, settle } from './descent';
import { backSolve } from './linear';
import type { LogTrack } from '../layOut/LogTrack';
import { Misses, type Hint } from './Misses';
import type { ParameterSpace } from './parameters/parameterSpace';
import { adaptedPart, logTotal, partAt, partDensity, priorMode, sharedOut, TAIL, type Mode, type ProposalPart } from './proposal';
import { spread, startingPoints } from './startingPoints';
import { flattened, kish, truncated } from './weights';

/** How well one log model explains the logs, and what its parameters then are. */
export interface LogFit {
  /** Natural log of the probability of the logs under the model, parameters integrated out. */
  logEvidence: number;
  /** Weighted draws of the kernel's parameters given the logs; weights sum to 1. */
  draws: { v: Float64Array; weight: number }[];
  /** Kish's effective number of draws. */
  effective: number;
  /** Best-fitting parameters, and what they predict, track by track. */
  best: Float64Array;
  predicted: Float64Array[];
  /** Natural log of the probability of each track at the best fit, and of all with what the priors make of the parameters there (up to a
   *  constant): what the fit went up to. */
  trackLikelihoods: number[];
  peak: number;
  /** Mean square of the best fit's whitened residuals: 1 where the noise is judged right, more where even the best fit misses. */
  misfit: number;
}

const FURTHEST_START = 2.5;
/** Counts, fixed: the same input gives the same answer on any machine. `moreRounds` is how often more is drawn where too few draws hit. */
export interface Effort {
  starts: number;
  scouts: number;
  /** So many starts are looked at, with so many steps each, before the best of them are gone on with. */ looked: number;
  look: number;
  kept: number;
  iterations: number;
  draws: number;
  moreRounds: number;
}
export const THOROUGH: Effort = { starts: 5, scouts: 60, looked: 12, look: 4, kept: 4, iterations: 12, draws: 360, moreRounds: 4 };
/** Enough to see that a model is out of the question. */
export const QUICK: Effort = { starts: 2, scouts: 30, looked: 4, look: 2, kept: 1, iterations: 8, draws: 60, moreRounds: 0 };
/** Only from what is lent. */
export const LENT: Effort = { ...THOROUGH, starts: 0, scouts: 0, kept: 2 },
  LENT_QUICKLY: Effort = { ...QUICK, starts: 0, scouts: 0, looked: 2, kept: 2, iterations: 5 };
/** What the fit itself takes off the residuals, points. */
const SPENT_BY_FIT = 3;
/** Share of the draws that go into the first lot, and of the later proposals that the adapted part takes. */
const FIRST_SHARE = 0.4,
  ADAPTED_SHARE = 0.5;

/** Effective number of draws at which their mean is believed altogether, and the least that estimates are made of. */
const TRUSTED_DRAWS = 10,
  LEAST_EFFECTIVE = 8;
/** With fewer effective draws than this, more are drawn. */
const ENOUGH_EFFECTIVE = 40;
/** Share of the draws that are taken where findings say to look. */
const HINTED_SHARE = 0.4;
/** Where the logs' own modes stand is most of the way to where a finding fits as well: few further starts are needed. */
const HINTED_STARTS = 2;
/** By so much, in nats, a draw has to fit better than the best mode to be followed. */
const FITS_BETTER = 1;
/** A finding so near to where the logs fit best is found by the draws round there, in its standard deviations. */
const MISSED_SD = 1;

/** What a mode went up to: its weight without its width. */
const peakOf = (m: Mode): number => m.laplace + m.logDetL;
const isNear = (a: Float64Array, b: Float64Array, within: number): boolean => a.every((x, i) => Math.abs(x - b[i]!) < within);
/** Modes so near in every parameter are one; and what came so near to one after a few steps goes on to it. */
const ONE_MODE = 0.15,
  ON_ITS_WAY = 0.3;
const sameMode = (a: Mode, b: Mode): boolean => isNear(a.z, b.z, ONE_MODE);

/** The few that carry weight, heaviest first. */
function heaviest(modes: Mode[]): Mode[] {
  const sorted = [...modes].sort((a, b) => b.laplace - a.laplace);
  return sorted.filter((m) => m.laplace > sorted[0]!.laplace - 8).slice(0, 3);
}

/** How a fit goes about it. */
export interface FitOptions {
  seed: number;
  effort?: Effort;
  /** What other models, or a quicker look at this one, fitted best with (parameters by slot): starts beside its own. */
  borrowed?: readonly Float64Array[];
  /** Where findings say to look as well. They only say where to draw; the draws are weighted by the logs alone, and findings weigh them
   *  afterwards. */
  hints?: readonly Hint[];
  /** Where neither the peak nor the modes' own weight is above these it is not measured: the evidence is then said to be nothing. */
  worthFrom?: { peak: number; evidence: number };
}

/** Fits by damped least squares from several starts, then samples round the modes with a wide-tailed proposal and weights the draws. With
 *  no tracks the draws come from the priors. Counts are fixed and the generator seeded: the same input gives the same answer. */
export function fitLogs(
  space: ParameterSpace,
  tracks: LogTrack[],
  atmosphericBar: number,
  { seed, effort = THOROUGH, borrowed = [], hints = [], worthFrom }: FitOptions,
): LogFit {
  const byLogs = new Misses(space, tracks, atmosphericBar, []),
    { n, points, v } = byLogs;
  const random = seededRandom(seed);
  const r = new Float64Array(byLogs.rows);
  if (!tracks.length && !hints.length) return priorDraws();
  let modes = tracks.length
    ? findModes(byLogs, [...spread(startingPoints(space, n), effort.starts), ...scouts(Math.ceil(effort.starts / 2))])
    : [priorMode(n)];
  if (!modes.length) return priorDraws();
  if (worthFrom && peakOf(modes[0]!) <= worthFrom.peak && logTotal(modes) <= worthFrom.evidence)
    return {
      misfit: 1,
      trackLikelihoods: [],
      peak: peakOf(modes[0]!),
      logEvidence: -Infinity,
      draws: [],
      effective: 0,
      best: v.slice(),
      predicted: [],
    };
  const hinted = missedByHints()
    ? findModes(new Misses(space, tracks, atmosphericBar, hints), [
        ...modes.map((m) => m.z),
        ...spread(startingPoints(space, n), HINTED_STARTS),
      ])
    : [];

  const byModes = (): ProposalPart[] => [...sharedOut(modes, hinted.length ? 1 - HINTED_SHARE : 1), ...sharedOut(hinted, HINTED_SHARE)];
  // What the next lot is drawn from, and all that was drawn from so far by how many draws each part was given: no draw may be held for
  // rarer than it was.
  let next = byModes();
  const drawnFrom: ProposalPart[] = [];
  /** Each part's density at each draw so far. */
  const densities = new Map<ProposalPart, number[]>();
  const z = new Float64Array(n),
    d = new Float64Array(n);
  const targets: number[] = [],
    drawnAt: Float64Array[] = [],
    draws: Float64Array[] = [];
  // A first lot round the modes shows where the weight really lies; the rest is drawn round its own mean and spread as well.
  const first = Math.round(effort.draws * FIRST_SHARE);
  sample(first);
  followBestDraw();
  adapt(relativeWeights().weights);
  sample(effort.draws - first);
  let { most, weights: raw } = relativeWeights(),
    cut = truncated(raw);
  for (let round = 0; round < effort.moreRounds && kish(cut) < ENOUGH_EFFECTIVE * (hinted.length ? 1 - HINTED_SHARE : 1); round++) {
    followBestDraw();
    adapt(raw);
    sample(first);
    ({ most, weights: raw } = relativeWeights());
    cut = truncated(raw);
  }
  const effective = kish(cut);
  const sampled = most + Math.log(cut.reduce((a, b) => a + b, 0) / cut.length);
  // Where hardly a draw hit, one lucky hit is no estimate, and the modes' own curvature may flatter: the humbler of the two counts.
  const trust = Math.min(1, (effective - 1) / TRUSTED_DRAWS);
  const weights = effective < LEAST_EFFECTIVE ? flattened(cut, LEAST_EFFECTIVE) : cut;
  const sum = weights.reduce((a, b) => a + b, 0);
  byLogs.at(modes[0]!.z, r);
  let squares = 0;
  for (let i = 0; i < points; i++) squares += r[i]! * r[i]!;
  return {
    misfit: squares / Math.max(1, points - SPENT_BY_FIT),
    trackLikelihoods: byLogs.trackLikelihoods.slice(),
    peak: peakOf(modes[0]!),
    logEvidence: tracks.length ? trust * sampled + (1 - trust) * Math.min(sampled, logTotal(modes)) : 0,
    draws: draws.map((vector, i) => ({ v: vector, weight: weights[i]! / sum })),
    effective,
    best: v.slice(),
    predicted: byLogs.predicted(),
  };

  /** Whether the logs' best place is not where a finding says to look. */
  function missedByHints(): boolean {
    byLogs.set(modes[0]!.z);
    return hints.some((hint) => Math.abs(hint(v)) > MISSED_SD);
  }

  /** A draw that fits better than the best mode lies on a slope that no start came to: down from there is another mode. */
  function followBestDraw(): void {
    if (!tracks.length) return;
    const k = targets.reduce((best, t, i) => (t > targets[best]! ? i : best), 0);
    if (targets[k]! + (n / 2) * Math.log(2 * Math.PI) < peakOf(modes[0]!) + FITS_BETTER) return;
    const found = settle(byLogs, descend(byLogs, drawnAt[k]!, effort.iterations).at);
    if (!found || modes.some((m) => sameMode(m, found))) return;
    modes = heaviest([...modes, found]);
  }

  /** The next lot is drawn round what the draws so far say, beside the modes. */
  function adapt(weights: number[]): void {
    next = byModes();
    const part = adaptedPart(drawnAt, weights, n, ADAPTED_SHARE);
    if (!part) return;
    for (const p of next) p.share *= 1 - ADAPTED_SHARE;
    next.push(part);
  }

  /** Draws from the present mixture of wide-tailed proposals. */
  function sample(count: number): void {
    const before = drawnAt.length,
      share = count / (before + count);
    for (const p of drawnFrom) p.share *= 1 - share;
    for (const p of next) {
      const known = drawnFrom.find((q) => q.l === p.l && q.z === p.z);
      if (known) known.share += share * p.share;
      else drawnFrom.push(partAt(p.z, p, share * p.share));
    }
    for (let k = 0; k < count; k++) {
      let pick = random.uniform(),
        at = 0;
      while (at < next.length - 1 && pick > next[at]!.share) pick -= next[at++]!.share;
      const part = next[at]!;
      for (let i = 0; i < n; i++) d[i] = random.normal();
      let chi = 0;
      for (let i = 0; i < TAIL; i++) {
        const g = random.normal();
        chi += g * g;
      }
      const widen = Math.sqrt(TAIL / chi);
      backSolve(part.l, d, n);
      for (let i = 0; i < n; i++) z[i] = part.z[i]! + widen * d[i]!;
      const half = byLogs.at(z, r);
      targets.push(-half - byLogs.logDet - (n / 2) * Math.log(2 * Math.PI));
      drawnAt.push(z.slice());
      draws.push(v.slice());
    }
  }

  /** Weights of the draws so far under all that was drawn from, as if every draw had come from all of it: the later parts then help the
   *  earlier draws too. Relative to the largest, whose logarithm is `most`. */
  function relativeWeights(): { most: number; weights: number[] } {
    const mixture = new Float64Array(drawnAt.length);
    for (const part of drawnFrom) {
      const known = densities.get(part) ?? [];
      for (let i = known.length; i < drawnAt.length; i++) known.push(partDensity(part, drawnAt[i]!, n));
      densities.set(part, known);
      for (let i = 0; i < mixture.length; i++) mixture[i]! += part.share * known[i]!;
    }
    const logs = targets.map((t, i) => t - Math.log(mixture[i]! + 1e-300));
    const most = Math.max(...logs);
    return { most, weights: logs.map((w) => Math.exp(w - most)) };
  }

  function findModes(target: Misses, own: Float64Array[]) {
    const starts = [...own, ...borrowed.map(startAt)];
    const found: Mode[] = [];
    // How well they fit as they are tells which are worth a few steps, and these, which are worth going on with.
    const promising = starts.length <= effort.looked ? starts : bestFitting(target, starts, effort.looked);
    const looked = promising
      .map((start) => descend(target, start, effort.look))
      .sort((a, b) => a.value - b.value)
      .slice(0, effort.kept);
    for (const { at } of looked) {
      // On the way to a mode that is known already.
      if (found.some((f) => isNear(f.z, at, ON_ITS_WAY))) continue;
      const m = settle(target, descend(target, at, effort.iterations).at);
      if (m && !found.some((f) => sameMode(f, m))) found.push(m);
    }
    return heaviest(found);
  }

  /** Where this model comes nearest to another's parameters: a circuit whose vessel runs empty on the way has kinks that few starts get
   *  past, and whoever got past them once need not be alone with it. */
  function startAt(other: Float64Array): Float64Array {
    return Float64Array.from(space.free, (p) => {
      const value = other[p.slot] ?? 0,
        at = (z: number) => p.of(z, other),
        rises = at(1) >= at(-1);
      let low = -FURTHEST_START,
        high = FURTHEST_START;
      for (let k = 0; k < 30; k++) {
        const mid = (low + high) / 2;
        if (at(mid) < value === rises) low = mid;
        else high = mid;
      }
      return (low + high) / 2;
    });
  }

  /** The best of a few draws from the priors: where the response has kinks (an empty vessel, a relief, a gauge at its foot) the slopes at
   *  the usual starting points lead nowhere. */
  function scouts(most: number): Float64Array[] {
    return bestFitting(
      byLogs,
      Array.from({ length: effort.scouts }, () => Float64Array.from({ length: n }, () => random.normal())),
      most,
    );
  }

  /** Of some places those that fit best as they are. */
  function bestFitting(target: Misses, places: Float64Array[], most: number): Float64Array[] {
    const out = new Float64Array(target.rows);
    return places
      .map((at) => ({ at, value: target.at(at, out) + target.logDet }))
      .sort((a, b) => a.value - b.value)
      .slice(0, most)
      .map((p) => p.at);
  }

  function priorDraws(): LogFit {
    const zero = new Float64Array(n);
    const draw = () => {
      for (let i = 0; i < n; i++) zero[i] = random.normal();
      byLogs.set(zero);
      return { v: v.slice(), weight: 1 / THOROUGH.draws };
    };
    const draws = Array.from({ length: THOROUGH.draws }, draw);
    zero.fill(0);
    byLogs.set(zero);
    return { misfit: 1, trackLikelihoods: [], peak: 0, logEvidence: 0, draws, effective: THOROUGH.draws, best: v.slice(), predicted: [] };
  }
}

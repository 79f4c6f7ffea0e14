import { seededRandom } from '../simulate/seededRandom';
import { predictGauge, SLOT } from './kernel';
import { backSolve, cholesky, forwardSolve } from './linear';
import type { LogTrack } from './LogTrack';
import type { ParameterSpace } from './parameters';
import { adaptedPart, logTotal, partDensity, priorMode, sharedOut, TAIL, type Mode, type ProposalPart } from './proposal';
import { spread, startingPoints } from './startingPoints';
import { flattened, kish, truncated } from './weights';
import { whiten } from './whiten';

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
  /** Natural log of the probability of each track at the best fit, and of all with what the priors make of the parameters there (up to a constant): what the fit went up to. */
  trackLikelihoods: number[];
  peak: number;
  /** Mean square of the best fit's whitened residuals: 1 where the noise is judged right, more where even the best fit misses. */
  misfit: number;
}

const FURTHEST_START = 2.5;
/** Counts, fixed: the same input gives the same answer on any machine. `moreRounds` is how often more is drawn where too few draws hit. */
export interface Effort { starts: number; scouts: number; /** So many starts are looked at, with so many steps each, before the best of them are gone on with. */ looked: number; look: number; kept: number; iterations: number; draws: number; moreRounds: number; /** Where neither the peak nor the modes' own weight is above these it is not measured: the evidence is then said to be nothing. */ worthFrom?: { peak: number; evidence: number } }
export const THOROUGH: Effort = { starts: 5, scouts: 60, looked: 12, look: 4, kept: 4, iterations: 12, draws: 360, moreRounds: 4 };
/** Enough to see that a model is out of the question. */
export const QUICK: Effort = { starts: 2, scouts: 30, looked: 4, look: 2, kept: 1, iterations: 8, draws: 60, moreRounds: 0 };
/** Only from what is lent. */
export const LENT: Effort = { ...THOROUGH, starts: 0, scouts: 0, kept: 2 }, LENT_QUICKLY: Effort = { ...QUICK, starts: 0, scouts: 0, looked: 2, kept: 2, iterations: 5 };
/** The noise's size is never known worse than this curvature says. */
const LEAST_BEND = 0.5;
/** A step of it smaller than this is not worth a look. */
const LEAST_MOVE = 0.1;
/** What the fit itself takes off the residuals, points. */
const SPENT_BY_FIT = 3;
/** Share of the draws that go into the first lot, and of the later proposals that the adapted part takes. */
const FIRST_SHARE = 0.4, ADAPTED_SHARE = 0.5;

/** How far a finding's number lies from what the circuit's parameters (by slot) make of it, in standard deviations; 0 where it says nothing of them. */
export type Hint = (v: Float64Array) => number;
/** Effective number of draws at which their mean is believed altogether, and the least that estimates are made of. */
const TRUSTED_DRAWS = 10, LEAST_EFFECTIVE = 8;
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
const ONE_MODE = 0.15, ON_ITS_WAY = 0.3;
const sameMode = (a: Mode, b: Mode): boolean => isNear(a.z, b.z, ONE_MODE);

/** The few that carry weight, heaviest first. */
function heaviest(modes: Mode[]): Mode[] {
  const sorted = [...modes].sort((a, b) => b.laplace - a.laplace);
  return sorted.filter((m) => m.laplace > sorted[0]!.laplace - 8).slice(0, 3);
}

/** What a descent goes down on: half the square sum of so many residuals, and the noise's own cost beside it. */
interface Target { rows: number; residuals: (z: Float64Array, out: Float64Array) => number }

/** Fits by damped least squares from several starts, then samples round the modes with a wide-tailed proposal and weights the draws. With no
 *  tracks the draws come from the priors. Counts are fixed and the generator seeded: the same input gives the same answer.
 *  @param borrowed what other models, or a quicker look at this one, fitted best with (parameters by slot): starts beside its own
 *  @param hints where findings say to look as well: standard deviations between a finding's number and what the parameters make of it. They only say where to
 *  draw; the draws are weighted by the logs alone, and findings weigh them afterwards */
export function fitLogs(space: ParameterSpace, tracks: LogTrack[], atmosphericBar: number, seed: number, effort: Effort = THOROUGH, borrowed: readonly Float64Array[] = [], hints: readonly Hint[] = []): LogFit {
  const n = space.free.length, doubtAt = space.free.findIndex((p) => p.slot === SLOT.doubt);
  const points = tracks.reduce((s, t) => s + t.n, 0);
  const v = space.fixed.slice();
  const buffers = tracks.map((t) => new Float64Array(t.n)), perKelvin = tracks.map((t) => new Float64Array(t.n)), held = tracks.map((t) => new Float64Array(t.n)), bare = tracks.map((t) => new Float64Array(t.n)), tried = tracks.map((t) => new Float64Array(t.n));
  const random = seededRandom(seed);
  const set = (z: Float64Array) => { for (let i = 0; i < n; i++) v[space.free[i]!.slot] = space.free[i]!.of(z[i]!); };
  let logDet = 0, noiseHeld = false;
  const trackLikelihoods = tracks.map(() => 0);
  /** Residuals, whitened, the priors' at the end; returns half their square sum. */
  const residuals = (z: Float64Array, out: Float64Array): number => {
    set(z);
    let at = 0, sum = 0;
    logDet = 0;
    for (let k = 0; k < tracks.length; k++) {
      const track = tracks[k]!, b = buffers[k]!;
      // Each track's stretches follow one another in the vector: shift a view rather than copy.
      predictGauge(track, k === 0 ? v : shifted(v, tracks, k), atmosphericBar, b, perKelvin[k]!);
      for (let i = 0; i < track.n; i++) b[i] = track.gaugeBar[i]! - b[i]!;
      if (!noiseHeld) bare[k]!.set(b);
      const ownLogDet = whiten(track, b, noiseHeld ? held[k]! : perKelvin[k]!), before = sum;
      for (let i = 0; i < track.n; i++) { out[at] = b[i]!; sum += b[i]! * b[i]!; at++; }
      logDet += ownLogDet;
      trackLikelihoods[k] = -ownLogDet - (sum - before) / 2;
    }
    for (let i = 0; i < n; i++) { out[at++] = z[i]!; sum += z[i]! * z[i]!; }
    return sum / 2;
  };
  const byLogs: Target = { rows: points + n, residuals };
  const byHintsToo: Target = {
    rows: points + n + hints.length,
    residuals: (z, out) => {
      let half = residuals(z, out);
      hints.forEach((hint, i) => { const x = hint(v); out[points + n + i] = x; half += (x * x) / 2; });
      return half;
    },
  };
  const r = new Float64Array(points + n);
  if (!tracks.length && !hints.length) return priorDraws();
  let modes = tracks.length ? findModes(byLogs, [...spread(startingPoints(space, n), effort.starts), ...scouts(Math.ceil(effort.starts / 2))]) : [priorMode(n)];
  if (!modes.length) return priorDraws();
  if (effort.worthFrom && peakOf(modes[0]!) <= effort.worthFrom.peak && logTotal(modes) <= effort.worthFrom.evidence) return { misfit: 1, trackLikelihoods: [], peak: peakOf(modes[0]!), logEvidence: -Infinity, draws: [], effective: 0, best: v.slice(), predicted: [] };
  const hinted = missedByHints() ? findModes(byHintsToo, [...modes.map((m) => m.z), ...spread(startingPoints(space, n), HINTED_STARTS)]) : [];

  const byModes = (): ProposalPart[] => [...sharedOut(modes, hinted.length ? 1 - HINTED_SHARE : 1), ...sharedOut(hinted, HINTED_SHARE)];
  // What the next lot is drawn from, and all that was drawn from so far by how many draws each part was given: no draw may be held for rarer than it was.
  let next = byModes();
  const drawnFrom: ProposalPart[] = [];
  /** Each part's density at each draw so far. */
  const densities = new Map<ProposalPart, number[]>();
  const z = new Float64Array(n), d = new Float64Array(n);
  const targets: number[] = [], drawnAt: Float64Array[] = [], draws: Float64Array[] = [];
  // A first lot round the modes shows where the weight really lies; the rest is drawn round its own mean and spread as well.
  const first = Math.round(effort.draws * FIRST_SHARE);
  sample(first);
  followBestDraw();
  adapt(relativeWeights().weights);
  sample(effort.draws - first);
  let { most, weights: raw } = relativeWeights(), cut = truncated(raw);
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
  residuals(modes[0]!.z, r);
  let squares = 0;
  for (let i = 0; i < points; i++) squares += r[i]! * r[i]!;
  return {
    misfit: squares / Math.max(1, points - SPENT_BY_FIT),
    trackLikelihoods: trackLikelihoods.slice(),
    peak: peakOf(modes[0]!),
    logEvidence: tracks.length ? trust * sampled + (1 - trust) * Math.min(sampled, logTotal(modes)) : 0,
    draws: draws.map((vector, i) => ({ v: vector, weight: weights[i]! / sum })),
    effective,
    best: v.slice(),
    predicted: tracks.map((t, k) => { const out = new Float64Array(t.n); predictGauge(t, shifted(v, tracks, k), atmosphericBar, out, perKelvin[k]!); return out; }),
  };

  /** Whether the logs' best place is not where a finding says to look. */
  function missedByHints(): boolean {
    set(modes[0]!.z);
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
    const part = adaptedPart(drawnAt, weights, n);
    if (!part) return;
    for (const p of next) p.share *= 1 - ADAPTED_SHARE;
    next.push({ ...part, share: ADAPTED_SHARE });
  }

  /** Draws from the present mixture of wide-tailed proposals. */
  function sample(count: number): void {
    const before = drawnAt.length, share = count / (before + count);
    for (const p of drawnFrom) p.share *= 1 - share;
    for (const p of next) {
      const known = drawnFrom.find((q) => q.l === p.l && q.z === p.z);
      if (known) known.share += share * p.share;
      else drawnFrom.push({ ...p, share: share * p.share });
    }
    for (let k = 0; k < count; k++) {
      let pick = random.uniform(), at = 0;
      while (at < next.length - 1 && pick > next[at]!.share) pick -= next[at++]!.share;
      const part = next[at]!;
      for (let i = 0; i < n; i++) d[i] = random.normal();
      let chi = 0;
      for (let i = 0; i < TAIL; i++) { const g = random.normal(); chi += g * g; }
      const widen = Math.sqrt(TAIL / chi);
      backSolve(part.l, d, n);
      for (let i = 0; i < n; i++) z[i] = part.z[i]! + widen * d[i]!;
      const half = residuals(z, r);
      targets.push(-half - logDet - (n / 2) * Math.log(2 * Math.PI));
      drawnAt.push(z.slice());
      draws.push(v.slice());
    }
  }

  /** Weights of the draws so far under all that was drawn from, as if every draw had come from all of it: the later parts then help the earlier draws too. Relative to the
   *  largest, whose logarithm is `most`. */
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

  function findModes(target: Target, own: Float64Array[]) {
    const starts = [...own, ...borrowed.map(startAt)];
    const found: Mode[] = [];
    // How well they fit as they are tells which are worth a few steps, and these, which are worth going on with.
    const promising = starts.length <= effort.looked ? starts : bestFitting(target, starts, effort.looked);
    const looked = promising.map((start) => descend(target, start, effort.look)).sort((a, b) => a.value - b.value).slice(0, effort.kept);
    for (const { at } of looked) {
      // On the way to a mode that is known already.
      if (found.some((f) => isNear(f.z, at, ON_ITS_WAY))) continue;
      const m = settle(target, descend(target, at, effort.iterations).at);
      if (m && !found.some((f) => sameMode(f, m))) found.push(m);
    }
    return heaviest(found);
  }

  /** Where this model comes nearest to another's parameters: a circuit whose vessel runs empty on the way has kinks that few starts get past, and whoever
   *  got past them once need not be alone with it. */
  function startAt(other: Float64Array): Float64Array {
    return Float64Array.from(space.free, (p) => {
      const value = other[p.slot] ?? 0, rises = p.of(1) >= p.of(-1);
      let low = -FURTHEST_START, high = FURTHEST_START;
      for (let k = 0; k < 30; k++) { const mid = (low + high) / 2; if (p.of(mid) < value === rises) low = mid; else high = mid; }
      return (low + high) / 2;
    });
  }

  /** The best of a few draws from the priors: where the response has kinks (an empty vessel, a relief, a gauge at its foot) the slopes at the usual
   *  starting points lead nowhere. */
  function scouts(most: number): Float64Array[] {
    return bestFitting(byLogs, Array.from({ length: effort.scouts }, () => Float64Array.from({ length: n }, () => random.normal())), most);
  }

  /** Of some places those that fit best as they are. */
  function bestFitting(target: Target, places: Float64Array[], most: number): Float64Array[] {
    const out = new Float64Array(target.rows);
    return places.map((at) => ({ at, value: target.residuals(at, out) + logDet })).sort((a, b) => a.value - b.value).slice(0, most).map((p) => p.at);
  }

  /** Damped least squares. How large the noise is hangs on the parameters too, and a square sum alone would run to where it is largest: so it is held still for the
   *  slopes, and a step counts as one down only where the sum with the noise's cost falls. */
  function descend({ rows, residuals }: Target, start: Float64Array, iterations: number): { at: Float64Array; value: number } {
    let at = start.slice();
    let r0 = new Float64Array(rows), r1 = new Float64Array(rows);
    const jac = new Float64Array(rows * n), normal = new Float64Array(n * n), damped = new Float64Array(n * n), step = new Float64Array(n);
    let value = residuals(at, r0) + logDet, damping = 1e-2;
    for (let it = 0; it < iterations; it++) {
      jacobian(residuals, at, r0, r1, jac, rows);
      gram(jac, normal, rows);
      let moved = false, gain = 0;
      for (let attempt = 0; attempt < 5 && !moved; attempt++) {
        damped.set(normal);
        for (let i = 0; i < n; i++) damped[i * n + i]! *= 1 + damping;
        const l = cholesky(damped, n);
        if (l) {
          for (let i = 0; i < n; i++) { let s = 0; for (let k = 0; k < rows; k++) s -= jac[i * rows + k]! * r0[k]!; step[i] = s; }
          forwardSolve(l, step, n);
          backSolve(l, step, n);
          if (doubtAt >= 0) step[doubtAt] = 0;
          const trial = at.map((x, i) => Math.max(-4, Math.min(4, x + Math.max(-1.5, Math.min(1.5, step[i]!)))));
          const h = residuals(trial, r1) + logDet;
          if (h < value) { gain = value - h; at = trial; value = h; [r0, r1] = [r1, r0]; moved = true; damping = Math.max(1e-6, damping / 5); }
        }
        if (!moved) damping *= 6;
      }
      if (!moved) break;
      gain += settleDoubt();
      if (gain < 3e-3) break;
    }
    return { at, value };

    /** How large the noise is has no slope in the residuals: it is moved by itself, by a parabola. Returns what is gained. */
    function settleDoubt(): number {
      if (doubtAt < 0) return 0;
      const { slope, bend } = alongDoubt(at[doubtAt]!);
      const move = bend > 0 ? Math.max(-1, Math.min(1, -slope / bend)) : -Math.sign(slope);
      if (Math.abs(move) < LEAST_MOVE) return 0;
      const trial = at.slice();
      trial[doubtAt] = Math.max(-4, Math.min(4, at[doubtAt]! + move));
      const h = residuals(trial, r1) + logDet;
      if (h >= value) return 0;
      const gained = value - h;
      at = trial; value = h;
      [r0, r1] = [r1, r0];
      return gained;
    }
  }

  /** First and second derivative along the noise's size, at the parameters that were last predicted with: nothing is predicted anew for it. */
  function alongDoubt(z0: number): { slope: number; bend: number } {
    const h = 0.2, p = space.free[doubtAt]!;
    const valueAt = (zd: number) => {
      const times = p.of(zd) / p.of(z0);
      let sum = (zd * zd) / 2;
      tracks.forEach((track, k) => {
        const b = buffers[k]!, perK = tried[k]!;
        b.set(bare[k]!);
        for (let i = 0; i < track.n; i++) perK[i] = times * perKelvin[k]![i]!;
        sum += whiten(track, b, perK);
        for (let i = 0; i < track.n; i++) sum += (b[i]! * b[i]!) / 2;
      });
      return sum;
    };
    const up = valueAt(z0 + h), here = valueAt(z0), down = valueAt(z0 - h);
    return { slope: (up - down) / (2 * h), bend: (up - 2 * here + down) / (h * h) };
  }

  /** The mode's curvature and Laplace's estimate of its weight. */
  function settle({ rows, residuals }: Target, at: Float64Array): Mode | null {
    const r0 = new Float64Array(rows), r1 = new Float64Array(rows), jac = new Float64Array(rows * n), normal = new Float64Array(n * n);
    const half = residuals(at, r0), valued = half + logDet, doubtBend = doubtAt >= 0 ? Math.max(LEAST_BEND, alongDoubt(at[doubtAt]!).bend) : 0;
    jacobian(residuals, at, r0, r1, jac, rows);
    gram(jac, normal, rows);
    if (doubtAt >= 0) {
      for (let i = 0; i < n; i++) normal[doubtAt * n + i] = normal[i * n + doubtAt] = 0;
      normal[doubtAt * n + doubtAt] = doubtBend;
    }
    const l = cholesky(normal, n);
    if (!l) return null;
    let logDetL = 0;
    for (let i = 0; i < n; i++) logDetL += Math.log(l[i * n + i]!);
    return { z: at, l, logDetL, laplace: -valued - logDetL };
  }

  function jacobian(residuals: Target['residuals'], at: Float64Array, r0: Float64Array, r1: Float64Array, jac: Float64Array, rows: number) {
    const h = 1e-4, saved = logDet;
    residuals(at, r0);
    perKelvin.forEach((k, i) => held[i]!.set(k));
    noiseHeld = true;
    for (let i = 0; i < n; i++) {
      // The noise is held still: its size has no slope but its own prior's.
      if (i === doubtAt) { jac[i * rows + points + i] = 1; continue; }
      const keep = at[i]!;
      at[i] = keep + h;
      residuals(at, r1);
      at[i] = keep;
      for (let k = 0; k < rows; k++) jac[i * rows + k] = (r1[k]! - r0[k]!) / h;
    }
    noiseHeld = false;
    logDet = saved;
  }

  function gram(jac: Float64Array, normal: Float64Array, rows: number) {
    for (let i = 0; i < n; i++)
      for (let j = 0; j <= i; j++) {
        let s = 0;
        for (let k = 0; k < rows; k++) s += jac[i * rows + k]! * jac[j * rows + k]!;
        normal[i * n + j] = s;
        normal[j * n + i] = s;
      }
  }

  function priorDraws(): LogFit {
    const zero = new Float64Array(n);
    const draw = () => { for (let i = 0; i < n; i++) zero[i] = random.normal(); set(zero); return { v: v.slice(), weight: 1 / THOROUGH.draws }; };
    const draws = Array.from({ length: THOROUGH.draws }, draw);
    zero.fill(0);
    set(zero);
    return { misfit: 1, trackLikelihoods: [], peak: 0, logEvidence: 0, draws, effective: THOROUGH.draws, best: v.slice(), predicted: [] };
  }
}

/** The vector as track k sees it: its own stretches stand first from SLOT.start. */
function shifted(v: Float64Array, tracks: LogTrack[], k: number): Float64Array {
  if (k === 0) return v;
  let before = 0;
  for (let i = 0; i < k; i++) for (const s of tracks[i]!.starts) before += s;
  const out = new Float64Array(v.length - before);
  out.set(v.subarray(0, SLOT.start));
  out.set(v.subarray(SLOT.start + before), SLOT.start);
  return out;
}

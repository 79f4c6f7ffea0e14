import type { SeededRandom } from '../../simulate/seededRandom';
import { backSolve } from './linear';
import type { Misses } from './Misses';
import { partAt, partDensity, TAIL, type ProposalPart } from './proposal';

/** Draws of a model's parameters from wide-tailed proposals that may change from lot to lot, weighed by the logs. A draw is weighed under all
 *  that was drawn from until its own lot, and not under what was proposed later: that is proposed where the draws so far weigh most, and
 *  would make just these seem commoner than they are, and the evidence too small by tenths of a nat. */
export class ImportanceSample {
  /** Natural log of what each draw is worth by the logs and the priors and of its weight, where it stands in the fit's own coordinates, and
   *  its parameters by slot. */
  private readonly targets: number[] = [];
  private readonly logWeights: number[] = [];
  readonly drawnAt: Float64Array[] = [];
  readonly draws: Float64Array[] = [];
  /** All that was drawn from so far, by how many draws each part was given: no draw may be held for rarer than it was. */
  private readonly drawnFrom: ProposalPart[] = [];
  private readonly residuals: Float64Array;

  constructor(
    private readonly misses: Misses,
    private readonly random: SeededRandom,
  ) {
    this.residuals = new Float64Array(misses.rows);
  }

  /** Draws from a mixture of proposals, whose shares sum to 1. */
  draw(count: number, from: readonly ProposalPart[]): void {
    const { misses, random, drawnFrom, residuals } = this,
      { n } = misses;
    const share = count / (this.drawnAt.length + count);
    for (const p of drawnFrom) p.share *= 1 - share;
    for (const p of from) {
      const known = drawnFrom.find((q) => q.l === p.l && q.z === p.z);
      if (known) known.share += share * p.share;
      else drawnFrom.push(partAt(p.z, p, share * p.share));
    }
    const z = new Float64Array(n),
      d = new Float64Array(n);
    for (let k = 0; k < count; k++) {
      let pick = random.uniform(),
        at = 0;
      while (at < from.length - 1 && pick > from[at]!.share) pick -= from[at++]!.share;
      const part = from[at]!;
      for (let i = 0; i < n; i++) d[i] = random.normal();
      let chi = 0;
      for (let i = 0; i < TAIL; i++) {
        const g = random.normal();
        chi += g * g;
      }
      const widen = Math.sqrt(TAIL / chi);
      backSolve(part.l, d, n);
      for (let i = 0; i < n; i++) z[i] = part.z[i]! + widen * d[i]!;
      const half = misses.at(z, residuals),
        target = -half - misses.logDet - (n / 2) * Math.log(2 * Math.PI);
      let density = 0;
      for (const p of drawnFrom) density += p.share * partDensity(p, z, n);
      this.targets.push(target);
      this.logWeights.push(target - Math.log(density + LEAST_DENSITY));
      this.drawnAt.push(z.slice());
      this.draws.push(misses.v.slice());
    }
  }

  /** The draw that the logs like best so far: its place and its worth. */
  best(): { place: Float64Array; target: number } {
    const k = this.targets.reduce((best, t, i) => (t > this.targets[best]! ? i : best), 0);
    return { place: this.drawnAt[k]!, target: this.targets[k]! };
  }

  /** Weights of the draws so far, relative to the largest, whose logarithm is `most`. */
  weights(): { most: number; weights: number[] } {
    const most = this.logWeights.reduce((a, b) => Math.max(a, b));
    return { most, weights: this.logWeights.map((w) => Math.exp(w - most)) };
  }
}

/** What is added to a density, so that one of nought has a logarithm. */
const LEAST_DENSITY = 1e-300;

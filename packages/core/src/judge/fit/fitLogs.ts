import { seededRandom, type SeededRandom } from '../../simulate/seededRandom';
import type { LogTrack } from '../layOut/LogTrack';
import { evenly } from '../evenly';
import { THOROUGH, type Effort } from './effort';
import { findModes, nearestTo, peakOf, scouts, withModeBelow } from './findModes';
import { holesSized } from './holesSized';
import { ImportanceSample } from './ImportanceSample';
import type { LogFit } from './LogFit';
import { Misses, type Hint } from './Misses';
import type { ParameterSpace } from './parameters/parameterSpace';
import { adaptedPart, logTotal, priorMode, sharedOut, type Mode, type ProposalPart } from './proposal';
import { pulledStarts } from './pulledStarts';
import { startingPoints } from './startingPoints';
import { flattened, kish, truncated } from './weights';

/** What the fit itself takes off the residuals, points. */
const SPENT_BY_FIT = 3;
/** Share of the draws that go into the first lot, and of the later proposals that the adapted part takes. */
const FIRST_SHARE = 0.4,
  ADAPTED_SHARE = 0.5;
/** The least effective number of draws that estimates are made of. */
const LEAST_EFFECTIVE = 8;
/** With fewer effective draws than this, so large a share of them again is drawn. */
const ENOUGH_EFFECTIVE = 60,
  MORE_SHARE = 0.5;
/** So many draws, of which no log has to be predicted, tell how probable a finding is. */
const UNLOGGED_DRAWS = 500;
/** Share of the draws that are taken where findings say to look. */
const HINTED_SHARE = 0.4;
/** Where the logs' own modes stand is most of the way to where a finding fits as well: few further starts are needed. */
const HINTED_STARTS = 2;
/** By so much, in nats, a draw has to fit better than the best mode to be followed. */
const FITS_BETTER = 1;
/** A finding so near to where the logs fit best is found by the draws round there, in its standard deviations. */
const MISSED_SD = 1;

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
    { n, v } = byLogs;
  const random = seededRandom(seed);
  if (!tracks.length && !hints.length) return priorDraws(byLogs, random);
  const lent = borrowed.map((other) => {
      const place = nearestTo(space, other);
      // Sizing costs a hundred predictions a hole: worth it only where there is no other place to begin.
      return effort.starts === 0 ? holesSized(byLogs, place, other) : place;
    }),
    ownStarts = () => [
      ...evenly(startingPoints(space, n), effort.starts),
      ...scouts(byLogs, random, effort.scouts, Math.ceil(effort.starts / 2)),
    ];
  const modes = tracks.length ? findModes(byLogs, [...ownStarts(), ...lent], effort) : [priorMode(n)];
  if (!modes.length) return priorDraws(byLogs, random);
  if (worthFrom && peakOf(modes[0]!) <= worthFrom.peak && logTotal(modes) <= worthFrom.evidence) return unmeasured(modes[0]!, v);
  const hinted = missedBy(hints, byLogs, modes[0]!) ? hintedModes() : [];
  return measured(byLogs, random, modes, hinted, effort);

  /** Where logs and findings fit together: looked for from the logs' own modes, from where these come to what was found, and elsewhere. */
  function hintedModes(): Mode[] {
    const byBoth = new Misses(space, tracks, atmosphericBar, hints),
      own = modes.map((m) => m.z);
    const starts = [
      ...own,
      ...own.flatMap((z) => pulledStarts(byBoth, hints, z)),
      ...evenly(startingPoints(space, n), HINTED_STARTS),
      ...lent,
    ];
    return findModes(byBoth, starts, effort);
  }
}

/** Whether the logs' best place is not where a finding says to look. */
function missedBy(hints: readonly Hint[], byLogs: Misses, best: Mode): boolean {
  byLogs.set(best.z);
  return hints.some((hint) => Math.abs(hint(byLogs.v)) > MISSED_SD);
}

/** What was not worth measuring. */
const unmeasured = (best: Mode, v: Float64Array): LogFit => ({
  misfit: 1,
  trackLikelihoods: [],
  peak: peakOf(best),
  logEvidence: -Infinity,
  draws: [],
  effective: 0,
  best: v.slice(),
  predicted: [],
});

/** What was drawn, the modes with those that the draws led to, heaviest first, and how to go on drawing. */
interface Sampled {
  sample: ImportanceSample;
  modes: () => Mode[];
  drawMore: (count: number) => void;
}

/** Draws round the modes: a first lot shows where the weight really lies; the rest is drawn round its own mean and spread as well, and more
 *  where too few draws hit. @param hinted modes where findings say to look */
function sampled(byLogs: Misses, random: SeededRandom, asFound: Mode[], hinted: Mode[], effort: Effort): Sampled {
  const { n } = byLogs,
    logsShare = hinted.length ? 1 - HINTED_SHARE : 1;
  const sample = new ImportanceSample(byLogs, random);
  let modes = asFound;
  const byModes = (): ProposalPart[] => [...sharedOut(modes, logsShare), ...sharedOut(hinted, HINTED_SHARE)];
  /** A draw that fits better than the best mode lies on a slope that no start came to: down from there is another mode. */
  const followBestDraw = () => {
    const { place, target } = sample.best();
    if (target + (n / 2) * Math.log(2 * Math.PI) >= peakOf(modes[0]!) + FITS_BETTER) modes = withModeBelow(modes, byLogs, place, effort);
  };
  /** Beside the modes, round what the draws so far say. */
  const adapted = (weights: number[]): ProposalPart[] => {
    const parts = byModes(),
      part = adaptedPart(sample.drawnAt, weights, n, ADAPTED_SHARE);
    if (!part) return parts;
    for (const p of parts) p.share *= 1 - ADAPTED_SHARE;
    return [...parts, part];
  };
  const drawMore = (count: number, weights = sample.weights().weights) => {
    followBestDraw();
    sample.draw(count, adapted(weights));
  };
  const soFar = { sample, modes: () => modes, drawMore };
  // With no log what is drawn from is known to be right: nothing is learned from the draws.
  if (byLogs.points === 0) {
    sample.draw(UNLOGGED_DRAWS, byModes());
    return soFar;
  }
  const first = Math.round(effort.draws * FIRST_SHARE);
  sample.draw(first, byModes());
  drawMore(effort.draws - first);
  for (let round = 0; round < effort.moreRounds; round++) {
    const { weights } = sample.weights();
    if (kish(truncated(weights)) >= ENOUGH_EFFECTIVE * logsShare) break;
    drawMore(Math.round(MORE_SHARE * weights.length), weights);
  }
  return soFar;
}

/** Integrates the parameters out by draws. @param hinted modes where findings say to look */
function measured(byLogs: Misses, random: SeededRandom, asFound: Mode[], hinted: Mode[], effort: Effort): LogFit {
  const drawn = sampled(byLogs, random, asFound, hinted, effort);
  const drawOn = (draws: number): LogFit => {
    drawn.drawMore(draws);
    return byDrawsSoFar(byLogs, drawn, effort, drawOn);
  };
  return byDrawsSoFar(byLogs, drawn, effort, byLogs.points > 0 && effort.moreRounds > 0 ? drawOn : undefined);
}

function byDrawsSoFar(byLogs: Misses, { sample, modes: modesOf }: Sampled, effort: Effort, drawOn: LogFit['drawOn']): LogFit {
  const modes = modesOf(),
    { most, weights: uncut } = sample.weights(),
    cut = truncated(uncut);
  const effective = kish(cut);
  // Of a hasty look the kinder of two estimates counts: what its few draws missed is not yet out of the question.
  const byDraws = most + Math.log(meanOf(cut)),
    logEvidence = effort.moreRounds > 0 ? byDraws : Math.max(byDraws, logTotal(modes));
  const weights = effective < LEAST_EFFECTIVE ? flattened(cut, LEAST_EFFECTIVE) : cut;
  const sum = weights.reduce((a, b) => a + b, 0);
  const misfit = misfitAt(byLogs, modes[0]!);
  return {
    misfit,
    trackLikelihoods: byLogs.trackLikelihoods.slice(),
    peak: peakOf(modes[0]!),
    logEvidence: byLogs.points > 0 ? logEvidence : 0,
    draws: sample.draws.map((vector, i) => ({ v: vector, weight: weights[i]! / sum })),
    effective,
    best: byLogs.v.slice(),
    predicted: byLogs.predicted(),
    ...(drawOn ? { drawOn } : {}),
  };
}

const meanOf = (x: readonly number[]): number => x.reduce((a, b) => a + b, 0) / x.length;

/** Mean square of the whitened residuals at a mode, where the misses then stand. */
function misfitAt(byLogs: Misses, mode: Mode): number {
  const r = new Float64Array(byLogs.rows);
  byLogs.at(mode.z, r);
  let squares = 0;
  for (let i = 0; i < byLogs.points; i++) squares += r[i]! * r[i]!;
  return squares / Math.max(1, byLogs.points - SPENT_BY_FIT);
}

function priorDraws(byLogs: Misses, random: SeededRandom): LogFit {
  const z = new Float64Array(byLogs.n);
  const draw = () => {
    for (let i = 0; i < z.length; i++) z[i] = random.normal();
    byLogs.set(z);
    return { v: byLogs.v.slice(), weight: 1 / THOROUGH.draws };
  };
  const draws = Array.from({ length: THOROUGH.draws }, draw);
  z.fill(0);
  byLogs.set(z);
  return {
    misfit: 1,
    trackLikelihoods: [],
    peak: 0,
    logEvidence: 0,
    draws,
    effective: THOROUGH.draws,
    best: byLogs.v.slice(),
    predicted: [],
  };
}

import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit, type ResolvedCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { cycleFeatures } from '../log/cycleFeatures';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { coldLevelDensity, findingLikelihood, hangsOnDraw } from './findingLikelihood';
import { SLOT } from './kernel';
import { fitLogs, QUICK, THOROUGH, type Effort, type LogFit } from './LogFit';
import { logModelKey, logModelOf, type LogModel } from './logModel';
import { layOutLog, type LogTrack } from './LogTrack';
import { parameterSpace } from './parameters';
import type { WeightedSet } from './priors';

export interface Evidence {
  circuit: CircuitSheet;
  logs: PressureLog[];
  /** With their place in the case file. */
  findings: { finding: Finding; index: number }[];
}

export interface Draw { v: Float64Array; weight: number }

/** One set of faults, judged. */
export interface JudgedSet {
  faults: FaultId[];
  prior: number;
  probability: number;
  /** Natural logs: of all logs together, and of each finding given the logs and the findings before it. */
  logEvidence: number;
  findingEvidence: number[];
  draws: Draw[];
  fit: LogFit;
}

export interface Judged { sets: JudgedSet[]; circuit: ResolvedCircuit; tracks: LogTrack[]; logs: PressureLog[] }

/** Bayes over fault sets: prior × probability of the logs (by simulation, parameters integrated out) × probability of each finding, the
 *  parameters' draws reweighted by every finding in turn. Sorted, most probable first. */
export function judgeEvidence(evidence: Evidence, priors: WeightedSet[]): Judged {
  const circuit = resolveCircuit(evidence.circuit);
  const logs = evidence.circuit.kind === 'steam' ? [] : evidence.logs;
  const tracks = logs.map((l) => layOutLog(l, circuit)).filter((t): t is LogTrack => t !== null);
  const features = logs.map(cycleFeatures);
  const idleGiven = evidence.findings.some((f) => f.finding.test === 'idle-cold-pressure');
  // Where the pressure fell below what the feed holds, either nothing feeds it or the feed stands shut, as many keep it.
  const feedMayBeShut = circuit.fedByItself && tracks.some((t) => Math.min(...t.gaugeBar) < circuit.fillGaugeBar - 0.08);
  /** A hypothesis that may hold in a second way too, and how often it does. */
  const otherWayOf = (model: LogModel): { model: LogModel; share: number } | null => {
    if (tracks.length && model.gauge === 'off') return { model: { ...model, gauge: 'stuck' }, share: STUCK_SHARE };
    if (feedMayBeShut && model.feed === 'right') return { model: { ...model, feed: 'dead' }, share: SHUT_FEED_SHARE };
    return null;
  };
  const judgeWith = (fitOf: (m: LogModel) => LogFit, which: WeightedSet[]) => which.map(({ faults, weight }): JudgedSet => {
    const model = logModelOf(faults);
    const otherWay = otherWayOf(model);
    const fit = otherWay ? mixed(fitOf(model), fitOf(otherWay.model), otherWay.share) : fitOf(model);
    let logEvidence = fit.logEvidence;
    const cold = features[0]?.coldBar;
    if (cold !== null && cold !== undefined && !idleGiven && (features[0]!.coldC ?? 20) < 40) logEvidence += Math.log(coldLevelDensity(cold, faults, circuit));
    logEvidence += Math.log(overheatShare(features, evidence.circuit, faults));
    const { findingEvidence, draws } = weighFindings(evidence.findings, faults, fit.draws, circuit);
    return { faults, prior: weight, probability: 0, logEvidence, findingEvidence, draws, fit };
  });
  const fitter = (effort: Effort) => fitterOf(evidence.circuit, circuit, tracks, effort);
  // Every set is screened; those that may matter are judged again with care. With no log there is nothing to fit.
  const screened = withProbabilities(judgeWith(fitter(tracks.length ? QUICK : THOROUGH), priors));
  if (!tracks.length) return { sets: screened, circuit, tracks, logs };
  const contends = (s: JudgedSet) => s.faults.length === 1 || s.probability > CONTENDS;
  const contenders = screened.filter(contends), rest = screened.filter((s) => !contends(s));
  const careful = judgeWith(fitter(THOROUGH), contenders.map((s) => ({ faults: s.faults, weight: s.prior })));
  return { sets: withProbabilities([...careful, ...rest]), circuit, tracks, logs };
}

/** From this share in the screening on a pair is judged with care; single faults always are. */
const CONTENDS = 0.003;

/** No simulation is right to the last bit: from this difference on, in nats, a log counts for less than it seems. Fixed by the evaluation on plants
 *  of another physics, where answers held for nearly certain were wrong too often. */
const SOFT_FROM = 3, SOFT_SLOPE = 0.5;

/** Log evidence with the far differences softened; order is kept. */
function softened(logEvidence: number, best: number): number {
  const behind = best - logEvidence;
  return best - (behind <= SOFT_FROM ? behind : SOFT_FROM + SOFT_SLOPE * (behind - SOFT_FROM));
}

/** Many sets differ in what no evidence touches, and together take more than is theirs: with something measured the answer is sharpened by this
 *  power. Fixed by the evaluation, where answers held for 40 % were right in 60 %. */
const SHARPEN = 1.35;

/** Probabilities by Bayes, most probable first. */
function withProbabilities(sets: JudgedSet[]): JudgedSet[] {
  const best = Math.max(...sets.map((s) => s.logEvidence));
  const measured = sets.some((s) => s.logEvidence !== 0 || s.findingEvidence.length > 0);
  const scores = sets.map((s) => (measured ? SHARPEN : 1) * (Math.log(s.prior) + softened(s.logEvidence, best) + s.findingEvidence.reduce((a, b) => a + b, 0)));
  const most = Math.max(...scores);
  const sum = scores.reduce((a, l) => a + Math.exp(l - most), 0);
  sets.forEach((s, i) => (s.probability = Math.exp(scores[i]! - most) / sum));
  return [...sets].sort((a, b) => b.probability - a.probability);
}

/** Fits models, each once. */
function fitterOf(sheet: CircuitSheet, circuit: ResolvedCircuit, tracks: LogTrack[], effort: Effort): (wanted: LogModel) => LogFit {
  const fits = new Map<string, LogFit>();
  return (wanted) => {
    const known = fits.get(logModelKey(wanted));
    if (known) return known;
    const model = sameInLogs(wanted, tracks);
    const key = logModelKey(model);
    const fit = fits.get(key) ?? fitLogs(parameterSpace(model, sheet, circuit, tracks), tracks, circuit.atmosphericBar, 20_011 + fits.size, effort);
    fits.set(key, fit);
    const own = model.inflow === wanted.inflow ? fit : { ...fit, draws: fit.draws.map(inflowByCoil) };
    fits.set(logModelKey(wanted), own);
    return own;
  };
}

/** Two ways in look alike as long as no log shuts one of them, and so do two ways out: such models are fitted once. */
function sameInLogs(model: LogModel, tracks: LogTrack[]): LogModel {
  if (tracks.length === 0) return model;
  const parted = tracks.some((t) => t.fillOn.some((on, i) => on !== t.coilOn[i]));
  const boilerShut = tracks.some((t) => t.boilerOn.includes(0));
  return {
    ...model,
    inflow: model.inflow === 'coil' && !parted ? 'fill' : model.inflow,
    outflow: model.outflow === 'boiler' && !boilerShut ? 'circuit' : model.outflow,
  };
}

/** The same draw with the water coming in by the coil, since watches part the two ways. */
function inflowByCoil(draw: Draw): Draw {
  const v = draw.v.slice();
  v[SLOT.inCoil] = v[SLOT.inFill]!;
  v[SLOT.inFill] = 0;
  return { v, weight: draw.weight };
}

/** Of misreading gauges, those that stick; of feeds that are in order, those that are kept shut. Common practice. */
const STUCK_SHARE = 0.3, SHUT_FEED_SHARE = 0.4;

/** One hypothesis that may hold in two ways: the evidence by their shares, the draws of both. */
function mixed(one: LogFit, other: LogFit, otherShare: number): LogFit {
  const a = Math.log(1 - otherShare) + one.logEvidence, b = Math.log(otherShare) + other.logEvidence, most = Math.max(a, b);
  const logEvidence = most + Math.log(Math.exp(a - most) + Math.exp(b - most));
  const lead = b > a ? other : one;
  const shareOfOther = Math.exp(b - logEvidence);
  return { ...lead, logEvidence, draws: [...one.draws.map((d) => ({ v: d.v, weight: d.weight * (1 - shareOfOther) })), ...other.draws.map((d) => ({ v: d.v, weight: d.weight * shareOfOther }))] };
}

function weighFindings(findings: Evidence['findings'], faults: FaultId[], prior: Draw[], circuit: ResolvedCircuit) {
  let draws = prior;
  const findingEvidence = findings.map(({ finding }) => {
    if (!hangsOnDraw(finding, faults)) return Math.log(findingLikelihood(finding, faults, draws[0]!.v, circuit));
    const likelihoods = draws.map((d) => findingLikelihood(finding, faults, d.v, circuit));
    const total = draws.reduce((s, d, i) => s + d.weight * likelihoods[i]!, 0);
    draws = draws.map((d, i) => ({ v: d.v, weight: (d.weight * likelihoods[i]!) / total }));
    return Math.log(total);
  });
  return { findingEvidence, draws };
}

/** Flow temperatures well above the limit speak for overheating; only where the limit stands on the sheet. */
function overheatShare(features: { hottestC: number | null }[], sheet: CircuitSheet, faults: FaultId[]): number {
  const hottest = Math.max(...features.map((f) => f.hottestC ?? -Infinity));
  if (sheet.maxFlowC === undefined || !Number.isFinite(hottest)) return 1;
  const over = hottest > sheet.maxFlowC + 7;
  if (faults.includes('boiler-overheating')) return over ? 0.85 : hottest < sheet.maxFlowC - 5 ? 0.5 : 0.15;
  return over ? 0.03 : 0.97;
}

import type { CircuitSheet } from '../circuit/CircuitSheet';
import { atGaugeLevel, heldFromGaugeBar, resolveCircuit, type ResolvedCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { spikesOut } from '../log/cleanLog';
import { slipOut } from '../log/readingSlip';
import { readLog, type LogReading } from '../log/readLog';
import { COLD_BELOW_C, cycleFeatures, HEATED_K, type CycleFeatures } from '../log/cycleFeatures';
import { has, INFLOW, OUTFLOW } from './faultGroups';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { coldLevelDensity, levelHangsOnDraw } from './coldLevel';
import { hotLevelDensity } from './hotLevel';
import { findingLikelihood, hangsOnDraw } from './findingLikelihood';
import { earlyLiftShare } from './earlyLiftShare';
import { chargeOf, expectedNumber, foretold } from './findingNumbers';
import { fitterOf, HASTY_LENDING, LENDING, type Fitter } from './fitter';
import { QUICK, THOROUGH, type Effort, type LogFit } from './LogFit';
import type { Logged } from './Logged';
import { catchHint, letGoHot } from './reliefCatch';
import { letsGoThere, liftHint, seenLift } from './seenLift';
import { logModelOf, movesAs, waysParted, type LogModel } from './logModel';
import { layOutLog, seenStepBar } from './layOutLog';
import { lowGaugeBar, topGaugeBar, type LogTrack } from './LogTrack';
import { mergedWhereStraight } from './mergeStraight';
import type { Draw, JudgedSet } from './JudgedSet';
import type { Hint } from './Misses';
import type { WeightedSet } from './priors';
import { knownToSheet, smallDespite } from './sheetMargin';
import { overheatShare } from './overheat';
import { otherWays } from './otherWays';
import { bypassTimes } from './parameters';
import { usualPeakBar } from './usualPeak';
import { scoresOf, withProbabilities } from './probabilities';
import { quickestCreep } from './watchLength';
import { zoneSuspect } from './zoneSuspect';

export interface Evidence {
  circuit: CircuitSheet;
  logs: PressureLog[];
  /** The logs' places in the case file. */
  logIndices: number[];
  /** With their place in the case file. */
  findings: { finding: Finding; index: number }[];
}

/** Told how much of the work is done, 0 to 1, as it goes on. */
export type Progress = (share: number) => void;

export interface Judged {
  sets: JudgedSet[];
  circuit: ResolvedCircuit;
  /** The circuit with its vessel at the gauge's level, as the draws' parameters are meant. */
  seen: ResolvedCircuit;
  tracks: LogTrack[];
  /** Without the slips of sensors and of whoever read. */
  logs: PressureLog[];
  /** The log that each track was laid out from: its place in `logs`. */
  trackLog: number[];
  /** Pressures that findings are read beside, done or yet to do. */
  logged: Logged;
  /** What a technician reads off each of the logs. */
  readings: LogReading[];
  /** How quickly the idle circuit was seen to creep, bar/h; null where it was not. */
  creepBarPerH: number | null;
}

/** Bayes over fault sets: prior × probability of the logs (by simulation, parameters integrated out) × probability of each finding, the
 *  parameters' draws reweighted by every finding in turn. Sorted, most probable first. */
export function judgeEvidence(evidence: Evidence, priors: WeightedSet[], told: Progress = () => {}): Judged {
  const written = evidence.circuit.kind === 'steam' ? [] : evidence.logs.map(spikesOut), onSheet = resolveCircuit(evidence.circuit);
  const circuit = onSheet.assumed.includes('gauge.resolutionBar') && evidence.circuit.gauge?.kind !== 'unnumbered' ? { ...onSheet, gaugeStepBar: seenStepBar(written, onSheet.gaugeStepBar) } : onSheet, seen = atGaugeLevel(circuit);
  const logs = written.map((l) => slipOut(l, circuit.reliefSetGaugeBar, circuit.gaugeStepBar));
  // Where no temperature was logged, the water is taken to go up to the boiler's limit, or to the flow that was read, if that was more.
  const flowsC = evidence.findings.flatMap(({ finding: f }) => (f.test === 'flow-return' && typeof f.flowC === 'number' ? [f.flowC] : []));
  const laidOut = logs.map((l) => layOutLog(l, { ...circuit, maxFlowC: Math.max(circuit.maxFlowC, ...flowsC) }));
  const tracks = laidOut.filter((t): t is LogTrack => t !== null).map(mergedWhereStraight), trackLog = laidOut.flatMap((t, i) => (t ? [i] : []));
  const features = logs.map(cycleFeatures), liftsSoLow = earlyLiftShare(features, circuit);
  const found = tracks[0]?.blind?.beginsHot && tracks[0].spanK > 0 ? null : foundColdBar(features[0]), overnight = evidence.findings.find((f) => f.finding.test === 'idle-cold-pressure')?.finding.valueBar;
  const hottest = Math.max(...features.map((f) => f.hottestC ?? -Infinity));
  const peakGaugeBar = topGaugeBar(tracks.filter((t) => t.spanK > HEATED_K && !t.heatGuessed)), usualPeakGaugeBar = usualPeakBar(peakGaugeBar, features, circuit);
  const logged: Logged = { peakGaugeBar, usualPeakGaugeBar, topGaugeBar: overnight === undefined ? topGaugeBar(tracks) : Math.max(overnight, topGaugeBar(tracks) ?? 0), coldGaugeBar: found ?? overnight ?? null, hottestC: hottest > -Infinity ? hottest : null };
  // How high it stands cold speaks by itself, unless a night's cold pressure was read.
  const cold = overnight === undefined ? found : null, beganHot = overnight === undefined && found === null && tracks[0] !== undefined;
  const easedHot = tracks.some((t) => t.easedHotBar > 0), lifts = tracks.flatMap((t, i) => seenLift(t, logs[trackLog[i]!]!, circuit) ?? []), seenToLetGo = easedHot || evidence.findings.some(({ finding }) => letGoHot(finding));
  const toTheRelief = logged.peakGaugeBar !== null && logged.peakGaugeBar > circuit.reliefSetGaugeBar - (seenToLetGo ? LET_GO_BAR : AT_RELIEF_BAR);
  const ranEmpty = tracks.some(stoodEmpty);
  // Where the pressure fell below what the feed holds, either nothing feeds it or the feed stands shut, as many keep it.
  const feedMayBeShut = circuit.fedByItself && (lowGaugeBar(tracks) ?? Infinity) < heldFromGaugeBar(circuit) - FELL_BAR;
  const staysBelow = smallDespite(usualPeakGaugeBar, circuit), readings = logs.map((l) => readLog(l, circuit.gaugeStepBar)), creepBarPerH = quickestCreep(readings), parted = waysParted(tracks);
  const otherWaysOf = otherWays({
    tracks, circuit, easedHot, feedMayBeShut, smallBySheet: knownToSheet(circuit), outflowParted: parted.outflow, feedUnsaid: evidence.circuit.fill === undefined,
    feedWasShut: evidence.logs.some((l) => l.events?.some((e) => e.kind === 'fill-closed')), foundRestricted: evidence.findings.some(({ finding }) => finding.test === 'vessel-connection-flow' && finding.outcome === 'restricted'),
  });
  const waysOf = (faults: readonly FaultId[], care: boolean): LogModel[] => { const model = logModelOf(faults); return [model, ...otherWaysOf(model, faults, care).map((way) => way.model)]; };
  /** Fits all that sets will be judged by, so that models can lend to one another before anything is weighed by them. */
  const fitAll = (fitOf: (m: LogModel) => LogFit, which: WeightedSet[], from: number, to: number, care = true) => which.forEach(({ faults }, i) => {
    told(from + ((to - from) * i) / which.length);
    waysOf(faults, care).forEach(fitOf);
  });
  const judgeWith = (fitOf: (m: LogModel) => LogFit, which: WeightedSet[], from: number, to: number, care = true) => which.map(({ faults, weight }, i): JudgedSet => {
    told(from + ((to - from) * i) / which.length);
    const model = logModelOf(faults);
    const fit = otherWaysOf(model, faults, care).reduce((all, way) => mixed(all, fitOf(way.model), way.share), fitOf(model));
    let logEvidence = fit.logEvidence, logDraws = fit.draws;
    const weigh = (likelihoodOf: (v: Float64Array) => number) => {
      const weighed = reweighted(logDraws, likelihoodOf);
      logEvidence += Math.log(weighed.likelihood);
      logDraws = weighed.draws;
    };
    // Where the gauge may lie, how high it stands cold says by how much; where the feed is set high, it says to what.
    if (cold !== null && levelHangsOnDraw(cold, faults, seen)) weigh((v) => coldLevelDensity(cold, faults, seen, v));
    else if (cold !== null) logEvidence += Math.log(coldLevelDensity(cold, faults, seen));
    if (beganHot) weigh(hotLevelDensity(tracks[0]!, faults, seen));
    if (has(faults, 'fill-bypass-open', 'pressurisation-unit-fault')) weigh((v) => bypassTimes(v, seen));
    if (faults.includes('vessel-undersized')) logEvidence += Math.log(staysBelow);
    logEvidence += Math.log(overheatShare(logged.hottestC, circuit, faults));
    if (faults.includes('relief-valve-lifts-early')) logEvidence += Math.log(liftsSoLow);
    for (const lift of lifts) weigh((v) => letsGoThere(v, faults, lift));
    if (ranEmpty && has(faults, ...INFLOW) && has(faults, ...OUTFLOW)) logEvidence += Math.log(EMPTY_THOUGH_FED);
    if (toTheRelief && faults.every((f) => LEAVES_THE_PEAK.has(f))) logEvidence += Math.log(SOUND_AT_RELIEF);
    const { findingEvidence, draws } = weighFindings(evidence.findings, faults, logDraws, seen, logged);
    // What the fit cannot be split into (its parameters' own cost, the cold level) is shared out evenly.
    const unsplit = (logEvidence - fit.trackLikelihoods.reduce((a, b) => a + b, 0)) / Math.max(1, tracks.length);
    return { faults, prior: weight, movesAs: movesAs(model, parted), probability: 0, logEvidence, logParts: fit.trackLikelihoods.map((l) => l + unsplit), findingEvidence, draws, fit };
  });
  let before: Fitter | null = null;
  const hints = [...hintsOf(evidence.findings, seen, logged, cold), ...lifts.map(liftHint)];
  const fitter = (effort: Effort) => (before = fitterOf(evidence.circuit, seen, tracks, hints, effort, before?.looked() ?? new Map()));
  // Every set is screened; those that may matter are judged again with care. With no log there is nothing to fit.
  const quick = fitter(tracks.length ? QUICK : THOROUGH);
  quick.lookOver(priors.flatMap(({ faults }) => waysOf(faults, true)));
  fitAll(quick.fitOf, priors, 0, SCREENED, false);
  if (tracks.length) quick.lendToNeighbours(HASTY_LENDING);
  const first = judgeWith(quick.fitOf, priors, SCREENED, SCREENED, false);
  if (!tracks.length) return { sets: withProbabilities(first), circuit, seen, tracks, logs, trackLog, logged, readings, creepBarPerH };
  const misfit = Math.min(MOST_MISFIT, ...first.map((s) => s.fit.misfit)), misjudged = misfit > BEARABLE_MISFIT;
  if (misjudged) tracks.forEach((t) => allowForMisfit(t, misfit));
  const screened = withProbabilities(misjudged ? judgeWith(fitter(QUICK).fitOf, priors, SCREENED, 2 * SCREENED, false) : first);
  const scores = scoresOf(screened), least = Math.max(...scores) - CONTENDS, contends = (s: JudgedSet, i: number) => s.faults.length === 1 || scores[i]! > least;
  const contenders = screened.filter(contends), rest = screened.filter((s, i) => !contends(s, i));
  const thorough = fitter(THOROUGH), which = contenders.map((s) => ({ faults: s.faults, weight: s.prior }));
  fitAll(thorough.fitOf, which, misjudged ? 2 * SCREENED : SCREENED, CAREFULLY);
  thorough.lendToNeighbours(LENDING);
  thorough.holdToSimpler();
  const settled = judgeWith(thorough.fitOf, which, CAREFULLY, 1);
  // What looks the same in the logs as something that was judged with care is given the same care: nothing is fitted for it.
  const known = new Set(rest.filter(({ faults }) => waysOf(faults, true).every(thorough.knows)));
  const alike = judgeWith(thorough.fitOf, [...known].map((s) => ({ faults: s.faults, weight: s.prior })), 1, 1);
  return { sets: withProbabilities([...settled, ...alike, ...rest.filter((s) => !known.has(s))]), circuit, seen, tracks, logs, trackLog, logged, readings, creepBarPerH };
}

/** A circuit that heat takes up to its relief has something that does so; how often none is found all the same (a gauge a little high, a relief a little low), and from how far below, by itself and where the relief was seen to let go: the pressure fell back from there while it was hot, or hot water came. */
const LEAVES_THE_PEAK: ReadonlySet<FaultId> = new Set(['none', 'vessel-gas-valve-leaking', 'circuit-leak', 'boiler-exchanger-leak', 'air-vent-faulty', 'air-in-circuit', 'fill-pressure-too-low', 'feed-starved']), SOUND_AT_RELIEF = 0.06, AT_RELIEF_BAR = 0.1, LET_GO_BAR = 0.25;

/** Whether a circuit stood at nothing, or as good as that, for some minutes. What the mains press into it all the while keeps it from that, unless it cools faster than they do; and how often it does. Common practice. */
const stoodEmpty = ({ gaugeBar, tS, n }: LogTrack): boolean => [...gaugeBar].some((bar, i) => bar < EMPTY_BAR && i + 1 < n && gaugeBar[i + 1]! < EMPTY_BAR && tS[i + 1]! - tS[i]! + (i + 2 < n && gaugeBar[i + 2]! < EMPTY_BAR ? tS[i + 2]! - tS[i + 1]! : 0) >= EMPTY_S);
const EMPTY_BAR = 0.1, EMPTY_S = 180, EMPTY_THOUGH_FED = 0.12;

/** The pressure that the circuit was found at, cold; what it went to afterwards, before it was heated, is the log's to explain. */
function foundColdBar(first: CycleFeatures | undefined): number | null {
  if (!first || (first.coldC ?? 20) >= COLD_BELOW_C) return null;
  return (first.firstC ?? 20) < COLD_BELOW_C ? first.firstBar : first.coldBar;
}

/** Shares of the work at which the screening is done, and all contenders are judged. */
const SCREENED = 0.2, CAREFULLY = 0.9;

/** Where even the best of all models misses the log by more than its noise explains, the noise is what is misjudged: a rough hand, a sticking needle,
 *  a plant that does what no model here does. It is widened until the best fits, so that the others are not thrown out for it. */
const BEARABLE_MISFIT = 1.25, MOST_MISFIT = 16;

function allowForMisfit(track: LogTrack, misfit: number): void {
  for (let i = 0; i < track.n; i++) {
    track.variance[i]! *= misfit;
    track.modelErrorBar[i]! *= Math.sqrt(misfit);
  }
}

/** A pair that is no farther behind the best than this in the screening, in nats, is judged with care; single faults always are. A hasty look finds up to four nats less than is there, of models with
 *  many parameters above all. */
const CONTENDS = 4.5;

/** Findings whose number the circuit's parameters foretell say where to look for them. */
function hintsOf(findings: Evidence['findings'], circuit: ResolvedCircuit, logged: Logged, coldGaugeBar: number | null): Hint[] {
  const missOf = (finding: Finding, v: Float64Array): number => {
    if (finding.test === 'discharge-catch') return catchHint(finding, v, circuit, logged);
    const n = expectedNumber(finding, v, circuit);
    return n ? (n.seen - n.expected) / n.sd : 0;
  };
  const found = findings.filter(({ finding }) => foretold(finding) || finding.test === 'discharge-catch').map(({ finding }) => (v: Float64Array) => eased(missOf(finding, v)));
  // Where nobody wrote down a charge, it is looked for below the cold pressure as well: a log may fit as well, or better, far above.
  return coldGaugeBar === null || circuit.fillSpreadBar === 0 ? found : [...found, (v) => Math.max(0, (chargeOf(v, circuit) ?? 0) - coldGaugeBar + CHARGED_BELOW_BAR) / CHARGED_SD_BAR];
}
/** How far below the cold pressure a charge is mostly set, at the least, bar. Common practice. */
const CHARGED_BELOW_BAR = 0.25, CHARGED_SD_BAR = 0.15;
/** Beyond so many standard deviations a finding pulls hardly harder, but still the same way. */
const FURTHEST_HINT = 12;
const eased = (miss: number): number => (Math.abs(miss) <= FURTHEST_HINT ? miss : Math.sign(miss) * FURTHEST_HINT * (1 + Math.log(Math.abs(miss) / FURTHEST_HINT)));

/** A feed that lets the pressure fall so far below its limit does not feed, bar. */
const FELL_BAR = 0.08;
/** One hypothesis that may hold in two ways: the evidence by their shares, the draws of both. */
function mixed(one: LogFit, other: LogFit, otherShare: number): LogFit {
  const a = Math.log(1 - otherShare) + one.logEvidence, b = Math.log(otherShare) + other.logEvidence, most = Math.max(a, b);
  const logEvidence = most + Math.log(Math.exp(a - most) + Math.exp(b - most));
  const lead = b > a ? other : one;
  const shareOfOther = Math.exp(b - logEvidence);
  return { ...lead, logEvidence, draws: [...one.draws.map((d) => ({ v: d.v, weight: d.weight * (1 - shareOfOther) })), ...other.draws.map((d) => ({ v: d.v, weight: d.weight * shareOfOther }))] };
}

function weighFindings(findings: Evidence['findings'], faults: FaultId[], prior: Draw[], circuit: ResolvedCircuit, logged: Logged) {
  let draws = prior;
  const suspect = zoneSuspect(findings.map((f) => f.finding), faults);
  const findingEvidence = findings.map(({ finding }) => {
    const { v } = draws[0]!;
    if (suspect && typeof finding.zone === 'string') return Math.log(suspect.weigh(finding.zone, findingLikelihood(finding, faults, v, circuit, logged), findingLikelihood(finding, ['none'], v, circuit, logged)));
    if (!hangsOnDraw(finding, faults)) return Math.log(findingLikelihood(finding, faults, v, circuit, logged));
    const weighed = reweighted(draws, (v) => findingLikelihood(finding, faults, v, circuit, logged));
    draws = weighed.draws;
    return Math.log(weighed.likelihood);
  });
  return { findingEvidence, draws };
}

/** Draws weighted anew by one piece of evidence, and its likelihood over them all. */
function reweighted(draws: Draw[], likelihoodOf: (v: Float64Array) => number): { draws: Draw[]; likelihood: number } {
  const likelihoods = draws.map((d) => likelihoodOf(d.v));
  const likelihood = draws.reduce((s, d, i) => s + d.weight * likelihoods[i]!, 0);
  return { draws: draws.map((d, i) => ({ v: d.v, weight: (d.weight * likelihoods[i]!) / likelihood })), likelihood };
}

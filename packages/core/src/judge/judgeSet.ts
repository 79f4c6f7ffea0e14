import { besideTheFit } from './besideTheFit';
import type { JudgedSet } from './JudgedSet';
import type { LogFit } from './fit/LogFit';
import { movesAs, type LogModel } from './fit/logModel';
import type { Ways } from './otherWays';
import type { WeightedSet } from './priors/weightedSets';
import type { Visit } from './Visit';
import { weighed } from './Weighing';
import { weighFindings } from './findings/weighFindings';

/** Judges a set of faults by all that a visit holds: how well it fits the logs in whichever way it may hold, what these say beside that,
 *  and what was found.
 *  @returns of a set, its ways and the fits of their models: the set judged, its probability still open */
export function setJudge(visit: Visit): (set: WeightedSet, ways: Ways, fitOf: (model: LogModel) => LogFit) => JudgedSet {
  const beside = besideTheFit(visit),
    { tracks, parted, findings, seen, logged } = visit;
  return ({ faults, weight }, { model, others }, fitOf) => {
    const fit = others.reduce((all, way) => mixed(all, fitOf(way.model), way.share), fitOf(model));
    const { logEvidence, draws: afterLogs } = beside(faults).reduce((so, likelihood) => weighed(so, likelihood), {
      logEvidence: fit.logEvidence,
      draws: fit.draws,
    });
    // What the fit cannot be split into (its parameters' own cost, the cold level) is shared out evenly.
    const unsplit = (logEvidence - fit.trackLikelihoods.reduce((a, b) => a + b, 0)) / Math.max(1, tracks.length);
    return {
      faults,
      prior: weight,
      movesAs: movesAs(model, parted),
      probability: 0,
      logEvidence,
      logParts: fit.trackLikelihoods.map((l) => l + unsplit),
      ...weighFindings(findings, faults, afterLogs, seen, logged),
      fit,
    };
  };
}

/** One hypothesis that may hold in two ways: the evidence by their shares, the draws of both. */
function mixed(one: LogFit, other: LogFit, otherShare: number): LogFit {
  const a = Math.log(1 - otherShare) + one.logEvidence,
    b = Math.log(otherShare) + other.logEvidence,
    most = Math.max(a, b);
  const logEvidence = most + Math.log(Math.exp(a - most) + Math.exp(b - most));
  const lead = b > a ? other : one;
  const shareOfOther = Math.exp(b - logEvidence);
  return {
    ...lead,
    logEvidence,
    draws: [
      ...one.draws.map((d) => ({ v: d.v, weight: d.weight * (1 - shareOfOther) })),
      ...other.draws.map((d) => ({ v: d.v, weight: d.weight * shareOfOther })),
    ],
  };
}

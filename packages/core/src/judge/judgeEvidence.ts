import type { Evidence } from './Evidence';
import type { FaultId } from './faults';
import { hintsOf } from './findingHints';
import { fitterOf, HASTY_LENDING, LENDING, type Fitter, type Looked } from './fit/fitter';
import type { JudgedSet } from './JudgedSet';
import { setJudge } from './judgeSet';
import { QUICK, THOROUGH, type Effort } from './fit/effort';
import type { LogTrack } from './layOut/LogTrack';
import { waysOn } from './otherWays';
import type { WeightedSet } from './priors/weightedSets';
import { scoresOf, withProbabilities } from './probabilities';
import { readVisit, type Visit } from './Visit';

/** Told how much of the work is done, 0 to 1, as it goes on. */
export type Progress = (share: number) => void;

/** A visit with its suspects, most probable first. */
export interface Judged extends Visit {
  sets: JudgedSet[];
}

/** Shares of the work at which the screening is done, and all contenders are fitted. */
const SCREENED = 0.2,
  FITTED = 0.9;

/** Bayes over fault sets: prior × probability of the logs (by simulation, parameters integrated out) × probability of each finding, the
 *  parameters' draws reweighted by every finding in turn. Every set is screened; those that may matter are judged again with care. */
export function judgeEvidence(evidence: Evidence, priors: WeightedSet[], told: Progress = () => {}): Judged {
  const visit = readVisit(evidence);
  if (visit.tracks.length === 0) return { ...visit, sets: byFindingsAlone(visit, priors, part(told, 0, SCREENED)) };
  const screening = screen(visit, priors, told);
  return { ...screening.as, sets: withProbabilities(judgedWithCare(screening, part(told, screening.done, 1))) };
}

/** With no log there is nothing to fit. */
function byFindingsAlone(visit: Visit, priors: WeightedSet[], told: Progress): JudgedSet[] {
  const look = lookAt(visit, THOROUGH, true);
  look.fitAll(priors, told);
  return withProbabilities(look.judge(priors));
}

/** Where even the best of all models misses the log by more than its noise explains, the noise is what is misjudged: a rough hand, a
 *  sticking needle, a plant that does what no model here does. It is widened until the best fits, so that the others are not thrown out for
 *  it. */
const BEARABLE_MISFIT = 1.25,
  MOST_MISFIT = 16;

const widened = (track: LogTrack, misfit: number): LogTrack => ({
  ...track,
  variance: track.variance.map((x) => x * misfit),
  modelErrorBar: track.modelErrorBar.map((x) => x * Math.sqrt(misfit)),
});

/** What a hasty look has shown: the sets as they seem, the visit as it is to be judged from there on, what was fitted, and how much of the
 *  work is done. */
interface Screening {
  screened: JudgedSet[];
  as: Visit;
  looked: Looked;
  done: number;
}

function screen(visit: Visit, priors: WeightedSet[], told: Progress): Screening {
  const look = lookAt(visit, QUICK, false);
  look.lookOver(priors);
  look.fitAll(priors, part(told, 0, SCREENED));
  look.fitter.lendToNeighbours(HASTY_LENDING);
  const first = look.judge(priors),
    misfit = Math.min(MOST_MISFIT, ...first.map((s) => s.fit.misfit));
  if (misfit <= BEARABLE_MISFIT) return { screened: withProbabilities(first), as: visit, looked: look.fitter.looked(), done: SCREENED };
  const as = { ...visit, tracks: visit.tracks.map((t) => widened(t, misfit)) },
    again = lookAt(as, QUICK, false, look.fitter.looked());
  return {
    screened: withProbabilities(again.judge(priors, part(told, SCREENED, 2 * SCREENED))),
    as,
    looked: again.fitter.looked(),
    done: 2 * SCREENED,
  };
}

/** A pair that is no farther behind the best than this in the screening, in nats, is judged with care; single faults always are. A hasty
 *  look finds up to four nats less than is there, of models with many parameters above all. */
const CONTENDS = 4.5;

/** The sets that contend, judged with care, and behind them the rest as they seemed. */
function judgedWithCare({ screened, as, looked }: Screening, told: Progress): JudgedSet[] {
  const scores = scoresOf(screened),
    least = Math.max(...scores) - CONTENDS;
  const contends = (s: JudgedSet, i: number) => s.faults.length === 1 || scores[i]! > least;
  const contenders = screened.filter(contends).map(unjudged),
    rest = screened.filter((s, i) => !contends(s, i));
  const look = lookAt(as, THOROUGH, true, looked);
  look.fitAll(contenders, part(told, 0, FITTED));
  look.fitter.lendToNeighbours(LENDING);
  look.fitter.holdToSimpler();
  // What looks the same in the logs as something that was judged with care is given the same care: nothing is fitted for it.
  const known = new Set(rest.filter(look.knows)),
    others = rest.filter((s) => !known.has(s)),
    cared = [...contenders, ...[...known].map(unjudged)];
  const judged = withProbabilities([...look.judge(cared), ...others]),
    leading = judged.filter((s) => s.probability > LEADS && look.knows(s));
  look.drawOn(leading);
  look.fitter.holdToSimpler();
  return [...look.judge(leading.map(unjudged), part(told, FITTED, 1)), ...judged.filter((s) => !leading.includes(s))];
}

/** Sets that are more probable than this are measured more closely: what a finding says of a circuit hangs on the few draws that it speaks
 *  for. So many draws more their models share, and no more are worth it for one. */
const LEADS = 0.01,
  SHARED_DRAWS = 8000,
  MOST_DRAWS = 2000;

const unjudged = ({ faults, prior }: JudgedSet): WeightedSet => ({ faults, weight: prior });

/** One look at a visit: its models fitted with some effort, its sets judged by them. */
interface Look {
  fitter: Fitter;
  /** Predicts once by every model that this look or a more careful one may come to. */
  lookOver: (which: readonly WeightedSet[]) => void;
  /** Whether all models of a set were fitted already. */
  knows: (set: { faults: readonly FaultId[] }) => boolean;
  /** Fits all that sets will be judged by, so that models can lend to one another before anything is weighed by them. */
  fitAll: (which: readonly WeightedSet[], told: Progress) => void;
  judge: (which: readonly WeightedSet[], told?: Progress) => JudgedSet[];
  /** Measures all models of some sets more closely. */
  drawOn: (which: readonly { faults: readonly FaultId[] }[]) => void;
}

/** @param care whether pains are taken over other ways in which a set may hold @param before what was fitted with more haste */
function lookAt(visit: Visit, effort: Effort, care: boolean, before: Looked = new Map()): Look {
  const fitter = fitterOf(visit.sheet, visit.seen, visit.tracks, hintsOf(visit), effort, before),
    waysOf = waysOn(visit),
    judge = setJudge(visit);
  const modelsOf = (faults: readonly FaultId[], inWays = waysOf(faults, care)) => [inWays.model, ...inWays.others.map((way) => way.model)];
  const each = <T>(which: readonly WeightedSet[], told: Progress, of: (set: WeightedSet) => T): T[] =>
    which.map((set, i) => {
      told(i / which.length);
      return of(set);
    });
  return {
    fitter,
    lookOver: (which) => fitter.lookOver(which.flatMap(({ faults }) => modelsOf(faults, waysOf(faults, true)))),
    knows: ({ faults }) => modelsOf(faults).every(fitter.knows),
    fitAll: (which, told) => {
      each(which, told, ({ faults }) => modelsOf(faults).forEach(fitter.fitOf));
    },
    drawOn: (which) =>
      fitter.drawOn(
        which.flatMap(({ faults }) => modelsOf(faults)),
        (models) => Math.min(MOST_DRAWS, Math.round(SHARED_DRAWS / models)),
      ),
    judge: (which, told = () => {}) => each(which, told, (set) => judge(set, waysOf(set.faults, care), fitter.fitOf)),
  };
}

const part =
  (told: Progress, from: number, to: number): Progress =>
  (share) =>
    told(from + (to - from) * share);

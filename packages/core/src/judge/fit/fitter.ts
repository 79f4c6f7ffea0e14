import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { SLOT } from './kernel';
import { LENT, LENT_QUICKLY, type Effort } from './effort';
import { fitLogs, type FitOptions } from './fitLogs';
import type { LogFit } from './LogFit';
import { byWaysParted, logModelKey, waysApart, waysParted, type LogModel } from './logModel';
import type { LogTrack } from '../layOut/LogTrack';
import { Misses, type Hint } from './Misses';
import { parameterSpace } from './parameters/parameterSpace';

/** Models fitted before, with more haste. */
export type Looked = ReadonlyMap<string, { model: LogModel; found: LogFit }>;

export interface Fitter {
  /** Predicts once by each model and keeps nothing of it: an engine that compiles the kernel while it runs has then seen every way through
   *  it, and need not throw its work away at each new one. */
  lookOver: (models: Iterable<LogModel>) => void;
  fitOf: (wanted: LogModel) => LogFit;
  /** Whether a model that looks the same in these logs was fitted already. */
  knows: (wanted: LogModel) => boolean;
  looked: () => Looked;
  /** Fits those again that a model one change away outdoes by far, from where that one stands: with a kink in between (a vessel that runs
   *  empty, a relief) few starts find the place. */
  lendToNeighbours: (lending: Lending) => void;
  /** Holds each model with a hole more to what the same without it allows: where no reading is met better for it, the hole can only cost. A
   *  few lucky draws say otherwise now and then. */
  holdToSimpler: () => void;
  /** Measures some models more closely, by so many draws more each, given how many models they are. */
  drawOn: (wanted: Iterable<LogModel>, drawsFor: (models: number) => number) => void;
}

/** Fits models, each once. */
export function fitterOf(
  sheet: CircuitSheet,
  circuit: ResolvedCircuit,
  tracks: LogTrack[],
  hints: Hint[],
  effort: Effort,
  lookedAt: Looked,
): Fitter {
  const fits = new Map<string, LogFit>(),
    fitted = new Map<string, LogModel>(),
    asked = new Map<string, LogModel>(),
    parted = waysParted(tracks);
  /** Two ways in look alike as long as no log shuts one of them, and so do two ways out: such models are fitted once. With no log there is
   *  nothing to fit, and each keeps its own. */
  const sameInLogs = (model: LogModel): LogModel => (tracks.length ? byWaysParted(model, parted) : model);
  /** Bests to start from: of a look at the same model before, and of the models that fit best so far. */
  const borrowedFor = (key: string): Float64Array[] => {
    const best = [...new Set([...fits.values(), ...[...lookedAt.values()].map((l) => l.found)])]
      .sort((a, b) => b.logEvidence - a.logEvidence)
      .slice(0, LENDERS);
    return [...new Set([...(lookedAt.has(key) ? [lookedAt.get(key)!.found] : []), ...best])].map((f) => f.best);
  };
  const bestLooked = Math.max(-Infinity, ...[...lookedAt.values()].map((l) => l.found.logEvidence));
  const fit = (model: LogModel, how: Omit<FitOptions, 'seed' | 'hints'>) =>
    fitLogs(parameterSpace(model, sheet, circuit, tracks), tracks, circuit.atmosphericBar, { ...how, hints, seed: 20_011 + fits.size });
  /** What was far behind at the first look is looked for once more, but not measured to the last; so is what nobody looked at yet, before
   *  pains are taken over it. */
  const fitWithCare = (key: string, model: LogModel): LogFit => {
    const borrowed = borrowedFor(key),
      look = lookedAt.get(key)?.found,
      hopeless = (found: LogFit) => found.logEvidence < bestLooked - HOPELESS;
    if (!lookedAt.size || (look && !hopeless(look))) return fit(model, { effort, borrowed });
    const brief = fit(model, { effort: { ...effort, ...BRIEFLY }, borrowed });
    return look || hopeless(brief) ? brief : fit(model, { effort, borrowed: [brief.best, ...borrowed] });
  };
  const lookOver = (models: Iterable<LogModel>) => {
    if (!tracks.length) return;
    for (const model of new Map([...models].map((m) => [logModelKey(sameInLogs(m)), sameInLogs(m)])).values()) {
      const misses = new Misses(parameterSpace(model, sheet, circuit, tracks), tracks, circuit.atmosphericBar, hints);
      misses.at(new Float64Array(misses.n).fill(ASIDE), new Float64Array(misses.rows));
    }
  };
  const keep = (wanted: LogModel, found: LogFit): LogFit => {
    const byCoil = sameInLogs(wanted).inflow === wanted.inflow ? found : { ...found, draws: found.draws.map(inflowByCoil) };
    const own = wanted.gas === 'late' ? { ...byCoil, draws: byCoil.draws.map(withoutVessel) } : byCoil;
    fits.set(logModelKey(wanted), own);
    return own;
  };
  const fitOf = (wanted: LogModel): LogFit => {
    const known = fits.get(logModelKey(wanted));
    if (known) return known;
    const model = sameInLogs(wanted),
      key = logModelKey(model);
    if (!fits.has(key)) {
      fits.set(key, fitWithCare(key, model));
      fitted.set(key, model);
    }
    asked.set(logModelKey(wanted), wanted);
    return keep(wanted, fits.get(key)!);
  };
  const keepAll = () => {
    for (const wanted of asked.values()) keep(wanted, fits.get(logModelKey(sameInLogs(wanted)))!);
  };
  const looked = (): Looked => new Map([...fitted].map(([key, model]) => [key, { model, found: fits.get(key)! }]));
  const lendToNeighbours = ({ how, outdoneBy }: Lending) => {
    let better = false;
    const before = looked(),
      known = [...new Map([...lookedAt, ...before]).values()],
      best = Math.max(...known.map((o) => o.found.logEvidence));
    // What is next to nothing itself has no place to lend that would matter.
    const lenders = known.filter((o) => o.found.logEvidence > best - HOPELESS);
    for (const [key, { model, found }] of before) {
      const outdo = lenders
        .filter((o) => waysApart(o.model, model) === 1 && o.found.logEvidence > found.logEvidence + outdoneBy)
        .sort((a, b) => b.found.logEvidence - a.found.logEvidence);
      if (!outdo.length) continue;
      // Neither is it worth measuring where it stays next to nothing.
      const gain = Math.max(LENT_GAIN, best - HOPELESS - found.logEvidence);
      const again = fit(model, {
        effort: how,
        borrowed: [found.best, ...outdo.slice(0, LENDERS).map((o) => o.found.best)],
        worthFrom: { peak: found.peak + gain, evidence: found.logEvidence + gain },
      });
      if (again.logEvidence <= found.logEvidence) continue;
      fits.set(key, again);
      better = true;
    }
    if (better) keepAll();
  };
  const holdToSimpler = () => {
    let held = false;
    const holes = (m: LogModel) => Number(m.inflow !== 'none') + Number(m.outflow !== 'none');
    for (const [key, model] of [...fitted].sort((a, b) => holes(a[1]) - holes(b[1])))
      for (const simpler of [
        { ...model, inflow: 'none' as const },
        { ...model, outflow: 'none' as const },
      ]) {
        const found = fits.get(key)!,
          without = fits.get(logModelKey(simpler));
        if (!without || logModelKey(simpler) === key || without.effective < Math.min(found.effective, WELL_SAMPLED)) continue;
        const most = without.logEvidence + Math.max(0, found.peak - without.peak) + HOLE_WORTH;
        if (found.logEvidence > most) {
          fits.set(key, { ...found, logEvidence: most });
          held = true;
        }
      }
    if (held) keepAll();
  };
  const drawOn = (wanted: Iterable<LogModel>, drawsFor: (models: number) => number) => {
    const open = [...new Set([...wanted].map((m) => logModelKey(sameInLogs(m))))].filter((key) => fits.get(key)?.drawOn);
    for (const key of open) fits.set(key, fits.get(key)!.drawOn!(drawsFor(open.length)));
    keepAll();
  };
  const knows = (wanted: LogModel) => fits.has(logModelKey(sameInLogs(wanted)));
  return { lookOver, fitOf, knows, looked, lendToNeighbours, holdToSimpler, drawOn };
}

/** A place off the priors' middle, where more of the kernel's ways are gone. */
const ASIDE = 0.5;

/** What a hole may be worth, in nats, beyond what its best fit gains: its own size costs it something there. */
const HOLE_WORTH = 0.4;
/** With so many effective draws an evidence is known to a few tenths of a nat. */
const WELL_SAMPLED = 25;

/** By how much a place that was lent has to be better to be measured, in nats. */
const LENT_GAIN = 1;
/** A model that is behind another by so much, in nats, that only a better place to start would help, and how it is then fitted: where the
 *  fits were made with care, and at a hasty look. */
export interface Lending {
  how: Effort;
  outdoneBy: number;
}
export const LENDING: Lending = { how: LENT, outdoneBy: 2.5 },
  HASTY_LENDING: Lending = { how: LENT_QUICKLY, outdoneBy: 6 };

const LENDERS = 3;

/** So far behind, in nats, a model is next to nothing whatever else is found; and what it is spared then. */
const HOPELESS = 12,
  BRIEFLY: Partial<Effort> = { looked: 6, look: 3, kept: 2, iterations: 8, draws: 120, moreRounds: 0 };

/** The same draw with the water coming in by the coil, since watches part the two ways. */
function inflowByCoil(draw: LogFit['draws'][number]): LogFit['draws'][number] {
  const v = draw.v.slice();
  v[SLOT.inCoil] = v[SLOT.inFill]!;
  v[SLOT.inFill] = 0;
  return { v, weight: draw.weight };
}

/** The same draw of a circuit whose vessel is cut off: what gave way near the relief is no charge that a finding could be held against. */
function withoutVessel(draw: LogFit['draws'][number]): LogFit['draws'][number] {
  const v = draw.v.slice();
  v[SLOT.gas] = v[SLOT.vesselL] = 0;
  return { v, weight: draw.weight };
}

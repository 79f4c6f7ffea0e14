import { coldLevelDensity, levelHangsOnDraw } from './levels/coldLevel';
import { earlyLiftShare } from './levels/earlyLiftShare';
import { complaintsBesideLog } from './complaintsBesideLog';
import { has, INFLOW, OUTFLOW } from './faultGroups';
import type { FaultId } from './faults';
import { hotLevelDensity } from './levels/hotLevel';
import type { LogTrack } from './layOut/LogTrack';
import { overheatShare } from './levels/overheat';
import { bypassTimes } from './fit/parameters/waterWays';
import { letsGoThere } from './levels/seenLift';
import { smallDespite } from './levels/sheetMargin';
import { comesToTheRelief, type Visit } from './Visit';
import type { Likelihood } from './Weighing';

/** One thing that logs say beside the way the pressure moves: prepared once a visit, then asked of each set; none where it says nothing of
 *  that. */
type Says = (visit: Visit) => (faults: readonly FaultId[]) => Likelihood[];

/** How high it stands cold. Where the gauge may lie, that says by how much; where the feed is set high, to what. */
const standsCold: Says =
  ({ foundColdGaugeBar: bar, seen }) =>
  (faults) => {
    if (bar === null) return [];
    return [levelHangsOnDraw(bar, faults, seen) ? (v) => coldLevelDensity(bar, faults, seen, v) : coldLevelDensity(bar, faults, seen)];
  };

/** Where a circuit that was found hot would have stood cold. */
const cameFromCold: Says =
  ({ foundHot, tracks, seen }) =>
  (faults) =>
    foundHot ? [hotLevelDensity(tracks[0]!, faults, seen)] : [];

/** Bypasses let in much or little, as often as the catalogue's flows say. */
const flowsAsBypassesDo: Says =
  ({ seen }) =>
  (faults) =>
    has(faults, 'fill-bypass-open', 'pressurisation-unit-fault') ? [(v) => bypassTimes(v, seen)] : [];

/** A vessel that leaves the pressure far below the relief does its work, whatever the sheet says. */
const staysFarBelow: Says = ({ logged, circuit }) => {
  const share = smallDespite(logged.usualPeakGaugeBar, circuit);
  return (faults) => (faults.includes('vessel-undersized') ? [share] : []);
};

const hotterThanItsLimit: Says =
  ({ logged, circuit }) =>
  (faults) => [overheatShare(logged.hottestC, circuit, faults)];

const liftsSoLow: Says = ({ features, circuit }) => {
  const share = earlyLiftShare(features, circuit);
  return (faults) => (faults.includes('relief-valve-lifts-early') ? [share] : []);
};

/** What the mains press into a circuit all the while keeps it from standing empty, unless it cools faster than they do; and how often it
 *  does. Common practice. */
const EMPTY_THOUGH_FED = 0.12,
  EMPTY_BAR = 0.1,
  EMPTY_S = 180;
const ranEmpty: Says = ({ tracks }) => {
  const stood = tracks.some(stoodEmpty);
  return (faults) => (stood && has(faults, ...INFLOW) && has(faults, ...OUTFLOW) ? [EMPTY_THOUGH_FED] : []);
};

/** Whether a circuit stood at nothing, or as good as that, for some minutes on end. */
export function stoodEmpty({ gaugeBar, tS }: Pick<LogTrack, 'gaugeBar' | 'tS'>): boolean {
  let sinceS = Infinity;
  return gaugeBar.some((bar, i) => {
    sinceS = bar < EMPTY_BAR ? Math.min(sinceS, tS[i]!) : Infinity;
    return tS[i]! - sinceS >= EMPTY_S;
  });
}

/** A circuit that heat takes up to its relief has something that does so; how often none is found all the same (a gauge a little high, a
 *  relief a little low). Common practice. */
const SOUND_AT_RELIEF = 0.06;
const LEAVES_THE_PEAK: ReadonlySet<FaultId> = new Set([
  'none',
  'vessel-gas-valve-leaking',
  'circuit-leak',
  'boiler-exchanger-leak',
  'air-vent-faulty',
  'air-in-circuit',
  'fill-pressure-too-low',
  'feed-starved',
]);
const comesThere = (faults: readonly FaultId[]): number => (faults.every((f) => LEAVES_THE_PEAK.has(f)) ? SOUND_AT_RELIEF : 1);
const comesTooHigh: Says = (visit) => {
  const atRelief = comesToTheRelief(visit);
  return (faults) => (atRelief ? [comesThere(faults)] : []);
};

/** Where it fell at once. Had its relief done that unseen, lifting where it should, heat would have taken it there. */
const letGo: Says = (visit) => {
  const atRelief = comesToTheRelief(visit);
  return (faults) => visit.lifts.map((lift) => (v) => letsGoThere(v, faults, lift, atRelief ? 1 : comesThere(faults)));
};

const SAYINGS: readonly Says[] = [
  standsCold,
  cameFromCold,
  flowsAsBypassesDo,
  staysFarBelow,
  hotterThanItsLimit,
  liftsSoLow,
  letGo,
  ranEmpty,
  comesTooHigh,
  complaintsBesideLog,
];

/** All that a visit's logs say of a set beside the way the pressure moves. */
export function besideTheFit(visit: Visit): (faults: readonly FaultId[]) => Likelihood[] {
  const sayings = SAYINGS.map((says) => says(visit));
  return (faults) => sayings.flatMap((of) => of(faults));
}

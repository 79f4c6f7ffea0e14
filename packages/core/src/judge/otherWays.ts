import { isWallBoiler } from '../circuit/CircuitSheet';
import { heldFromGaugeBar } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import type { FaultId } from './faults';
import { PAST_THE_VALVE } from './findings/watchDensity';
import { logModelOf, type LogModel } from './fit/logModel';
import { lowGaugeBar, type LogTrack } from './layOut/LogTrack';
import { mayHaveBlown } from './fit/parameters/reliefParameters';
import { knownToSheet } from './levels/sheetMargin';
import type { Visit } from './Visit';

/** Another way in which a hypothesis may hold too, and how often it does. */
export interface Way {
  model: LogModel;
  share: number;
}

/** How a set of faults moves the pressure: in the way of its own faults, and in others that it may take instead. */
export interface Ways {
  model: LogModel;
  others: Way[];
}

/** Of units at fault, those that pump past their limit instead of not at all, and those that let water by all the time. Common practice,
 *  like all shares below. */
const OVERRUN_SHARE = 0.35,
  UNIT_LETS_BY_SHARE = 0.17;
/** Of circuits without their vessel that come near their relief, those that give way before it; of blocked connections, those that still
 *  let water by, and of such as were found restricted. */
const GIVES_WAY_SHARE = 0.2,
  NARROW_SHARE = 0.25,
  NARROW_AS_FOUND = 0.5;
/** Of misreading gauges, those that stick; of reliefs, those that no valve shuts off together with the boiler. */
const STUCK_SHARE = 0.3,
  RELIEF_ELSEWHERE_SHARE = 0.3;
/** Of gauges that were read on after the boiler was shut off, those that are the boiler's own: of wall boilers most, of others some. */
const BOILERS_GAUGE_SHARE = { wall: 0.6, other: 0.4 };
/** Of circuits that nothing feeds although they could be fed, those that sink by what every circuit loses while they are watched. */
const SEEPS_SHARE = 0.35;
/** Of circuits whose filling is not on the sheet, those that feed themselves. */
const FED_SHARE = 0.3;
/** Of rises with neither temperatures nor a word of heat, those that came cold, of falls likewise, of either where something was shut off
 *  to watch it, and of rises and falls in turn. */
const UNHEATED_SHARE = 0.65,
  FELL_UNHEATED_SHARE = 0.9,
  WATCHED_UNHEATED_SHARE = 0.98,
  SWINGS_UNHEATED_SHARE = 0.05;

/** A feed that lets the pressure fall so far below its limit does not feed, bar. */
const FELL_BAR = 0.08;

/** What a visit shows that makes other ways possible. */
interface AsSeen extends Pick<Visit, 'tracks' | 'circuit' | 'easedHot'> {
  /** Somebody found the vessel's connection restricted. */
  foundRestricted: boolean;
  /** The pressure fell below what the feed holds: either nothing feeds it or the feed stands shut, as many keep it. */
  feedMayBeShut: boolean;
  /** Somebody shut the feed's valve while it was logged. */
  feedWasShut: boolean;
  /** The sheet does not say how the circuit is filled. */
  feedUnsaid: boolean;
  /** What leaks at the boiler and what leaks elsewhere are told apart. */
  outflowParted: boolean;
  /** All of the boiler stands in one case on the wall, its gauge too. */
  onTheWall: boolean;
  /** Of vessels that are too small, those that are so for the content on the sheet. */
  smallBySheet: number;
}

const shutsTheFeed = (log: PressureLog): boolean => log.events?.some((e) => e.kind === 'fill-closed') ?? false;

const asSeen = ({ tracks, circuit, easedHot, sheet, logs, findings, parted }: Visit): AsSeen => ({
  tracks,
  circuit,
  easedHot,
  foundRestricted: findings.some((f) => f.test === 'vessel-connection-flow' && f.outcome === 'restricted'),
  feedMayBeShut: circuit.fedByItself && (lowGaugeBar(tracks) ?? Infinity) < heldFromGaugeBar(circuit) - FELL_BAR,
  feedWasShut: logs.some(shutsTheFeed),
  feedUnsaid: sheet.fill === undefined,
  outflowParted: parted.outflow,
  onTheWall: isWallBoiler(sheet),
  smallBySheet: knownToSheet(circuit),
});

/** The ways of each set of faults on a visit: its own, and what heat that nobody noted, a vessel cut off, a unit, a relief, a bypass or a
 *  feed that the sheet does not name may do instead.
 *  @returns of a set, and whether pains are taken over it: its ways; most have but their own */
export function waysOn(visit: Visit): (faults: readonly FaultId[], care: boolean) => Ways {
  const seen = asSeen(visit);
  return (faults, care) => {
    const model = logModelOf(faults);
    return { model, others: otherWays(seen, model, faults, care) };
  };
}

function otherWays(seen: AsSeen, model: LogModel, faults: readonly FaultId[], care: boolean): Way[] {
  const ways = waysBeside(seen, model, faults, care);
  // What feeds nothing sinks by what every circuit loses, where it is watched for long enough. Told first it takes its share of that model
  // alone.
  const sinks = seen.tracks.length > 0 && faults.length === 1 && model.feed === 'dead' && model.outflow === 'none';
  return sinks ? [{ model: { ...model, outflow: 'seeps' }, share: SEEPS_SHARE }, ...ways] : ways;
}

function waysBeside(seen: AsSeen, model: LogModel, faults: readonly FaultId[], care: boolean): Way[] {
  const { tracks, feedMayBeShut } = seen,
    own = ownWay(seen, model, faults),
    ways: Way[] = own ? [own] : [];
  if (own?.model.heat === 'none' && feedMayBeShut && model.feed === 'right')
    ways.push({ model: { ...own.model, feed: 'dead' }, share: seen.circuit.feedShutShare });
  // Found restricted, it is asked at the first look already: what is judged as cut off there may not come to a second.
  if (model.gas === 'cut-off' && (care || seen.foundRestricted)) ways.push(...almostCutOff(seen, model, faults));
  // A unit by itself may let water by all the time, instead of not pumping or of pumping too far.
  if (faults.join() === 'pressurisation-unit-fault') ways.push({ model: { ...model, inflow: 'fill' }, share: UNIT_LETS_BY_SHARE });
  // Once the boiler is shut off, a gauge on it shows the boiler, and what leaks there goes on while the circuit's leak stops.
  if (seen.outflowParted && model.outflow !== 'none') {
    const otherSide = model.outflow === 'boiler' ? 'circuit' : 'boiler';
    ways.push({ model: { ...model, outflow: otherSide }, share: otherSideShare(seen, faults) });
  }
  // A bypass may begin before the feed's valve that was shut, and goes on letting water by as a way of its own.
  if (seen.feedWasShut && model.inflow === 'fill' && faults.includes('fill-bypass-open'))
    ways.push({ model: { ...model, inflow: 'coil' }, share: PAST_THE_VALVE });
  if (seen.feedUnsaid && tracks.length && model.feed === 'right') ways.push({ model: { ...model, feed: 'unsaid' }, share: FED_SHARE });
  return ways;
}

/** How often what leaks was on the other side of the valves than where its fault has it, as the gauge shows it. */
function otherSideShare({ onTheWall }: AsSeen, faults: readonly FaultId[]): number {
  const gaugeAtBoiler = onTheWall ? BOILERS_GAUGE_SHARE.wall : BOILERS_GAUGE_SHARE.other;
  if (!faults.includes('relief-valve-passing')) return gaugeAtBoiler;
  return gaugeAtBoiler * (1 - RELIEF_ELSEWHERE_SHARE) + (1 - gaugeAtBoiler) * RELIEF_ELSEWHERE_SHARE;
}

function ownWay({ tracks, circuit, feedMayBeShut, smallBySheet }: AsSeen, model: LogModel, faults: readonly FaultId[]): Way | null {
  if (faults.includes('pressurisation-unit-fault')) return { model: { ...model, feed: 'high' }, share: OVERRUN_SHARE };
  if (model.gas === 'small' && tracks.length && smallBySheet > 0) return { model: { ...model, gas: 'right' }, share: smallBySheet };
  if (tracks.length && tracks.every((t) => t.heatGuessed)) return { model: { ...model, heat: 'none' }, share: unheatedShare(tracks) };
  if (tracks.length && model.gauge === 'off') return { model: { ...model, gauge: 'stuck' }, share: STUCK_SHARE };
  if (feedMayBeShut && model.feed === 'right') return { model: { ...model, feed: 'dead' }, share: circuit.feedShutShare };
  return null;
}

/** A circuit without its vessel may give way before its relief lifts; and a port that is nearly blocked lets the pressure stand high as
 *  long as the water grows, and fall back while it is hot. */
const almostCutOff = ({ tracks, circuit, easedHot, foundRestricted }: AsSeen, model: LogModel, faults: readonly FaultId[]): Way[] => [
  ...(mayHaveBlown(tracks, circuit) ? [{ model: { ...model, gas: 'late' as const }, share: GIVES_WAY_SHARE }] : []),
  ...((easedHot || foundRestricted) && faults.includes('vessel-connection-blocked')
    ? [{ model: { ...model, gas: 'narrow' as const }, share: foundRestricted ? NARROW_AS_FOUND : NARROW_SHARE }]
    : []),
];

function unheatedShare(tracks: readonly LogTrack[]): number {
  if (tracks.some((t) => t.watched)) return WATCHED_UNHEATED_SHARE;
  // Up and down and up again is nobody's water.
  if (tracks.some((t) => t.blind!.switchS.length > 2)) return SWINGS_UNHEATED_SHARE;
  return tracks.every((t) => t.blind?.beginsHot) ? FELL_UNHEATED_SHARE : UNHEATED_SHARE;
}

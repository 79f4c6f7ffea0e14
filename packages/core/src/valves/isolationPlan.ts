import { heldL } from '../circuit/balance';
import { balanceOf } from '../circuit/balanceOf';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { PositionId } from './positions';
import { boilerIsProtected, isTrapped, regionStates, trappedRise, type Region, type TrappedRise } from './regionState';
import { partsOn, type PartOnGraph, type ValveGraph } from './ValveGraph';

export interface ShutValve {
  link: string;
  title: string;
  position: PositionId;
}

/** A part of the circuit that stays full while another is emptied, and what it is then without. */
export interface Trapped extends Region {
  /** How its pressure follows its temperature; null where a vessel takes it up. */
  rise: TrappedRise | null;
}

const trappedOf = (regions: readonly Region[], c: ResolvedCircuit): Trapped[] =>
  regions.filter(isTrapped).map((r) => ({ ...r, rise: r.hasVessel ? null : trappedRise(c) }));

/** How to empty the part of a circuit that some work is on. */
export interface IsolationPlan {
  kind: 'plan';
  /** Shut in this order, once the heat is off and nothing feeds. */
  shut: ShutValve[];
  drained: string[];
  drainedTitle: string;
  drain: string;
  drainPosition: PositionId;
  /** What is opened for air; null where the vessel's gas pushes its water out. */
  vent: string | null;
  /** The gauge that must read zero before anything is undone; null where the emptied part has none: its open drain must run dry. */
  zeroGauge: string | null;
  /** Water that comes out, L. */
  litresOut: number;
  /** The boiler stands in the emptied part, so its low-pressure stop can be proved there. */
  boilerDrained: boolean;
  /** A feed stands on the emptied part, on another part, or there is none. */
  feedOn: 'drained' | 'elsewhere' | 'nowhere';
  trapped: Trapped[];
  /** Nothing may be fired while the plan stands. */
  mayFire: false;
  /** What has to be put back, in the order of turning. */
  putBack: PositionId[];
  /** Parts whose place nobody stated, and on which this rests. */
  assumed: string[];
}
export interface NoPlan {
  kind: 'impossible';
  why: 'no-such-part' | 'no-drain';
}

/** A valve to shut counts as so many litres let out, and so do water shut in without a relief or a vessel, and an emptied part without a
 *  gauge: few valves and nothing trapped before little water, a bucket before a whole circuit. Judgement. */
const VALVE_L = 2,
  NO_RELIEF_L = 10,
  NO_VESSEL_L = 5,
  NO_ZERO_L = 6;

/** What is worked on: one part, or several at once. */
export type Worked = { part: PartOnGraph } | { parts: readonly PartOnGraph[] };

export interface IsolationOptions {
  /** Where the circuit stands before it, bar gauge. */
  fromGaugeBar?: number;
  /** Valves that stay open although they could be shut. */
  keepOpen?: readonly PositionId[];
}

/** The least trouble with which the part that some work is on can be emptied: every set of valves is tried, since there are only a few. The
 *  feed is always shut first, whichever side it stands on: a valve that lets by would go on feeding.
 *  @returns the plan; or why there is none: the part is not on the graph, or no drain stands where it has to be emptied */
export function isolationPlan(
  graph: ValveGraph,
  worked: Worked,
  c: ResolvedCircuit,
  { fromGaugeBar = c.fillGaugeBar, keepOpen = [] }: IsolationOptions = {},
): IsolationPlan | NoPlan {
  const targets = ('part' in worked ? [worked.part] : worked.parts).map((part) => graph.parts.find((p) => p.kind === part)?.section);
  if (targets.some((t) => t === undefined)) return { kind: 'impossible', why: 'no-such-part' };
  let best: { plan: IsolationPlan; cost: number } | null = null;
  for (const shut of subsets(positionsOf(graph).filter((p) => !keepOpen.includes(p)))) {
    const plan = planWith(graph, shut, targets as string[], c, fromGaugeBar);
    if (!plan) continue;
    const cost =
      plan.litresOut +
      VALVE_L * shut.length +
      NO_RELIEF_L * plan.trapped.filter((t) => !t.hasRelief).length +
      NO_VESSEL_L * plan.trapped.filter((t) => !t.hasVessel).length +
      (plan.zeroGauge === null ? NO_ZERO_L : 0);
    if (!best || cost < best.cost) best = { plan, cost };
  }
  return best?.plan ?? { kind: 'impossible', why: 'no-drain' };
}

/** What can be shut: flow and return of one part are turned together. */
const positionsOf = (graph: ValveGraph): PositionId[] => [...new Set(graph.links.flatMap((l) => (l.valve ? [l.valve.position] : [])))];

function subsets<T>(of: readonly T[]): T[][] {
  return of.reduce<T[][]>((all, x) => [...all, ...all.map((s) => [...s, x])], [[]]);
}

function planWith(
  graph: ValveGraph,
  positions: readonly PositionId[],
  targets: readonly string[],
  c: ResolvedCircuit,
  fromGaugeBar: number,
): IsolationPlan | null {
  const turned = graph.links.filter((l) => l.valve && positions.includes(l.valve.position)),
    links = new Set(turned.map((l) => l.id));
  const region = regionStates(graph, links).find((r) => targets.every((t) => r.sections.includes(t)));
  if (!region) return null;
  const drained = region.sections;
  // A valve that parts nothing from what is emptied is turned for nothing.
  if (turned.some((l) => !l.between.some((s) => drained.includes(s)) || l.between.every((s) => drained.includes(s)))) return null;
  const drains = partsOn(graph, 'drain', drained),
    drain = drains.find((d) => targets.includes(d.section)) ?? drains[0];
  if (!drain) return null;
  const after = regionStates(graph, links, new Set(drained)),
    vents = graph.sections.filter((s) => drained.includes(s.id) && s.vent !== null),
    feed = graph.parts.find((p) => p.kind === 'feed');
  const drainPosition: PositionId = drain.section === 'vessel' ? 'vessel-drain' : 'drain';
  return {
    kind: 'plan',
    shut: turned.map((l) => ({ link: l.id, title: l.valve!.title, position: l.valve!.position })),
    drained,
    drainedTitle: region.title,
    drain: drain.title,
    drainPosition,
    vent: vents.at(-1)?.vent ?? null,
    zeroGauge: partsOn(graph, 'gauge', drained)[0]?.title ?? null,
    litresOut: region.litres + (region.hasVessel ? Math.max(0, vesselWaterL(c, fromGaugeBar)) : 0),
    boilerDrained: region.hasBoiler,
    feedOn: feed === undefined ? 'nowhere' : drained.includes(feed.section) ? 'drained' : 'elsewhere',
    trapped: trappedOf(after, c),
    mayFire: false,
    putBack: [...positions, drainPosition, ...(vents.length > 0 ? (['vents'] as const) : [])],
    assumed: graph.parts.filter((p) => p.assumed && DECIDES.has(p.kind)).map((p) => p.title),
  };
}

/** Parts whose place changes what has to be shut and what may be trusted. */
const DECIDES: ReadonlySet<PartOnGraph> = new Set(['vessel', 'relief', 'gauge', 'feed', 'drain']);

/** Water that a sound vessel of the wanted charge gives back when the pressure goes, L. */
function vesselWaterL(c: ResolvedCircuit, fromGaugeBar: number): number {
  const balance = balanceOf(c);
  return heldL(balance, Math.max(0, fromGaugeBar)) - heldL(balance, 0);
}

/** What shutting some valves does, with nothing emptied: what a test has to know before it shuts anything. */
export interface Isolation {
  regions: Region[];
  trapped: Trapped[];
  /** The boiler keeps water, vessel and relief, and its own valves stay open. */
  mayFire: boolean;
}
export function isolation(graph: ValveGraph, positions: readonly PositionId[], c: ResolvedCircuit): Isolation {
  const links = new Set(graph.links.filter((l) => l.valve && positions.includes(l.valve.position)).map((l) => l.id)),
    regions = regionStates(graph, links);
  return {
    regions,
    trapped: trappedOf(regions, c),
    mayFire: boilerIsProtected(regions) && !positions.includes('boiler-valves'),
  };
}

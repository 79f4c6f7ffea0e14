import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { EventKind } from '../log/PressureLog';

/** Something at the plant that a visit may turn, part, bridge or set otherwise, and that must not be left so by accident. */
export interface PositionRow {
  title: string;
  /** How it is called while it is not as it should be left, and once it is. */
  away: string;
  back: string;
  /** The log's events that say the same, where there are any: then those are the record. */
  awayEvent?: EventKind;
  backEvent?: EventKind;
  /** The boiler must not fire while it is away, and why. */
  stopsHeat?: string;
  /** May be left as it is only when somebody says so. */
  mayStay?: boolean;
}

/** What is tracked. Common practice: each has been forgotten by somebody. */
export const POSITIONS = {
  'boiler-valves': {
    title: 'Boiler’s flow and return valves',
    away: 'shut',
    back: 'open',
    awayEvent: 'boiler-isolated',
    backEvent: 'boiler-reopened',
    stopsHeat: 'The boiler is valved off: heated so, its water has nowhere to go.',
  },
  'vessel-valve': {
    title: 'Valve to the vessel',
    away: 'shut',
    back: 'open',
    stopsHeat: 'The vessel is valved off: the pressure would go straight to the relief.',
  },
  'coil-valves': {
    title: 'Coil’s flow and return valves',
    away: 'shut',
    back: 'open',
    awayEvent: 'coil-isolated',
    backEvent: 'coil-reopened',
    mayStay: true,
  },
  'vessel-drain': { title: 'Vessel’s own drain', away: 'open', back: 'shut', stopsHeat: 'The vessel’s drain is open.' },
  drain: { title: 'Drain', away: 'open', back: 'shut', stopsHeat: 'A drain is open.' },
  relief: { title: 'Relief valve', away: 'off', back: 'fitted', stopsHeat: 'The circuit is without its relief valve.' },
  'cold-main': {
    title: 'Cold main of the property',
    away: 'shut',
    back: 'open',
    awayEvent: 'cold-main-closed',
    backEvent: 'cold-main-opened',
  },
  'feed-valve': {
    title: 'Stop valve of the feed',
    away: 'shut',
    back: 'as it was found',
    awayEvent: 'fill-closed',
    backEvent: 'fill-opened',
    mayStay: true,
  },
  'feed-bypass': { title: 'Bypass of the feed', away: 'open', back: 'shut', mayStay: true },
  unit: { title: 'Pressurisation unit', away: 'off', back: 'on', mayStay: true },
  pumps: { title: 'Pumps', away: 'off', back: 'as they were found' },
  'freeze-plug': {
    title: 'Frozen plug in a pipe',
    away: 'frozen',
    back: 'thawed, joint tight',
    stopsHeat: 'A pipe is frozen: water must stand still until it has thawed.',
  },
  'cylinder-cold': { title: 'Cold supply of the cylinder', away: 'shut', back: 'open' },
  immersion: { title: 'Immersion heater', away: 'off', back: 'as it was found', mayStay: true },
  'fill-valve': { title: 'Valve of the fill loop', away: 'open', back: 'shut', awayEvent: 'fill-opened', backEvent: 'fill-closed' },
  'fill-loop': { title: 'Fill loop', away: 'connected', back: 'disconnected and capped', backEvent: 'fill-disconnected' },
  vents: { title: 'Vents and lockshields opened', away: 'open', back: 'shut, or as they were' },
  'motor-valve': { title: 'Motor valve held open by its lever', away: 'held', back: 'released' },
  'call-terminals': { title: 'Call terminals', away: 'bridged', back: 'free' },
  lead: { title: 'Lead or plug', away: 'pulled', back: 'in place' },
  interlock: {
    title: 'Safety interlock',
    away: 'bridged',
    back: 'in force',
    stopsHeat: 'A safety interlock is bridged. It must never be.',
  },
  fuse: { title: 'Borrowed fuse or part', away: 'borrowed', back: 'given back' },
  'flow-temperature': { title: 'Flow temperature', away: 'changed', back: 'as it was found', mayStay: true },
  thermostat: { title: 'Thermostat or timer', away: 'changed', back: 'as it was found' },
  'low-limit': { title: 'Low-pressure limit of the plant', away: 'changed', back: 'as it was found' },
  'air-cushion': { title: 'Air cushion in an upper radiator', away: 'temporary', back: 'taken out', mayStay: true },
  'boiler-power': { title: 'Boiler’s power', away: 'off', back: 'on' },
  'dhw-valves': { title: 'Hot-water valves of the boiler', away: 'shut', back: 'open' },
} as const satisfies Record<string, PositionRow>;

export type PositionId = keyof typeof POSITIONS;
export const POSITION_IDS = Object.keys(POSITIONS) as PositionId[];
export const positionRow = (id: PositionId): PositionRow => POSITIONS[id];

/** One thing said about a position: by an event of the log, or by a note of its own. `found` is what it was before. */
export interface PositionSaid {
  position: PositionId;
  state: 'away' | 'back' | 'left';
  at: string;
  found?: string;
  why?: string;
}

/** What stands away from where it has to be left. */
export interface PutBack {
  position: PositionId;
  since: string;
  found?: string;
}

/** What a log's event says about a position of this circuit. A fill loop's valve is shut when nothing is being filled; a feed's stop valve
 *  is as it was found. */
export function positionOfEvent(kind: EventKind, sheet: CircuitSheet): { position: PositionId; state: 'away' | 'back' } | null {
  const byHand = sheet.fill === undefined || sheet.fill.kind === 'manual-loop';
  if (kind === 'fill-opened') return byHand ? { position: 'fill-valve', state: 'away' } : { position: 'feed-valve', state: 'back' };
  if (kind === 'fill-closed') return byHand ? { position: 'fill-valve', state: 'back' } : { position: 'feed-valve', state: 'away' };
  if (kind === 'fill-disconnected') return { position: 'fill-loop', state: 'back' };
  for (const id of ['boiler-valves', 'coil-valves', 'cold-main'] as const) {
    if (POSITIONS[id].awayEvent === kind) return { position: id, state: 'away' };
    if (POSITIONS[id].backEvent === kind) return { position: id, state: 'back' };
  }
  return null;
}

/** The event that has to be written when a position changes, or null where a note of its own is the record. */
export function eventOfPosition(position: PositionId, state: 'away' | 'back'): EventKind | null {
  const row = positionRow(position);
  return (state === 'away' ? row.awayEvent : row.backEvent) ?? null;
}

/** What is still to be put back, oldest first. `left` closes an entry as well: somebody said that it stays so. */
export function toPutBack(said: readonly PositionSaid[]): PutBack[] {
  const open = new Map<PositionId, PutBack>();
  for (const s of [...said].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    if (s.state !== 'away') open.delete(s.position);
    else if (!open.has(s.position)) open.set(s.position, { position: s.position, since: s.at, ...(s.found ? { found: s.found } : {}) });
  }
  return [...open.values()];
}

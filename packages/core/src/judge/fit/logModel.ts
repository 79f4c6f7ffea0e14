import type { FaultId } from '../faults';
import type { LogTrack } from '../layOut/LogTrack';

/** What a set of faults changes in the way the pressure moves. Sets with the same model look alike in a log, and share its likelihood. */
export interface LogModel {
  /** 'late': cut off, but for a little that gives way near the relief; 'narrow': right, behind a way that its water takes long to pass. */
  gas: 'right' | 'low' | 'cut-off' | 'late' | 'narrow' | 'small' | 'over';
  inflow: 'none' | 'fill' | 'coil';
  /** 'seeps': what every circuit loses, which only shows where nothing makes it up. */
  outflow: 'none' | 'seeps' | 'circuit' | 'boiler';
  lift: 'right' | 'early';
  gauge: 'right' | 'off' | 'stuck';
  /** 'unsaid': one that nobody wrote on the sheet. */
  feed: 'right' | 'high' | 'dead' | 'unsaid';
  air: boolean;
  /** Whether a rise of which nobody said that heat was on is taken for heat. */
  heat: 'as-it-seems' | 'none';
}

const RIGHT: LogModel = {
  gas: 'right',
  inflow: 'none',
  outflow: 'none',
  lift: 'right',
  gauge: 'right',
  feed: 'right',
  air: false,
  heat: 'as-it-seems',
};

const CHANGES: Partial<Record<FaultId, Partial<LogModel>>> = {
  'vessel-undercharged': { gas: 'low' },
  'vessel-diaphragm-failed': { gas: 'low' },
  'vessel-connection-blocked': { gas: 'cut-off' },
  'vessel-isolated': { gas: 'cut-off' },
  'vessel-undersized': { gas: 'small' },
  'vessel-overcharged': { gas: 'over' },
  // A relief stands at its boiler, mostly.
  'relief-valve-passing': { outflow: 'boiler' },
  'relief-valve-lifts-early': { lift: 'early' },
  'fill-loop-passing': { inflow: 'fill' },
  'reducing-valve-creeping': { inflow: 'fill' },
  'fill-bypass-open': { inflow: 'fill' },
  'reducing-valve-set-high': { feed: 'high' },
  'pressurisation-unit-fault': { feed: 'dead' },
  'feed-starved': { feed: 'dead' },
  'dhw-plate-perforated': { inflow: 'coil' },
  'dhw-coil-perforated': { inflow: 'coil' },
  'circuit-leak': { outflow: 'circuit' },
  'boiler-exchanger-leak': { outflow: 'boiler' },
  'gauge-misreading': { gauge: 'off' },
  'air-in-circuit': { air: true },
  'air-vent-faulty': { outflow: 'circuit' },
};

export function logModelOf(faults: readonly FaultId[]): LogModel {
  const changes = faults.map((f) => CHANGES[f] ?? {});
  // What leaks on both sides leaks whatever is shut off.
  return Object.assign({ ...RIGHT }, ...changes, changes.some((c) => c.outflow === 'circuit') ? { outflow: 'circuit' } : {});
}

export const logModelKey = (m: LogModel): string =>
  [m.gas, m.inflow, m.outflow, m.lift, m.gauge, m.feed, m.air ? 'air' : '', m.heat === 'none' ? 'unheated' : ''].join('/');

/** Which ways some tracks can tell apart, because one was shut off while the other stayed open, or let out by a tap: the feed's from
 *  the coil's, and the boiler's from the circuit's. */
export interface WaysParted {
  inflow: boolean;
  outflow: boolean;
}
export const waysParted = (tracks: readonly Pick<LogTrack, 'fillOn' | 'coilOn' | 'boilerOn' | 'tapped'>[]): WaysParted => ({
  inflow: tracks.some((t) => t.coilOn.some((on, i) => on !== t.fillOn[i] || t.tapped[i]! > 0)),
  outflow: tracks.some((t) => t.boilerOn.some((on) => on < 1)),
});

/** The model as the tracks can tell it: ways in that none of them parts are one, and so are ways out. */
export const byWaysParted = (m: LogModel, parted: WaysParted): LogModel => ({
  ...m,
  inflow: m.inflow === 'coil' && !parted.inflow ? 'fill' : m.inflow,
  outflow: m.outflow === 'boiler' && !parted.outflow ? 'circuit' : m.outflow,
});

/** The same for models that no track can tell apart: what comes in or goes out does so alike, whichever way it takes; and a vessel that is
 *  full of water is as good as none. */
export const movesAs = (m: LogModel, parted: WaysParted): string =>
  logModelKey({ ...byWaysParted(m, parted), gas: m.gas === 'cut-off' ? 'low' : m.gas });

/** In how many ways two models differ. */
export const waysApart = (a: LogModel, b: LogModel): number =>
  (Object.keys(RIGHT) as (keyof LogModel)[]).filter((k) => a[k] !== b[k]).length;

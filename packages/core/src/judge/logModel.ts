import type { FaultId } from './faults';
import type { LogTrack } from './LogTrack';

/** What a set of faults changes in the way the pressure moves. Sets with the same model look alike in a log, and share its likelihood. */
export interface LogModel {
  /** 'late': cut off, but for a little that gives way near the relief; 'narrow': right, behind a way that its water takes long to pass. */
  gas: 'right' | 'low' | 'cut-off' | 'late' | 'narrow' | 'small' | 'over';
  inflow: 'none' | 'fill' | 'coil';
  outflow: 'none' | 'circuit' | 'boiler';
  lift: 'right' | 'early';
  gauge: 'right' | 'off' | 'stuck';
  /** 'unsaid': one that nobody wrote on the sheet. */
  feed: 'right' | 'high' | 'dead' | 'unsaid';
  air: boolean;
  /** Whether a rise of which nobody said that heat was on is taken for heat. */
  heat: 'as-it-seems' | 'none';
}

const RIGHT: LogModel = { gas: 'right', inflow: 'none', outflow: 'none', lift: 'right', gauge: 'right', feed: 'right', air: false, heat: 'as-it-seems' };

const CHANGES: Partial<Record<FaultId, Partial<LogModel>>> = {
  'vessel-undercharged': { gas: 'low' },
  'vessel-diaphragm-failed': { gas: 'low' },
  'vessel-connection-blocked': { gas: 'cut-off' },
  'vessel-isolated': { gas: 'cut-off' },
  'vessel-undersized': { gas: 'small' },
  'vessel-overcharged': { gas: 'over' },
  'relief-valve-passing': { outflow: 'circuit' },
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
  return Object.assign({ ...RIGHT }, ...faults.map((f) => CHANGES[f] ?? {}));
}

export const logModelKey = (m: LogModel): string => [m.gas, m.inflow, m.outflow, m.lift, m.gauge, m.feed, m.air ? 'air' : '', m.heat === 'none' ? 'unheated' : ''].join('/');

/** The same for models that the tracks cannot tell apart: where nothing was ever shut off, what comes in or goes out does so alike whichever way it takes. */
export function movesAs(m: LogModel, tracks: readonly Pick<LogTrack, 'fillOn' | 'coilOn' | 'boilerOn'>[]): string {
  const parted = (one: (t: Pick<LogTrack, 'fillOn' | 'coilOn' | 'boilerOn'>) => Uint8Array, other: (t: Pick<LogTrack, 'fillOn' | 'coilOn' | 'boilerOn'>) => Uint8Array | null) => tracks.some((t) => one(t).some((on, i) => on !== (other(t)?.[i] ?? 1)));
  const inflow = m.inflow === 'coil' && !parted((t) => t.coilOn, (t) => t.fillOn) ? 'fill' : m.inflow, outflow = m.outflow === 'boiler' && !parted((t) => t.boilerOn, () => null) ? 'circuit' : m.outflow;
  return logModelKey({ ...m, inflow, outflow });
}

/** In how many ways two models differ. */
export const waysApart = (a: LogModel, b: LogModel): number => (Object.keys(RIGHT) as (keyof LogModel)[]).filter((k) => a[k] !== b[k]).length;

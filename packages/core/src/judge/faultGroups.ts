import type { FaultId } from './faults';

/** Too little gas in play, whatever the reason: the pressure swings too far. */
export const LITTLE_GAS: FaultId[] = [
  'vessel-undercharged',
  'vessel-diaphragm-failed',
  'vessel-connection-blocked',
  'vessel-isolated',
  'vessel-undersized',
];
/** Mains water coming in. */
export const INFLOW: FaultId[] = [
  'fill-loop-passing',
  'reducing-valve-creeping',
  'fill-bypass-open',
  'dhw-plate-perforated',
  'dhw-coil-perforated',
];
/** Water going out. */
export const OUTFLOW: FaultId[] = ['circuit-leak', 'boiler-exchanger-leak', 'relief-valve-passing', 'air-vent-faulty'];

/** Whether a set holds any of these faults. */
export const has = (faults: readonly FaultId[], ...ids: readonly FaultId[]): boolean => ids.some((id) => faults.includes(id));

import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from '../log/PressureLog';
import type { Complaint } from './priors/complaints';
import type { Finding } from './Finding';
import type { ReplaceablePart } from './priors/weightedSets';

export const REPAIR_KINDS = [
  'vessel-recharged',
  'vessel-changed',
  'core-changed',
  'relief-changed',
  'feed-changed',
  'plate-changed',
  'coil-changed',
  'connection-cleared',
  'gauge-changed',
  'leak-mended',
  'other',
] as const;
export type RepairKind = (typeof REPAIR_KINDS)[number];
/** Repairs that leave the vessel with a charge that was set. */
export const CHARGING_REPAIRS: readonly RepairKind[] = ['vessel-recharged', 'vessel-changed'];
export interface Repair {
  kind: RepairKind;
  at?: string;
  toBar?: number;
  /** What was done, of a repair that is none of the others. */
  text?: string;
}

/** One circuit, its logs and what was found: the open case file's content. */
export interface Case {
  format: 'jumper-case';
  version: 1;
  id: string;
  title?: string;
  complaint?: Complaint[];
  alreadyDone?: { part: ReplaceablePart }[];
  /** Parts that came along on this visit; left out where nobody said. */
  partsInHand?: ReplaceablePart[];
  circuit: CircuitSheet;
  logs?: PressureLog[];
  findings?: Finding[];
  repairs?: Repair[];
}

import type { LogRepair } from '../cleanLog';

/** A value read off a log and how sure it is: its standard deviation, in its own unit. */
export interface Measured {
  value: number;
  sd: number;
}

export type SegmentKind = 'idle-cold' | 'heating' | 'hot-hold' | 'cooling' | 'step-up' | 'step-down';

/** A stretch of a log in which one thing happens. `sureness` 0 to 1: near 1 where an event or a temperature says so, less where only the
 *  pressure does. */
export interface LogSegment {
  kind: SegmentKind;
  fromS: number;
  toS: number;
  fromBar: number;
  toBar: number;
  sureness: number;
}

/** One heating and what came before and after it. Null where the log does not hold it. */
export interface HeatCycle {
  onS: number;
  coldBar: Measured;
  /** Flow temperature that it was heated from, °C; null where none was read. */
  coldC: number | null;
  hotBar: Measured;
  swingBar: Measured;
  /** Rise over the warming of the flow, bar/K; without temperatures null. */
  risePerK: Measured | null;
  /** How much steeper the second half of the rise is than the first, bar/K: above 0 little gas, below 0 a relief or a loss. */
  curvature: Measured | null;
  /** Cold again: against `coldBar` at the same temperature this is water gained or lost. */
  coldAfterBar: Measured | null;
}

export interface LogReading {
  repairs: LogRepair[];
  segments: LogSegment[];
  cycles: HeatCycle[];
  /** Creep while idle and cold, bar/h: water in above 0, out below. */
  idleCreepBarPerH: Measured | null;
  /** From the first cold to the last at equal temperature: net water in or out, as pressure. */
  coldToColdBar: Measured | null;
  /** A level at which the pressure stood while heat went on. */
  plateauBar: Measured | null;
  /** Pressure against temperature over the cycles: closed, no water moved; open, it did; flat-topped, a relief held it. */
  loop: 'closed' | 'open' | 'flat-topped' | null;
}

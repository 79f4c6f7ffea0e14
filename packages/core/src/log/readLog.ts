import { cleanLog } from './cleanLog';
import type { PressureLog } from './PressureLog';
import { coldToCold, cyclesOf, loopOf } from './reading/heatCycles';
import { creepOf } from './reading/idleCreep';
import type { LogReading } from './reading/LogReading';
import { plateauOf } from './reading/plateau';
import { segmentsOf, statesOf } from './reading/segments';
import { warmthOf } from './reading/warmth';
import { reduceLog } from './reduceLog';

/** Blocks that a log is read in: enough for a day of minutes, few enough that a month costs no more than its readings. */
const MOST_BLOCKS = 2000;

/** Reads a log as a technician would: cleaned, cut into what happened when, cycle by cycle, each value with its doubt. Events are believed
 *  over slopes; without temperatures it works from events and pressure alone and says so by its sureness. Ten hand readings or thirty days
 *  at a second; linear in the readings.
 *  @param stepBar to what the gauge is read, the sheet's resolution */
export function readLog(log: PressureLog, stepBar = 0.1): LogReading {
  const { log: clean, repairs } = cleanLog(log);
  const r = reduceLog(clean, MOST_BLOCKS);
  const events = [...(clean.events ?? [])].sort((a, b) => a.tS - b.tS);
  const none: LogReading = { repairs, segments: [], cycles: [], idleCreepBarPerH: null, coldToColdBar: null, plateauBar: null, loop: null };
  if (r.tS.length < 2) return none;
  const warm = warmthOf(r);
  const states = statesOf(r, warm, events);
  const segments = segmentsOf(r, states, events, stepBar);
  const cycles = cyclesOf(r, segments, warm, stepBar);
  const plateauBar = plateauOf(r, segments, stepBar);
  return {
    repairs,
    segments,
    cycles,
    idleCreepBarPerH: creepOf(r, segments, warm, stepBar),
    coldToColdBar: coldToCold(cycles),
    plateauBar,
    loop: loopOf(cycles, plateauBar),
  };
}

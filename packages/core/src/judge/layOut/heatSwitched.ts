import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { EVENT_OFF_S, isHeatSwitch, type LogEvent } from '../../log/PressureLog';
import type { ReducedLog } from '../../log/reduceLog';
import type { BlindHeat } from './blindHeat';
import { pumpRuns, timesPumped } from './pumpRuns';
import { movesWater } from './stepsWhereSeen';

export interface HeatSwitch {
  tS: number;
  on: boolean;
}
export const heatSwitches = (events: readonly LogEvent[]): HeatSwitch[] =>
  events.filter(isHeatSwitch).map((e) => ({ tS: e.tS, on: e.kind === 'heat-on' }));

/** When the heat went on and off in turn, and whether it was on before. Where nobody wrote down that it was heated, clear rises and falls
 *  in turn say so: on from each foot to the peak above it; a log that falls first had been heated. A steady gauge says nothing.
 *  @param idle known to have stood without heat */
export function heatSwitched(
  r: Pick<ReducedLog, 'tS' | 'gaugeBar'>,
  events: LogEvent[],
  circuit: ResolvedCircuit,
  idle = false,
): Pick<BlindHeat, 'switchS' | 'beginsHot'> {
  const { tS } = r,
    byHand = withoutSteps(r.gaugeBar, placesOf(r.tS, events)),
    switches = heatSwitches(events),
    gaugeBar = switches.length ? byHand : withoutSteps(byHand, pumpedAt(byHand, tS, circuit));
  if (switches.length) {
    // Who says on twice has not switched it twice; what is switched off first was on.
    const beginsHot = !switches[0]!.on || wasHotAlready(tS, gaugeBar, switches, circuit);
    return { switchS: switches.filter((s, i) => s.on !== (switches[i - 1]?.on ?? beginsHot)).map((s) => s.tS), beginsHot };
  }
  const turns = idle ? [] : turningPoints(gaugeBar, clearBar(circuit));
  return { switchS: turns.map((i) => tS[i]!), beginsHot: turns.length > 0 && gaugeBar[turns[0]!]! > gaugeBar.at(turns[1] ?? -1)! };
}

/** The pressure less what was let in or out at once: that is no heat's doing. */
function withoutSteps(gaugeBar: number[], moved: ReadonlySet<number>): number[] {
  let by = 0;
  return gaugeBar.map((bar, i) => {
    if (i > 0 && moved.has(i)) by += bar - gaugeBar[i - 1]!;
    return bar - by;
  });
}

/** First readings after water was let in or out by hand. */
const placesOf = (tS: number[], events: LogEvent[]): ReadonlySet<number> =>
  new Set(events.filter((e) => movesWater(e.kind)).map((e) => tS.findIndex((t) => t >= e.tS)));

/** Readings to which a unit's pump lifted the pressure, where it is seen to pump again and again: once by itself, from limit to limit, heat
 *  may do so as well. */
function pumpedAt(gaugeBar: number[], tS: number[], circuit: ResolvedCircuit): ReadonlySet<number> {
  const unheated = gaugeBar.map(() => 0),
    places = pumpRuns(gaugeBar, tS, unheated, circuit);
  return new Set(timesPumped(places) >= AGAIN ? places : []);
}
const AGAIN = 2;

/** Where the pressure turns: places from each of which it goes the other way, by a clear step at least, to the next, and from the last to
 *  the end or beyond. Empty where it never moves so far. */
function turningPoints(gaugeBar: number[], clear: number): number[] {
  const turns: number[] = [];
  let low = 0,
    high = 0,
    way = 0;
  gaugeBar.forEach((bar, i) => {
    if (bar <= gaugeBar[low]!) low = i;
    if (bar >= gaugeBar[high]!) high = i;
    if (way >= 0 && gaugeBar[high]! - bar > clear) {
      turns.push(high);
      way = -1;
      low = i;
      high = i;
    } else if (way <= 0 && bar - gaugeBar[low]! > clear) {
      turns.push(low);
      way = 1;
      low = i;
      high = i;
    }
    if (way > 0) low = i;
    if (way < 0) high = i;
  });
  return turns;
}

/** "Heat on" as the first word of a log may only say that the boiler was running: where the pressure does not rise for it, and falls once
 *  the heat is off, the water was hot already. */
function wasHotAlready(tS: number[], gaugeBar: number[], switches: HeatSwitch[], circuit: ResolvedCircuit): boolean {
  const off = switches.find((s) => !s.on);
  if (!off || switches[0]!.tS > tS[0]! + EVENT_OFF_S || off.tS - switches[0]!.tS < WOULD_RISE_S) return false;
  const heated = gaugeBar.filter((_, i) => tS[i]! <= off.tS + EVENT_OFF_S),
    cooled = gaugeBar.slice(heated.length);
  return Math.max(...heated) - gaugeBar[0]! < risesBar(circuit) && heated.at(-1)! - Math.min(...cooled) > clearBar(circuit);
}
/** What no reading makes by mistake, bar. */
const clearBar = (circuit: ResolvedCircuit): number => Math.max(0.25, 2.5 * circuit.gaugeStepBar);
/** Whatever is heated from cold rises by more than this, bar, within so long, s. Common practice. */
export const risesBar = (circuit: ResolvedCircuit): number => Math.max(RISES_BAR, RISES_STEPS * circuit.gaugeStepBar);
const RISES_BAR = 0.08,
  RISES_STEPS = 0.75,
  WOULD_RISE_S = 600;

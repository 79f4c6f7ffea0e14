import { HEATED } from '../../circuit/expectedPressure';
import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { bySensor, EVENT_OFF_S, type LogEvent, type PressureLog } from '../../log/PressureLog';
import type { ReducedLog } from '../../log/reduceLog';
import { blindMeanC, growthTable, type BlindHeat } from './blindHeat';
import { heatSwitched, heatSwitches, risesBar, type HeatSwitch } from './heatSwitched';

const NO_TEMPERATURE_COLD_C = 18,
  LEAST_COLD_C = 10;
/** Metal that is heated with the water, as a share of its heat capacity; share of the boiler's output that warms the circuit, and that the
 *  emitters give at fifty kelvin over the room. Common practice. */
const METAL = 1.15,
  WARMS = 0.75,
  EMITS = 0.45;

export type TemperaturesRead = 'flow-and-return' | 'flow' | 'none';
export interface MeanTemperatures {
  meanC: number[];
  /** By how much each may be wrong because nobody read it, K. */
  guessedK: number[];
  source: TemperaturesRead;
  /** When heat was switched, where that is all that is known. */
  heat: BlindHeat | null;
}
/** What a log says of its heat, and how the circuit takes it: its limit, °C, and how fast it cools. */
interface HeatTold {
  switches: HeatSwitch[];
  limitC: number;
  coolingS: number;
  /** Whether the pressure had risen from the first point to another, as it does where cold water is heated. */
  roseBy: (i: number) => boolean;
  /** How fast the boiler warms it, K/s. */
  kPerS: number;
}

/** How fast a circuit warms and cools by its content and its boiler. */
function paceOf(c: ResolvedCircuit): { kPerS: number; coolingS: number } {
  const kjPerK = 4.19 * METAL * c.contentL;
  return { kPerS: (WARMS * c.heatOutputKw) / kjPerK, coolingS: (kjPerK * 50) / (EMITS * c.heatOutputKw) };
}

/** Mean water temperature at each point: from flow and return, from the flow with the usual drop, or — with none read — a step to the
 *  greatest flow temperature while the heat is on, which the kernel's lag then softens.
 *  @param events those that moved water at the readings that show it
 *  @param by who read it: a logger's idle readings scatter less than a hand's; and whether it is known to have stood idle */
export function meanTemperatures(
  r: Pick<ReducedLog, 'tS' | 'gaugeBar' | 'flowC' | 'returnC'>,
  events: LogEvent[],
  circuit: ResolvedCircuit,
  by: Pick<PressureLog, 'source' | 'idle'>,
): MeanTemperatures {
  const switches = heatSwitches(events),
    pace = paceOf(circuit);
  const told: HeatTold = {
      switches,
      limitC: circuit.maxFlowC,
      ...pace,
      roseBy: (i) => r.gaugeBar[i]! - r.gaugeBar[0]! > risesBar(circuit),
    },
    flow = fillGaps(r.tS, r.flowC, told),
    ret = fillGaps(r.tS, r.returnC, told);
  const clamp = (c: number) => Math.min(150, Math.max(1, c)),
    read = (meanC: number[], guessedK: number[], source: TemperaturesRead): MeanTemperatures => {
      smoothIdle(r.tS, meanC, switches, bySensor(by) ? BY_SENSOR : BY_HAND);
      return { meanC, guessedK, source, heat: null };
    };
  if (flow && ret)
    return read(
      flow.valuesC.map((f, i) => clamp((f + ret.valuesC[i]!) / 2)),
      flow.guessedK.map((k, i) => (k + ret.guessedK[i]!) / 2),
      'flow-and-return',
    );
  if (flow) {
    const coldest = Math.min(...flow.valuesC);
    return read(
      flow.valuesC.map((f) => clamp(f - Math.min(HEATED.dropK / 2, (f - coldest) / 3))),
      flow.guessedK,
      'flow',
    );
  }
  const hotC = circuit.maxFlowC - HEATED.dropK / 2;
  const heat: BlindHeat = {
    ...heatSwitched(r, events, circuit, by.idle),
    coldC: NO_TEMPERATURE_COLD_C,
    hotC,
    ...pace,
    growthAt: growthTable(circuit.fluid, NO_TEMPERATURE_COLD_C, hotC),
  };
  const meanC = new Float64Array(r.tS.length).fill(NO_TEMPERATURE_COLD_C);
  // One fall of which nobody said a word is mostly a leak's, and is read as one; that it cooled is left for the kernel to try.
  const fell = !switches.length && heat.beginsHot && heat.switchS.length === 1;
  if (!fell) blindMeanC(heat, r.tS, r.tS.length, 1, 1, meanC);
  return { meanC: [...meanC], guessedK: r.tS.map(() => 0), source: 'none', heat };
}

/** How far temperatures of an idle circuit scatter round what it does, at most, and what they were rounded to, K. */
const BY_HAND = { scatterK: 2.5, roundedK: 0.5 },
  BY_SENSOR = { scatterK: 0.6, roundedK: 0.1 };
/** So many of its own errors a slope of idle readings must be to be believed. */
const SLOPE_SURE = 3;

/** While nothing is heated the water's mean goes in a straight line at most, whatever is read off the pipes: a kelvin too much there would
 *  move a stiff circuit far. Only the stretch before the heat comes on, or all of a log in which it never does; left alone where the
 *  readings are no line. */
function smoothIdle(
  tS: number[],
  meanC: number[],
  [first]: HeatSwitch[],
  { scatterK, roundedK }: { scatterK: number; roundedK: number },
): void {
  if (first && !first.on) return;
  const untilS = first ? first.tS - EVENT_OFF_S : Infinity;
  let n = 0;
  while (n < meanC.length && tS[n]! <= untilS) n++;
  if (n < 2) return;
  const t0 = tS.slice(0, n).reduce((a, b) => a + b, 0) / n,
    c0 = meanC.slice(0, n).reduce((a, b) => a + b, 0) / n;
  const spread = tS.slice(0, n).reduce((s, t) => s + (t - t0) ** 2, 0);
  const fitted = n < 4 || spread === 0 ? 0 : tS.slice(0, n).reduce((s, t, i) => s + (t - t0) * (meanC[i]! - c0), 0) / spread;
  const scatterOf = (slope: number) => Math.sqrt(tS.slice(0, n).reduce((s, t, i) => s + (meanC[i]! - c0 - slope * (t - t0)) ** 2, 0) / n);
  // A slope that the scatter of the readings could have made by chance is none.
  const slope = Math.abs(fitted) * Math.sqrt(spread) > SLOPE_SURE * Math.max(roundedK, scatterOf(fitted)) ? fitted : 0,
    scatter = scatterOf(slope);
  const line = (t: number) => c0 + slope * (t - t0);
  if (scatter < scatterK) for (let i = 0; i < n; i++) meanC[i] = line(tS[i]!);
}

/** Where a value was not read it is made out from those that were. @returns the values, and by how much each may be wrong, K; null with
 *  fewer than two that were read */
function fillGaps(
  tS: number[],
  values: (number | null)[],
  { switches, limitC, coolingS, roseBy, kPerS }: HeatTold,
): { valuesC: number[]; guessedK: number[] } | null {
  const known = tS.flatMap((_, i) => (values[i] === null || values[i] === undefined ? [] : [i])),
    onS = switches.find((s) => s.on)?.tS ?? null;
  if (known.length < 2) return null;
  const last = known.at(-1)!,
    coldestC = Math.min(...known.map((i) => values[i]!)),
    roomC = Math.min(coldestC, NO_TEMPERATURE_COLD_C),
    guessedK = tS.map(() => 0);
  const afterLast = (i: number): number => {
    const before = switches.findLast((s) => s.tS <= tS[i]!),
      lastC = values[last]!;
    if (before === undefined || before.on) {
      // Somebody stopped reading while it went on warming.
      if (before && tS[i]! - tS[last]! > EVENT_OFF_S) guessedK[i] = STOPPED_READING * Math.max(0, limitC - lastC);
      return lastC;
    }
    const cooledC = roomC + (lastC - roomC) * Math.exp(-Math.max(0, tS[i]! - Math.max(tS[last]!, before.tS)) / coolingS);
    guessedK[i] = STOPPED_READING * Math.abs(lastC - cooledC);
    return cooledC;
  };
  let k = 0;
  const valuesC = tS.map((t, i) => {
    while (k < known.length - 2 && known[k + 1]! <= i) k++;
    const a = known[k]!,
      b = known[k + 1]!;
    // Before the first: level, unless the heat had come on by then and the pressure rose for it; then from as cold as it may have been when
    // it did, in a line.
    if (i <= a) {
      if (i === a || onS === null || onS >= tS[a]! || (values[a]! > WARM_C && !roseBy(a))) return values[a]!;
      const pace = Math.max(0, (values[b]! - values[a]!) / Math.max(1, tS[b]! - tS[a]!)),
        fromS = Math.max(onS, tS[0]!);
      const coldC = Math.max(Math.min(values[a]!, LEAST_COLD_C), Math.min(NO_TEMPERATURE_COLD_C, values[a]! - pace * (tS[a]! - fromS)));
      guessedK[i] = GUESSED_COLD_K;
      return coldC + (Math.max(0, t - fromS) / Math.max(1e-9, tS[a]! - fromS)) * (values[a]! - coldC);
    }
    if (i > last) return afterLast(i);
    if (i === b) return values[b]!;
    // Where the heat was switched in between, it stood level until then.
    const fromS = switches.findLast((s) => s.tS > tS[a]! && s.tS < tS[b]! && s.on === values[b]! > values[a]!)?.tS ?? tS[a]!;
    const share = Math.max(0, t - fromS) / Math.max(1e-9, tS[b]! - fromS),
      lineC = values[a]! + share * (values[b]! - values[a]!);
    // In a long gap it may have been hotter than at either end, and have cooled again, where the heat went off or nobody said a word of it;
    // but what stands cold at its end was not hot a little before.
    if (!switches.length || switches.some((s) => !s.on && s.tS > tS[a]! && s.tS < tS[b]!)) {
      const mostC = roomC + (values[b]! - roomC + READ_ABOUT_K) * Math.exp((tS[b]! - t) / coolingS),
        hotterK = Math.max(0, Math.min(Math.min(limitC, mostC) - lineC, (kPerS * (tS[b]! - fromS - SOON_S)) / 2));
      guessedK[i] = STOPPED_READING * hotterK * 4 * share * (1 - share);
    }
    return lineC;
  });
  return { valuesC, guessedK };
}
/** Water so warm was cold a while before, or the pressure had not risen, °C. */
const WARM_C = 40;
/** By how much a circuit of which nobody read how cold it was may have been warmer or colder, K. */
const GUESSED_COLD_K = 2.5;
/** How near to its room a temperature is read, K. */
const READ_ABOUT_K = 1;
/** In so short a gap between two that were read it went in a line, s. */
const SOON_S = 600;
/** Share of what the temperature may have done since somebody stopped reading it, by which the guess may be wrong. */
const STOPPED_READING = 0.35;

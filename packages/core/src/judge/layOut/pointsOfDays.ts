import { keepPeaks } from '../../log/keepPeaks';
import { keepTurns } from '../../log/keepTurns';
import type { ReducedLog } from '../../log/reduceLog';
import { runningMedian } from '../../log/runningMedian';
import { turningPoints } from '../../log/turningPoints';
import { evenly } from '../evenly';
import { NEAR_RELIEF } from './reliefInLog';

/** From where to where in a log's points. */
interface Stretch {
  from: number;
  to: number;
}

/** What of a log of days is laid out. */
export interface PointsOfDays {
  /** The points' places in the log, in order. */
  kept: number[];
  /** What the gauge shows at each place of the log, without what comes and goes from reading to reading. */
  evenGaugeBar: number[];
  /** The heat cycle that is laid out as closely as a visit; null where the water never grew warm and cold again. */
  closely: Stretch | null;
  /** Points before which the circuit may have let go of water unseen. */
  anew: number[];
}

/** From how far, bar and K, the pressure and the water have turned; and so near to its coldest or hottest the water is still there, K. */
const TURN_BAR = 0.05,
  TURN_K = 6,
  STILL_THERE_K = 1;
/** What is read within so many seconds is one reading; and so many times what comes and goes in it is a turn at the least. */
const AT_ONCE_S = 150,
  TIMES_NOISE = 4;
/** More points than this are too many; then so many heat cycles are taken of all, or as many as hold so many turns, or where even few hold
 *  more the ends of so many slices. */
const MOST_TURNS = 66,
  MOST_CYCLES = 16,
  LEAST_CYCLES = 6,
  MOST_IN_CYCLES = 120,
  SLICES = 22;

/** Which points of a log of days tell what it holds: where the pressure and the water turn, since what a heat drives is known best at its
 *  ends, and on the way between them each cycle misses the model in the same way; and one cycle closely, since only on the way does it show
 *  from where on the vessel takes water, and where a relief lets go. Of a log of weeks, some of the cycles.
 *  @param log thinned to blocks of minutes @param meanC mean water temperature at each @param stepBar to what the pressures were rounded
 *  @param reliefSetGaugeBar from near there on the relief may have let water go in a cycle that is left out */
export function pointsOfDays(
  { tS, gaugeBar: read }: ReducedLog,
  meanC: number[],
  stepBar: number,
  reliefSetGaugeBar: number,
): PointsOfDays {
  // What stands out of the noise, a step or a peak of minutes, stays as it was read.
  const middle = runningMedian(tS, read, AT_ONCE_S),
    noiseBar = noiseOf(read),
    gaugeBar = read.map((bar, i) => (Math.abs(bar - middle[i]!) < TIMES_NOISE * noiseBar ? middle[i]! : bar));
  const ends = [0, tS.length - 1],
    heatTurns = turningPoints(meanC, TURN_K, STILL_THERE_K),
    pressureTurns = turningPoints(gaugeBar, Math.max(TURN_BAR, 2.5 * stepBar, TIMES_NOISE * noiseBar)),
    turns = inOrder([...ends, ...pressureTurns, ...heatTurns]),
    cycles = heatCycles(heatTurns, meanC),
    farthest = farthestMoved(cycles, gaugeBar),
    closely = farthest && withoutLongCooling(farthest, tS),
    close = closely ? onTheWay(closely) : [];
  if (turns.length <= MOST_TURNS) return as(withoutLongGaps(turns, tS));
  const chosen = asManyAsFit();
  if (!chosen) return as(keepPeaks(gaugeBar, SLICES));
  const seen: Stretch[] = [...chosen, ...(closely ? [closely] : [])].sort((a, b) => a.from - b.from);
  return as([...ends, ...chosen.flatMap(turnsIn)], afterUnseen(seen, gaugeBar, NEAR_RELIEF * reliefSetGaugeBar));

  function as(kept: number[], anew: number[] = []): PointsOfDays {
    return { kept: inOrder([...kept, ...close]), evenGaugeBar: gaugeBar, closely, anew };
  }

  function turnsIn({ from, hot, to }: HeatCycle): number[] {
    return [from, hot, to, ...pressureTurns.filter((i) => i > from && i < to)];
  }

  /** Cycles evenly taken; fewer where they saw between a relief's lift and its seat, and none where they are few anyway. */
  function asManyAsFit(): HeatCycle[] | null {
    for (let count = Math.min(cycles.length, MOST_CYCLES); count >= LEAST_CYCLES; count--) {
      const some = evenly(cycles, count);
      if (inOrder(some.flatMap(turnsIn)).length <= MOST_IN_CYCLES) return some;
    }
    return null;
  }

  function onTheWay({ from, to }: Stretch): number[] {
    const pressure = { values: gaugeBar, missable: Math.max(MISSABLE_BAR, 1.5 * stepBar, 1.5 * noiseBar) };
    return keepTurns(tS, [pressure, { values: meanC, missable: MISSABLE_K }], from, to, MOST_CLOSE);
  }
}

/** What a line between two points of the cycle that is laid out closely may miss, bar and K, and how many they are. */
const MISSABLE_BAR = 0.02,
  MISSABLE_K = 2,
  MOST_CLOSE = 28;

/** What comes and goes from reading to reading, as a standard deviation: half of its steps are larger than this share of it. */
function noiseOf(values: number[]): number {
  const steps = values.slice(1).map((v, i) => Math.abs(v - values[i]!));
  return steps.sort((a, b) => a - b)[steps.length >> 1]! / (NORMAL_MEDIAN * Math.SQRT2);
}
const NORMAL_MEDIAN = 0.6745;

const inOrder = (places: number[]): number[] => [...new Set(places)].sort((a, b) => a - b);

interface HeatCycle extends Stretch {
  hot: number;
}

/** Cold, hot and cold again, as far as the log goes. */
function heatCycles(heatTurns: number[], meanC: number[]): HeatCycle[] {
  const cycles: HeatCycle[] = [];
  heatTurns.forEach((from, k) => {
    const hot = heatTurns[k + 1];
    if (hot !== undefined && meanC[hot]! > meanC[from]!) cycles.push({ from, hot, to: heatTurns[k + 2] ?? meanC.length - 1 });
  });
  return cycles;
}

/** The cycle in which the pressure moved farthest; null where there is none. */
function farthestMoved(cycles: readonly HeatCycle[], gaugeBar: number[]): HeatCycle | null {
  let farthest: HeatCycle | null = null,
    mostBar = 0;
  for (const cycle of cycles) {
    let low = Infinity,
      high = -Infinity;
    for (let i = cycle.from; i <= cycle.to; i++) {
      low = Math.min(low, gaugeBar[i]!);
      high = Math.max(high, gaugeBar[i]!);
    }
    if (high - low > mostBar) [farthest, mostBar] = [cycle, high - low];
  }
  return farthest;
}

/** So long somebody who looked at a heat would go on looking at what cools, s. */
const COOLS_S = 5400;

function withoutLongCooling({ from, hot, to }: HeatCycle, tS: number[]): Stretch {
  let last = to;
  while (last > hot && tS[last]! - tS[hot]! > COOLS_S) last--;
  return { from, to: last };
}

/** A log is not left to itself for longer than one of so many parts of it, and half as long again. */
const GAPS = 16;

/** Places with more between them where they are far apart: what leaks or comes in does so all the time. */
function withoutLongGaps(places: number[], tS: number[]): number[] {
  const gapS = (tS.at(-1)! - tS[0]!) / GAPS;
  return places.flatMap((place, k) => {
    const out = [place],
      next = places[k + 1] ?? place;
    while (tS[next]! - tS[out.at(-1)!]! > 1.5 * gapS) {
      const fromS = tS[out.at(-1)!]!,
        between = tS.findIndex((t) => t >= fromS + gapS);
      if (between >= next) break;
      out.push(between);
    }
    return out;
  });
}

/** Where what is seen goes on after cycles that are left out, in which the pressure went to where a relief may lift. */
function afterUnseen(seen: readonly Stretch[], gaugeBar: number[], nearBar: number): number[] {
  const last = gaugeBar.length - 1;
  return [...seen, { from: last, to: last }].flatMap(({ from }, k) => {
    const unseenFrom = k > 0 ? seen[k - 1]!.to : 0;
    return gaugeBar.slice(unseenFrom, from).some((bar) => bar >= nearBar) ? [from] : [];
  });
}

import { fluidGrowth, type CircuitFluid } from '../../water/fluid';
import type { HeatSwitch } from './heatSwitched';

/** How fast emitters that nothing goes round through give off their heat, and how soon they are as warm as the rest once it goes round
 *  again, s. Common practice. */
const COOL_S = 1800,
  REJOIN_S = 300;
/** Flow and return that stay apart by so much of what both are above the room, once the heat is off, say that water goes round. */
const GOES_ROUND = 0.1,
  AFTER_OFF_S = 300;
/** Rooms are no warmer than this, °C; and so many kelvin below what is read at the boiler count. */
const ROOM_C = 20,
  COUNTS_K = 3;

/** What is read at the boiler once its pump stands is the boiler's and its pipes': the emitters grow cold by themselves, and the pressure
 *  with them. By how much less a litre of theirs has grown at each point than the temperatures say, if they do; null where the heat was
 *  never off with the water still warm, or nobody said that it was.
 *  @param meanC mean of what was read, °C @param spreadK flow less return, where both were read @param switches of the heat, by their time
 *  @returns growth per litre beside that at `meanC`, never above nought */
export function emittersCool(
  tS: readonly number[],
  meanC: readonly number[],
  spreadK: readonly (number | null)[],
  switches: readonly HeatSwitch[],
  fluid: CircuitFluid,
  referenceC: number,
): Float64Array | null {
  if (!switches.some((s) => !s.on)) return null;
  if (goesRound(tS, meanC, spreadK, switches)) return null;
  const roomC = Math.min(ROOM_C, ...meanC),
    away = new Float64Array(tS.length);
  let on = !switches[0]!.on,
    next = 0,
    emittersC = meanC[0]!,
    furthestK = 0;
  for (let i = 1; i < tS.length; i++) {
    for (let from = tS[i - 1]!; from < tS[i]!;) {
      while (next < switches.length && switches[next]!.tS <= from) on = switches[next++]!.on;
      const to = Math.min(tS[i]!, switches[next]?.tS ?? Infinity);
      emittersC = on
        ? meanC[i]! + (emittersC - meanC[i]!) * Math.exp(-(to - from) / REJOIN_S)
        : roomC + (emittersC - roomC) * Math.exp(-(to - from) / COOL_S);
      from = to;
    }
    emittersC = Math.min(emittersC, meanC[i]!);
    furthestK = Math.max(furthestK, meanC[i]! - emittersC);
    away[i] = fluidGrowth(fluid, referenceC, emittersC) - fluidGrowth(fluid, referenceC, meanC[i]!);
  }
  return furthestK > COUNTS_K ? away : null;
}

/** Whether flow and return stayed apart while the heat was off, in the middle of what was read then. */
function goesRound(
  tS: readonly number[],
  meanC: readonly number[],
  spreadK: readonly (number | null)[],
  switches: readonly HeatSwitch[],
): boolean {
  const isOff = (s: number) => {
    const last = switches.findLast((w) => w.tS <= s - AFTER_OFF_S);
    return last !== undefined && !last.on && !switches.some((w) => w.tS > s - AFTER_OFF_S && w.tS <= s);
  };
  const shares = tS
    .flatMap((s, i) => (spreadK[i] != null && isOff(s) && meanC[i]! > ROOM_C + COUNTS_K ? [spreadK[i]! / (meanC[i]! - ROOM_C)] : []))
    .sort((a, b) => a - b);
  return shares.length > 0 && shares[Math.floor(shares.length / 2)]! > GOES_ROUND;
}

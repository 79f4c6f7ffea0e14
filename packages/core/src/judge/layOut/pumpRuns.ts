import type { ResolvedCircuit } from '../../circuit/resolveCircuit';

/** Limits of a unit stand on its sheet to about so much, bar; a run lasts no longer than this, s, and is seen in no more points than this.
 */
const LIMIT_BAR = 0.2,
  LONGEST_S = 900,
  MOST_POINTS = 10;
/** While the pump runs the pressure goes on rising at this share of its pace so far at the least; after it, at less. */
const GOES_ON = 0.3;
/** The water warms by no more over a run; or by a little more, where it then warms by as much again and the pressure stands: heat alone does
 *  not stop lifting it so soon. */
const WARMS_K = 2,
  STANDS_AFTER_K = 5;
/** Less than this is no run that anybody would see. */
const LEAST_RUN_BAR = 0.12;

/** Points of a log that a pressurisation unit's pump lifted: from its lower limit, or wherever its switch answers, to its upper at once.
 *  How much water it let in is not known, so that the water begins anew at each.
 *  @param gaugeBar what was read at the points @param tS when @param meanC how warm the water was: a pump starts where the pressure sinks,
 *  not while heat lifts it
 *  @returns the points' places, none where no unit feeds the circuit or its limits are not known */
export function pumpRuns(gaugeBar: ArrayLike<number>, tS: ArrayLike<number>, meanC: ArrayLike<number>, c: ResolvedCircuit): number[] {
  if (c.cutInGaugeBar === null) return [];
  const n = gaugeBar.length,
    found: number[] = [];
  for (let i = 0; i < n - 1; i++) {
    if (gaugeBar[i]! > c.fillGaugeBar - LEAST_RUN_BAR || gaugeBar[i]! < c.cutInGaugeBar - LIMIT_BAR) continue;
    let j = i;
    const pace = (from: number, to: number) => (gaugeBar[to]! - gaugeBar[from]!) / Math.max(1, tS[to]! - tS[from]!);
    while (
      j + 1 < n &&
      j - i < MOST_POINTS &&
      tS[j + 1]! - tS[i]! <= LONGEST_S &&
      gaugeBar[j + 1]! > gaugeBar[j]! &&
      (j === i || pace(j, j + 1) > GOES_ON * pace(i, j))
    )
      j++;
    const stops = j + 1 >= n || pace(j, j + 1) <= GOES_ON * pace(i, j);
    if (
      gaugeBar[j]! - gaugeBar[i]! < LEAST_RUN_BAR ||
      !stops ||
      mayBeHeat(gaugeBar, meanC, i, j) ||
      Math.abs(gaugeBar[j]! - c.fillGaugeBar) > LIMIT_BAR
    )
      continue;
    for (let k = i + 1; k <= j; k++) found.push(k);
    i = j;
  }
  return found;
}

/** How many runs those places are of: places that follow one another are one. @param places in their order */
export const timesPumped = (places: readonly number[]): number => places.filter((place, i) => place !== places[i - 1]! + 1).length;

/** Whether heat may have lifted the pressure from one point to another. */
function mayBeHeat(gaugeBar: ArrayLike<number>, meanC: ArrayLike<number>, from: number, to: number): boolean {
  const warmedK = meanC[to]! - meanC[from]!;
  if (warmedK <= WARMS_K) return false;
  let as = to + 1;
  while (as < gaugeBar.length && meanC[as]! - meanC[to]! < warmedK) as++;
  const stands = as < gaugeBar.length && gaugeBar[as]! - gaugeBar[to]! <= GOES_ON * (gaugeBar[to]! - gaugeBar[from]!);
  return warmedK > STANDS_AFTER_K || !stands;
}

/** The middle one of all values within some time of each: what comes and goes from reading to reading is gone, and a step stays a step.
 *  @param tS when each was read, rising, s @param withinS before and after, s; where nothing else is so near a value stays as it is */
export function runningMedian(tS: readonly number[], values: readonly number[], withinS: number): number[] {
  let from = 0,
    to = 0;
  return tS.map((t) => {
    while (tS[from]! < t - withinS) from++;
    while (to < tS.length && tS[to]! <= t + withinS) to++;
    const near = values.slice(from, to).sort((a, b) => a - b),
      middle = near.length >> 1;
    return near.length % 2 ? near[middle]! : (near[middle - 1]! + near[middle]!) / 2;
  });
}

/** Where a series turns: its highest and lowest places between which it goes up or down by `least` and more. What stands within `slack` of
 *  such a place is as good as it, and the last of it is taken: where it begins to leave it. Linear in the input.
 *  @param least more than 0, in the unit of the values @param slack 0 or more, less than `least`
 *  @returns indices in order, high and low by turns; none where it never goes so far */
export function turningPoints(values: ArrayLike<number>, least: number, slack = 0): number[] {
  const turns: number[] = [];
  const lowest = { value: Infinity, at: 0 },
    highest = { value: -Infinity, at: 0 };
  let rises: boolean | null = null;
  for (let i = 0; i < values.length; i++) {
    const v = values[i]!;
    if (rises !== true) {
      if (v < lowest.value) lowest.value = v;
      if (v <= lowest.value + slack) lowest.at = i;
      else if (v >= lowest.value + least) {
        turns.push(lowest.at);
        rises = true;
        highest.value = -Infinity;
      }
    }
    if (rises !== false) {
      if (v > highest.value) highest.value = v;
      if (v >= highest.value - slack) highest.at = i;
      else if (v <= highest.value - least) {
        turns.push(highest.at);
        rises = false;
        Object.assign(lowest, { value: v, at: i });
      }
    }
  }
  if (rises !== null) turns.push(rises ? highest.at : lowest.at);
  return turns;
}

/** Thins a long series without losing a peak: first, lowest, highest and last of each of `slices` equal parts. Linear in the input.
 *  @param values null where nothing was read @param slices at least 1
 *  @returns indices in order, at most four a slice; all of them where there are no more than that */
export function keepPeaks(values: (number | null)[], slices: number): number[] {
  const n = values.length;
  if (n <= 4 * slices) return values.map((_, i) => i);
  const kept: number[] = [];
  for (let s = 0; s < slices; s++) {
    const from = Math.floor((s * n) / slices),
      to = Math.floor(((s + 1) * n) / slices);
    let low = -1,
      high = -1;
    for (let i = from; i < to; i++) {
      const v = values[i];
      if (v === null || v === undefined) continue;
      if (low < 0 || v < values[low]!) low = i;
      if (high < 0 || v > values[high]!) high = i;
    }
    kept.push(...[...new Set([from, low, high, to - 1])].filter((i) => i >= 0).sort((a, b) => a - b));
  }
  return kept;
}

/** `most` of some things, evenly taken, the first and the last among them; all of them where there are no more. */
export function evenly<T>(all: readonly T[], most: number): T[] {
  if (all.length <= most || most < 2) return all.slice(0, most);
  return Array.from({ length: most }, (_, i) => all[Math.round((i * (all.length - 1)) / (most - 1))]!);
}

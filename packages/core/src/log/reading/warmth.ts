import type { ReducedLog } from '../reduceLog';

export interface Warmth {
  c: number[];
  coldestC: number;
  hottestC: number;
}

/** Flow temperature block by block, straight across what was not read; null where too little was. */
export function warmthOf(r: ReducedLog): Warmth | null {
  const known: number[] = [];
  r.flowC.forEach((c, i) => {
    if (c !== null) known.push(i);
  });
  if (known.length < 2) return null;
  let k = 0;
  const c = r.tS.map((t, i) => {
    while (k < known.length - 2 && known[k + 1]! <= i) k++;
    const a = known[k]!,
      b = known[k + 1]!;
    if (i <= a) return r.flowC[a]!;
    if (i >= b) return r.flowC[b]!;
    return r.flowC[a]! + ((r.flowC[b]! - r.flowC[a]!) * (t - r.tS[a]!)) / Math.max(1e-9, r.tS[b]! - r.tS[a]!);
  });
  let coldestC = Infinity,
    hottestC = -Infinity;
  for (const x of c) {
    coldestC = Math.min(coldestC, x);
    hottestC = Math.max(hottestC, x);
  }
  return { c, coldestC, hottestC };
}

/** A circuit that warmed by less was not heated, K. */
export const LEAST_WARMING_K = 10;

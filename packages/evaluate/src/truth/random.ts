/** A seeded generator: xoshiro128** (Blackman and Vigna, 2018), seeded by splitmix32. */
export interface Random {
  uniform(least?: number, most?: number): number;
  normal(mean?: number, sd?: number): number;
  chance(p: number): boolean;
  pick<T>(of: readonly T[]): T;
  /** Evenly over the decades between two positive numbers. */
  decade(least: number, most: number): number;
  weighted<T>(of: readonly (readonly [T, number])[]): T;
}

export function seeded(seed: number): Random {
  let h = seed >>> 0;
  const split = () => {
    h = (h + 0x9e3779b9) >>> 0;
    let z = h;
    z = Math.imul(z ^ (z >>> 16), 0x21f0aaad);
    z = Math.imul(z ^ (z >>> 15), 0x735a2d97);
    return (z ^ (z >>> 15)) >>> 0;
  };
  const s = Uint32Array.from([split(), split(), split(), split()]);
  const rotl = (x: number, k: number) => ((x << k) | (x >>> (32 - k))) >>> 0;
  const next = () => {
    const result = Math.imul(rotl(Math.imul(s[1]!, 5) >>> 0, 7), 9) >>> 0;
    const t = (s[1]! << 9) >>> 0;
    s[2]! ^= s[0]!;
    s[3]! ^= s[1]!;
    s[1]! ^= s[2]!;
    s[0]! ^= s[3]!;
    s[2]! ^= t;
    s[3] = rotl(s[3]!, 11);
    return result / 4294967296;
  };
  const uniform = (least = 0, most = 1) => least + (most - least) * next();
  return {
    uniform,
    normal: (mean = 0, sd = 1) => mean + sd * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    chance: (p) => next() < p,
    pick: (of) => of[Math.floor(next() * of.length)]!,
    decade: (least, most) => least * (most / least) ** next(),
    weighted: (of) => {
      let at = next() * of.reduce((a, [, w]) => a + w, 0);
      for (const [x, w] of of) if ((at -= w) <= 0) return x;
      return of.at(-1)![0];
    },
  };
}

import type { WrittenFinding } from './Doing';
import type { Tier, TruthCase } from './makeCase';
import type { WrittenLog } from './readings';

/** One who makes visits: what stands before his ids, what he knows, and how far apart the keys of his seeds, tiers and attempts lie. */
export interface Maker {
  name: string;
  tiers: readonly Tier[];
  keys: { seed: number; tier: number; attempt: number };
}
const MOST_TRIES = 400;

/** Tries again until a visit shows its faults. The same tier and seed give the same visit.
 *  @param attempt one try by a key, after so many that did not show; null where a fault of it does not show
 *  @throws {RangeError} for a tier that the maker does not know, or where none shows */
export function untilItShows(
  { name, tiers, keys }: Maker,
  tier: Tier,
  seed: number,
  attempt: (key: number, tried: number) => TruthCase | null,
): TruthCase {
  if (!tiers.includes(tier)) throw new RangeError(`${name} makes no visits of tier ${tier}`);
  for (let i = 0; i < MOST_TRIES; i++) {
    const made = attempt(seed * keys.seed + tiers.indexOf(tier) * keys.tier + i * keys.attempt, i);
    if (made) return { ...made, case: { ...made.case, id: `${name}-${tier}-${seed}` } };
  }
  throw new RangeError(`no visit of tier ${tier} shows its faults`);
}

/** Where the fill was set is the last word on the pressure. */
export const fillLast = <T extends { f: string }>(broken: readonly T[]): T[] =>
  [...broken].sort((a, b) => Number(a.f.startsWith('fill-pressure')) - Number(b.f.startsWith('fill-pressure')));

/** What was written down on a visit. */
export interface Written {
  log: WrittenLog;
  findings: (WrittenFinding | null)[];
}

/** Whether a visit differs from the same without one of its faults: a finding comes out otherwise, or the log does.
 *  @param leastBar by how much some reading has to differ @param leastOf by how much a number of a finding has to, by its name; Infinity
 *  where it never speaks */
export function differs(visit: Written, without: Written, leastBar: number, leastOf: (name: string) => number): boolean {
  const other = without.log.samples.pressureBar;
  return (
    visit.findings.some((f, i) => f !== null && comesOutOtherwise(f, without.findings[i] ?? null, leastOf)) ||
    visit.log.samples.pressureBar.some((bar, i) => Math.abs((bar ?? 0) - (other[i] ?? 0)) >= leastBar)
  );
}

const comesOutOtherwise = (a: WrittenFinding, b: WrittenFinding | null, leastOf: (name: string) => number): boolean =>
  b === null ||
  a.outcome !== b.outcome ||
  Object.keys(a).some((k) => typeof a[k] === 'number' && Math.abs(a[k] - Number(b[k] ?? 0)) > leastOf(k));

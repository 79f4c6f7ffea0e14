import { caseFile } from '@jumper/contract';
import { makeCase } from './makeCase';
import { makeMended, MENDED_TIERS } from './makeMended';

interface Log {
  startedAt: string;
  epoch?: string;
  samples: { tS: number[]; pressureBar: number[] };
  events: { kind: string }[];
}
const visits = MENDED_TIERS.flatMap((tier) => Array.from({ length: 25 }, (_, i) => makeMended(tier, 41 + i)));
const logsOf = ({ case: c }: (typeof visits)[number]) => c.logs as Log[],
  repairOf = ({ case: c }: (typeof visits)[number]) => (c.repairs as { kind: string; at: string; toBar?: number }[])[0]!;

it('is a case file, and the same by the same seed', () => {
  for (const v of visits) expect(caseFile.safeParse(v.case).error).toBeUndefined();
  expect(makeMended('pair', 44)).toEqual(makeMended('pair', 44));
});

it('is read again with heat once the work is done', () => {
  for (const v of visits) {
    const [before, after] = [logsOf(v)[0]!, logsOf(v).at(-1)!];
    expect(after.epoch).toBe('after-work');
    expect(before.epoch).toBeUndefined();
    expect(Date.parse(repairOf(v).at)).toBeGreaterThan(Date.parse(before.startedAt) + 1000 * before.samples.tS.at(-1)!);
    expect(Date.parse(after.startedAt)).toBeGreaterThan(Date.parse(repairOf(v).at));
    expect(v.truth.riseK).toBeGreaterThan(5);
  }
});

it('leaves what the work did not touch, and nothing of what it put right', () => {
  // Where the first try was taken, the visit as it was found is the plain maker's of the same seed.
  const known = MENDED_TIERS.flatMap((tier) =>
    Array.from({ length: 25 }, (_, i) => {
      const v = makeMended(tier, 41 + i),
        found = makeCase(tier, 41 + i);
      return JSON.stringify(found.case.findings) === JSON.stringify(v.case.findings) ? [{ v, found: found.truth.faults }] : [];
    }).flat(),
  );
  expect(known.length).toBeGreaterThan(20);
  const helped = known.filter(({ v, found }) => found.some((f) => !v.truth.faults.includes(f)));
  for (const { v, found } of known) for (const f of v.truth.faults) expect([...found, 'none']).toContain(f);
  for (const { v, found } of helped) {
    const gone = found.filter((f) => !v.truth.faults.includes(f));
    if (repairOf(v).kind === 'relief-changed') expect(gone.every((f) => f.startsWith('relief-valve'))).toBe(true);
    if (repairOf(v).kind === 'gauge-changed') expect(gone).toEqual(['gauge-misreading']);
  }
  // Now and then somebody changes what was sound.
  expect(helped.length).toBeLessThan(known.length);
  expect(helped.length).toBeGreaterThan(0.5 * known.length);
});

it('a vessel that was recharged has the charge that it was given', () => {
  const recharged = visits.filter((v) => repairOf(v).kind === 'vessel-recharged' && v.truth.faults.every((f) => !f.startsWith('vessel-')));
  expect(recharged.length).toBeGreaterThan(3);
  for (const v of recharged) expect(Math.abs(v.truth.chargeBar! - repairOf(v).toBar!)).toBeLessThan(0.25);
});

import { caseFile } from '@jumper/contract';
import { ruleOfThumb } from '../score/ruleOfThumb';
import { bareSheet, GAP_NAMES, leaveOut } from './leaveOut';
import { makeCase } from './makeCase';

const visits = ['hand', 'logger', 'findings'].flatMap((tier) =>
  GAP_NAMES.map((_, i) => ({ seed: 4001 + i, made: makeCase(tier as 'hand', 4001 + i) })),
);

it('leaves one thing out of each visit, another for each seed, and neither the truth nor the original is touched', () => {
  const left = new Set<string>();
  for (const { seed, made } of visits) {
    const before = structuredClone(made),
      gapped = leaveOut(made, seed);
    expect(made).toEqual(before);
    expect(gapped.truth).toEqual(made.truth);
    if (JSON.stringify(gapped.case) !== JSON.stringify(made.case)) left.add(GAP_NAMES[seed % GAP_NAMES.length]!);
  }
  expect([...left].sort()).toEqual([...GAP_NAMES].sort());
});

it('what is left is a case file still, and the rule of thumb has an answer to it', () => {
  for (const { seed, made } of visits) {
    const { case: left } = leaveOut(made, seed);
    expect(caseFile.safeParse(left).success).toBe(true);
    expect(ruleOfThumb(left).length).toBeGreaterThan(0);
  }
});

it('a bare sheet says the relief and the kinds of filling and hot water, and nothing else changes', () => {
  const made = makeCase('findings', 7, 0.7),
    before = structuredClone(made),
    bare = bareSheet(made),
    was = made.case.circuit as Record<string, { setBar?: number; kind?: string }>;
  expect(bare.case.circuit).toEqual({
    kind: 'sealed-hot-water',
    reliefValve: { setBar: was.reliefValve!.setBar },
    fill: { kind: was.fill!.kind },
    domesticHotWater: was.domesticHotWater,
  });
  expect({ ...bare, case: { ...bare.case, circuit: null } }).toEqual({ ...made, case: { ...made.case, circuit: null } });
  expect(ruleOfThumb(bare.case).length).toBeGreaterThan(0);
  expect(made).toEqual(before);
});

import { caseFile } from '@jumper/contract';
import { ruleOfThumb } from '../score/ruleOfThumb';
import { GAP_NAMES, leaveOut } from './leaveOut';
import { makeCase } from './makeCase';

const visits = ['hand', 'logger', 'findings'].flatMap((tier) => GAP_NAMES.map((_, i) => ({ seed: 4001 + i, made: makeCase(tier as 'hand', 4001 + i) })));

it('leaves one thing out of each visit, another for each seed, and neither the truth nor the original is touched', () => {
  const left = new Set<string>();
  for (const { seed, made } of visits) {
    const before = structuredClone(made), gapped = leaveOut(made, seed);
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

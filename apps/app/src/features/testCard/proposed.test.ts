import type { Judgement, NextTest, TestId } from '@jumper/core';
import { isProposed, outlookOn } from './proposed';

const proposal = (test: TestId): NextTest => ({ test, informationBits: 0.5, minutes: 2, intrusive: false, text: '', outlook: [] });
const asking = (test: TestId, proving: TestId | null = null) =>
  ({ nextTests: [proposal(test)], proof: proving && proposal(proving) }) satisfies Pick<Judgement, 'nextTests' | 'proof'>;

it('a test that the judge asked for is known from one that somebody chose', () => {
  expect(isProposed(asking('gas-valve-press'), 'gas-valve-press')).toBe(true);
  expect(isProposed(asking('gas-valve-press', 'pump-up-hold'), 'pump-up-hold')).toBe(true);
  expect(isProposed(asking('gas-valve-press'), 'bleed-radiators')).toBe(false);
  expect(isProposed(undefined, 'gas-valve-press')).toBe(false);
});

it('after the work it is what the judge asks then', () => {
  const diagnosis = { ...asking('gas-valve-press'), now: asking('gas-valve-bubbles') };
  expect(isProposed(diagnosis, 'gas-valve-bubbles')).toBe(true);
  expect(isProposed(diagnosis, 'gas-valve-press')).toBe(false);
});

it('the outlook is that of the state of the circuit now, and none of a test that nobody asked for', () => {
  const expecting = (text: string) => {
    const d = asking('gas-valve-press');
    d.nextTests[0]!.outlook = [{ text, said: text, probability: 0.4, first: { faults: ['none'], probability: 0.7 } }];
    return d;
  };
  const diagnosis = { ...expecting('Water'), now: expecting('Air') };
  expect(outlookOn(expecting('Water'), 'gas-valve-press').map((o) => o.text)).toEqual(['Water']);
  expect(outlookOn(diagnosis, 'gas-valve-press').map((o) => o.text)).toEqual(['Air']);
  expect(outlookOn(diagnosis, 'bleed-radiators')).toEqual([]);
  const proving = { nextTests: [], proof: expecting('Hiss').nextTests[0]! };
  expect(outlookOn(proving, 'gas-valve-press').map((o) => o.text)).toEqual(['Hiss']);
  expect(outlookOn(undefined, 'gas-valve-press')).toEqual([]);
});

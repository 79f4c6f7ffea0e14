import type { Judgement, TestId } from '@jumper/core';
import { isProposed } from './proposed';

const asking = (test: TestId, provingTest: TestId | null = null) =>
  ({ nextTests: [{ test, informationBits: 0.5, minutes: 2, intrusive: false, text: '' }], provingTest }) as unknown as Judgement;

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

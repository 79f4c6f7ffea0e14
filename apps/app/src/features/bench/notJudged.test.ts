import type { Finding } from '@jumper/core';
import { notJudgedLines } from './notJudged';

const DRAWN: Finding = { test: 'draw-off', volumeL: 0.5, beforeBar: 1.5 };

it('names the test and what is missing as its card does', () =>
  expect(notJudgedLines(['findings.1.afterBar'], { findings: [{ test: 'visible-leak', outcome: 'none' }, DRAWN] })).toEqual([
    'Draw off a measured volume, cold: “Gauge after” is missing.',
  ]));
it('says nothing of findings that are gone', () => {
  expect(notJudgedLines(['findings.4.afterBar'], { findings: [DRAWN] })).toEqual([]);
  expect(notJudgedLines([], {})).toEqual([]);
});

import { looksAlike } from './lookAlike';
import { confusions, reliability, scoreTier, type Judged } from './score';

const judged = (truth: string[], hypotheses: [string[], number][], testsDone: string[] = []): Judged => ({
  id: 'x',
  tier: 'hand',
  truth: { faults: truth, chargeBar: 0.5, contentL: 100, contentMeasured: false, riseK: 40, offsetBar: 0 },
  testsDone,
  rule: ['none'],
  seconds: 1,
  answer: {
    hypotheses: hypotheses.map(([faults, probability]) => ({ faults, probability })),
    estimates: { prechargeBar: { median: 0.6, p05: 0.4, p95: 0.8 } },
  },
});

describe('what cannot be told apart', () => {
  it('is told apart as soon as a test parts it', () => {
    expect(looksAlike(['vessel-undercharged'], ['vessel-diaphragm-failed'], [])).toBe(true);
    expect(looksAlike(['vessel-undercharged'], ['vessel-diaphragm-failed'], ['gas-valve-press'])).toBe(false);
    expect(looksAlike(['vessel-undercharged'], ['vessel-diaphragm-failed'], ['second-gauge'])).toBe(true);
    expect(looksAlike(['vessel-undercharged'], ['circuit-leak'], [])).toBe(false);
  });
  it('goes one for one in sets, whatever their order', () => {
    expect(looksAlike(['circuit-leak', 'vessel-undercharged'], ['vessel-isolated', 'relief-valve-passing'], [])).toBe(true);
    expect(looksAlike(['circuit-leak', 'relief-valve-passing'], ['circuit-leak', 'vessel-isolated'], [])).toBe(false);
    expect(looksAlike(['circuit-leak'], ['circuit-leak', 'none'], [])).toBe(false);
  });
});

it('scores the first, the first three, the probability and the interval', () => {
  const s = scoreTier('all', [
    judged(
      ['none'],
      [
        [['none'], 0.5],
        [['circuit-leak'], 0.5],
      ],
    ),
    judged(
      ['circuit-leak'],
      [
        [['none'], 0.75],
        [['vessel-undercharged'], 0.2],
        [['circuit-leak'], 0.05],
      ],
    ),
  ]);
  expect(s).toMatchObject({ cases: 2, top1: 0.5, top1Alike: 0.5, top3Alike: 1, ruleAlike: 0.5, chargeGiven: 1, chargeCovered: 1 });
  expect(Math.abs(s.logScoreBits - (1 - Math.log2(0.05)) / 2)).toBeLessThan(1e-9);
  expect(Math.abs(s.chargeErrorEstimatedBar - 0.1)).toBeLessThan(1e-9);
});

it('is reliable when 80 % is right four times in five, and says by how much it is not', () => {
  const four = (right: boolean) =>
    judged(right ? ['none'] : ['circuit-leak'], [
      [['none'], 0.8],
      [['air-in-circuit'], 0.2],
    ]);
  expect(reliability([four(true), four(true), four(true), four(true), four(false)]).error).toBeLessThan(1e-9);
  expect(Math.abs(reliability([four(false), four(false)]).error - 0.8)).toBeLessThan(1e-9);
  expect(confusions([four(false), four(false), four(true)])).toEqual([{ truth: 'circuit-leak', said: 'none', cases: 2 }]);
});

import { besideTheRule } from './besideTheRule';
import { scoreEstimates } from './estimateScore';
import { foundByFault } from './foundByFault';
import { looksAlike } from './lookAlike';
import type { Judged } from './Judged';
import { confusions, reliability, scoreTier } from './score';

const judged = (truth: string[], hypotheses: [string[], number][], testsDone: string[] = []): Judged => ({
  id: 'x',
  tier: 'hand',
  truth: {
    faults: truth,
    chargeBar: 0.5,
    contentL: 100,
    contentMeasured: false,
    riseK: 40,
    offsetBar: 0,
    inflowLPerH: 0,
    lossLPerH: truth.includes('circuit-leak') ? 2 : 0,
    liftBar: 3,
  },
  testsDone,
  rule: ['none'],
  seconds: 1,
  answer: {
    hypotheses: hypotheses.map(([faults, probability]) => ({ faults, probability })),
    estimates: {
      prechargeBar: { median: 0.6, p05: 0.4, p95: 0.8 },
      waterVolumeL: null,
      inflowLPerH: null,
      lossLPerH: { median: 1, p05: 0.5, p95: 1.5 },
      gaugeOffsetBar: { median: 0.02, p05: -0.05, p95: 0.09 },
      reliefLiftBar: null,
    },
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

describe('beside the rule of thumb', () => {
  const visit = (ruleIsRight: boolean, judgeIsRight: boolean): Judged => ({
    ...judged(['circuit-leak'], [[[judgeIsRight ? 'circuit-leak' : 'none'], 1]]),
    rule: [ruleIsRight ? 'circuit-leak' : 'none'],
  });
  // Of four that the rule has, three; of two that it has not, one.
  const six = [visit(true, true), visit(true, true), visit(true, true), visit(true, false), visit(false, true), visit(false, false)];

  it('the judge is weighed as if the rule were right as often as on easy visits', () => {
    const s = besideTheRule('pair', six);
    expect(s).toMatchObject({ whereRight: 0.75, whereWrong: 0.5 });
    expect(s.rule).toBeCloseTo(4 / 6, 12);
    expect(s.weighed).toBeCloseTo(0.62 * 0.75 + 0.38 * 0.5, 12);
  });

  it('nothing is weighed where nobody said how often the rule is right', () => {
    expect(besideTheRule('days', six).weighed).toBeNull();
  });
});

it('tells how often each fault is found, the worst first, with what no test parted taken for it', () => {
  const found = foundByFault([
    judged(['circuit-leak', 'vessel-undercharged'], [[['circuit-leak'], 1]]),
    judged(['vessel-undercharged'], [[['vessel-diaphragm-failed'], 1]]),
    judged(['vessel-undercharged'], [[['vessel-diaphragm-failed'], 1]], ['gas-valve-press']),
  ]);
  expect(found.map((f) => [f.fault, f.cases])).toEqual([
    ['vessel-undercharged', 3],
    ['circuit-leak', 1],
  ]);
  expect(found[0]!.found).toBeCloseTo(1 / 3, 12);
  expect(found[1]!.found).toBe(1);
});

it('scores every estimate where it can be asked for, and counts what is told of nothing', () => {
  const held = judged(['circuit-leak'], [[['circuit-leak'], 1]], ['second-gauge']),
    cold = { ...judged(['none'], [[['none'], 1]]), truth: { ...judged(['none'], []).truth, riseK: 0 } };
  const of = Object.fromEntries(scoreEstimates([held, cold]).map((s) => [s.estimate, s]));
  expect(of.prechargeBar).toMatchObject({ asked: 1, given: 1, covered: 1 });
  expect(of.prechargeBar!.error).toBeCloseTo(0.1, 12);
  expect(of.waterVolumeL).toMatchObject({ asked: 1, given: 0, covered: NaN });
  expect(of.inflowLPerH).toMatchObject({ asked: 0, outOfNothing: 0 });
  // Two litres an hour, told as one to one and a half; and a loss where nothing is lost.
  expect(of.lossLPerH).toMatchObject({ asked: 1, given: 1, covered: 0, error: 0.5, outOfNothing: 1 });
  expect(of.gaugeOffsetBar).toMatchObject({ asked: 1, covered: 1, error: 0.02 });
  expect(of.reliefLiftBar).toMatchObject({ asked: 2, given: 0 });
});

it('no estimate is asked of a gauge that stands where it got stuck', () => {
  const stuck = judged(['gauge-misreading'], [[['gauge-misreading'], 1]], ['second-gauge']),
    off = { ...stuck, truth: { ...stuck.truth, offsetBar: 0.5 } };
  expect(scoreEstimates([stuck, off]).find((s) => s.estimate === 'gaugeOffsetBar')!.asked).toBe(1);
});

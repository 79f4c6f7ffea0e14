import type { CircuitSheet } from '../circuit/CircuitSheet';
import { OutOfRangeError } from '../OutOfRangeError';
import type { PressureLog } from '../log/PressureLog';
import type { Finding } from './Finding';
import { judgeEvidence } from './judgeEvidence';
import { comesToTheRelief, readVisit } from './Visit';
import { HOME } from './test/homes';

const log = (pressureBar: number[], flowC: number[]): PressureLog => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 300 * i), pressureBar, flowC },
});
const RISING = log([1.1, 1.15, 1.3, 1.4, 1.45, 1.5, 1.5, 1.5], [17, 20, 31, 45, 56, 63, 67, 68]);
const visit = (logs: PressureLog[], findings: Finding[] = [], circuit = HOME) =>
  readVisit({ circuit, logs, logIndices: logs.map((_, i) => i), findings: findings.map((finding, index) => ({ finding, index })) });
const OVERNIGHT: Finding = { test: 'idle-cold-pressure', valueBar: 1.2, idleHours: 9 };

describe('where it was found', () => {
  it('cold, that speaks by itself', () => {
    expect(visit([RISING])).toMatchObject({
      foundColdGaugeBar: 1.1,
      foundHot: false,
      logged: { coldGaugeBar: 1.1, peakGaugeBar: 1.5, hottestC: 68 },
    });
  });
  it('unless a night was waited for, which speaks as a finding', () => {
    expect(visit([RISING], [OVERNIGHT])).toMatchObject({ foundColdGaugeBar: null, foundHot: false, logged: { coldGaugeBar: 1.1 } });
    expect(visit([], [OVERNIGHT])).toMatchObject({
      foundColdGaugeBar: null,
      foundHot: false,
      logged: { coldGaugeBar: 1.2, topGaugeBar: 1.2, peakGaugeBar: null },
    });
  });
  it('warm, there is no cold pressure', () => {
    expect(visit([log([1.6, 1.5, 1.4, 1.3, 1.25], [68, 60, 52, 46, 41])])).toMatchObject({ foundColdGaugeBar: null, foundHot: true });
  });
});

it('a reading left out is named by its place, and its log stays as long', () => {
  const slipped = visit([
    {
      ...RISING,
      samples: { ...RISING.samples, pressureBar: RISING.samples.pressureBar.map((bar, i) => (i === 4 ? 1.95 : bar)) },
      events: [{ tS: 240, kind: 'heat-on' }],
    },
  ]);
  expect(slipped.slips).toEqual([4]);
  expect(slipped.logs[0]!.samples.pressureBar).toHaveLength(8);
  expect(visit([RISING]).slips).toEqual([null]);
});

it('comes to the relief from nearer by itself than where hot water was seen to come', () => {
  const near = log([1.2, 1.6, 2.1, 2.5, 2.8, 2.8], [17, 25, 40, 52, 60, 66]);
  expect(comesToTheRelief(visit([near]))).toBe(false);
  expect(comesToTheRelief(visit([near], [{ test: 'discharge-catch', volumeMl: 300, minutes: 15, during: 'heating' }]))).toBe(true);
  expect(comesToTheRelief(visit([RISING], [{ test: 'discharge-catch', volumeMl: 300, minutes: 15, during: 'heating' }]))).toBe(false);
});

it('a log that no model meets is judged with more noise, and the log itself stays as it was', () => {
  const wild = log([1.1, 1.9, 0.9, 1.9, 0.9, 1.9, 0.9, 1.9], [17, 20, 31, 45, 56, 63, 67, 68]),
    evidence = { circuit: HOME, logs: [wild], logIndices: [0], findings: [] };
  const before = readVisit(evidence),
    after = judgeEvidence(evidence, [
      { faults: ['none'], weight: 0.6 },
      { faults: ['circuit-leak'], weight: 0.4 },
    ]);
  expect(after.tracks[0]!.variance[3]! / before.tracks[0]!.variance[3]!).toBeGreaterThan(2);
  expect(after.tracks[0]!.gaugeBar).toEqual(before.tracks[0]!.gaugeBar);
});

it('a steam boiler’s logs say nothing here, and a sheet outside the physics is refused', () => {
  expect(visit([RISING], [], { kind: 'steam' } as CircuitSheet).tracks).toHaveLength(0);
  expect(() => visit([], [], { ...HOME, altitudeM: 90_000 })).toThrow(OutOfRangeError);
});

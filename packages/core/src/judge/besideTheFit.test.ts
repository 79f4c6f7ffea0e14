import type { PressureLog } from '../log/PressureLog';
import { besideTheFit, stoodEmpty } from './besideTheFit';
import type { FaultId } from './faults';
import { readVisit } from './Visit';
import { HOME } from './test/homes';

const heated = (pressureBar: number[]): PressureLog => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 300 * i), pressureBar, flowC: pressureBar.map((_, i) => Math.min(68, 15 + 12 * i)) },
  events: [{ tS: 60, kind: 'heat-on' }],
});
/** All that a log says of a set beside its fit where it says the same of every draw, as one likelihood. */
const said = (log: PressureLog, ...faults: FaultId[]) =>
  besideTheFit(readVisit({ circuit: HOME, logs: [log], logIndices: [0], findings: [] }))(faults).reduce<number>(
    (all, one) => all * (typeof one === 'number' ? one : 1),
    1,
  );

describe('what stands empty', () => {
  const stood = (every: number, bars: number[]) =>
    stoodEmpty({ gaugeBar: Float64Array.from(bars), tS: Float64Array.from(bars, (_, i) => every * i) });
  it('does so for minutes on end, however often it was read meanwhile', () => {
    expect(stood(10, [0.4, ...Array<number>(19).fill(0), 0.3])).toBe(true);
    expect(stood(180, [0.4, 0, 0, 0.3])).toBe(true);
    expect(stood(10, [0.4, ...Array<number>(18).fill(0), 0.3])).toBe(false);
  });
  it('does not where it came back in between, or never ended', () => {
    expect(stood(100, [0, 0, 0.3, 0, 0, 0.3])).toBe(false);
    expect(stood(600, [0.5, 0.3, 0.2])).toBe(false);
  });
});

it('a circuit that stood empty is hardly fed and leaking at once, more than either alone', () => {
  const ran = heated([1, 0.6, 0.3, 0, 0, 0, 0.2, 0.5]),
    stood = heated([1, 1, 1.1, 1.2, 1.3, 1.4, 1.4, 1.4]);
  expect(said(ran, 'circuit-leak', 'fill-loop-passing') / said(ran, 'circuit-leak')).toBeLessThan(0.2);
  expect(said(stood, 'circuit-leak', 'fill-loop-passing') / said(stood, 'circuit-leak')).toBeCloseTo(1, 12);
});

it('what comes up to its relief has something that drives it there', () => {
  const up = heated([1.2, 1.5, 1.9, 2.4, 2.8, 2.95, 2.95]),
    low = heated([1.2, 1.3, 1.4, 1.5, 1.6, 1.6, 1.6]);
  const gain = (log: PressureLog) => said(log, 'vessel-diaphragm-failed') / said(log, 'none');
  expect(gain(up) / gain(low)).toBeGreaterThan(10);
});

it('a vessel that leaves the pressure far below the relief is hardly too small', () => {
  const share = (top: number) => {
    const log = heated([1, 1.1, 1.2, top, top, top]);
    return said(log, 'vessel-undersized') / said(log, 'boiler-overheating');
  };
  expect(share(1.6)).toBeLessThan(share(2.7) / 3);
});

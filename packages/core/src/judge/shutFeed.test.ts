import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from '../log/PressureLog';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';

// A feed that was shut, and what goes on all the same. Visits in our own words; common practice.
const ROOM: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 450,
  waterVolumeSource: 'estimated',
  heatOutputKw: 70,
  staticHeadM: 16,
  vessel: { nominalVolumeL: 60, labelPrechargeBar: 1.9 },
  reliefValve: { setBar: 6 },
  fill: { kind: 'pressurisation-unit', cutInBar: 2.2, cutOutBar: 2.6 },
  domesticHotWater: { kind: 'none' },
  maxFlowC: 70,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
const rising = (kind: 'fill-closed' | 'cold-main-closed' | null): PressureLog => ({
  source: 'hand',
  samples: {
    tS: [0, 900, 1800, 2700, 3600, 4500, 5400],
    pressureBar: [2.5, 2.7, 2.95, 3.15, 3.4, 3.6, 3.75],
    flowC: [19, 19, 19, 19, 19, 19, 19],
  },
  events: kind ? [{ tS: 0, kind }] : [],
});
const judged = (circuit: CircuitSheet, log: PressureLog, findings: Finding[] = []) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'shut', circuit, logs: [log], findings });
const shareOf = (d: ReturnType<typeof judged>, fault: FaultId) => d.marginals[fault] ?? 0;

describe('a unit’s circuit that rises cold', () => {
  it('beside its shut valve has a bypass that begins before it', () => {
    const d = judged(ROOM, rising('fill-closed'));
    expect(d.hypotheses[0]!.faults).toEqual(['fill-bypass-open']);
    expect(shareOf(d, 'fill-bypass-open')).toBeGreaterThan(0.5);
  });
  it('with the main shut has none: nothing presses it in', () =>
    expect(shareOf(judged(ROOM, rising('cold-main-closed')), 'fill-bypass-open')).toBeLessThan(
      0.2 * shareOf(judged(ROOM, rising('fill-closed')), 'fill-bypass-open'),
    ));
  it('and says the same as a watch beside it', () =>
    expect(
      shareOf(
        judged(ROOM, rising('fill-closed'), [{ test: 'fill-isolated-watch', startBar: 2.5, endBar: 3.4, minutes: 60, heating: false }]),
        'fill-bypass-open',
      ),
    ).toBeGreaterThan(0.8));
});

it('a relief that drips cold where nothing was heated is worn: few lift as low as a circuit stands', () => {
  const FED: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 190,
    waterVolumeSource: 'estimated',
    heatOutputKw: 30,
    staticHeadM: 4.5,
    vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.83 },
    reliefValve: { setBar: 2.07 },
    fill: { kind: 'reducing-valve', setBar: 0.83 },
    domesticHotWater: { kind: 'indirect-coil' },
    gauge: { kind: 'dial', resolutionBar: 0.05 },
  };
  const stands: PressureLog = {
    source: 'hand',
    samples: {
      tS: [0, 600, 1200, 1800, 2400, 3000, 3600],
      pressureBar: [0.85, 0.875, 0.85, 0.85, 0.85, 0.875, 0.85],
      flowC: [17, 17, 17, 17, 17, 17, 17],
    },
    events: [],
  };
  const d = judged(FED, stands, [{ test: 'discharge-catch', volumeMl: 550, minutes: 10, during: 'cold' }]);
  expect(shareOf(d, 'relief-valve-lifts-early')).toBeLessThan(0.4);
  expect(shareOf(d, 'relief-valve-passing')).toBeGreaterThan(0.55);
});

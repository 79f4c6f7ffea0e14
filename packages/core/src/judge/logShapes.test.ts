import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { EventKind, LogEvent, PressureLog } from '../log/PressureLog';
import { simulateCase } from '../simulate/simulateCase';
import { diagnose } from './diagnose';
import { LITTLE_GAS } from './faultGroups';
import type { FaultId } from './faults';

/** What people log is not always one heat cycle with all that belongs to it. Each of these shapes had been misread once. */
const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  heatOutputKw: 24,
  staticHeadM: 4,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.8 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 75,
};
const FED: CircuitSheet = {
  ...WALL,
  waterVolumeL: 150,
  heatOutputKw: 30,
  staticHeadM: 5,
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.8 },
  fill: { kind: 'reducing-valve', setBar: 1.2, mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 70,
};
const HEATED = [{ onS: 1500, offS: 3600, maxC: 70 }];

interface Run {
  circuit: CircuitSheet;
  fault: FaultId;
  heat?: typeof HEATED;
  actions: LogEvent[];
  /** Readings by a hand every five minutes, or a logger's. */
  everyS?: number;
  temperatures?: boolean;
  /** How late the events were noted, s. */
  notedS?: number;
}
function logOf({ circuit, fault, heat = [], actions, everyS = 300, temperatures = true, notedS = 0 }: Run): PressureLog {
  const { log } = simulateCase({
    circuit,
    faults: fault === 'none' ? [] : [{ id: fault, severity: 0.7 }],
    schedule: { startC: 18, durationS: 6000, stepS: everyS, heat, actions },
    gauge: { resolutionBar: everyS < 60 ? 0.01 : 0.1 },
    seed: 5,
  });
  const { tS, pressureBar, flowC, returnC } = log.samples;
  return {
    source: everyS < 60 ? 'logger' : 'hand',
    samples: { tS, pressureBar, ...(temperatures ? { flowC, returnC } : {}) },
    events: log.events!.map((e) => ({ ...e, tS: e.tS + notedS })),
  };
}
const shareOf = (circuit: CircuitSheet, log: PressureLog, ...any: FaultId[]) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'x', circuit, logs: [log] })
    .hypotheses.filter((h) => h.faults.some((f) => any.includes(f)))
    .reduce((a, h) => a + h.probability, 0);
const at = (tS: number, kind: EventKind, volumeL?: number): LogEvent => ({ tS, kind, ...(volumeL ? { volumeL } : {}) });

it('half a litre that empties the gauge, and noted as the reading before it was taken, is a circuit with hardly any gas in play', () => {
  const log = logOf({ circuit: WALL, fault: 'vessel-isolated', heat: HEATED, actions: [at(600, 'drawn-off', 0.5)] });
  expect(shareOf(WALL, log, ...LITTLE_GAS)).toBeGreaterThan(0.9);
});

it('a feed that lets it stand far too low feeds nothing, whoever tops it up, and whenever that was noted', () => {
  for (const notedS of [-45, 0, 45])
    expect(
      shareOf(
        FED,
        logOf({ circuit: FED, fault: 'feed-starved', heat: HEATED, actions: [at(600, 'top-up', 1)], notedS }),
        'feed-starved',
        'fill-pressure-too-low',
      ),
    ).toBeGreaterThan(0.5);
});

it('a logger that saw the filling itself is not taken for anything else', () => {
  const log = logOf({ circuit: FED, fault: 'feed-starved', heat: HEATED, actions: [at(600, 'top-up', 1)], everyS: 10, notedS: 45 });
  expect(shareOf(FED, log, 'feed-starved')).toBeGreaterThan(0.5);
  expect(shareOf(FED, log, 'vessel-overcharged')).toBeLessThan(0.1);
});

it.each([
  ['reducing-valve-creeping', 'reducing-valve-creeping'],
  ['dhw-coil-perforated', 'dhw-coil-perforated'],
] as const)('a rise that goes on, or ends, where the coil was shut off needs no word of heat: %s', (fault, said) => {
  const log = logOf({ circuit: FED, fault, actions: [at(2400, 'coil-isolated')], temperatures: false });
  // A coil is holed less often than a feed valve creeps.
  expect(shareOf(FED, log, said)).toBeGreaterThan(fault === 'dhw-coil-perforated' ? 0.35 : 0.5);
});

describe('a diary', () => {
  const H = 3600,
    diary = (hours: number[], pressureBar: number[]): PressureLog => ({
      source: 'hand',
      samples: { tS: hours.map((h) => h * H), pressureBar },
      events: [],
    });
  const MORNINGS_EVENINGS = [0, 10, 24, 34, 48, 58, 72, 82];

  it('of mornings and evenings that swing by a bar and a half is heat, and little gas', () => {
    const log = diary(MORNINGS_EVENINGS, [1, 2.6, 1, 2.7, 0.9, 2.6, 0.9, 2.6]);
    expect(shareOf(WALL, log, ...LITTLE_GAS)).toBeGreaterThan(0.7);
    expect(shareOf(WALL, log, 'fill-loop-passing', 'dhw-plate-perforated')).toBeLessThan(0.1);
  });

  it('that swings as it should is in order', () =>
    expect(shareOf(WALL, diary(MORNINGS_EVENINGS, [1.1, 1.5, 1.1, 1.5, 1.1, 1.6, 1.1, 1.5]), 'none')).toBeGreaterThan(0.6));

  it('that falls or rises day by day loses or gains water', () => {
    const days = [0, 24, 48, 72, 96, 120, 144];
    expect(
      shareOf(
        WALL,
        diary(days, [1.5, 1.4, 1.3, 1.2, 1.1, 1, 0.9]),
        'circuit-leak',
        'relief-valve-passing',
        'boiler-exchanger-leak',
        'air-vent-faulty',
      ),
    ).toBeGreaterThan(0.85);
    expect(shareOf(WALL, diary(days, [1, 1.2, 1.4, 1.6, 1.8, 2, 2.2]), 'fill-loop-passing', 'dhw-plate-perforated')).toBeGreaterThan(0.85);
  });
});

it('three readings, of which the middle one is at the relief, are enough to say that there is little gas', () => {
  const log: PressureLog = {
    source: 'hand',
    samples: { tS: [900, 3000, 9000], pressureBar: [1.1, 3, 1.3], flowC: [18, 69, 30], returnC: [18, 60, 29] },
    events: [at(900, 'heat-on'), at(3000, 'heat-off')],
  };
  expect(shareOf(WALL, log, ...LITTLE_GAS)).toBeGreaterThan(0.7);
});

import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from '../log/PressureLog';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import { SMALL_HOME } from './test/homes';

// A few readings as a hand takes them, and what anybody in the trade would say of them. Common practice.
const PLANT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 1800,
  waterVolumeSource: 'estimated',
  heatOutputKw: 180,
  staticHeadM: 14,
  vessel: { nominalVolumeL: 200, labelPrechargeBar: 1.8 },
  reliefValve: { setBar: 4 },
  fill: { kind: 'pressurisation-unit', cutInBar: 2, cutOutBar: 2.3 },
  domesticHotWater: { kind: 'none' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
const readBy = (rows: [min: number, bar: number, flowC?: number][], heated = false): PressureLog => ({
  source: 'hand',
  samples: {
    tS: rows.map(([min]) => 60 * min),
    pressureBar: rows.map(([, bar]) => bar),
    ...(rows[0]![2] === undefined ? {} : { flowC: rows.map(([, , flowC]) => flowC!) }),
  },
  events: heated ? [{ tS: 0, kind: 'heat-on' }] : [],
});
const judged = (circuit: CircuitSheet, log: PressureLog, findings: Case['findings'] = []) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'rough', circuit, logs: [log], findings });

const LIFTS_TWICE: [number, number, number][] = [
  [0, 1.4, 18],
  [8, 1.7, 38],
  [15, 2.1, 52],
  [20, 2.35, 60],
  [22, 2, 61],
  [30, 2.2, 64],
  [34, 2.35, 66],
  [36, 2, 66],
];
it('what falls twice from the same place while it is heated lifts there, well below its marking', () => {
  const findings: Case['findings'] = [
    { test: 'second-gauge', valueBar: 2, firstGaugeBar: 2 },
    { test: 'relief-marking', markedBar: 3 },
  ];
  const large = { ...SMALL_HOME, waterVolumeL: 150 };
  // Springs seldom drift so far: it takes more than one sign to put it first; beside nothing wrong it stands.
  const twice = judged(large, readBy(LIFTS_TWICE, true), findings);
  expect(twice.hypotheses.slice(0, 2).map((h) => h.faults.join())).toContain('relief-valve-lifts-early');
  // Without the second gauge the one on the boiler may lie, and the relief be right.
  expect(judged(large, readBy(LIFTS_TWICE, true)).hypotheses[0]!.faults).toEqual(['gauge-misreading']);
});

it('a unit that pumps from limit to limit again and again is not the heat going on and off: it makes up for a leak', () => {
  const saw = readBy([
    [0, 2.3],
    [20, 2.15],
    [40, 2],
    [44, 2.3],
    [64, 2.15],
    [84, 2],
    [88, 2.3],
  ]);
  const { hypotheses, because } = judged(PLANT, saw, [{ test: 'discharge-pipe', outcome: 'dry' }]);
  expect(hypotheses[0]!.faults).toEqual(['circuit-leak']);
  expect(because.find((b) => b.evidence === 'log:0')!.text).toBe(
    'Fell 0.3 bar; no temperatures or heat on/off logged. The unit pumped it up 2 times.',
  );
});

import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { Case } from './Case';
import type { Complaint } from './priors/complaints';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { everyThird } from './test/everyThird';
import { samplesOf, type Reading } from './test/told';

// Visits as they are told in the trade, in our own words, of circuits that feed themselves, of plant rooms, and of what was seen once the
// work was done; written down before the judge was asked. Common practice.
const psi = (x: number) => Math.round(x * 6.89476) / 100;
const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  heatOutputKw: 40,
  staticHeadM: 5,
  vessel: { nominalVolumeL: 17, labelPrechargeBar: psi(12), isolationValve: 'none' },
  reliefValve: { setBar: psi(30) },
  fill: { kind: 'reducing-valve', setBar: psi(15), mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  gauge: { kind: 'dial', resolutionBar: 0.14 },
  maxFlowC: 82,
};
const FED_PLAIN: CircuitSheet = { ...FED, domesticHotWater: { kind: 'none' } };
const PLANT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 4000,
  waterVolumeSource: 'estimated',
  heatOutputKw: 600,
  staticHeadM: 15,
  vessel: { nominalVolumeL: 500, targetPrechargeBar: 1.8 },
  reliefValve: { setBar: 5, capacityKw: 900 },
  fill: { kind: 'pressurisation-unit', cutInBar: 2, cutOutBar: 2.5, mainsBar: 4 },
  domesticHotWater: { kind: 'none' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  maxFlowC: 80,
};
const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 90,
  waterVolumeSource: 'estimated',
  heatOutputKw: 24,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, targetPrechargeBar: 0.75, ageYears: 10 },
  reliefValve: { setBar: 3, ageYears: 10 },
  fill: { kind: 'manual-loop', mainsBar: 3 },
  domesticHotWater: { kind: 'plate-exchanger' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  maxFlowC: 70,
};

type Log = NonNullable<Case['logs']>[number];
type Told = Partial<Case> & { circuit: CircuitSheet };
const read = (readings: Reading[], more: Partial<Log> = { events: [{ tS: 0, kind: 'heat-on' }] }): Log => ({
  source: 'hand',
  samples: samplesOf(readings),
  ...more,
});
const idle = { events: [] };
const f = (test: Finding['test'], found: string | Partial<Finding>): Finding => ({
  test,
  ...(typeof found === 'string' ? { outcome: found } : found),
});
const watch = (test: Finding['test'], startBar: number, endBar: number, minutes: number): Finding => ({
  test,
  startBar,
  endBar,
  minutes,
  ...(test === 'fill-disconnected-watch' ? { boilerIsolated: false } : { heating: false }),
});
const charge = (valueBar: number): Finding => ({ test: 'precharge', valueBar, circuitBar: 0, drainOpen: true });
const after = (finding: Finding): Finding => ({ ...finding, epoch: 'after-work' });
const both = (bar: number) => f('second-gauge', { valueBar: bar, firstGaugeBar: bar });

// prettier-ignore
const FED_STORIES: [string, Told, FaultId[]][] = [
  ['a lever half open beside the feed', { circuit: FED_PLAIN, complaint: ['drips-outside'], findings: [f('idle-cold-pressure', { valueBar: psi(29), idleHours: 5 }), watch('fill-isolated-watch', psi(15), psi(26), 20), f('discharge-pipe', { outcome: 'running', water: 'cold' }), watch('cold-main-off-watch', psi(15), psi(15), 20)] }, ['fill-bypass-open']],
  ['three parts new, and only the coil is left', { circuit: FED, complaint: ['drips-outside'], alreadyDone: [{ part: 'reducing-valve' }, { part: 'vessel' }, { part: 'relief-valve' }], findings: [watch('fill-isolated-watch', psi(15), psi(24), 90), watch('coil-isolated-watch', psi(15), psi(15), 90)] }, ['dhw-coil-perforated']],
  ['30 on the old gauge, 15 on the other', { circuit: FED, findings: [f('second-gauge', { valueBar: psi(15), firstGaugeBar: psi(30) }), f('discharge-pipe', 'dry')] }, ['gauge-misreading']],
  ['4 psi, and nothing comes with the main open', { circuit: FED, complaint: ['no-heat'], logs: [read([[0, psi(4), 20], [20, psi(4), 20]], idle)], findings: [watch('cold-main-on-watch', psi(4), psi(4), 20), f('visible-leak', 'none')] }, ['feed-starved']],
  ['24 psi for hours, whether the feed is shut or not', { circuit: FED_PLAIN, logs: [read([[0, psi(24), 20], [120, psi(24), 20], [240, psi(24), 20]], idle)], findings: [watch('fill-isolated-watch', psi(24), psi(24), 60)] }, ['reducing-valve-set-high']],
  ['the leak that the feed made good', { circuit: FED, complaint: ['water-on-floor'], findings: [watch('fill-isolated-watch', psi(15), psi(8), 120), f('discharge-pipe', 'dry'), f('visible-leak', 'none'), f('boiler-isolated-hold', { boilerStartBar: psi(15), boilerEndBar: psi(15), circuitStartBar: psi(15), circuitEndBar: psi(7), minutes: 120 })] }, ['circuit-leak']],
];
// prettier-ignore
const PLANT_STORIES: [string, Told, FaultId[]][] = [
  ['boilers held off, and the unit’s pump does not start', { circuit: PLANT, complaint: ['locks-out', 'no-heat'], logs: [read([[0, 1.6, 30], [30, 1.55, 28], [60, 1.5, 26]], idle)], findings: [both(1.5), f('visible-leak', 'none')] }, ['pressurisation-unit-fault']],
  ['up to the relief at 70 °C', { circuit: PLANT, complaint: ['gauge-climbs-hot', 'drips-outside'], logs: [read([[0, 2.3, 20], [30, 3.2, 40], [60, 4.3, 60], [80, 4.9, 68], [90, 5, 70]])], findings: [f('gas-valve-press', 'air')] }, ['vessel-undercharged']],
  ['water at the air valve of the large one', { circuit: PLANT, complaint: ['gauge-climbs-hot'], findings: [f('gas-valve-press', 'water'), charge(0)] }, ['vessel-diaphragm-failed']],
  ['a leak that the unit made good', { circuit: PLANT, complaint: ['water-on-floor'], findings: [f('visible-leak', 'found'), watch('fill-isolated-watch', 2.2, 2, 180), f('discharge-pipe', 'dry')] }, ['circuit-leak']],
  ['nearly a litre in half an hour, cold', { circuit: PLANT, findings: [f('discharge-catch', { volumeMl: 900, minutes: 30, during: 'cold' }), f('idle-cold-pressure', { valueBar: 2.3, idleHours: 10 })] }, ['relief-valve-passing']],
];
const STEEP = read([
  [0, 1, 18],
  [3, 1.9, 34],
  [6, 2.9, 50],
]);
// prettier-ignore
const AFTERWARDS: [string, Told, FaultId[], FaultId[]][] = [
  ['recharged, and it swings as it should', { circuit: WALL, complaint: ['gauge-climbs-hot'], repairs: [{ kind: 'vessel-recharged', toBar: 0.8 }], findings: [charge(0.1), f('gas-valve-press', 'air'), after(f('heat-run-after', { coldBar: 1.2, hotBar: 1.6, hotC: 68, minutes: 15 }))] }, ['vessel-undercharged'], ['none']],
  ['air comes out of the drain while it is pumped up', { circuit: WALL, complaint: ['gauge-climbs-hot'], repairs: [{ kind: 'vessel-recharged', toBar: 0.8 }], logs: [read([[0, 1, 18], [5, 1.9, 45], [10, 2.7, 62]])], findings: [after(f('pump-up-hold', 'bubbles-at-drain'))] }, ['vessel-diaphragm-failed'], ['vessel-diaphragm-failed']],
  ['a new vessel, and it climbs as before', { circuit: WALL, complaint: ['gauge-climbs-hot'], repairs: [{ kind: 'vessel-changed', toBar: 0.75 }], logs: [STEEP, { ...STEEP, epoch: 'after-work' }] }, ['vessel-connection-blocked'], ['vessel-connection-blocked']],
  ['a new relief, and the pressure rises with the loop off', { circuit: WALL, complaint: ['drips-outside'], repairs: [{ kind: 'relief-changed' }], findings: [f('idle-cold-pressure', { valueBar: 2.7, idleHours: 8 }), after(watch('fill-disconnected-watch', 1.2, 1.7, 30))] }, ['dhw-plate-perforated'], ['dhw-plate-perforated']],
  ['a new plate exchanger, and it stands', { circuit: WALL, complaint: ['drips-outside'], repairs: [{ kind: 'plate-changed' }], findings: [watch('fill-disconnected-watch', 1.2, 1.8, 30), f('fill-outlet-drip', 'dry'), after(watch('fill-disconnected-watch', 1.2, 1.2, 30))] }, ['dhw-plate-perforated'], ['none']],
];
const asked = (told: Told) => diagnose({ format: 'jumper-case', version: 1, id: 'story', ...told });

it.each(everyThird([...FED_STORIES, ...PLANT_STORIES]))('%s', (_, told, truth) => expect(asked(told).hypotheses[0]!.faults).toEqual(truth));

it.each(AFTERWARDS)('once the work is done: %s', (_, told, found, left) => {
  const d = asked(told);
  expect(d.hypotheses[0]!.faults).toEqual(found);
  expect(d.now!.hypotheses[0]!.faults).toEqual(left);
});

it('30 psi at 180 °F on a charge of 2 psi is a flat vessel, whatever the relief has done since', () => {
  const d = asked({
    circuit: FED,
    complaint: ['drips-outside'],
    logs: [
      read([
        [0, psi(15), 21],
        [5, psi(20), 43],
        [10, psi(25), 60],
        [15, psi(29), 74],
        [20, psi(30), 81],
      ]),
    ],
    findings: [charge(psi(2)), f('gas-valve-press', 'air')],
  });
  expect(d.marginals['vessel-undercharged']!).toBeGreaterThan(0.9);
});

it('28 psi in the morning that stands with the feed shut is the feed: set too high, or creeping', () => {
  const d = asked({
    circuit: FED_PLAIN,
    complaint: ['drips-outside'],
    findings: [
      f('idle-cold-pressure', { valueBar: psi(28), idleHours: 9 }),
      watch('fill-isolated-watch', psi(15), psi(15), 60),
      both(psi(28)),
    ],
  });
  expect(d.marginals['reducing-valve-creeping']! + d.marginals['reducing-valve-set-high']!).toBeGreaterThan(0.9);
});

it('a pressure that goes on rising past a unit’s limits and stands with the feed shut is a bypass or the unit itself', () => {
  const d = asked({
    circuit: PLANT,
    complaint: ['drips-outside'],
    logs: [
      read(
        [
          [0, 3.2, 40],
          [20, 3.4, 40],
          [40, 3.6, 40],
          [60, 3.8, 40],
        ],
        idle,
      ),
    ],
    findings: [watch('fill-isolated-watch', 3.2, 3.2, 60)],
  });
  expect(d.marginals['pressurisation-unit-fault']! + d.marginals['fill-bypass-open']!).toBeGreaterThan(0.9);
  expect(d.marginals['pressurisation-unit-fault']!).toBeGreaterThan(0.05);
});

it('two watches that say the same, with no log, are a bypass or the unit itself', () => {
  const d = asked({
    circuit: PLANT,
    complaint: ['drips-outside'],
    findings: [
      f('idle-cold-pressure', { valueBar: 3.9, idleHours: 10 }),
      watch('fill-isolated-watch', 2.6, 2.6, 60),
      watch('cold-main-on-watch', 2.6, 3, 60),
    ],
  });
  for (const either of ['pressurisation-unit-fault', 'fill-bypass-open'] as const) expect(d.marginals[either]!).toBeGreaterThan(0.03);
  expect(d.marginals['pressurisation-unit-fault']! + d.marginals['fill-bypass-open']!).toBeGreaterThan(0.9);
});

it('a hot reading that this circuit should show is what it is, though somebody says that the gauge climbs', () => {
  const told = (complaint: Complaint[]) =>
    asked({
      circuit: FED,
      complaint,
      logs: [
        read([
          [0, psi(14), 20],
          [5, psi(16), 50],
          [10, psi(18), 65],
          [15, psi(20), 75],
        ]),
      ],
      findings: [f('discharge-pipe', 'dry'), f('idle-cold-pressure', { valueBar: psi(14), idleHours: 9 })],
    });
  expect(told([]).hypotheses[0]!.faults).toEqual(['none']);
  expect(told(['gauge-climbs-hot']).hypotheses[0]!.faults).toEqual(['none']);
});

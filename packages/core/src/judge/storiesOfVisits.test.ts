import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';

// Visits of the pressure side with a few readings and two to four findings, written down before the judge was asked. Common practice.
const BARE: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } };
const WALL: CircuitSheet = { ...BARE, heatOutputKw: 24, waterVolumeL: 95, waterVolumeSource: 'estimated', staticHeadM: 4, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, fill: { kind: 'manual-loop', mainsBar: 3.5 }, domesticHotWater: { kind: 'plate-exchanger' }, gauge: { kind: 'dial', resolutionBar: 0.1 }, maxFlowC: 75 };
const HOME: CircuitSheet = { ...BARE, waterVolumeL: 180, waterVolumeSource: 'estimated', heatOutputKw: 30, staticHeadM: 5, vessel: { nominalVolumeL: 18, labelPrechargeBar: 1, targetPrechargeBar: 1, isolationValve: 'fitted-with-drain' }, fill: { kind: 'manual-loop', mainsBar: 4 }, domesticHotWater: { kind: 'indirect-coil' }, gauge: { kind: 'dial', resolutionBar: 0.1 }, maxFlowC: 75 };
const FED: CircuitSheet = { kind: 'sealed-hot-water', heatOutputKw: 30, staticHeadM: 4, vessel: { nominalVolumeL: 17, labelPrechargeBar: 0.83 }, reliefValve: { setBar: 2.07 }, fill: { kind: 'reducing-valve', setBar: 0.97, mainsBar: 4 }, domesticHotWater: { kind: 'indirect-coil' }, gauge: { kind: 'dial', resolutionBar: 0.1 }, maxFlowC: 82 };
const PLANT: CircuitSheet = { kind: 'sealed-hot-water', waterVolumeL: 2500, waterVolumeSource: 'estimated', heatOutputKw: 400, staticHeadM: 12, vessel: { nominalVolumeL: 400, targetPrechargeBar: 1.5 }, reliefValve: { setBar: 4 }, fill: { kind: 'pressurisation-unit', cutInBar: 1.7, cutOutBar: 2.1, mainsBar: 4 }, domesticHotWater: { kind: 'none' }, gauge: { kind: 'dial', resolutionBar: 0.1 } };
type Log = NonNullable<Case['logs']>[number];
type Told = Partial<Case> & { circuit: CircuitSheet };
const heated = (pressureBar: number[], flowC: number[], everyMin = 3): Log => ({ source: 'hand', samples: { tS: pressureBar.map((_, i) => 60 * everyMin * i), pressureBar, flowC }, events: [{ tS: 0, kind: 'heat-on' }] });
const idle = (pressureBar: number[], everyMin: number): Log => ({ source: 'hand', samples: { tS: pressureBar.map((_, i) => 60 * everyMin * i), pressureBar, flowC: pressureBar.map(() => 19) }, events: [] });
/** Minute, bar and, where it was read, °C; then what was done, and in which minute. */
const at = (read: [min: number, bar: number, flowC?: number][], ...done: [min: number, kind: NonNullable<Log['events']>[number]['kind']][]): Log => ({
  source: 'hand', samples: { tS: read.map(([min]) => 60 * min), pressureBar: read.map(([, bar]) => bar), ...(read.some((r) => r[2] !== undefined) ? { flowC: read.map((r) => r[2] ?? null) } : {}) },
  events: (done.length ? done : [[0, 'heat-on'] as const]).map(([min, kind]) => ({ tS: 60 * min, kind })),
});
const f = (test: Finding['test'], found: string | Partial<Finding>): Finding => ({ test, ...(typeof found === 'string' ? { outcome: found } : found) });
const pre = (valueBar: number): Finding => f('precharge', { valueBar, circuitBar: 0, drainOpen: true });
const second = (valueBar: number, firstGaugeBar = valueBar): Finding => f('second-gauge', { valueBar, firstGaugeBar });
const W = [18, 32, 44, 53, 60, 65, 67];

const VISITS: [string, Told, FaultId[]][] = [
  ['two gauges 0.6 apart, and 0.6 with the boiler empty', { circuit: WALL, logs: [heated([1.9, 2.0, 2.1, 2.2, 2.3, 2.4, 2.4], W)], findings: [second(1.3, 1.9), f('discharge-pipe', 'dry'), f('gauge-at-zero', { valueBar: 0.6 })] }, ['gauge-misreading']],
  ['8 litres of vessel for 180 of water', { circuit: { ...HOME, vessel: { nominalVolumeL: 8, targetPrechargeBar: 1 } }, complaint: ['gauge-climbs-hot'], logs: [heated([1.3, 1.6, 2.0, 2.4, 2.7, 2.9, 2.95], W, 5)], findings: [pre(1), f('vessel-connection-flow', 'free'), f('gas-valve-press', 'air')] }, ['vessel-undersized']],
  ['a boiler that runs to 95', { circuit: WALL, complaint: ['gauge-climbs-hot'], logs: [heated([1.2, 1.4, 1.7, 2.0, 2.2, 2.4, 2.5], [18, 40, 60, 75, 85, 92, 95])], findings: [pre(0.75), f('flow-return', { flowC: 95, returnC: 80, minutesFiring: 15 })] }, ['boiler-overheating']],
  ['a charge above the feed', { circuit: FED, logs: [heated([0.97, 1.4, 1.7, 1.85, 1.95, 2.05, 2.0], W)], findings: [pre(1.6), f('gas-valve-press', 'air')] }, ['vessel-overcharged']],
  ['a unit judged by a lying gauge', { circuit: PLANT, complaint: ['locks-out'], logs: [idle([2.9, 2.9, 2.9], 15)], findings: [second(2.0, 2.9), f('fill-isolated-watch', { startBar: 2.9, endBar: 2.9, minutes: 30, heating: false })] }, ['gauge-misreading']],
  ['0.3 lost in nine years', { circuit: { ...WALL, vessel: { ...WALL.vessel, ageYears: 9 } }, logs: [heated([1.2, 1.35, 1.55, 1.75, 1.9, 2.0, 2.05], W)], findings: [pre(0.45), f('gas-valve-press', 'air'), f('gas-valve-bubbles', 'tight')] }, ['vessel-undercharged']],
  ['0.1 under the label is no fault', { circuit: WALL, logs: [heated([1.0, 1.1, 1.25, 1.4, 1.5, 1.6, 1.6], W)], findings: [pre(0.65), f('gas-valve-press', 'air'), f('discharge-pipe', 'dry')] }, ['none']],
  ['a new vessel behind a narrow hose', { circuit: WALL, complaint: ['gauge-climbs-hot', 'drips-outside'], alreadyDone: [{ part: 'vessel' }], logs: [heated([1.1, 1.8, 2.5, 2.9, 3.0, 3.0, 2.9], W)], findings: [f('vessel-connection-flow', 'restricted'), pre(0.75), f('pump-up-hold', 'held')] }, ['vessel-connection-blocked']],
  ['filled to 0.3, and never since', { circuit: WALL, complaint: ['locks-out'], logs: [heated([0.3, 0.7, 0.85, 1.0, 1.1, 1.15, 1.2], W)], findings: [second(0.3), f('visible-leak', 'none'), f('top-ups-per-month', { count: 0 })] }, ['fill-pressure-too-low']],
  ['a feed that goes on past its setting', { circuit: FED, complaint: ['drips-outside'], logs: [idle([1.3, 1.4, 1.5, 1.6, 1.65, 1.7], 20)], findings: [f('fill-isolated-watch', { startBar: 1.2, endBar: 1.2, minutes: 40, heating: false }), pre(0.83)] }, ['reducing-valve-creeping']],
  ['recharged, and nothing changed', { circuit: WALL, complaint: ['gauge-climbs-hot'], repairs: [{ kind: 'vessel-recharged', toBar: 0.75 }], logs: [heated([1.0, 1.7, 2.4, 2.9, 3.0, 2.9, 3.0], W), { ...heated([1.0, 1.7, 2.4, 2.9, 3.0, 2.9, 3.0], W), epoch: 'after-work' }], findings: [pre(0.7)] }, ['vessel-connection-blocked']],
  ['a pinhole and a flat vessel', { circuit: WALL, complaint: ['drips-outside', 'gauge-climbs-hot'], logs: [heated([1.7, 2.2, 2.7, 3.0, 3.0, 2.95, 3.0], W)], findings: [pre(0), f('cold-main-off-watch', { startBar: 1.0, endBar: 1.0, minutes: 20, heating: false }), f('cold-main-on-watch', { startBar: 1.0, endBar: 1.9, minutes: 20, heating: false }), f('fill-outlet-drip', 'dry')] }, ['dhw-plate-perforated', 'vessel-undercharged']],
  ['into the red hot, back low when cold', { circuit: BARE, complaint: ['gauge-climbs-hot', 'topped-up-often'], logs: [at([[0, 1.2, 20], [8, 2.8, 60], [12, 3.0, 65], [90, 0.6, 22]], [0, 'heat-on'], [13, 'heat-off'])], findings: [f('gas-valve-press', 'nothing')] }, ['vessel-undercharged']],
  ['everything new, and the coil still feeds it', { circuit: FED, complaint: ['drips-outside'], alreadyDone: [{ part: 'reducing-valve' }, { part: 'vessel' }, { part: 'relief-valve' }], logs: [at([[0, 1.4, 60], [60, 2.05, 58]], [0, 'heat-off'])], findings: [f('coil-isolated-watch', { startBar: 1.2, endBar: 1.2, minutes: 120, heating: false }), f('idle-cold-pressure', { valueBar: 1.9, idleHours: 10 })] }, ['dhw-coil-perforated']],
  ['let down once, and it stayed', { circuit: WALL, findings: [f('idle-cold-pressure', { valueBar: 2.2, idleHours: 12 }), f('fill-disconnected-watch', { startBar: 1.2, endBar: 1.2, minutes: 30, boilerIsolated: true }), f('fill-outlet-drip', 'dry')] }, ['fill-pressure-too-high']],
  ['0.4 that shows as 2', { circuit: WALL, complaint: ['locks-out'], findings: [f('second-gauge', { valueBar: 0.4, firstGaugeBar: 2.0 }), f('low-pressure-stop', 'not-shown')] }, ['gauge-misreading']],
  ['two bar with the boiler empty', { circuit: WALL, findings: [f('gauge-at-zero', { valueBar: 2.0 })] }, ['gauge-misreading']],
  ['overnight on the boiler’s side, and the pipe drips', { circuit: WALL, complaint: ['topped-up-often', 'drips-outside'], findings: [f('boiler-isolated-hold', { boilerStartBar: 1.5, boilerEndBar: 0.2, circuitStartBar: 1.5, circuitEndBar: 1.5, minutes: 720 }), f('discharge-pipe', { outcome: 'dripping', water: 'cold' })] }, ['relief-valve-passing']],
  ['a vessel that tests perfectly and does nothing', { circuit: WALL, complaint: ['gauge-climbs-hot'], logs: [at([[0, 1.0, 20], [4, 2.0, 40], [8, 2.9, 55]])], findings: [pre(0.75), f('pump-up-hold', 'held'), f('gas-valve-press', 'air')] }, ['vessel-connection-blocked']],
  ['down to the head at once', { circuit: { ...WALL, staticHeadM: 6 }, complaint: ['locks-out'], findings: [pre(1.7), f('idle-cold-pressure', { valueBar: 0.6, idleHours: 8 })] }, ['vessel-overcharged']],
  ['a charge above the fill, and a jump when it is lit', { circuit: WALL, complaint: ['gauge-climbs-hot', 'locks-out'], logs: [at([[0, 0.8, 18], [3, 1.6, 32], [6, 2.0, 45], [12, 2.3, 62]])], findings: [pre(1.6), f('gas-valve-press', 'air')] }, ['vessel-overcharged']],
  ['a vent that spits, on the boiler', { circuit: HOME, complaint: ['topped-up-often'], findings: [f('visible-leak', 'found'), f('bleed-radiators', 'some-air'), f('boiler-isolated-hold', { boilerStartBar: 1.5, boilerEndBar: 1.0, circuitStartBar: 1.5, circuitEndBar: 1.5, minutes: 480 }), f('condensate-when-off', 'dry'), f('discharge-pipe', 'dry')] }, ['air-vent-faulty']],
  ['a unit that gives nothing', { circuit: PLANT, complaint: ['locks-out', 'no-heat'], findings: [f('idle-cold-pressure', { valueBar: 0.9, idleHours: 12 }), f('cold-main-on-watch', { startBar: 0.9, endBar: 0.9, minutes: 30, heating: false }), second(0.9)] }, ['pressurisation-unit-fault']],
  ['flat, lifted, and now it drips cold', { circuit: WALL, complaint: ['topped-up-often', 'drips-outside'], logs: [at([[0, 1.2], [10, 2.8]])], findings: [f('gas-valve-press', 'nothing'), f('discharge-pipe', { outcome: 'dripping', water: 'cold' })] }, ['relief-valve-passing', 'vessel-undercharged']],
  ['a pinhole, and a relief that no longer shuts', { circuit: WALL, complaint: ['drips-outside'], findings: [f('listen-at-exchanger', 'hiss'), f('fill-outlet-drip', 'dry'), f('discharge-pipe', { outcome: 'dripping', water: 'cold' }), f('relief-reseat', 'still-drips'), f('cold-main-off-watch', { startBar: 1.5, endBar: 1.2, minutes: 30, heating: false })] }, ['dhw-plate-perforated', 'relief-valve-passing']],
  ['a needle that stands where it stood', { circuit: WALL, logs: [at([[0, 1.4, 18], [10, 1.4, 50], [20, 1.4, 68]])], findings: [second(1.9, 1.4)] }, ['gauge-misreading']],
];

it.each(VISITS)('%s', (_, told, truth) => {
  const d = diagnose({ format: 'jumper-case', version: 1, id: 'visit', ...told });
  expect((d.now ?? d).hypotheses[0]!.faults).toEqual(truth);
});

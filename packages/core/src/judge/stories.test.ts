import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import { everyThird } from './test/everyThird';
import { FED, WALL } from './test/told';

// Visits as they are told in the trade, in our own words: what was found, and what it turned out to be. Common practice.
const STEAM: CircuitSheet = { kind: 'steam', reliefValve: { setBar: 1.03 }, fill: { kind: 'automatic-feeder' }, heatOutputKw: 40 };
const log = (pressureBar: number[], flowC: number[], everyMin = 2): NonNullable<Case['logs']>[number] => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 60 * everyMin * i), pressureBar, flowC },
  events: [{ tS: 0, kind: 'heat-on' }],
});

// prettier-ignore
const STORIES: [string, Partial<Case> & { circuit: CircuitSheet }, FaultId[]][] = [
  ['the vessel with no gas and a core that lets it go', { circuit: WALL, complaint: ['topped-up-often', 'gauge-climbs-hot'], logs: [log([0.5, 0.9, 1.4, 1.9, 2.3, 2.6], [20, 35, 45, 53, 58, 62])], findings: [{ test: 'gas-valve-press', outcome: 'nothing' }, { test: 'precharge', valueBar: 0, circuitBar: 0, drainOpen: true }, { test: 'gas-valve-bubbles', outcome: 'bubbles' }] }, ['vessel-gas-valve-leaking', 'vessel-undercharged']],
  ['the vessel with no gas, core tight', { circuit: WALL, complaint: ['topped-up-often', 'gauge-climbs-hot'], logs: [log([0.5, 0.9, 1.4, 1.9, 2.3, 2.6], [20, 35, 45, 53, 58, 62])], findings: [{ test: 'gas-valve-press', outcome: 'nothing' }, { test: 'pump-up-hold', outcome: 'held' }, { test: 'gas-valve-bubbles', outcome: 'tight' }] }, ['vessel-undercharged']],
  ['water at the air valve', { circuit: WALL, logs: [log([0.6, 1.2, 1.9, 2.6, 2.9, 2.9], [20, 35, 45, 53, 58, 62])], findings: [{ test: 'gas-valve-press', outcome: 'water' }, { test: 'pump-up-hold', outcome: 'bubbles-at-drain' }] }, ['vessel-diaphragm-failed']],
  ['a vessel that tests perfectly behind a blocked hose', { circuit: WALL, logs: [log([1, 1.6, 2.3, 2.8, 2.9, 2.9], [20, 35, 45, 53, 58, 62])], findings: [{ test: 'precharge', valueBar: 0.8, circuitBar: 0, drainOpen: true }, { test: 'gas-valve-press', outcome: 'air' }, { test: 'vessel-connection-flow', outcome: 'blocked' }] }, ['vessel-connection-blocked']],
  ['the pinhole that was taken for a vessel and a sensor', { circuit: WALL, complaint: ['drips-outside'], alreadyDone: [{ part: 'vessel' }, { part: 'pressure-sensor' }], findings: [{ test: 'idle-cold-pressure', valueBar: 2.3, idleHours: 10 }, { test: 'fill-disconnected-watch', startBar: 0, endBar: 0.6, minutes: 5, boilerIsolated: true }, { test: 'fill-outlet-drip', outcome: 'dry' }, { test: 'listen-at-exchanger', outcome: 'hiss' }] }, ['dhw-plate-perforated']],
  ['the fill loop that lets by', { circuit: WALL, complaint: ['drips-outside'], findings: [{ test: 'idle-cold-pressure', valueBar: 2.5, idleHours: 9 }, { test: 'fill-outlet-drip', outcome: 'drips' }, { test: 'fill-disconnected-watch', startBar: 1.2, endBar: 1.2, minutes: 20, boilerIsolated: false }] }, ['fill-loop-passing']],
  ['overfilled by hand, and steady', { circuit: WALL, findings: [{ test: 'idle-cold-pressure', valueBar: 2.3, idleHours: 12 }, { test: 'fill-disconnected-watch', startBar: 2.3, endBar: 2.3, minutes: 30, boilerIsolated: false }, { test: 'second-gauge', valueBar: 2.3, firstGaugeBar: 2.3 }, { test: 'discharge-pipe', outcome: 'dry' }] }, ['fill-pressure-too-high']],
  ['the coil that feeds the circuit behind new parts', { circuit: FED, complaint: ['drips-outside'], alreadyDone: [{ part: 'reducing-valve' }, { part: 'vessel' }], findings: [{ test: 'idle-cold-pressure', valueBar: 1.7, idleHours: 9 }, { test: 'fill-isolated-watch', startBar: 1.2, endBar: 1.5, minutes: 30, heating: false }, { test: 'coil-isolated-watch', startBar: 1.3, endBar: 1.3, minutes: 30, heating: false }] }, ['dhw-coil-perforated']],
  ['the feed that creeps', { circuit: FED, findings: [{ test: 'idle-cold-pressure', valueBar: 1.8, idleHours: 9 }, { test: 'fill-isolated-watch', startBar: 1.2, endBar: 1.2, minutes: 30, heating: false }, { test: 'coil-isolated-watch', startBar: 1.2, endBar: 1.5, minutes: 30, heating: false }] }, ['reducing-valve-creeping']],
  ['an ordinary hot reading on a fed circuit', { circuit: FED, logs: [log([1.05, 1.1, 1.2, 1.3, 1.4, 1.45, 1.5], [20, 35, 48, 58, 66, 72, 75], 4)], findings: [{ test: 'discharge-pipe', outcome: 'dry' }] }, ['none']],
  ['a relief that drips below its marking, on a confirmed gauge', { circuit: WALL, complaint: ['drips-outside', 'topped-up-often'], logs: [log([1.2, 1.3, 1.4, 1.5, 1.55, 1.6], [20, 35, 46, 55, 61, 65], 3)], findings: [{ test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }, { test: 'second-gauge', valueBar: 1.2, firstGaugeBar: 1.2 }, { test: 'relief-reseat', outcome: 'still-drips' }] }, ['relief-valve-passing']],
  ['the gauge that stands at two with the boiler empty', { circuit: WALL, findings: [{ test: 'gauge-at-zero', valueBar: 1.2 }, { test: 'low-pressure-stop', outcome: 'not-shown' }, { test: 'second-gauge', valueBar: 0.9, firstGaugeBar: 2.1 }] }, ['gauge-misreading']],
  ['the slow leak under the floor', { circuit: WALL, complaint: ['topped-up-often'], findings: [{ test: 'top-ups-per-month', count: 5 }, { test: 'discharge-pipe', outcome: 'dry' }, { test: 'boiler-isolated-hold', boilerStartBar: 1.5, boilerEndBar: 1.5, circuitStartBar: 1.5, circuitEndBar: 0.9, minutes: 600 }, { test: 'gas-valve-press', outcome: 'air' }] }, ['circuit-leak']],
  ['the exchanger that leaks to the condensate', { circuit: WALL, complaint: ['topped-up-often'], findings: [{ test: 'condensate-when-off', outcome: 'drips' }, { test: 'boiler-isolated-hold', boilerStartBar: 1.5, boilerEndBar: 0.7, circuitStartBar: 1.5, circuitEndBar: 1.5, minutes: 120 }, { test: 'discharge-pipe', outcome: 'dry' }] }, ['boiler-exchanger-leak']],
  ['the glass that lies', { circuit: STEAM, complaint: ['level-wrong'], findings: [{ test: 'glass-level', outcome: 'full' }, { test: 'glass-follows-drain', outcome: 'stays-full' }] }, ['steam-gauge-glass-blocked']],
  ['the section that rotted through', { circuit: STEAM, complaint: ['level-wrong'], findings: [{ test: 'make-up-per-month', volumeL: 120 }, { test: 'steam-at-flue', outcome: 'yes' }, { test: 'flooded-section-check', outcome: 'drips' }] }, ['steam-boiler-section-leak']],
  ['the buried return', { circuit: { ...STEAM }, complaint: ['level-wrong'], findings: [{ test: 'make-up-per-month', volumeL: 100 }, { test: 'return-condition', outcome: 'wet-ground' }, { test: 'steam-at-flue', outcome: 'no' }, { test: 'flooded-section-check', outcome: 'dry' }] }, ['steam-return-leak']],
  ['the pigtail that hides the pressure', { circuit: STEAM, findings: [{ test: 'pigtail-blow', outcome: 'blocked' }, { test: 'pressure-control-cut-out', cutOutBar: 0.5, setBar: 0.1 }] }, ['steam-pigtail-blocked']],
  ['steam that comes late everywhere', { circuit: STEAM, findings: [{ test: 'vents-hiss', outcome: 'silent' }, { test: 'steam-furthest-arrival', minutes: 55 }, { test: 'skim-sample', outcome: 'clear' }] }, ['steam-vents-failed']],
  ['the zone valve that does not travel', { circuit: FED, complaint: ['no-heat-zone'], findings: [{ test: 'zone-valve-supply-24v', zone: '2', outcome: 'present' }, { test: 'zone-valve-moves', zone: '2', outcome: 'stuck' }, { test: 'zone-pipe-temperatures', zone: '2', supplyC: 22, returnC: 21, calling: true }] }, ['zone-valve-stuck-closed']],
  ['the zone that gets warm uncalled', { circuit: FED, complaint: ['cold-room'], findings: [{ test: 'zone-pipe-temperatures', zone: '2', supplyC: 48, returnC: 41, calling: false }, { test: 'isolation-valves-open', outcome: 'all-open' }] }, ['flow-check-leaking']],
  ['the mixed floor that is set too hot', { circuit: FED, complaint: ['cold-room'], findings: [{ test: 'mixed-supply', zone: '1', setC: 46, valueC: 30 }, { test: 'pump-running', outcome: 'running-warm' }] }, ['mixing-valve-misset']],
];

it.each(everyThird(STORIES))('%s', (_, told, truth) => {
  const d = diagnose({ format: 'jumper-case', version: 1, id: 'story', ...told });
  expect(d.hypotheses[0]!.faults).toEqual(truth);
});

/** Sheets that were filled in with care, and readings as a hand takes them. */
const CARE: CircuitSheet = { ...WALL, waterVolumeL: 95, staticHeadM: 4, maxFlowC: 70, fill: { kind: 'manual-loop', mainsBar: 3.5 } };
const FED_CARE: CircuitSheet = {
  ...FED,
  waterVolumeL: 190,
  maxFlowC: 75,
  fill: { kind: 'reducing-valve', setBar: 0.97, mainsBar: 4 },
  gauge: { kind: 'dial', resolutionBar: 0.05 },
};
const idle = (pressureBar: number[], everyMin = 10): NonNullable<Case['logs']>[number] => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 60 * everyMin * i), pressureBar, flowC: pressureBar.map(() => 18) },
  events: [],
});
const WARMING = [18, 32, 44, 53, 60, 65, 67];
const flat = log([1, 1.2, 1.6, 2.1, 2.7, 3, 2.9], WARMING),
  sound = log([1.2, 1.25, 1.3, 1.4, 1.5, 1.55, 1.6], WARMING);
const pre = (valueBar: number) => ({ test: 'precharge' as const, valueBar, circuitBar: 0, drainOpen: true });

// prettier-ignore
const TWO_AT_ONCE_AND_PLAIN: [string, Partial<Case> & { circuit: CircuitSheet }, FaultId[]][] = [
  ['the flat vessel whose relief has passed since it lifted', { circuit: CARE, complaint: ['topped-up-often', 'drips-outside'], logs: [flat], findings: [pre(0), { test: 'gas-valve-press', outcome: 'nothing' }, { test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }, { test: 'relief-reseat', outcome: 'still-drips' }] }, ['relief-valve-passing', 'vessel-undercharged']],
  ['the flat vessel with the leaking core', { circuit: CARE, complaint: ['topped-up-often'], logs: [flat], findings: [pre(0.1), { test: 'gas-valve-bubbles', outcome: 'bubbles' }] }, ['vessel-gas-valve-leaking', 'vessel-undercharged']],
  ['the holed diaphragm behind a passing relief', { circuit: CARE, complaint: ['drips-outside'], logs: [flat], findings: [{ test: 'gas-valve-press', outcome: 'water' }, { test: 'discharge-catch', volumeMl: 200, minutes: 20, during: 'cold' }] }, ['relief-valve-passing', 'vessel-diaphragm-failed']],
  ['the pinhole that wore out the relief', { circuit: CARE, complaint: ['drips-outside'], logs: [idle([2.3, 2.4, 2.5, 2.6, 2.7])], findings: [{ test: 'fill-disconnected-watch', startBar: 1.2, endBar: 1.5, minutes: 20, boilerIsolated: false }, { test: 'fill-outlet-drip', outcome: 'dry' }, { test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }, { test: 'relief-reseat', outcome: 'still-drips' }] }, ['dhw-plate-perforated', 'relief-valve-passing']],
  ['the loop that lets by and the relief that drips for it', { circuit: CARE, complaint: ['drips-outside'], logs: [idle([2.2, 2.3, 2.4, 2.5, 2.6])], findings: [{ test: 'fill-outlet-drip', outcome: 'drips' }, { test: 'fill-disconnected-watch', startBar: 1.5, endBar: 1.4, minutes: 30, boilerIsolated: false }, { test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }] }, ['fill-loop-passing', 'relief-valve-passing']],
  ['the leak beside the flat vessel', { circuit: CARE, complaint: ['topped-up-often'], logs: [flat], findings: [pre(0.1), { test: 'visible-leak', outcome: 'found' }, { test: 'gas-valve-bubbles', outcome: 'tight' }] }, ['circuit-leak', 'vessel-undercharged']],
  ['the flat vessel on a lying gauge', { circuit: CARE, complaint: ['gauge-climbs-hot'], logs: [log([1.6, 1.8, 2.2, 2.7, 3.3, 3.5, 3.5], WARMING)], findings: [{ test: 'second-gauge', firstGaugeBar: 1.6, valueBar: 1.05 }, pre(0.05)] }, ['gauge-misreading', 'vessel-undercharged']],
  ['the overfilled circuit whose relief never seated again', { circuit: CARE, complaint: ['drips-outside'], logs: [idle([2.3, 2.3, 2.3, 2.25, 2.25])], findings: [{ test: 'second-gauge', firstGaugeBar: 2.3, valueBar: 2.3 }, { test: 'fill-outlet-drip', outcome: 'dry' }, { test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }, { test: 'relief-reseat', outcome: 'still-drips' }] }, ['fill-pressure-too-high', 'relief-valve-passing']],
  ['the coil that fills a circuit with a flat vessel', { circuit: FED_CARE, complaint: ['drips-outside', 'gauge-climbs-hot'], logs: [log([1.2, 1.35, 1.6, 1.9, 2.05, 2, 2.05], WARMING, 3)], findings: [pre(0.1), { test: 'fill-isolated-watch', startBar: 1.1, endBar: 1.5, minutes: 30, heating: false }, { test: 'coil-isolated-watch', startBar: 1.1, endBar: 1.1, minutes: 30, heating: false }] }, ['dhw-coil-perforated', 'vessel-undercharged']],
  ['the creeping feed and the relief that pays for it', { circuit: FED_CARE, complaint: ['drips-outside'], logs: [idle([1.5, 1.6, 1.7, 1.75, 1.8])], findings: [{ test: 'fill-isolated-watch', startBar: 1.2, endBar: 1.15, minutes: 30, heating: false }, { test: 'coil-isolated-watch', startBar: 1.2, endBar: 1.5, minutes: 30, heating: false }, { test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }, { test: 'relief-reseat', outcome: 'still-drips' }] }, ['reducing-valve-creeping', 'relief-valve-passing']],
  ['a sound circuit, looked at twice', { circuit: CARE, logs: [sound], findings: [{ test: 'discharge-pipe', outcome: 'dry' }, pre(0.75)] }, ['none']],
  ['the vessel pumped up too far', { circuit: CARE, logs: [log([1.1, 1.4, 1.7, 1.8, 1.85, 1.9, 1.95], WARMING)], findings: [pre(1.6)] }, ['vessel-overcharged']],
  ['the relief of the wrong rating', { circuit: CARE, complaint: ['drips-outside'], logs: [log([1.2, 1.3, 1.45, 1.6, 1.3, 1.4, 1.5], WARMING)], findings: [{ test: 'relief-marking', markedBar: 1.5 }, { test: 'second-gauge', firstGaugeBar: 1.2, valueBar: 1.2 }] }, ['relief-valve-lifts-early']],
  ['the circuit full of air', { circuit: CARE, complaint: ['noise'], logs: [log([1, 1.02, 1.05, 1.1, 1.12, 1.15, 1.2], WARMING)], findings: [{ test: 'bleed-radiators', outcome: 'much-air' }] }, ['air-in-circuit']],
  ['the feed whose strainer is blocked', { circuit: FED_CARE, complaint: ['no-heat'], logs: [idle([0.3, 0.3, 0.3, 0.3])], findings: [{ test: 'second-gauge', firstGaugeBar: 0.3, valueBar: 0.3 }, { test: 'fill-isolated-watch', startBar: 0.3, endBar: 0.3, minutes: 30, heating: false }] }, ['feed-starved']],
  ['the feed set to the wrong school', { circuit: FED_CARE, complaint: ['drips-outside'], logs: [log([1.6, 1.65, 1.7, 1.75, 1.85, 1.9, 1.95], WARMING, 4)], findings: [{ test: 'idle-cold-pressure', valueBar: 1.6, idleHours: 10 }, { test: 'fill-isolated-watch', startBar: 1.6, endBar: 1.6, minutes: 30, heating: false }, { test: 'second-gauge', firstGaugeBar: 1.6, valueBar: 1.6 }] }, ['reducing-valve-set-high']],
  ['the vessel left behind by an extension', { circuit: { ...CARE, waterVolumeL: 210, waterVolumeSource: 'measured' }, complaint: ['gauge-climbs-hot'], logs: [log([1.1, 1.4, 1.8, 2.2, 2.7, 2.95, 3], WARMING)], findings: [pre(0.75), { test: 'gas-valve-press', outcome: 'air' }, { test: 'vessel-connection-flow', outcome: 'free' }] }, ['vessel-undersized']],
  ['the thermostat that never stops', { circuit: CARE, logs: [log([1.1, 1.2, 1.3, 1.5, 1.6, 1.75, 1.85], [18, 35, 50, 63, 75, 84, 88])], findings: [pre(0.75), { test: 'flow-return', flowC: 88, returnC: 72, minutesFiring: 12 }] }, ['boiler-overheating']],
];

it.each(everyThird(TWO_AT_ONCE_AND_PLAIN))('%s', (_, told, truth) =>
  expect(diagnose({ format: 'jumper-case', version: 1, id: 'story', ...told }).hypotheses[0]!.faults).toEqual(truth),
);

it('a precharge read with water behind it does not clear the vessel', () => {
  const logs = [log([1, 1.6, 2.2, 2.7, 2.9, 2.9], [20, 35, 45, 53, 58, 62])];
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'story',
    circuit: WALL,
    logs,
    findings: [{ test: 'precharge', valueBar: 1, circuitBar: 1, drainOpen: false }],
  });
  const without = diagnose({ format: 'jumper-case', version: 1, id: 'story', circuit: WALL, logs });
  expect(d.marginals['vessel-undercharged']!).toBeGreaterThan(without.marginals['vessel-undercharged']! - 0.05);
});

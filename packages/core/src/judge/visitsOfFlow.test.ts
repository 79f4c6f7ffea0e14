import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { Complaint } from './priors/complaints';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import type { TestId } from './tests';
import { everyThird } from './test/everyThird';

// Whole visits to circuits in which water does not go round: the judge says what to test next, the plant answers, until it is sure.
const TWO_ZONES: CircuitSheet = {
  kind: 'sealed-hot-water',
  heatOutputKw: 30,
  vessel: { nominalVolumeL: 17, labelPrechargeBar: 0.83 },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 0.83 },
  domesticHotWater: { kind: 'indirect-coil' },
  zones: [
    { id: '1', control: 'zone-valve', emitter: 'radiator', mixing: false },
    { id: '2', control: 'zone-valve', emitter: 'floor', mixing: true, setC: 46 },
  ],
};
const ask = (complaint: Complaint, findings: Finding[], circuit = TWO_ZONES) =>
  diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'flow',
    complaint: [complaint],
    circuit,
    logs: [{ source: 'hand', samples: { tS: [0], pressureBar: [1], flowC: [22] } }],
    findings,
  });

type Answers = Partial<Record<TestId, Omit<Finding, 'test'>>>;
const pipes = (supplyC: number, returnC: number, calling = true) => ({ zone: '1', supplyC, returnC, calling }),
  at = (flowC: number, returnC: number) => ({ flowC, returnC, minutesFiring: 12 });
/** What a circuit answers in which all goes round. Common practice, as are the faults' own answers. */
const SOUND: Answers = {
  'feed-valve-position': { outcome: 'open' },
  'pump-running': { outcome: 'running-warm' },
  'zone-pipe-temperatures': pipes(60, 51),
  'zone-valve-supply-24v': { zone: '1', outcome: 'present' },
  'zone-valve-moves': { zone: '1', outcome: 'opens' },
  'zone-valve-end-switch': { zone: '1', outcome: 'closed' },
  'isolation-valves-open': { outcome: 'all-open' },
  'mixed-supply': { zone: '2', setC: 46, valueC: 45 },
  'flow-return': at(70, 60),
  'bleed-radiators': { outcome: 'none' },
  'discharge-pipe': { outcome: 'dry' },
  'gas-valve-press': { outcome: 'air' },
  'gas-valve-bubbles': { outcome: 'tight' },
  'visible-leak': { outcome: 'none' },
};
// prettier-ignore
const VISITS: [FaultId, Complaint, Answers][] = [
  ['pump-not-circulating', 'no-heat', { 'pump-running': { outcome: 'humming-stuck' }, 'zone-pipe-temperatures': pipes(24, 22), 'flow-return': at(84, 45) }],
  ['pump-valve-closed', 'no-heat', { 'isolation-valves-open': { outcome: 'one-closed' }, 'zone-pipe-temperatures': pipes(24, 22), 'flow-return': at(84, 45) }],
  ['zone-valve-stuck-closed', 'no-heat-zone', { 'zone-valve-moves': { zone: '1', outcome: 'stuck' }, 'zone-valve-end-switch': { zone: '1', outcome: 'open' }, 'zone-pipe-temperatures': pipes(24, 22) }],
  ['zone-valve-end-switch-failed', 'no-heat-zone', { 'zone-valve-end-switch': { zone: '1', outcome: 'open' }, 'pump-running': { outcome: 'off-no-call' }, 'zone-pipe-temperatures': pipes(26, 24) }],
  ['flow-check-leaking', 'cold-room', { 'zone-pipe-temperatures': pipes(47, 40, false) }],
  ['air-locked-branch', 'cold-room', { 'bleed-radiators': { outcome: 'much-air' }, 'zone-pipe-temperatures': pipes(44, 22) }],
  ['branch-restricted', 'cold-room', { 'zone-pipe-temperatures': pipes(66, 36), 'flow-return': at(75, 58) }],
  ['mixing-valve-misset', 'cold-room', { 'mixed-supply': { zone: '2', setC: 46, valueC: 32 } }],
  ['controls-no-call', 'no-heat', { 'pump-running': { outcome: 'off-no-call' }, 'zone-valve-supply-24v': { zone: '1', outcome: 'absent' }, 'zone-valve-moves': { zone: '1', outcome: 'stuck' }, 'zone-pipe-temperatures': pipes(22, 21) }],
];
const MOST_TESTS = 6,
  MOST_MINUTES = 35;

it.each(everyThird(VISITS))('%s is found from “%s” by the tests that the judge itself asks for', (fault, complaint, answers) => {
  const findings: Finding[] = [];
  let minutes = 0,
    d = ask(complaint, findings);
  while (!d.enoughKnown && findings.length < MOST_TESTS) {
    const next = d.nextTests[0]!,
      answer = answers[next.test] ?? SOUND[next.test];
    expect([next.test, answer !== undefined]).toEqual([next.test, true]);
    findings.push({ test: next.test, ...answer });
    minutes += next.minutes;
    d = ask(complaint, findings);
  }
  expect([d.hypotheses[0]!.faults, d.enoughKnown]).toEqual([[fault], true]);
  expect(minutes).toBeLessThanOrEqual(MOST_MINUTES);
});

it('a sheet that names its zones is believed: no zone valve is tested where circulators run them, no mixing where none is', () => {
  const withZones = (zones: CircuitSheet['zones']) => ask('no-heat-zone', [], { ...TWO_ZONES, zones }),
    proposed = (d: ReturnType<typeof ask>) => d.nextTests.map((t) => t.test);
  const circulators = withZones([
      { id: '1', control: 'circulator', mixing: false },
      { id: '2', control: 'circulator', mixing: false },
    ]),
    unsaid = withZones([]);
  for (const test of ['zone-valve-moves', 'zone-valve-supply-24v', 'zone-valve-end-switch', 'mixed-supply'] as const)
    expect(proposed(circulators)).not.toContain(test);
  expect(proposed(unsaid)).toContain('zone-valve-moves');
  expect(circulators.marginals['zone-valve-stuck-closed']!).toBeLessThan(unsaid.marginals['zone-valve-stuck-closed']! / 4);
  expect(ask('cold-room', []).marginals['mixing-valve-misset']!).toBeGreaterThan(
    1.5 * ask('cold-room', [], { ...TWO_ZONES, zones: [] }).marginals['mixing-valve-misset']!,
  );
});

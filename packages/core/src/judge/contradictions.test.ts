import type { CircuitSheet } from '../circuit/CircuitSheet';
import { simulateCase } from '../simulate/simulateCase';
import { diagnose } from './diagnose';
import type { Finding } from './Finding';
import { SMALL_HOME } from './test/homes';

const SHEET: CircuitSheet = { ...SMALL_HOME, waterVolumeSource: 'measured' };
const logged = (id: 'none' | 'vessel-undercharged') =>
  simulateCase({
    circuit: SHEET,
    faults: [{ id, severity: 0.8 }],
    schedule: { startC: 18, durationS: 3600, stepS: 120, heat: [{ onS: 300, offS: 2700 }] },
    gauge: { resolutionBar: 0.02 },
    seed: 4,
  }).log;
const judged = (findings: Finding[], logs: ReturnType<typeof logged>[] = []) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'c', circuit: SHEET, logs, findings }).contradictions;

const EMPTY: Finding = { test: 'precharge', valueBar: 0, circuitBar: 0, drainOpen: true };
const FULL: Finding = { ...EMPTY, valueBar: 0.75 };

it('findings of which no fault explains both are named with the one to repeat', () => {
  const [c] = judged([{ test: 'gas-valve-press', outcome: 'water' }, FULL]);
  expect(c).toMatchObject({ evidence: ['finding:0', 'finding:1'] });
  // The quicker of the two, since nothing else parts them.
  expect(c!.repeat).toBe('gas-valve-press');
  expect(c!.text).toMatch(/hardly go together: no fault explains both\. Do “Press the air valve \(Schrader\)” again\./);
});

it('water at the air valve and a pump-up that holds are told, whichever is wrong', () => {
  const [c, ...others] = judged([
    { test: 'gas-valve-press', outcome: 'water' },
    { test: 'pump-up-hold', outcome: 'held' },
  ]);
  expect(c).toMatchObject({ evidence: ['finding:0', 'finding:1'], repeat: 'gas-valve-press' });
  expect(c!.text).toBe(
    '“Press the air valve (Schrader)” and “Pump up and watch” hardly go together: no fault explains both. Do “Press the air valve (Schrader)” again.',
  );
  expect(others).toEqual([]);
});

it('a dry pipe and a full jug are, while cold; a shut valve and a free way', () => {
  const dry: Finding = { test: 'discharge-pipe', outcome: 'dry' },
    jug = (during: 'cold' | 'heating', volumeMl = 200): Finding => ({ test: 'discharge-catch', volumeMl, minutes: 15, during });
  expect(judged([dry, jug('cold')])[0]).toMatchObject({ evidence: ['finding:0', 'finding:1'], repeat: 'discharge-pipe' });
  expect(judged([jug('cold'), dry])[0]).toMatchObject({ evidence: ['finding:0', 'finding:1'], repeat: 'discharge-pipe' });
  expect(judged([dry, jug('cold', 5)])).toEqual([]);
  expect(judged([dry, jug('heating')])).toEqual([]);
  const shut: Finding = { test: 'vessel-valve-position', outcome: 'closed' };
  expect(judged([shut, { test: 'vessel-connection-flow', outcome: 'free' }])[0]).toMatchObject({ evidence: ['finding:0', 'finding:1'] });
  expect(judged([shut, { test: 'vessel-connection-flow', outcome: 'blocked' }])).toEqual([]);
});

it('a vessel that is full and a circuit that has next to nothing to give are not: the way between them is shut', () => {
  // The jug went on filling while the gauge stood at the head.
  const collapsed: Finding = { test: 'draw-off', volumeL: 0.5, beforeBar: 1.5, afterBar: 0.35 };
  expect(judged([FULL, collapsed])).toEqual([]);
});

it('a circuit that stood still for an hour does not fill by half a bar in a quarter: the watch is to be done again', () => {
  const idle = simulateCase({
    circuit: SHEET,
    faults: [{ id: 'none', severity: 0 }],
    schedule: { startC: 18, durationS: 3600, stepS: 120, heat: [] },
    gauge: { resolutionBar: 0.02 },
    seed: 4,
  }).log;
  const [c] = judged([{ test: 'fill-disconnected-watch', startBar: 1.2, endBar: 1.8, minutes: 15, boilerIsolated: true }], [idle]);
  expect(c).toMatchObject({ evidence: ['log:0', 'finding:0'], repeat: 'fill-disconnected-watch' });
  expect(c!.text).toMatch(/^The log and “Fill loop off: is the valve passing\?” hardly go together/);
});

it.each([
  ['a flat vessel read as flat', [EMPTY, { test: 'gas-valve-press', outcome: 'nothing' } as Finding], [logged('vessel-undercharged')]],
  ['a sound one read as sound', [FULL, { test: 'gas-valve-press', outcome: 'air' } as Finding], [logged('none')]],
  [
    'findings that speak of different things',
    [
      { test: 'discharge-pipe', outcome: 'dripping' },
      { test: 'gas-valve-bubbles', outcome: 'bubbles' },
      { test: 'visible-leak', outcome: 'none' },
    ] as Finding[],
    [],
  ],
])('%s is no contradiction', (_name, findings, logs) => expect(judged(findings, logs)).toEqual([]));

it('a lying gauge that another one confirms is no contradiction, however wide it had to be looked for', () => {
  const bare: CircuitSheet = {
    kind: 'sealed-hot-water',
    heatOutputKw: 24,
    vessel: { nominalVolumeL: 8, isolationValve: 'fitted' },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop' },
    domesticHotWater: { kind: 'plate-exchanger' },
    maxFlowC: 70,
    gauge: { kind: 'dial', resolutionBar: 0.1 },
  };
  const log: ReturnType<typeof logged> = {
    source: 'hand',
    samples: { tS: [0, 206, 350, 490, 647, 827], pressureBar: [2.1, 2.2, 2.3, 2.4, 2.5, 2.65] },
    events: [{ tS: 1, kind: 'heat-on' }],
  };
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'c',
    circuit: bare,
    logs: [log],
    findings: [
      { test: 'second-gauge', firstGaugeBar: 2.15, valueBar: 1.3 },
      { ...EMPTY, valueBar: 0.15 },
    ],
  });
  expect(d.marginals['gauge-misreading']).toBeGreaterThan(0.9);
  // Nobody's target is as low as that, whatever the height of the house.
  expect(d.marginals['vessel-undercharged']).toBeGreaterThan(0.8);
  expect(d.contradictions).toEqual([]);
});

it('of a test done twice only that is said, and not that the last disagrees with the first', () => {
  const all = judged([EMPTY, FULL, { test: 'gas-valve-press', outcome: 'air' }], [logged('none')]);
  expect(all).toEqual([expect.objectContaining({ evidence: ['finding:0', 'finding:1'], repeat: 'precharge' })]);
});

it('a figure that was misread does not hide what the rest of its log contradicts', () => {
  const idle = simulateCase({
    circuit: SHEET,
    faults: [{ id: 'none', severity: 0 }],
    schedule: { startC: 18, durationS: 3600, stepS: 300, heat: [] },
    gauge: { resolutionBar: 0.02 },
    seed: 4,
  }).log;
  const misread = {
    ...idle,
    source: 'hand' as const,
    samples: { ...idle.samples, pressureBar: idle.samples.pressureBar.map((bar, i) => (i === 6 ? bar! + 0.5 : bar)) },
  };
  const watch: Finding = { test: 'fill-disconnected-watch', startBar: 1.2, endBar: 1.8, minutes: 15, boilerIsolated: true };
  expect(judged([watch], [misread])).toEqual([
    expect.objectContaining({ evidence: ['log:0'], repeat: 'log' }),
    expect.objectContaining({ evidence: ['log:0', 'finding:0'], repeat: 'fill-disconnected-watch' }),
  ]);
});

import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { Case } from '../Case';
import { diagnose } from '../diagnose';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { tellsMoreQuickly } from './nextTests';
import { testRow, type TestId } from '../tests';
import { sureEnoughFor } from '../repairCosts';

const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  heatOutputKw: 24,
  waterVolumeL: 90,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
const idle = (pressureBar: number[]): NonNullable<Case['logs']>[number] => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 600 * i), pressureBar, flowC: pressureBar.map(() => 18) },
  events: [],
});
const heat = (pressureBar: number[]): NonNullable<Case['logs']>[number] => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 120 * i), pressureBar, flowC: [18, 32, 44, 53, 60, 65, 67] },
  events: [{ tS: 0, kind: 'heat-on' }],
});
const asked = (findings: Finding[], logs: NonNullable<Case['logs']> = [], circuit = WALL, complaint: NonNullable<Case['complaint']> = []) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'asked', circuit, complaint, logs, findings });

// What each would have to show, were the verdict wrong; common practice. Before a part is bought the lead's own sign is looked for.
const PROOF: [string, FaultId, () => ReturnType<typeof asked>, TestId[]][] = [
  [
    'a holed plate exchanger by listening to it, not by pressing the vessel’s valve',
    'dhw-plate-perforated',
    () =>
      asked(
        [],
        [
          {
            source: 'hand',
            samples: { tS: [0, 600, 1200, 1800, 2700, 3600], pressureBar: [1.9, 2, 2.2, 2.3, 2.6, 2.8], flowC: [17, 18, 18, 18, 18, 18] },
            events: [{ tS: 60, kind: 'fill-disconnected' }],
          },
        ],
        {
          ...WALL,
          waterVolumeL: 80,
          staticHeadM: 5.2,
          vessel: { nominalVolumeL: 10, labelPrechargeBar: 1, isolationValve: 'none', ageYears: 4 },
          reliefValve: { setBar: 3, ageYears: 4 },
          maxFlowC: 70,
        },
        ['drips-outside'],
      ),
    ['listen-at-exchanger', 'cold-main-off-watch'],
  ],
  [
    'a holed diaphragm by the gas side or by pumping it up',
    'vessel-diaphragm-failed',
    () => asked([{ test: 'gas-valve-press', outcome: 'water' }], [heat([1, 1.3, 1.7, 2.2, 2.7, 2.95, 2.9])]),
    ['pump-up-hold', 'precharge', 'draw-off', 'vessel-drained-volume'],
  ],
  [
    'a lying gauge by another gauge or an empty boiler',
    'gauge-misreading',
    () => asked([{ test: 'gauge-at-zero', valueBar: 0.6 }], [heat([1.9, 1.95, 2, 2.05, 2.1, 2.15, 2.2])]),
    ['second-gauge', 'low-pressure-stop', 'idle-cold-pressure'],
  ],
  [
    'a leaking exchanger by its condensate or by isolating the boiler',
    'boiler-exchanger-leak',
    () =>
      asked(
        [
          { test: 'condensate-when-off', outcome: 'drips' },
          { test: 'discharge-pipe', outcome: 'dry' },
        ],
        [idle([1.2, 1.1, 1, 0.9, 0.8])],
      ),
    ['boiler-isolated-hold', 'top-ups-per-month'],
  ],
];

it.each(PROOF)('proves %s', (_, lead, ask, signs) => {
  const d = ask();
  expect(d.hypotheses[0]!.faults).toEqual([lead]);
  expect(signs).toContain(d.provingTest);
  // It says what it costs and may show like any other, however little it is expected to tell.
  expect(d.proof).toMatchObject({ test: d.provingTest, text: testRow(d.provingTest!).tells });
  expect(d.proof!.outlook.length).toBeGreaterThan(1);
});

it('a repair that buys no part is tried sooner than one that does, and a pair needs what its dearer half needs', () => {
  expect(sureEnoughFor(['recharge-vessel'], false)).toBeLessThan(sureEnoughFor(['change-vessel'], false));
  expect(sureEnoughFor(['recharge-vessel', 'change-relief'], false)).toBe(sureEnoughFor(['change-relief'], false));
  expect(sureEnoughFor(['nothing'], false)).toBe(sureEnoughFor(['let-down'], false));
  // Three minutes with leak fluid come before a recharge that a leaking core would undo.
  expect(sureEnoughFor(['recharge-vessel'], true)).toBe(sureEnoughFor(['change-vessel'], true));
  const told = { test: 'gas-valve-bubbles' as const, outlook: [], informationBits: 0.3, minutes: 3, intrusive: false, text: '' };
  expect([
    tellsMoreQuickly(told),
    tellsMoreQuickly({ ...told, informationBits: 0.02 }),
    tellsMoreQuickly({ ...told, minutes: 30 }),
    tellsMoreQuickly({ ...told, intrusive: true }),
  ]).toEqual([true, false, false, false]);
});

it('lifts no relief that does not drip already: most never seat as before', () => {
  const falling = [idle([1.4, 1.3, 1.2, 1.1, 1])],
    proposes = (findings: Finding[]) => {
      const d = asked(findings, falling);
      return [...d.nextTests.map((t) => t.test), d.provingTest].includes('relief-reseat');
    };
  expect([
    proposes([]),
    proposes([{ test: 'discharge-pipe', outcome: 'dry' }]),
    proposes([{ test: 'discharge-pipe', outcome: 'dripping' }]),
  ]).toEqual([false, false, true]);
});

it('never proposes what was done, nor what the sheet rules out', () => {
  const done: Finding[] = [
    { test: 'discharge-pipe', outcome: 'dry' },
    { test: 'gas-valve-press', outcome: 'air' },
    { test: 'listen-at-exchanger', outcome: 'quiet' },
  ];
  const d = asked(done, [], {
    ...WALL,
    fill: { kind: 'none' },
    domesticHotWater: { kind: 'none' },
    vessel: { ...WALL.vessel, isolationValve: 'none' },
  });
  const proposed = [...d.nextTests.map((t) => t.test), d.provingTest];
  expect(proposed.length).toBeGreaterThan(3);
  for (const test of [
    ...done.map((f) => f.test),
    'fill-outlet-drip',
    'fill-disconnected-watch',
    'coil-isolated-watch',
    'cold-main-off-watch',
    'vessel-valve-position',
  ])
    expect(proposed).not.toContain(test);
});

it('tells each test’s bits and minutes, and the effort of what has to be opened counts against it', () => {
  const d = asked([], [heat([1, 1.3, 1.7, 2.2, 2.7, 2.95, 2.9])]);
  for (const t of d.nextTests) {
    expect(t.informationBits).toBeGreaterThan(0);
    expect(t.minutes).toBeGreaterThanOrEqual(testRow(t.test).minutes);
    expect(t.intrusive).toBe(testRow(t.test).intrusive);
  }
  const quickest = d.nextTests[0]!;
  const slowerButMore = d.nextTests.filter((t) => t.intrusive && t.informationBits > quickest.informationBits);
  for (const t of slowerButMore)
    expect(t.informationBits / (t.minutes + testRow(t.test).effort)).toBeLessThan(quickest.informationBits / quickest.minutes);
});

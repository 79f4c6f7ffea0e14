import { heatRule, listTests, testsAbout, TEST_IDS, testRow, type CircuitSheet } from '@jumper/core';
import { testsView } from './testsView';

jest.mock('../../workers/judgeClient', () => ({}));

const SHEET: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, fill: { kind: 'manual-loop' } };
const hot = [
  {
    startedAt: '2026-03-04T09:00:00Z',
    samples: { tS: [0, 600], pressureBar: [1, 1.5], flowC: [18, 70] },
    events: [{ tS: 10, kind: 'heat-on' as const }],
  },
];
const list = (sheet = SHEET, logs: typeof hot | [] = [], away: { position: 'drain' }[] = []) =>
  listTests(sheet, logs, [], heatRule(sheet, away));

it('lists every test of a sealed plant once, and those of a steam boiler only on one', () => {
  const listed = list().map((l) => l.test);
  expect(new Set(listed).size).toBe(listed.length);
  expect(listed.some((t) => testRow(t).plant === 'steam')).toBe(false);
  const onSteam = list({ kind: 'steam', reliefValve: { setBar: 1 } }).map((l) => l.test);
  expect(onSteam).toContain('glass-level');
  expect(onSteam).not.toContain('precharge');
  expect(TEST_IDS).toEqual(expect.arrayContaining(listed));
});

it('says what a test costs and waits for, and why it is not possible now', () => {
  const lines = testsView(list(SHEET, hot), []).flatMap((s) => s.lines);
  expect(lines.find((l) => l.test === 'precharge')!.cost).toMatch(/^Once it is cool, in about \d+ min: 15 min, drains or opens/);
  expect(lines.find((l) => l.test === 'relief-reseat')!.notNow).toMatch(/^Not now: only on a relief that drips/);
  const drained = testsView(list(SHEET, [], [{ position: 'drain' }]), []).flatMap((s) => s.lines);
  expect(drained.find((l) => l.test === 'heat-run-after')!.notNow).toMatch(/a drain is open/i);
  expect(lines.find((l) => l.test === 'heat-run-after')!.notNow).toBeNull();
});

it('is found by words, by a suspect and by a part, the most telling first', () => {
  const titles = (options: Parameters<typeof testsView>[2]) => testsView(list(), [], options).flatMap((s) => s.lines.map((l) => l.test));
  expect(titles({ find: 'relief MARKING' })).toEqual(['relief-marking']);
  expect(titles({ find: 'no such words' })).toEqual([]);
  expect(titles({ about: 'vessel-diaphragm-failed' })).toEqual(expect.arrayContaining(['gas-valve-press', 'pump-up-hold']));
  expect(titles({ about: 'vessel-diaphragm-failed' })).not.toContain('relief-marking');
  expect(titles({ among: ['second-gauge'] })).toEqual(['second-gauge']);
  const proposed = [{ test: 'second-gauge', informationBits: 1, minutes: 5, intrusive: false, text: '', outlook: [] }] as never;
  expect(testsView(list(), proposed)[0]).toMatchObject({ key: 'next', lines: [{ test: 'second-gauge' }] });
  expect(testsAbout('dhw-coil-perforated')).toContain('coil-isolated-watch');
});

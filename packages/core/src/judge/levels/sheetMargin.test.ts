import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import { diagnose } from '../diagnose';
import { knownToSheet, sheetMarginBar, smallDespite, undersizeFactor } from './sheetMargin';

const sheet = (nominalVolumeL: number, more: Partial<CircuitSheet> = {}): CircuitSheet => ({
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 4,
  vessel: { nominalVolumeL, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 75,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  ...more,
});
const VESSELS = [2, 3, 4, 5, 6, 8, 10, 12, 18, 25];

it('the smaller the vessel on the sheet, the less margin, and the likelier that it is too small, and by the sheet', () => {
  for (const [i, litres] of VESSELS.slice(1).entries()) {
    const larger = sheet(litres),
      smaller = sheet(VESSELS[i]!);
    expect(sheetMarginBar(resolveCircuit(smaller))).toBeLessThan(sheetMarginBar(resolveCircuit(larger)));
    expect(undersizeFactor(smaller)).toBeGreaterThanOrEqual(undersizeFactor(larger));
    expect(knownToSheet(resolveCircuit(smaller))).toBeGreaterThanOrEqual(knownToSheet(resolveCircuit(larger)));
  }
});

it('is a share, and none where the vessel is ample', () => {
  for (const litres of VESSELS) {
    const share = knownToSheet(resolveCircuit(sheet(litres)));
    expect(share).toBeGreaterThanOrEqual(0);
    expect(share).toBeLessThan(1);
  }
  expect(knownToSheet(resolveCircuit(sheet(25)))).toBe(0);
  expect(undersizeFactor({ kind: 'steam', reliefValve: { setBar: 1 } })).toBe(1);
});

it('a vessel sized by the table for its relief and fill (BS 5449, from memory: 0.083 to 0.109 of the content) is not held for too small, a third of it is', () => {
  expect(undersizeFactor(sheet(10.9))).toBeLessThan(1);
  expect(undersizeFactor(sheet(3.5))).toBeGreaterThan(10);
});

it('a limit that is turned down does not make a small vessel large', () =>
  expect(undersizeFactor(sheet(3, { maxFlowC: 55 }))).toBe(undersizeFactor(sheet(3, { maxFlowC: 70 }))));

it('a content that nobody read is no ground for it: less is made of the same numbers', () => {
  const read = sheet(4, { heatOutputKw: 40 }),
    { waterVolumeL: _, waterVolumeSource: __, ...unread } = read;
  const guessed = resolveCircuit(unread).contentL;
  expect(undersizeFactor(unread)).toBeLessThan(undersizeFactor({ ...read, waterVolumeL: guessed }));
});

it('a vessel much too small by its sheet is named, where all moves as the sheet says', () => {
  const log = {
    source: 'hand' as const,
    samples: { tS: [0, 300, 600, 900, 1200, 1500], pressureBar: [1.1, 1.3, 1.7, 2.2, 2.6, 2.8], flowC: [16, 35, 50, 62, 70, 74] },
    events: [{ tS: 0, kind: 'heat-on' as const }],
  };
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'small',
    circuit: sheet(4),
    logs: [log],
    findings: [{ test: 'precharge', valueBar: 0.75, circuitBar: 0, drainOpen: true }],
  });
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-undersized']);
});

it('a vessel that keeps the pressure a bar under the relief on every run is hardly too small, whatever its sheet says', () => {
  const c = resolveCircuit(sheet(5)),
    says = [1.6, 1.9, 2.2, 2.5, 2.8, 3.1].map((peak) => smallDespite(peak, c));
  expect(says[0]).toBeLessThan(0.2);
  for (let i = 1; i < says.length; i++) expect(says[i]!).toBeGreaterThanOrEqual(says[i - 1]!);
  expect(says.at(-1)).toBe(1);
  expect(smallDespite(null, c)).toBe(1);
});

it('where nobody wrote the limit down the vessel is held to no hotter water than it was sized for', () => {
  const { maxFlowC: _, ...untold } = sheet(4);
  expect(sheetMarginBar(resolveCircuit(untold))).toBeCloseTo(sheetMarginBar(resolveCircuit(sheet(4, { maxFlowC: 70 }))), 9);
  expect(undersizeFactor(untold)).toBeLessThan(undersizeFactor(sheet(4, { maxFlowC: 82 })));
});

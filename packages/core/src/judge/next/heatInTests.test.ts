import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { EventKind } from '../../log/PressureLog';
import type { Case } from '../Case';
import { diagnose } from '../diagnose';
import type { Finding } from '../Finding';
import { FED } from '../test/told';
import { testRow } from '../tests';

const STEAM: CircuitSheet = { kind: 'steam', reliefValve: { setBar: 1.03 }, fill: { kind: 'automatic-feeder' }, heatOutputKw: 40 };
const log = (...kinds: EventKind[]): NonNullable<Case['logs']> => [
  {
    source: 'hand',
    samples: { tS: [0, 600, 1200], pressureBar: [1.2, 1.2, 1.2] },
    events: kinds.map((kind, i) => ({ tS: 100 * i, kind })),
  },
];
/** Tests with the burner on among those that are proposed. */
const fired = (circuit: CircuitSheet, findings: Finding[], logs: Case['logs'] = [], complaint: Case['complaint'] = []) => {
  const d = diagnose({ format: 'jumper-case', version: 1, id: 'fire', circuit, complaint, logs, findings });
  const proposed = [...d.nextTests.map((t) => t.test), ...(d.provingTest ? [d.provingTest] : [])];
  expect(proposed.length).toBeGreaterThan(0);
  return proposed.filter((test) => testRow(test).fires);
};

it.each<[string, Finding[]]>([
  ['the glass shows too little', [{ test: 'glass-level', outcome: 'below' }]],
  ['the glass does not follow a drain', [{ test: 'glass-follows-drain', outcome: 'stays-full' }]],
  ['the glass is full', [{ test: 'glass-level', outcome: 'full' }]],
  ['the level jumps', [{ test: 'glass-level', outcome: 'jumping' }]],
  ['the pigtail is blocked', [{ test: 'pigtail-blow', outcome: 'blocked' }]],
  ['the cutoff lets it fire on', [{ test: 'low-water-cutoff-trip', outcome: 'keeps-firing' }]],
])('no steam boiler is fired or fed for a test while %s', (_, findings) => {
  expect(fired(STEAM, findings, [], ['level-wrong'])).toEqual([]);
  expect(fired(STEAM, [], [], ['level-wrong']).length).toBeGreaterThan(0);
});

it('nor a hot-water boiler while it or the vessel is valved off; a coil shut off does not forbid it', () => {
  const cold = (findings: Finding[], ...kinds: EventKind[]) => fired(FED, findings, log(...kinds), ['no-heat-zone']).length > 0;
  expect([
    cold([]),
    cold([], 'boiler-isolated'),
    cold([], 'boiler-isolated', 'boiler-reopened'),
    cold([], 'coil-isolated'),
    cold([], 'fill-closed'),
    cold([{ test: 'vessel-valve-position', outcome: 'closed' }]),
    cold([{ test: 'vessel-valve-position', outcome: 'open' }]),
  ]).toEqual([true, false, true, true, true, false, true]);
});

it('the flooded section check is only offered once the level was seen, never where the boiler may be dry', () => {
  const proposed = (findings: Finding[]) =>
    diagnose({ format: 'jumper-case', version: 1, id: 'fire', circuit: STEAM, complaint: ['level-wrong'], findings }).nextTests.map(
      (t) => t.test,
    );
  const leaks: Finding[] = [{ test: 'make-up-per-month', volumeL: 120 }];
  expect(proposed(leaks)).not.toContain('flooded-section-check');
  expect(proposed([...leaks, { test: 'glass-level', outcome: 'below' }])).not.toContain('flooded-section-check');
  expect(proposed([...leaks, { test: 'glass-level', outcome: 'normal' }])).toContain('flooded-section-check');
});

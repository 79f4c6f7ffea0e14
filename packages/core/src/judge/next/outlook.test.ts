import { diagnose } from '../diagnose';
import type { Finding } from '../Finding';
import { OUTCOME_TABLES } from '../findings/outcomeTable';
import { simulateCase } from '../../simulate/simulateCase';
import { SMALL_HOME } from '../test/homes';
import { testRow, type TestId } from '../tests';

const { log } = simulateCase({
  circuit: SMALL_HOME,
  faults: [{ id: 'vessel-undercharged', severity: 0.7 }],
  schedule: { startC: 18, durationS: 1800, stepS: 180, heat: [{ onS: 180, offS: 1800 }] },
  seed: 6,
});
const judged = (logs: (typeof log)[], ...findings: Finding[]) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'outlook', circuit: SMALL_HOME, complaint: ['topped-up-often'], logs, findings });
// Before anything is read most tests may tell something.
const open = judged([]),
  heated = judged([log]);
const outlookOf = ({ nextTests }: typeof open, test: TestId) => nextTests.find((t) => t.test === test)!.outlook;

it('foretells each way in which a test may come out, together wholly', () => {
  const told = [open, heated].flatMap((d) => d.nextTests.filter((t) => t.outlook.length > 0));
  expect(told.length).toBeGreaterThan(8);
  for (const { outlook } of told) {
    expect(outlook.length).toBeGreaterThan(1);
    expect(Math.abs(outlook.reduce((sum, o) => sum + o.probability, 0) - 1)).toBeLessThan(0.02);
    for (const { first } of outlook) expect(first.probability).toBeLessThanOrEqual(1);
  }
});

it.each([
  ['gas-valve-press', [log]],
  ['gas-valve-press', []],
  ['discharge-pipe', []],
  ['visible-leak', []],
] as const)('%s: what it foretold is what is then thought', (test, logs) => {
  const outcomes = testRow(test).outcomes!,
    outlook = outlookOf(logs.length ? heated : open, test);
  expect(outlook.map((o) => o.text.toLowerCase().replaceAll(' ', '-'))).toEqual(outcomes);
  outcomes.forEach((outcome, i) => {
    const then = judged([...logs], { test, outcome, proposed: true }),
      { first } = outlook[i]!;
    const share = then.hypotheses.find((h) => h.faults.join() === first.faults.join())!.probability;
    expect(Math.abs(share - first.probability)).toBeLessThan(0.1);
    expect(share).toBeGreaterThan(then.hypotheses[0]!.probability - 0.1);
  });
});

it('a reading of the charge is foretold by where it falls, in numbers that speak the user’s units', () => {
  const outlook = outlookOf(open, 'precharge'),
    [flat, low, right] = outlook;
  expect(flat!.text).toBe('Below 0.1 bar');
  expect(low!.said).toContainEqual({ quantity: 'pressure', value: 0.1 });
  // Too little gas was lost, or the reading says nothing is wrong with it.
  expect(low!.first.faults).toEqual(['vessel-undercharged']);
  expect(right!.first.faults).not.toContain('vessel-undercharged');
});

it('foretells nothing of a number that has no few words', () => {
  const steam = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'steam',
    circuit: { kind: 'steam', reliefValve: { setBar: 1 } },
    complaint: ['level-wrong'],
  });
  const ph = steam.nextTests.find((t) => t.test === 'water-ph');
  expect(steam.nextTests.length).toBeGreaterThan(3);
  if (ph) expect(ph.outlook).toEqual([]);
  for (const t of steam.nextTests.filter((n) => OUTCOME_TABLES[n.test])) expect(t.outlook.length).toBeGreaterThan(1);
});

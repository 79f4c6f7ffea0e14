import { diagnose } from './diagnose';
import { FAULT_IDS, faultRow, sureEnoughFor } from './faults';
import type { Finding } from './Finding';
import { LOOKED_FOR_BY, lookedForTimes } from './lookedFor';
import { SMALL_HOME } from './test/homes';
import { TESTS, testRow } from './tests';

const chosen = (...tests: string[]) => new Set(tests);

it('before anything was tested nothing was looked for more than anything else', () => {
  expect(lookedForTimes(['vessel-undercharged'], chosen())).toBe(1);
  expect(lookedForTimes(['circuit-leak', 'vessel-undercharged'], chosen())).toBe(1);
});

it('what none of the tests speaks of is less likely, the more were made; what one of them speaks of is as likely as it was', () => {
  const leak = (...tests: string[]) => lookedForTimes(['circuit-leak'], chosen(...tests));
  expect(leak('precharge')).toBeLessThan(1);
  expect(leak('precharge', 'gas-valve-press')).toBeLessThan(leak('precharge'));
  expect(leak('precharge', 'gas-valve-press', 'visible-leak')).toBe(1);
  // Neither is it said of nothing wrong, which is no test's business.
  expect(lookedForTimes(['none'], chosen('precharge', 'gas-valve-press', 'second-gauge'))).toBe(1);
});

it('two causes are likelier where both were looked for, and lose half as much where one was', () => {
  const pair = (...tests: string[]) => lookedForTimes(['circuit-leak', 'vessel-undercharged'], chosen(...tests));
  const none = pair('second-gauge', 'bleed-radiators', 'fill-outlet-drip'),
    one = pair('second-gauge', 'bleed-radiators', 'precharge'),
    both = pair('second-gauge', 'visible-leak', 'precharge');
  expect(both).toBeGreaterThan(1);
  expect(one).toBeLessThan(1);
  expect(one).toBeCloseTo(Math.sqrt(none), 12);
});

it('of what moves no pressure it says nothing, neither alone nor beside what does', () => {
  const tests = chosen('bleed-radiators', 'idle-cold-pressure', 'second-gauge');
  expect(lookedForTimes(['air-locked-branch'], tests)).toBe(1);
  expect(lookedForTimes(['air-locked-branch', 'feed-starved'], tests)).toBe(1);
});

it('every fault of the pressure side has a row, of tests that there are', () => {
  const pressure = FAULT_IDS.filter((id) => id !== 'none' && faultRow(id).plant === 'sealed');
  expect(Object.keys(LOOKED_FOR_BY).sort()).toEqual([...pressure].sort());
  for (const t of Object.values(LOOKED_FOR_BY).flat()) {
    expect(Object.keys(TESTS)).toContain(t);
    if (t !== 'flow-return') expect(testRow(t).plant).toBe('sealed');
  }
});

it('moves the answer, yet nobody buys a part on what somebody only seems to suspect', () => {
  const findings: Finding[] = [
    { test: 'discharge-pipe', outcome: 'dripping' },
    { test: 'fill-outlet-drip', outcome: 'drips' },
    { test: 'second-gauge', valueBar: 1.1, firstGaugeBar: 1.1 },
  ];
  const answer = (made: Finding[]) => diagnose({ format: 'jumper-case', version: 1, id: 'chosen', circuit: SMALL_HOME, findings: made }),
    chosen = answer(findings),
    asked = answer(findings.map((f) => ({ ...f, proposed: true })));
  const [first] = chosen.hypotheses;
  expect(first!.faults).toEqual(['fill-loop-passing', 'relief-valve-passing']);
  expect(asked.hypotheses[0]!.faults).toEqual(first!.faults);
  expect(first!.probability).toBeGreaterThan(asked.hypotheses[0]!.probability + 0.05);
  expect(first!.probability).toBeGreaterThan(
    sureEnoughFor(
      first!.faults.map((f) => faultRow(f).repair),
      false,
    ),
  );
  expect([chosen.enoughKnown, asked.enoughKnown]).toEqual([false, false]);
  // What was measured plainly is enough, whoever chose to measure it.
  const plain: Finding[] = [
    { test: 'condensate-when-off', outcome: 'drips' },
    { test: 'boiler-isolated-hold', boilerStartBar: 1.4, boilerEndBar: 0.4, circuitStartBar: 1.4, circuitEndBar: 1.4, minutes: 400 },
    { test: 'discharge-pipe', outcome: 'dry' },
    { test: 'gas-valve-press', outcome: 'air' },
  ];
  expect(answer(plain).enoughKnown).toBe(true);
});

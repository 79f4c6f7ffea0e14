import { OUTCOME_TABLES, outcomeShares } from './outcomeTable';
import type { TestId } from '../tests';

const TESTS = Object.keys(OUTCOME_TABLES) as TestId[];

it('shares out all there is, whatever the faults, and holds no outcome for impossible', () => {
  for (const test of TESTS) {
    const named = [...new Set(OUTCOME_TABLES[test]!.rows.map((r) => r.faults[0]!))];
    for (const one of named)
      for (const other of named) {
        const shares = Object.values(outcomeShares(test, one === other ? [one] : [one, other])!);
        expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
        expect(Math.min(...shares)).toBeGreaterThan(0);
      }
  }
});

it('counts the base once, however many faults there are: what comes about by itself is no second finding', () => {
  const base = OUTCOME_TABLES['bleed-radiators']!.base.none!,
    leak = outcomeShares('bleed-radiators', ['circuit-leak'])!.none!,
    holed = outcomeShares('bleed-radiators', ['vessel-diaphragm-failed'])!.none!;
  const both = outcomeShares('bleed-radiators', ['circuit-leak', 'vessel-diaphragm-failed'])!.none!;
  // Each fault keeps from the usual outcome by its own factor on the base.
  expect(both / base).toBeCloseTo((leak / base) * (holed / base), 1);
  expect(both).toBeLessThan(Math.min(leak, holed));
});

it('a second fault that does not touch a test changes nothing there', () => {
  for (const test of TESTS.filter((t) => !['zone-valve-end-switch', 'pump-running'].includes(t)))
    expect(outcomeShares(test, ['relief-valve-passing', 'zone-valve-end-switch-failed'])).toEqual(
      outcomeShares(test, ['relief-valve-passing']),
    );
});

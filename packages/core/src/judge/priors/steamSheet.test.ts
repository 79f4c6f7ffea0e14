import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { FaultId } from '../faults';
import { weightedSets } from './weightedSets';

// What the sheet of a steam boiler makes likelier before anything was tested. Common practice.
const STEAM: CircuitSheet = { kind: 'steam', reliefValve: { setBar: 1.03 }, fill: { kind: 'automatic-feeder' }, heatOutputKw: 40 };
const share = (sheet: Partial<CircuitSheet>, fault: FaultId) =>
  weightedSets({ circuit: { ...STEAM, ...sheet } }).find((s) => s.faults.join() === fault)!.weight;

it('a return in the ground leaks more often than one in sight, and one of which nothing is said in between', () => {
  expect(share({ buriedReturn: true }, 'steam-return-leak')).toBeGreaterThan(share({}, 'steam-return-leak'));
  expect(share({}, 'steam-return-leak')).toBeGreaterThan(share({ buriedReturn: false }, 'steam-return-leak'));
  expect(share({ returnKind: 'dry' }, 'steam-return-leak')).toBeLessThan(share({ returnKind: 'wet' }, 'steam-return-leak'));
});
it.each<FaultId>(['steam-return-leak', 'steam-boiler-section-leak'])('%s comes with the years', (fault) => {
  const at = (ageYears: number) => share({ ageYears }, fault);
  expect(at(20)).toBeGreaterThan(1.2 * at(8));
  expect(at(8)).toBeGreaterThan(1.5 * at(2));
});
it('what is filled by hand has no feeder that fails, and is overfilled more often', () => {
  const hand = { fill: { kind: 'hand-valve' as const } };
  expect(share(hand, 'steam-feeder-failed')).toBeLessThan(0.1 * share({}, 'steam-feeder-failed'));
  expect(share(hand, 'steam-boiler-overfilled')).toBeGreaterThan(1.5 * share({}, 'steam-boiler-overfilled'));
  expect(share(hand, 'steam-feeder-passing')).toBeGreaterThan(0);
});
it('an old relief passes more often than a new one', () => {
  const aged = (ageYears: number) => share({ reliefValve: { setBar: 1.03, ageYears } }, 'steam-relief-passing');
  expect(aged(15)).toBeGreaterThan(1.5 * aged(1));
});

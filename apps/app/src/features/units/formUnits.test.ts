import { fieldUnit, fromField, toField, usualInField } from './formUnits';
import { METRIC, type Units } from './units';

const US: Units = { pressure: 'psi', temperature: '°F', volume: 'US gal', length: 'ft', power: 'BTU/h' };

// Exact by definition: US gallon 3.785411784 L, foot 0.3048 m, psi 0.0689475729 bar; the IT BTU from memory.
it.each([
  ['bar', 'psi', 30, 2.0684],
  ['°C', '°F', 180, 82.2222],
  ['L', 'US gal', 25, 94.6353],
  ['m', 'ft', 12, 3.6576],
  ['kW', 'BTU/h', 100_000, 29.3071],
])('a field of %s is written in %s', (unit, shown, typed, canonical) => {
  expect(fieldUnit(unit, US)).toBe(shown);
  expect(fromField(typed, unit, US)).toBeCloseTo(canonical, 4);
  expect(Number(toField(canonical, unit, US))).toBeCloseTo(typed, unit === 'kW' ? -1 : 1);
});
it('leaves canonical numbers and bare counts as they were typed', () => {
  expect([fromField(24.123456, 'kW', METRIC), fromField(9, 'years', US), fromField(3, 'count', US)]).toEqual([24.123456, 9, 3]);
  expect([toField(0.7531, 'bar', METRIC), toField(82.5, '°C', METRIC), toField(12, 'years', US)]).toEqual(['0.753', '82.5', '12']);
  expect([fieldUnit('count', US), fieldUnit('pH', US), fieldUnit('min', US), fieldUnit('mL', US)]).toEqual(['', '', 'min', 'mL']);
});
it('writes usual values as one would say them', () =>
  expect([usualInField(3, 'bar', US), usualInField(0.75, 'bar', METRIC), usualInField(8, 'L', US)]).toEqual(['43.5', '0.75', '2.11']));

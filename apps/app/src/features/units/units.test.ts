import fc from 'fast-check';
import { METRIC, nudgeBar, parseTyped, pressureNumber, pressureText, signedPressure, temperatureText, type Units } from './units';
import { fromField } from './formUnits';

it.each([
  [2.3, 'bar', '2.3'],
  [0.75, 'bar', '0.75'],
  [1, 'bar', '1.0'],
  [2.999, 'bar', '3.0'],
  [-0.21, 'bar', '−0.21'],
  [-0.001, 'bar', '0.0'],
  [0.827371, 'psi', '12.0'],
  [1.5, 'kPa', '150'],
] as const)('%d bar in %s reads %s', (bar, unit, text) => {
  expect(pressureNumber(bar, unit)).toBe(text);
});

it('writes differences with their sign, temperatures whole', () => {
  expect(signedPressure(1.3, 'bar')).toBe('+1.3');
  expect(signedPressure(-0.4, 'bar')).toBe('−0.4');
  expect(pressureText(1.5, 'psi')).toBe('21.8 psi');
  expect(temperatureText(68, '°F')).toBe('154 °F');
});

it.each([
  ['1,5', 1.5],
  [' 2.3 ', 2.3],
  ['.5', 0.5],
  ['−0.2', -0.2],
  ['+1', 1],
])('takes “%s”', (text, value) => {
  expect(parseTyped(text)).toEqual({ kind: 'number', value });
});
it.each(['one', '1.2.3', '1e5', '1 2', '0x10'])('refuses “%s”', (text) => expect(parseTyped(text)).toEqual({ kind: 'not-a-number' }));
it('knows nothing from not a number', () => expect(parseTyped('  ')).toEqual({ kind: 'empty' }));

it('what is shown and typed again is the same to the last digit shown', () => {
  fc.assert(
    fc.property(fc.double({ min: -1, max: 25, noNaN: true }), fc.constantFrom<Units['pressure']>('bar', 'psi', 'kPa'), (bar, pressure) => {
      const typed = parseTyped(pressureNumber(bar, pressure));
      const step = { bar: 0.005, psi: 0.0035, kPa: 0.005, mbar: 0.0005 }[pressure];
      return typed.kind === 'number' && Math.abs(fromField(typed.value, 'bar', { ...METRIC, pressure }) - bar) <= step + 1e-4;
    }),
  );
});

it('nudges by the gauge’s own division', () => {
  expect(nudgeBar('bar', 0.05)).toBe(0.05);
  expect(nudgeBar('bar')).toBe(0.1);
  expect(Math.abs(nudgeBar('psi') - 0.0689)).toBeLessThan(0.0001);
});

import { CALCULATOR_IDS, calculator, type CircuitSheet } from '@jumper/core';
import { METRIC, type Units } from '../units/units';
import { quantityText, shownAs } from '../units/quantity';
import { curveView } from './curveView';
import { formOf, givenFromSheet, givenOf, linkOf, toolView } from './toolForm';

const US: Units = { pressure: 'psi', temperature: '°F', volume: 'US gal', length: 'ft', power: 'BTU/h' };

it.each(CALCULATOR_IDS)('%s says the same in either system of units', (id) => {
  const metric = toolView(id, formOf(id, {}, METRIC), METRIC),
    us = toolView(id, formOf(id, {}, US), US);
  expect(metric.problems).toEqual({});
  expect(us.problems).toEqual({});
  expect(metric.main).not.toBeNull();
  expect(Math.abs(us.main!.value - metric.main!.value)).toBeLessThanOrEqual(0.01 * Math.abs(metric.main!.value) + 0.005);
});

it.each(CALCULATOR_IDS)('%s: a link carries its numbers into anybody’s units', (id) => {
  const { given } = toolView(id, formOf(id, {}, METRIC), METRIC);
  const query = Object.fromEntries(new URL(linkOf(id, given), 'http://x').searchParams);
  const back = toolView(id, formOf(id, givenOf(id, query)!, US), US);
  expect(Math.abs(back.main!.value - toolView(id, formOf(id, given, METRIC), METRIC).main!.value)).toBeLessThanOrEqual(
    0.01 * Math.abs(back.main!.value) + 0.005,
  );
});

it('names the field that cannot be read or does not fit, and keeps the rest', () => {
  const form = { ...formOf('swing', {}, METRIC), contentL: 'many', fillGaugeBar: '-3' };
  const view = toolView('swing', form, METRIC);
  expect(view.results).toEqual([]);
  expect(view.problems).toEqual({ contentL: 'Content: “many” is not a number.', fillGaugeBar: 'Fill, cold: must be 0.0 to 10.0 bar.' });
  expect(toolView('blend', { ...formOf('blend', {}, METRIC), mixC: '90' }, METRIC).problems.mixC).toMatch(
    /^Wanted: must be 35 to 70 °C\.$/,
  );
});

it('takes a circuit’s own numbers', () => {
  const sheet: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 120,
    vessel: { nominalVolumeL: 12, labelPrechargeBar: 1 },
    reliefValve: { setBar: 3 },
    staticHeadM: 6,
    maxFlowC: 75,
  };
  expect(givenFromSheet(sheet)).toMatchObject({ contentL: 120, nominalVolumeL: 12, prechargeGaugeBar: 1, heightM: 6, hotC: 70 });
  expect(toolView('swing', formOf('swing', givenFromSheet(sheet), METRIC), METRIC).problems).toEqual({});
});

it('writes quantities in the user’s units', () => {
  expect(quantityText(100, 'volume', US)).toBe('26.4 US gal');
  expect(quantityText(10, 'temperature-difference', US)).toBe('18 °F');
  expect(quantityText(12, 'power', METRIC)).toBe('12 kW');
  expect(quantityText(227.1247, 'flow', US)).toBe('1 US gpm');
  for (const q of ['pressure', 'volume', 'flow', 'length', 'bore', 'power', 'friction', 'calorific', 'edr'] as const) {
    const s = shownAs(q, US);
    expect(Math.abs(s.to(s.from(3.7)) - 3.7)).toBeLessThan(1e-9);
  }
});

it('draws a curve inside its square, with the present place on it', () => {
  for (const id of CALCULATOR_IDS.filter((i) => calculator(i).curve)) {
    const { given } = toolView(id, formOf(id, {}, METRIC), METRIC);
    const curve = curveView(id, given, METRIC)!;
    expect(curve.points.every((p) => p.value >= 0 && p.value <= 1)).toBe(true);
    expect(curve.here).not.toBeNull();
  }
  expect(curveView('pipes', {}, METRIC)).toBeNull();
});

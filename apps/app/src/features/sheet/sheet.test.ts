import { sheetWarnings } from '@jumper/core';
import { METRIC, type Units } from '../units/units';
import { PLANT_IDS } from './plants';
import { blankForm, formOf, sheetOf } from './sheetForm';
import { cannotBe, sheetSummary } from './summaryRows';

const record = { id: 'i', circuitId: 'c', recordedAt: '2026-03-04T09:00:00Z', assumed: ['waterVolumeL'] };
const good = { ...blankForm(METRIC), site: '14 Kiln Row' };

it('makes a sheet of the defaults as they are', () => {
  const made = sheetOf(good, METRIC);
  expect(made).toMatchObject({
    kind: 'ok',
    site: '14 Kiln Row',
    sheet: {
      kind: 'sealed-hot-water',
      reliefValve: { setBar: 3 },
      vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
      fill: { kind: 'manual-loop' },
    },
  });
});

const US: Units = { pressure: 'psi', temperature: '°F', volume: 'US gal', length: 'ft', power: 'BTU/h' };

it('is written in the user’s units, reads them back, and leaves what nobody touched to the last digit', () => {
  const made = sheetOf(good, METRIC);
  if (made.kind !== 'ok') throw new Error('the defaults must do');
  const form = formOf({ ...record, site: made.site, sheet: made.sheet as never }, US);
  expect([form.numbers['vessel.nominalVolumeL'], form.numbers['reliefValve.setBar']]).toEqual(['2.11', '43.51']);
  const again = sheetOf(form, US, made.sheet);
  expect(again.kind === 'ok' && again.sheet).toEqual(made.sheet);
  const typed = sheetOf({ ...form, numbers: { ...form.numbers, staticHeadM: '20', maxFlowC: '180', waterVolumeL: '30' } }, US, made.sheet);
  expect(typed.kind === 'ok' && typed.sheet).toMatchObject({ staticHeadM: 6.096, maxFlowC: 82.2222, waterVolumeL: 113.5624 });
  expect(sheetOf({ ...form, numbers: { ...form.numbers, 'reliefValve.setBar': '9000' } }, US, made.sheet)).toMatchObject({
    problems: { 'reliefValve.setBar': expect.stringMatching(/^Relief valve opens at must be .*\d bar\.$/) },
  });
  const view = sheetSummary({ ...record, site: 'x', sheet: made.sheet as never }, US);
  expect(view.rows.find((r) => r.label === 'Vessel')!.value).toMatch(/^2\.1 US gal, label 10\.9 psi$/);
  expect([...view.rows, ...view.worked].filter((r) => / (L|m|bar|kW|°C)\b/.test(r.value))).toEqual([]);
});

it('reads pressures in the user’s unit', () => {
  const psi = { ...METRIC, pressure: 'psi' as const };
  const made = sheetOf({ ...blankForm(psi), site: 'x', numbers: { ...blankForm(psi).numbers, 'reliefValve.setBar': '30' } }, psi);
  expect(made.kind === 'ok' && Math.abs(made.sheet.reliefValve!.setBar - 2.068) < 0.001).toBe(true);
});

it.each(PLANT_IDS)('a usual %s is a sheet without fault', (plant) =>
  expect(sheetOf({ ...blankForm(METRIC, plant), site: 'x' }, METRIC).kind).toBe('ok'),
);

it('keeps second vessels, zones and parts through the form, and takes a second vessel out again', () => {
  const made = sheetOf(
    {
      ...good,
      numbers: { ...good.numbers, 'second.nominalVolumeL': '12', 'vessel.heightAboveGaugeM': '2' },
      zones: [{ id: 'Up' }],
      components: [{ id: 'v', kind: 'drain-cock', at: 'lowest' }],
    },
    METRIC,
  );
  if (made.kind !== 'ok') throw new Error('these are possible');
  expect(made.sheet.vessels).toMatchObject([{ nominalVolumeL: 8, heightAboveGaugeM: 2 }, { nominalVolumeL: 12 }]);
  const form = formOf({ ...record, site: 'x', sheet: made.sheet as never }, METRIC);
  expect([form.numbers['second.nominalVolumeL'], form.zones, form.components]).toEqual(['12', made.sheet.zones, made.sheet.components]);
  const without = sheetOf({ ...form, numbers: { ...form.numbers, 'second.nominalVolumeL': '' } }, METRIC, made.sheet);
  expect(without.kind === 'ok' && without.sheet.vessels).toBeUndefined();
});

it('goes into the form and back unchanged, with what the form does not show', () => {
  const made = sheetOf(good, METRIC);
  if (made.kind !== 'ok') throw new Error('the defaults must do');
  const before = { ...made.sheet, altitudeM: 600, reliefValve: { setBar: 3, ageYears: 4 } };
  const again = sheetOf(formOf({ ...record, site: made.site, sheet: before as never }, METRIC), METRIC, before);
  expect(again.kind === 'ok' && again.sheet).toEqual(before);
});

it.each([
  ['vessel.nominalVolumeL', '-8', 'Vessel must be above 0.'],
  ['staticHeadM', 'tall', 'Highest water above the gauge: “tall” is not a number.'],
  ['reliefValve.setBar', '', 'Relief valve: its set pressure is needed.'],
  ['maxFlowC', '400', 'Highest flow temperature must be at most 180.'],
] as const)('names %s when it is “%s”', (field, text, message) => {
  const made = sheetOf({ ...good, numbers: { ...good.numbers, [field]: text } }, METRIC);
  expect(made.kind === 'bad' && made.problems[field]).toBe(message);
});

it('marks what is assumed and warns about what cannot be right', () => {
  const made = sheetOf({ ...good, numbers: { ...good.numbers, waterVolumeL: '400' } }, METRIC);
  if (made.kind !== 'ok') throw new Error('a large content is possible');
  const view = sheetSummary({ ...record, site: 'x', sheet: made.sheet as never }, METRIC);
  expect(view.rows.find((r) => r.label === 'Content')).toMatchObject({ value: '400 L', assumed: true });
  expect(view.warnings.join()).toMatch(/Even with a right charge/);
});

it('parts what cannot be right, and undoes what is judged by it, from what only needs care', () => {
  const warnings = (sheet: Parameters<typeof sheetWarnings>[0]) => cannotBe(sheetWarnings(sheet), METRIC);
  const sealed = { kind: 'sealed-hot-water' as const, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 } };
  expect(warnings({ ...sealed, reliefValve: { setBar: 3, ageYears: 20 } })).toEqual([]);
  expect(warnings({ ...sealed, reliefValve: { setBar: 2 }, vessel: { nominalVolumeL: 8, labelPrechargeBar: 3.5 } })).toEqual([
    expect.stringMatching(/^The fill, \d\.\d+ bar, is not below the relief, 2\.0 bar\.$/),
  ]);
});

describe('valve map and feed on the sheet', () => {
  it('a map that cannot be is refused at its field, and what was typed stays', () => {
    const form = { ...blankForm(METRIC), site: 'x', valveMap: { relief: 'nowhere' as const } };
    const result = sheetOf(form, METRIC);
    expect(result.kind).toBe('bad');
    expect(result.kind === 'bad' && Object.keys(result.problems)).toEqual(['valveMap.relief']);
    expect(sheetOf({ ...form, valveMap: { gauge: 'nowhere' as const } }, METRIC).kind).toBe('bad');
  });
  it('keeps where things stand and how the feed’s valve stands, and an older sheet opens unchanged', () => {
    const form = { ...blankForm(METRIC, 'fed'), site: 'x', feedValve: 'shut' as const, valveMap: { vessel: 'circuit' as const } };
    const result = sheetOf(form, METRIC);
    if (result.kind !== 'ok') throw new Error(JSON.stringify(result));
    expect([result.sheet.fill?.valve, result.sheet.valveMap]).toEqual(['shut', { vessel: 'circuit' }]);
    const before = {
      id: 's',
      circuitId: 'c',
      recordedAt: '2026-01-01T00:00:00Z',
      site: 'x',
      assumed: [],
      sheet: { ...result.sheet, valveMap: undefined },
    };
    const back = sheetOf(formOf(before as never, METRIC), METRIC, before.sheet as never);
    expect(back.kind === 'ok' && back.sheet.valveMap).toBeUndefined();
  });
  it('takes antifreeze by volume or by its freezing point', () => {
    const of = (glycolBy: 'mass' | 'volume' | 'freezing', typed: string) => {
      const form = blankForm(METRIC);
      const r = sheetOf({ ...form, site: 'x', glycolBy, numbers: { ...form.numbers, glycolPercent: typed } }, METRIC);
      return r.kind === 'ok' ? r.sheet.glycolPercent : r.problems.glycolPercent;
    };
    expect([of('mass', '30'), of('volume', '30'), of('freezing', '-12.7')]).toEqual([30, 30.8, 30]);
    expect(of('freezing', '12')).toMatch(/freezing point/);
  });
});

import type { CircuitSheet } from '@jumper/core';
import { METRIC } from '../units/units';
import { blankForm, sheetOf } from '../sheet/sheetForm';
import { PLANT_IDS } from '../sheet/plants';
import { schematicView } from './schematicView';

const sheetFor = (plant: (typeof PLANT_IDS)[number]): CircuitSheet => {
  const made = sheetOf({ ...blankForm(METRIC, plant), site: 'x' }, METRIC);
  if (made.kind !== 'ok') throw new Error(JSON.stringify(made.problems));
  return made.sheet;
};
const ids = (sheet: CircuitSheet) => schematicView(sheet, METRIC).parts.map((p) => p.id);

it.each(PLANT_IDS)('draws a %s with all that its sheet names, inside the paper and touchable apart', (plant) => {
  const view = schematicView(sheetFor(plant), METRIC);
  expect(view.parts.map((p) => p.id)).toEqual(expect.arrayContaining(['boiler', 'gauge', 'relief', 'vessel-0', 'feed', 'pump', 'zone-0']));
  for (const p of view.parts) {
    expect(p.x).toBeGreaterThan(10);
    expect(p.x).toBeLessThan(view.width - 10);
    expect(p.y).toBeGreaterThan(10);
    expect(p.y).toBeLessThan(view.height - 10);
    expect(p.title).not.toMatch(/undefined|NaN/);
    expect(p.facts.join()).not.toMatch(/undefined|NaN/);
  }
  for (const a of view.parts)
    for (const b of view.parts) if (a.id < b.id) expect([a.id, b.id, Math.hypot(a.x - b.x, a.y - b.y) > 22]).toEqual([a.id, b.id, true]);
});

it('shows what hot water is made with, a second vessel, the valve before one, and a tank', () => {
  expect(ids(sheetFor('wall-boiler'))).toContain('plate');
  expect(schematicView(sheetFor('fed'), METRIC).parts.some((p) => p.kind === 'coil')).toBe(true);
  const full: CircuitSheet = {
    ...sheetFor('fed'),
    vessels: [{ nominalVolumeL: 18, isolationValve: 'fitted' }, { nominalVolumeL: 18 }],
    openVented: true,
  };
  expect(ids(full)).toEqual(expect.arrayContaining(['vessel-0', 'vessel-1', 'vessel-valve-0', 'tank']));
  expect(
    schematicView(full, METRIC)
      .parts.filter((p) => p.warn)
      .map((p) => p.id),
  ).toEqual(expect.arrayContaining(['vessel-valve-0', 'tank']));
});

it('puts every further part where it is, and draws many zones as a few', () => {
  const sheet: CircuitSheet = {
    ...sheetFor('fed'),
    zones: Array.from({ length: 7 }, (_, i) => ({ id: `Zone ${i + 1}` })),
    components: [
      { id: 'a', kind: 'automatic-vent' },
      { id: 'b', kind: 'feed-bypass', at: 'feed', state: 'open' },
      { id: 'c', kind: 'pump', at: 'supply' },
    ],
  };
  const view = schematicView(sheet, METRIC);
  expect(view.parts.filter((p) => p.id.startsWith('zone-')).map((p) => p.title)).toEqual(
    ['Zone 1', 'Zone 2', 'Zone 3', '4 more', 'Cylinder'].slice(0, 5),
  );
  expect(view.parts.find((p) => p.id === 'b')!.warn).toBe(true);
  expect(view.parts.filter((p) => p.kind === 'pump').map((p) => p.id)).toEqual(['c']);
});

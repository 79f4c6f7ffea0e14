import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { COMPLAINTS, type Complaint } from './complaints';
import { FAULT_IDS, type FaultId } from '../faults';
import { REPLACEABLE_PARTS, weightedSets, type PriorInput } from './weightedSets';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, isolationValve: 'fitted' },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};
const share = (input: Partial<PriorInput>, ...faults: FaultId[]) =>
  weightedSets({ circuit: SHEET, ...input }).find((s) => s.faults.join() === [...faults].sort().join())?.weight ?? 0;
const holding = (input: Partial<PriorInput>, ...any: FaultId[]) =>
  weightedSets({ circuit: SHEET, ...input })
    .filter((s) => s.faults.some((f) => any.includes(f)))
    .reduce((sum, s) => sum + s.weight, 0);

it.each<[string, Partial<PriorInput>]>([
  ['a wall boiler', {}],
  ['a fed circuit', { circuit: { ...SHEET, fill: { kind: 'reducing-valve', setBar: 0.97 }, domesticHotWater: { kind: 'indirect-coil' } } }],
  ['steam', { circuit: { kind: 'steam', reliefValve: { setBar: 1.03 } } }],
  ['nothing known', { circuit: { kind: 'sealed-hot-water' } as CircuitSheet }],
])('%s: shares sum to one, none is nought, ids are known and sorted', (_name, input) => {
  const sets = weightedSets({ circuit: SHEET, ...input });
  expect(Math.abs(sets.reduce((s, x) => s + x.weight, 0) - 1)).toBeLessThan(1e-9);
  for (const s of sets) {
    expect(s.weight).toBeGreaterThan(0);
    expect([...s.faults].sort()).toEqual(s.faults);
    for (const f of s.faults) expect(FAULT_IDS).toContain(f);
  }
  expect(new Set(sets.map((s) => s.faults.join())).size).toBe(sets.length);
});

it('a vessel that is too small by its sheet makes its relief pass as often as any that is too small', () => {
  const tooSmall = (waterVolumeL: number, ...besides: FaultId[]) =>
      share({ circuit: { ...SHEET, waterVolumeL } }, 'vessel-undersized', ...besides),
    passesToo = (waterVolumeL: number) => tooSmall(waterVolumeL, 'relief-valve-passing') / tooSmall(waterVolumeL);
  // By the sheet the one is several times likelier to be too small than the other.
  expect(tooSmall(240)).toBeGreaterThan(3 * tooSmall(95));
  expect(passesToo(240) / passesToo(95)).toBeGreaterThan(0.5);
  // What has nothing to do with it is no likelier beside it.
  expect(tooSmall(240, 'gauge-misreading')).toBeLessThan(1.2 * tooSmall(95, 'gauge-misreading'));
});

it.each<FaultId>(['relief-valve-passing', 'relief-valve-lifts-early'])('%s is likelier of an old relief than of a new one', (fault) => {
  const aged = (ageYears?: number) => share({ circuit: { ...SHEET, reliefValve: { setBar: 3, ageYears } } }, fault);
  expect(aged(14)).toBeGreaterThan(aged());
  expect(aged()).toBeGreaterThan(aged(1));
});

it('what was only filled wrongly was mostly put right by whoever changed a part', () => {
  const high = (alreadyDone: PriorInput['alreadyDone']) =>
    share({ complaint: ['gauge-climbs-hot'], alreadyDone }, 'fill-pressure-too-high') /
    share({ complaint: ['gauge-climbs-hot'], alreadyDone }, 'dhw-plate-perforated');
  expect(high([{ part: 'vessel' }, { part: 'pressure-sensor' }])).toBeLessThan(0.85 * high([]));
});

it('a pump that was changed is seldom at fault, and its valves are the likelier left shut', () => {
  const cold = { complaint: ['no-heat'] as Complaint[] },
    changed = { ...cold, alreadyDone: [{ part: 'pump' as const }] };
  expect(share(changed, 'pump-not-circulating')).toBeLessThan(0.4 * share(cold, 'pump-not-circulating'));
  expect(share(changed, 'pump-valve-closed')).toBeGreaterThan(2 * share(cold, 'pump-valve-closed'));
});

it('what the sheet rules out is not there, and what excludes one another does not stand together', () => {
  expect(share({}, 'reducing-valve-creeping')).toBe(0);
  expect(share({}, 'dhw-coil-perforated')).toBe(0);
  expect(share({}, 'vessel-undercharged', 'vessel-overcharged')).toBe(0);
  expect(share({}, 'none', 'circuit-leak')).toBe(0);
});

it('a way of filling that the sheet does not say counts as often as it occurs, and the relief says which is likely', () => {
  const unsaid = (setBar: number) => ({ circuit: { ...SHEET, fill: undefined, domesticHotWater: undefined, reliefValve: { setBar } } }),
    by = (kind: 'manual-loop' | 'reducing-valve' | 'pressurisation-unit') => ({ circuit: { ...SHEET, fill: { kind } } });
  expect(share(unsaid(3), 'pressurisation-unit-fault')).toBeLessThan(0.2 * share(by('pressurisation-unit'), 'pressurisation-unit-fault'));
  for (const [id, kind] of [
    ['fill-loop-passing', 'manual-loop'],
    ['reducing-valve-creeping', 'reducing-valve'],
  ] as const)
    expect(share(unsaid(3), id)).toBeLessThan(share(by(kind), id));
  expect(share(unsaid(3), 'fill-loop-passing')).toBeGreaterThan(share(unsaid(3), 'reducing-valve-creeping'));
  expect(share(unsaid(2.07), 'fill-loop-passing')).toBeLessThan(share(unsaid(2.07), 'reducing-valve-creeping'));
  expect(share(unsaid(3), 'dhw-plate-perforated')).toBeGreaterThan(share(unsaid(3), 'dhw-coil-perforated'));
  // A plate is holed nearly twice as often as a coil: a low relief only brings the two nearer.
  const plateToCoil = (bar: number) => share(unsaid(bar), 'dhw-plate-perforated') / share(unsaid(bar), 'dhw-coil-perforated');
  expect(plateToCoil(2.07)).toBeLessThan(0.7 * plateToCoil(3));
});

it('one fault is likelier than it and another, and pairs that bring one another about likelier than strangers', () => {
  expect(share({}, 'vessel-undercharged')).toBeGreaterThan(share({}, 'vessel-undercharged', 'relief-valve-passing'));
  const against = (a: FaultId, b: FaultId) => share({}, a, b) / (share({}, a) * share({}, b));
  expect(against('vessel-undercharged', 'vessel-gas-valve-leaking')).toBeGreaterThan(
    5 * against('vessel-gas-valve-leaking', 'boiler-overheating'),
  );
  expect(against('fill-loop-passing', 'relief-valve-passing')).toBeGreaterThan(5 * against('fill-loop-passing', 'air-vent-faulty'));
});

it.each<[Complaint, FaultId[]]>([
  ['topped-up-often', ['circuit-leak', 'vessel-undercharged']],
  ['drips-outside', ['relief-valve-passing', 'fill-loop-passing']],
  ['gauge-climbs-hot', ['vessel-undercharged', 'vessel-overcharged']],
  ['no-heat', ['pump-not-circulating']],
  ['locks-out', ['fill-pressure-too-low']],
  ['noise', ['air-in-circuit']],
  ['water-on-floor', ['circuit-leak']],
  ['cold-room', ['branch-restricted']],
])('“%s” makes what explains it likelier, and a sound circuit less so', (complaint, faults) => {
  for (const f of faults) expect(share({ complaint: [complaint] }, f)).toBeGreaterThan(share({}, f));
  expect(share({ complaint: [complaint] }, 'none')).toBeLessThan(share({}, 'none'));
});

it('complaints are one story told several ways: together they count for less than each alone would add up to', () => {
  const odds = (complaint: Complaint[]) =>
    Math.log(share({ complaint }, 'vessel-undercharged') / share({ complaint }, 'boiler-exchanger-leak'));
  const none = Math.log(share({}, 'vessel-undercharged') / share({}, 'boiler-exchanger-leak'));
  const both = odds(['drips-outside', 'gauge-climbs-hot']) - none,
    one = odds(['drips-outside']) - none,
    other = odds(['gauge-climbs-hot']) - none;
  expect(both).toBeGreaterThan(Math.max(one, other));
  expect(both).toBeLessThan(one + other);
});

it.each(REPLACEABLE_PARTS)('a new %s is seldom the fault, though not never', (part) => {
  const on: Partial<PriorInput> = ['reducing-valve'].includes(part)
    ? { circuit: { ...SHEET, fill: { kind: 'reducing-valve', setBar: 0.97 } } }
    : part === 'coil'
      ? { circuit: { ...SHEET, domesticHotWater: { kind: 'indirect-coil' } } }
      : {};
  const its: Record<(typeof REPLACEABLE_PARTS)[number], FaultId> = {
    vessel: 'vessel-undercharged',
    'relief-valve': 'relief-valve-passing',
    'reducing-valve': 'reducing-valve-creeping',
    'fill-loop': 'fill-loop-passing',
    gauge: 'gauge-misreading',
    'pressure-sensor': 'gauge-misreading',
    'plate-exchanger': 'dhw-plate-perforated',
    coil: 'dhw-coil-perforated',
    pump: 'pump-not-circulating',
    'valve-core': 'vessel-gas-valve-leaking',
  };
  const before = share(on, its[part]),
    after = share({ ...on, alreadyDone: [{ part }] }, its[part]);
  expect(after).toBeLessThan(0.6 * before);
  expect(after).toBeGreaterThan(0.05 * before);
});

it('old vessels lose their charge sooner, small ones swing too far, and a valve that the sheet denies is not out of the question', () => {
  const aged = (ageYears: number) =>
    holding({ circuit: { ...SHEET, vessel: { ...SHEET.vessel, ageYears } } }, 'vessel-undercharged', 'vessel-diaphragm-failed');
  expect(aged(12)).toBeGreaterThan(aged(1));
  const content = (waterVolumeL: number) => share({ circuit: { ...SHEET, waterVolumeL } }, 'vessel-undersized');
  expect(content(220)).toBeGreaterThan(3 * content(80));
  const denied = share({ circuit: { ...SHEET, vessel: { ...SHEET.vessel, isolationValve: 'none' } } }, 'vessel-isolated');
  expect(denied).toBeGreaterThan(0);
  expect(denied).toBeLessThan(0.1 * share({}, 'vessel-isolated'));
});

it('there is a row for every complaint', () => {
  for (const c of COMPLAINTS) expect(weightedSets({ circuit: SHEET, complaint: [c] }).length).toBeGreaterThan(20);
});

it('two faults at once are looked for once something was tested, and no more for a third test', () => {
  // The same test again and again: which tests were made counts by itself, once there are two (`lookedFor.ts`).
  const made = (n: number) => ({ findings: Array.from({ length: n }, () => ({ test: 'visible-leak' as const })) });
  const odds = (n: number) => share(made(n), 'circuit-leak', 'vessel-undercharged') / share(made(n), 'circuit-leak');
  expect(odds(0) / odds(2)).toBeCloseTo(0.6, 9);
  expect(odds(1)).toBeGreaterThan(odds(0));
  expect(odds(1)).toBeLessThan(odds(2));
  expect(odds(4)).toBeCloseTo(odds(2), 12);
});

it('a test that somebody chose tells what he suspects; one that the judge asked for does not', () => {
  const odds = (findings: NonNullable<PriorInput['findings']>) =>
    share({ findings }, 'dhw-plate-perforated') / share({ findings }, 'circuit-leak');
  const findings = (['listen-at-exchanger', 'cold-main-off-watch'] as const).map((test) => ({ test }));
  expect(odds(findings)).toBeGreaterThan(1.2 * odds([]));
  expect(odds(findings.map((f) => ({ ...f, proposed: true })))).toBeCloseTo(odds([]), 12);
});

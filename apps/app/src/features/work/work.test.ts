import type { FactBody, JobParts } from '@jumper/contract';
import { runSheet, type CircuitSheet } from '@jumper/core';
import { METRIC } from '../units/units';
import { planOf, usualFloors } from './drainForm';
import { EMPTY_PART, partOf } from './partForm';
import { checkAsk } from './stepAsk';
import { factsOfAsk, isTemporary, positionFact, stepFacts, workState } from './workState';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
};
const at = (min: number) => new Date(Date.UTC(2026, 2, 4, 9, min)).toISOString();
let n = 0;
const job = (bodies: FactBody[]): JobParts => ({
  job: { id: 'j', circuitId: 'c', openedAt: at(0), complaint: [] },
  sheet: { id: 's', circuitId: 'c', recordedAt: at(0), site: 'x', sheet: SHEET as never, assumed: [] },
  facts: bodies.map((body) => ({ id: `f${n++}`, jobId: 'j', recordedAt: body.at, body })) as never,
});

it('a run sheet done to the end leaves its repair with the charge, and nothing to put back', () => {
  const run = { run: 'r', sheet: 'recharge' as const },
    sheet = runSheet('recharge', SHEET),
    facts: FactBody[] = [];
  sheet.steps.forEach((s, i) =>
    facts.push(...stepFacts(run, workState(job(facts)), SHEET, s.id, 'done', at(i), s.asks === 'charge-set' ? { value: 0.78 } : {})),
  );
  const state = workState(job(facts));
  expect([state.open, state.runs[0]!.progress.finished]).toEqual([[], true]);
  expect(facts.filter((f) => f.kind === 'repair')).toMatchObject([{ repair: { kind: 'vessel-recharged', toBar: 0.78 } }]);
});

it('halfway the heat is forbidden, by events of the log as well as by notes', () => {
  const run = { run: 'r', sheet: 'recharge' as const },
    facts: FactBody[] = [];
  for (const s of ['heat-off', 'found', 'isolate', 'drain'])
    facts.push(...stepFacts(run, workState(job(facts)), SHEET, s, 'done', at(facts.length)));
  expect(facts.some((f) => f.kind === 'event' && f.event === 'boiler-isolated')).toBe(true);
  const blocks = (all: FactBody[]) => workState(job(all)).heat.blocks.map((b) => b.by === 'position' && b.position);
  expect(blocks(facts)).toEqual(['boiler-valves', 'drain']);
  expect(blocks([...facts, positionFact('boiler-valves', 'back', at(50)), positionFact('drain', 'back', at(51))])).toEqual([]);
});

it('a vessel’s valve that was found shut is on the list, and forbids the heat, until it is opened', () => {
  const shut: FactBody = { kind: 'finding', at: at(0), finding: { test: 'vessel-valve-position', outcome: 'closed' } as never };
  const found = workState(job([shut]));
  expect([found.open.map((p) => p.position), found.heat.allowed]).toEqual([['vessel-valve'], false]);
  const opened = workState(job([shut, positionFact('vessel-valve', 'back', at(5))]));
  expect([opened.open, opened.heat.allowed]).toEqual([[], true]);
});

it('the coil alone left shut does not forbid the heat', () => {
  const state = workState(job([{ kind: 'event', at: at(0), event: 'coil-isolated' }]));
  expect([state.open.map((p) => p.position), state.heat.allowed, state.heat.cautions.length]).toEqual([['coil-valves'], true, 1]);
});

it('knows a stop-gap for one, and a charge read on the way for a finding', () => {
  const run = { run: 'r', sheet: 'air-cushion' as const },
    facts: FactBody[] = [];
  runSheet('air-cushion', SHEET).steps.forEach((s, i) => facts.push(...stepFacts(run, workState(job(facts)), SHEET, s.id, 'done', at(i))));
  expect(isTemporary(workState(job(facts)))).toBe(true);
  expect(factsOfAsk('charge-found', 0.2, at(0))).toMatchObject([{ finding: { test: 'precharge', valueBar: 0.2, drainOpen: true } }]);
  expect(factsOfAsk('charge-set', 0.75, at(0))).toEqual([]);
});

it.each([
  ['gauge-zero', '0.6', 'bad', /Not empty yet/],
  ['gauge-zero', '0', 'ok', null],
  ['charge-found', '1.1', 'ask', /what the water stood at/],
  ['charge-found', '0.3', 'ok', null],
  ['charge-set', '0.4', 'ask', /0\.75 bar is wanted/],
  ['charge-set', '0,8', 'ok', null],
  ['fill-pressure', '2.7', 'ask', /Close to the relief/],
  ['litres-out', 'many', 'bad', /is not a number/],
  ['found-pressure', '', 'bad', /Gauge as found/],
] as const)('%s “%s” is %s', (ask, typed, kind, message) => {
  const result = checkAsk(ask, typed, SHEET, METRIC, 1.1, false);
  expect(result.kind).toBe(kind);
  if (result.kind !== 'ok') expect(result.message).toMatch(message!);
});

it('takes a part’s pressures in the user’s unit and names what is wrong', () => {
  const psi = partOf('relief-valve', { ...EMPTY_PART, setBar: '30', serial: ' 12 ' }, { ...METRIC, pressure: 'psi' });
  expect(psi.kind === 'ok' && [Math.round(psi.part.setBar! * 100) / 100, psi.part.serial]).toEqual([2.07, '12']);
  expect(partOf('vessel', { ...EMPTY_PART, volumeL: 'big' }, METRIC)).toMatchObject({
    kind: 'bad',
    problems: { volumeL: 'Volume on it: “big” is not a number.' },
  });
});

it('takes what runs out in the user’s volume', () => {
  const gal = { ...METRIC, volume: 'US gal' as const };
  expect(checkAsk('litres-out', '2', SHEET, gal, undefined, false)).toEqual({ kind: 'ok', value: 7.5708 });
  expect(checkAsk('litres-out', '90000', SHEET, gal, undefined, false)).toMatchObject({
    kind: 'bad',
    message: 'Water let out: must be from 0 to 26417 US gal.',
  });
});

it('plans a drain-down in feet and gallons as in metres and litres', () => {
  const us = { ...METRIC, length: 'ft' as const, volume: 'US gal' as const },
    plan = (form: ReturnType<typeof usualFloors>, units: typeof METRIC) => planOf(form, units);
  const metric = plan({ ...usualFloors(METRIC), workHeightM: '2' }, METRIC),
    feet = plan({ ...usualFloors(us), workHeightM: '6.56' }, us);
  expect(usualFloors(us).floors[0]!.heightM).toBe('9.84');
  expect(metric.kind === 'ok' && feet.kind === 'ok' && feet.plan.litresOut).toBe(metric.kind === 'ok' && metric.plan.litresOut);
  expect(planOf({ ...usualFloors(us), workHeightM: '900' }, us)).toEqual({
    kind: 'bad',
    message: 'Height of the work: must be from −164 to 492.1 ft.',
  });
});

it('plans a drain-down, or names the field that is wrong', () => {
  const result = planOf({ ...usualFloors(METRIC), workHeightM: '2' }, METRIC);
  expect(result.kind === 'ok' && [result.plan.open.map((o) => o.floor), result.plan.keep]).toEqual([['Upper floor'], ['Ground floor']]);
  expect(planOf({ ...usualFloors(METRIC), floors: [{ name: 'Attic', heightM: 'high', radiators: '1' }] }, METRIC)).toEqual({
    kind: 'bad',
    message: 'Height of Attic: “high” is not a number.',
  });
});

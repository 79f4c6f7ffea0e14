import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { RunSheet } from './RunSheet';
import { runSheet } from './runSheets';
import { runProgress, type StepSaid } from './runProgress';
import { sheetAfterPart } from './sheetAfterPart';
import { alreadyTrue, type JobState } from './stepState';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, maxBar: 3, ageYears: 12 },
  reliefValve: { setBar: 3, ageYears: 12 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
};
const at = (min: number) => new Date(Date.UTC(2026, 2, 4, 9, min)).toISOString();
const job = (state: Partial<JobState> = {}): JobState => ({
  away: [],
  positions: [],
  elsewhere: [],
  lastReading: null,
  chargeFound: null,
  nowMs: Date.parse(at(60)),
  ...state,
});
const ids = (sheet: RunSheet, said: StepSaid[], state: JobState) => [...alreadyTrue(sheet, said, state).keys()];
const recharge = runSheet('recharge', SHEET),
  core = runSheet('core-change', SHEET);

/** Steps of a run as done one after the other, a minute each, and what the job then looks like from another run. */
function walked(sheet: RunSheet, until: string): { said: StepSaid[]; state: Partial<JobState> } {
  const upTo = sheet.steps.findIndex((s) => s.id === until),
    done = sheet.steps.slice(0, upTo + 1);
  const said = done.map((s, i): StepSaid => ({ step: s.id, did: 'done', at: at(i), ...(s.asks === 'gauge-zero' ? { value: 0 } : {}) }));
  const positions = done.flatMap((s, i) => (s.turns ?? []).map((t) => ({ ...t, at: at(i), by: 'R. Vale' })));
  const last = new Map(positions.map((p) => [p.position, p]));
  return {
    said,
    state: {
      positions,
      away: [...last.values()].flatMap((p) => (p.state === 'away' ? [{ position: p.position, since: p.at }] : [])),
      elsewhere: done.map((step, i) => ({ step, said: said[i]! })),
    },
  };
}

it('nothing is true of a job of which nothing is said', () => expect(ids(recharge, [], job())).toEqual([]));

it('heat that is off and a loop that is off are ticked, with when and by whom', () => {
  const { state } = walked(recharge, 'feed-off'),
    given = alreadyTrue(recharge, [], job({ positions: state.positions!, away: state.away! }));
  expect(given.get('heat-off')).toMatchObject({ did: 'done', given: true, at: at(0), by: 'R. Vale' });
  // Where the parts stand was not looked at in this run: what comes after waits for it.
  expect([...given.keys()]).not.toContain('drain');
});

it('two repairs share one drain-down: the second goes on where the part is empty', () => {
  const { state } = walked(recharge, 'zero'),
    given = alreadyTrue(core, [], job(state));
  for (const id of ['heat-off', 'feed-off', 'isolate', 'drain', 'vent', 'zero']) expect([...given.keys()]).toContain(id);
  expect(given.get('zero')!.value).toBe(0);
  const next = runProgress(core, [], given).next!;
  expect(['found', 'read-charge', 'release']).toContain(next.id);
});

it('a drain that was shut again takes isolate, drain and zero back', () => {
  const { state } = walked(recharge, 'zero'),
    shut = {
      ...state,
      away: state.away!.filter((a) => a.position !== 'drain'),
      positions: [...state.positions!, { position: 'drain' as const, state: 'back' as const, at: at(30) }],
    };
  expect(ids(core, [], job(shut))).not.toContain('drain');
  expect(ids(core, [], job(shut))).not.toContain('zero');
});

it('a zero read before the drain was opened again says nothing', () => {
  const { state } = walked(recharge, 'zero'),
    again = { ...state, positions: [...state.positions!, { position: 'drain' as const, state: 'away' as const, at: at(40) }] };
  expect(ids(core, [], job(again))).not.toContain('zero');
});

it('another part, emptied another way, is not taken for this one', () => {
  const { state } = walked(runSheet('drain-refill', SHEET), 'vents');
  expect(ids(recharge, [], job(state))).not.toContain('zero');
  expect(ids(recharge, [], job(state))).not.toContain('drain');
});

it('the work itself is never taken for done', () => {
  for (const sheet of [recharge, core]) {
    const whole = walked(sheet, 'power');
    for (const s of sheet.steps.filter((x) => x.repairs || x.fits || x.asks === 'charge-set'))
      expect(ids(sheet, [], job(whole.state))).not.toContain(s.id);
  }
});

it('what another run put back after this one’s work counts for both', () => {
  const own = walked(recharge, 'leak-fluid').said,
    later = walked(core, 'power');
  const elsewhere = later.state.elsewhere!.map((e) => ({
    ...e,
    said: { ...e.said, at: new Date(Date.parse(e.said.at) + 3_600_000).toISOString() },
  }));
  const given = ids(recharge, own, job({ ...later.state, elsewhere }));
  for (const id of ['shut-drain', 'reopen', 'power']) expect(given).toContain(id);
  // Before its work is done the same steps are of another story.
  expect(ids(recharge, own.slice(0, 4), job({ ...later.state, elsewhere }))).not.toContain('power');
});

it('the gauge as found is the last reading while it is fresh, and a charge read with the water side empty is not asked twice', () => {
  const fresh = { at: at(40), gaugeBar: 1.4 };
  expect(alreadyTrue(recharge, [], job({ lastReading: fresh })).has('found')).toBe(false); // heat is still on: first things first
  const off = walked(recharge, 'heat-off').state;
  expect(alreadyTrue(recharge, [], job({ ...off, elsewhere: [], lastReading: fresh })).get('found')).toMatchObject({ value: 1.4 });
  expect(alreadyTrue(recharge, [], job({ ...off, elsewhere: [], lastReading: { at: at(-40), gaugeBar: 1.4 } })).has('found')).toBe(false);
  const empty = walked(recharge, 'zero');
  expect(
    alreadyTrue(recharge, empty.said, job({ ...empty.state, elsewhere: [], chargeFound: { at: at(20), gaugeBar: 0.2 } })).get(
      'read-charge',
    ),
  ).toMatchObject({ value: 0.2 });
});

it('a fitted part stands on the sheet, new', () => {
  expect(sheetAfterPart(SHEET, { kind: 'vessel', volumeL: 12, chargeBar: 1 })!.vessel).toEqual({
    nominalVolumeL: 12,
    labelPrechargeBar: 1,
    ageYears: 0,
  });
  expect(sheetAfterPart(SHEET, { kind: 'relief-valve', setBar: 2.5, capacityKw: 50 })!.reliefValve).toEqual({
    setBar: 2.5,
    capacityKw: 50,
    ageYears: 0,
  });
  expect(sheetAfterPart(SHEET, { kind: 'reducing-valve', setBar: 1 })).toBeNull();
  expect(sheetAfterPart({ ...SHEET, vessels: [{}, {}] }, { kind: 'vessel', volumeL: 12 })).toBeNull();
  expect(sheetAfterPart(SHEET, { kind: 'washer' })).toBeNull();
});

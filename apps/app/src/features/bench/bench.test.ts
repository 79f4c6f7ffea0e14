import { caseToRecords, caseFile, jobToCase } from '@jumper/contract';
import { diagnose, simulateCase, type CircuitSheet, type Diagnosis, type FaultId } from '@jumper/core';
import { METRIC, type Units } from '../units/units';
import { forecast } from '../figure/figureView';
import { benchView } from './benchView';
import { checkPressure, checkTemperature } from './checkPressure';
import { dueText } from './dueText';
import { recordRows } from './recordRows';
import { nextTest, predictedBy, setTitle, shareText, suspects, verdict, leadOf } from './suspects';
import { effectText } from './FindingEffect';

jest.mock('../../workers/judgeClient', () => ({}));

const CIRCUIT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  maxFlowC: 70,
  gauge: { resolutionBar: 0.1 },
};
type Hypothesis = Diagnosis['hypotheses'][number];
let n = 0;
const newId = () => `0191a000-0000-7000-8000-${String(++n).padStart(12, '0')}`;
const parts = (fault: 'none' | 'vessel-undercharged', minutes = 15) => {
  const { log } = simulateCase({
    circuit: CIRCUIT,
    faults: [{ id: fault, severity: 0.6 }],
    schedule: { startC: 17, durationS: 60 * minutes, stepS: 120, heat: [{ onS: 60, offS: 9999 }] },
  });
  return caseToRecords(
    caseFile.parse({
      format: 'jumper-case',
      version: 1,
      id: 'x',
      title: '7 Quarry Steps',
      complaint: ['topped-up-often'],
      circuit: CIRCUIT,
      logs: [{ ...log, source: 'hand', startedAt: '2026-03-04T09:00:00Z', events: log.events!.filter((e) => e.kind === 'heat-on') }],
    }),
    { newId, now: '2026-03-04T10:00:00Z' },
  );
};
const viewOf = (p: ReturnType<typeof parts>, units = METRIC) => benchView(p, jobToCase(p), units);

it('says of a flat vessel that it rises too much, and when it will lift', () => {
  const view = viewOf(parts('vessel-undercharged', 10));
  expect(view.change).toMatchObject({ tone: 'oxide', text: expect.stringMatching(/^\+\d.*too much$/) });
  expect(view.heatOn).toBe(true);
  expect(view.figure.forecast?.text).toMatch(/^lifts in about \d+ min$/);
  expect(view.figure.rungs.map((r) => r.id)).toEqual(['relief', 'reseat', 'hot', 'fill', 'precharge', 'height']);
});

it('says of a sound circuit that it rises as it should, inside its band', () => {
  const view = viewOf(parts('none'));
  expect(view.change).toMatchObject({ tone: 'verdigris', text: expect.stringMatching(/as it should$/) });
  expect(view.figure.forecast).toBeNull();
});

it('what buys a part is never said to cost none, though two faults share its repair', () => {
  const d = { ...diagnose({ format: 'jumper-case', version: 1, id: 'x', circuit: CIRCUIT }), enoughKnown: true };
  const said = (...hypotheses: Hypothesis[]) => verdict({ ...d, hypotheses }).text;
  expect(said({ faults: ['relief-valve-passing'], probability: 0.5 }, { faults: ['relief-valve-lifts-early'], probability: 0.45 })).toMatch(
    /^Enough is known to act/,
  );
  expect(said({ faults: ['vessel-undercharged'], probability: 0.82 })).toMatch(/enough to try what costs no part/);
});

describe('suspects by fault', () => {
  const because = (fault: FaultId, text: string) => ({ evidence: 'finding:0', for: fault, bits: 2, text, said: text });
  const base = diagnose({ format: 'jumper-case', version: 1, id: 'x', circuit: CIRCUIT });
  const of = (hypotheses: Hypothesis[]) => ({ ...base, hypotheses });
  it('each fault stands once with its total, and under it with what it may be combined', () => {
    const list = suspects(
      {
        ...of([
          { faults: ['relief-valve-passing'], probability: 0.5 },
          { faults: ['relief-valve-passing', 'vessel-undercharged'], probability: 0.33 },
          { faults: ['fill-pressure-too-high', 'relief-valve-passing'], probability: 0.1 },
          { faults: ['none'], probability: 0.05 },
        ]),
        because: [because('relief-valve-passing', 'It drips.'), because('fill-pressure-too-high', 'Stood still.')],
      },
      METRIC,
    );
    expect(list.map((s) => [s.title, s.share])).toEqual([
      ['Relief valve passing', '93\u00a0%'],
      ['Vessel has lost its charge', '33\u00a0%'],
      ['Overfilled', '10\u00a0%'],
      ['Nothing wrong', '5\u00a0%'],
    ]);
    expect(list[0]!.together).toEqual(['together with vessel has lost its charge, 33\u00a0%', 'together with overfilled, 10\u00a0%']);
    expect(list.map((s) => s.reason).slice(0, 3)).toEqual([
      'It drips.',
      'Nothing measured points to it yet; it is common on such circuits.',
      'Stood still.',
    ]);
  });
  it('a test that confirms a fault never makes it look weaker, though another set leads', () => {
    const before = of([
      { faults: ['relief-valve-passing'], probability: 0.6 },
      { faults: ['relief-valve-passing', 'vessel-undercharged'], probability: 0.2 },
      { faults: ['none'], probability: 0.2 },
    ]);
    const after = of([
      { faults: ['relief-valve-passing', 'vessel-undercharged'], probability: 0.55 },
      { faults: ['relief-valve-passing'], probability: 0.4 },
      { faults: ['none'], probability: 0.05 },
    ]);
    expect(effectText(before, after)).toBe('Relief valve passing: 80\u00a0% before, 95\u00a0% now.');
    expect(leadOf(after)!.faults).toEqual(['relief-valve-passing', 'vessel-undercharged']);
  });
});

it('says of a cold circuit that stands too low what it stands under, and what it should stand at', () => {
  const cold = (bar: number, flowC = 18) =>
    caseToRecords(
      caseFile.parse({
        format: 'jumper-case',
        version: 1,
        id: 'x',
        circuit: CIRCUIT,
        logs: [
          { source: 'hand', startedAt: '2026-03-04T09:00:00Z', samples: { tS: [0, 600], pressureBar: [bar, bar], flowC: [flowC, flowC] } },
        ],
      }),
      { newId, now: '2026-03-04T10:00:00Z' },
    );
  expect(viewOf(cold(0.2))).toMatchObject({
    change: { tone: 'oxide', text: 'Below static head' },
    right: '0.36 bar of water stands above; fill to 1.05 bar',
  });
  expect(viewOf(cold(0.6))).toMatchObject({
    change: { text: 'Below the vessel’s charge' },
    right: 'Under 0.75 bar the vessel is empty; fill to 1.05 bar',
  });
  expect(viewOf(cold(1.8)).change).toMatchObject({ tone: 'oxide', text: 'Above the fill pressure, 1.05 bar' });
  expect(viewOf(cold(1.1))).toMatchObject({ change: { tone: 'verdigris' }, right: 'No heat yet: it should stand still' });
  // Warm water has grown, whoever heated it.
  expect(viewOf(cold(1.8, 55)).change).toMatchObject({ text: expect.stringMatching(/^Found hot/) });
});

describe('a circuit that is found hot', () => {
  const found = (pressureBar: number[], flowC: number[] | null, events: { tS: number; kind: 'heat-off' | 'heat-on' }[]) =>
    viewOf(
      caseToRecords(
        caseFile.parse({
          format: 'jumper-case',
          version: 1,
          id: 'x',
          circuit: CIRCUIT,
          logs: [
            {
              source: 'hand',
              startedAt: '2026-03-04T09:00:00Z',
              samples: { tS: pressureBar.map((_, i) => 600 * i), pressureBar, ...(flowC ? { flowC } : {}) },
              events,
            },
          ],
        }),
        { newId, now: '2026-03-04T10:00:00Z' },
      ),
    );
  const OFF = [{ tS: 60, kind: 'heat-off' as const }],
    COOLS = [66, 54, 46, 38, 32];

  it('and falls too far while it cools has risen too far', () => {
    const view = found([2.8, 2.2, 1.7, 1.2, 0.9], COOLS, OFF);
    expect(view).toMatchObject({
      heatOn: false,
      heatUnsaid: false,
      change: { tone: 'oxide', text: '−1.9 since it began to cool, too much' },
    });
    expect(view.right).toMatch(/^−0\.\d+ to −0\.\d+ is normal for this system down to 32\s°C$/);
  });

  it('and falls as it should', () =>
    expect(found([1.6, 1.45, 1.35, 1.25, 1.15], COOLS, OFF).change).toMatchObject({
      tone: 'verdigris',
      text: expect.stringMatching(/since it began to cool, as it should$/),
    }));

  it('has no band to be held against where no temperature was read', () => {
    const view = found([2.8, 2.2, 1.7, 1.2, 0.9], null, OFF);
    expect(view.figure.band).toEqual([]);
    expect(view.change).toMatchObject({ tone: 'ink', text: '−1.9 since it began to cool' });
  });

  it('is held against a circuit that was filled as wanted, until it has cooled', () => {
    expect(found([2.4], [66], [])).toMatchObject({ change: { tone: 'oxide' } });
    const high = found([2.4, 2.4], [66, 66], []),
      right = found([1.6, 1.6], [66, 66], []);
    expect(high).toMatchObject({
      change: { tone: 'oxide', text: 'Found hot, and too high for that' },
      right: expect.stringMatching(/^1\.\d+ to 1\.\d+ bar is normal for this system at 66\s°C, filled to 1\.05$/),
    });
    expect(right).toMatchObject({ change: { tone: 'verdigris' } });
    expect(right.figure.band.every((b) => b.low > 1.05)).toBe(true);
  });

  it('and of which nobody has said that the heat is on may be said to be either', () => {
    expect(found([1.6, 1.6], [66, 66], []).heatUnsaid).toBe(true);
    expect(found([1.6, 1.6], [66, 66], [{ tS: 0, kind: 'heat-on' }]).heatUnsaid).toBe(false);
  });
});

it('shows ladder and band before the first reading', () => {
  const p = parts('none');
  const view = viewOf({ ...p, facts: [] });
  expect(view).toMatchObject({ number: null, change: null });
  expect(view.figure.rungs.length).toBe(6);
  expect(view.figure.band.length).toBeGreaterThan(10);
});

it('speaks the user’s units', () => {
  const view = viewOf(parts('none'), { ...METRIC, pressure: 'psi', temperature: '°F' });
  expect(view.number!.unit).toBe('psi');
  expect(view.right).toMatch(/°F$/);
});

it('forecasts only what rises', () => {
  const points = (bars: number[]) => bars.map((bar, i) => ({ min: 3 * i, bar }));
  expect(forecast(points([1, 1, 1]), 3, 30, true)).toBeNull();
  expect(forecast(points([1, 1.5]), 3, 30, true)).toBeNull();
  expect(forecast(points([2, 2.2, 2.4]), 3, 30, true)!.text).toBe('lifts in about 9 min');
  expect(forecast(points([3.1, 3.2, 3.3]), 3, 30, true)).toBeNull();
});

describe('what is typed', () => {
  it.each([
    ['1.2', 'ok'],
    ['3.9', 'ok'],
    ['14', 'ask'],
    ['5', 'ask'],
    ['22', 'ask'],
    ['30', 'ask'],
    ['400', 'bad'],
    ['-2', 'bad'],
    ['', 'bad'],
    ['x', 'bad'],
  ])('%s bar on a 3 bar circuit: %s', (typed, kind) => {
    expect(checkPressure(typed, METRIC, 3).kind).toBe(kind);
  });
  it('offers psi where that would make sense', () => {
    const check = checkPressure('14', METRIC, 3);
    expect(check.kind === 'ask' && Math.abs(check.asPsiBar! - 0.965) < 0.001).toBe(true);
    expect(checkPressure('5', METRIC, 3)).toMatchObject({ kind: 'ask', bar: 5 });
  });
  it('takes no temperature for none, and refuses the impossible by name', () => {
    expect(checkTemperature('', 'Flow', METRIC)).toEqual({ kind: 'ok', celsius: null });
    expect(checkTemperature('251', 'Return', METRIC)).toMatchObject({ kind: 'bad', message: expect.stringContaining('Return: 251 °C') });
  });
});

describe('the judge’s answer in words', () => {
  const d = diagnose(jobToCase(parts('vessel-undercharged')));
  it('names suspects with a share and a reason, none twice with the same reason', () => {
    const list = suspects(d, METRIC);
    expect(list[0]!.title).toMatch(/Vessel has lost its charge/);
    expect(list[0]!.reason).toMatch(/^Rose/);
    expect(list.filter((s) => s.reason === list[0]!.reason)).toHaveLength(1);
  });
  it('gives its reasons in the user’s units', () => {
    const us: Units = { pressure: 'psi', temperature: '°F', volume: 'US gal', length: 'ft', power: 'BTU/h' },
      reasons = (units: Units) => suspects(d, units).flatMap((s) => [s.reason, ...s.evidence.map((e) => e.text)]);
    expect(reasons(us).some((r) => /^Rose \d+(\.\d)? psi from \d+ °F to \d+ °F; this circuit should rise/.test(r))).toBe(true);
    expect(reasons(us).filter((r) => / (bar|°C)\b/.test(r))).toEqual([]);
    expect(reasons(METRIC).some((r) => /^Rose \d\.\d+ bar from \d+ °C/.test(r))).toBe(true);
  });
  it('claims no more than the data give', () => {
    expect(verdict(d).kind).toBe('open');
    expect(verdict({ ...d, hypotheses: [], now: undefined as never }).kind).toBe('open');
    expect(verdict({ ...d, hypotheses: [{ faults: ['none'], probability: 0.8 }] })).toMatchObject({ kind: 'sound' });
    expect(verdict({ ...d, enoughKnown: true })).toMatchObject({ kind: 'found', text: expect.stringContaining('Recharge') });
  });
  it('shows what a suspect makes of the log that is on the figure, and nothing of another', () => {
    const key = d.hypotheses[1]!.faults.join('+'),
      curve = predictedBy(d, key, 0)!;
    expect(curve.length).toBe(d.predictions[0]!.tS.length);
    expect(curve[1]!.min).toBe(d.predictions[0]!.tS[1]! / 60);
    expect(curve.map((p) => p.bar)).toEqual(d.predictions[0]!.suspects[1]!.gaugeBar);
    expect([predictedBy(d, key, 3), predictedBy(d, 'no-such-fault', 0)]).toEqual([null, null]);
  });
  it('goes for the most telling test, and once enough is known for the one that would show it wrong; what was left out does not come again', () => {
    const open = { ...d, enoughKnown: false },
      sure = { ...d, enoughKnown: true, provingTest: 'pump-up-hold' as const };
    expect(nextTest(open, new Map())).toBe(d.nextTests[0]!.test);
    expect(nextTest(open, new Map([[d.nextTests[0]!.test, 'no tool']]))).toBe(d.nextTests[1]!.test);
    expect(nextTest(sure, new Map())).toBe('pump-up-hold');
    expect(nextTest(sure, new Map([['pump-up-hold', 'no time']]))).toBe(d.nextTests[0]!.test);
    expect(nextTest({ ...open, nextTests: [] }, new Map())).toBeNull();
  });
  it('says where two would look the same', () => {
    const alike = (evidence: string) =>
      suspects(
        {
          ...d,
          hypotheses: [
            { faults: ['circuit-leak'], probability: 0.5 },
            { faults: ['air-vent-faulty'], probability: 0.4 },
          ],
          because: (['circuit-leak', 'air-vent-faulty'] as const).map((f) => ({ evidence, for: f, bits: 2, text: 'Fell.', said: 'Fell.' })),
        },
        METRIC,
      )[1]!.reason;
    expect(alike('log:0')).toBe('Would look the same on the gauge.');
    expect(alike('finding:0')).toBe('Would show the same.');
  });
  it('writes shares in round numbers, and sets as one line', () => {
    expect([shareText(0.999), shareText(0.004), shareText(0.412)]).toEqual(['over 99\u00a0%', 'under 1\u00a0%', '41\u00a0%']);
    expect(setTitle(['vessel-undercharged', 'relief-valve-passing'])).toBe('Vessel has lost its charge, and relief valve passing');
  });
  it('tells what a finding did', () => {
    const after = { ...d, hypotheses: [{ faults: [leadOf(d)!.faults[0]!], probability: 0.9 }] };
    expect(effectText(d, after)).toMatch(/before, 90\u00a0% now\.$/);
    expect(effectText(d, d)).toMatch(/^Hardly moves/);
  });
});

it('tells when the next reading is due', () => {
  expect([dueText(0, 0)!.text, dueText(0, 55_000)!.text, dueText(0, 120_000)!.text]).toEqual([
    'Next reading in 2:00',
    'Next reading in 1:05',
    'Read the gauge now',
  ]);
  expect(dueText(0, 2 * 3_600_000)).toBeNull();
});

it('draws the loop once pressure and temperature were read together over ten kelvin', () => {
  expect(viewOf(parts('none')).loop).toMatchObject({ reliefBar: 3 });
  expect(viewOf(parts('none', 2)).loop).toBeNull();
});

it('keeps what was corrected in the record', () => {
  const p = parts('none');
  const first = p.facts.find((f) => f.body.kind === 'reading')!;
  const rows = recordRows(
    [...p.facts, { ...first, id: newId(), correctsId: first.id, body: { ...first.body, pressureBar: 1.9 } as never }],
    METRIC,
    p.sheet.sheet as never,
  );
  expect(rows.find((r) => r.corrected)).toMatchObject({
    text: expect.stringContaining('1.9 bar'),
    corrected: expect.stringMatching(/bar/),
  });
});

it('the record names the day wherever it turns, and not today', () => {
  const reading = (at: string) => ({
    ...parts('none').facts.find((f) => f.body.kind === 'reading')!,
    id: newId(),
    body: { kind: 'reading', at, pressureBar: 1.2 } as never,
  });
  const rows = recordRows(
    ['2026-03-02T09:00:00Z', '2026-03-02T15:00:00Z', '2026-03-03T09:00:00Z', '2026-03-04T09:00:00Z'].map(reading),
    METRIC,
    parts('none').sheet.sheet as never,
    Date.parse('2026-03-04T12:00:00Z'),
  );
  expect(rows.map((r) => r.day)).toEqual([null, 'Tuesday 3 Mar', 'Monday 2 Mar', null]);
});

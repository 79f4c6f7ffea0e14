import { resolveCircuit } from '../circuit/resolveCircuit';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { simulateCase } from '../simulate/simulateCase';
import type { FaultId } from '../judge/faults';
import { proveRepair, type Proof } from './proveRepair';
import { runBands } from './runBands';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 4,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  gauge: { resolutionBar: 0.1 },
};
const circuit = resolveCircuit(SHEET);
const run = (prechargeGaugeBar: number, { minutes = 20, maxC = 70, id = 'vessel-undercharged' as FaultId } = {}) =>
  simulateCase({
    circuit: SHEET,
    faults: [{ id, severity: 0.5, parameters: { prechargeGaugeBar, startGaugeBar: 1.1 } }],
    schedule: { startC: 16, durationS: 60 * minutes, stepS: 120, heat: [{ onS: 60, offS: 60 * minutes, maxC }] },
  }).log;
const codes = (p: Proof) => p.reasons.map((r) => r.code);
const none = { now: null, worked: ['vessel-undercharged' as const] };

it('passes a run to the limit that stays in this circuit’s band', () => {
  const p = proveRepair({ circuit, before: run(0), after: run(0.75), ...none });
  expect(p.kind).toBe('pass');
  expect(codes(p)).toEqual(['within-band', 'swing-changed']);
  expect(p.before!.swingBar!).toBeGreaterThan(1.5 * p.after!.swingBar!);
});

it('fails a run that still rises too much, and names the limit it passed', () => {
  const p = proveRepair({ circuit, before: run(-0.1), after: run(0), ...none });
  expect(p.kind).toBe('fail');
  const tooMuch = p.reasons.find((r) => r.code === 'rose-too-much');
  expect(tooMuch).toMatchObject({ hotBar: p.after!.hotBar });
  expect(p.after!.hotBar!).toBeGreaterThan(p.rightHot!.highGaugeBar);
});

it('fails a run in which the relief was seen to lift, however right the pressure stood', () => {
  const after = run(0.75);
  const p = proveRepair({
    circuit,
    before: run(0),
    after: { ...after, events: [...after.events!, { tS: 900, kind: 'relief-lifted' }] },
    ...none,
  });
  expect([p.kind, codes(p)]).toEqual(['fail', ['swing-changed', 'relief-lifted']]);
});

it('a run that never got hot proves nothing', () => {
  const p = proveRepair({ circuit, before: null, after: run(0.75, { maxC: 40 }), ...none });
  expect(p.kind).toBe('unclear');
  expect(codes(p)).toContain('not-hot-enough');
});

it('no run, no readings or no heat: unclear', () => {
  for (const after of [null, { samples: { tS: [], pressureBar: [] } }, { samples: { tS: [0, 60], pressureBar: [1, 1] } }])
    expect(proveRepair({ circuit, before: null, after, ...none })).toMatchObject({ kind: 'unclear', reasons: [{ code: 'no-run' }] });
});

it('says that a run without temperatures cannot be held against the band', () => {
  const log = run(0.75);
  delete log.samples.flowC;
  delete log.samples.returnC;
  const p = proveRepair({ circuit, before: null, after: log, ...none });
  expect([p.kind, codes(p)]).toEqual(['unclear', ['no-temperature']]);
});

it('the judge’s lasting suspicion fails it, another suspicion leaves it open', () => {
  const judgement = (fault: FaultId, p: number) =>
    ({ hypotheses: [{ faults: [fault], probability: p }], marginals: { [fault]: p, none: 1 - p } }) as never;
  expect(
    proveRepair({ circuit, before: null, after: run(0.75), now: judgement('vessel-undercharged', 0.6), worked: ['vessel-undercharged'] })
      .kind,
  ).toBe('fail');
  const other = proveRepair({
    circuit,
    before: null,
    after: run(0.75),
    now: judgement('relief-valve-passing', 0.8),
    worked: ['vessel-undercharged'],
  });
  expect([other.kind, codes(other)]).toEqual(['unclear', ['other-suspected']]);
});

describe('would the run have shown the fault, were it still there?', () => {
  const interval = (x: number) => ({ p05: 0.8 * x, median: x, p95: 1.2 * x });
  const answer = (p: Proof) => p.stillThere.map((r) => [r.fault, r.by, r.shows]);

  it('a flat vessel on a full run: yes, and where it would have stood is where a plant with the same flat vessel stands', () => {
    const p = proveRepair({ circuit, before: run(0, { maxC: 65 }), after: run(0.75), ...none });
    expect(answer(p)).toEqual([['vessel-undercharged', 'rise', true]]);
    const row = p.stillThere[0] as { thereGaugeBar: number };
    const still = proveRepair({ circuit, before: null, after: run(0), ...none }).after!.hotBar!;
    expect(Math.abs(row.thereGaugeBar - still)).toBeLessThan(0.12);
  });

  it('a run that stops short would not have shown it, and so proves nothing', () => {
    const p = proveRepair({ circuit, before: run(0.45), after: run(0.75, { maxC: 62 }), ...none });
    expect(answer(p)).toEqual([['vessel-undercharged', 'rise', false]]);
    expect(p.kind).toBe('unclear');
    expect(codes(p)).toContain('would-not-show');
  });

  it('a drip needs a longer watch on a larger vessel: the time needed grows with its room', () => {
    const needed = (nominalVolumeL: number, minutes: number, rate: number) => {
      const big = resolveCircuit({ ...SHEET, vessel: { nominalVolumeL, labelPrechargeBar: 0.75 } });
      const p = proveRepair({
        circuit: big,
        before: run(0.75),
        after: run(0.75, { minutes }),
        now: null,
        worked: ['circuit-leak'],
        lossLPerH: interval(rate),
      });
      return p.stillThere[0] as { shows: boolean; neededMin: number };
    };
    expect(needed(8, 20, 0.5).shows).toBe(false);
    expect(needed(8, 120, 1).shows).toBe(true);
    expect(needed(24, 20, 0.5).neededMin).toBeGreaterThan(2 * needed(8, 20, 0.5).neededMin);
    expect(needed(8, 20, 1).neededMin).toBeCloseTo(needed(8, 20, 0.5).neededMin / 2, 6);
  });

  it('what no run shows is shown by its own test, done after the work', () => {
    const gauge = (testsAfter: 'second-gauge'[]) =>
      proveRepair({ circuit, before: run(0.75), after: run(0.75), now: null, worked: ['gauge-misreading'], testsAfter });
    expect([gauge([]).kind, answer(gauge([]))]).toEqual(['unclear', [['gauge-misreading', 'test', false]]]);
    expect([gauge(['second-gauge']).kind, answer(gauge(['second-gauge']))]).toEqual(['pass', [['gauge-misreading', 'test', true]]]);
  });

  it('nothing measured before the work: not known, and said so rather than held against it', () => {
    const p = proveRepair({ circuit, before: null, after: run(0.75), ...none });
    expect([p.kind, answer(p)]).toEqual(['pass', [['vessel-undercharged', 'nothing', null]]]);
  });
});

describe('the run as it goes', () => {
  const rows = runBands(circuit, run(0.75), run(0), 0.75),
    bad = runBands(circuit, run(0), null, 0.75);

  it('rises with the temperature, one row to ten kelvin', () => {
    expect(rows.length).toBeGreaterThanOrEqual(4);
    rows.slice(1).forEach((r, i) => {
      expect(r.flowC).toBeGreaterThan(rows[i]!.flowC);
      expect(Math.floor(r.flowC / 10)).toBeGreaterThan(Math.floor(rows[i]!.flowC / 10));
    });
  });

  it('a sound circuit is never too high; a flat vessel is before the run is over', () => {
    expect(rows.map((r) => r.verdict)).not.toContain('high');
    expect(rows.at(-1)!.verdict).toBe('right');
    expect(bad.at(-1)!.verdict).toBe('high');
    expect(bad.every((r) => r.beforeGaugeBar === null)).toBe(true);
  });

  it('the run before stood above the band at the same temperature', () => {
    const hot = rows.at(-1)!;
    expect(hot.beforeGaugeBar!).toBeGreaterThan(hot.highGaugeBar);
  });

  it('no heat, no temperature, no log: no rows', () => {
    const blind = run(0.75);
    delete blind.samples.flowC;
    for (const log of [null, blind, { ...run(0.75), events: [] }]) expect(runBands(circuit, log)).toEqual([]);
  });
});

describe('proof without a thermometer, and without a run', () => {
  const unread = (log: ReturnType<typeof run>) => {
    const { flowC: _f, returnC: _r, ...samples } = log.samples;
    return { ...log, samples };
  };
  const sound = unread(run(0.75));
  it('the boiler at its set temperature, steady, counts as the end of the run', () => {
    const without = proveRepair({ circuit, before: run(0), after: sound, ...none });
    expect([without.kind, codes(without)[1]]).toEqual(['unclear', 'no-temperature']);
    const seen = { ...sound, events: [...sound.events!, { tS: 1200, kind: 'steady-hot' as const }] };
    const p = proveRepair({ circuit, before: unread(run(0)), after: seen, now: null, worked: ['vessel-overcharged'] });
    expect(codes(p)).toContain('within-band');
    expect([p.kind, codes(p)[1]]).toEqual(['pass', 'steady-at-set']);
    // And it fails one that rose too far, without a thermometer as well.
    const high = unread(run(-0.3));
    const bad = proveRepair({
      circuit,
      before: null,
      after: { ...high, events: [...high.events!, { tS: 1200, kind: 'steady-hot' }] },
      ...none,
    });
    expect(bad.kind).toBe('fail');
  });
  it('readings seconds apart are no heat run', () => {
    const p = proveRepair({
      circuit,
      before: null,
      after: {
        samples: { tS: [0, 20, 40], pressureBar: [1.1, 1.3, 1.5], flowC: [16, 50, 70] },
        events: [{ tS: 5, kind: 'heat-on' }],
      },
      now: null,
      worked: ['vessel-undercharged'],
    });
    expect(p.kind).toBe('unclear');
    expect(codes(p)).toContain('too-short');
  });
  const still = (minutes: number) => ({
    samples: { tS: [0, 30 * minutes, 60 * minutes], pressureBar: [1.2, 1.2, 1.2], flowC: [18, 18, 18] },
    events: [],
  });
  it('a hole is proved by the time for which the gauge stood still, and no run is asked for', () => {
    const worked: FaultId[] = ['dhw-plate-perforated'],
      inflowLPerH = { median: 1, p05: 0.6, p95: 2 };
    const before = { samples: { tS: [0, 600], pressureBar: [1.2, 1.5], flowC: [18, 18] }, events: [] };
    const asked = proveRepair({ circuit, before, after: null, now: null, worked, inflowLPerH });
    expect([asked.kind, codes(asked)]).toEqual(['unclear', ['no-watch']]);
    const neededMin = (asked.reasons[0] as { neededMin: number }).neededMin;
    const short = proveRepair({ circuit, before, after: still(2), now: null, worked, inflowLPerH });
    expect(short.kind).toBe('unclear');
    const long = proveRepair({ circuit, before, after: still(Math.ceil(neededMin) + 1), now: null, worked, inflowLPerH });
    expect([long.kind, codes(long)]).toEqual(['pass', ['stood-still']]);
  });
  it('a relief on a circuit that feeds itself is proved at its pipe, through a heat run and a cold hour', () => {
    const fed = resolveCircuit({ ...SHEET, fill: { kind: 'reducing-valve', setBar: 1.1 } }),
      worked: FaultId[] = ['relief-valve-passing'];
    const hot = run(0.75),
      end = hot.samples.tS.at(-1)!;
    const watched = {
      ...hot,
      samples: {
        ...hot.samples,
        tS: [...hot.samples.tS, end + 4000],
        pressureBar: [...hot.samples.pressureBar, 1.1],
        flowC: [...hot.samples.flowC!, 30],
        returnC: [...hot.samples.returnC!, 30],
      },
      events: [...hot.events!.filter((e) => e.kind !== 'heat-off'), { tS: end, kind: 'heat-off' as const }],
    };
    const of = (after: typeof watched, testsAfter: 'discharge-pipe'[]) =>
      proveRepair({ circuit: fed, before: null, after, now: null, worked, testsAfter });
    const unlooked = of(watched, []);
    expect(unlooked.stillThere).toMatchObject([{ by: 'pipe', shows: false, looked: false, neededMin: 60 }]);
    expect(of(hot as typeof watched, ['discharge-pipe']).kind).not.toBe('pass');
    expect(of(watched, ['discharge-pipe']).kind).toBe('pass');
  });
  it('where another cause leads now, no heat run is asked for', () => {
    const now = {
      hypotheses: [{ faults: ['dhw-coil-perforated'], probability: 0.8 }],
      marginals: { 'dhw-coil-perforated': 0.8 },
      because: [{ evidence: 'log:1', for: 'dhw-coil-perforated', bits: 2, text: 'rises', said: 'rises' }],
    } as unknown as NonNullable<Parameters<typeof proveRepair>[0]['now']>;
    const p = proveRepair({ circuit, before: null, after: still(30), now, worked: ['vessel-diaphragm-failed'] });
    expect(codes(p)).toEqual(['other-suspected']);
  });
});

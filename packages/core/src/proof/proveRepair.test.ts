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

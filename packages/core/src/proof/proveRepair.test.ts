import { resolveCircuit } from '../circuit/resolveCircuit';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { simulateCase } from '../simulate/simulateCase';
import type { FaultId } from '../judge/faults';
import { proveRepair, type Proof } from './proveRepair';

const SHEET: CircuitSheet = { kind: 'sealed-hot-water', waterVolumeL: 95, waterVolumeSource: 'measured', heatOutputKw: 24, staticHeadM: 4, maxFlowC: 70, reliefValve: { setBar: 3 }, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, gauge: { resolutionBar: 0.1 } };
const circuit = resolveCircuit(SHEET);
const run = (prechargeGaugeBar: number, { minutes = 20, maxC = 70, id = 'vessel-undercharged' as FaultId } = {}) =>
  simulateCase({ circuit: SHEET, faults: [{ id, severity: 0.5, parameters: { prechargeGaugeBar, startGaugeBar: 1.1 } }], schedule: { startC: 16, durationS: 60 * minutes, stepS: 120, heat: [{ onS: 60, offS: 60 * minutes, maxC }] } }).log;
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
  delete log.samples.flowC; delete log.samples.returnC;
  const p = proveRepair({ circuit, before: null, after: log, ...none });
  expect([p.kind, codes(p)]).toEqual(['unclear', ['no-temperature']]);
});

it('the judge’s lasting suspicion fails it, another suspicion leaves it open', () => {
  const judgement = (fault: FaultId, p: number) => ({ hypotheses: [{ faults: [fault], probability: p }], marginals: { [fault]: p, none: 1 - p } }) as never;
  expect(proveRepair({ circuit, before: null, after: run(0.75), now: judgement('vessel-undercharged', 0.6), worked: ['vessel-undercharged'] }).kind).toBe('fail');
  const other = proveRepair({ circuit, before: null, after: run(0.75), now: judgement('relief-valve-passing', 0.8), worked: ['vessel-undercharged'] });
  expect([other.kind, codes(other)]).toEqual(['unclear', ['other-suspected']]);
});

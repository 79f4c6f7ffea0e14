import { systemPressureGaugeBar } from '../circuit/systemPressure';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { predictGauge, SLOT } from './fit/kernel';
import { cholesky, forwardSolve } from './fit/linear';
import { layOutLog } from './layOut/layOutLog';
import type { LogTrack } from './layOut/LogTrack';
import { whiten } from './fit/whiten';

const circuit = resolveCircuit({
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  waterVolumeSource: 'measured',
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  staticHeadM: 4,
  reliefValve: { setBar: 3 },
  gauge: { resolutionBar: 0.01 },
  maxFlowC: 70,
});
const track = (pressureBar: number[], flowC: number[]): LogTrack =>
  layOutLog({ source: 'logger', samples: { tS: pressureBar.map((_, i) => 400 * i), pressureBar, flowC, returnC: flowC } }, circuit)!;

it('whitening is the normal density with the full covariance, worked out the long way', () => {
  const t = track([1, 1.02, 1.2, 1.45, 1.6, 1.55], [15, 18, 35, 55, 68, 66]);
  const residual = Float64Array.from([0.01, -0.02, 0.05, 0.08, -0.03, 0.02]);
  const n = t.n,
    size = (i: number) => t.modelErrorBar[i]!;
  const cov = Float64Array.from({ length: n * n }, (_, k) => {
    const i = Math.floor(k / n),
      j = k % n;
    return size(i) * size(j) * Math.exp(-Math.abs(t.tS[i]! - t.tS[j]!) / t.modelErrorS[i]!) + (i === j ? t.variance[i]! : 0);
  });
  const l = cholesky(cov, n)!;
  const b = residual.slice();
  forwardSolve(l, b, n);
  let direct = -(n / 2) * Math.log(2 * Math.PI);
  for (let i = 0; i < n; i++) direct -= Math.log(l[i * n + i]!) + 0.5 * b[i]! * b[i]!;
  const white = residual.slice();
  const logDet = whiten(t, white, new Float64Array(n));
  expect(Math.abs(-logDet - 0.5 * white.reduce((s, x) => s + x * x, 0) - direct)).toBeLessThan(1e-9);
});

it('a pump that starts with the heat may move the gauge at once, and only then', () => {
  const heated = layOutLog(
    {
      source: 'logger',
      samples: {
        tS: [0, 400, 800, 1200, 1600, 2000],
        pressureBar: [1, 1, 1.05, 1.3, 1.6, 1.8],
        flowC: [15, 15, 16, 30, 55, 68],
        returnC: [15, 15, 15, 26, 48, 58],
      },
      events: [{ tS: 600, kind: 'heat-on' }],
    },
    circuit,
  )!;
  expect([...heated.jumpBar].map((x) => x > 0)).toEqual([false, false, true, false, false, false]);
  const misfit = (stepAt: number, track = heated) => {
    const white = Float64Array.from({ length: track.n }, (_, i) => (i >= stepAt ? 0.05 : 0)),
      cost = whiten(track, white, new Float64Array(track.n));
    return cost + 0.5 * white.reduce((a, x) => a + x * x, 0);
  };
  expect(misfit(2)).toBeLessThan(misfit(1) - 1);
  expect(misfit(2)).toBeLessThan(misfit(2, { ...heated, jumpBar: new Float64Array(heated.n) }) - 0.5);
});

it('what the water does once the heat is on says nothing of the reading before', () => {
  const doubt = (heatOnS: number) =>
    layOutLog(
      {
        source: 'hand',
        samples: { tS: [0, 240, 600, 960], pressureBar: [1.2, 1.2, 2, 2.4], flowC: [19, 19, 45, 60], returnC: [19, 19, 38, 50] },
        events: [{ tS: heatOnS, kind: 'heat-on' }],
      },
      circuit,
    )!.temperatureErrorK;
  expect(doubt(400)[1]!).toBeLessThan(0.2);
  // The time of the heat is known to a minute: right after the reading it may have been before it.
  expect(doubt(270)[1]!).toBeGreaterThan(3 * doubt(400)[1]!);
  expect(doubt(400)[2]!).toBeCloseTo(doubt(270)[2]!, 9);
});

it('the model may be wrong about what is heated, and hardly about what stands still', () => {
  const t = track([1, 1, 1, 1.3, 1.6, 1.8], [15, 15, 15, 30, 55, 68]);
  expect(t.modelErrorBar[2]!).toBeLessThan(0.02);
  for (let i = 3; i < t.n; i++) expect(t.modelErrorBar[i]!).toBeGreaterThan(t.modelErrorBar[i - 1]!);
});

it('the kernel agrees with the circuit’s own balance where both say the same thing', () => {
  const t = track([1, 1, 1, 1], [15, 35, 55, 70]);
  const v = new Float64Array(SLOT.start + 1);
  const stretch = 0.03;
  Object.entries({
    gas: (0.75 + circuit.atmosphericBar) * 8,
    vesselL: 8,
    contentL: 100,
    share: 1,
    lagS: 1e-3,
    stretch,
    air: 1e-9,
    lift: 9,
    feedHolds: -2,
    mains: 3,
    cap: 0.9,
    start: 1,
  }).forEach(([slot, x]) => {
    v[SLOT[slot as keyof typeof SLOT]] = x;
  });
  const out = new Float64Array(t.n);
  predictGauge(t, v, circuit.atmosphericBar, out, new Float64Array(t.n));
  const cold = 8 * (1 - (0.75 + circuit.atmosphericBar) / (1 + circuit.atmosphericBar)) + stretch;
  t.growth.forEach((g, i) => {
    const balance = systemPressureGaugeBar({
      excessL: cold + 100 * g,
      nominalVolumeL: 8,
      prechargeGaugeBar: 0.75,
      stretchLPerBar: stretch,
      atmosphericBar: circuit.atmosphericBar,
    });
    expect(Math.abs(out[i]! - balance)).toBeLessThan(1e-6);
  });
});

it('reads to what the pressures were rounded, and begins the water anew after a relief has blown', () => {
  const hand = layOutLog({ source: 'hand', samples: { tS: [0, 60, 120], pressureBar: [1, 1.1, 1.2] } }, { ...circuit, gaugeStepBar: 0.1 })!;
  expect(Math.abs(hand.variance[0]! - 1e-4 - 0.1 ** 2 / 12 - 0.02 ** 2)).toBeLessThan(1e-9);
  const blown = track([1, 2, 2.95, 2.8, 2.9, 1.9, 1.2], [15, 40, 65, 68, 70, 55, 40]);
  expect([...blown.starts]).toEqual([1, 0, 0, 0, 1, 0, 0]);
  expect(blown.variance[3]!).toBeGreaterThan(100 * blown.variance[1]!);
});

it('takes two readings of one moment', () => {
  const t = layOutLog(
    { source: 'logger', samples: { tS: [0, 0, 400], pressureBar: [1, 1, 1.2], flowC: [15, 15, 40], returnC: [15, 15, 38] } },
    circuit,
  )!;
  const v = new Float64Array(SLOT.start + 1);
  Object.entries({
    gas: 14,
    vesselL: 8,
    contentL: 100,
    share: 0.9,
    lagS: 100,
    stretch: 0.03,
    air: 0.1,
    lift: 3,
    feedHolds: -2,
    mains: 3,
    cap: 0.9,
    start: 1,
  }).forEach(([slot, x]) => {
    v[SLOT[slot as keyof typeof SLOT]] = x;
  });
  const out = new Float64Array(t.n);
  predictGauge(t, v, circuit.atmosphericBar, out, new Float64Array(t.n));
  expect(out[1]).toBe(out[0]);
  expect([...out].every(Number.isFinite)).toBe(true);
});

describe('an idle circuit read by hand', () => {
  const idle = (flowC: number[], returnC: number[]) =>
    layOutLog(
      { source: 'hand', samples: { tS: flowC.map((_, i) => 400 * i), pressureBar: flowC.map(() => 1.5), flowC, returnC } },
      resolveCircuit({ kind: 'sealed-hot-water', waterVolumeL: 600, reliefValve: { setBar: 4 } }),
    )!;
  it('stands still, whatever a degree more or less in the readings makes of it', () =>
    expect(idle([21, 21, 21, 21, 21, 21, 21], [20, 21, 21, 22, 22, 22, 22]).spanK).toBeLessThan(0.01));
  it('but warms with its rooms where the readings say so clearly', () =>
    expect(idle([14, 15, 16, 17, 18, 19, 20], [14, 15, 16, 17, 18, 19, 20]).spanK).toBeGreaterThan(5));
});

it('what falls to nothing in the end makes the model no less sure of the heat before', () => {
  const error = (lastBars: number[]) => {
    const bars = [1.2, 1.2, 1.6, 1.8, 1.8, ...lastBars];
    return layOutLog(
      {
        source: 'hand',
        samples: { tS: bars.map((_, i) => 400 * i), pressureBar: bars, flowC: [18, 18, 50, 66, 67, 50, 40] },
        events: [
          { tS: 400, kind: 'heat-on' },
          { tS: 1700, kind: 'heat-off' },
        ],
      },
      circuit,
    )!.modelErrorBar[3]!;
  };
  expect(error([0.3, 0])).toBeCloseTo(error([0.9, 0.8]), 6);
  expect(error([0.3, 0])).toBeGreaterThan(error([1.4, 1.2]));
});

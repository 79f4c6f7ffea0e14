import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { diagnose } from './diagnose';
import { layOutLog } from './LogTrack';

const HOME: CircuitSheet = { kind: 'sealed-hot-water', waterVolumeL: 146, waterVolumeSource: 'measured', heatOutputKw: 24, staticHeadM: 4.9, vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75, isolationValve: 'fitted' }, reliefValve: { setBar: 3 }, fill: { kind: 'manual-loop', mainsBar: 3.3 }, domesticHotWater: { kind: 'indirect-coil' }, gauge: { kind: 'dial', resolutionBar: 0.1 } };
const judged = (log: PressureLog, circuit = HOME) => diagnose({ format: 'jumper-case', version: 1, id: 'zone', circuit, logs: [log] });
const byHand = (minutes: number[], pressureBar: number[], flowC: number[]): PressureLog => ({ source: 'hand', samples: { tS: minutes.map((m) => 60 * m), pressureBar, flowC }, events: [{ tS: 60, kind: 'heat-on' }] });

describe('a warm circuit that lets go far below its relief’s setting', () => {
  const letGo = byHand([0, 4, 8, 13, 19, 24, 30, 37, 43], [1.1, 1.1, 1.2, 1.4, 1.7, 1.8, 1.5, 1.6, 1.5], [16, 32, 51, 63, 71, 76, 80, 79, 80]);
  const held = byHand([0, 4, 8, 13, 19, 24, 30, 37, 43], [1.1, 1.1, 1.2, 1.4, 1.7, 1.8, 1.9, 1.9, 1.9], [16, 32, 51, 63, 71, 76, 80, 79, 80]);
  it('is seen in the log, and only where it fell without cooling', () => {
    const seen = (log: PressureLog) => layOutLog(log, resolveCircuit(HOME))!.letGoLow;
    expect(seen(letGo)).toBe(true);
    expect(seen(held)).toBe(false);
    expect(seen(byHand([0, 5, 10, 15, 20], [1.1, 1.5, 1.8, 1.5, 1.2], [16, 50, 76, 60, 40]))).toBe(false);
  });
  it('has a relief that lifts early rather than nothing wrong', () => {
    const d = judged(letGo);
    expect(d.marginals['relief-valve-lifts-early']!).toBeGreaterThan(d.marginals.none!);
    expect(judged(held).marginals['relief-valve-lifts-early']!).toBeLessThan(0.1);
  });
});

it('a circuit without its vessel that gives way a little below its relief is no vessel charged as high as that', () => {
  const minutes = Array.from({ length: 120 }, (_, i) => i / 2), flowC = minutes.map((m) => (m < 6 ? 14 : Math.min(60, 14 + 3.4 * (m - 6))) + 0.6 * Math.sin(m / 3));
  // As fast as the stretch alone gives, up to a relief that weeps from 2.5 bar on.
  const pressureBar = minutes.map((m) => { const bar = 1 + (m < 6 ? 0 : 0.4 * (m - 6)); return Math.round(100 * (bar < 2.5 ? bar : 2.5 + 0.4 * (1 - Math.exp(-(bar - 2.5))) + 0.08 * Math.sin(m / 2))) / 100; });
  const d = judged({ source: 'logger', samples: { tS: minutes.map((m) => 60 * m), pressureBar, flowC }, events: [{ tS: 360, kind: 'heat-on' }] });
  const cutOff = d.marginals['vessel-isolated']! + d.marginals['vessel-connection-blocked']!;
  expect(cutOff).toBeGreaterThan(0.5);
  expect(cutOff).toBeGreaterThan(2 * d.marginals['vessel-overcharged']!);
});

it('what sensors read off an idle circuit back and forth moves no stiff circuit: a steady low pressure is a low fill', () => {
  const tS = Array.from({ length: 110 }, (_, i) => 30 * i), jitter = (i: number) => 0.35 * Math.sin(12.9898 * i + 78.233 * (i % 7));
  const log: PressureLog = { source: 'logger', samples: { tS, pressureBar: tS.map((_, i) => 0.4 + (i % 3 === 0 ? 0.01 : 0)), flowC: tS.map((_, i) => 14 + jitter(i)), returnC: tS.map((_, i) => 14 + jitter(i + 50)) } };
  const d = judged(log, { ...HOME, staticHeadM: 6, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.85 }, gauge: { kind: 'sensor', resolutionBar: 0.01 } });
  expect(d.hypotheses[0]!.faults).toEqual(['fill-pressure-too-low']);
});

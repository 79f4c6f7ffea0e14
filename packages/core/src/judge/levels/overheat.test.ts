import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import { diagnose } from '../diagnose';
import { overheatAdded, overheatShare } from './overheat';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  heatOutputKw: 24,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
};
const told = resolveCircuit({ ...SHEET, maxFlowC: 70 }),
  untold = resolveCircuit(SHEET);
/** By how much a flow speaks for overheating, against a boiler that does not. */
const speaks = (hottestC: number | null, c = told) =>
  overheatShare(hottestC, c, ['boiler-overheating']) / overheatShare(hottestC, c, ['none']);

it('a flow well beyond the limit speaks for overheating, one at the limit against it, one far below and none at all for little', () => {
  expect(speaks(85)).toBeGreaterThan(10);
  expect(speaks(72)).toBeLessThan(0.3);
  expect(Math.abs(Math.log(speaks(50)))).toBeLessThan(Math.abs(Math.log(speaks(72))));
  expect(speaks(null)).toBe(1);
});

it('where the limit is not on the sheet only a flow beyond all usual limits speaks, and the hotter the more', () => {
  expect(speaks(84, untold)).toBeLessThan(1.5);
  expect(speaks(97, untold)).toBeGreaterThan(8);
  for (const c of [86, 90, 94]) expect(speaks(c + 2, untold)).toBeGreaterThan(speaks(c, untold));
});

it('a flow read by hand adds only what the log has not said', () => {
  const adds = (flowC: number, loggedC: number | null) =>
    overheatAdded(flowC, loggedC, told, ['boiler-overheating']) / overheatAdded(flowC, loggedC, told, ['none']);
  expect(adds(88, null)).toBeCloseTo(speaks(88), 9);
  expect(adds(88, 90)).toBeCloseTo(1, 9);
  expect(adds(88, 68)).toBeGreaterThan(30);
});

it('a heat run is told by how hot it became as well', () => {
  const ran = (hotC: number) =>
    diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'run',
      circuit: { ...SHEET, maxFlowC: 70 },
      findings: [{ test: 'heat-run-after', coldBar: 1.2, hotBar: 2, hotC, minutes: 10 }],
    }).marginals['boiler-overheating']!;
  expect(ran(96)).toBeGreaterThan(0.5);
  expect(ran(70)).toBeLessThan(0.02);
});

describe('a swing too large for the sheet, of which no temperature was logged', () => {
  const log = {
    source: 'hand' as const,
    samples: { tS: [0, 300, 600, 900, 1200, 1500, 1800], pressureBar: [1.1, 1.3, 1.6, 1.9, 2.1, 2.3, 2.4] },
    events: [{ tS: 0, kind: 'heat-on' as const }],
  };
  const judged = (flowC?: number) =>
    diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'hot',
      circuit: { ...SHEET, maxFlowC: 70 },
      logs: [log],
      findings: flowC ? [{ test: 'flow-return', flowC, returnC: flowC - 14, minutesFiring: 20 }] : [],
    });
  it('is a flat vessel, until the flow is read far beyond its limit', () => {
    expect(judged().hypotheses[0]!.faults).toEqual(['vessel-undercharged']);
    const hot = judged(96);
    expect(hot.hypotheses[0]!.faults).toEqual(['boiler-overheating']);
    expect(hot.because.some((b) => b.evidence === 'finding:0' && b.for === 'boiler-overheating' && b.bits > 1)).toBe(true);
    expect(judged(70).marginals['boiler-overheating']!).toBeLessThan(judged().marginals['boiler-overheating']!);
  });
});

it('a flow and a limit are known to a kelvin or so: where one passes the other nothing leaps', () => {
  for (let flowC = 72; flowC < 84; flowC += 0.5) expect(Math.log(speaks(flowC + 0.5)) - Math.log(speaks(flowC))).toBeLessThan(1.6);
});

it('the farther beyond a limit that is known, the less a sound control does it; by a guessed one nobody knows how far it is', () => {
  for (const flowC of [80, 84, 88, 92]) expect(speaks(flowC + 4)).toBeGreaterThan(1.5 * speaks(flowC));
  expect(speaks(97, untold)).toBeLessThan(speaks(97));
});

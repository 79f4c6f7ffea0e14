import type { CircuitSheet } from '../circuit/CircuitSheet';
import { diagnose } from '../judge/diagnose';
import { simulateCase } from '../simulate/simulateCase';
import type { PressureLog } from './PressureLog';
import { readingSlip, withoutReading } from './readingSlip';

// A figure is misread by a whole mark now and then. Common practice.
const HOME: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 110,
  waterVolumeSource: 'estimated',
  heatOutputKw: 24,
  staticHeadM: 4.2,
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.8 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
};
const BAR = [1.1, 1.1, 1.15, 1.3, 1.4, 1.45, 1.5, 1.5, 1.5],
  FLOW = [17, 18, 31, 45, 56, 63, 67, 68, 68];
const log = (change: Record<number, number> = {}, more: Partial<PressureLog> = {}, flowC: (number | null)[] = FLOW): PressureLog => ({
  source: 'hand',
  samples: { tS: BAR.map((_, i) => 300 * i), pressureBar: BAR.map((bar, i) => change[i] ?? bar), flowC },
  events: [{ tS: 240, kind: 'heat-on' }],
  ...more,
});
const slip = (l: PressureLog) => readingSlip(l, 3, 0.1);

describe('a reading that stands off by itself', () => {
  it('is found wherever it stands between two others, up or down', () => {
    for (const i of [2, 3, 4, 5, 6, 7]) {
      expect(slip(log({ [i]: BAR[i]! + 0.5 }))).toBe(i);
      expect(slip(log({ [i]: BAR[i]! - 0.5 }))).toBe(i);
    }
    expect(slip(log())).toBeNull();
    const out = withoutReading(log({ 5: 1.95 }), 5).samples.pressureBar;
    expect(out[5]).toBeNull();
    expect(out.filter((bar) => bar !== null)).toEqual(BAR.filter((_, i) => i !== 5));
    expect(withoutReading(log(), null)).toEqual(log());
  });
  it('is none where it happens twice, where the gauge is coarse, or where the log is too short to say', () => {
    expect(slip(log({ 3: 1.8, 6: 2 }))).toBeNull();
    expect(readingSlip(log({ 5: 1.95 }), 3, 0.25)).toBeNull();
    const few = log({ 3: 1.9 });
    expect(slip({ ...few, samples: { tS: few.samples.tS.slice(0, 6), pressureBar: few.samples.pressureBar.slice(0, 6) } })).toBeNull();
  });
  it('is none where something was done meanwhile, where the water says the same, or nobody knows what the water did', () => {
    expect(
      slip(
        log(
          { 5: 1.95 },
          {
            events: [
              { tS: 240, kind: 'heat-on' },
              { tS: 1450, kind: 'top-up' },
            ],
          },
        ),
      ),
    ).toBeNull();
    expect(slip(log({ 5: 1.95 }, {}, [17, 18, 31, 45, 56, 71, 67, 68, 68]))).toBeNull();
    // Whether the heat that came on meanwhile moved it the temperatures say.
    expect(slip(log({ 2: 1.65 }, { events: [{ tS: 620, kind: 'heat-on' }] }))).toBe(2);
    const blind = log({ 5: 1.95 });
    delete blind.samples.flowC;
    expect(slip(blind)).toBe(5);
    expect(slip({ ...blind, events: [] })).toBeNull();
    expect(slip({ ...blind, events: [{ tS: 1450, kind: 'heat-on' }] })).toBeNull();
  });
  it('is none near the relief, which may have let go; far above it no circuit stands', () => {
    const high = (bar: number) => {
      const l = log({ 5: bar });
      return { ...l, samples: { ...l.samples, pressureBar: l.samples.pressureBar.map((p, i) => (i === 5 ? p : p! + 0.9)) } };
    };
    expect(slip(high(2.9))).toBeNull();
    expect(slip(high(3.3))).toBeNull();
    expect(slip(high(4))).toBe(5);
  });
  it('is the circuit’s where a sensor wrote it: its own slips are looked for elsewhere', () =>
    expect(slip(log({ 5: 1.95 }, { source: 'logger' }))).toBeNull());
});

it('a sound circuit stays sound whichever of its readings was misread by half a bar, and the answer says which was left out', () => {
  const made = simulateCase({
    circuit: HOME,
    faults: [],
    schedule: { startC: 17, durationS: 3600, stepS: 300, heat: [{ onS: 300, offS: 3600 }] },
    seed: 4,
  }).log;
  for (const i of [4, 7, 10]) {
    const { hypotheses, contradictions } = diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'slip',
      circuit: HOME,
      logs: [
        {
          ...made,
          source: 'hand',
          samples: { ...made.samples, pressureBar: made.samples.pressureBar.map((p, k) => (k === i ? p! + 0.5 : p)) },
        },
      ],
    });
    expect(hypotheses[0]!.faults).toEqual(['none']);
    expect(contradictions[0]).toMatchObject({ evidence: ['log:0'], repeat: 'log' });
    expect(contradictions[0]!.text).toContain(`${5 * i} min`);
  }
});

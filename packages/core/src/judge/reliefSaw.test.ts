import { resolveCircuit } from '../circuit/resolveCircuit';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { predictGauge, SLOT } from './fit/kernel';
import { layOutLog } from './layOut/layOutLog';
import { logModelOf } from './fit/logModel';
import { parameterSpace } from './fit/parameters/parameterSpace';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 150,
  waterVolumeSource: 'measured',
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.75 },
  staticHeadM: 4,
  reliefValve: { setBar: 3 },
  gauge: { resolutionBar: 0.01 },
  maxFlowC: 70,
};
const circuit = resolveCircuit(SHEET);
/** Cold for a while, heated to 70 °C, cooled down again; read every minute. */
const flowC = Array.from({ length: 100 }, (_, i) => (i < 10 ? 18 : i < 50 ? 18 + 1.3 * (i - 10) : Math.max(18, 70 - 1.4 * (i - 50))));
const track = layOutLog(
  { source: 'logger', samples: { tS: flowC.map((_, i) => 60 * i), pressureBar: flowC.map(() => 1.2), flowC, returnC: flowC } },
  circuit,
)!;

function shown(change: Partial<Record<keyof typeof SLOT, number>>): number[] {
  const v = new Float64Array(SLOT.start + 1);
  const plain = {
    gas: (0.75 + circuit.atmosphericBar) * 18,
    vesselL: 18,
    contentL: 150,
    share: 1,
    lagS: 1,
    stretch: 0.03,
    air: 0.1,
    lift: 9,
    feedHolds: -2,
    mains: 3,
    cap: 0.9,
    doubt: 1,
    seat: 0.87,
    blowsLPerS: 0.02,
    start: 1.2,
  };
  Object.entries({ ...plain, ...change }).forEach(([slot, x]) => {
    v[SLOT[slot as keyof typeof SLOT]] = x;
  });
  const out = new Float64Array(track.n);
  predictGauge(track, v, circuit.atmosphericBar, out, new Float64Array(track.n));
  return [...out];
}
const sound = shown({}),
  top = Math.max(...sound);

it('a relief above all that is reached changes nothing', () => expect(shown({ lift: top + 0.01 })).toEqual(sound));

describe('a relief that lifts on the way up', () => {
  const early = shown({ lift: 1.5 });
  it('holds the pressure at its lift or below, and lets it down to its seat', () => {
    expect(Math.max(...early)).toBeLessThan(1.5 + 0.03);
    const lifted = early.findIndex((p, i) => i > 0 && p < early[i - 1]! - 0.02);
    expect(lifted).toBeGreaterThan(10);
    expect(Math.min(...early.slice(lifted, 50))).toBeGreaterThan(0.87 * 1.5 - 0.02);
  });
  it('leaves the circuit short of what it let go, once it has cooled', () => {
    expect(Math.abs(sound.at(-1)! - 1.2)).toBeLessThan(0.01);
    expect(early.at(-1)!).toBeLessThan(1.1);
  });
  it('lets less go in a minute the smaller it is', () => {
    const lowest = (blowsLPerS: number) => {
      const p = shown({ lift: 1.5, blowsLPerS });
      const first = p.findIndex((x, i) => i > 0 && x < p[i - 1]!);
      return p[first]!;
    };
    expect(lowest(0.002)).toBeGreaterThan(lowest(0.02));
  });
  it('that is tired lifts once, and gives way at its seat from then on', () => {
    const tired = shown({ lift: 1.5, tired: 1 }),
      lifted = early.findIndex((p, i) => i > 0 && p < early[i - 1]! - 0.02);
    expect(tired.slice(0, lifted)).toEqual(early.slice(0, lifted));
    for (const p of tired.slice(lifted + 5, 50)) expect(Math.abs(p - 0.87 * 1.5)).toBeLessThan(0.02);
    const between = shown({ lift: 1.5, tired: 0.5 }).slice(lifted + 5, 50);
    expect(Math.max(...between)).toBeLessThan((1.5 + 0.87 * 1.5) / 2 + 0.02);
  });
  it('simmers where its seat is its lift', () => {
    const simmers = shown({ lift: 1.5, seat: 1 });
    const held = simmers.slice(
      simmers.findIndex((p) => p > 1.49),
      50,
    );
    expect(held.length).toBeGreaterThan(10);
    for (const p of held) expect(Math.abs(p - 1.5)).toBeLessThan(0.02);
  });
});

it('is looked for between where the circuit stands cold and the highest that was logged, and counts as early there', () => {
  const of = (z: number) =>
    parameterSpace(logModelOf(['relief-valve-lifts-early']), SHEET, circuit, [track])
      .free.find((p) => p.slot === SLOT.lift)!
      .of(z);
  const risen = layOutLog(
    { source: 'logger', samples: { tS: [0, 600, 1200, 1800], pressureBar: [1.2, 1.5, 1.9, 1.6], flowC: [18, 40, 60, 62] } },
    circuit,
  )!;
  const seen = (z: number) =>
    parameterSpace(logModelOf(['relief-valve-lifts-early']), SHEET, circuit, [risen])
      .free.find((p) => p.slot === SLOT.lift)!
      .of(z);
  expect(seen(-6)).toBeGreaterThanOrEqual(1.26 - 1e-9);
  expect(seen(6)).toBeLessThanOrEqual(2);
  for (const z of [-3, 0, 3]) {
    expect(of(z)).toBeLessThanOrEqual(3 - 0.3 + 1e-9);
    expect(of(z + 0.5)).toBeGreaterThanOrEqual(of(z));
  }
  const unlogged = parameterSpace(logModelOf(['relief-valve-lifts-early']), SHEET, circuit, []).free.find((p) => p.slot === SLOT.lift)!;
  expect([unlogged.of(-8), unlogged.of(8)].map((x) => Math.round(100 * x) / 100)).toEqual([1.26, 2.7]);
});

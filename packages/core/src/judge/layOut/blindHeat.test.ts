import { fluidGrowth } from '../../water/fluid';
import { blindGrowth, blindMeanC, growthTable, type BlindHeat } from './blindHeat';

const tS = Array.from({ length: 40 }, (_, i) => 120 * i);
const heat: BlindHeat = {
  switchS: [0, 18 * 120],
  beginsHot: false,
  coldC: 18,
  hotC: 65,
  kPerS: 0.04,
  coolingS: 5000,
  growthAt: growthTable('water', 18, 65),
};
const meanC = (heatTempo: number, coolTempo: number) => {
  const out = new Float64Array(tS.length);
  blindMeanC(heat, tS, tS.length, heatTempo, coolTempo, out);
  return out;
};

it('warms at the boiler’s pace, stops at its limit, and cools towards the room', () => {
  const c = meanC(1, 1);
  expect(c[0]).toBe(18);
  expect(Math.abs(c[2]! - (18 + 0.04 * 240))).toBeLessThan(1e-9);
  expect(Math.max(...c)).toBeLessThanOrEqual(65);
  for (let i = 19; i < c.length; i++) expect(c[i]!).toBeLessThan(c[i - 1]!);
  expect(c.at(-1)!).toBeGreaterThan(18);
});

it('a faster tempo is never colder while it warms, nor warmer while it cools', () => {
  const slow = meanC(0.6, 1),
    fast = meanC(1.6, 1),
    keen = meanC(1, 2);
  for (let i = 0; i <= 18; i++) expect(fast[i]!).toBeGreaterThanOrEqual(slow[i]!);
  for (let i = 19; i < tS.length; i++) expect(keen[i]!).toBeLessThan(meanC(1, 1)[i]!);
});

it('growth between whole degrees is the fluid’s own to a hundredth of a per cent of the content', () => {
  const out = new Float64Array(tS.length),
    c = meanC(1, 1);
  blindGrowth(heat, tS, tS.length, 1, 1, out);
  out.forEach((g, i) => expect(Math.abs(g - fluidGrowth('water', 18, c[i]!))).toBeLessThan(1e-5));
});

it('is as warm at a time however few points there are before it, wherever in a gap the heat was switched', () => {
  const switched: BlindHeat = { ...heat, switchS: [130, 1500, 2500, 3100] };
  const at = (times: number[]) => {
    const out = new Float64Array(times.length);
    blindMeanC(switched, times, times.length, 1, 1, out);
    return out.at(-1)!;
  };
  for (const end of [100, 900, 1700, 2600, 4000]) expect(at([0, end])).toBeCloseTo(at(tS.filter((t) => t < end).concat(end)), 9);
  expect(at([0, 100])).toBe(18);
  expect(at([0, 2700])).toBeGreaterThan(at([0, 2500]));
});

it('begins warm, and cools, where the heat was on before; the slower it warms, the less warm it had become', () => {
  const cooling: BlindHeat = { ...heat, switchS: [300], beginsHot: true };
  const at = (tempo: number) => {
    const out = new Float64Array(tS.length);
    blindMeanC(cooling, tS, tS.length, tempo, 1, out);
    return out;
  };
  const c = at(1);
  expect(c[0]!).toBeGreaterThan(50);
  expect(at(1)[1]!).toBeGreaterThanOrEqual(c[0]!);
  for (let i = 4; i < c.length; i++) expect(c[i]!).toBeLessThan(c[i - 1]!);
  expect(at(0.3)[0]!).toBeLessThan(c[0]!);
  // Whatever the tempo, hardly above the boiler's limit.
  expect(at(40)[0]!).toBeLessThan(heat.hotC + 5);
});

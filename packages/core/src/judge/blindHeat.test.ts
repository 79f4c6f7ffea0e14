import { fluidGrowth } from '../water/fluid';
import { blindGrowth, blindMeanC, growthTable, type BlindHeat } from './blindHeat';

const tS = Array.from({ length: 40 }, (_, i) => 120 * i), on = Uint8Array.from(tS, (_, i) => (i > 0 && i <= 18 ? 1 : 0));
const heat: BlindHeat = { on, coldC: 18, hotC: 65, kPerS: 0.04, coolingS: 5000, growthAt: growthTable('water', 18, 65) };
const meanC = (heatTempo: number, coolTempo: number) => { const out = new Float64Array(tS.length); blindMeanC(heat, tS, tS.length, heatTempo, coolTempo, out); return out; };

it('warms at the boiler’s pace, stops at its limit, and cools towards the room', () => {
  const c = meanC(1, 1);
  expect(c[0]).toBe(18);
  expect(Math.abs(c[2]! - (18 + 0.04 * 240))).toBeLessThan(1e-9);
  expect(Math.max(...c)).toBeLessThanOrEqual(65);
  for (let i = 19; i < c.length; i++) expect(c[i]!).toBeLessThan(c[i - 1]!);
  expect(c.at(-1)!).toBeGreaterThan(18);
});

it('a faster tempo is never colder while it warms, nor warmer while it cools', () => {
  const slow = meanC(0.6, 1), fast = meanC(1.6, 1), keen = meanC(1, 2);
  for (let i = 0; i <= 18; i++) expect(fast[i]!).toBeGreaterThanOrEqual(slow[i]!);
  for (let i = 19; i < tS.length; i++) expect(keen[i]!).toBeLessThan(meanC(1, 1)[i]!);
});

it('growth between whole degrees is the fluid’s own to a hundredth of a per cent of the content', () => {
  const out = new Float64Array(tS.length), c = meanC(1, 1);
  blindGrowth(heat, tS, tS.length, 1, 1, out);
  out.forEach((g, i) => expect(Math.abs(g - fluidGrowth('water', 18, c[i]!))).toBeLessThan(1e-5));
});

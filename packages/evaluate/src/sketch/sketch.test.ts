import { densityKgPerL } from '../truth/water';
import { seeded } from '../truth/random';
import { pressureWhere, runSketch, storedL, tableDensity } from './runSketch';
import { faultsOf, SKETCH_FAULTS } from './sketchFaults';
import { sketchFinding, SPEAKS_OF } from './sketchFindings';
import { sketchPlant, type SketchPlant } from './SketchPlant';

const home = (change: Partial<SketchPlant> = {}): SketchPlant => ({
  ...sketchPlant(seeded(4)),
  kind: 'combi',
  contentL: 95,
  vesselL: 8,
  chargeBar: 0.75,
  rightChargeBar: 0.75,
  coldBar: 1.1,
  reliefBar: 3,
  reliefMarkedBar: 3,
  limitC: 70,
  roomC: 18,
  setBar: null,
  pumpsFromBar: null,
  pumpsToBar: null,
  mainsBar: 3.5,
  dhw: 'plate-exchanger',
  stretchLPerBar: 0.03,
  airL: 0.1,
  ...change,
});
const HEAT = { durationS: 3000, heat: [[60, 3000]] as [number, number][], actions: [] },
  IDLE = { durationS: 3600, heat: [], actions: [] };
const hottest = (p: SketchPlant) => Math.max(...runSketch(p, HEAT).bar),
  endOf = (p: SketchPlant, actions: { tS: number; kind: string }[] = []) => runSketch(p, { ...IDLE, actions }).bar.at(-1)!;

it('its water is the handbook’s at every tenth degree, and Kell’s between, to a five-hundredth of a percent', () => {
  for (const [c, rho] of [
    [10, 999.7],
    [20, 998.21],
    [60, 983.2],
    [80, 971.8],
    [100, 958.36],
  ] as const)
    expect(Math.abs(tableDensity(c) - rho)).toBeLessThan(1e-9);
  for (let c = 2; c < 99; c += 3) expect(Math.abs(tableDensity(c) / (1000 * densityKgPerL(c)) - 1)).toBeLessThan(2e-4);
});

it('takes out of a cold circuit what the gas law says', () => {
  // 8 L of vessel, 1.0 bar of charge, from 1.5 bar, half a litre: 1.318 bar by P0·Vn = ΔV / (1/P2 − 1/P1), with neither stretch nor air.
  const p = home({ chargeBar: 1, coldBar: 1.5, stretchLPerBar: 0, airL: 0 });
  expect(Math.abs(pressureWhere((bar) => storedL(p, bar), storedL(p, 1.5) - 0.5) - 1.318)).toBeLessThan(0.003);
});

it('swings as practice says where all is right, into the relief where the vessel is flat, shut off or narrow, and stands still cold', () => {
  const swing = hottest(home()) - 1.1;
  expect(swing).toBeGreaterThan(0.25);
  expect(swing).toBeLessThan(0.9);
  for (const wrong of [home({ chargeBar: -0.8 }), home({ vesselOpen: false }), home({ narrowS: 6000 })])
    expect(hottest(wrong)).toBeGreaterThan(2.7);
  expect(Math.abs(endOf(home()) - 1.1)).toBeLessThan(1e-6);
});

it('water comes in and goes out by its own way, as long as that is open', () => {
  expect(endOf(home({ outK: 0.5, outBy: 'circuit' }))).toBeLessThan(1);
  for (const [inBy, shut] of [
    ['fill', 'fill-disconnected'],
    ['dhw', 'coil-isolated'],
    ['dhw', 'cold-main-closed'],
  ] as const) {
    expect(endOf(home({ inK: 0.5, inBy }))).toBeGreaterThan(1.2);
    expect(Math.abs(endOf(home({ inK: 0.5, inBy }), [{ tS: 0, kind: shut }]) - 1.1)).toBeLessThan(1e-6);
  }
  const fed = home({ setBar: 1, coldBar: 1, outK: 1, outBy: 'circuit' });
  expect(endOf(fed)).toBeGreaterThan(0.93);
});

it('a narrow way lets the pressure fall back while it stays hot, an open one does not', () => {
  const falls = (p: SketchPlant) => {
    const { bar } = runSketch({ ...p, reliefBar: 9 }, HEAT),
      top = Math.max(...bar);
    return top - bar.at(-1)!;
  };
  expect(falls(home({ narrowS: 3000 }))).toBeGreaterThan(0.5);
  expect(falls(home())).toBeLessThan(0.15);
});

it('every test shows something on some plant, and where a fault counts one that speaks of it mostly does', () => {
  const plants = Array.from({ length: 40 }, (_, i) => sketchPlant(seeded(i + 1)));
  for (const test of new Set(Object.values(SPEAKS_OF).flat()))
    expect(plants.some((p) => sketchFinding(test, p, false, seeded(3)) !== null)).toBe(true);
  const flat = home({ chargeBar: -0.6 }),
    pressed = Array.from({ length: 60 }, (_, i) => sketchFinding('gas-valve-press', flat, true, seeded(i))!.outcome);
  expect(pressed.filter((o) => o === 'nothing').length).toBeGreaterThan(30);
  for (const p of plants) expect(faultsOf(p).every((f) => f in SKETCH_FAULTS)).toBe(true);
});

import fc from 'fast-check';
import { pipeContentL, contentFromDoseL, emitterContentL, PIPE_BORES_MM } from '../circuit/contentOf';
import { flowForHeatLPerH, heatOfFlowKw, hotShareOfBlend, radiatorOutputKw } from '../circulation/heatFlow';
import { frictionFactor, pipeFriction } from '../circulation/pipeFriction';
import { excessAirFactor, gasInputKw, M3_PER_CUBIC_FOOT } from '../combustion/gasRate';
import { reliefBand } from '../components/reliefBand';
import { chargeOutcome, highestTemperatureC } from '../size/chargeOutcome';
import { cycleMinutes, edrOfKw, evaporationHeatKjPerKg, gravityReturnHeightM, kwOfEdr, steamForHeatKgPerH } from '../steam/steamLoad';
import { bucketL } from '../vessel/bucket';
import { complianceLPerBar, leakFromFallLPerH, leakFromTopUpsLPerDay } from '../vessel/compliance';
import { pumpUp } from '../vessel/pumpUp';
import { mixtureDensity, mixtureHeatCapacity, mixtureNetGrowth } from '../water/antifreeze';
import { netGrowth } from '../water/netGrowth';
import { rustFromMakeUp } from '../water/oxygen';
import { waterViscosityPaS } from '../water/viscosity';
import { waterDensity } from '../water/waterDensity';
import { CALCULATOR_IDS, calculator } from './calculators';
import { calculatorCurve, runCalculator } from './runCalculator';
import { isChoice } from './Calculator';

const close = (actual: number, expected: number, tolerance: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);

describe('antifreeze', () => {
  // Specific gravity tables of engineering handbooks, from memory: propylene 30 % by mass 1.023 and ethylene 50 % by volume (52.6 % by
  // mass) 1.077 at 27 °C, 1.050 at 71 °C.
  it.each([
    ['propylene', 30, 20, 1023],
    ['propylene', 50, 20, 1039],
    ['ethylene', 52.6, 26.7, 1077],
    ['ethylene', 52.6, 71, 1050],
  ] as const)('%s, %d %% at %d °C: %d kg/m³', (glycol, percent, celsius, density) =>
    close(mixtureDensity(glycol, percent, celsius), density, 0.008 * density),
  );
  // 50 % by mass near 20 °C, handbook values from memory: propylene 3.58, ethylene 3.28 kJ/(kg·K).
  it.each([
    ['propylene', 3.58],
    ['ethylene', 3.28],
  ] as const)('%s carries %d kJ for a kilogram and kelvin at half and half', (glycol, c) =>
    close(mixtureHeatCapacity(glycol, 50, 20), c, 0.06),
  );
  it('is water at nothing, and grows more than water', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('propylene' as const, 'ethylene' as const),
        fc.double({ min: 5, max: 100, noNaN: true }),
        (g, t) => Math.abs(mixtureDensity(g, 0, t) - waterDensity(t)) < 1e-9,
      ),
    );
    expect(mixtureNetGrowth({ glycol: 'propylene', massPercent: 30, fromC: 15, toC: 70 })).toBeGreaterThan(
      netGrowth({ fromC: 15, toC: 70 }),
    );
  });
  it('refuses more than it was fitted to', () => expect(() => mixtureDensity('ethylene', 61, 20)).toThrow(/massPercent/));
});

describe('flow and heat', () => {
  // US rule from the handbooks, from memory: 500 · gpm · ΔT°F = BTU/h, for water near 15 °C.
  it('is the US rule', () => close(heatOfFlowKw(10 * 227.1247, 20 / 1.8, { meanC: 15 }) / 0.000293071, 500 * 10 * 20, 0.006 * 100_000));
  it('there and back', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 900, noNaN: true }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (kw, k) => Math.abs(heatOfFlowKw(flowForHeatLPerH(kw, k), k) - kw) < 1e-9 * kw,
      ),
    ));
  it('blends by the lever', () => {
    close(hotShareOfBlend(70, 30, 40), 0.25, 1e-12);
    expect(() => hotShareOfBlend(70, 30, 80)).toThrow(/mixC/);
  });
  // EN 442: rated output at 75/65/20; at 55/45/20 about 51 % with an exponent of 1.3.
  it('a radiator gives its rating at 75/65/20, and half at 55/45/20', () => {
    close(radiatorOutputKw({ ratedKw: 2, flowC: 75, returnC: 65, roomC: 20 }), 2, 1e-12);
    close(radiatorOutputKw({ ratedKw: 1, flowC: 55, returnC: 45, roomC: 20 }), 0.515, 0.003);
  });
});

describe('pipe friction', () => {
  /** Colebrook's own equation, solved by iteration: what Haaland's form stands for. */
  const colebrook = (re: number, k: number) => {
    let x = 5;
    for (let i = 0; i < 60; i++) x = -2 * Math.log10(k / 3.7 + (2.51 * x) / re);
    return 1 / (x * x);
  };
  it('is within two in a hundred of Colebrook', () =>
    fc.assert(
      fc.property(fc.double({ min: 4.1, max: 7.9, noNaN: true }), fc.double({ min: -6, max: -1.5, noNaN: true }), (lgRe, lgK) => {
        const f = frictionFactor(10 ** lgRe, 10 ** lgK);
        return Math.abs(f / colebrook(10 ** lgRe, 10 ** lgK) - 1) < 0.02;
      }),
    ));
  // Moody's chart, from memory: Re 1e5 and k/d 1e-4 give about 0.0185; laminar 64/Re.
  it('reads as on the chart', () => {
    close(frictionFactor(1e5, 1e-4), 0.0185, 0.0003);
    close(frictionFactor(1000, 0), 0.064, 1e-9);
  });
  // Viscosity of water, CRC Handbook, from memory: 1.002 mPa·s at 20 °C, 0.467 at 60, 0.355 at 80.
  it.each([
    [20, 1.002],
    [60, 0.467],
    [80, 0.355],
  ])('water at %d °C has %d mPa·s', (c, mu) => close(1000 * waterViscosityPaS(c), mu, 0.025 * mu));
  it('by hand: copper 22, half a metre a second at 60 °C', () => {
    // Re = 0.5 · 0.0202 / 4.75e-7 = 21 300; f about 0.0255; f/d · ρv²/2 = 0.0255/0.0202 · 983.2 · 0.125 = 155 Pa/m.
    const f = pipeFriction({ flowLPerH: 0.5 * (Math.PI / 4) * 0.0202 ** 2 * 3.6e6, boreMm: 20.2, lengthM: 10, celsius: 60 });
    close(f.speedMPerS, 0.5, 1e-9);
    close(f.paPerM, 155, 5);
    close(f.headM, (10 * f.paPerM) / (983.2 * 9.80665), 0.001);
  });
  it('rises with the flow', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: 1.01, max: 3, noNaN: true }),
        (q, more) =>
          pipeFriction({ flowLPerH: q * more, boreMm: 20, lengthM: 1 }).paPerM >
          pipeFriction({ flowLPerH: q, boreMm: 20, lengthM: 1 }).paPerM,
      ),
    ));
});

describe('steam', () => {
  // Steam tables, from memory: 2256.5 at 100 °C, 2202 at 120 °C, 2382 at 50 °C, kJ/kg.
  it.each([
    [100, 2256.5],
    [120, 2202.1],
    [50, 2381.9],
  ])('at %d °C evaporating takes %d kJ/kg', (c, r) => close(evaporationHeatKjPerKg(c), r, 2.5));
  it('a square foot gives 240 BTU/h, there and back', () => {
    close(kwOfEdr(1) / 0.000293071, 240, 0.001);
    close(edrOfKw(kwOfEdr(417)), 417, 1e-9);
  });
  // US handbooks, from memory: 1000 EDR make about 250 lb/h of condensate (0.5 gpm).
  it('a thousand EDR make about 250 lb of steam an hour', () => close(steamForHeatKgPerH(kwOfEdr(1000), 0.07) / 0.45359, 248, 4));
  it('one psi asks for 28 inches and the margin', () => close(gravityReturnHeightM(0.0689476, 0), 27.7 * 0.0254, 0.005));
  it('three cycles an hour at half fire are ten minutes on and ten off', () => expect(cycleMinutes(3, 0.5)).toEqual({ on: 10, off: 10 }));
});

describe('losses', () => {
  const vessel = { nominalVolumeL: 8, prechargeGaugeBar: 0.75, stretchLPerBar: 0.03 };
  it('the compliance is the slope of the vessel’s own curve', () => {
    // d/dP of Vn(1 − P0/P) = P0·Vn/P²: 1.76325 · 8 / 2.51325² + 0.03 at 1.5 bar.
    close(complianceLPerBar({ ...vessel, systemGaugeBar: 1.5 }), 2.2632, 0.001);
    close(complianceLPerBar({ ...vessel, systemGaugeBar: 0.5 }), 0.03, 1e-12);
  });
  it('a fall is a leak, a rise an inflow; twice the time, half the leak', () => {
    const of = (endGaugeBar: number, hours: number) => leakFromFallLPerH({ ...vessel, systemGaugeBar: 1.5, endGaugeBar, hours });
    expect(of(1.2, 8)).toBeGreaterThan(0);
    expect(of(1.8, 8)).toBeLessThan(0);
    close(of(1.2, 16) * 2, of(1.2, 8), 1e-12);
    expect(leakFromTopUpsLPerDay({ ...vessel, systemGaugeBar: 0.8, endGaugeBar: 1.3, topUpsPerMonth: 4 })).toBeGreaterThan(
      leakFromTopUpsLPerDay({ ...vessel, systemGaugeBar: 0.8, endGaugeBar: 1.3, topUpsPerMonth: 2 }),
    );
  });
  // 4 · 55.845 g of iron for 3 · 31.998 g of oxygen; 10 mg/L.
  it('a hundred litres of make-up eat 2.3 g of iron', () => close(rustFromMakeUp(100).ironG, 2.327, 0.01));
});

describe('vessel work', () => {
  it('the water in the bucket is what the gas law says', () => {
    // 8 L, charge 0.75: from 1.5 bar 8·(1 − 1.76325/2.51325) = 2.387, from 2.4 bar 3.869. Common practice says "about 6 L" with the
    // boiler's own water.
    close(
      bucketL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75, systemGaugeBar: 1.5, boilerWaterL: 0, stretchLPerBar: 0 }).totalL,
      2.387,
      0.002,
    );
    close(
      bucketL({ nominalVolumeL: 8, prechargeGaugeBar: 0.75, systemGaugeBar: 2.4, boilerWaterL: 0, stretchLPerBar: 0 }).totalL,
      3.866,
      0.005,
    );
  });
  it('pumping up: 8 L from nothing to 0.75 bar with a quarter-litre pump', () =>
    close(pumpUp({ nominalVolumeL: 8, fromGaugeBar: 0, toGaugeBar: 0.75, strokeL: 0.25 }).strokes, 29.6, 0.1));
  // physics check value: 100 L, 8 L vessel, charge 0.75, cold 1.0 at 15 °C, stretch 0.03, to 70 °C: 1.733 bar; charge 0.2: 2.258; 0: 2.696.
  it.each([
    [0.75, 1.733],
    [0.2, 2.258],
    [0, 2.696],
  ])('charge %d bar ends at %d bar hot', (prechargeGaugeBar, hot) =>
    close(
      chargeOutcome({ prechargeGaugeBar, fillGaugeBar: 1, contentL: 100, nominalVolumeL: 8, coldC: 15, hotC: 70, reliefSetGaugeBar: 3 })
        .hotGaugeBar,
      hot,
      0.006,
    ),
  );
  it('the stop-gap temperature is the one that keeps the margin', () => {
    const input = { prechargeGaugeBar: 0.1, fillGaugeBar: 1, contentL: 100, nominalVolumeL: 8, coldC: 15, reliefSetGaugeBar: 3 };
    const t = highestTemperatureC(input, 0.5)!;
    close(chargeOutcome({ ...input, hotC: t }).marginToReliefBar, 0.5, 0.01);
    expect(highestTemperatureC({ ...input, fillGaugeBar: 2.9 }, 0.5)).toBeNull();
  });
  it('heights: a vessel five metres up a house of eight carries three metres, and the gauge in the cellar shows the rest', () => {
    const run = runCalculator('heights', { fillGaugeBar: 1.5, topM: 8, vesselM: 5 });
    if (run.kind !== 'results') throw new Error(run.field);
    const of = (id: string) => run.results.find((r) => r.id === id)!.value;
    // Worked by hand: 0.0980665 bar a metre.
    close(of('charge'), 0.5442, 1e-4);
    close(of('atVessel'), 1.0097, 1e-4);
    close(of('atTop'), 0.7155, 1e-4);
    close(of('fill'), 1.3345, 1e-4);
  });
  it('two vessels: one with its charge above the hot pressure takes no part, an equal one halves the load', () => {
    const of = (given: object) => {
      const run = runCalculator('twoVessels', given as never);
      if (run.kind !== 'results') throw new Error(run.field);
      return Object.fromEntries(run.results.map((r) => [r.id, r.value]));
    };
    const idle = of({ secondChargeBar: 5 }),
      twin = of({ secondL: 8, secondChargeBar: 0.75 });
    close(idle.hot!, idle.alone!, 1e-9);
    close(twin.first!, twin.second!, 1e-9);
    expect(twin.hot!).toBeLessThan(twin.alone! - 0.2);
  });
  it('a relief opens round its mark and shuts below it', () =>
    expect(reliefBand(3)).toMatchObject({ opensFromGaugeBar: 2.85, opensToGaugeBar: 3.15, reseatsToGaugeBar: 2.7 }));
});

describe('content', () => {
  // EN 1057: 22 mm copper holds 0.320 L/m, 15 mm 0.145; tables from memory.
  it.each([
    ['copper 22', 0.32],
    ['copper 15', 0.145],
    ['steel 1', 0.585],
  ] as const)('%s holds %d L a metre', (size, l) => close(pipeContentL(size, 1), l, 0.003));
  it('a dose spread over the content', () => close(contentFromDoseL(500, 5000), 100, 1e-9));
  it('grows with the output', () => expect(emitterContentL('floor loops', 10)).toBeGreaterThan(emitterContentL('convectors', 10)));
  it('knows every size', () => expect(Object.values(PIPE_BORES_MM).every((d) => d > 10 && d < 60)).toBe(true));
});

describe('combustion', () => {
  it('by hand: 0.09 m³ in two minutes at 39 MJ/m³', () => close(gasInputKw(0.09, 120), 29.25, 1e-9));
  // One cubic foot of natural gas is about 1040 BTU: in 60 s, 62 400 BTU/h (common practice).
  it('in cubic feet', () => close(gasInputKw(M3_PER_CUBIC_FOOT, 60) / 0.000293071, 62_800, 700));
  it('more CO₂ is less air', () => expect(excessAirFactor(9, 11.7)).toBeLessThan(excessAirFactor(8, 11.7)));
});

describe('the catalogue', () => {
  it.each(CALCULATOR_IDS)('%s: usual inputs give finite results with one that leads, and its curve is drawn', (id) => {
    const c = calculator(id);
    const run = runCalculator(id, {});
    if (run.kind !== 'results') throw new Error(`${id} refused ${run.field}`);
    expect(run.results.filter((r) => r.main)).toHaveLength(1);
    for (const r of run.results) expect(Number.isFinite(r.value)).toBe(true);
    for (const i of c.inputs) if (!isChoice(i)) expect(i.value >= i.least && i.value <= i.most).toBe(true);
    if (c.curve) {
      expect(run.results.some((r) => r.id === c.curve!.of)).toBe(true);
      expect(calculatorCurve(id, {})!.length).toBeGreaterThan(15);
    } else expect(calculatorCurve(id, {})).toBeNull();
  });
  it.each(CALCULATOR_IDS)('%s: any inputs in range give numbers or name the field that does not fit', (id) => {
    const c = calculator(id);
    const arbitrary = fc.record(
      Object.fromEntries(
        c.inputs.map((i) => [
          i.id,
          isChoice(i) ? fc.constantFrom(...i.options.map((o) => o.value)) : fc.double({ min: i.least, max: i.most, noNaN: true }),
        ]),
      ),
    );
    fc.assert(
      fc.property(arbitrary, (given) => {
        const run = runCalculator(id, given as never);
        return run.kind === 'refused' ? run.field.length > 0 : run.results.every((r) => Number.isFinite(r.value));
      }),
      { numRuns: 150 },
    );
  });
  it('refuses a number outside its field, by name', () =>
    expect(runCalculator('pumpUp', { strokeL: 99 })).toEqual({ kind: 'refused', field: 'strokeL', least: 0.02, most: 5 }));
});

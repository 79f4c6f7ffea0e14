import { IAPWS97_EoS } from '@neutrium/thermo.eos.iapws97';
import fc from 'fast-check';
import { OutOfRangeError } from '../OutOfRangeError';
import { fluidGrowth } from './fluid';
import { netGrowth } from './netGrowth';
import { saturationTemperatureC } from './saturation';
import { waterDensity } from './waterDensity';

const close = (actual: number, expected: number, tolerance: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);

describe('water density', () => {
  // CRC Handbook of Chemistry and Physics, near 1 atm, from memory.
  it.each([
    [10, 999.7],
    [20, 998.21],
    [60, 983.2],
    [80, 971.8],
    [100, 958.36],
  ])('at %d °C is %d kg/m³', (celsius, density) => {
    close(waterDensity(celsius, 1.01325), density, 0.05);
  });

  // IAPWS R7-97, table 5, from memory: the reference itself is held to the standard's own verification values.
  it.each([
    [300, 3, 0.100215168e-2],
    [300, 80, 0.971180894e-3],
    [500, 3, 0.1202418e-2],
  ])('the reference gives the standard’s volume at %d K and %d MPa', (kelvin, megapascal, volume) => {
    close(1 / Number(new IAPWS97_EoS().solve({ p: megapascal * 1e6, t: kelvin }).rho) / volume, 1, 1e-8);
  });

  it('agrees with a reference implementation of IAPWS-IF97 to 0.01 % wherever it is liquid', () => {
    const reference = new IAPWS97_EoS();
    let worst = 0,
      points = 0;
    for (let celsius = 1; celsius <= 179; celsius += 3)
      for (const bar of [1.1, 1.5, 2.5, 4, 7, 11, 20]) {
        if (saturationTemperatureC(bar) < celsius + 1) continue;
        points++;
        worst = Math.max(
          worst,
          Math.abs(waterDensity(celsius, bar) / Number(reference.solve({ p: bar * 1e5, t: celsius + 273.15 }).rho) - 1),
        );
      }
    expect(points).toBeGreaterThan(250);
    expect(worst).toBeLessThan(1e-4);
  });

  it('refuses what it was not fitted to', () => {
    expect(() => waterDensity(-1)).toThrow(OutOfRangeError);
    expect(() => waterDensity(181)).toThrow(OutOfRangeError);
    expect(() => waterDensity(NaN)).toThrow(OutOfRangeError);
    expect(() => waterDensity(50, 30)).toThrow(/absoluteBar/);
  });
});

describe('net growth', () => {
  // Worked out from IF97, water only; "about 4 %, two litres of a hundred" is common practice.
  it.each([
    [0, 100, 0.0432],
    [15, 65, 0.0189],
    [10, 80, 0.0287],
  ])('from %d to %d °C', (fromC, toC, growth) => {
    const alone = netGrowth({ fromC, toC, material: 'none', absoluteBar: 1.01325 });
    // Published as the growth of the hot volume: v2/v1 − 1 = g/(1 − g).
    close(alone / (1 - alone), growth, 0.0003);
  });

  it('is less the more the pipes grow, and nothing where nothing is heated', () => {
    const by = (material: 'none' | 'steel' | 'copper') => netGrowth({ fromC: 15, toC: 70, material });
    expect(by('none')).toBeGreaterThan(by('steel'));
    expect(by('steel')).toBeGreaterThan(by('copper'));
    expect(netGrowth({ fromC: 40, toC: 40 })).toBe(0);
  });

  // Not from 4 °C, where water is densest and the pipes outgrow it.
  it('rises with the temperature reached, from 15 °C on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 15, max: 100, noNaN: true }),
        fc.double({ min: 0.5, max: 70, noNaN: true }),
        (toC, more) => netGrowth({ fromC: 5, toC: toC + more }) > netGrowth({ fromC: 5, toC }),
      ),
    );
  });
});

describe('saturation', () => {
  // IAPWS R7-97, table 36, from memory: 0.1, 1 and 10 MPa.
  it.each([
    [1, 372.755919],
    [10, 453.035632],
    [100, 584.149488],
  ])('at %d bar absolute is %d K', (bar, kelvin) => {
    close(saturationTemperatureC(bar) + 273.15, kelvin, 1e-5);
  });

  // Steam tables, from memory: 15 psig 250 °F, 2 psig 218.5 °F.
  it.each([
    [15, 250],
    [2, 218.5],
  ])('at %d psig is %d °F', (psig, fahrenheit) => {
    close((saturationTemperatureC((psig + 14.6959) * 0.0689475729) * 9) / 5 + 32, fahrenheit, 0.5);
  });
});

describe('what a circuit is filled with', () => {
  it('water is water, and a mixture of nothing too', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 61, max: 110, noNaN: true }), (fromC, toC) => {
        expect(Math.abs(fluidGrowth({ glycol: 'propylene', massPercent: 0 }, fromC, toC) - fluidGrowth('water', fromC, toC))).toBeLessThan(
          1e-12,
        );
      }),
    );
  });
  it('the more glycol, the more growth', () => {
    for (const glycol of ['propylene', 'ethylene'] as const) {
      const growth = [0, 15, 30, 45, 60].map((massPercent) => fluidGrowth({ glycol, massPercent }, 10, 70));
      expect([...growth].sort((a, b) => a - b)).toEqual(growth);
    }
  });
});

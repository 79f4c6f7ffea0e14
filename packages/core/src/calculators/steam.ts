import { atmosphericBar } from '../circuit/atmosphere';
import { cycleMinutes, edrOfKw, evaporationHeatKjPerKg, gravityReturnHeightM, PRACTICE_M, steamForHeatKgPerH } from '../steam/steamLoad';
import { saturationTemperatureC } from '../water/saturation';
import type { Calculator } from './Calculator';
import { main, number, result } from './inputs';

export const STEAM = {
  boiling: {
    title: 'Boiling point',
    group: 'Steam',
    use: 'Steam temperature at a pressure, and the margin of hot water from boiling.',
    inputs: [number('gaugeBar', 'Gauge', 'pressure', 0.14, 0, 10), number('altitudeM', 'Site above the sea', 'length', 0, -100, 4500)],
    compute: (n) => {
      const c = saturationTemperatureC(n.gaugeBar! + atmosphericBar(n.altitudeM!));
      return [
        main('celsius', 'Boils at', 'temperature', c),
        ...(c <= 130 ? [result('heat', 'Heat to evaporate a kilogram, kJ', 'count', evaporationHeatKjPerKg(c))] : []),
      ];
    },
    formula: 'IF97, region 4',
    source: 'IAPWS R7-97',
    curve: { over: 'gaugeBar', of: 'celsius' },
  },
  steamLoad: {
    title: 'Steam load',
    group: 'Steam',
    use: 'Radiation, steam and condensate of a boiler.',
    inputs: [number('heatKw', 'Heat', 'power', 40, 0.1, 5000), number('gaugeBar', 'Steam at', 'pressure', 0.07, 0, 1)],
    compute: (n) => {
      const kg = steamForHeatKgPerH(n.heatKw!, n.gaugeBar!);
      return [
        main('steam', 'Steam', 'kg-per-hour', kg),
        result('edr', 'Radiation', 'edr', edrOfKw(n.heatKw!)),
        result('condensate', 'Condensate back', 'flow', kg),
      ];
    },
    formula: 'Q/r; 240 BTU/h a square foot of radiation',
    source: 'US handbooks; steam tables (from memory)',
  },
  gravityReturn: {
    title: 'Height of a gravity return',
    group: 'Steam',
    use: 'How far the end of the main must stand above the water line.',
    inputs: [number('lossBar', 'Pressure lost in the main', 'pressure-difference', 0.035, 0, 0.5)],
    compute: (n) => [
      main('height', 'At least, by the formula', 'length', gravityReturnHeightM(n.lossBar!), 'with 150 mm to spare'),
      result('practice', 'Practice keeps, for half a psi', 'length', PRACTICE_M, '28 in from the water line to the lowest end of the main'),
    ],
    formula: 'Δp/(ρ·g) + margin',
    source: 'Hydrostatics; margin: common practice',
  },
  cycle: {
    title: 'Cycle length',
    group: 'Steam',
    use: 'Minutes on and off from cycles an hour.',
    inputs: [number('cyclesPerHour', 'Cycles an hour', 'count', 3, 0.2, 30), number('firing', 'Of the time firing', 'percent', 50, 0, 100)],
    compute: (n) => {
      const c = cycleMinutes(n.cyclesPerHour!, n.firing! / 100);
      return [main('on', 'On', 'minutes', c.on), result('off', 'Off', 'minutes', c.off)];
    },
    formula: '60/cycles · share',
    source: 'Arithmetic',
  },
} satisfies Record<string, Calculator>;

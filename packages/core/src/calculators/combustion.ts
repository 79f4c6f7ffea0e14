import { excessAirFactor, gasInputKw, MOST_CO2_PERCENT, type Fuel } from '../combustion/gasRate';
import type { Calculator } from './Calculator';
import { choice, main, number, result } from './inputs';

export const COMBUSTION = {
  gas: {
    title: 'Gas rate',
    group: 'Combustion',
    use: 'Heat input from a timed meter. Licensed people only; this is the arithmetic.',
    inputs: [
      number('volumeM3', 'Metered', 'cubic-metres', 0.09, 0.0005, 100),
      number('seconds', 'In', 'seconds', 120, 10, 3600),
      number('gross', 'Gross calorific value', 'calorific', 39, 15, 125),
    ],
    compute: (n) => {
      const kw = gasInputKw(n.volumeM3!, n.seconds!, n.gross!);
      return [
        main('gross', 'Input, gross', 'power', kw),
        result('net', 'Input, net', 'power', kw / 1.11, 'natural gas'),
        result('rate', 'Rate, m³/h', 'count', (n.volumeM3! * 3600) / n.seconds!),
      ];
    },
    formula: 'volume · calorific value/time',
    source: 'Common practice for natural gas',
  },
  co2: {
    title: 'CO₂ window',
    group: 'Combustion',
    use: 'A reading against the maker’s figure and tolerance. Licensed people only.',
    inputs: [
      choice('fuel', 'Fuel', 'natural gas', { 'natural gas': 'Natural gas', LPG: 'LPG', 'light oil': 'Light oil' }),
      number('readPercent', 'Read at high fire', 'percent', 9, 0.5, 15.4),
      number('targetPercent', 'Maker’s figure, high fire', 'percent', 9.2, 1, 15.4),
      number('lowReadPercent', 'Read at low fire', 'percent', 8.7, 0.5, 15.4),
      number('lowTargetPercent', 'Maker’s figure, low fire', 'percent', 8.8, 1, 15.4),
      number('tolerance', 'Tolerance', 'percent', 0.3, 0, 3),
    ],
    compute: (n, c) => {
      const most = MOST_CO2_PERCENT[c.fuel as Fuel],
        within = (off: number) => (Math.abs(off) <= n.tolerance! + 1e-9 ? 'within the window, off by' : 'outside the window, off by'),
        high = n.readPercent! - n.targetPercent!,
        low = n.lowReadPercent! - n.lowTargetPercent!;
      return [
        main('off', `High fire ${within(high)}`, 'percent', high),
        result('offLow', `Low fire ${within(low)}`, 'percent', low),
        result('air', 'Excess air factor, high fire', 'factor', excessAirFactor(n.readPercent!, most)),
        result('airLow', 'Excess air factor, low fire', 'factor', excessAirFactor(n.lowReadPercent!, most)),
      ];
    },
    formula: 'read − target against the tolerance; λ ≈ CO₂max/CO₂: natural gas 11.7, LPG 13.8, light oil 15.4',
    source: 'Combustion tables (from memory)',
  },
} satisfies Record<string, Calculator>;

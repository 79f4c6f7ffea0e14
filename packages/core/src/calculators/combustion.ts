import { excessAirFactor, gasInputKw } from '../combustion/gasRate';
import type { Calculator } from './Calculator';
import { main, number, result } from './inputs';

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
      number('readPercent', 'Read', 'percent', 9, 0.5, 11.7),
      number('targetPercent', 'Maker’s figure', 'percent', 9.2, 1, 11.7),
      number('tolerance', 'Tolerance', 'percent', 0.3, 0, 3),
    ],
    compute: (n) => {
      const off = n.readPercent! - n.targetPercent!;
      return [
        main('off', Math.abs(off) <= n.tolerance! + 1e-9 ? 'Within the window, off by' : 'Outside the window, off by', 'percent', off),
        result('air', 'Excess air factor', 'factor', excessAirFactor(n.readPercent!)),
      ];
    },
    formula: 'read − target against the tolerance; λ ≈ 11.7/CO₂',
    source: 'Common practice for natural gas',
  },
} satisfies Record<string, Calculator>;

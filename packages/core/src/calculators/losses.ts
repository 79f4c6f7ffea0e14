import { complianceLPerBar, leakFromFallLPerH, leakFromTopUpsLPerDay } from '../vessel/compliance';
import { rustFromMakeUp } from '../water/oxygen';
import type { Calculator } from './Calculator';
import { main, number, result, CHARGE, STRETCH, VESSEL } from './inputs';

export const LOSSES = {
  leakFromFall: {
    title: 'Leak from a falling gauge',
    group: 'Losses',
    use: 'Litres an hour from a fall at equal temperature.',
    inputs: [
      number('systemGaugeBar', 'Gauge at the start', 'pressure', 1.5, 0, 10),
      number('endGaugeBar', 'At the end', 'pressure', 1.3, 0, 10),
      number('hours', 'Time between', 'hours', 8, 0.05, 2000),
      VESSEL,
      CHARGE,
      STRETCH,
    ],
    compute: (n) => [
      main('leak', n.systemGaugeBar! >= n.endGaugeBar! ? 'Going out' : 'Coming in', 'flow', Math.abs(leakFromFallLPerH(n as never))),
      result(
        'compliance',
        'One bar is here',
        'volume',
        complianceLPerBar({
          ...(n as never as { nominalVolumeL: number; prechargeGaugeBar: number }),
          systemGaugeBar: (n.systemGaugeBar! + n.endGaugeBar!) / 2,
          stretchLPerBar: n.stretchLPerBar!,
        }),
      ),
    ],
    formula: '(P0·Vn/P² + s)·Δp/t',
    source: 'Boyle’s law',
  },
  leakFromTopUps: {
    title: 'Leak from top-ups',
    group: 'Losses',
    use: 'What so many top-ups a month lose.',
    inputs: [
      number('topUpsPerMonth', 'Topped up', 'per-month', 4, 0, 200),
      number('systemGaugeBar', 'From', 'pressure', 0.5, 0, 10),
      number('endGaugeBar', 'To', 'pressure', 1.3, 0, 10),
      VESSEL,
      CHARGE,
      STRETCH,
    ],
    compute: (n) => {
      const day = leakFromTopUpsLPerDay(n as never);
      const rust = rustFromMakeUp(day * 365);
      return [
        main('loss', 'Lost', 'loss', day),
        result('year', 'In a year', 'volume', day * 365),
        result('iron', 'Iron that its oxygen eats in a year', 'grams', rust.ironG),
      ];
    },
    formula: 'Water that one top-up brings (compliance · Δp) times how often',
    source: 'Boyle’s law; oxygen as for make-up',
  },
  makeUp: {
    title: 'Make-up water and rust',
    group: 'Losses',
    use: 'What fresh water does to iron.',
    inputs: [number('makeUpL', 'Make-up', 'volume', 100, 0, 1e6)],
    compute: (n) => {
      const r = rustFromMakeUp(n.makeUpL!);
      return [main('iron', 'Iron eaten', 'grams', r.ironG), result('oxygen', 'Oxygen let in', 'grams', r.oxygenG)];
    },
    formula: '10 mg of oxygen a litre; 4 Fe + 3 O₂',
    source: 'Common practice; stoichiometry',
  },
} satisfies Record<string, Calculator>;

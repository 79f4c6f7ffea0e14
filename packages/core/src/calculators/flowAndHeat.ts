import { PIPE_BORES_MM, type PipeSize } from '../circuit/contentOf';
import { flowForHeatLPerH, heatOfFlowKw, hotShareOfBlend, radiatorOutputKw } from '../circulation/heatFlow';
import { pipeFriction } from '../circulation/pipeFriction';
import type { Calculator } from './Calculator';
import { choice, FLUID, fluidOf, main, number, result } from './inputs';

export const FLOW_AND_HEAT = {
  flow: {
    title: 'Flow for a heat',
    group: 'Flow and heat',
    use: 'Flow that carries a heat at a difference.',
    inputs: [
      number('heatKw', 'Heat', 'power', 12, 0, 5000),
      number('differenceK', 'Flow less return', 'temperature-difference', 10, 0.5, 80),
      ...FLUID,
    ],
    compute: (n, c) => [main('flow', 'Flow', 'flow', flowForHeatLPerH(n.heatKw!, n.differenceK!, fluidOf(n, c)))],
    formula: 'Q/(ρ·c·ΔT); in US units BTU/h = 500 · gpm · ΔT°F',
    source: 'Handbooks (from memory)',
    curve: { over: 'differenceK', of: 'flow' },
  },
  heat: {
    title: 'Heat of a flow',
    group: 'Flow and heat',
    use: 'What a measured flow and difference carry.',
    inputs: [
      number('flowLPerH', 'Flow', 'flow', 1000, 0, 1e6),
      number('differenceK', 'Flow less return', 'temperature-difference', 10, 0, 80),
      ...FLUID,
    ],
    compute: (n, c) => [main('heat', 'Heat', 'power', heatOfFlowKw(n.flowLPerH!, n.differenceK!, fluidOf(n, c)))],
    formula: 'ṁ·c·ΔT',
    source: 'Handbooks (from memory)',
  },
  blend: {
    title: 'Blending valve',
    group: 'Flow and heat',
    use: 'How far a blending valve stands open for a floor.',
    inputs: [
      number('hotC', 'Hot side', 'temperature', 70, 2, 120),
      number('coldC', 'Return side', 'temperature', 35, 1, 100),
      number('mixC', 'Wanted', 'temperature', 46, 1, 120),
    ],
    compute: (n) => {
      const s = hotShareOfBlend(n.hotC!, n.coldC!, n.mixC!);
      return [main('hot', 'Hot share', 'percent', 100 * s), result('cold', 'From the return', 'percent', 100 * (1 - s))];
    },
    formula: '(mix − return)/(hot − return)',
    source: 'Heat balance',
  },
  friction: {
    title: 'Pipe friction and pump head',
    group: 'Flow and heat',
    use: 'Loss along a run, and the head that it asks of the pump.',
    inputs: [
      number('flowLPerH', 'Flow', 'flow', 800, 1, 1e6),
      choice('size', 'Pipe', 'copper 22', Object.fromEntries(Object.keys(PIPE_BORES_MM).map((k) => [k, k]))),
      number('lengthM', 'Length, there and back', 'length', 30, 0, 5000),
      number('fittings', 'For fittings', 'percent', 50, 0, 300),
      number('celsius', 'Water', 'temperature', 60, 1, 120),
      ...FLUID,
    ],
    compute: (n, c) => {
      const f = pipeFriction({
        flowLPerH: n.flowLPerH!,
        boreMm: PIPE_BORES_MM[c.size as PipeSize],
        lengthM: n.lengthM!,
        celsius: n.celsius!,
        ...fluidOf(n, c),
        fittingsShare: n.fittings! / 100,
        roughnessMm: c.size!.startsWith('steel') ? 0.045 : 0.0015,
      });
      return [
        main('head', 'Head', 'length', f.headM),
        result('perM', 'Loss', 'friction', f.paPerM),
        result('speed', 'Speed', 'speed', f.speedMPerS, f.speedMPerS > 1 ? 'noisy above about 1 m/s' : undefined),
      ];
    },
    formula: 'Darcy and Weisbach, friction factor by Haaland',
    source: 'Haaland 1983 (from memory); roughness: handbook values',
    curve: { over: 'flowLPerH', of: 'head' },
  },
  radiator: {
    title: 'Radiator at other temperatures',
    group: 'Flow and heat',
    use: 'What a radiator gives with a cooler flow.',
    inputs: [
      number('ratedKw', 'Rated at 75/65/20', 'power', 1.5, 0.01, 100),
      number('flowC', 'Flow', 'temperature', 55, 10, 110),
      number('returnC', 'Return', 'temperature', 45, 10, 110),
      number('roomC', 'Room', 'temperature', 20, 0, 35),
    ],
    compute: (n) => [
      main('output', 'Output', 'power', radiatorOutputKw(n as never)),
      result('share', 'Of rated', 'percent', (100 * radiatorOutputKw(n as never)) / n.ratedKw!),
    ],
    formula: 'rated·(ΔT/50)^1.3, ΔT mean water over room',
    source: 'EN 442 (from memory)',
    curve: { over: 'flowC', of: 'output' },
  },
} satisfies Record<string, Calculator>;

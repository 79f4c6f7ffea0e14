import {
  contentFromDoseL,
  EMITTER_L_PER_KW,
  emitterContentL,
  PIPE_BORES_MM,
  pipeContentL,
  type EmitterKind,
  type PipeSize,
} from '../circuit/contentOf';
import type { Calculator } from './Calculator';
import { choice, main, number, result } from './inputs';

export const CONTENT_OF_CIRCUIT = {
  pipes: {
    title: 'Content of a pipe',
    group: 'Content',
    use: 'Litres in a run of pipe.',
    inputs: [
      choice('size', 'Pipe', 'copper 22', Object.fromEntries(Object.keys(PIPE_BORES_MM).map((k) => [k, k]))),
      number('lengthM', 'Length', 'length', 20, 0, 10_000),
    ],
    compute: (n, c) => [
      main('content', 'Content', 'volume', pipeContentL(c.size as PipeSize, n.lengthM!)),
      result('bore', 'Bore', 'bore', PIPE_BORES_MM[c.size as PipeSize]),
    ],
    formula: 'π/4·d²·l',
    source: 'EN 1057, EN 10255, common PEX dimensions (from memory)',
  },
  emitters: {
    title: 'Content from the emitters',
    group: 'Content',
    use: 'A first estimate of the whole circuit.',
    inputs: [
      choice('kind', 'Emitters', 'panel radiators', Object.fromEntries(Object.keys(EMITTER_L_PER_KW).map((k) => [k, k]))),
      number('outputKw', 'Their output together', 'power', 9, 0, 5000),
    ],
    compute: (n, c) => {
      const v = emitterContentL(c.kind as EmitterKind, n.outputKw!);
      return [
        main('content', 'Content', 'volume', v),
        result('low', 'At least', 'volume', 0.75 * v),
        result('high', 'At most', 'volume', 1.25 * v),
      ];
    },
    formula: 'Litres a kW at 75/65/20, ±25 %',
    source: 'Common practice',
    sheetField: { result: 'main', field: 'waterVolumeL' },
  },
  dose: {
    title: 'Content from a dose',
    group: 'Content',
    use: 'The measured content: put in a known dose, read its concentration once it has gone round.',
    inputs: [number('doseG', 'Dose', 'grams', 500, 0.1, 1e5), number('riseMgPerL', 'Rise', 'mg-per-litre', 5000, 0.5, 1e5)],
    compute: (n) => [main('content', 'Content', 'volume', contentFromDoseL(n.doseG!, n.riseMgPerL!))],
    formula: 'V = dose/rise',
    source: 'Mass balance',
    sheetField: { result: 'main', field: 'waterVolumeL', measured: true },
  },
} satisfies Record<string, Calculator>;

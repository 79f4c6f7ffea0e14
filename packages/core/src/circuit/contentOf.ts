import { requireInRange } from '../OutOfRangeError';

/** Bores of common pipes, mm: copper EN 1057, medium steel EN 10255, cross-linked polyethylene. Dimensions from memory of the standards'
 *  tables. */
export const PIPE_BORES_MM = {
  'copper 15': 13.6,
  'copper 18': 16.4,
  'copper 22': 20.2,
  'copper 28': 26.2,
  'copper 35': 32.6,
  'copper 42': 39.6,
  'copper 54': 51.6,
  'steel 1/2': 16.1,
  'steel 3/4': 21.7,
  'steel 1': 27.3,
  'steel 1 1/4': 36,
  'steel 1 1/2': 41.9,
  'steel 2': 53.1,
  'PEX 16': 12,
  'PEX 20': 16,
  'PEX 25': 20.4,
  'PEX 32': 26.2,
} as const;
export type PipeSize = keyof typeof PIPE_BORES_MM;

/** Water in a length of pipe, L. @param lengthM 0 to 100 000 m */
export function pipeContentL(size: PipeSize, lengthM: number): number {
  requireInRange('lengthM', lengthM, 0, 100_000);
  return (Math.PI / 4) * (PIPE_BORES_MM[size] / 100) ** 2 * lengthM * 10;
}

/** Water in emitters for each kW that they give at 75/65/20, L/kW, pipes of a usual circuit among it. Common practice. */
export const EMITTER_L_PER_KW = { 'panel radiators': 10, 'column radiators': 14, convectors: 6, 'floor loops': 20 } as const;
export type EmitterKind = keyof typeof EMITTER_L_PER_KW;

/** Content of a circuit from what its emitters give, L, with about ±25 % doubt. */
export function emitterContentL(kind: EmitterKind, outputKw: number): number {
  requireInRange('outputKw', outputKw, 0, 10_000);
  return EMITTER_L_PER_KW[kind] * outputKw;
}

/** Content from a dose: what was put in, and by how much its concentration rose after mixing. V = dose / rise.
 *  @param doseG grams of the marker; @param riseMgPerL rise read after it has gone round */
export function contentFromDoseL(doseG: number, riseMgPerL: number): number {
  requireInRange('doseG', doseG, 0.01, 1e6);
  requireInRange('riseMgPerL', riseMgPerL, 0.1, 1e6);
  return (1000 * doseG) / riseMgPerL;
}

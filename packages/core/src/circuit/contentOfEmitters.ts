import { EMITTER_L_PER_KW, pipeContentL, type EmitterKind } from './contentOf';

/** One kind of emitter on a sheet: how many, how long, or what they give, where it is known. */
export interface Emitter {
  kind?: string;
  count?: number;
  lengthM?: number;
  outputKw?: number;
}

/** Which kind a word on a sheet means; panel radiators where it means none. */
const KINDS: [RegExp, EmitterKind][] = [
  [/floor|loop/i, 'floor loops'],
  [/column|cast/i, 'column radiators'],
  [/convector|baseboard|fan/i, 'convectors'],
];
const kindOf = ({ kind = '' }: Emitter): EmitterKind => KINDS.find(([word]) => word.test(kind))?.[1] ?? 'panel radiators';

/** Water of one emitter with its share of the pipes, L. A floor loop is some eighty metres of pipe. Common practice. */
const EACH_L: Record<EmitterKind, number> = { 'panel radiators': 10, 'column radiators': 18, convectors: 5, 'floor loops': 10 };

function litresOf(emitter: Emitter): number | null {
  const kind = kindOf(emitter);
  if (emitter.lengthM !== undefined && kind === 'floor loops') return (emitter.count ?? 1) * pipeContentL('PEX 16', emitter.lengthM);
  if (emitter.outputKw !== undefined) return (emitter.count ?? 1) * EMITTER_L_PER_KW[kind] * emitter.outputKw;
  return emitter.count === undefined ? null : emitter.count * EACH_L[kind];
}

/** Content of a circuit by its emitters, L, the boiler's few litres and the pipes among it; null where any of them tells nothing, since the
 *  rest would be too little. What a file holds there instead of a list tells nothing either. */
export function contentOfEmittersL(emitters: unknown): number | null {
  if (!Array.isArray(emitters) || emitters.length === 0) return null;
  const litres = emitters.map((e: unknown) => (typeof e === 'object' && e !== null ? litresOf(e as Emitter) : null));
  return litres.every((l) => l !== null && l > 0) ? litres.reduce((sum: number, l) => sum + l!, BOILER_L) : null;
}
const BOILER_L = 4;

import { lowerFirst } from '../lowerFirst';

/** A number in a sentence: gauge pressure or difference in bar, temperature in °C, volume in L. */
export interface SaidNumber {
  quantity: 'pressure' | 'temperature' | 'small-volume';
  value: number;
}
/** A sentence whose numbers keep what they are, so that whoever shows it speaks the user's units: words and numbers in turn. */
export type Said = string | readonly (string | SaidNumber)[];

export const inBar = (value: number): SaidNumber => ({ quantity: 'pressure', value });
export const inCelsius = (value: number): SaidNumber => ({ quantity: 'temperature', value });
export const inLitres = (value: number): SaidNumber => ({ quantity: 'small-volume', value });

type Part = Said | SaidNumber | number;

/** Puts a sentence together, as a template: numbers of a quantity and other sentences stay what they are. */
export function say(words: TemplateStringsArray, ...between: Part[]): Said {
  return together(words.flatMap((w, i) => (i < between.length ? [w, between[i]!] : [w])));
}

/** Sentences one after the other; those that say nothing are left out. */
export const sentences = (all: readonly Said[]): Said =>
  together(all.filter((s) => s.length > 0).flatMap((s, i) => (i > 0 ? [' ', s] : [s])));

function together(parts: readonly Part[]): Said {
  const out: (string | SaidNumber)[] = [];
  for (const part of parts) {
    const pieces = typeof part === 'number' ? [String(part)] : typeof part === 'string' || 'quantity' in part ? [part] : part;
    for (const p of pieces) {
      const last = out.at(-1);
      if (p === '') continue;
      if (typeof p === 'string' && typeof last === 'string') out[out.length - 1] = last + p;
      else out.push(p);
    }
  }
  return out.every((p) => typeof p === 'string') ? out.join('') : out;
}

/** The sentence with its numbers as somebody writes them. */
export const saidBy = (said: Said, writes: (n: SaidNumber) => string): string =>
  typeof said === 'string' ? said : said.map((p) => (typeof p === 'string' ? p : writes(p))).join('');

/** The same in canonical units: "1.5 bar", "68 °C", "0.5 L". */
export const plainly = (said: Said): string =>
  saidBy(said, ({ quantity, value }) =>
    quantity === 'pressure'
      ? `${value.toFixed(2).replace(/0$/, '')} bar`
      : quantity === 'temperature'
        ? `${value.toFixed(0)} °C`
        : `${Number(value.toFixed(2))} L`,
  );

/** To go on within a sentence. */
export const saidWithin = (said: Said): Said =>
  typeof said === 'string' ? lowerFirst(said) : said.map((p, i) => (i === 0 && typeof p === 'string' ? lowerFirst(p) : p));

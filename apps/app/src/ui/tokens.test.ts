import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TOKENS } from './tokens';

const css = readFileSync(join(__dirname, '../../global.css'), 'utf8');
const block = (selector: string) =>
  Object.fromEntries(
    [
      ...css
        .split(`${selector} {`)[1]!
        .split('}')[0]!
        .matchAll(/--(\w+): (\d+) (\d+) (\d+)/g),
    ].map((m) => [m[1]!, [Number(m[2]), Number(m[3]), Number(m[4])]]),
  );
const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));

/** WCAG 2 relative luminance and contrast. */
const luminance = (c: number[]) =>
  c
    .map((v) => v / 255)
    .map((v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4))
    .reduce((s, v, i) => s + v * [0.2126, 0.7152, 0.0722][i]!, 0);
const contrast = (a: number[], b: number[]) => {
  const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p) as [number, number];
  return (x + 0.05) / (y + 0.05);
};

describe.each([
  ['light', ':root'],
  ['dark', '.dark:root'],
] as const)('%s', (theme, selector) => {
  const vars = block(selector);
  it('is the same in the style sheet and in drawings', () => {
    for (const [name, hex] of Object.entries(TOKENS[theme])) expect({ name, rgb: rgb(hex) }).toEqual({ name, rgb: vars[name] });
  });
  it.each(['ink', 'ink2', 'copper', 'slate', 'verdigris', 'brass', 'oxide'])('%s reads on both grounds, 4.5 to 1', (name) => {
    for (const ground of ['lime', 'sheet']) expect(contrast(vars[name]!, vars[ground]!)).toBeGreaterThan(4.5);
  });
  it('ink reads on every notice, and the label on the main action', () => {
    for (const pale of ['paleslate', 'palebrass', 'paleoxide', 'paleverdigris'])
      expect(contrast(vars.ink!, vars[pale]!)).toBeGreaterThan(4.5);
    expect(contrast(vars.oncopper!, vars.copper!)).toBeGreaterThan(4.5);
  });
});

import { readOptions } from './options';

const KINDS = { cases: { least: 1 }, tier: { oneOf: ['hand', 'logger'] }, sketch: 'flag' as const, out: 'text' as const };
const read = (...args: string[]) => readOptions(KINDS, args);

it('reads numbers, words, texts and flags, and leaves out what was not said', () => {
  expect(read('--cases', '40', '--tier', 'hand', '--sketch', '--out', 'x.json')).toEqual({
    cases: 40,
    tier: 'hand',
    sketch: true,
    out: 'x.json',
  });
  expect(read()).toEqual({});
});

it.each([
  [['--case', '40'], /--case/],
  [['--cases', 'many'], /--cases: must be a number from 1/],
  [['--cases', '0'], /--cases/],
  [['--tier', 'boat'], /--tier: must be one of hand, logger/],
  [['extra'], /extra/],
] as [string[], RegExp][])('%j is refused by name', (args, named) => expect(() => read(...args)).toThrow(named));

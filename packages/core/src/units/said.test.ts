import { inBar, inCelsius, inLitres, plainly, saidBy, saidWithin, say, sentences } from './said';

const SENTENCE = say`Rose ${inBar(0.4)} from ${inCelsius(16.4)} with ${inLitres(0.456)} let out ${2} times.`;

it('keeps its numbers apart from its words, and says them in canonical units', () => {
  expect(SENTENCE).toEqual([
    'Rose ',
    { quantity: 'pressure', value: 0.4 },
    ' from ',
    { quantity: 'temperature', value: 16.4 },
    ' with ',
    { quantity: 'small-volume', value: 0.456 },
    ' let out 2 times.',
  ]);
  expect(plainly(SENTENCE)).toBe('Rose 0.4 bar from 16 °C with 0.46 L let out 2 times.');
});
it('lets somebody else write them', () =>
  expect(saidBy(SENTENCE, ({ quantity, value }) => `<${quantity} ${value}>`)).toContain('Rose <pressure 0.4> from <temperature 16.4>'));
it('is words alone where there is no number, and takes sentences in', () => {
  expect(say`Stood ${'still'}.`).toBe('Stood still.');
  expect(plainly(say`First: ${SENTENCE}`)).toBe(`First: ${plainly(SENTENCE)}`);
  expect(plainly(sentences(['', SENTENCE, 'Then not.', '']))).toBe(`${plainly(SENTENCE)} Then not.`);
  expect(sentences([])).toBe('');
});
it('goes on within a sentence', () => {
  expect(plainly(saidWithin(SENTENCE))).toMatch(/^rose 0\.4 bar/);
  expect(saidWithin('Stood still.')).toBe('stood still.');
});

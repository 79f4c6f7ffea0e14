import { readDraft } from './useDraft';

const blank = { text: '', done: [] as string[] };
beforeEach(() => localStorage.clear());

it('takes up what was kept, and begins anew where there is nothing', () => {
  expect(readDraft('k', blank)).toBe(blank);
  localStorage.setItem('k', JSON.stringify({ text: '0.4', done: ['a'] }));
  expect(readDraft('k', blank)).toEqual({ text: '0.4', done: ['a'] });
});

// An older version of the app, or another program, may have written there.
it.each(['{', 'null', '"text"', '{"text":"0.4"}'])('begins anew where %s is kept', (text) => {
  localStorage.setItem('k', text);
  expect(readDraft('k', blank)).toBe(blank);
});

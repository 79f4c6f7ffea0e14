import { evenly } from './evenly';

it('takes so many, evenly, the first and the last among them; all where there are fewer', () => {
  const all = Array.from({ length: 11 }, (_, i) => i);
  expect(evenly(all, 3)).toEqual([0, 5, 10]);
  expect(evenly(all, 20)).toEqual(all);
  expect(evenly(all, 1)).toEqual([0]);
});

import { labelEvents } from './labelEvents';

const x = (min: number) => min;
const words = (events: { min: number; label: string }[]) => labelEvents(events, x).map((l) => l.words);

it('every event keeps its mark, and words only where there is room', () => {
  expect(
    words([
      { min: 0, label: 'Heat on' },
      { min: 5, label: 'Top-up' },
      { min: 200, label: 'Heat off' },
    ]),
  ).toEqual(['Heat on', null, 'Heat off']);
});

it('what comes again and again is said once, with how often; what comes now and then each time', () => {
  const week = Array.from({ length: 5 }, (_, i) => [
    { min: 300 * i, label: 'Heat on' },
    { min: 300 * i + 150, label: 'Heat off' },
  ]).flat();
  expect(words(week).filter((w) => w !== null)).toEqual(['Heat on and off, 5 times']);
  expect(words(week)).toHaveLength(10);
  expect(words(Array.from({ length: 4 }, (_, i) => ({ min: 300 * i, label: 'Top-up' }))).filter((w) => w !== null)).toEqual([
    'Top-up, 4 times',
  ]);
  expect(words([0, 300, 600].map((min) => ({ min, label: 'Top-up' })))).toEqual(['Top-up', 'Top-up', 'Top-up']);
});

it('words take turns between two rows', () => {
  expect(
    labelEvents(
      [0, 100, 200].map((min, i) => ({ min, label: `Note ${i}` })),
      x,
    ).map((l) => l.row),
  ).toEqual([0, 1, 0]);
  expect(labelEvents([], x)).toEqual([]);
});

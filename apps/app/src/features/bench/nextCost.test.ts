import { costText } from './nextCost';

const LOOK = { intrusive: false },
  OPENS = { intrusive: true };

it.each([
  [{ minutes: 2 }, LOOK, '2 min, nothing drained.'],
  [{ minutes: 90 }, LOOK, '1 h 30 min, nothing drained.'],
  [{ minutes: 61, wait: { until: 'cool', minutes: 46 } }, OPENS, 'Once it is cool, in about 45 min: 15 min, drains or opens something.'],
  [
    { minutes: 112, wait: { until: 'still', minutes: 97 } },
    LOOK,
    'Once it is cold and still, in about 1 h 35 min: 15 min, nothing drained.',
  ],
  [{ minutes: 481, wait: { until: 'rested', minutes: 480 } }, LOOK, 'After a night without heat: 1 min, nothing drained.'],
  [{ minutes: 40, wait: { until: 'rested', minutes: 35 } }, LOOK, 'After about 35 min without heat: 5 min, nothing drained.'],
  [{ minutes: 15, wait: { until: 'hot', minutes: 10 } }, LOOK, 'Heat on for about 10 min, then 5 min, nothing drained.'],
  [{ minutes: 17, wait: { until: 'cool', minutes: 2 } }, OPENS, 'Once it is cool, in about 5 min: 15 min, drains or opens something.'],
] as const)('says what %j costs', (next, row, said) => expect(costText(next, row)).toBe(said));

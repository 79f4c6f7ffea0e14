import { clockText, runningTimers, startTimer, stopTimer, subscribeTimers, timerAt } from './timers';

beforeEach(() => localStorage.clear());
const timer = (id: string, lengthS = 600) => ({ id, jobId: 'j', label: id, testId: null, startedMs: 1_000_000, lengthS });

it('writes a clock', () => expect([0, 65.9, 900, 3725].map(clockText)).toEqual(['0:00', '1:05', '15:00', '1:02:05']));

it('keeps several at once; the same id begins anew', () => {
  startTimer(timer('a'));
  startTimer(timer('b'));
  startTimer({ ...timer('a'), lengthS: 60 });
  expect(runningTimers().map((t) => [t.id, t.lengthS])).toEqual([
    ['b', 600],
    ['a', 60],
  ]);
  stopTimer('b');
  expect(runningTimers().map((t) => t.id)).toEqual(['a']);
});

it('is over when its length is gone, and never runs backwards', () => {
  expect(timerAt(timer('a'), 1_000_000 + 590_000)).toEqual({ goneS: 590, leftS: 10 });
  expect(timerAt(timer('a'), 1_000_000 + 630_000).leftS).toBe(-30);
  expect(timerAt(timer('a'), 900_000).goneS).toBe(0);
});

it('tells who listens, and gives the same array until something changes', () => {
  const heard = jest.fn();
  const forget = subscribeTimers(heard);
  startTimer(timer('a'));
  expect(heard).toHaveBeenCalledTimes(1);
  expect(runningTimers()).toBe(runningTimers());
  forget();
  stopTimer('a');
  expect(heard).toHaveBeenCalledTimes(1);
});

it.each(['{', '{"a":1}', '[{"id":1}]'])('takes storage that says %s for none', (text) => {
  localStorage.setItem('jumper.timers', text);
  expect(runningTimers()).toEqual([]);
});

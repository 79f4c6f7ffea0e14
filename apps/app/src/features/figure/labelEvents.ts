import type { FigureView } from './figureModel';

/** Room that an event's words take, px; what comes more than so many times comes again and again. */
const LABEL_ROOM = 46, OFTEN = 3;

/** Words only where there is room for them; every event keeps its mark. What comes again and again is said once, with how often. The rows take turns. */
export function labelEvents(events: FigureView['events'], x: (min: number) => number): { e: FigureView['events'][number]; words: string | null; row: number }[] {
  let n = 0, right = -Infinity;
  const told = new Set<string>(), times = new Map<string, number>();
  for (const { label } of events) times.set(label, (times.get(label) ?? 0) + 1);
  return events.map((e) => {
    const often = times.get(e.label)! > OFTEN;
    if (x(e.min) - right <= LABEL_ROOM || (often && told.has(e.label))) return { e, words: null, row: 0 };
    told.add(e.label);
    right = x(e.min);
    return { e, words: often ? `${e.label}, ${times.get(e.label)} times` : e.label, row: n++ % 2 };
  });
}

import { EVENT_TITLES } from '../bench/eventTitles';
import type { FigureView } from './figureModel';

/** Room that an event's words take, px; what comes more than so many times comes again and again. */
const LABEL_ROOM = 46,
  OFTEN = 3;
/** What comes and goes by turns is said in one breath. */
const ON = EVENT_TITLES['heat-on'],
  OFF = EVENT_TITLES['heat-off'],
  ON_AND_OFF = 'Heat on and off';

/** Words only where there is room for them; every event keeps its mark. What comes again and again is said once, with how often. The rows
 *  take turns. */
export function labelEvents(
  events: FigureView['events'],
  x: (min: number) => number,
): { e: FigureView['events'][number]; words: string | null; row: number }[] {
  let n = 0,
    right = -Infinity;
  const told = new Set<string>(),
    times = new Map<string, number>();
  for (const { label } of events) times.set(label, (times.get(label) ?? 0) + 1);
  const isOften = (label: string) => (times.get(label) ?? 0) > OFTEN,
    byTurns = isOften(ON) && isOften(OFF);
  return events.map((e) => {
    const often = isOften(e.label),
      name = byTurns && (e.label === ON || e.label === OFF) ? ON_AND_OFF : e.label;
    if (x(e.min) - right <= LABEL_ROOM || (often && told.has(name))) return { e, words: null, row: 0 };
    told.add(name);
    right = x(e.min);
    return { e, words: often ? `${name}, ${times.get(e.label)} times` : name, row: n++ % 2 };
  });
}

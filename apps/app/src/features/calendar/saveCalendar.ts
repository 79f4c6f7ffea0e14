import { fileName, saveFile } from '../caseFile/saveFile';
import type { CalendarEntry } from './calendarText';

/** The writer comes only when it is asked for. */
export async function saveCalendar(rows: readonly CalendarEntry[]): Promise<void> {
  const now = new Date();
  const { calendarText } = await import('./calendarText');
  saveFile(calendarText(rows, now.getTime()), 'text/calendar', fileName('rechecks', now, 'ics'));
}

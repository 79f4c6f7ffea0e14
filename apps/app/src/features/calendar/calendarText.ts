import ical from 'ical-generator';

export interface CalendarEntry {
  factId: string;
  site: string;
  title: string;
  due: string;
}

/** What is due as a calendar (RFC 5545), one all-day event each with a stable id, so that a newer file replaces the older entries. */
export function calendarText(rows: readonly CalendarEntry[], nowMs: number): string {
  const calendar = ical({ name: 'Rechecks', prodId: { company: 'Jumper', product: 'Jumper', language: 'EN' } });
  for (const r of rows)
    calendar.createEvent({
      id: `${r.factId}@jumper`,
      start: new Date(`${r.due}T00:00:00Z`),
      stamp: new Date(nowMs),
      allDay: true,
      summary: `${r.title}: ${r.site}`,
      location: r.site,
    });
  return calendar.toString();
}

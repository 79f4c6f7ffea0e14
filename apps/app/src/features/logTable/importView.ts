import type { BadLine, TableRead } from '@jumper/core';
import { pressureText, type Units } from '../units/units';

const SHOWN = 12;

/** "1 240 readings over 2 h 5 min, 1.0 bar to 2.4 bar." */
export function readText(read: TableRead, units: Units): string {
  if (read.read === 0) return 'No reading was found in it.';
  const { tS, pressureBar } = read.log.samples;
  let low = Infinity,
    high = -Infinity;
  for (const p of pressureBar)
    if (p !== null) {
      low = Math.min(low, p);
      high = Math.max(high, p);
    }
  const events = read.log.events?.length ?? 0;
  return `${read.read} ${read.read === 1 ? 'reading' : 'readings'} over ${spanText(tS.at(-1)!)}${low <= high ? `, ${pressureText(low, units.pressure)} to ${pressureText(high, units.pressure)}` : ', no pressure among them'}${events ? `, ${events} ${events === 1 ? 'event' : 'events'}` : ''}.`;
}

export function spanText(s: number): string {
  if (s < 120) return `${Math.round(s)} s`;
  const min = Math.round(s / 60);
  if (min < 120) return `${min} min`;
  if (min < 48 * 60) return `${Math.floor(min / 60)} h${min % 60 ? ` ${min % 60} min` : ''}`;
  return `${Math.round(min / 144) / 10} days`;
}

/** The first bad lines, each with its reason, and how many more there are. */
export function badLinesText(bad: BadLine[]): { title: string; lines: string[] } | null {
  if (bad.length === 0) return null;
  return {
    title: `${bad.length} ${bad.length === 1 ? 'line' : 'lines'} could not be read and would be left out`,
    lines: [
      ...bad.slice(0, SHOWN).map((b) => `Line ${b.line}: ${b.reason}`),
      ...(bad.length > SHOWN ? [`and ${bad.length - SHOWN} more`] : []),
    ],
  };
}

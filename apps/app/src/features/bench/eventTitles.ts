import { EVENT_KINDS, type EventKind } from '@jumper/core';

export const EVENT_TITLES: Record<EventKind, string> = {
  'heat-on': 'Heat on',
  'heat-off': 'Heat off',
  'top-up': 'Topped up',
  vented: 'Vented',
  drained: 'Drained',
  'drawn-off': 'Drawn off',
  'fill-disconnected': 'Loop off',
  'fill-closed': 'Fill shut',
  'fill-opened': 'Fill open',
  'cold-main-closed': 'Main shut',
  'cold-main-opened': 'Main open',
  'coil-isolated': 'Coil shut off',
  'coil-reopened': 'Coil open',
  'boiler-isolated': 'Boiler shut off',
  'boiler-reopened': 'Boiler open',
  'vessel-recharged': 'Recharged',
  'hot-tap-open': 'Hot tap open',
  'hot-tap-closed': 'Hot tap shut',
  'relief-lifted': 'Relief lifted',
  'relief-pulled': 'Relief’s lever pulled',
  'steady-hot': 'At set temperature, steady for 5 min',
  note: 'Note',
};

/** What stands in the dock itself; the rest is one touch away. Work done is recorded with its value, not as a mere event. */
export const DOCK_EVENTS: EventKind[] = ['heat-on', 'heat-off', 'top-up', 'vented'];
export const MORE_EVENTS: EventKind[] = EVENT_KINDS.filter(
  (k) => !DOCK_EVENTS.includes(k) && k !== 'vessel-recharged' && k !== 'drawn-off' && k !== 'note',
);

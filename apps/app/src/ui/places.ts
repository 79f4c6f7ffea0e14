/** The places that a technician goes to from anywhere. */
export const PLACES = [
  { id: 'jobs', label: 'Jobs', href: '/' },
  { id: 'circuits', label: 'Circuits', href: '/circuits' },
  { id: 'tools', label: 'Tools', href: '/tools' },
  { id: 'settings', label: 'Settings', href: '/settings' },
] as const;
export type PlaceId = (typeof PLACES)[number]['id'];

/** From this width on, px, the places stand down the left edge of every view; below, under the thumb in those four. */
export const WIDE_PX = 1000;

/** The place that an address belongs to; a job's views belong to the jobs. */
export const placeOf = (path: string): PlaceId => PLACES.find((p) => p.href !== '/' && (path === p.href || path.startsWith(`${p.href}/`)))?.id ?? 'jobs';

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

/** From this width on, px, there is room for columns beside them. */
export const COLUMNS_PX = 1100;

/** The place that an address belongs to. A job's views belong to the jobs, unless one came to them from another place. @param cameFrom what
 *  the address says of that */
export function placeOf(path: string, cameFrom?: string | readonly string[]): PlaceId {
  const own = PLACES.find((p) => p.href !== '/' && (path === p.href || path.startsWith(`${p.href}/`)));
  return (own ?? PLACES.find((p) => p.id === cameFrom))?.id ?? 'jobs';
}

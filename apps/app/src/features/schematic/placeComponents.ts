import { COMPONENTS } from '@jumper/core';
import { RETURN_Y, SUPPLY_Y, type Drawing } from './Schematic';

const PLACE: Record<string, (i: number) => [number, number]> = {
  supply: (i) => [136 + 26 * i, SUPPLY_Y],
  return: (i) => [228 - 26 * i, RETURN_Y],
  'vessel-branch': (i) => [112, 272 - 20 * i],
  feed: (i) => [284, 262 + 20 * i],
  'hot-water': (i) => [118, 120 - 24 * i],
  highest: (i) => [300 - 26 * i, SUPPLY_Y - 24],
  lowest: (i) => [64 + 26 * i, RETURN_Y + 22],
  boiler: (i) => [92, 200 - 20 * i],
};

/** The components that the sheet lists, side by side where each of them belongs. */
export function placeComponents(d: Drawing): void {
  const count = new Map<string, number>();
  for (const p of d.sheet.components ?? []) {
    const at =
      p.at ??
      (p.kind === 'automatic-vent'
        ? 'highest'
        : p.kind === 'drain-cock'
          ? 'lowest'
          : p.kind === 'backflow-preventer' || p.kind === 'feed-bypass'
            ? 'feed'
            : p.kind.startsWith('hot-water')
              ? 'hot-water'
              : 'supply');
    const i = count.get(at) ?? 0;
    count.set(at, i + 1);
    const [x, y] = PLACE[at]!(i);
    d.add({
      id: p.id,
      kind: p.kind,
      x,
      y,
      title: p.name || COMPONENTS[p.kind],
      warn: p.kind === 'feed-bypass' && p.state !== undefined && p.state !== 'shut',
      facts: [p.name ? COMPONENTS[p.kind] : '', p.rating ?? '', p.state ? `found ${p.state.replace('-', ' ')}` : '', p.note ?? ''].filter(
        Boolean,
      ),
    });
  }
}

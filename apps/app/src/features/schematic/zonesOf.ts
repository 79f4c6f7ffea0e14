import type { CircuitSheet } from '@jumper/core';
import { quantityText } from '../units/quantity';
import type { Units } from '../units/units';

const MOST_ZONES = 4;

/** What is heated: the zones told, else the house as one, and the cylinder where a coil makes hot water. More than four are drawn as one.
 */
export function zonesOf(sheet: CircuitSheet, units: Units): { kind: 'zone' | 'coil'; title: string; facts: string[] }[] {
  const told = (sheet.zones ?? []).map((z) => ({
    kind: z.emitter === 'cylinder' ? ('coil' as const) : ('zone' as const),
    title: z.id || 'Zone',
    facts: [
      z.emitter === 'floor' ? 'floor' : z.emitter === 'cylinder' ? 'cylinder' : 'radiators',
      z.control === 'circulator' ? 'own circulator' : z.control === 'zone-valve' ? 'zone valve' : '',
    ].filter(Boolean),
  }));
  const zones =
    told.length > MOST_ZONES
      ? [
          ...told.slice(0, MOST_ZONES - 1),
          { kind: 'zone' as const, title: `${told.length - MOST_ZONES + 1} more`, facts: told.slice(MOST_ZONES - 1).map((z) => z.title) },
        ]
      : told.length
        ? told
        : [
            {
              kind: 'zone' as const,
              title: 'Emitters',
              facts: [
                sheet.waterVolumeL !== undefined ? `${quantityText(sheet.waterVolumeL, 'volume', units)} in all` : 'content not known',
              ],
            },
          ];
  return sheet.domesticHotWater?.kind === 'indirect-coil' && !zones.some((z) => z.kind === 'coil')
    ? [...zones, { kind: 'coil', title: 'Cylinder', facts: ['coil, drinking water round it'] }]
    : zones;
}

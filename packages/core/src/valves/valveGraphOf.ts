import { vesselsOf, type CircuitSheet, type MapPart, type MapSide } from '../circuit/CircuitSheet';
import { assumedPlaces, isOnMap, placesOf } from '../circuit/placesOnMap';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { boilerWaterL } from '../circuit/boilerWater';
import type { Link, PlacedPart, Section, ValveGraph } from './ValveGraph';

export const FEED_TITLES = {
  'manual-loop': 'fill loop',
  'reducing-valve': 'feed valve',
  'pressurisation-unit': 'pressurisation unit',
  'automatic-feeder': 'feeder',
  'hand-valve': 'hand valve',
  none: 'no feed',
} as const;

/** Water of a cylinder's coil, and what stays in a vessel's branch, L. Common practice. */
const COIL_L = 6,
  BRANCH_L = 0.2;

/** The sheet as a graph of sections between valves: the boiler's, the circuit's, and those of a vessel or a coil on valves of its own. */
export function valveGraphOf(sheet: CircuitSheet): ValveGraph {
  const at = placesOf(sheet),
    assumed = new Set<string>(assumedPlaces(sheet)),
    [vessel] = vesselsOf(sheet);
  const hasCoil = sheet.domesticHotWater?.kind === 'indirect-coil',
    hasPlate = isOnMap('plate', sheet),
    hasBoilerValves = at.boilerValves === 'fitted',
    vesselValve = vessel?.isolationValve ?? 'none',
    ownVessel = vesselValve !== 'none',
    ownCoil = hasCoil && at.coilValves === 'fitted';
  const contentL = resolveCircuit(sheet).contentL,
    boilerL = Math.min(boilerWaterL(sheet).litres, 0.8 * contentL),
    coilL = ownCoil ? Math.min(COIL_L, 0.1 * contentL) : 0;
  const sections: Section[] = [
    { id: 'boiler', title: hasBoilerValves ? 'boiler' : 'boiler and its pipes', litres: boilerL, vent: 'vent over the boiler' },
    { id: 'circuit', title: 'radiators and pipes', litres: contentL - boilerL - coilL, vent: 'highest radiator’s vent' },
    ...(ownVessel ? [{ id: 'vessel', title: 'vessel', litres: BRANCH_L, vent: null }] : []),
    ...(ownCoil ? [{ id: 'coil', title: 'coil', litres: coilL, vent: 'coil’s vent' }] : []),
  ];
  const links: Link[] = [
    ...(hasBoilerValves
      ? ([
          link('boiler-flow', 'boiler', 'circuit', 'boiler’s flow valve', 'boiler-valves'),
          link('boiler-return', 'boiler', 'circuit', 'boiler’s return valve', 'boiler-valves'),
        ] as const)
      : [{ id: 'boiler-pipes', between: ['boiler', 'circuit'], valve: null } as const]),
    ...(ownVessel ? [link('vessel-valve', at.vessel, 'vessel', 'valve to the vessel', 'vessel-valve')] : []),
    ...(ownCoil
      ? [
          link('coil-flow', at.coil, 'coil', 'coil’s flow valve', 'coil-valves'),
          link('coil-return', at.coil, 'coil', 'coil’s return valve', 'coil-valves'),
        ]
      : []),
  ];
  const place = (kind: PlacedPart['kind'], section: string, title: string, by: MapPart | null): PlacedPart => ({
    kind,
    section,
    title,
    assumed: by !== null && assumed.has(by),
  });
  const side = (kind: 'relief' | 'gauge' | 'feed', where: MapSide | 'nowhere', title: string): PlacedPart[] =>
    where === 'nowhere' ? [] : [place(kind, where, title, kind)];
  const drains: MapSide[] = at.drain === 'both' ? ['boiler', 'circuit'] : at.drain === 'nowhere' ? [] : [at.drain];
  const parts: PlacedPart[] = [
    place('boiler', 'boiler', 'boiler', null),
    place('emitters', 'circuit', 'radiators', null),
    place('vessel', ownVessel ? 'vessel' : at.vessel, 'vessel', 'vessel'),
    ...side('relief', at.relief, 'relief valve'),
    ...side('gauge', at.gauge, 'gauge'),
    ...(sheet.fill?.kind === 'none' ? [] : side('feed', at.feed, FEED_TITLES[sheet.fill?.kind ?? 'manual-loop'])),
    ...drains.map((s) => place('drain', s, s === 'boiler' ? 'boiler’s drain' : 'lowest drain of the circuit', 'drain')),
    ...(vesselValve === 'fitted-with-drain' ? [place('drain', 'vessel', 'vessel’s own drain', null)] : []),
    ...(hasPlate ? [place('plate', at.plate, 'plate exchanger', 'plate')] : []),
    ...(hasCoil ? [place('coil', ownCoil ? 'coil' : at.coil, 'cylinder’s coil', 'coil')] : []),
    place('pump', at.pump, 'pump', 'pump'),
  ];
  return { sections, links, parts };
}

const link = (id: string, from: string, to: string, title: string, position: NonNullable<Link['valve']>['position']): Link => ({
  id,
  between: [from, to],
  valve: { title, position },
});

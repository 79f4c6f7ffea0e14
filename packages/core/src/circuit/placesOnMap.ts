import { isWallBoiler, vesselsOf, type CircuitSheet, type PlacesOnMap } from './CircuitSheet';

/** Places as such plants mostly are. A wall boiler has all of it in its case; an external vessel and a feed stand on the circuit's side.
 *  Common practice. */
const WALL_BOILER: Required<PlacesOnMap> = {
  boilerValves: 'fitted',
  coilValves: 'fitted',
  vessel: 'boiler',
  relief: 'boiler',
  gauge: 'boiler',
  feed: 'boiler',
  drain: 'both',
  plate: 'boiler',
  coil: 'circuit',
  pump: 'boiler',
};
const EXTERNAL: Required<PlacesOnMap> = { ...WALL_BOILER, vessel: 'circuit', feed: 'circuit', pump: 'circuit' };

/** Small vessels come inside a wall boiler; litres. Common practice. */
const BUILT_IN_MOST_L = 12;

/** A wall boiler by its sheet, or, where the sheet is silent, by a small vessel and no word of feed or cylinder. */
export function standsOnTheWall(sheet: CircuitSheet): boolean {
  if (isWallBoiler(sheet)) return true;
  const [vessel] = vesselsOf(sheet);
  return (
    (sheet.fill === undefined || sheet.fill.kind === 'manual-loop') &&
    (sheet.domesticHotWater === undefined || sheet.domesticHotWater.kind === 'plate-exchanger') &&
    (vessel?.nominalVolumeL ?? 0) <= BUILT_IN_MOST_L
  );
}

/** Where each part stands: as the sheet says, else as such plants mostly are. */
export const placesOf = (sheet: CircuitSheet): Required<PlacesOnMap> => ({
  ...(standsOnTheWall(sheet) ? WALL_BOILER : EXTERNAL),
  ...sheet.valveMap,
});

/** What of the map nobody has stated. */
export const assumedPlaces = (sheet: CircuitSheet): (keyof PlacesOnMap)[] =>
  (Object.keys(WALL_BOILER) as (keyof PlacesOnMap)[]).filter((k) => sheet.valveMap?.[k] === undefined && isOnMap(k, sheet));

/** Whether a line of the map has anything to say on this plant. */
export function isOnMap(part: keyof PlacesOnMap, sheet: CircuitSheet): boolean {
  const hotWater = sheet.domesticHotWater?.kind;
  if (part === 'plate') return hotWater === 'plate-exchanger' || (hotWater === undefined && standsOnTheWall(sheet));
  if (part === 'coil' || part === 'coilValves') return hotWater === 'indirect-coil';
  if (part === 'feed') return sheet.fill?.kind !== 'none';
  return true;
}

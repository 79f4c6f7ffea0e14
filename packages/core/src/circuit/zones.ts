import type { CircuitSheet, Zone } from './CircuitSheet';

/** A sheet that names zones names all that there are; one that names none, or leaves open how one is run, rules nothing out. */
const mayHave =
  (is: (zone: Zone) => boolean) =>
  ({ zones = [] }: CircuitSheet): boolean =>
    zones.length === 0 || zones.some(is);

export const mayHaveZoneValve = mayHave((z) => z.control !== 'circulator');
export const mayHaveMixing = mayHave((z) => z.mixing !== false);
/** The zone that a finding names, or the only one that there is. */
export const zoneOf = ({ zones = [] }: Pick<CircuitSheet, 'zones'>, id: unknown): Zone | undefined =>
  zones.find((z) => z.id === id) ?? (zones.length === 1 ? zones[0] : undefined);
/** What a floor is set to, °C, where nobody wrote it down. Common practice. */
export const USUAL_FLOOR_C = 38;
/** Whether the sheet says of a zone that its supply is mixed. */
export const saysMixing = ({ zones = [] }: CircuitSheet): boolean => zones.some((z) => z.mixing === true);

import type { CircuitSheet, Zone } from './CircuitSheet';

/** A sheet that names zones names all that there are; one that names none, or leaves open how one is run, rules nothing out. */
const mayHave =
  (is: (zone: Zone) => boolean) =>
  ({ zones = [] }: CircuitSheet): boolean =>
    zones.length === 0 || zones.some(is);

export const mayHaveZoneValve = mayHave((z) => z.control !== 'circulator');
export const mayHaveMixing = mayHave((z) => z.mixing !== false);
/** Whether the sheet says of a zone that its supply is mixed. */
export const saysMixing = ({ zones = [] }: CircuitSheet): boolean => zones.some((z) => z.mixing === true);

import type { CircuitSheet, Vessel } from '../circuit/CircuitSheet';
import { isAutomaticFeed } from '../circuit/resolveCircuit';
import type { PartFitted } from './comparePart';

/** A circuit's sheet with a new part in the old one's place: what its label says replaces what stood there, and it is new. Null where the
 *  part has no place on the sheet, or where several vessels stand there and nobody said which it is. */
export function sheetAfterPart(sheet: CircuitSheet, part: PartFitted): CircuitSheet | null {
  switch (part.kind) {
    case 'vessel': {
      if ((sheet.vessels?.length ?? 0) > 1) return null;
      const vessel = vesselAfter(sheet.vessels?.[0] ?? sheet.vessel ?? {}, part);
      return sheet.vessels?.length ? { ...sheet, vessels: [vessel] } : { ...sheet, vessel };
    }
    case 'relief-valve': {
      const setBar = part.setBar ?? sheet.reliefValve?.setBar;
      if (setBar === undefined) return null;
      const { capacityKw: _old, ...kept } = sheet.reliefValve ?? { setBar };
      return { ...sheet, reliefValve: { ...kept, setBar, ageYears: 0, ...(part.capacityKw ? { capacityKw: part.capacityKw } : {}) } };
    }
    case 'reducing-valve':
      return part.setBar !== undefined && isAutomaticFeed(sheet) ? { ...sheet, fill: { ...sheet.fill!, setBar: part.setBar } } : null;
    default:
      return null;
  }
}

function vesselAfter(old: Vessel, part: PartFitted): Vessel {
  const { labelPrechargeBar: _label, maxBar: _max, ...kept } = old;
  return {
    ...kept,
    ...(part.volumeL !== undefined ? { nominalVolumeL: part.volumeL } : {}),
    ...(part.maxBar !== undefined ? { maxBar: part.maxBar } : {}),
    ...(part.chargeBar !== undefined ? { labelPrechargeBar: part.chargeBar } : {}),
    ageYears: 0,
  };
}

import type { CircuitComponent, PlacesOnMap, Zone } from '@jumper/core';
import type { NumberField } from './numberFields';

/** A sheet as it stands in the form: numbers as they were typed, in the user's units. */
export interface SheetForm {
  site: string;
  town: string;
  numbers: Partial<Record<NumberField, string>>;
  fill: 'manual-loop' | 'reducing-valve' | 'pressurisation-unit' | 'none';
  hotWater: 'plate-exchanger' | 'indirect-coil' | 'none';
  vesselValve: 'none' | 'fitted' | 'fitted-with-drain';
  contentMeasured: boolean;
  glycol: 'propylene' | 'ethylene';
  leftConnected: boolean;
  /** How the stop valve of an automatic feed stands; null where nobody looked. */
  feedValve: 'open' | 'shut' | null;
  valveMap: PlacesOnMap;
  /** What the antifreeze was read as. */
  glycolBy: 'mass' | 'volume' | 'freezing';
  openVented: boolean;
  pump: 'towards-vessel' | 'away-from-vessel' | null;
  zones: Zone[];
  components: CircuitComponent[];
  /** Fields that nobody has read off the plant yet. */
  assumed: string[];
}

import type { Emitter } from './contentOfEmitters';
import type { PumpPosition } from './pumpShift';

/** One circuit as the technician wrote it down. Field names, units and meanings are the open case file's; pressures are bar
 *  gauge. Only `kind` and the relief's set pressure are needed; what is missing is estimated with a stated doubt. */
export interface CircuitSheet {
  kind: 'sealed-hot-water' | 'steam';
  waterVolumeL?: number;
  waterVolumeSource?: 'measured' | 'estimated';
  emitters?: Emitter[];
  glycolPercent?: number;
  glycol?: 'propylene' | 'ethylene';
  heatOutputKw?: number;
  /** Water of the boiler itself, with its pipes up to its valves, L. */
  boilerVolumeL?: number;
  /** Highest water above the gauge. */
  staticHeadM?: number;
  altitudeM?: number;
  gauge?: { kind?: 'dial' | 'sensor' | 'unnumbered'; resolutionBar?: number };
  vessel?: Vessel;
  vessels?: Vessel[];
  reliefValve?: { setBar: number; ageYears?: number; capacityKw?: number };
  fill?: {
    kind: FillKind;
    mainsBar?: number;
    setBar?: number;
    cutInBar?: number;
    cutOutBar?: number;
    leftConnected?: boolean;
    /** How the stop valve of an automatic feed stands in service. Left out where nobody looked; a unit is then taken to be in service. */
    valve?: 'open' | 'shut';
  };
  pump?: { position?: PumpPosition };
  domesticHotWater?: { kind: 'plate-exchanger' | 'indirect-coil' | 'none' };
  maxFlowC?: number;
  ageYears?: number;
  /** Of a steam boiler: whether its condensate comes back below the water line or above it, and whether that pipe lies in the ground. */
  returnKind?: 'wet' | 'dry';
  buriedReturn?: boolean;
  zones?: Zone[];
  /** A tank open to the air stands above: then the circuit is not sealed, whatever else the sheet says. */
  openVented?: boolean;
  /** Which side of the boiler's valves each part stands on. What is left out is taken as such plants mostly are. */
  valveMap?: PlacesOnMap;
  /** What else is fitted, each where the walk through the circuit met it. */
  components?: CircuitComponent[];
}

/** A side of the boiler's flow and return valves. */
export const MAP_SIDES = ['boiler', 'circuit'] as const;
export type MapSide = (typeof MAP_SIDES)[number];
/** Parts whose side somebody can state. */
export const MAP_PARTS = ['vessel', 'relief', 'gauge', 'feed', 'drain', 'plate', 'coil', 'pump'] as const;
export type MapPart = (typeof MAP_PARTS)[number];

/** Where parts stand between the valves. `nowhere`: looked for, and there is none. */
export interface PlacesOnMap {
  /** Isolating valves on the boiler's flow and return. */
  boilerValves?: 'fitted' | 'none';
  /** Isolating valves on the coil's flow and return. */
  coilValves?: 'fitted' | 'none';
  vessel?: MapSide;
  relief?: MapSide | 'nowhere';
  gauge?: MapSide | 'nowhere';
  feed?: MapSide;
  drain?: MapSide | 'both' | 'nowhere';
  plate?: MapSide;
  coil?: MapSide;
  pump?: MapSide;
}

export interface Zone {
  id: string;
  control?: 'circulator' | 'zone-valve';
  emitter?: 'radiator' | 'floor' | 'cylinder';
  mixing?: boolean;
  setC?: number;
}

/** One more part of the circuit. `state` is how its valve was found. */
export interface CircuitComponent {
  id: string;
  kind: ComponentKind;
  at?: ComponentPlace;
  name?: string;
  rating?: string;
  state?: 'open' | 'shut' | 'part-open';
  ageYears?: number;
  note?: string;
}

/** What a walk round the four kinds of plant meets, beside what the sheet has fields for. */
export const COMPONENTS = {
  pump: 'Pump',
  'isolating-valve': 'Isolating valve',
  'motor-valve': 'Motor valve',
  'blending-valve': 'Blending valve',
  'check-valve': 'Check valve',
  'automatic-vent': 'Automatic vent',
  'air-separator': 'Air separator',
  'drain-cock': 'Drain cock',
  strainer: 'Strainer or filter',
  'low-water-cutoff': 'Low-water cutoff',
  'backflow-preventer': 'Backflow preventer',
  'pressure-sensor': 'Pressure sensor',
  buffer: 'Buffer tank',
  'hot-water-vessel': 'Hot-water vessel (drinking water)',
  'hot-water-relief': 'Hot-water relief (drinking water)',
  'feed-bypass': 'Bypass of the feed',
  other: 'Something else',
} as const;
export type ComponentKind = keyof typeof COMPONENTS;

/** Where it sits. */
export const COMPONENT_PLACES = {
  supply: 'Supply',
  return: 'Return',
  'vessel-branch': 'Vessel’s branch',
  feed: 'Feed',
  'hot-water': 'Hot-water side',
  highest: 'Highest point',
  lowest: 'Lowest point',
  boiler: 'At the boiler',
} as const;
export type ComponentPlace = keyof typeof COMPONENT_PLACES;

export interface Vessel {
  nominalVolumeL?: number;
  labelPrechargeBar?: number;
  targetPrechargeBar?: number;
  isolationValve?: 'none' | 'fitted' | 'fitted-with-drain';
  ageYears?: number;
  heightAboveGaugeM?: number;
  /** Greatest working pressure on its label, bar gauge. */
  maxBar?: number;
}

export type FillKind = 'manual-loop' | 'reducing-valve' | 'pressurisation-unit' | 'automatic-feeder' | 'hand-valve' | 'none';

/** The vessels of a sheet, whether it names one or several; `vessels` counts where both stand. */
/** The same circuit with this charge wanted in its vessels, bar gauge at the vessel. */
export function withCharge(sheet: CircuitSheet, targetPrechargeBar: number): CircuitSheet {
  if (sheet.vessels?.length) return { ...sheet, vessels: sheet.vessels.map((v) => ({ ...v, targetPrechargeBar })) };
  return { ...sheet, vessel: { ...sheet.vessel, targetPrechargeBar } };
}

export const vesselsOf = (sheet: CircuitSheet): Vessel[] => (sheet.vessels?.length ? sheet.vessels : sheet.vessel ? [sheet.vessel] : []);

/** A boiler on the wall that is filled by hand and makes its hot water with a plate exchanger: all in one case, mostly. */
export const isWallBoiler = ({ fill, domesticHotWater }: CircuitSheet): boolean =>
  fill?.kind === 'manual-loop' && domesticHotWater?.kind === 'plate-exchanger';

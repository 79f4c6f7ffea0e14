import { isWallBoiler, type CircuitSheet } from '../../circuit/CircuitSheet';
import { feedsItself, isAutomaticFeed } from '../../circuit/resolveCircuit';
import { mayHaveMixing, mayHaveZoneValve, saysMixing } from '../../circuit/zones';
import type { FaultId } from '../faults';
import { undersizeFactor } from '../levels/sheetMargin';
import { asTheSteamSheetSays } from './steamSheet';

/** How much likelier, or less likely, a sheet makes a fault than it is among all circuits: factor on its weight. */
export function asTheSheetSays(id: FaultId, circuit: CircuitSheet): number {
  if (circuit.kind === 'steam') return asTheSteamSheetSays(id, circuit) * byItsRelief(id, circuit);
  return (
    shareOfKind(id, circuit) * shareOfZones(id, circuit) * byItsVessel(id, circuit) * byItsFill(id, circuit) * byItsRelief(id, circuit)
  );
}

/** Vessels younger than the one and older than the other, years, and how much less, and more, often they have lost their gas. Common
 *  practice. */
const YOUNG = { years: 3, factor: 0.5 },
  OLD = { years: 8, factor: 1.4 };
const AGES: ReadonlySet<FaultId> = new Set(['vessel-undercharged', 'vessel-diaphragm-failed']);

function byItsVessel(id: FaultId, circuit: CircuitSheet): number {
  if (id === 'vessel-undersized') return undersizeFactor(circuit);
  if (id === 'vessel-isolated')
    return (circuit.vessel?.isolationValve === 'none' ? OVERLOOKED_VALVE : 1) * (isBuiltIn(circuit) ? BUILT_IN_VALVE : 1);
  const ageYears = circuit.vessel?.ageYears;
  if (ageYears === undefined || !AGES.has(id)) return 1;
  return byAge(ageYears, YOUNG, OLD);
}

/** What years make of a fault: less often of what is younger than the one, more often of what is older than the other. */
interface FromYears {
  years: number;
  factor: number;
}
const byAge = (ageYears: number, young: FromYears, old: FromYears): number =>
  ageYears < young.years ? young.factor : ageYears > old.years ? old.factor : 1;

/** Springs tire and seats wear: reliefs younger than the one and older than the other, years (they are changed about every ten), and how
 *  much less, and more, often they are at fault. Common practice. */
const NEW_RELIEF = { years: 3, factor: 0.7 },
  OLD_RELIEF = { years: 10, factor: 1.3 };
const OF_RELIEFS: ReadonlySet<FaultId> = new Set(['relief-valve-passing', 'relief-valve-lifts-early', 'steam-relief-passing']);

function byItsRelief(id: FaultId, { reliefValve }: CircuitSheet): number {
  const ageYears = reliefValve?.ageYears;
  if (ageYears === undefined || !OF_RELIEFS.has(id)) return 1;
  return byAge(ageYears, NEW_RELIEF, OLD_RELIEF);
}

/** Valves that are there though the sheet says none. Common practice. */
const OVERLOOKED_VALVE = 0.05;
/** Vessels inside a wall boiler have no valve of their own, mostly: small ones on a circuit that is filled by hand and makes its hot water
 *  with a plate exchanger. Where the sheet names the valve it is there. Common practice. */
const BUILT_IN_VALVE = 0.4,
  BUILT_IN_MOST_L = 12;
const isBuiltIn = (sheet: CircuitSheet): boolean =>
  sheet.vessel !== undefined &&
  sheet.vessel.isolationValve === undefined &&
  (sheet.vessel.nominalVolumeL ?? Infinity) <= BUILT_IN_MOST_L &&
  isWallBoiler(sheet);

/** What feeds itself stands low because its feed gives nothing; seldom because somebody fills by hand, past a feed kept shut. Common
 *  practice. */
const FED_YET_LOW = 0.25;
/** What keeps a unit from giving water is mostly the unit itself. Common practice. */
const UNIT_BESIDES = 0.4;

/** What is behind a stop valve that is kept shut feeds nothing: that it gives no water is then no fault, and it can hardly let by. Common
 *  practice. */
const BEHIND_A_SHUT_VALVE: Partial<Record<FaultId, number>> = {
  'feed-starved': 0.3,
  'reducing-valve-creeping': 0.3,
  'reducing-valve-set-high': 0.5,
  'fill-bypass-open': 0.6,
};

function byItsFill(id: FaultId, circuit: CircuitSheet): number {
  if (circuit.fill?.valve === 'shut' && isAutomaticFeed(circuit)) return BEHIND_A_SHUT_VALVE[id] ?? 1;
  if (id === 'fill-pressure-too-low' && feedsItself(circuit)) return FED_YET_LOW;
  if (id === 'feed-starved' && circuit.fill?.kind === 'pressurisation-unit') return UNIT_BESIDES;
  return 1;
}

/** How often a zone has what its sheet says that none has, and how much likelier a mixing valve is wrongly set where there is one for
 *  certain. Common practice. */
const NOT_ON_THE_SHEET = 0.1,
  MIXES = 2;
const OF_ZONE_VALVES: ReadonlySet<FaultId> = new Set(['zone-valve-stuck-closed', 'zone-valve-end-switch-failed']);
function shareOfZones(id: FaultId, circuit: CircuitSheet): number {
  if (OF_ZONE_VALVES.has(id)) return mayHaveZoneValve(circuit) ? 1 : NOT_ON_THE_SHEET;
  if (id !== 'mixing-valve-misset') return 1;
  return saysMixing(circuit) ? MIXES : mayHaveMixing(circuit) ? 1 : NOT_ON_THE_SHEET;
}

/** How often a circuit of which the sheet does not say it is filled, or makes hot water, in the way that a fault needs. Where the sheet
 *  says it there is nothing to ask. Common practice. */
const OF_UNSAID_FILLS: Partial<Record<FaultId, number>> = {
  'fill-loop-passing': 0.65,
  'fill-pressure-too-high': 0.65,
  'reducing-valve-creeping': 0.3,
  'reducing-valve-set-high': 0.3,
  'fill-bypass-open': 0.35,
  'feed-starved': 0.35,
  'pressurisation-unit-fault': 0.05,
};
const OF_UNSAID_HOT_WATER: Partial<Record<FaultId, number>> = { 'dhw-plate-perforated': 0.5, 'dhw-coil-perforated': 0.35 };
/** Reliefs set so low belong to circuits that mostly feed themselves, by a reducing valve, and heat their hot water with a coil: there the
 *  shares change places. Common practice. */
const LOW_RELIEF_BAR = 2.3;

/** What is larger than a house is filled by a unit, mostly, and warms its water by coils or elsewhere. Common practice. */
const OF_LARGE_FILLS: typeof OF_UNSAID_FILLS = {
  'fill-loop-passing': 0.2,
  'fill-pressure-too-high': 0.2,
  'reducing-valve-creeping': 0.15,
  'reducing-valve-set-high': 0.15,
  'fill-bypass-open': 0.8,
  'feed-starved': 0.8,
  'pressurisation-unit-fault': 0.65,
};
const LARGE_L = 450,
  LARGE_KW = 70;

function shareOfKind(id: FaultId, circuit: CircuitSheet): number {
  const low = (circuit.reliefValve?.setBar ?? Infinity) < LOW_RELIEF_BAR,
    large = circuit.waterVolumeL !== undefined ? circuit.waterVolumeL > LARGE_L : (circuit.heatOutputKw ?? 0) > LARGE_KW;
  const of = (shares: Partial<Record<FaultId, number>>) => {
    const share = shares[id];
    return share === undefined ? 1 : low && id !== 'pressurisation-unit-fault' ? 1 - share : share;
  };
  return (
    (circuit.fill === undefined ? (large ? (OF_LARGE_FILLS[id] ?? 1) : of(OF_UNSAID_FILLS)) : 1) *
    (circuit.domesticHotWater === undefined ? of(OF_UNSAID_HOT_WATER) : 1)
  );
}

import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { FaultId } from '../faults';

/** What a steam boiler's sheet makes of some faults, and why: factor on their weight. Common practice. */
interface SaysOfSteam {
  where: (sheet: CircuitSheet) => boolean;
  faults: FaultId[];
  factor: number;
  why: string;
}

const byHand = ({ fill }: CircuitSheet): boolean => fill !== undefined && fill.kind !== 'automatic-feeder',
  byFeeder = ({ fill }: CircuitSheet): boolean => fill?.kind === 'automatic-feeder',
  olderThan =
    (years: number) =>
    ({ ageYears }: CircuitSheet): boolean =>
      ageYears !== undefined && ageYears > years,
  youngerThan =
    (years: number) =>
    ({ ageYears }: CircuitSheet): boolean =>
      ageYears !== undefined && ageYears < years;

// prettier-ignore
const STEAM_SHEET: readonly SaysOfSteam[] = [
  { where: byHand, faults: ['steam-feeder-failed'], factor: 0.05, why: 'what is not there does not fail, unless the sheet is wrong' },
  { where: byHand, faults: ['steam-feeder-passing'], factor: 0.6, why: 'a hand valve lets by less often than a feeder' },
  { where: byHand, faults: ['steam-boiler-overfilled'], factor: 1.8, why: 'whoever fills by eye fills too far' },
  { where: byFeeder, faults: ['steam-boiler-overfilled'], factor: 0.7, why: 'seldom filled by hand where a feeder does it' },
  { where: (s) => s.buriedReturn === true, faults: ['steam-return-leak'], factor: 1.7, why: 'wet ground eats it, and nobody sees it' },
  { where: (s) => s.buriedReturn === false, faults: ['steam-return-leak'], factor: 0.5, why: 'what leaks in sight was seen' },
  { where: (s) => s.returnKind === 'dry' && !s.buriedReturn, faults: ['steam-return-leak'], factor: 0.8, why: 'above the water line it leaks only while it steams' },
  { where: youngerThan(5), faults: ['steam-return-leak', 'steam-boiler-section-leak'], factor: 0.4, why: 'iron takes its years to be eaten through' },
  { where: olderThan(12), faults: ['steam-return-leak', 'steam-boiler-section-leak'], factor: 1.4, why: 'fresh water eats iron in a decade or two' },
];

/** How much likelier, or less likely, a steam boiler's sheet makes a fault: factor on its weight. */
export const asTheSteamSheetSays = (id: FaultId, sheet: CircuitSheet): number =>
  STEAM_SHEET.filter(({ faults, where }) => faults.includes(id) && where(sheet)).reduce((times, { factor }) => times * factor, 1);

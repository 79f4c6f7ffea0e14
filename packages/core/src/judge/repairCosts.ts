import type { RepairId } from './faults';
import type { ReplaceablePart } from './priors/weightedSets';

/** Repairs that buy no part, and are undone as easily as done; leaving it as it is among them. */
const COSTS_NO_PART: ReadonlySet<RepairId> = new Set([
  'nothing',
  'recharge-vessel',
  'open-vessel-valve',
  'lower-charge',
  'set-feed',
  'close-bypass',
  'restore-feed',
  'find-leak',
  'vent-air',
  'fill-up',
  'let-down',
  'open-pump-valve',
  'vent-branch',
  'set-mixing',
  'restore-call',
  'clean-glass',
  'lower-level',
  'clear-pigtail',
  'clean-water',
  'lengthen-cycles',
  'treat-water',
]);

/** The parts that repairs fit, any one of a row; with none named, one that nobody carries about. What is cleaned or set as often as changed
 *  does not stand here. */
const FITS: Partial<Record<RepairId, readonly ReplaceablePart[]>> = {
  'change-vessel': ['vessel'],
  'add-vessel-volume': ['vessel'],
  'change-core': ['valve-core'],
  'change-relief': ['relief-valve'],
  'mend-fill': ['fill-loop'],
  'change-feed': ['reducing-valve'],
  'change-plate': ['plate-exchanger'],
  'change-coil': ['coil'],
  'change-gauge': ['gauge', 'pressure-sensor'],
  'mend-pump': ['pump'],
  'change-exchanger': [],
  'change-vent': [],
  'change-zone-valve': [],
  'change-end-switch': [],
  'change-flow-check': [],
  'change-section': [],
  'change-pressure-control': [],
  'change-vents': [],
};
/** Parts that cost next to nothing and are changed in minutes: with one in hand it is tried. */
const TRIED: ReadonlySet<RepairId> = new Set(['change-core']);

/** The parts that a repair fits, any one of them; none where nobody carries it about, null where it needs none, or often none. */
export const partsFor = (repair: RepairId): readonly ReplaceablePart[] | null => FITS[repair] ?? null;

/** Whether a part for a repair is with whoever does it; null where the repair fits none, or nobody said what is.
 *  @param inHand parts that came along, left out where nobody said */
export function isInHand(repair: RepairId, inHand: readonly ReplaceablePart[] | undefined): boolean | null {
  const parts = partsFor(repair);
  return parts && inHand ? parts.some((part) => inHand.includes(part)) : null;
}

export const buysNoPart = (repairs: readonly RepairId[], inHand?: readonly ReplaceablePart[]): boolean =>
  repairs.every((r) => COSTS_NO_PART.has(r) || (TRIED.has(r) && isInHand(r, inHand) === true));

/** From what probability on a repair is done: sooner where no part is bought for it and no quick test is left that would tell more, since
 *  it shows by itself whether it was the right one; later where the part has to be fetched, since a whole visit hangs on it, and what is
 *  tested before costs minutes. */
const SURE_TO_TRY = 0.8,
  SURE_TO_BUY = 0.9,
  SURE_TO_FETCH = 0.95;
export function sureEnoughFor(repairs: readonly RepairId[], tellsMoreQuickly: boolean, inHand?: readonly ReplaceablePart[]): number {
  if (!tellsMoreQuickly && buysNoPart(repairs, inHand)) return SURE_TO_TRY;
  return repairs.some((r) => isInHand(r, inHand) === false) ? SURE_TO_FETCH : SURE_TO_BUY;
}

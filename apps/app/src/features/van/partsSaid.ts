import { faultRow, isInHand, partsFor, type FaultId, type ReplaceablePart } from '@jumper/core';
import { plain } from '../units/words';

/** Which of what a set of faults needs is in the van and which has to be fetched; nothing where no part is bought, or nobody said what is
 *  in it. */
export function partsSaid(faults: readonly FaultId[], van: readonly ReplaceablePart[]): string | null {
  const repairs = van.length > 0 ? faults.map((f) => faultRow(f).repair) : [],
    named = (here: boolean) => repairs.filter((r) => isInHand(r, van) === here).map((r) => partsFor(r)!.map(plain).join(' or '));
  const toFetch = named(false);
  if (toFetch.includes('')) return 'The part is not in the van.';
  if (toFetch.length > 0) return `Not in the van: ${toFetch.join(', ')}.`;
  const inHand = named(true);
  return inHand.length > 0 ? `In the van: ${inHand.join(', ')}.` : null;
}

import { say, type Said } from '../units/said';
import { EMPTY_GAUGE_BAR, isWaterUnsaid, type Finding } from './Finding';
import { findingSaid } from './findingSaid';
import { OUTCOME_TABLES } from './findings/outcomeTable';

/** A finding as a reason: what was seen, and why that matters where it says more than what is seen anyway. */
export function findingSentence(f: Finding): Said {
  const why = f.test === 'precharge' ? whyOfCharge(f) : whyOfOutcome(f);
  return say`${findingSaid(f)}${why ? ` (${why})` : ''}.`;
}

/** The reason of the row whose faults make this outcome likelier. */
function whyOfOutcome({ test, outcome }: Finding): string | null {
  const table = outcome === undefined ? undefined : OUTCOME_TABLES[test];
  return table?.rows.find((r) => r.shares[outcome!]! > Math.max(0.4, table.base[outcome!]!))?.why ?? null;
}

/** A tyre gauge reads the charge only where no water stands behind it. */
function whyOfCharge(f: Finding): string | null {
  if (f.valueBar === undefined) return null;
  if (isWaterUnsaid(f)) return 'what stood on the water side is not said';
  return (f.circuitBar ?? 0) > EMPTY_GAUGE_BAR ? 'that only repeats the water pressure' : null;
}

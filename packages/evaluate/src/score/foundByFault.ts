import { looksAlike } from './lookAlike';
import type { Judged } from './Judged';
import { share } from './statistics';

export interface Found {
  fault: string;
  /** Visits that had it, alone or beside another. */
  cases: number;
  /** Share of them whose first suspect had it, or what no test parted from it. */
  found: number;
}

/** How often each fault is found, the worst first. @param least visits that a fault must have had to be told of */
export function foundByFault(all: readonly Judged[], least = 1): Found[] {
  const faults = [...new Set(all.flatMap((j) => j.truth.faults))];
  return faults
    .map((fault) => {
      const had = all.filter((j) => j.truth.faults.includes(fault));
      const found = had.map((j) => j.answer.hypotheses[0]!.faults.some((f) => looksAlike([f], [fault], j.testsDone)));
      return { fault, cases: had.length, found: share(found) };
    })
    .filter((f) => f.cases >= least)
    .sort((a, b) => a.found - b.found || b.cases - a.cases);
}

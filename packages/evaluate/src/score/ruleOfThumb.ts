import { byFindings } from './rule/byFindings';
import { byLog } from './rule/byLog';
import { onSheet } from './rule/onSheet';
import { readOff } from './rule/readOff';
import type { RuleCase } from './rule/RuleCase';

const MOST = 2;

/** What a careful technician concludes by thresholds and a little arithmetic, with no simulation and no probabilities: what findings name
 *  outright, then creep, level and swing against what the sheet lets one expect. The judge has to beat it. */
export function ruleOfThumb(input: Record<string, unknown>): string[] {
  const c = input as unknown as RuleCase,
    sheet = onSheet(c),
    read = readOff(c.logs[0]!, sheet),
    named = byFindings(c, sheet, read);
  const set = new Set([...named.faults, ...byLog(c, sheet, read, named)]);
  return set.size ? [...set].slice(0, MOST).sort() : ['none'];
}

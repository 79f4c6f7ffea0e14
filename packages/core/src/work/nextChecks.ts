import type { CircuitSheet } from '../circuit/CircuitSheet';
import { vesselsOf } from '../circuit/CircuitSheet';
import type { RepairKind } from '../judge/Case';
import type { Finding } from '../judge/Finding';

export const CHECKS = {
  'look-at-gauge': 'Customer looks at the cold pressure',
  'core-again': 'Leak fluid on the air valve again',
  'relief-after-flush': 'Flushed relief: does it still hold',
  temporary: 'Temporary measure to be undone',
  unrepaired: 'Fault found, not put right yet',
  'leak-again': 'Cold pressure after the mend',
  'vessel-yearly': 'Vessel’s charge, yearly',
  'relief-age': 'Relief valve is ten years old',
} as const;
export type CheckId = keyof typeof CHECKS;
export interface NextCheck {
  check: CheckId;
  inDays: number;
}

export interface CheckInput {
  sheet: CircuitSheet;
  repairs: readonly { kind: RepairKind }[];
  findings: readonly Pick<Finding, 'test' | 'outcome'>[];
  temporary: boolean;
  /** A fault was found and nothing was done about it, or the work is not proved. */
  unrepaired?: boolean;
}

const YEAR = 365,
  RELIEF_YEARS = 10;

/** What has to be looked at again after a visit, and in how many days, the soonest first. Common practice: a recharge shows within weeks
 *  whether its core holds; vessels are looked at yearly; reliefs are changed at about ten years. */
export function nextChecks({ sheet, repairs, findings, temporary, unrepaired = false }: CheckInput): NextCheck[] {
  if (sheet.kind !== 'sealed-hot-water') return [];
  const did = (...kinds: RepairKind[]) => repairs.some((r) => kinds.includes(r.kind));
  const checks: NextCheck[] = [];
  if (temporary) checks.push({ check: 'temporary', inDays: 7 });
  if (unrepaired) checks.push({ check: 'unrepaired', inDays: 7 });
  if (repairs.length > 0) checks.push({ check: 'look-at-gauge', inDays: 14 });
  if (did('vessel-recharged', 'core-changed')) checks.push({ check: 'core-again', inDays: 30 });
  if (did('leak-mended')) checks.push({ check: 'leak-again', inDays: 30 });
  if (findings.some((f) => f.test === 'relief-reseat' && f.outcome === 'stopped') && !did('relief-changed'))
    checks.push({ check: 'relief-after-flush', inDays: 30 });
  if (vesselsOf(sheet).length > 0) checks.push({ check: 'vessel-yearly', inDays: YEAR });
  const reliefYears = did('relief-changed') ? 0 : sheet.reliefValve?.ageYears;
  if (reliefYears !== undefined) checks.push({ check: 'relief-age', inDays: Math.max(0, Math.round((RELIEF_YEARS - reliefYears) * YEAR)) });
  return checks.sort((a, b) => a.inDays - b.inDays);
}

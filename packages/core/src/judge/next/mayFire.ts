import type { PressureLog } from '../../log/PressureLog';
import type { Finding } from '../Finding';
import { leftValvedOff } from '../layOut/openShares';

/** Whether the burner may be put on as things stand: not while boiler, coil or vessel is valved off; nor on a steam boiler that shows too
 *  little water, or whose glass or cutoff lies: its level is unknown, dry for firing and full for feeding. Common practice. */
export const mayFire = (logs: readonly PressureLog[], found: readonly Finding[]): boolean =>
  !leftValvedOff(logs.flatMap((l) => l.events ?? [])) &&
  !found.some(({ test, outcome }) => outcome !== undefined && FORBIDS[test]?.includes(outcome));

const FORBIDS: Record<string, readonly string[]> = {
  'vessel-valve-position': ['closed'],
  'glass-level': ['below'],
  'glass-follows-drain': ['stays-full', 'stays-empty'],
  'low-water-cutoff-trip': ['keeps-firing'],
};

import type { RepairKind } from './Case';
import type { Finding } from './Finding';
import type { TestId } from './tests';

const OF_THE_VESSEL: readonly RepairKind[] = ['vessel-changed'],
  OF_THE_CHARGE: readonly RepairKind[] = ['vessel-changed', 'vessel-recharged'];

/** Which work makes what a test showed speak of the old part only. A test that is not named speaks of no one part. */
const ABOUT: Partial<Record<TestId, readonly RepairKind[]>> = {
  'gas-valve-press': OF_THE_VESSEL,
  'pump-up-hold': OF_THE_VESSEL,
  'vessel-tap-sound': OF_THE_CHARGE,
  precharge: OF_THE_CHARGE,
  'draw-off': OF_THE_CHARGE,
  'vessel-drained-volume': OF_THE_CHARGE,
  'gas-valve-bubbles': ['vessel-changed', 'core-changed'],
  'vessel-connection-flow': ['connection-cleared'],
  'vessel-valve-position': ['connection-cleared'],
  'discharge-pipe': ['relief-changed'],
  'discharge-catch': ['relief-changed'],
  'relief-reseat': ['relief-changed'],
  'relief-marking': ['relief-changed'],
  'fill-outlet-drip': ['feed-changed'],
  'fill-isolated-watch': ['feed-changed'],
  'listen-at-exchanger': ['plate-changed'],
  'coil-isolated-watch': ['coil-changed'],
  'second-gauge': ['gauge-changed'],
  'gauge-at-zero': ['gauge-changed'],
  'low-pressure-stop': ['gauge-changed'],
  'visible-leak': ['leak-mended'],
  'condensate-when-off': ['leak-mended'],
};

/** Whether a finding speaks only of a part that has since been changed, cleared or recharged. */
export const isRetired = (f: Pick<Finding, 'test'>, repairs: readonly { kind: RepairKind }[]): boolean =>
  repairs.some((r) => ABOUT[f.test]?.includes(r.kind) ?? false);

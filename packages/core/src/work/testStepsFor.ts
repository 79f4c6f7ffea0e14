import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { testRow, type TestId } from '../judge/tests';
import type { TestSteps } from '../procedures/Step';
import { stepsOf } from '../procedures/testSteps';
import { isolationPlan, type IsolationPlan, type NoPlan, type Worked } from '../valves/isolationPlan';
import { NO_PLAN_TEXT } from '../valves/isolationWords';
import type { PositionId } from '../valves/positions';
import { valveGraphOf } from '../valves/valveGraphOf';
import { emptied, feedOn, POWER, reopened, type RunContext } from './runSteps';

/** Tests for which a part is emptied first, and which part. */
const EMPTIES: Partial<Record<TestId, { on: Worked; keepOpen?: PositionId[] }>> = {
  precharge: { on: { part: 'vessel' } },
  'pump-up-hold': { on: { part: 'vessel' } },
  'vessel-drained-volume': { on: { parts: ['vessel', 'boiler'] }, keepOpen: ['vessel-valve'] },
  'vessel-connection-flow': { on: { part: 'vessel' }, keepOpen: ['vessel-valve'] },
  'gauge-at-zero': { on: { part: 'gauge' } },
  'low-pressure-stop': { on: { part: 'boiler' } },
};

/** How the part that a test is on is emptied on this circuit; null where nothing is. */
export function testPlan(test: TestId, sheet: CircuitSheet): IsolationPlan | NoPlan | null {
  const empties = EMPTIES[test];
  return empties ? isolationPlan(valveGraphOf(sheet), empties.on, resolveCircuit(sheet), { keepOpen: empties.keepOpen ?? [] }) : null;
}

/** A test's steps on this circuit: where something is emptied first, what is shut, drained, read at zero and opened again follows from where
 *  its parts stand. Undefined where none are written.
 *  @returns with `refused` where the part cannot be emptied as the map stands */
export function testStepsFor(test: TestId, sheet: CircuitSheet): (TestSteps & { refused?: string }) | undefined {
  const written = stepsOf(test),
    plan = testPlan(test, sheet);
  if (!written || !plan) return written;
  if (plan.kind === 'impossible') return { ...written, steps: [], refused: NO_PLAN_TEXT[plan.why] };
  const ctx: RunContext = { sheet, circuit: resolveCircuit(sheet), plan };
  return {
    ...written,
    steps: [
      ...emptied(ctx, testRow(test).coolBelowC ?? 50).filter((s) => s.id !== 'found'),
      ...written.steps,
      ...reopened(plan),
      ...feedOn(ctx),
      POWER,
    ],
  };
}

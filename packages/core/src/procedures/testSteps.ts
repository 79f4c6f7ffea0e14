import { testRow, TESTS, type TestId } from '../judge/tests';
import { CUTOFF_STEPS } from './cutoffSteps';
import { FLOW_STEPS } from './flowSteps';
import { GAUGE_AND_RELIEF_STEPS } from './gaugeAndReliefSteps';
import type { TestSteps } from './Step';
import { VESSEL_STEPS } from './vesselSteps';
import { WATER_STEPS } from './waterInAndOutSteps';

/** The tests of a sealed circuit, of its pressure and of its circulation. Those of steam come with its own views. */
export const TEST_STEPS = { ...GAUGE_AND_RELIEF_STEPS, ...VESSEL_STEPS, ...WATER_STEPS, ...FLOW_STEPS, ...CUTOFF_STEPS } satisfies Partial<
  Record<TestId, TestSteps>
>;

/** The written steps of a test, or none yet. */
export const stepsOf = (test: TestId): TestSteps | undefined => (TEST_STEPS as Partial<Record<TestId, TestSteps>>)[test];

/** Every test of a sealed circuit. */
export const SEALED_TESTS = (Object.keys(TESTS) as TestId[]).filter(
  (id) => testRow(id).plant !== 'steam' || testRow(id).alsoOn !== undefined,
);

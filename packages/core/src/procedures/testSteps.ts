import { TESTS, type TestId } from '../judge/tests';
import { GAUGE_AND_RELIEF_STEPS } from './gaugeAndReliefSteps';
import type { TestSteps } from './Step';
import { VESSEL_STEPS } from './vesselSteps';
import { WATER_STEPS } from './waterInAndOutSteps';

/** The pressure-side tests of a sealed circuit. Circulation and steam have theirs with their own views. */
export const TEST_STEPS = { ...GAUGE_AND_RELIEF_STEPS, ...VESSEL_STEPS, ...WATER_STEPS } satisfies Partial<Record<TestId, TestSteps>>;

/** The written steps of a test, or none yet. */
export const stepsOf = (test: TestId): TestSteps | undefined => (TEST_STEPS as Partial<Record<TestId, TestSteps>>)[test];

/** Every test of the pressure side. */
export const PRESSURE_TESTS = (Object.keys(TESTS) as TestId[]).filter((id) => TESTS[id].plant === 'sealed');

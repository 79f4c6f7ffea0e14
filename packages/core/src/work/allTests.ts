import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { FAULTS, type FaultId } from '../judge/faults';
import { OUTCOME_TABLES } from '../judge/findings/outcomeTable';
import type { Finding } from '../judge/Finding';
import { leftWarm, waitFor, type Wait } from '../judge/next/waiting';
import { watchAfterLogsMin } from '../judge/next/watchLength';
import { LOOKED_FOR_BY } from '../judge/priors/lookedFor';
import { TEST_IDS, testRow, type TestId } from '../judge/tests';
import type { PressureLog } from '../log/PressureLog';
import type { HeatRule } from '../valves/heatRule';
import { testStepsFor } from './testStepsFor';

/** What a test looks at. */
export const TEST_GROUPS = {
  vessel: 'Vessel',
  relief: 'Relief valve',
  gauge: 'Gauge and cold pressure',
  feed: 'Feed, mains and hot water',
  leak: 'Leak and air',
  flow: 'Circulation and zones',
  steam: 'Steam boiler',
  proof: 'Proof after the work',
} as const;
export type TestGroup = keyof typeof TEST_GROUPS;

/** Tests by what they look at; a steam or flow test is grouped by its plant. */
const GROUP_OF: Partial<Record<TestId, TestGroup>> = {
  'discharge-pipe': 'relief',
  'discharge-catch': 'relief',
  'relief-reseat': 'relief',
  'relief-marking': 'relief',
  'idle-cold-pressure': 'gauge',
  'second-gauge': 'gauge',
  'gauge-at-zero': 'gauge',
  'low-pressure-stop': 'gauge',
  'fill-disconnected-watch': 'feed',
  'fill-isolated-watch': 'feed',
  'fill-outlet-drip': 'feed',
  'feed-valve-position': 'feed',
  'cold-main-off-watch': 'feed',
  'cold-main-on-watch': 'feed',
  'coil-isolated-watch': 'feed',
  'listen-at-exchanger': 'feed',
  'boiler-isolated-hold': 'leak',
  'bleed-radiators': 'leak',
  'visible-leak': 'leak',
  'condensate-when-off': 'leak',
  'top-ups-per-month': 'leak',
  'heat-run-after': 'proof',
};
const groupOf = (test: TestId): TestGroup => {
  const { plant } = testRow(test);
  return GROUP_OF[test] ?? (plant === 'circulation' ? 'flow' : plant === 'steam' ? 'steam' : 'vessel');
};

/** A test as the list of all tests shows it. */
export interface ListedTest {
  test: TestId;
  group: TestGroup;
  /** Time at the job, min: a watch is as long as this circuit needs. */
  minutes: number;
  intrusive: boolean;
  /** What it waits for; null where it can be begun at once. */
  wait: Wait | null;
  /** Why it cannot be done now, in the order in which they are to be cleared away; empty where nothing stands against it. */
  notNow: string[];
  done: boolean;
}

/** Every test of this plant, whether the judge asks for it or not.
 *  @param found findings of the job
 *  @param heat whether heat may be on, for tests with the burner on */
export function listTests(sheet: CircuitSheet, logs: readonly PressureLog[], found: readonly Finding[], heat: HeatRule): ListedTest[] {
  const circuit = resolveCircuit(sheet),
    left = leftWarm(logs, found, circuit.maxFlowC);
  return TEST_IDS.filter((id) => belongs(id, sheet)).map((test): ListedTest => {
    const row = testRow(test),
      refused = testStepsFor(test, sheet)?.refused;
    return {
      test,
      group: groupOf(test),
      minutes: Math.max(row.minutes, watchAfterLogsMin(test, circuit, logs) ?? 0),
      intrusive: row.intrusive,
      wait: waitFor(test, left),
      notNow: [
        ...(refused ? [refused] : []),
        ...(row.after && !row.after(found) ? [AFTER[test] ?? 'Not before what was found makes it worth its risk.'] : []),
        ...(row.fires ? heat.blocks.map((b) => b.text) : []),
      ],
      done: found.some((f) => f.test === test),
    };
  });
}

/** What has to be found before a test is worth its risk, in words. */
const AFTER: Partial<Record<TestId, string>> = {
  'relief-reseat': 'Only on a relief that drips already: most that are lifted never seat as before.',
  'flooded-section-check': 'Only once the level was seen normal: cold water cracks a dry hot boiler.',
};

function belongs(id: TestId, sheet: CircuitSheet): boolean {
  const row = testRow(id);
  return ((sheet.kind === 'steam') === (row.plant === 'steam') || (row.alsoOn?.(sheet) ?? false)) && (row.needs?.(sheet) ?? true);
}

/** Tests whose outcome is another where a fault is there: what a technician would do to prove or disprove it. */
export function testsAbout(fault: FaultId): TestId[] {
  const byTable = (Object.keys(OUTCOME_TABLES) as TestId[]).filter((t) => OUTCOME_TABLES[t]!.rows.some((r) => r.faults.includes(fault)));
  return [...new Set([...(LOOKED_FOR_BY[fault] ?? []), ...byTable])];
}

export const isFault = (id: string): id is FaultId => Object.hasOwn(FAULTS, id);

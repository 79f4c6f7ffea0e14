import { INFLOW, LITTLE_GAS, OUTFLOW } from '../faultGroups';
import type { FaultId } from '../faults';
import { costMin, type TestId } from '../tests';

/** By which tests a fault of the pressure side is looked for: those that come out otherwise where it is there. A loop that can be parted is
 *  parted, and nobody shuts the house's main for it. Common practice. */
export const LOOKED_FOR_BY: Partial<Record<FaultId, TestId[]>> = {
  'vessel-undercharged': ['precharge', 'draw-off', 'vessel-drained-volume', 'gas-valve-press'],
  'vessel-diaphragm-failed': ['gas-valve-press', 'pump-up-hold'],
  'vessel-gas-valve-leaking': ['gas-valve-bubbles'],
  'vessel-connection-blocked': ['vessel-connection-flow', 'draw-off', 'vessel-drained-volume'],
  'vessel-isolated': ['vessel-valve-position', 'vessel-connection-flow', 'draw-off'],
  'vessel-undersized': ['draw-off', 'precharge'],
  'vessel-overcharged': ['precharge', 'draw-off', 'vessel-drained-volume'],
  'relief-valve-passing': ['discharge-pipe', 'discharge-catch', 'relief-reseat'],
  'relief-valve-lifts-early': ['discharge-pipe', 'discharge-catch', 'relief-marking', 'relief-reseat'],
  'fill-loop-passing': ['idle-cold-pressure', 'fill-outlet-drip', 'fill-disconnected-watch'],
  'reducing-valve-creeping': [
    'idle-cold-pressure',
    'second-gauge',
    'fill-isolated-watch',
    'coil-isolated-watch',
    'cold-main-off-watch',
    'cold-main-on-watch',
  ],
  'reducing-valve-set-high': ['idle-cold-pressure', 'second-gauge', 'fill-isolated-watch'],
  'fill-bypass-open': ['idle-cold-pressure', 'fill-isolated-watch', 'coil-isolated-watch', 'cold-main-off-watch', 'cold-main-on-watch'],
  'pressurisation-unit-fault': ['idle-cold-pressure', 'second-gauge', 'fill-isolated-watch', 'cold-main-on-watch'],
  'feed-starved': ['idle-cold-pressure', 'second-gauge'],
  'dhw-plate-perforated': [
    'idle-cold-pressure',
    'fill-disconnected-watch',
    'fill-outlet-drip',
    'cold-main-off-watch',
    'cold-main-on-watch',
    'listen-at-exchanger',
  ],
  'dhw-coil-perforated': [
    'idle-cold-pressure',
    'coil-isolated-watch',
    'fill-isolated-watch',
    'fill-disconnected-watch',
    'cold-main-off-watch',
    'cold-main-on-watch',
  ],
  'circuit-leak': ['visible-leak', 'boiler-isolated-hold', 'top-ups-per-month', 'fill-disconnected-watch', 'fill-isolated-watch'],
  'boiler-exchanger-leak': ['condensate-when-off', 'boiler-isolated-hold'],
  'gauge-misreading': ['second-gauge', 'gauge-at-zero', 'low-pressure-stop'],
  'air-in-circuit': ['bleed-radiators'],
  'air-vent-faulty': ['visible-leak', 'boiler-isolated-hold'],
  'fill-pressure-too-low': ['idle-cold-pressure', 'second-gauge'],
  'fill-pressure-too-high': ['idle-cold-pressure', 'second-gauge', 'fill-disconnected-watch'],
  'boiler-overheating': ['flow-return'],
};

/** Faults that show themselves to whoever comes by the same sign: too much pressure, a pipe outside that drips, water gone, a swing too wide.
 *  Common practice. */
const ONE_SIGN: readonly FaultId[][] = [
  [...INFLOW, 'reducing-valve-set-high', 'pressurisation-unit-fault', 'fill-pressure-too-high'],
  ['relief-valve-passing', 'relief-valve-lifts-early'],
  [
    ...OUTFLOW.filter((f) => f !== 'relief-valve-passing'),
    'fill-pressure-too-low',
    'feed-starved',
    'pressurisation-unit-fault',
    'air-in-circuit',
    'vessel-gas-valve-leaking',
  ],
  [...LITTLE_GAS, 'vessel-overcharged', 'boiler-overheating'],
];

/** Whoever makes tests has seen and heard more than he writes down. Some go their round whatever is wrong; others go after what they
 *  suspect, and mostly have reason to. So causes that would explain why just these tests were made are likelier, the more so the dearer
 *  the tests: nobody drains a boiler for nothing. Gives the factor on a set: how much likelier the choice of tests is under it than on a
 *  round. That some visits are rounds, and most tests of the others routine, is an assumption; how many, the evaluation says: so many that
 *  it pays where tests were chosen by what is wrong, and costs nothing to speak of where they were drawn by lot. Of one test alone nobody
 *  can say what it was made for.
 *  @param chosen tests that somebody chose to make; what the judge itself asked for says nothing of the kind */
export function lookedForTimes(chosen: ReadonlySet<string>): (faults: readonly FaultId[]) => number {
  const tests = SPEAKING.filter((t) => chosen.has(t));
  if (tests.length < 2) return () => 1;
  const oftener = new Map(FAULTS_WITH_ROWS.map((f) => [f, tests.map((t) => goesAfter(f, t) / onRound(t))]));
  return (faults) => {
    const aimed = tests.reduce((times, _, i) => {
      const aimedAt = mean(faults.map((f) => oftener.get(f)?.[i] ?? AS_ON_A_ROUND));
      return times * Math.min(MOST_FOR_A_TEST, ROUTINE + (1 - ROUTINE) * aimedAt);
    }, 1);
    return ROUNDS + (1 - ROUNDS) * aimed;
  };
}
/** Share of visits that are rounds, and of the tests of all others that are routine. */
const ROUNDS = 0.3,
  ROUTINE = 0.6;
/** However dear, one test says no more than this of what somebody suspects. */
const MOST_FOR_A_TEST = 4;
/** A test that costs so many minutes more, at the job and before and after it, is made e times more rarely on a round. */
const RARER_PER_MIN = 1 / 20;

const FAULTS_WITH_ROWS = Object.keys(LOOKED_FOR_BY) as FaultId[];
const SPEAKING: readonly TestId[] = [...new Set(Object.values(LOOKED_FOR_BY).flat())];
const ROUND_WEIGHTS = new Map<TestId, number>(SPEAKING.map((t) => [t, Math.exp(-RARER_PER_MIN * costMin(t))]));
const ALL_ROUND_WEIGHTS = [...ROUND_WEIGHTS.values()].reduce((a, b) => a + b, 0);

const onRound = (test: TestId): number => ROUND_WEIGHTS.get(test)! / ALL_ROUND_WEIGHTS;
/** What has no row, nobody goes after by tests of the pressure side: they are made as often as on a round. */
const AS_ON_A_ROUND = 1;

/** How often whoever suspects a fault goes after it by this test: by one of its own, each as likely; but what he suspects he suspects by a
 *  sign that other causes show as well, and so often it is one of those, whichever it is, that he goes after. */
function goesAfter(fault: FaultId, test: TestId): number {
  const ofItsSign = ONE_SIGN.filter((faults) => faults.includes(fault)).flat(),
    alike = ofItsSign.length > 0 ? [...new Set(ofItsSign)] : [fault];
  return (1 - BY_ITS_SIGN) * itsOwn(fault, test) + BY_ITS_SIGN * mean(alike.map((f) => itsOwn(f, test)));
}
const BY_ITS_SIGN = 0.5;
const itsOwn = (fault: FaultId, test: TestId): number => {
  const row = LOOKED_FOR_BY[fault]!;
  return row.includes(test) ? 1 / row.length : 0;
};
const mean = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;

// Whole visits on made-up plants, tests in the judge's order (with and without the one that
// would prove it wrong, before anything is repaired) and in a checklist's, to the first repair.
import { fileURLToPath } from 'node:url';
import { caseFile } from '@jumper/contract';
import {
  buysNoPart,
  diagnose,
  logEndS,
  faultRow,
  leftWarm,
  resolveCircuit,
  testRow,
  waitFor,
  watchAfterLogsMin,
  type Case,
  type CircuitSheet,
  type Diagnosis,
  type FaultId,
  type Finding,
  type PressureLog,
  type RepairId,
  type TestId,
} from '@jumper/core';
import { CHECKLIST, makeVisit, type Visit } from '@jumper/evaluate';
import { inThreads, type Share } from './inThreads';
import { optionsOrExit } from './options';

interface Outcome {
  tests: number;
  minutes: number;
  right: boolean;
  sure: boolean;
  /** Parts fitted that nothing needed. */
  wrongParts: number;
}
const ORDERS = ['judge', 'judge, proven', 'checklist'] as const;
type Visited = Record<(typeof ORDERS)[number], Outcome>;

/** A technician does not go on for ever, nor wait on a visit for what is done next morning, min. */
const MOST_TESTS = 10,
  MOST_WAIT_MIN = 180;

const repairOf = (faults: string[]) => [...new Set(faults.map((f) => faultRow(f as FaultId).repair))].sort().join('+');

function leadRepair(d: Diagnosis): string {
  const shares = new Map<string, number>();
  for (const h of d.hypotheses) shares.set(repairOf(h.faults), (shares.get(repairOf(h.faults)) ?? 0) + h.probability);
  return [...shares].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

const wrongPartsOf = (done: string, needed: string) =>
  done.split('+').filter((r) => !buysNoPart([r as RepairId]) && !needed.split('+').includes(r)).length;

/** All stop where the judge holds one repair for nearly certain, and then do what it holds most probable: what differs is the order of the
 *  tests.
 *  @returns how it ends there, and how it ends when the test that would prove it wrong is done too, where one is left and can be done here
 */
function run(visit: Visit, order: (d: Diagnosis) => string[], proves: boolean): { unproven: Outcome; proven: Outcome } {
  const findings: Finding[] = [],
    done = new Set<string>(),
    lastLog = logsOf(visit).at(-1),
    loggedS = lastLog ? logEndS(lastLog) : 0;
  let passedMin = 0,
    effortMin = 0,
    proved = !proves,
    unproven: Outcome | null = null;
  for (;;) {
    const d = diagnose(caseFile.parse({ ...visit.case, findings }) as unknown as Case);
    const repair = leadRepair(d),
      needed = repairOf(visit.truth.faults);
    const now: Outcome = {
      tests: findings.length,
      minutes: passedMin + effortMin,
      right: repair === needed,
      sure: d.enoughKnown,
      wrongParts: wrongPartsOf(repair, needed),
    };
    if (d.enoughKnown) unproven ??= now;
    const tests = d.enoughKnown ? (d.provingTest ? [d.provingTest] : []) : order(d);
    const next = (d.enoughKnown && proved) || findings.length >= MOST_TESTS ? undefined : firstAble(visit, tests, done, findings);
    if (!next) return { unproven: unproven ?? now, proven: now };
    proved = !proves || d.enoughKnown;
    passedMin += waitMin(visit, next.test, findings) + minutesOf(visit, next.test);
    effortMin += testRow(next.test as TestId).effort;
    // Neither the judge's order nor a checklist's tells what anybody suspects.
    findings.push({ ...next, test: next.test as TestId, proposed: true, atS: loggedS + 60 * passedMin });
  }
}

const circuitOf = (visit: Visit) => resolveCircuit(visit.case.circuit as CircuitSheet),
  logsOf = (visit: Visit) => (visit.case.logs ?? []) as PressureLog[];

/** A watch takes as long as this circuit needs, whoever proposes it. */
const minutesOf = (visit: Visit, test: string) =>
  watchAfterLogsMin(test as TestId, circuitOf(visit), logsOf(visit)) ?? testRow(test as TestId).minutes;

/** And what has to be cool has to be, whoever opens it. */
const waitMin = (visit: Visit, test: string, findings: Finding[]) =>
  waitFor(test as TestId, leftWarm(logsOf(visit), findings, circuitOf(visit).maxFlowC))?.minutes ?? 0;

function firstAble(visit: Visit, tests: string[], done: Set<string>, findings: Finding[]) {
  for (const test of tests) {
    if (done.has(test) || waitMin(visit, test, findings) > MOST_WAIT_MIN) continue;
    done.add(test);
    const finding = visit.perform(test, minutesOf(visit, test));
    if (finding) return finding;
  }
  return undefined;
}

function runShare({ from, cases, step, offset }: Share): Visited[] {
  const out: Visited[] = [];
  for (let i = offset; i < cases; i += step) {
    const visit = makeVisit(from + i);
    const judge = run(visit, (d) => d.nextTests.map((t) => t.test), true),
      checklist = run(visit, () => CHECKLIST, false);
    out.push({ judge: judge.unproven, 'judge, proven': judge.proven, checklist: checklist.unproven });
  }
  return out;
}

inThreads<Share, Visited>(fileURLToPath(import.meta.url), runShare, async (together) => {
  const asked = optionsOrExit('npm run --silent visits -- [--cases N] [--from SEED]', { cases: { least: 1 }, from: { least: 1 } });
  const all = await together({ from: Number(asked.from ?? 1), cases: Number(asked.cases ?? 60) });
  const say = (line: string) => process.stdout.write(`${line}\n`);
  const mean = (xs: number[]) => xs.reduce((a, b) => a + b, 0) / xs.length,
    median = (xs: number[]) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)]!;
  say('order          visits  right repair  sure  wrong though sure  wrong parts per 100  tests mean  minutes median  minutes mean');
  for (const name of ORDERS) {
    const o = all.map((p) => p[name]),
      percent = (share: number) => (100 * share).toFixed(1).padStart(5);
    say(
      `${name.padEnd(14)} ${String(o.length).padStart(6)}         ${percent(mean(o.map((x) => +x.right)))} ${percent(mean(o.map((x) => +x.sure)))}              ${percent(mean(o.map((x) => +(x.sure && !x.right))))}                ${percent(mean(o.map((x) => x.wrongParts)))}       ${mean(
        o.map((x) => x.tests),
      )
        .toFixed(1)
        .padStart(5)}           ${String(median(o.map((x) => x.minutes))).padStart(5)}         ${mean(o.map((x) => x.minutes))
        .toFixed(1)
        .padStart(5)}`,
    );
  }
});

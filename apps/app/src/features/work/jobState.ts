import { standingFacts, type FactRecord, type JobParts } from '@jumper/contract';
import {
  CHARGING_REPAIRS,
  EMPTY_GAUGE_BAR,
  runSheet,
  testStepsFor,
  toPutBack,
  type CircuitSheet,
  type DoneElsewhere,
  type Finding,
  type JobState,
  type PositionNoted,
  type RunSheet,
  type RunSheetId,
  type RunStep,
  type StepSaid,
} from '@jumper/core';

/** The run sheets of one circuit, each made once: finding what to shut for one tries every set of valves. */
export function sheetsOf(circuit: CircuitSheet): (id: RunSheetId) => RunSheet {
  const made = new Map<RunSheetId, RunSheet>();
  return (id) => {
    const sheet = made.get(id) ?? runSheet(id, circuit);
    made.set(id, sheet);
    return sheet;
  };
}

export type StepFact = FactRecord & { body: Extract<FactRecord['body'], { kind: 'step' }> };
const isStep = (f: FactRecord): f is StepFact => f.body.kind === 'step';
/** What a fact says of a step, with who wrote it. */
export const saidBy = (f: StepFact): StepSaid => ({ ...(f.body as unknown as StepSaid), ...writtenBy(f) });
const writtenBy = ({ by }: FactRecord): { by?: string } => (by ? { by } : {});
const findingOf = ({ body }: FactRecord): Finding | null => (body.kind === 'finding' ? (body.finding as unknown as Finding) : null);

/** What the record of a job says to its run sheets: read once, and asked for each run, whose own steps are left out.
 *  @param run null of one that is not begun */
export function jobStates(
  parts: JobParts,
  circuit: CircuitSheet,
  positions: readonly PositionNoted[],
  sheet: (id: RunSheetId) => RunSheet,
  nowMs: number,
): (run: string | null) => JobState {
  const facts = standingFacts(parts.facts);
  const done = facts.flatMap((f): (DoneElsewhere & { run: string | null })[] => {
    if (isStep(f)) {
      const step = f.body.did === 'done' ? sheet(f.body.sheet).steps.find((s) => s.id === f.body.step) : undefined;
      return step ? [{ run: f.body.run, step, said: saidBy(f) }] : [];
    }
    // A test that emptied a part did the same steps, up to its zero.
    const finding = findingOf(f);
    if (!finding) return [];
    return (testStepsFor(finding.test, circuit)?.steps ?? [])
      .filter((s): s is RunStep => 'id' in s)
      .filter((s) => vouchesFor(finding, s))
      .map((step) => ({ run: null, step, said: { step: step.id, did: 'done', at: f.body.at, ...writtenBy(f) } }));
  });
  const state = {
    away: toPutBack(positions),
    positions,
    lastReading: lastReadingOf(facts),
    chargeFound: chargeFoundOf(facts),
    nowMs,
  };
  return (run) => ({ ...state, elsewhere: done.filter((d) => d.run === null || d.run !== run) });
}

function lastReadingOf(facts: readonly FactRecord[]): JobState['lastReading'] {
  for (const f of [...facts].reverse())
    if (f.body.kind === 'reading' && f.body.pressureBar !== null) return { at: f.body.at, gaugeBar: f.body.pressureBar, ...writtenBy(f) };
  return null;
}

/** The charge that was last read with the water side empty; none where one was set after it. */
function chargeFoundOf(facts: readonly FactRecord[]): JobState['chargeFound'] {
  for (const f of [...facts].reverse()) {
    if (f.body.kind === 'repair' && CHARGING_REPAIRS.includes(f.body.repair.kind)) return null;
    const finding = findingOf(f);
    if (finding && isTrueCharge(finding)) return { at: f.body.at, gaugeBar: finding.valueBar as number, ...writtenBy(f) };
  }
  return null;
}

/** Which of its steps a test's finding vouches for: what was shut and opened; zero only where it was read. */
const vouchesFor = (finding: Finding, step: RunStep): boolean =>
  step.id === 'zero' ? isTrueCharge(finding) : ['isolate', 'drain', 'vent'].includes(step.id);
/** A charge read with nothing behind the diaphragm. */
const isTrueCharge = (f: Finding): boolean =>
  f.test === 'precharge' &&
  typeof f.valueBar === 'number' &&
  f.drainOpen === true &&
  ((f.circuitBar as number | undefined) ?? 0) <= EMPTY_GAUGE_BAR;

import { standingFacts, type FactBody, type FactRecord, type JobParts } from '@jumper/contract';
import {
  alreadyTrue,
  CHARGING_REPAIRS,
  type Ask,
  type JobState,
  type RunSheet,
  type StepAnswer,
  eventOfPosition,
  heatRule,
  positionOfFinding,
  runSheetRow,
  positionOfEvent,
  runProgress,
  runSheet,
  toPutBack,
  type CircuitSheet,
  type Finding,
  type HeatRule,
  type PartFitted,
  type PositionId,
  type PositionNoted,
  type PutBack,
  type RunProgress,
  type RunSheetId,
  type StepSaid,
  type TestId,
} from '@jumper/core';
import { jobStates, saidBy, sheetsOf, type StepFact } from './jobState';

export interface RunState {
  run: string;
  sheet: RunSheetId;
  startedAt: string;
  progress: RunProgress;
}
type Of<K extends FactBody['kind']> = Extract<FactBody, { kind: K }>;

/** What stands in the record about the work of a job. */
export interface WorkState {
  open: PutBack[];
  /** Whether the boiler may fire, and why not. */
  heat: HeatRule;
  /** Run sheets begun, newest first. */
  runs: RunState[];
  parts: { id: string; at: string; part: PartFitted }[];
  said: { id: string; body: Of<'said'> }[];
  checks: { id: string; body: Of<'check'> }[];
  skips: Map<string, string>;
  schools: Map<string, string>;
  closed: boolean;
  /** Tests that were done as a step of a run sheet. */
  provedBySteps: TestId[];
}

/** @param nowMs the time now: a reading is the gauge as found only for a while */
export function workState(parts: JobParts, nowMs = Date.now()): WorkState {
  const facts = standingFacts(parts.facts);
  const of = <K extends FactBody['kind']>(kind: K) => facts.filter((f): f is FactRecord & { body: Of<K> } => f.body.kind === kind);
  const circuit = sheetOfJob(parts),
    positions = positionsSaid(parts),
    open = toPutBack(positions),
    sheet = sheetsOf(circuit),
    runs = runsOf(of('step'), sheet, jobStates(parts, circuit, positions, sheet, nowMs));
  return {
    open,
    heat: heatRule(
      circuit,
      open,
      of('finding').map((f) => f.body.finding as unknown as Finding),
    ),
    runs,
    provedBySteps: runs.flatMap((r) =>
      sheet(r.sheet).steps.flatMap((s) => (s.proves && r.progress.said.get(s.id)?.did === 'done' ? [s.proves] : [])),
    ),
    parts: of('part').map((f) => ({ id: f.id, at: f.body.at, part: f.body.part as PartFitted })),
    said: of('said').map((f) => ({ id: f.id, body: f.body })),
    checks: of('check').map((f) => ({ id: f.id, body: f.body })),
    skips: new Map(of('skip').map((f) => [f.body.test, f.body.reason])),
    schools: new Map(of('school').map((f) => [f.body.school, f.body.option])),
    closed: of('status').at(-1)?.body.status === 'done',
  };
}

export const sheetOfJob = (parts: JobParts): CircuitSheet => parts.sheet.sheet as unknown as CircuitSheet;

/** Positions told by the log's events, by findings and by notes of their own, as one story. */
export function positionsSaid(parts: JobParts): PositionNoted[] {
  const sheet = sheetOfJob(parts);
  return standingFacts(parts.facts).flatMap(({ body, by }): PositionNoted[] => {
    const who = by ? { by } : {};
    if (body.kind === 'position')
      return [
        {
          position: body.position,
          state: body.state,
          at: body.at,
          ...(body.found ? { found: body.found } : {}),
          ...(body.why ? { why: body.why } : {}),
          ...who,
        },
      ];
    const said =
      body.kind === 'event'
        ? positionOfEvent(body.event, sheet)
        : body.kind === 'finding'
          ? positionOfFinding(body.finding as unknown as Finding)
          : null;
    return said ? [{ ...said, at: body.at, ...who }] : [];
  });
}

/** The fact that says that something was turned, or put back: an event of the log where there is one; or that it stays as it is. */
export function positionFact(position: PositionId, state: 'away' | 'back' | 'left', at: string, found?: string): FactBody {
  if (state === 'left') return { kind: 'position', at, position, state, why: 'as it was found' };
  const event = eventOfPosition(position, state);
  return event ? { kind: 'event', at, event } : { kind: 'position', at, position, state, ...(found ? { found } : {}) };
}

function runsOf(steps: StepFact[], sheet: (id: RunSheetId) => RunSheet, job: (run: string | null) => JobState): RunState[] {
  const runs = new Map<string, StepFact[]>();
  for (const s of steps) runs.set(s.body.run, [...(runs.get(s.body.run) ?? []), s]);
  return [...runs]
    .map(([run, facts]) => {
      const id = facts[0]!.body.sheet;
      return { run, sheet: id, startedAt: facts[0]!.body.at, progress: progressOf(sheet(id), facts.map(saidBy), job(run)) };
    })
    .reverse();
}

/** How far a run sheet has come, with what the job's record says already. */
const progressOf = (sheet: RunSheet, said: StepSaid[], job: JobState): RunProgress =>
  runProgress(sheet, said, alreadyTrue(sheet, said, job));

/** A run sheet before its first step: what the job's record says already. */
export function freshProgress(id: RunSheetId, parts: JobParts, nowMs = Date.now()): RunProgress {
  const circuit = sheetOfJob(parts),
    sheet = sheetsOf(circuit);
  return progressOf(sheet(id), [], jobStates(parts, circuit, positionsSaid(parts), sheet, nowMs)(null));
}

/** Facts that doing a step leaves behind: what it turned, the step itself, and what it put right. */
export function stepFacts(
  run: { run: string; sheet: RunSheetId },
  state: WorkState,
  circuit: CircuitSheet,
  step: string,
  did: 'done' | 'skipped',
  at: string,
  given: { value?: number; reason?: string; answer?: string } = {},
): FactBody[] {
  const sheet = runSheet(run.sheet, circuit),
    row = sheet.steps.find((s) => s.id === step)!;
  const facts: FactBody[] = did === 'done' ? (row.turns ?? []).map((t) => positionFact(t.position, t.state, at)) : [];
  facts.push({
    kind: 'step',
    at,
    run: run.run,
    sheet: run.sheet,
    step,
    did,
    ...(given.value !== undefined ? { value: given.value } : {}),
    ...(given.reason ? { reason: given.reason } : {}),
    ...(given.answer ? { answer: given.answer } : {}),
  });
  if (did !== 'done' || !row.repairs) return facts;
  const before = state.runs.find((r) => r.run === run.run)?.progress.said ?? new Map<string, StepSaid>();
  const setStep = sheet.steps.find((s) => s.asks === 'charge-set');
  const toBar = setStep?.id === step ? given.value : setStep ? before.get(setStep.id)?.value : undefined;
  return [
    ...facts,
    ...row.repairs.map((kind): FactBody => ({
      kind: 'repair',
      at,
      repair: { kind, at, ...(toBar !== undefined && CHARGING_REPAIRS.includes(kind) ? { toBar } : {}) },
    })),
  ];
}

/** What a number asked by a step is beside the step: a reading of the log, or the charge as found, which the judge takes as a test. */
export function factsOfAsk(asks: Ask | undefined, value: number, at: string): FactBody[] {
  const reading: FactBody = { kind: 'reading', at, pressureBar: value };
  switch (asks) {
    case 'charge-found':
      return [{ kind: 'finding', at, finding: { test: 'precharge', valueBar: value, circuitBar: 0, drainOpen: true } as never }];
    case 'found-pressure':
      return [reading];
    case 'gauge-zero':
      return [{ kind: 'event', at, event: 'drained' }, reading];
    case 'fill-pressure':
      return [{ kind: 'event', at, event: 'top-up' }, reading];
    default:
      return [];
  }
}

/** How a step came out, as a finding; none where that is not a test's outcome. */
export const factsOfAnswer = ({ finding }: StepAnswer, at: string): FactBody[] =>
  finding ? [{ kind: 'finding', at, finding: { ...finding, proposed: true } as never }] : [];

export const isTemporary = (state: WorkState): boolean =>
  state.runs.some((r) => runSheetRow(r.sheet).temporary === true && r.progress.finished);

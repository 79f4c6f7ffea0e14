import { standingFacts, type FactBody, type FactRecord, type JobParts } from '@jumper/contract';
import {
  CHARGING_REPAIRS,
  eventOfPosition,
  heatForbiddenBy,
  positionOfEvent,
  runProgress,
  runSheet,
  toPutBack,
  type CircuitSheet,
  type PartFitted,
  type PositionId,
  type PositionSaid,
  type PutBack,
  type RunProgress,
  type RunSheetId,
  type StepSaid,
  type TestId,
} from '@jumper/core';

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
  /** Why the boiler must not fire. */
  forbids: PositionId[];
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

export function workState(parts: JobParts): WorkState {
  const facts = standingFacts(parts.facts);
  const of = <K extends FactBody['kind']>(kind: K) => facts.filter((f): f is FactRecord & { body: Of<K> } => f.body.kind === kind);
  const open = toPutBack(positionsSaid(parts)),
    runs = runsOf(of('step').map((f) => f.body));
  return {
    open,
    forbids: heatForbiddenBy(open),
    runs,
    provedBySteps: runs.flatMap((r) =>
      runSheet(r.sheet).steps.flatMap((s) => (s.proves && r.progress.said.get(s.id)?.did === 'done' ? [s.proves] : [])),
    ),
    parts: of('part').map((f) => ({ id: f.id, at: f.body.at, part: f.body.part as PartFitted })),
    said: of('said').map((f) => ({ id: f.id, body: f.body })),
    checks: of('check').map((f) => ({ id: f.id, body: f.body })),
    skips: new Map(of('skip').map((f) => [f.body.test, f.body.reason])),
    schools: new Map(of('school').map((f) => [f.body.school, f.body.option])),
    closed: of('status').at(-1)?.body.status === 'done',
  };
}

/** Positions told by the log's events and by notes of their own, as one story. */
export function positionsSaid(parts: JobParts): PositionSaid[] {
  const sheet = parts.sheet.sheet as unknown as CircuitSheet;
  return standingFacts(parts.facts).flatMap(({ body }): PositionSaid[] => {
    if (body.kind === 'position')
      return [
        {
          position: body.position,
          state: body.state,
          at: body.at,
          ...(body.found ? { found: body.found } : {}),
          ...(body.why ? { why: body.why } : {}),
        },
      ];
    const said = body.kind === 'event' ? positionOfEvent(body.event, sheet) : null;
    return said ? [{ ...said, at: body.at }] : [];
  });
}

/** The fact that says that something was turned, or put back: an event of the log where there is one. */
export function positionFact(position: PositionId, state: 'away' | 'back', at: string, found?: string): FactBody {
  const event = eventOfPosition(position, state);
  return event ? { kind: 'event', at, event } : { kind: 'position', at, position, state, ...(found ? { found } : {}) };
}

function runsOf(steps: Of<'step'>[]): RunState[] {
  const runs = new Map<string, Of<'step'>[]>();
  for (const s of steps) runs.set(s.run, [...(runs.get(s.run) ?? []), s]);
  return [...runs]
    .map(([run, said]) => ({
      run,
      sheet: said[0]!.sheet,
      startedAt: said[0]!.at,
      progress: runProgress(runSheet(said[0]!.sheet), said as unknown as StepSaid[]),
    }))
    .reverse();
}

/** Facts that doing a step leaves behind: what it turned, and the step itself; with the last step the repair that it was. */
export function stepFacts(
  run: { run: string; sheet: RunSheetId },
  state: WorkState,
  step: string,
  did: 'done' | 'skipped',
  at: string,
  given: { value?: number; reason?: string } = {},
): FactBody[] {
  const sheet = runSheet(run.sheet),
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
  });
  const before = state.runs.find((r) => r.run === run.run)?.progress.said ?? new Map<string, StepSaid>();
  const left = sheet.steps.filter((s) => !before.has(s.id) && s.id !== step);
  if (left.length > 0) return facts;
  const setStep = sheet.steps.find((s) => s.asks === 'charge-set');
  const toBar = setStep?.id === step ? given.value : setStep ? before.get(setStep.id)?.value : undefined;
  return [
    ...facts,
    ...sheet.repairs.map((kind): FactBody => ({
      kind: 'repair',
      at,
      repair: { kind, at, ...(toBar !== undefined && CHARGING_REPAIRS.includes(kind) ? { toBar } : {}) },
    })),
  ];
}

/** A charge read in a run with the circuit empty is a finding too: the judge takes it as found. */
export function findingOfStep(asks: string | undefined, value: number, at: string): FactBody[] {
  return asks === 'charge-found'
    ? [{ kind: 'finding', at, finding: { test: 'precharge', valueBar: value, circuitBar: 0, drainOpen: true } as never }]
    : [];
}

export const isTemporary = (state: WorkState): boolean =>
  state.runs.some((r) => runSheet(r.sheet).temporary === true && r.progress.finished);

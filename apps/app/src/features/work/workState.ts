import { standingFacts, type FactBody, type FactRecord, type JobParts } from '@jumper/contract';
import {
  CHARGING_REPAIRS,
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

export function workState(parts: JobParts): WorkState {
  const facts = standingFacts(parts.facts);
  const of = <K extends FactBody['kind']>(kind: K) => facts.filter((f): f is FactRecord & { body: Of<K> } => f.body.kind === kind);
  const circuit = sheetOfJob(parts),
    open = toPutBack(positionsSaid(parts)),
    runs = runsOf(
      of('step').map((f) => f.body),
      circuit,
    );
  return {
    open,
    heat: heatRule(
      circuit,
      open,
      of('finding').map((f) => f.body.finding as unknown as Finding),
    ),
    runs,
    provedBySteps: runs.flatMap((r) =>
      runSheet(r.sheet, circuit).steps.flatMap((s) => (s.proves && r.progress.said.get(s.id)?.did === 'done' ? [s.proves] : [])),
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
export function positionsSaid(parts: JobParts): PositionSaid[] {
  const sheet = sheetOfJob(parts);
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
    const said =
      body.kind === 'event'
        ? positionOfEvent(body.event, sheet)
        : body.kind === 'finding'
          ? positionOfFinding(body.finding as unknown as Finding)
          : null;
    return said ? [{ ...said, at: body.at }] : [];
  });
}

/** The fact that says that something was turned, or put back: an event of the log where there is one; or that it stays as it is. */
export function positionFact(position: PositionId, state: 'away' | 'back' | 'left', at: string, found?: string): FactBody {
  if (state === 'left') return { kind: 'position', at, position, state, why: 'as it was found' };
  const event = eventOfPosition(position, state);
  return event ? { kind: 'event', at, event } : { kind: 'position', at, position, state, ...(found ? { found } : {}) };
}

function runsOf(steps: Of<'step'>[], circuit: CircuitSheet): RunState[] {
  const runs = new Map<string, Of<'step'>[]>();
  for (const s of steps) runs.set(s.run, [...(runs.get(s.run) ?? []), s]);
  return [...runs]
    .map(([run, said]) => ({
      run,
      sheet: said[0]!.sheet,
      startedAt: said[0]!.at,
      progress: runProgress(runSheet(said[0]!.sheet, circuit), said as unknown as StepSaid[]),
    }))
    .reverse();
}

/** Facts that doing a step leaves behind: what it turned, the step itself, and what it put right. */
export function stepFacts(
  run: { run: string; sheet: RunSheetId },
  state: WorkState,
  circuit: CircuitSheet,
  step: string,
  did: 'done' | 'skipped',
  at: string,
  given: { value?: number; reason?: string } = {},
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

/** A charge read in a run with the circuit empty is a finding too: the judge takes it as found. */
export function findingOfStep(asks: string | undefined, value: number, at: string): FactBody[] {
  return asks === 'charge-found'
    ? [{ kind: 'finding', at, finding: { test: 'precharge', valueBar: value, circuitBar: 0, drainOpen: true } as never }]
    : [];
}

export const isTemporary = (state: WorkState): boolean =>
  state.runs.some((r) => runSheetRow(r.sheet).temporary === true && r.progress.finished);

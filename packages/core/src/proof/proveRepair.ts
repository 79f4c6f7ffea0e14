import { rightHot, type RightBand } from '../circuit/rightBand';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { Interval, Judgement } from '../judge/Diagnosis';
import { INFLOW, OUTFLOW } from '../judge/faultGroups';
import type { FaultId } from '../judge/faults';
import type { TestId } from '../judge/tests';
import { cycleFeatures, type CycleFeatures } from '../log/cycleFeatures';
import { isHeatSwitch, logEndS, type PressureLog } from '../log/PressureLog';
import { wouldHaveShown, type StillThere } from './wouldHaveShown';

/** Least rise of the flow temperature for a heat run to say anything about the vessel, K, and how near the greatest flow temperature it has
 *  to come. */
const LEAST_RISE_K = 20,
  NEAR_LIMIT_K = 12;
/** Above this share of the relief's set pressure it may open at the next run: valves open 3 % or 0.15–0.2 bar early (from memory: EN ISO
 *  4126). */
const NEAR_RELIEF = 0.93;
/** A run shorter than this is no run: readings seconds apart say nothing, min. Common practice: five to ten minutes at the highest
 *  temperature. */
const LEAST_RUN_MIN = 8;
/** Somebody saw the boiler stand at its set temperature: it is that of the sheet, or so much less, K. */
const SET_LOWER_K = 8;
/** What the judge has to leave for "nothing wrong", and may leave for the fault that was worked on. */
const SOUND = 0.5,
  STILL_THERE = 0.35;

export interface ProofInput {
  circuit: ResolvedCircuit;
  before: PressureLog | null;
  after: PressureLog | null;
  /** The judgement of the state after the work; null while it is worked out. */
  now: Judgement | null;
  /** What was held to be wrong before the work. */
  worked: FaultId[];
  /** Charge that the vessel was set to, where it was. */
  setToGaugeBar?: number;
  /** Tests done after the work. */
  testsAfter?: readonly TestId[];
  /** Flows found before the work, L/h. */
  inflowLPerH?: Interval | null;
  lossLPerH?: Interval | null;
}

export interface Proof {
  kind: 'pass' | 'fail' | 'unclear';
  /** Codes with their numbers; the sentences are made where they are shown. */
  reasons: ProofReason[];
  before: CycleFeatures | null;
  after: CycleFeatures | null;
  /** Hot pressure that is right after the work, at the temperature that the run reached. */
  rightHot: RightBand | null;
  /** Whether this run would have shown each fault that was worked on, were it still there. Empty without a run. */
  stillThere: StillThere[];
}

export type ProofReason =
  | { code: 'no-run' }
  | { code: 'not-hot-enough'; reachedC: number; wantedC: number }
  | { code: 'no-temperature' }
  | { code: 'too-short'; minutes: number; neededMin: number }
  | { code: 'steady-at-set'; setC: number }
  | { code: 'no-watch'; fault: FaultId; neededMin: number }
  | { code: 'stood-still'; fault: FaultId; watchedMin: number; neededMin: number }
  | { code: 'by-test'; row: StillThere }
  | { code: 'rose-too-much'; hotBar: number; highBar: number }
  | { code: 'rose-too-little'; hotBar: number; lowBar: number }
  | { code: 'near-relief'; hotBar: number; reliefBar: number }
  | { code: 'relief-lifted' }
  | { code: 'still-suspected'; fault: FaultId; probability: number }
  | { code: 'other-suspected'; fault: FaultId; probability: number }
  | { code: 'within-band'; hotBar: number; lowBar: number; highBar: number }
  | { code: 'would-not-show'; row: StillThere }
  | { code: 'swing-changed'; beforeBar: number; afterBar: number };

const FAILS: ReadonlySet<ProofReason['code']> = new Set(['near-relief', 'relief-lifted', 'rose-too-much', 'still-suspected']);

/** Whether a heat run after the work shows that it is put right. A run that could not have shown the fault proves nothing and is `unclear`.
 *  The practice behind it: heat to the maximum until the temperature is steady, and compare with what this circuit should do. */
export function proveRepair({
  circuit,
  before,
  after,
  now,
  worked,
  setToGaugeBar,
  testsAfter = [],
  inflowLPerH = null,
  lossLPerH = null,
}: ProofInput): Proof {
  const was = before ? cycleFeatures(before) : null,
    is = after ? cycleFeatures(after) : null;
  const heated = after?.events?.some((e) => e.kind === 'heat-on') ?? false,
    nothing = { before: was, after: is, rightHot: null, stillThere: [] };
  // What is wrong now decides, before any run is asked for: no heat run shows a hole or a feed.
  const left = leftNow(now, worked);
  if (left && !heated) return { kind: left.code === 'still-suspected' ? 'fail' : 'unclear', reasons: [left], ...nothing };
  if (!needsRun(worked, circuit) && !(heated && is?.hotBar != null))
    return withoutRun({ circuit, before, after, now, worked, testsAfter, inflowLPerH, lossLPerH }, was, is);
  if (!is || is.coldBar === null || is.hotBar === null || !heated) return { kind: 'unclear', reasons: [{ code: 'no-run' }], ...nothing };
  const reasons: ProofReason[] = [];
  if (was?.swingBar != null && is.swingBar !== null)
    reasons.push({ code: 'swing-changed', beforeBar: was.swingBar, afterBar: is.swingBar });
  if (is.hotBar > NEAR_RELIEF * circuit.reliefSetGaugeBar)
    reasons.push({ code: 'near-relief', hotBar: is.hotBar, reliefBar: circuit.reliefSetGaugeBar });
  // Whatever the gauge says: nothing is put right that lets its water go.
  if (after!.events!.some((e) => e.kind === 'relief-lifted')) reasons.push({ code: 'relief-lifted' });
  const atSet = is.hottestC === null && after!.events!.some((e) => e.kind === 'steady-hot'),
    right = atSet ? rightAtSet(circuit, is, setToGaugeBar) : rightHotOf(circuit, is, setToGaugeBar);
  const { tS } = after!.samples;
  const stillThere = wouldHaveShown({
    circuit,
    before: was,
    after: is,
    watchedMin: ((tS.at(-1) ?? 0) - (tS[0] ?? 0)) / 60,
    coldMin: coldMinutes(after!),
    worked,
    testsAfter,
    rightHot: right,
    inflowLPerH,
    lossLPerH,
  });
  const found = { before: was, after: is, rightHot: right, stillThere };
  if (right && is.hotBar > right.highGaugeBar) reasons.push({ code: 'rose-too-much', hotBar: is.hotBar, highBar: right.highGaugeBar });
  const still = now
    ? worked
        .filter((f) => f !== 'none')
        .map((f) => ({ fault: f, probability: now.marginals[f] ?? 0 }))
        .sort((a, b) => b.probability - a.probability)[0]
    : undefined;
  if (still && still.probability > STILL_THERE) reasons.push({ code: 'still-suspected', ...still });
  if (reasons.some((r) => FAILS.has(r.code))) return { kind: 'fail', reasons, ...found };

  const wantedC = circuit.maxFlowC - NEAR_LIMIT_K,
    ranMin = runMinutes(after!);
  if (ranMin < LEAST_RUN_MIN) reasons.push({ code: 'too-short', minutes: ranMin, neededMin: LEAST_RUN_MIN });
  if (atSet) {
    // Seen at the boiler itself: no thermometer is asked for.
  } else if (is.hottestC === null) reasons.push({ code: 'no-temperature' });
  else if (is.hottestC < wantedC || is.hottestC - (is.coldC ?? 15) < LEAST_RISE_K)
    reasons.push({ code: 'not-hot-enough', reachedC: is.hottestC, wantedC });
  if (right && is.hotBar < right.lowGaugeBar) reasons.push({ code: 'rose-too-little', hotBar: is.hotBar, lowBar: right.lowGaugeBar });
  const other = now?.hypotheses[0]?.faults[0];
  if (now && other !== undefined && other !== 'none' && (now.marginals.none ?? 0) < SOUND && now.hypotheses[0]!.probability > SOUND)
    reasons.push({ code: 'other-suspected', fault: other, probability: now.hypotheses[0]!.probability });
  for (const row of stillThere) if (row.shows === false) reasons.push({ code: 'would-not-show', row });
  if (reasons.some((r) => r.code !== 'swing-changed')) return { kind: 'unclear', reasons, ...found };
  return {
    kind: 'pass',
    reasons: [
      { code: 'within-band', hotBar: is.hotBar, lowBar: right!.lowGaugeBar, highBar: right!.highGaugeBar },
      ...(atSet ? [{ code: 'steady-at-set' as const, setC: circuit.maxFlowC }] : []),
      ...reasons,
    ],
    ...found,
  };
}

/** What the judge holds to be wrong after the work, more likely than not; null where nothing is. */
function leftNow(now: Judgement | null, worked: readonly FaultId[]): ProofReason | null {
  const lead = now?.hypotheses[0];
  if (!lead || lead.faults[0] === 'none' || lead.probability <= SOUND) return null;
  const still = lead.faults.find((f) => worked.includes(f));
  return still
    ? { code: 'still-suspected', fault: still, probability: lead.probability }
    : { code: 'other-suspected', fault: lead.faults[0]!, probability: lead.probability };
}

/** Whether anything that was worked on shows in a heat run. What lets water in or out, and what only a test shows, does not. */
const needsRun = (worked: readonly FaultId[], circuit: ResolvedCircuit): boolean =>
  worked.length === 0 || worked.some((f) => f === 'none' || !provedCold(f, circuit));

/** Faults that are proved with the circuit cold and still, or by a test of their own. A relief on a circuit that feeds itself is not: its
 *  pipe is watched through a heat run. */
const provedCold = (f: FaultId, { fedByItself }: ResolvedCircuit): boolean =>
  INFLOW.includes(f) ||
  (OUTFLOW.includes(f) && !(fedByItself && f === 'relief-valve-passing')) ||
  f === 'feed-starved' ||
  f === 'pressurisation-unit-fault' ||
  f === 'gauge-misreading' ||
  f === 'vessel-gas-valve-leaking';

/** Proof with no heat: every fault by the time for which the gauge stood still, or by its own test. */
function withoutRun(input: ProofInput, was: CycleFeatures | null, is: CycleFeatures | null): Proof {
  const { circuit, after, worked, testsAfter = [], inflowLPerH = null, lossLPerH = null } = input,
    tS = after?.samples.tS ?? [];
  const stillThere = wouldHaveShown({
    circuit,
    before: was,
    after: is ?? NOTHING_READ,
    watchedMin: ((tS.at(-1) ?? 0) - (tS[0] ?? 0)) / 60,
    coldMin: after ? coldMinutes(after) : 0,
    worked,
    testsAfter,
    rightHot: null,
    inflowLPerH,
    lossLPerH,
  });
  const movedBar = is?.firstBar == null || is.lastBar === null ? 0 : Math.abs(is.lastBar - is.firstBar),
    reasons = stillThere.map((row): ProofReason => {
      if (row.by !== 'drift') return row.shows ? { code: 'by-test', row } : { code: 'would-not-show', row };
      const { fault, watchedMin, neededMin } = row;
      return row.shows && movedBar <= circuit.gaugeStepBar + STILL_BAR
        ? { code: 'stood-still', fault, watchedMin, neededMin }
        : { code: 'no-watch', fault, neededMin };
    });
  const passed = reasons.length > 0 && reasons.every((r) => r.code === 'stood-still' || r.code === 'by-test');
  return { kind: passed ? 'pass' : 'unclear', reasons, before: was, after: is, rightHot: null, stillThere };
}
const STILL_BAR = 0.02;
const NOTHING_READ: CycleFeatures = {
  beganHot: false,
  foundHot: false,
  firstBar: null,
  firstC: null,
  lastBar: null,
  peakBar: null,
  coldBar: null,
  coldC: null,
  hotBar: null,
  hotC: null,
  hotReturnC: null,
  swingBar: null,
  hottestC: null,
};

/** From the last time the heat was put on to the last reading, min. */
function runMinutes({ samples, events = [] }: PressureLog): number {
  const onS = events.findLast((e) => e.kind === 'heat-on')?.tS ?? 0,
    endS = Math.max(samples.tS.at(-1) ?? 0, events.findLast((e) => e.kind === 'steady-hot')?.tS ?? 0);
  return (endS - onS) / 60;
}

/** The longest that the log goes on without heat after it was on, or before, min. */
function coldMinutes(log: PressureLog): number {
  const switches = (log.events ?? []).filter(isHeatSwitch),
    first = switches[0],
    last = switches.at(-1);
  const before = first?.kind === 'heat-on' ? first.tS - (log.samples.tS[0] ?? 0) : 0,
    after = last?.kind === 'heat-off' ? logEndS(log) - last.tS : 0;
  return Math.max(before, after) / 60;
}

/** What is right where the boiler was seen at its set temperature: that of the sheet, or somewhat less. */
function rightAtSet(circuit: ResolvedCircuit, f: CycleFeatures, setToGaugeBar?: number): RightBand | null {
  const at = (hotC: number) => rightHotOf(circuit, { ...f, hotC, hotReturnC: null }, setToGaugeBar),
    least = at(circuit.maxFlowC - SET_LOWER_K),
    most = at(circuit.maxFlowC);
  return least && most ? { lowGaugeBar: least.lowGaugeBar, highGaugeBar: most.highGaugeBar } : null;
}

function rightHotOf(circuit: ResolvedCircuit, f: CycleFeatures, setToGaugeBar?: number): RightBand | null {
  if (f.hotC === null || f.coldBar === null || f.hotC <= (f.coldC ?? 15)) return null;
  return rightHot({
    circuit,
    coldGaugeBar: f.coldBar,
    coldC: f.coldC ?? 15,
    flowC: f.hotC,
    ...(f.hotReturnC !== null ? { returnC: f.hotReturnC } : {}),
    ...(setToGaugeBar !== undefined ? { prechargeGaugeBar: setToGaugeBar } : {}),
  });
}

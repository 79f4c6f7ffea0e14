import { expectedPressure } from '../circuit/expectedPressure';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { Interval, Judgement } from '../judge/Diagnosis';
import type { FaultId } from '../judge/faults';
import type { TestId } from '../judge/tests';
import { cycleFeatures, type CycleFeatures } from '../log/cycleFeatures';
import type { PressureLog } from '../log/PressureLog';
import { wouldHaveShown, type StillThere } from './wouldHaveShown';

/** Least rise of the flow temperature for a heat run to say anything about the vessel, K, and how near the greatest flow temperature it has
 *  to come. */
const LEAST_RISE_K = 20,
  NEAR_LIMIT_K = 12;
/** Above this share of the relief's set pressure it may open at the next run: valves open 3 % or 0.15–0.2 bar early (from memory: EN ISO
 *  4126). */
const NEAR_RELIEF = 0.93;
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
  rightHot: { lowGaugeBar: number; highGaugeBar: number } | null;
  /** Whether this run would have shown each fault that was worked on, were it still there. Empty without a run. */
  stillThere: StillThere[];
}

export type ProofReason =
  | { code: 'no-run' }
  | { code: 'not-hot-enough'; reachedC: number; wantedC: number }
  | { code: 'no-temperature' }
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
  const heated = after?.events?.some((e) => e.kind === 'heat-on') ?? false;
  if (!is || is.coldBar === null || is.hotBar === null || !heated)
    return { kind: 'unclear', reasons: [{ code: 'no-run' }], before: was, after: is, rightHot: null, stillThere: [] };
  const reasons: ProofReason[] = [];
  if (was?.swingBar != null && is.swingBar !== null)
    reasons.push({ code: 'swing-changed', beforeBar: was.swingBar, afterBar: is.swingBar });
  if (is.hotBar > NEAR_RELIEF * circuit.reliefSetGaugeBar)
    reasons.push({ code: 'near-relief', hotBar: is.hotBar, reliefBar: circuit.reliefSetGaugeBar });
  // Whatever the gauge says: nothing is put right that lets its water go.
  if (after!.events!.some((e) => e.kind === 'relief-lifted')) reasons.push({ code: 'relief-lifted' });
  const right = rightHot(circuit, is, setToGaugeBar);
  const { tS } = after!.samples;
  const stillThere = wouldHaveShown({
    circuit,
    before: was,
    after: is,
    watchedMin: ((tS.at(-1) ?? 0) - (tS[0] ?? 0)) / 60,
    worked,
    testsAfter,
    rightHot: right,
    inflowLPerH,
    lossLPerH,
  });
  const found = { before: was, after: is, rightHot: right, stillThere };
  const doubt = circuit.gaugeStepBar / 2 + 0.03;
  if (right && is.hotBar > right.highGaugeBar + doubt)
    reasons.push({ code: 'rose-too-much', hotBar: is.hotBar, highBar: right.highGaugeBar });
  const still = now
    ? worked
        .filter((f) => f !== 'none')
        .map((f) => ({ fault: f, probability: now.marginals[f] ?? 0 }))
        .sort((a, b) => b.probability - a.probability)[0]
    : undefined;
  if (still && still.probability > STILL_THERE) reasons.push({ code: 'still-suspected', ...still });
  if (reasons.some((r) => FAILS.has(r.code))) return { kind: 'fail', reasons, ...found };

  const wantedC = circuit.maxFlowC - NEAR_LIMIT_K;
  if (is.hottestC === null) reasons.push({ code: 'no-temperature' });
  else if (is.hottestC < wantedC || is.hottestC - (is.coldC ?? 15) < LEAST_RISE_K)
    reasons.push({ code: 'not-hot-enough', reachedC: is.hottestC, wantedC });
  if (right && is.hotBar < right.lowGaugeBar - doubt)
    reasons.push({ code: 'rose-too-little', hotBar: is.hotBar, lowBar: right.lowGaugeBar });
  const other = now?.hypotheses[0]?.faults[0];
  if (now && other !== undefined && other !== 'none' && (now.marginals.none ?? 0) < SOUND && now.hypotheses[0]!.probability > SOUND)
    reasons.push({ code: 'other-suspected', fault: other, probability: now.hypotheses[0]!.probability });
  for (const row of stillThere) if (row.shows === false) reasons.push({ code: 'would-not-show', row });
  if (reasons.some((r) => r.code !== 'swing-changed')) return { kind: 'unclear', reasons, ...found };
  return {
    kind: 'pass',
    reasons: [{ code: 'within-band', hotBar: is.hotBar, lowBar: right!.lowGaugeBar, highBar: right!.highGaugeBar }, ...reasons],
    ...found,
  };
}

function rightHot(
  circuit: ResolvedCircuit,
  f: CycleFeatures,
  setToGaugeBar?: number,
): { lowGaugeBar: number; highGaugeBar: number } | null {
  if (f.hotC === null || f.coldBar === null || f.hotC <= (f.coldC ?? 15)) return null;
  return expectedPressure({
    circuit,
    coldGaugeBar: f.coldBar,
    coldC: f.coldC ?? 15,
    flowC: f.hotC,
    ...(f.hotReturnC !== null ? { returnC: f.hotReturnC } : {}),
    ...(setToGaugeBar !== undefined ? { prechargeGaugeBar: setToGaugeBar } : {}),
  });
}

import { complianceAt } from '../circuit/balance';
import { balanceOf } from '../circuit/balanceOf';
import { expectedPressure } from '../circuit/expectedPressure';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { Interval } from '../judge/Diagnosis';
import { INFLOW, LITTLE_GAS, OUTFLOW } from '../judge/faultGroups';
import type { FaultId } from '../judge/faults';
import { watchLengthMin } from '../judge/next/watchLength';
import type { TestId } from '../judge/tests';
import type { CycleFeatures } from '../log/cycleFeatures';

/** Whether the run after the work would have shown a fault if it were still there, and by what. */
export type StillThere =
  /** The rise that the same circuit would have made, by its run before the work; null where it would have gone to the relief. */
  | { fault: FaultId; by: 'rise'; shows: boolean; thereGaugeBar: number; lowGaugeBar: number; highGaugeBar: number }
  /** The flow found before would have moved the gauge by this much in the time watched; how much longer a watch would need. */
  | { fault: FaultId; by: 'drift'; shows: boolean; movedBar: number; watchedMin: number; neededMin: number }
  /** It opened at this pressure before; the run came to this one. */
  | { fault: FaultId; by: 'lift'; shows: boolean; openedGaugeBar: number; reachedGaugeBar: number }
  /** No run shows this fault; this test does, and has been done after the work or not. */
  | { fault: FaultId; by: 'test'; shows: boolean; test: TestId }
  /** Its pipe was seen dry after a heat run and so long cold, and how long is wanted. */
  | { fault: FaultId; by: 'pipe'; shows: boolean; coldMin: number; neededMin: number; looked: boolean; ranHot: boolean }
  /** Nothing from before the work to hold the run against. */
  | { fault: FaultId; by: 'nothing'; shows: null };

export interface WouldHaveShownInput {
  circuit: ResolvedCircuit;
  before: CycleFeatures | null;
  after: CycleFeatures;
  /** From the first to the last reading after the work, min. */
  watchedMin: number;
  /** How long the circuit was logged without heat, beside a run, min. */
  coldMin?: number;
  /** What was held to be wrong before the work. */
  worked: FaultId[];
  /** Tests done since. */
  testsAfter: readonly TestId[];
  /** What would be right on the run after the work; null where it has no temperature. */
  rightHot: { lowGaugeBar: number; highGaugeBar: number } | null;
  /** Flows found before the work, L/h. */
  inflowLPerH?: Interval | null;
  lossLPerH?: Interval | null;
}

/** Tests that show a fault where a run does not, the usual one first. Common practice. */
const ONLY_A_TEST: Partial<Record<FaultId, TestId[]>> = {
  'gauge-misreading': ['second-gauge', 'gauge-at-zero'],
  'vessel-gas-valve-leaking': ['gas-valve-bubbles'],
  'relief-valve-passing': ['discharge-pipe', 'discharge-catch'],
  'vessel-isolated': ['vessel-valve-position'],
  'vessel-connection-blocked': ['vessel-connection-flow'],
};
/** A gauge shows a change of half a division with certainty once that is more than a reading's own unsureness. */
const READING_BAR = 0.03;

/** What each fault that was worked on would have made of the run after the work. The run before stands for the fault: the charge that
 *  explains its rise is kept and put through the temperatures of the run after. A fault that a run cannot show is given the test that can;
 *  a run that shows it anyway (its rise, or the flow) counts. */
export function wouldHaveShown(input: WouldHaveShownInput): StillThere[] {
  return input.worked
    .filter((f) => f !== 'none')
    .map((fault) => {
      // A feed that works makes up what a relief loses: no gauge shows it, only the pipe.
      if (fault === 'relief-valve-passing' && input.circuit.fedByItself) return pipe(fault, input);
      const byRun =
        OUTFLOW.includes(fault) || INFLOW.includes(fault) || FEEDS.includes(fault)
          ? drift(fault, input)
          : fault === 'relief-valve-lifts-early'
            ? lift(fault, input)
            : LITTLE_GAS.includes(fault) || OTHERS_BY_RISE.includes(fault)
              ? rise(fault, input)
              : null;
      if (byRun?.shows) return byRun;
      const tests = ONLY_A_TEST[fault] ?? [],
        done = tests.find((t) => input.testsAfter.includes(t));
      if (done) return { fault, by: 'test', shows: true, test: done };
      if (!byRun && tests[0]) return { fault, by: 'test', shows: false, test: tests[0] };
      return byRun ?? { fault, by: 'nothing', shows: null };
    });
}

/** Faults of a feed that a cold pressure shows, as it holds or does not. */
const FEEDS: FaultId[] = ['feed-starved', 'pressurisation-unit-fault'];
/** How long the pipe is watched cold. Common practice. */
const COLD_WATCH_MIN = 60;

const pipe = (fault: FaultId, { after, coldMin = 0, testsAfter }: WouldHaveShownInput): StillThere => {
  const looked = testsAfter.some((t) => t === 'discharge-pipe' || t === 'discharge-catch'),
    ranHot = after.swingBar !== null;
  return { fault, by: 'pipe', shows: looked && ranHot && coldMin >= COLD_WATCH_MIN, coldMin, neededMin: COLD_WATCH_MIN, looked, ranHot };
};

const OTHERS_BY_RISE: FaultId[] = ['vessel-overcharged', 'air-in-circuit'];

function rise(fault: FaultId, { circuit, before, after, rightHot }: WouldHaveShownInput): StillThere | null {
  if (
    !before ||
    before.coldBar === null ||
    before.hotBar === null ||
    before.hotC === null ||
    after.coldBar === null ||
    after.hotC === null ||
    !rightHot
  )
    return null;
  const charge = chargeBehind(circuit, before as Known);
  const thereGaugeBar = Math.min(
    circuit.reliefSetGaugeBar,
    expectedPressure({
      circuit,
      coldGaugeBar: after.coldBar,
      coldC: after.coldC ?? 15,
      flowC: after.hotC,
      ...(after.hotReturnC !== null ? { returnC: after.hotReturnC } : {}),
      prechargeGaugeBar: charge,
    }).gaugeBar,
  );
  const doubt = circuit.gaugeStepBar / 2 + READING_BAR;
  return {
    fault,
    by: 'rise',
    shows: thereGaugeBar > rightHot.highGaugeBar + doubt || thereGaugeBar < rightHot.lowGaugeBar - doubt,
    thereGaugeBar,
    ...rightHot,
  };
}

interface Known {
  coldBar: number;
  coldC: number | null;
  hotBar: number;
  hotC: number;
  hotReturnC: number | null;
}

/** The vessel's charge that makes the run before come out, halving between no gas at all and a charge above the fill; a stand-in for
 *  whatever was wrong with it. */
function chargeBehind(circuit: ResolvedCircuit, run: Known): number {
  const hotAt = (prechargeGaugeBar: number) =>
    expectedPressure({
      circuit,
      coldGaugeBar: run.coldBar,
      coldC: run.coldC ?? 15,
      flowC: run.hotC,
      ...(run.hotReturnC !== null ? { returnC: run.hotReturnC } : {}),
      prechargeGaugeBar,
    }).gaugeBar;
  let low = 0.05 - circuit.atmosphericBar,
    high = Math.max(circuit.prechargeGaugeBar, run.coldBar);
  if (hotAt(low) <= run.hotBar) return low;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (hotAt(mid) > run.hotBar) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

function drift(fault: FaultId, { circuit, after, watchedMin, inflowLPerH, lossLPerH }: WouldHaveShownInput): StillThere | null {
  const flow = INFLOW.includes(fault) ? inflowLPerH : lossLPerH;
  if (!flow) {
    // Nothing from before tells how much it was: watched for as long as this circuit's gauge needs to show two litres an hour.
    const neededMin = usualWatchMin(circuit);
    return { fault, by: 'drift', shows: watchedMin >= neededMin - ROUNDING_MIN, movedBar: circuit.gaugeStepBar, watchedMin, neededMin };
  }
  // The least that was found likely: what must not be overlooked.
  const lPerH = Math.max(0.02, flow.p05),
    barPerMin = lPerH / 60 / complianceAt(balanceOf(circuit), after.coldBar ?? circuit.fillGaugeBar),
    neededBar = circuit.gaugeStepBar + READING_BAR;
  return {
    fault,
    by: 'drift',
    shows: barPerMin * watchedMin >= neededBar,
    movedBar: barPerMin * watchedMin,
    watchedMin,
    neededMin: neededBar / barPerMin,
  };
}

const ROUNDING_MIN = 1e-6;
const usualWatchMin = (circuit: ResolvedCircuit): number => watchLengthMin('fill-isolated-watch', circuit)!;

function lift(fault: FaultId, { before, after }: WouldHaveShownInput): StillThere | null {
  if (before?.hotBar == null || after.hotBar === null) return null;
  return { fault, by: 'lift', shows: after.hotBar >= before.hotBar, openedGaugeBar: before.hotBar, reachedGaugeBar: after.hotBar };
}

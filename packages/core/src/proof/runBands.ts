import { rightHot } from '../circuit/rightBand';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { endsRun, type PressureLog } from '../log/PressureLog';

/** One step of a heat run: the last reading in a span of flow temperatures, against what is right there. */
export interface RunBand {
  flowC: number;
  gaugeBar: number;
  /** What counts as right, with half a division of the gauge. */
  lowGaugeBar: number;
  highGaugeBar: number;
  /** Where the run before the work stood at this flow temperature; null where it did not come there. */
  beforeGaugeBar: number | null;
  /** `behind` is no fault while it heats: the water in the pipes lags the flow, and the pressure with it. */
  verdict: 'right' | 'high' | 'behind';
}

/** Span of flow temperatures that one row stands for, K, and the least rise above cold before a row says anything. */
const SPAN_K = 10,
  LEAST_RISE_K = 8;

/** A heat run, span by span, as far as it has come. Too high counts at once, since lag can only make the pressure lower.
 *  @param before the run before the work, if there was one
 *  @param setToGaugeBar the charge that the vessel was set to
 *  @returns rising in flow temperature; empty where no heat was put on or no temperature read */
export function runBands(
  circuit: ResolvedCircuit,
  after: PressureLog | null,
  before: PressureLog | null = null,
  setToGaugeBar?: number,
): RunBand[] {
  const run = after ? heating(after) : null;
  if (!run) return [];
  const was = before ? heating(before) : null;
  const rows = new Map<number, RunBand>();
  for (const r of run.readings) {
    if (r.flowC - run.coldC < LEAST_RISE_K) continue;
    const { lowGaugeBar: low, highGaugeBar: high } = rightHot({
      circuit,
      coldGaugeBar: run.coldBar,
      coldC: run.coldC,
      flowC: r.flowC,
      ...(r.returnC !== null ? { returnC: r.returnC } : {}),
      ...(setToGaugeBar !== undefined ? { prechargeGaugeBar: setToGaugeBar } : {}),
    });
    const verdict = r.gaugeBar > high ? 'high' : r.gaugeBar < low ? 'behind' : 'right';
    rows.set(Math.floor(r.flowC / SPAN_K), {
      flowC: r.flowC,
      gaugeBar: r.gaugeBar,
      lowGaugeBar: low,
      highGaugeBar: high,
      beforeGaugeBar: was ? atFlow(was.readings, r.flowC) : null,
      verdict,
    });
  }
  return [...rows.entries()].sort(([a], [b]) => a - b).map(([, r]) => r);
}

interface Reading {
  flowC: number;
  returnC: number | null;
  gaugeBar: number;
}

/** From the cold reading up to the hottest, or to the first water let in or out. */
function heating(log: PressureLog): { coldBar: number; coldC: number; readings: Reading[] } | null {
  const { tS, pressureBar, flowC, returnC } = log.samples;
  const onS = log.events?.findLast((e) => e.kind === 'heat-on')?.tS;
  if (onS === undefined || !flowC) return null;
  const endS = log.events!.find((e) => e.tS > onS && endsRun(e))?.tS ?? Infinity;
  let cold: { coldBar: number; coldC: number } | null = null,
    hottestC = -Infinity;
  const readings: Reading[] = [];
  tS.forEach((t, i) => {
    const p = pressureBar[i],
      c = flowC[i];
    if (p == null || c == null || t > endS) return;
    if (t <= onS || !cold) cold = { coldBar: p, coldC: c };
    else if (c > hottestC || readings.length === 0) {
      hottestC = c;
      readings.push({ flowC: c, returnC: returnC?.[i] ?? null, gaugeBar: p });
    }
  });
  return cold === null ? null : { ...(cold as { coldBar: number; coldC: number }), readings };
}

/** Straight line between the two readings round a flow temperature. */
function atFlow(readings: Reading[], flowC: number): number | null {
  const above = readings.findIndex((r) => r.flowC >= flowC);
  if (above < 0) return null;
  const b = readings[above]!,
    a = readings[above - 1];
  if (!a) return b.flowC - flowC < SPAN_K / 2 ? b.gaugeBar : null;
  return a.gaugeBar + ((b.gaugeBar - a.gaugeBar) * (flowC - a.flowC)) / Math.max(0.1, b.flowC - a.flowC);
}

import type { Interval, Judgement } from './Diagnosis';
import { chargeOf } from './fit/draw';
import type { Judged } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import { SLOT } from './fit/kernel';
import type { LogTrack } from './layOut/LogTrack';

/** Wider than this an estimate of the charge says nothing, bar. */
const WIDEST_CHARGE_BAR = 2;
const LEAST_SPAN_K = 10;
/** From this share of its marking on a log tells where the relief lifts; from this suspicion on it is worth a word; wider says nothing. */
const NEAR_LIFT = 0.9,
  LIFT_SUSPECTED = 0.3,
  WIDEST_LIFT_BAR = 0.8;
/** An interval wider than this share of the marking is no more than what any relief of that marking does. */
const TOLD_LIFT_SHARE = 0.085;

/** Estimates over all sets, each by its weight; null where the data cannot support one. */
export function estimates(judged: Judged, testsDone: ReadonlySet<string>): Judgement['estimates'] {
  const { sets, circuit, seen, tracks } = judged;
  // A gauge that never moved, an empty circuit's above all, tells nothing of the vessel.
  const heated = tracks.some((t) => t.spanK >= LEAST_SPAN_K && moved(t, circuit.gaugeStepBar));
  const chargeAtVessel = (v: Float64Array) => {
    const atGauge = chargeOf(v, seen);
    return atGauge === null ? null : atGauge - seen.vesselStaticBar;
  };
  const charge =
    heated || testsDone.has('precharge') || testsDone.has('draw-off')
      ? interval(sets, (v, s) =>
          s.faults.some((f) => f === 'vessel-isolated' || f === 'vessel-connection-blocked') ? null : chargeAtVessel(v),
        )
      : null;
  const has = (s: JudgedSet, slots: number[]) => slots.some((slot) => s.draws[0]!.v[slot]! > 0);
  const flow = (slots: number[], headOf: (v: Float64Array) => number) => {
    const share = sets.filter((s) => has(s, slots)).reduce((a, s) => a + s.probability, 0);
    return share < 0.3
      ? null
      : interval(
          sets.filter((s) => has(s, slots)),
          (v) => slots.reduce((a, slot) => a + v[slot]!, 0) * Math.sqrt(Math.max(0, headOf(v))),
        );
  };
  const lastBar = tracks.at(-1)?.gaugeBar.at(-1) ?? circuit.fillGaugeBar;
  const peakBar = Math.max(-1, ...tracks.flatMap((t) => [...t.gaugeBar])),
    early = sets.filter((s) => s.faults.includes('relief-valve-lifts-early')).reduce((a, s) => a + s.probability, 0);
  const lift =
    peakBar > NEAR_LIFT * circuit.reliefSetGaugeBar || early > LIFT_SUSPECTED
      ? interval(sets, (v) => v[SLOT.lift]! + v[SLOT.offset]!)
      : null;
  return {
    prechargeBar: charge && charge.p95 - charge.p05 < WIDEST_CHARGE_BAR ? charge : null,
    inflowLPerH: flow([SLOT.inFill, SLOT.inCoil], (v) => v[SLOT.mains]! - lastBar),
    lossLPerH: lastBar > 0 ? flow([SLOT.outCircuit, SLOT.outBoiler], () => lastBar) : null,
    gaugeOffsetBar: testsDone.has('second-gauge') || testsDone.has('gauge-at-zero') ? interval(sets, (v) => v[SLOT.offset]!) : null,
    waterVolumeL: heated ? interval(sets, (v) => v[SLOT.contentL]!) : null,
    reliefLiftBar:
      lift && lift.p95 - lift.p05 < (early > LIFT_SUSPECTED ? WIDEST_LIFT_BAR : TOLD_LIFT_SHARE * circuit.reliefSetGaugeBar) ? lift : null,
  };
}

/** Whether the readings differ by more than their own rounding. */
const moved = (t: LogTrack, stepBar: number): boolean => Math.max(...t.gaugeBar) - Math.min(...t.gaugeBar) > Math.max(0.03, 0.75 * stepBar);

/** So little of all weight moves no interval's end: of ten thousand draws, most weigh less. */
const LEAST_WEIGHT = 1e-7;

function interval(sets: JudgedSet[], of: (v: Float64Array, set: JudgedSet) => number | null): Interval | null {
  const values: { x: number; w: number }[] = [];
  for (const s of sets) {
    if (s.probability < 1e-4) continue;
    for (const d of s.draws) {
      const w = s.probability * d.weight;
      if (w < LEAST_WEIGHT) continue;
      const x = of(d.v, s);
      if (x !== null) values.push({ x, w });
    }
  }
  if (values.length < 10) return null;
  values.sort((a, b) => a.x - b.x);
  const total = values.reduce((a, b) => a + b.w, 0);
  const at = (share: number) => {
    let c = 0;
    for (const { x, w } of values) {
      c += w;
      if (c >= share * total) return x;
    }
    return values.at(-1)!.x;
  };
  return { median: at(0.5), p05: at(0.05), p95: at(0.95) };
}

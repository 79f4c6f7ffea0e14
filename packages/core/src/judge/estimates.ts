import type { Interval, Judgement } from './Diagnosis';
import { chargeOf, inKOf, outKOf } from './fit/draw';
import type { Judged } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import { SLOT } from './fit/kernel';
import { topGaugeBar, type LogTrack } from './layOut/LogTrack';

/** Wider than this an estimate of the charge says nothing, bar. */
const WIDEST_CHARGE_BAR = 2;
const LEAST_SPAN_K = 10;
/** From this share of its marking on a log tells where the relief lifts; from this suspicion on it is worth a word; wider says nothing. */
const NEAR_LIFT = 0.9,
  LIFT_SUSPECTED = 0.3,
  WIDEST_LIFT_BAR = 0.8;
/** So far above its lift the pressure goes on rising while little has to pass, as a share of the marking. Common practice. */
const RISES_ON_SHARE = 0.015,
  /** And how far off a division is read, as a share of it. */
  READ_OFF_SHARE = 0.4;
/** A pointer that rises by jerks shows where a relief lifts within so much, bar. Common practice. */
const STICKS_BAR = 0.04;
/** From this suspicion on of water coming in, or going out, it is told how much. */
const HOLE_SUSPECTED = 0.3;
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
  // The mean over the last log: what the water that is gone or has come divides by, whichever way the pressure went meanwhile.
  const lastMeanBar = tracks.at(-1)?.meanGaugeBar ?? circuit.fillGaugeBar,
    meanBar = (v: Float64Array) => lastMeanBar - v[SLOT.offset]!;
  return {
    prechargeBar: charge && charge.p95 - charge.p05 < WIDEST_CHARGE_BAR ? charge : null,
    inflowLPerH: flow(sets, inKOf, (v) => v[SLOT.mains]! - meanBar(v)),
    lossLPerH: flow(sets, outKOf, meanBar),
    gaugeOffsetBar: testsDone.has('second-gauge') || testsDone.has('gauge-at-zero') ? interval(sets, (v) => v[SLOT.offset]!) : null,
    waterVolumeL: heated ? interval(sets, (v) => v[SLOT.contentL]!) : null,
    reliefLiftBar: liftOf(judged),
  };
}

/** What passes holes at the pressure across them, L/h, where a hole is likely enough. */
function flow(sets: JudgedSet[], kOf: (v: Float64Array) => number, acrossBar: (v: Float64Array) => number): Interval | null {
  const leaky = sets.filter((s) => kOf(s.draws[0]!.v) > 0);
  if (leaky.reduce((a, s) => a + s.probability, 0) < HOLE_SUSPECTED) return null;
  const rate = interval(leaky, (v) => kOf(v) * Math.sqrt(Math.max(0, acrossBar(v))));
  return rate && rate.median > 0 ? rate : null;
}

/** Where the relief lifts, as the gauge shows it, bar; null where the logs say no more than its marking. A gauge that may lie does not
 *  make that unknown. */
function liftOf({ sets, circuit, tracks }: Judged): Interval | null {
  const topBar = topGaugeBar(tracks) ?? -1,
    early = sets.filter((s) => s.faults.includes('relief-valve-lifts-early')).reduce((a, s) => a + s.probability, 0);
  if (topBar < NEAR_LIFT * circuit.reliefSetGaugeBar && early < LIFT_SUSPECTED) return null;
  // A relief that saws fits by its mean as well as by its peaks; but no pressure stands far above where it lifts.
  const aboveSdBar = Math.hypot(RISES_ON_SHARE * circuit.reliefSetGaugeBar, READ_OFF_SHARE * circuit.gaugeStepBar),
    shownBar = (v: Float64Array) => v[SLOT.lift]! + v[SLOT.offset]!,
    bears = (v: Float64Array) => Math.exp(-0.5 * (Math.max(0, topBar - shownBar(v)) / aboveSdBar) ** 2);
  const lift = interval(sets, shownBar, bears);
  return lift && lift.p95 - lift.p05 < (early > LIFT_SUSPECTED ? WIDEST_LIFT_BAR : TOLD_LIFT_SHARE * circuit.reliefSetGaugeBar)
    ? widened(lift, STICKS_BAR)
    : null;
}

/** An interval once a normal error that it does not hold yet is added. */
function widened({ median, p05, p95 }: Interval, sd: number): Interval {
  const farther = (end: number) => Math.hypot(end - median, Z_90 * sd);
  return { median, p05: median - farther(p05), p95: median + farther(p95) };
}
/** Half a 90 % interval of a normal error, in its standard deviations. */
const Z_90 = 1.645;

/** Whether the readings differ by more than their own rounding. */
const moved = (t: LogTrack, stepBar: number): boolean => Math.max(...t.gaugeBar) - Math.min(...t.gaugeBar) > Math.max(0.03, 0.75 * stepBar);

/** So little of all weight moves no interval's end: of ten thousand draws, most weigh less. */
const LEAST_WEIGHT = 1e-7;

function interval(
  sets: JudgedSet[],
  of: (v: Float64Array, set: JudgedSet) => number | null,
  bears: (v: Float64Array) => number = () => 1,
): Interval | null {
  const values: { x: number; w: number }[] = [];
  for (const s of sets) {
    if (s.probability < 1e-4) continue;
    for (const d of s.draws) {
      const w = s.probability * d.weight * bears(d.v);
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

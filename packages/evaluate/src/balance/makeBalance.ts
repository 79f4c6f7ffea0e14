import { acrossHoles } from '../truth/acrossHoles';
import type { Tier, TruthCase } from '../truth/makeCase';
import { seeded, type Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { differs, fillLast, untilItShows, type Maker } from '../truth/untilItShows';
import { BALANCE_FAULTS, faultsMet, pairsMet } from './balanceFaults';
import { balanceFinding, FOUND_BY, SOON_DONE } from './balanceFindings';
import { balanceLog } from './balanceLog';
import { balancePlant, scaleOf, type BalancePlant } from './BalancePlant';
import { runBalance, type BalanceRun } from './runBalance';

/** Tiers that the third maker knows: one log, or one and findings. */
export const BALANCE_TIERS: readonly Tier[] = ['hand', 'logger', 'findings', 'pair'];
const MAKER: Maker = { name: 'balance', tiers: BALANCE_TIERS, keys: { seed: 7919, tier: 1_299_709, attempt: 15_485_863 } },
  LEAST_SHOWN_BAR = 0.25;

/** One made-up visit by the third maker. Every fault shows: in the log, or in a finding that would have come out otherwise. The same tier
 *  and seed give the same visit.
 *  @param leastShownBar by how much a log must differ from the same visit without the fault, bar
 *  @throws {RangeError} for a tier of several logs, which this maker does not know */
export const makeBalance = (tier: Tier, seed: number, leastShownBar = LEAST_SHOWN_BAR): TruthCase =>
  untilItShows(MAKER, tier, seed, (key) => tryBalance(tier, key, leastShownBar));

function tryBalance(tier: Tier, key: number, leastShownBar: number): TruthCase | null {
  const r = seeded(key),
    sound = balancePlant(r),
    byHand = tier !== 'logger',
    faults = tier === 'pair' ? r.weighted(pairsMet(sound)) : [r.weighted(faultsMet(sound))];
  const broken = fillLast(faults.map((f) => ({ f, size: r.uniform(), seed: Math.floor(r.uniform(1, 1e9)) })));
  const plantWithout = (left: string | null): BalancePlant => {
    const p = structuredClone(sound);
    for (const { f, size, seed } of broken) if (f !== left) BALANCE_FAULTS[f]!(p, size, seeded(seed));
    p.coldBar = Math.max(0.1, Math.min(Math.max(p.coldBar, p.feed?.fromBar ?? 0), p.relief.liftBar - 0.1));
    return p;
  };
  const plant = plantWithout(null),
    run = runOf(plant, r),
    writing = Math.floor(r.uniform(1, 1e9));
  const tests = tier === 'findings' || tier === 'pair' ? testsOf(faults, r) : [];
  const visitTo = (p: BalancePlant) => {
    const trace = runBalance(p, run);
    return {
      trace,
      log: balanceLog(p, trace, run, byHand, seeded(writing)),
      findings: tests.map((test, i) => balanceFinding(test, p, trace.lifted, seeded(writing + 31 * (i + 1)))),
    };
  };
  const visit = visitTo(plant),
    { trace, log, findings } = visit,
    { stepBar } = plant.gauge,
    leastBar = Math.max(leastShownBar, 1.5 * stepBar);
  if (
    !faults.every(
      (f) =>
        f === 'none' || differs(visit, visitTo(plantWithout(f)), leastBar, (name) => SPEAKS_FROM[name] ?? Math.max(0.12, 1.2 * stepBar)),
    )
  )
    return null;
  const measured = r.chance(0.3),
    alreadyDone = r.chance(0.12) ? [{ part: r.pick(['vessel', 'relief-valve', 'pressure-sensor', 'fill-loop', 'gauge']) }] : [],
    complaint = complaintsOf(plant, trace.lifted, r),
    across = acrossHoles(trace.bar, plant.mainsBar);
  return {
    tier,
    case: {
      format: 'jumper-case',
      version: 1,
      id: '',
      ...(complaint.length ? { complaint } : {}),
      ...(alreadyDone.length ? { alreadyDone } : {}),
      circuit: sheetOf(sound, plant, byHand, measured, r),
      logs: [log],
      findings: findings.filter((f) => f !== null),
    },
    truth: {
      faults: [...faults].sort(),
      chargeBar: plant.way === 'open' ? plant.chargeBar : null,
      contentL: sound.contentL,
      contentMeasured: measured,
      riseK: trace.flowC.reduce((a, b) => Math.max(a, b), -99) - trace.flowC[0]!,
      offsetBar: plant.gauge.offsetBar,
      inflowLPerH: plant.inL * across.wayIn,
      lossLPerH: (plant.outL + plant.seatL) * across.wayOut,
      liftBar: plant.relief.liftBar,
    },
  };
}

/** By how much each number has to differ to speak of a fault. */
const SPEAKS_FROM: Record<string, number> = {
  volumeMl: 30,
  count: 2,
  volumeL: 0.7,
  flowC: 7,
  returnC: Infinity,
  minutes: Infinity,
  idleHours: Infinity,
  minutesFiring: Infinity,
  circuitBar: Infinity,
};

function testsOf(faults: string[], r: Random): string[] {
  const chosen = new Set(faults.flatMap((f) => (FOUND_BY[f] && r.chance(0.9) ? [r.pick(FOUND_BY[f])] : [])));
  for (const count = 2 + Math.floor(r.uniform(0, 3)); chosen.size < count;) chosen.add(r.pick(SOON_DONE));
  return [...chosen];
}

function runOf(p: BalancePlant, r: Random): BalanceRun {
  if (r.chance(0.12)) return { durationS: 60 * Math.round(r.uniform(45, 180)), heat: null, shut: [] };
  const slow = p.kind === 'unit' ? 1.6 : 1,
    readFromS = r.chance(0.04) ? 2400 : 0,
    onS = readFromS ? 0 : 60 * Math.round(r.uniform(2, 12)),
    offS = readFromS + onS + 60 * Math.round(r.uniform(15, 45) * slow),
    coolS = r.chance(0.6) ? 60 * Math.round(r.uniform(20, 75) * slow) : 0;
  return { durationS: offS + coolS, heat: [onS, offS], shut: [], readFromS };
}

/** What whoever called says: mostly what the fault does, sometimes nothing. */
function complaintsOf(p: BalancePlant, lifted: boolean, r: Random): string[] {
  const says: string[] = [],
    hears = (when: boolean, complaint: string, share: number) => {
      if (when && r.chance(share)) says.push(complaint);
    };
  if (r.chance(0.3)) return says;
  hears(p.outL + p.seatL > 0 || lifted, 'topped-up-often', 0.6);
  hears(p.seatL > 0 || lifted || p.inL > 0, 'drips-outside', 0.5);
  hears(lifted || p.chargeBar < p.wantedChargeBar - 0.3 || p.way !== 'open', 'gauge-climbs-hot', 0.5);
  hears(p.outBy === 'circuit' || p.outBy === 'vent', 'water-on-floor', 0.3);
  hears(p.coldBar < 0.6, 'locks-out', 0.5);
  hears(p.airL > scaleOf(p), 'cold-room', 0.4);
  hears(true, 'noise', 0.04);
  return says;
}

/** What stands on the sheet: a content off by a fifth or left out, labels missing, heights guessed. */
function sheetOf(sound: BalancePlant, p: BalancePlant, byHand: boolean, measured: boolean, r: Random): Record<string, unknown> {
  const { kind, mainsBar, feed } = sound,
    fills =
      kind === 'fed'
        ? { kind: 'reducing-valve', setBar: feed!.toBar }
        : kind === 'unit'
          ? { kind: 'pressurisation-unit', cutInBar: toStep(feed!.fromBar, 0.05), cutOutBar: toStep(feed!.toBar, 0.05) }
          : { kind: 'manual-loop', ...(r.chance(0.4) ? { mainsBar: toStep(mainsBar, 0.1) } : {}) };
  return {
    kind: 'sealed-hot-water',
    heatOutputKw: sound.mostKw,
    gauge: { kind: byHand ? 'dial' : 'sensor', ...(r.chance(0.9) ? { resolutionBar: byHand ? p.gauge.stepBar : 0.01 } : {}) },
    ...(measured
      ? { waterVolumeL: Math.round(sound.contentL * r.normal(1, 0.02)), waterVolumeSource: 'measured' }
      : r.chance(0.85)
        ? { waterVolumeL: Math.round(sound.contentL * Math.exp(r.normal(0, 0.14))), waterVolumeSource: 'estimated' }
        : {}),
    vessel: {
      nominalVolumeL: p.vesselL,
      ...(r.chance(0.7) ? { labelPrechargeBar: sound.wantedChargeBar } : {}),
      ...(p.way === 'shut' || r.chance(0.7)
        ? { isolationValve: p.way === 'shut' ? 'fitted' : r.pick(['none', 'fitted', 'fitted-with-drain']) }
        : {}),
      ...(r.chance(0.6) ? { ageYears: Math.round(r.uniform(1, 15)) } : {}),
    },
    reliefValve: { setBar: sound.reliefMarkedBar },
    ...(r.chance(0.95) ? { fill: fills } : {}),
    ...(r.chance(0.95) ? { domesticHotWater: { kind: p.dhw } } : {}),
    ...(r.chance(0.8) ? { staticHeadM: Math.max(0.5, toStep(sound.headM + r.normal(0, 0.6), 0.5)) } : {}),
    ...(r.chance(0.75) ? { maxFlowC: sound.limitC } : {}),
  };
}

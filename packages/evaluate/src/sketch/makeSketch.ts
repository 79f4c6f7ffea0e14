import { acrossHoles } from '../truth/acrossHoles';
import type { Tier, TruthCase } from '../truth/makeCase';
import { seeded, type Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { differs, fillLast, untilItShows, type Maker } from '../truth/untilItShows';
import { runSketch, type SketchSchedule } from './runSketch';
import { BESIDES, sketchFinding, SPEAKS_OF } from './sketchFindings';
import { faultsOf, pairsOf, SKETCH_FAULTS } from './sketchFaults';
import { sketchPlant, type SketchPlant } from './SketchPlant';
import { sketchLog } from './sketchReadings';

/** Tiers that this maker knows: one log, or one and findings. */
export const SKETCH_TIERS: readonly Tier[] = ['hand', 'logger', 'findings', 'pair'];
const MAKER: Maker = { name: 'sketch', tiers: SKETCH_TIERS, keys: { seed: 6151, tier: 98_317, attempt: 12_582_917 } },
  LEAST_SHOWN_BAR = 0.25;

/** One made-up visit by the second maker. Every fault shows: in the log, or in a finding that would have come out otherwise. The same tier
 *  and seed give the same visit.
 *  @param leastShownBar by how much a log must differ from the same visit without the fault, bar
 *  @throws {RangeError} for a tier of several logs, which this maker does not know */
export const makeSketch = (tier: Tier, seed: number, leastShownBar = LEAST_SHOWN_BAR): TruthCase =>
  untilItShows(MAKER, tier, seed, (key) => trySketch(tier, key, leastShownBar));

function trySketch(tier: Tier, key: number, leastShownBar: number): TruthCase | null {
  const r = seeded(key),
    sound = sketchPlant(r),
    byHand = tier !== 'logger';
  const faults = tier === 'pair' ? r.pick(pairsOf(sound)) : [r.pick(faultsOf(sound))];
  const broken = fillLast(faults.map((f) => ({ f, severity: r.uniform(), seed: Math.floor(r.uniform(1, 1e9)) })));
  const plantWithout = (left: string | null): SketchPlant => {
    const p = structuredClone(sound);
    for (const { f, severity, seed } of broken) if (f !== left) SKETCH_FAULTS[f]!(p, severity, seeded(seed));
    p.coldBar = Math.min(Math.max(p.coldBar, p.setBar ?? 0, p.pumpsFromBar ?? 0), p.reliefBar - 0.1);
    return p;
  };
  const plant = plantWithout(null),
    schedule = scheduleOf(plant, r),
    writing = Math.floor(r.uniform(1, 1e9));
  const tests = tier === 'findings' || tier === 'pair' ? testsOf(faults, r) : [];
  const visitTo = (p: SketchPlant) => {
    const trace = runSketch(p, schedule);
    return {
      trace,
      log: sketchLog(p, trace, schedule, byHand, seeded(writing)),
      findings: tests.map((test, i) => sketchFinding(test, p, trace.lifted, seeded(writing + 7 * (i + 1)))),
    };
  };
  const visit = visitTo(plant),
    { trace, log, findings } = visit,
    { stepBar } = plant,
    leastBar = Math.max(leastShownBar, 1.5 * stepBar);
  if (
    !faults.every(
      (f) => f === 'none' || differs(visit, visitTo(plantWithout(f)), leastBar, (name) => LEAST[name] ?? Math.max(0.15, 1.5 * stepBar)),
    )
  )
    return null;
  const { sheet, contentMeasured } = sheetOf(sound, plant, byHand, r),
    across = acrossHoles(trace.bar, plant.mainsBar);
  return {
    tier,
    case: { format: 'jumper-case', version: 1, id: '', circuit: sheet, logs: [log], findings: findings.filter((f) => f !== null) },
    truth: {
      faults: [...faults].sort(),
      chargeBar: plant.vesselOpen && plant.narrowS === 0 ? plant.chargeBar : null,
      contentL: sound.contentL,
      contentMeasured,
      riseK: trace.flowC.reduce((a, b) => Math.max(a, b), -99) - trace.flowC[0]!,
      offsetBar: plant.offsetBar,
      inflowLPerH: plant.inK * across.wayIn,
      lossLPerH: (plant.outK + plant.dripK) * across.wayOut,
      liftBar: plant.reliefBar,
    },
  };
}

/** By how much a number has to differ to speak of a fault; minutes and places never do. */
const LEAST: Record<string, number> = {
  volumeMl: 30,
  count: 2,
  volumeL: 0.7,
  flowC: 8,
  returnC: 8,
  minutes: Infinity,
  idleHours: Infinity,
  minutesFiring: Infinity,
};

function testsOf(faults: string[], r: Random): string[] {
  const chosen = new Set(faults.flatMap((f) => (r.chance(0.85) && SPEAKS_OF[f]!.length ? [r.pick(SPEAKS_OF[f]!)] : [])));
  for (const most = 2 + Math.floor(r.uniform(0, 3)); chosen.size < most;) chosen.add(r.pick(BESIDES));
  return [...chosen];
}

function scheduleOf(p: SketchPlant, r: Random): SketchSchedule {
  const idleS = r.uniform(2, 12) * 60,
    hotS = r.uniform(18, 45) * 60 * (p.kind === 'unit' ? 1.5 : 1),
    coolS = r.chance(0.55) ? r.uniform(20, 60) * 60 : 0;
  if (r.chance(0.12)) return { durationS: 60 * Math.round(r.uniform(40, 120)), heat: [], actions: [] };
  return { durationS: 60 * Math.round((idleS + hotS + coolS) / 60), heat: [[Math.round(idleS), Math.round(idleS + hotS)]], actions: [] };
}

/** What stands on the sheet: the content off by a quarter at most, labels and heights left out now and then. */
function sheetOf(
  sound: SketchPlant,
  p: SketchPlant,
  byHand: boolean,
  r: Random,
): { sheet: Record<string, unknown>; contentMeasured: boolean } {
  const contentMeasured = r.chance(0.25),
    content = Math.round(sound.contentL * (contentMeasured ? r.normal(1, 0.02) : r.uniform(0.78, 1.28)));
  const sheet: Record<string, unknown> = {
    kind: 'sealed-hot-water',
    heatOutputKw: Math.round(p.outputKw),
    gauge: { kind: byHand ? 'dial' : 'sensor', resolutionBar: byHand ? p.stepBar : 0.01 },
    vessel: {
      nominalVolumeL: p.vesselL,
      ...(r.chance(0.75) ? { labelPrechargeBar: p.rightChargeBar } : {}),
      isolationValve: r.pick(p.shutOff ? ['fitted', 'fitted-with-drain'] : ['none', 'none', 'fitted', 'fitted-with-drain']),
      ageYears: Math.round(r.uniform(1, 16)),
    },
    reliefValve: { setBar: p.reliefMarkedBar },
    fill: fillOf(sound, p, r),
    domesticHotWater: { kind: p.dhw },
  };
  if (r.chance(0.9)) {
    sheet.waterVolumeL = content;
    sheet.waterVolumeSource = contentMeasured ? 'measured' : 'estimated';
  }
  if (r.chance(0.85)) sheet.staticHeadM = Math.max(0.5, toStep(sound.headM + r.normal(0, 0.3), 0.1));
  if (r.chance(0.8)) sheet.maxFlowC = sound.limitC;
  return { sheet, contentMeasured };
}

function fillOf(sound: SketchPlant, p: SketchPlant, r: Random): Record<string, unknown> {
  if (p.kind === 'fed') return { kind: 'reducing-valve', setBar: sound.setBar };
  if (p.kind === 'unit')
    return { kind: 'pressurisation-unit', cutInBar: toStep(sound.pumpsFromBar!, 0.05), cutOutBar: toStep(sound.pumpsToBar!, 0.05) };
  return { kind: 'manual-loop', ...(r.chance(0.6) ? { mainsBar: toStep(p.mainsBar, 0.1) } : {}) };
}

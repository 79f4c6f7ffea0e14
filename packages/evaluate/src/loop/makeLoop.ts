import type { WrittenFinding } from '../truth/Doing';
import { acrossHoles } from '../truth/acrossHoles';
import type { Tier, TruthCase } from '../truth/makeCase';
import type { WrittenLog } from '../truth/readings';
import { seeded, type Random } from '../truth/random';
import { toStep } from '../truth/toStep';
import { differs, fillLast, untilItShows, type Maker } from '../truth/untilItShows';
import { kindsFor, LOOP_FAULTS, LOOP_FAULT_IDS, LOOP_PAIRS } from './loopFaults';
import { loopFinding, LOOP_TESTS } from './loopFindings';
import { loopLog, loopVisit } from './loopLog';
import { loopPlant, sizeOf, type LoopPlant } from './LoopPlant';
import { runLoop } from './runLoop';

/** Tiers that the fourth maker knows. */
export const LOOP_TIERS: readonly Tier[] = ['hand', 'logger', 'findings', 'pair', 'days'];
const MAKER: Maker = { name: 'loop', tiers: LOOP_TIERS, keys: { seed: 5381, tier: 611_953, attempt: 14_348_907 } },
  LEAST_SHOWN_BAR = 0.3;
/** In a log of days what moves water does so at this share of its pace on a visit. */
const DAYS_PACE = 0.1;
/** Faults of where the pressure stands. */
const LEVELS = new Set([
  'fill-pressure-too-low',
  'fill-pressure-too-high',
  'feed-starved',
  'reducing-valve-set-high',
  'pressurisation-unit-fault',
]);
/** What is left of what a log has to show after many tries. */
const LEAST_LEFT = 0.3;

/** One made-up visit by the fourth maker: the fault is drawn in turn by the seed, each as often as any other, then a plant on which it is
 *  met. Every fault shows: in the log, or in a finding that would have come out otherwise.
 *  @param leastShownBar by how much a log must differ from the same visit without the fault, bar; less where a fault hardly ever does so
 *  much, as air
 *  @throws {RangeError} for a tier of several logs, which this maker does not know */
export const makeLoop = (tier: Tier, seed: number, leastShownBar = LEAST_SHOWN_BAR): TruthCase =>
  untilItShows(MAKER, tier, seed, (key, tried) => tryLoop(tier, seed, key, leastShownBar * Math.max(LEAST_LEFT, 1 - tried / 200)));

/** What is at fault on a visit: pairs and single ones in turn; a core that leaks shows in no log. */
function faultsOf(tier: Tier, seed: number): readonly string[] {
  if (tier === 'pair') return LOOP_PAIRS[seed % LOOP_PAIRS.length]!;
  const ids = tier === 'findings' ? LOOP_FAULT_IDS : LOOP_FAULT_IDS.filter((f) => f !== 'vessel-gas-valve-leaking');
  return [ids[seed % ids.length]!];
}

function tryLoop(tier: Tier, seed: number, key: number, leastShownBar: number): TruthCase | null {
  const r = seeded(key),
    faults = faultsOf(tier, seed),
    drawn = loopPlant(r.pick(kindsFor(faults)), r),
    sound: LoopPlant = faults.includes('dhw-coil-perforated') ? { ...drawn, dhw: 'indirect-coil' } : drawn;
  const ofDays = tier === 'days',
    byHand = tier !== 'logger' && !ofDays,
    broken = fillLast(faults.map((f) => ({ f, size: r.uniform(), seed: Math.floor(r.uniform(1, 1e9)) })));
  const plantWithout = (left: string | null): LoopPlant => {
    const p = structuredClone(sound);
    for (const { f, size, seed: by } of broken) if (f !== left) LOOP_FAULTS[f]!.breaks(p, size, seeded(by));
    // Where it stands cold is what a fault of the level is about; of any other it says nothing.
    if (left !== null && !LEVELS.has(left)) p.coldBar = plantWithout(null).coldBar;
    if (p.feed && p.coldBar < p.feed.fromBar) p.coldBar = p.feed.fromBar + STANDS_AT * (p.feed.toBar - p.feed.fromBar);
    p.coldBar = Math.min(p.coldBar, p.relief.liftBar - BELOW_LIFT_BAR);
    if (ofDays) {
      p.inLPerH *= DAYS_PACE;
      p.outLPerH *= DAYS_PACE;
    }
    return p;
  };
  const plant = plantWithout(null),
    visit = loopVisit(plant, ofDays, r),
    writing = Math.floor(r.uniform(1, 1e9)),
    tests = tier === 'findings' || tier === 'pair' ? testsOf(faults, r) : [];
  const visitTo = (p: LoopPlant) => {
    const trace = runLoop(p, visit.run, ofDays ? 20 : 5),
      findingsOf = (maySlip: boolean) =>
        tests.map((test, i) => loopFinding(test, p, trace.lifted, seeded(writing + 17 * (i + 1)), maySlip));
    return { trace, log: loopLog(p, trace, visit, byHand, seeded(writing)), findings: findingsOf(false), findingsOf };
  };
  const seen = visitTo(plant),
    { trace, log } = seen,
    writtenDown = seen.findingsOf(true),
    done = writtenDown.filter((f) => f !== null),
    { stepBar } = plant.gauge;
  if ((tests.length > 0 && done.length < 2) || liesAtItsFoot(log)) return null;
  // What was written down by a slip speaks of nothing.
  const speaks = { log, findings: seen.findings.map((f, i) => (f?.outcome === writtenDown[i]?.outcome ? f : null)) };
  const tells = (f: string) =>
    differs(
      speaks,
      visitTo(plantWithout(f)),
      Math.max(leastShownBar, byHand ? 1.5 * stepBar : 0),
      (name) => LEAST_OF[name] ?? (name.endsWith('Bar') && name !== 'circuitBar' ? Math.max(0.12, 1.2 * stepBar) : Infinity),
    );
  const shows = (f: string) =>
    f === 'none' ||
    (f === 'boiler-overheating' ? hottestRead(log, done) > plant.limitC + 8 : (f !== 'vessel-undersized' || isTooSmall(plant)) && tells(f));
  if (!faults.every(shows)) return null;
  const measured = r.chance(0.3),
    sheet = sheetOf(sound, plant, byHand, measured, r);
  if (!faults.every((f) => countsBySheet(f, plant, sheet))) return null;
  const complaint = complaintsOf(plant, trace.lifted, r),
    across = acrossHoles(trace.bar, plant.mainsBar),
    alreadyDone = r.chance(0.1) ? [{ part: r.pick(['vessel', 'relief-valve', 'gauge', 'pump', 'pressure-sensor']) }] : [];
  return {
    tier,
    case: {
      format: 'jumper-case',
      version: 1,
      id: '',
      ...(complaint.length ? { complaint } : {}),
      ...(alreadyDone.length ? { alreadyDone } : {}),
      circuit: sheet,
      logs: [log],
      findings: done,
    },
    truth: {
      faults: [...faults].sort(),
      chargeBar: plant.vessel.way === 'open' ? plant.vessel.chargeBar : null,
      contentL: sound.contentL,
      contentMeasured: measured,
      riseK: trace.flowC.reduce((a, b) => Math.max(a, b), -99) - visit.run.roomC,
      offsetBar: plant.gauge.offsetBar,
      inflowLPerH: plant.inLPerH * sizeOf(plant) * (across.wayIn / Math.SQRT2),
      lossLPerH: plant.outLPerH * sizeOf(plant) * (across.wayOut / Math.SQRT2),
      liftBar: plant.relief.liftBar,
    },
  };
}

/** By how much each number of a finding has to differ to speak of a fault; pressures by the gauge, minutes and hours never. */
const LEAST_OF: Record<string, number> = { volumeMl: 30, count: 2, volumeL: 0.6, flowC: 8 };
/** Where between its limits a feed is found that has made up for losses, as a share; and how far below its relief's lift every circuit is
 *  found at least, bar. */
const STANDS_AT = 0.4,
  BELOW_LIFT_BAR = 0.15;

/** A gauge that lies at its foot most of the time tells nobody anything. */
const liesAtItsFoot = ({ samples: { pressureBar } }: WrittenLog): boolean =>
  pressureBar.filter((bar) => bar === 0).length > pressureBar.length / 2;

const hottestRead = ({ samples: { flowC = [] } }: WrittenLog, done: readonly WrittenFinding[]): number =>
  Math.max(...[...flowC, ...done.map((x) => x.flowC as number | undefined)].map((c) => c ?? -Infinity));

/** The catalogue's own bound: its hot pressure, after a long heat from cold, nears the relief. */
const isTooSmall = (p: LoopPlant) => {
  const { bar, lifted } = runLoop(
    { ...p, relief: { ...p.relief, liftBar: p.relief.markedBar } },
    { durationS: 10_800, heat: [[0, 10_800]], roomC: 15 },
    20,
  );
  return lifted || bar.reduce((a, b) => Math.max(a, b), 0) > p.relief.markedBar - 0.2;
};

/** Whether a fault is one by what stands on the sheet too: the charge wanted is the label's where it carries the head and 0.2 bar, else the
 *  head and 0.25; the fill 0.3 above it, or what a feed is set to. */
function countsBySheet(f: string, p: LoopPlant, { staticHeadM, maxFlowC, vessel, fill }: LoopSheet): boolean {
  const headBar = 0.0981 * (staticHeadM ?? (p.kind === 'block' ? p.headM : 4)),
    label = vessel.labelPrechargeBar,
    chargeBar = label !== undefined && label >= headBar + 0.2 ? label : headBar + 0.25,
    fillBar = fill.setBar ?? (fill.cutInBar === undefined ? chargeBar + 0.3 : fill.cutInBar);
  if (f === 'vessel-undercharged') return p.vessel.chargeBar < chargeBar - 0.17;
  if (f === 'boiler-overheating') return maxFlowC !== undefined;
  if (f === 'vessel-overcharged') return p.vessel.chargeBar > chargeBar + 0.27;
  if (f === 'fill-pressure-too-low' || f === 'feed-starved') return p.coldBar < fillBar - 0.32;
  return f !== 'fill-pressure-too-high' || p.coldBar > fillBar + 0.52;
}

/** Mostly one test that speaks of each fault; beside it any of all. */
function testsOf(faults: readonly string[], r: Random): string[] {
  const chosen = new Set(
    faults.flatMap((f) => {
      const { foundBy } = LOOP_FAULTS[f]!;
      return foundBy.length && r.chance(0.87) ? [r.pick(foundBy)] : [];
    }),
  );
  for (const count = 2 + Math.floor(r.uniform(0, 3)); chosen.size < count;) chosen.add(r.pick(LOOP_TESTS));
  return [...chosen];
}

/** What whoever called has noticed, half of the time. */
function complaintsOf(p: LoopPlant, lifted: boolean, r: Random): string[] {
  const all: [boolean, string][] = [
    [p.outBy !== null || lifted, 'topped-up-often'],
    [p.outBy === 'seat' || lifted, 'drips-outside'],
    [lifted || p.vessel.way !== 'open' || p.vessel.chargeBar < 0.2, 'gauge-climbs-hot'],
    [p.outBy === 'circuit', 'water-on-floor'],
    [p.coldBar < 0.5, 'locks-out'],
    [p.airL > 1, 'noise'],
    [p.airL > 1.5, 'cold-room'],
  ];
  return r.chance(0.5) ? [] : all.filter(([so]) => so && r.chance(0.5)).map(([, says]) => says);
}

interface LoopSheet {
  staticHeadM?: number;
  maxFlowC?: number;
  vessel: { nominalVolumeL: number; labelPrechargeBar?: number };
  fill: { kind: string; setBar?: number; cutInBar?: number };
}
/** What stands on the sheet: a content off by a quarter, evenly, or none; labels, heights, limits and the gauge's step left out now and
 *  then. */
function sheetOf(sound: LoopPlant, p: LoopPlant, byHand: boolean, measured: boolean, r: Random): LoopSheet & Record<string, unknown> {
  const some = <T extends object>(share: number, part: T) => (r.chance(share) ? part : {}),
    mains = some(0.5, { mainsBar: toStep(sound.mainsBar, 0.1) });
  const fill =
    sound.kind === 'fed'
      ? { kind: 'reducing-valve', ...some(0.9, { setBar: sound.feed!.toBar }), ...mains }
      : sound.kind === 'block'
        ? { kind: 'pressurisation-unit', ...some(0.9, { cutInBar: sound.feed!.fromBar, cutOutBar: sound.feed!.toBar }) }
        : { kind: 'manual-loop', ...mains };
  return {
    kind: 'sealed-hot-water',
    ...some(0.9, { heatOutputKw: sound.mostKw }),
    ...(measured
      ? { waterVolumeL: Math.round(sound.contentL * r.normal(1, 0.015)), waterVolumeSource: 'measured' }
      : some(0.85, { waterVolumeL: Math.round(sound.contentL * r.uniform(0.76, 1.26)), waterVolumeSource: 'estimated' })),
    ...(sound.glycolShare > 0 ? { glycolPercent: Math.round(100 * sound.glycolShare), glycol: 'propylene' } : {}),
    ...(sound.altitudeM > 0 ? some(0.8, { altitudeM: sound.altitudeM }) : {}),
    ...some(0.8, { staticHeadM: Math.max(0.5, toStep(sound.headM + r.normal(0, 0.4), 0.5)) }),
    ...some(0.8, { maxFlowC: sound.limitC }),
    gauge: { kind: byHand ? 'dial' : 'sensor', ...some(0.9, { resolutionBar: byHand ? p.gauge.stepBar : 0.01 }) },
    vessel: {
      nominalVolumeL: p.vessel.nominalL,
      ...some(0.75, { labelPrechargeBar: sound.vessel.wantedBar }),
      ...(p.vessel.way === 'shut'
        ? { isolationValve: 'fitted' }
        : some(0.7, { isolationValve: sound.kind === 'flat' ? 'none' : r.pick(['none', 'fitted', 'fitted-with-drain']) })),
      ...some(0.6, { ageYears: Math.round(r.uniform(1, 16)) }),
    },
    reliefValve: { setBar: sound.relief.markedBar },
    fill,
    domesticHotWater: { kind: p.dhw },
  };
}

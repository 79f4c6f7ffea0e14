import { acrossHoles } from './acrossHoles';
import type { WrittenFinding } from './Doing';
import { handLog, loggerLog, type WrittenLog } from './readings';
import { seeded, type Random } from './random';
import { runPlant, type Schedule, type Trace } from './runPlant';
import { soundPlant, type TruePlant } from './TruePlant';
import { faultPairs, singleFaults, TRUE_FAULTS } from './trueFaults';
import { testsFor } from './testsFor';
import { fedByItself, randomOfTest, trueFinding } from './trueFindings';

export const TIERS = ['hand', 'logger', 'findings', 'pair', 'several', 'days'] as const;
export type Tier = (typeof TIERS)[number];

export interface Truth {
  faults: string[];
  chargeBar: number | null;
  contentL: number;
  contentMeasured: boolean;
  riseK: number;
  offsetBar: number;
  /** What comes in past where it should, and what goes out, at the mean true pressure of the last log with every valve open, L/h; a feed
   *  that does its work and a relief that lifts are no part of it. */
  inflowLPerH: number;
  lossLPerH: number;
  /** True gauge pressure at which the relief lifts, bar. */
  liftBar: number;
}
/** A case in the open format, as plain data, and what is really so. */
export interface TruthCase {
  tier: Tier;
  case: Record<string, unknown> & { id: string };
  truth: Truth;
}

const LEVELS = ['fill-pressure-too-low', 'fill-pressure-too-high', 'feed-starved', 'reducing-valve-set-high', 'pressurisation-unit-fault'];
/** Faults that no log shows by themselves, and that are told by findings only. */
const SILENT = ['none', 'vessel-gas-valve-leaking'];
/** By how much more content a vessel is too small for that is so by its sheet: its hot pressure nears the relief. */
const GROSSLY = 1.35;
/** Ways in and out for water. */
const WAYS = ['seepFill', 'seepCoil', 'leak', 'reliefDrip'] as const;
const MOST_TRIES = 25,
  LEAST_SHOWN_BAR = 0.18;

/** One made-up visit. The same tier and seed give the same visit. Every fault of it shows: in the log, and where findings were made in one
 *  of them; what nobody could see is not asked for.
 *  @param leastShownBar by how much a log must differ from the same visit without the fault, bar; larger makes plainer visits */
export const makeCase = (tier: Tier, seed: number, leastShownBar = LEAST_SHOWN_BAR): TruthCase =>
  makeCaseWithPlant(tier, seed, leastShownBar).made;

/** The same with the plant itself, for who wants to go on measuring it. */
export function makeCaseWithPlant(tier: Tier, seed: number, leastShownBar = LEAST_SHOWN_BAR): Made {
  for (let attempt = 0; ; attempt++) {
    const made = tryCase(tier, seed, attempt, leastShownBar);
    if (made && (made.shows || attempt === MOST_TRIES)) return made;
  }
}

/** A made-up visit with what it was made of. */
export interface Made {
  made: TruthCase;
  plant: TruePlant;
  liftedHot: boolean;
  /** The same plant with only some of its faults. */
  plantWith(faults: string[]): TruePlant;
}

function tryCase(tier: Tier, seed: number, attempt: number, leastShownBar: number): (Made & { shows: boolean }) | null {
  const key = seed * 7919 + TIERS.indexOf(tier) * 104_729 + attempt * 15_485_863;
  const r = seeded(key);
  const sound = soundPlant(
    r.weighted([
      ['wall-boiler', 6],
      ['larger-home', 2],
      ['fed', 3],
      ['plant-room', 1.5],
    ] as const),
    r,
  );
  const faults = tier === 'pair' ? [...r.pick(faultPairs(sound))] : [r.weighted(singleFaults(sound))];
  const sheet = sheetOf(sound, faults, r);
  judgeBySheet(sound, sheet);
  const plantWith = (some: string[]): TruePlant => {
    const p = structuredClone(sound);
    // Each fault has a generator of its own, so that leaving one out leaves the others as they are. A fault of the level is one by where
    // the pressure stands after all the others have had their say.
    for (const f of [...some].sort((a, b) => Number(LEVELS.includes(a)) - Number(LEVELS.includes(b))))
      TRUE_FAULTS[f]!(p, seeded(key + 31 * faults.indexOf(f) + 17));
    for (const way of WAYS) p[way] *= p.pace;
    p.coldBar = Math.min(p.coldBar, p.reliefBar - 0.1);
    // A feed that stands open has made up what was lost by the time anybody comes.
    // A unit has pumped up some time before, and stands between its limits.
    if (p.feedBar !== null && p.coldBar < (p.feedFromBar ?? p.feedBar))
      p.coldBar = p.feedFromBar === null ? p.feedBar : p.feedFromBar + STANDS_AT * (p.feedBar - p.feedFromBar);
    // What goes on for days is slower than what one stays to watch, or nothing would be left to log.
    if (tier === 'days') {
      for (const way of WAYS) p[way] *= DAYS_PACE;
      // A relief that drips for days after it lifted is a fault of its own.
      p.reliefDripAfterLift = 0;
    }
    return p;
  };
  // Half of the vessels that are too small are so for the content on the sheet; the other circuits were extended since, and nobody wrote it
  // down.
  const toldToSheet = faults.includes('vessel-undersized') && r.chance(0.5);
  const plant = plantWith(faults);
  if (toldToSheet) {
    plant.contentL *= GROSSLY;
    if (sheet.waterVolumeL !== undefined) sheet.waterVolumeL = Math.round((Number(sheet.waterVolumeL) * plant.contentL) / sound.contentL);
  }
  const schedules = tier === 'several' ? [scheduleOf(plant, 'hand', r), scheduleOf(plant, 'logger', r)] : [scheduleOf(plant, tier, r)];
  const topped = r.normal(0, 0.12);
  const logSeed = Math.floor(r.uniform(1, 1e9)),
    findingSeed = Math.floor(r.uniform(1, 1e9));
  const visit = (p: TruePlant) => {
    let liftedHot = false;
    const traces = schedules.map((schedule, i) =>
      runPlant(i === 0 ? p : { ...p, coldBar: Math.min(p.reliefBar - 0.1, Math.max(0.1, p.coldBar + topped)) }, schedule),
    );
    const logs = traces.map((trace, i): WrittenLog => {
      const highest = trace.systemBar.reduce((a, b) => Math.max(a, b), -1);
      liftedHot ||= highest > p.reliefBar - 0.25;
      const written = (tier === 'logger' || tier === 'days' || i > 0 ? loggerLog : handLog)(p, trace, schedules[i]!, seeded(logSeed + i));
      return { ...written, startedAt: `2026-03-0${4 + i}T09:10:00Z` };
    });
    return { traces, logs, liftedHot };
  };
  const seen = visit(plant);
  const tests = tier === 'findings' || tier === 'pair' ? testsFor(faults, plant, r, r.pick([2, 3, 3, 4])) : [];
  // Each test has its own chances, or one fault's test would change by chance how the next comes out.
  const findingsOf = (p: TruePlant, liftedHot: boolean, again = 0) =>
    tests.map((t): WrittenFinding | null => trueFinding(t, p, liftedHot, randomOfTest(findingSeed + again, t)));
  const findings = findingsOf(plant, seen.liftedHot);
  const shows = faults.every((f) => (SILENT.includes(f) && tests.length === 0 ? true : f === 'none' ? true : faultShows(f)));
  const complaint = complaintOf(plant, seen.liftedHot, faults, r);
  const written = findings.filter((f): f is WrittenFinding => f !== null);
  return {
    shows,
    plant,
    liftedHot: seen.liftedHot,
    plantWith,
    made: {
      tier,
      case: {
        format: 'jumper-case',
        version: 1,
        id: `${tier}-${seed}`,
        ...(complaint.length ? { complaint } : {}),
        circuit: sheet,
        logs: seen.logs,
        findings: written,
      },
      truth: truthOf(plant, faults, seen.traces, (sheet.waterVolumeSource as string) === 'measured'),
    },
  };

  /** Against the same visit to the same plant without this fault. */
  function faultShows(fault: string): boolean {
    const without = plantWith(faults.filter((f) => f !== fault));
    if (!LEVELS.includes(fault)) without.coldBar = plant.coldBar;
    const twin = visit(without);
    // With findings a fault is asked for when one of them speaks of it: a technician does not stop at tests that say nothing.
    if (tests.length > 0) return numbersTell(without, twin.liftedHot) || outcomesTell(without, twin.liftedHot);
    const least = Math.max(leastShownBar, 1.5 * plant.gauge.stepBar);
    return seen.logs.some((log, k) =>
      log.samples.pressureBar.some((p, i) => Math.abs((p ?? 0) - (twin.logs[k]!.samples.pressureBar[i] ?? 0)) >= least),
    );
  }

  /** Whether one of the numbers that were measured would be clearly another without the fault. */
  function numbersTell(without: TruePlant, liftedHot: boolean): boolean {
    const other = findingsOf(without, liftedHot);
    return findings.some(
      (f, i) => f && other[i] && NUMBERS.some(([k, least]) => Math.abs(Number(f[k] ?? 0) - Number(other[i]![k] ?? 0)) > least),
    );
  }

  /** Whether one of the outcomes, as it came out, is clearly oftener seen with the fault than without. */
  function outcomesTell(without: TruePlant, liftedHot: boolean): boolean {
    const times = (p: TruePlant, lifted: boolean) => {
      const seen = Array.from({ length: TRIED_AGAIN }, (_, k) => findingsOf(p, lifted, 1 + k));
      return findings.map((f, i) => 0.5 + seen.filter((again) => f?.outcome !== undefined && again[i]?.outcome === f.outcome).length);
    };
    const withIt = times(plant, seen.liftedHot),
      withoutIt = times(without, liftedHot);
    return withIt.some((n, i) => n >= OFTENER * withoutIt[i]!);
  }
}

/** What is so of a plant with some faults, as far as some hours of it show. */
export function truthOf(plant: TruePlant, faults: readonly string[], traces: readonly Trace[], contentMeasured: boolean): Truth {
  const across = acrossHoles(traces.at(-1)!.systemBar, plant.mainsBar);
  return {
    faults: [...faults].sort(),
    chargeBar: plant.vesselOpen ? plant.chargeBar : null,
    contentL: plant.contentL,
    contentMeasured,
    riseK: Math.max(...traces.map((t) => t.flowC.reduce((a, b) => Math.max(a, b), -99) - t.flowC[0]!)),
    offsetBar: plant.gauge.offsetBar,
    inflowLPerH: (plant.seepFill + plant.seepCoil) * across.wayIn,
    lossLPerH: (plant.leak + plant.reliefDrip) * across.wayOut,
    liftBar: plant.reliefBar,
  };
}

/** So often a test is done again in thought to see how it comes out, and by how much oftener an outcome has to come with a fault to speak
 *  of it. */
const TRIED_AGAIN = 24,
  OFTENER = 2;

/** Numbers of findings, and by how much one must differ to speak of a fault. */
const NUMBERS: [string, number][] = [
  ['valueBar', 0.15],
  ['afterBar', 0.15],
  ['endBar', 0.15],
  ['firstGaugeBar', 0.15],
  ['boilerEndBar', 0.15],
  ['circuitEndBar', 0.15],
  ['markedBar', 0.2],
  ['volumeMl', 20],
  ['volumeL', 1],
  ['count', 2],
];

/** Where between its limits a unit is found that has made up for losses, as a share. */
const STANDS_AT = 0.45;
/** In a log of days, faults that move water do so at this share of their pace in a visit. */
const DAYS_PACE = 0.06;

export function scheduleOf(p: TruePlant, tier: Tier, r: Random): Schedule {
  if (tier === 'days') {
    const days = r.pick([2, 3, 4]),
      heat: Schedule['heat'] = [];
    for (let s = r.uniform(1, 4) * 3600; s < days * 86_400 - 7200; s += r.uniform(5, 12) * 3600)
      heat.push({ onS: Math.round(s), offS: Math.round(s + r.uniform(1, 3.5) * 3600) });
    return { durationS: days * 86_400, heat, actions: [] };
  }
  const what = r.weighted([
    ['run', 6],
    ['run and cool', 2.5],
    ['watch', 1.5],
    ['watch then run', 2],
  ] as const);
  const idle = what === 'watch then run' ? r.uniform(900, 2400) : r.pick([60, 60, 120, 180]);
  const hot = r.uniform(11, 28) * 60 * (p.kind === 'wall-boiler' ? 1 : 1.5);
  const actions: Schedule['actions'] = !fedByItself(p) && r.chance(0.25) ? [{ atS: 0, kind: 'fill-disconnected' }] : [];
  if (what === 'watch') return { durationS: Math.round(r.uniform(1800, 5400)), heat: [], actions };
  const cool = what === 'run and cool' ? r.uniform(1200, 3600) : tier === 'logger' ? r.uniform(600, 3600) : 0;
  return { durationS: Math.round(idle + hot + cool), heat: [{ onS: Math.round(idle), offS: Math.round(idle + hot) }], actions };
}

/** What stands on the sheet: read off, estimated, wrong or left out. */
function sheetOf(p: TruePlant, faults: string[], r: Random): Record<string, unknown> {
  const measured = r.chance(0.25);
  const content = measured ? p.contentL * r.normal(1, 0.02) : p.contentL * Math.exp(r.normal(0, 0.14));
  const label = p.kind === 'fed' ? 0.83 : p.rightChargeBar;
  const sheet: Record<string, unknown> = {
    kind: 'sealed-hot-water',
    heatOutputKw: p.outputKw,
    gauge: { kind: p.gauge.stepBar < 0.03 ? 'sensor' : 'dial', resolutionBar: p.gauge.stepBar },
    vessel: {
      nominalVolumeL: Math.round(p.vesselL),
      ...(r.chance(0.8) ? { labelPrechargeBar: label } : {}),
      isolationValve: r.weighted([
        ['none', faults.includes('vessel-isolated') ? 0.3 : 3],
        ['fitted', 2],
        ['fitted-with-drain', 1],
      ]),
      ageYears: r.pick([2, 5, 8, 11, 14]),
    },
    reliefValve: { setBar: p.reliefMarkedBar },
    fill: fillOf(p, r),
    domesticHotWater: { kind: p.dhw },
  };
  if (measured || r.chance(0.85)) {
    sheet.waterVolumeL = Math.round(content);
    sheet.waterVolumeSource = measured ? 'measured' : 'estimated';
  }
  if (r.chance(0.85)) sheet.staticHeadM = Math.round(10 * Math.max(0.5, p.staticM + r.normal(0, 0.5))) / 10;
  if (r.chance(0.85)) sheet.maxFlowC = p.limitC;
  return sheet;
}

function fillOf(p: TruePlant, r: Random): Record<string, unknown> {
  if (p.kind === 'fed') return { kind: 'reducing-valve', setBar: 0.97 };
  // The limits that stand on the unit: from which it was meant to pump, and to which.
  if (p.kind === 'plant-room')
    return { kind: 'pressurisation-unit', cutInBar: Math.round(10 * (p.rightChargeBar + 0.2)) / 10, cutOutBar: p.mostFillBar };
  return { kind: 'manual-loop', ...(r.chance(0.5) ? { mainsBar: Math.round(10 * p.mainsBar) / 10 } : {}) };
}

/** What a sheet would call right, as the case format says: the label where it covers the static head + 0.2 bar, else that head + 0.25; a
 *  fill 0.3 bar above the charge, and 0.5 above the head. Where it differs from what the plant was set to, a fault has to be one by both.
 */
function judgeBySheet(p: TruePlant, sheet: Record<string, unknown>): void {
  const headBar = 0.0981 * Number(sheet.staticHeadM ?? 4),
    label = (sheet.vessel as { labelPrechargeBar?: number }).labelPrechargeBar;
  const chargeBar = label !== undefined && label >= headBar + 0.2 ? label : headBar + 0.25;
  p.leastChargeBar = Math.min(p.rightChargeBar, chargeBar);
  if (p.kind !== 'plant-room') p.mostFillBar = Math.max(p.rightChargeBar + 0.3, chargeBar + 0.3, headBar + 0.5);
}

function complaintOf(p: TruePlant, liftedHot: boolean, faults: string[], r: Random): string[] {
  const said: string[] = [];
  // Nobody tops up what fills itself.
  const losing = p.seepFill + p.seepCoil === 0 && p.feedBar === null && (p.leak > 0 || p.reliefDrip > 0 || liftedHot || p.coldBar < 0.6);
  if (losing && r.chance(0.6)) said.push('topped-up-often');
  if ((liftedHot || p.reliefDrip > 0 || p.seepFill + p.seepCoil > 0) && r.chance(0.5)) said.push('drips-outside');
  if (liftedHot && r.chance(0.4)) said.push('gauge-climbs-hot');
  if (faults.includes('circuit-leak') && r.chance(0.25)) said.push('water-on-floor');
  if (faults.includes('air-in-circuit') && r.chance(0.4)) said.push('noise');
  if ((p.coldBar < 0.5 || p.overheatsK > 0) && r.chance(0.5)) said.push('locks-out');
  return said;
}

import { makeCaseWithPlant, scheduleOf, truthOf, type Made, type Tier, type TruthCase } from './makeCase';
import { seeded, type Random } from './random';
import { handLog, type WrittenLog } from './readings';
import { runPlant, type Schedule } from './runPlant';
import type { TruePlant } from './TruePlant';
import { fedByItself } from './trueFindings';

/** Tiers of which there are visits with something mended: single faults and pairs, each with findings. */
export const MENDED_TIERS: readonly Tier[] = ['findings', 'pair'];

/** What each work puts right, by the names of the case format. Common practice. */
const PUTS_RIGHT: Record<string, string[]> = {
  'vessel-recharged': ['vessel-undercharged', 'vessel-overcharged'],
  'vessel-changed': [
    'vessel-diaphragm-failed',
    'vessel-undersized',
    'vessel-undercharged',
    'vessel-overcharged',
    'vessel-gas-valve-leaking',
  ],
  'core-changed': ['vessel-gas-valve-leaking'],
  'relief-changed': ['relief-valve-passing', 'relief-valve-lifts-early'],
  'feed-changed': ['fill-loop-passing', 'reducing-valve-creeping', 'reducing-valve-set-high', 'feed-starved'],
  'plate-changed': ['dhw-plate-perforated'],
  'coil-changed': ['dhw-coil-perforated'],
  'connection-cleared': ['vessel-connection-blocked', 'vessel-isolated'],
  'gauge-changed': ['gauge-misreading'],
  'leak-mended': ['circuit-leak', 'boiler-exchanger-leak', 'air-vent-faulty'],
};
/** What is changed for nothing when nobody looked. Common practice. */
const FOR_NOTHING = ['vessel-recharged', 'vessel-changed', 'relief-changed', 'feed-changed', 'gauge-changed'];
const OFTEN_FOR_NOTHING = 0.25;
/** Faults that nobody leaves as they are who fills a circuit after his work. */
const FILLED_AWAY = ['fill-pressure-too-low', 'fill-pressure-too-high'];
const HOURS_OF_WORK = 2,
  SEEDS_APART = 1_000_003;

/** A visit on which something was mended, rightly or for nothing, and a heat run read by hand after it. Its truth is what is left. The same
 *  tier and seed give the same visit.
 *  @param leastShownBar by how much a log must differ from the same visit without the fault, bar */
export function makeMended(tier: Tier, seed: number, leastShownBar?: number): TruthCase {
  for (let again = 0; ; again++) {
    const r = seeded(seed * 5501 + again),
      visit = makeCaseWithPlant(tier, seed + again * SEEDS_APART, leastShownBar),
      mended = mend(visit, r);
    if (mended) return { ...mended, case: { ...mended.case, id: `mended-${tier}-${seed}` } };
  }
}

function mend({ made, plantWith }: Made, r: Random): TruthCase | null {
  const { faults, contentMeasured } = made.truth,
    kinds = Object.keys(PUTS_RIGHT),
    helps = (kind: string) => faults.some((f) => PUTS_RIGHT[kind]!.includes(f));
  const kind = r.pick(r.chance(OFTEN_FOR_NOTHING) ? FOR_NOTHING.filter((k) => !helps(k)) : kinds.filter(helps));
  if (!kind) return null;
  const left = faults.filter((f) => !PUTS_RIGHT[kind]!.includes(f));
  if (left.some((f) => FILLED_AWAY.includes(f))) return null;
  const plant = plantWith(left);
  // Whoever has worked on it fills it to where it belongs; what fills itself stands where that takes it.
  if (!fedByItself(plant)) plant.coldBar = Math.min(plant.reliefBar - 0.15, plant.rightChargeBar + 0.3 + r.normal(0, 0.07));
  const schedule = heatRun(plant, r),
    trace = runPlant(plant, schedule),
    log = handLog(plant, trace, schedule, r);
  const before = made.case.logs as WrittenLog[],
    at = (hours: number) => new Date(Date.parse(before[0]!.startedAt) + 3_600_000 * hours).toISOString(),
    doneH = Math.max(...before.map((l) => l.samples.tS.at(-1)!)) / 3600 + HOURS_OF_WORK;
  return {
    tier: made.tier,
    case: {
      ...made.case,
      logs: [...before, { ...log, startedAt: at(doneH + 0.2), epoch: 'after-work' }],
      repairs: [{ kind, at: at(doneH), ...(kind === 'vessel-recharged' ? { toBar: Math.round(20 * plant.rightChargeBar) / 20 } : {}) }],
    },
    truth: truthOf(plant, left.length ? left : ['none'], [trace], contentMeasured),
  };
}

/** A schedule with heat in it: the check after the work is one. */
function heatRun(plant: TruePlant, r: Random): Schedule {
  for (;;) {
    const schedule = scheduleOf(plant, 'hand', r);
    if (schedule.heat.length) return schedule;
  }
}

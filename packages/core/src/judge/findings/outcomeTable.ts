import { INFLOW, OUTFLOW } from '../faultGroups';
import type { FaultId } from '../faults';
import type { TestId } from '../tests';

/** One row: what a fault does to a test's outcomes, and why. No outcome is impossible and weak tests are weak. Shares are common practice,
 *  reviewed by reading; not measured. */
export interface OutcomeRow {
  faults: FaultId[];
  shares: Record<string, number>;
  why: string;
}
export interface OutcomeTable {
  base: Record<string, number>;
  rows: OutcomeRow[];
  /** The outcomes stand from the least to the most, and of several causes what shows is the most that any of them makes. */
  graded?: true;
}

const NO_GAS: FaultId[] = ['vessel-undercharged', 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated'];
const row = (faults: FaultId[], shares: Record<string, number>, why: string): OutcomeRow => ({ faults, shares, why });
const table = (base: Record<string, number>, ...rows: OutcomeRow[]): OutcomeTable => ({ base, rows });
const graded = (base: Record<string, number>, ...rows: OutcomeRow[]): OutcomeTable => ({ base, rows, graded: true });

// prettier-ignore
export const OUTCOME_TABLES: Partial<Record<TestId, OutcomeTable>> = {
  'discharge-pipe': graded({ dry: 0.86, stained: 0.11, dripping: 0.02, running: 0.01 },
    row(NO_GAS, { dry: 0.33, stained: 0.42, dripping: 0.2, running: 0.05 }, 'with little gas the relief lifts on every long heat-up'),
    row(['vessel-undersized'], { dry: 0.35, stained: 0.42, dripping: 0.2, running: 0.03 }, 'the hot pressure reaches the relief'),
    row(['relief-valve-passing'], { dry: 0.07, stained: 0.13, dripping: 0.66, running: 0.14 }, 'a passing seat drips nearly all the time'),
    row(['relief-valve-lifts-early'], { dry: 0.18, stained: 0.37, dripping: 0.38, running: 0.07 }, 'it lifts below its marking when hot'),
    row(INFLOW, { dry: 0.42, stained: 0.25, dripping: 0.26, running: 0.07 }, 'water let in has to go somewhere'),
    row(['fill-pressure-too-high', 'reducing-valve-set-high', 'vessel-overcharged'], { dry: 0.6, stained: 0.25, dripping: 0.13, running: 0.02 }, 'a high start may reach the relief hot'),
    row(['boiler-overheating'], { dry: 0.6, stained: 0.25, dripping: 0.13, running: 0.02 }, 'more growth than the vessel was sized for'),
    row(['pressurisation-unit-fault'], { dry: 0.78, stained: 0.13, dripping: 0.07, running: 0.02 }, 'a pump that does not stop goes up to the relief')),
  'gas-valve-press': table({ air: 0.95, nothing: 0.04, water: 0.01 },
    row(['vessel-undercharged'], { air: 0.92, nothing: 0.05, water: 0.03 }, 'any gas left hisses at the circuit’s pressure; nothing comes only where it is nearly waterlogged'),
    row(['vessel-gas-valve-leaking'], { air: 0.88, nothing: 0.1, water: 0.02 }, 'the core may still hold for now'),
    row(['vessel-diaphragm-failed'], { air: 0.1, nothing: 0.14, water: 0.76 }, 'water has come through to the gas side'),
    row(['vessel-connection-blocked', 'vessel-isolated'], { air: 0.94, nothing: 0.05, water: 0.01 }, 'the gas is there; the water does not reach it')),
  'pump-up-hold': table({ held: 0.93, fell: 0.04, 'bubbles-at-drain': 0.01, 'would-not-rise': 0.02 },
    row(['vessel-diaphragm-failed'], { held: 0.06, fell: 0.34, 'bubbles-at-drain': 0.35, 'would-not-rise': 0.25 }, 'air passes the hole into the water'),
    row(['vessel-gas-valve-leaking'], { held: 0.74, fell: 0.22, 'bubbles-at-drain': 0.01, 'would-not-rise': 0.03 }, 'a leaking core mostly holds for minutes')),
  'gas-valve-bubbles': table({ tight: 0.96, bubbles: 0.04 },
    row(['vessel-gas-valve-leaking'], { tight: 0.12, bubbles: 0.88 }, 'leak fluid shows it')),
  'vessel-connection-flow': table({ free: 0.945, restricted: 0.04, blocked: 0.015 },
    row(['vessel-connection-blocked'], { free: 0.05, restricted: 0.3, blocked: 0.65 }, 'sludge in the port or hose'),
    row(['vessel-isolated'], { free: 0.2, restricted: 0.1, blocked: 0.7 }, 'nothing passes a shut valve')),
  'vessel-valve-position': table({ open: 0.8, 'no-valve': 0.18, closed: 0.02 },
    row(['vessel-isolated'], { open: 0.05, 'no-valve': 0.02, closed: 0.93 }, 'that is the fault itself')),
  'vessel-tap-sound': table({ hollow: 0.45, dull: 0.25, unclear: 0.3 },
    row(['vessel-undercharged', 'vessel-diaphragm-failed'], { hollow: 0.36, dull: 0.34, unclear: 0.3 }, 'a full tank sounds dull, to some ears')),
  'fill-outlet-drip': table({ dry: 0.96, drips: 0.04 },
    row(['fill-loop-passing'], { dry: 0.1, drips: 0.9 }, 'the open end shows what the valve lets by')),
  'listen-at-exchanger': table({ quiet: 0.95, hiss: 0.05 },
    row(['dhw-plate-perforated'], { quiet: 0.45, hiss: 0.55 }, 'a small hole may be too quiet to hear')),
  'relief-reseat': table({ stopped: 0.91, 'still-drips': 0.09 },
    row([...NO_GAS, 'vessel-undersized'], { stopped: 0.86, 'still-drips': 0.14 }, 'tried hot, the pressure itself holds it open'),
    row(['relief-valve-passing'], { stopped: 0.3, 'still-drips': 0.7 }, 'most do not reseat once worn'),
    row(INFLOW, { stopped: 0.45, 'still-drips': 0.55 }, 'pressure from the mains keeps it open'),
    row(['relief-valve-lifts-early'], { stopped: 0.68, 'still-drips': 0.32 }, 'a weak spring closes again well below its lift')),
  'bleed-radiators': graded({ none: 0.68, 'some-air': 0.29, 'much-air': 0.03 },
    row(['air-in-circuit'], { none: 0.04, 'some-air': 0.26, 'much-air': 0.7 }, 'that is where it stands'),
    row(['feed-starved', 'fill-pressure-too-low'], { none: 0.4, 'some-air': 0.38, 'much-air': 0.22 }, 'too little pressure lets air in at the top'),
    row(['circuit-leak', 'relief-valve-passing'], { none: 0.5, 'some-air': 0.41, 'much-air': 0.09 }, 'topping up brings air in'),
    row(['air-vent-faulty'], { none: 0.38, 'some-air': 0.4, 'much-air': 0.22 }, 'what does not let air out leaves it there, and topping up brings more'),
    row(['air-locked-branch'], { none: 0.1, 'some-air': 0.35, 'much-air': 0.55 }, 'it stands in that branch'),
    row(['vessel-diaphragm-failed'], { none: 0.52, 'some-air': 0.37, 'much-air': 0.11 }, 'the gas went into the water')),
  'feed-valve-position': table({ open: 0.85, shut: 0.15 },
    row(['feed-starved'], { open: 0.5, shut: 0.5 }, 'a stop valve left shut is the plainest reason why a feed gives nothing'),
    row(OUTFLOW, { open: 0.75, shut: 0.25 }, 'some keep it shut, so that a loss shows')),
  'visible-leak': table({ none: 0.96, found: 0.04 },
    row(['circuit-leak'], { none: 0.42, found: 0.58 }, 'floors and lagging hide the rest'),
    row(['air-vent-faulty'], { none: 0.4, found: 0.6 }, 'a wet or stained vent'),
    row(['boiler-exchanger-leak'], { none: 0.75, found: 0.25 }, 'it mostly goes to the condensate')),
  'condensate-when-off': table({ dry: 0.95, drips: 0.05 },
    row(['boiler-exchanger-leak'], { dry: 0.2, drips: 0.8 }, 'with no fire there is no condensate; a small leak may dry off')),
  'low-pressure-stop': table({ shown: 0.95, 'not-shown': 0.05 },
    row(['gauge-misreading'], { shown: 0.75, 'not-shown': 0.25 }, 'dial and sensor are two instruments: one lies without the other')),
  'pump-running': table({ 'running-warm': 0.9, 'humming-stuck': 0.02, 'no-power': 0.03, 'off-no-call': 0.05 },
    row(['pump-not-circulating'], { 'running-warm': 0.15, 'humming-stuck': 0.5, 'no-power': 0.3, 'off-no-call': 0.05 }, 'stuck rotor or no power'),
    row(['controls-no-call', 'zone-valve-end-switch-failed'], { 'running-warm': 0.1, 'humming-stuck': 0.02, 'no-power': 0.2, 'off-no-call': 0.68 }, 'nothing calls it')),
  'zone-valve-supply-24v': table({ present: 0.9, absent: 0.1 }, row(['controls-no-call'], { present: 0.1, absent: 0.9 }, 'no call, no supply')),
  'zone-valve-end-switch': table({ closed: 0.95, open: 0.05 }, row(['zone-valve-end-switch-failed'], { closed: 0.05, open: 0.95 }, 'that is the fault itself'), row(['zone-valve-stuck-closed'], { closed: 0.15, open: 0.85 }, 'it closes only at full travel')),
  'zone-valve-moves': table({ opens: 0.96, stuck: 0.04 }, row(['zone-valve-stuck-closed'], { opens: 0.06, stuck: 0.94 }, 'that is the fault itself'), row(['controls-no-call'], { opens: 0.4, stuck: 0.6 }, 'without a call it does not move')),
  'isolation-valves-open': table({ 'all-open': 0.97, 'one-closed': 0.03 }, row(['pump-valve-closed'], { 'all-open': 0.04, 'one-closed': 0.96 }, 'that is the fault itself'), row(['branch-restricted'], { 'all-open': 0.92, 'one-closed': 0.08 }, 'a valve that is half shut narrows a branch')),
  'glass-level': table({ below: 0.05, normal: 0.85, full: 0.05, jumping: 0.05 },
    row(['steam-boiler-overfilled', 'steam-feeder-passing'], { below: 0.02, normal: 0.18, full: 0.75, jumping: 0.05 }, 'too much water'),
    row(['steam-feeder-failed', 'steam-return-leak', 'steam-boiler-section-leak'], { below: 0.6, normal: 0.32, full: 0.03, jumping: 0.05 }, 'water goes and is not made up'),
    row(['steam-low-water-cutoff-failed'], { below: 0.25, normal: 0.65, full: 0.05, jumping: 0.05 }, 'nothing stopped the fire while there was water, and a probe that sees no low level calls no feeder'),
    row(['steam-return-restricted'], { below: 0.5, normal: 0.38, full: 0.07, jumping: 0.05 }, 'condensate is late'),
    row(['steam-gauge-glass-blocked'], { below: 0.25, normal: 0.4, full: 0.3, jumping: 0.05 }, 'it shows what it showed when it blocked'),
    row(['steam-dirty-water'], { below: 0.1, normal: 0.25, full: 0.05, jumping: 0.6 }, 'oil makes it foam')),
  'glass-follows-drain': table({ follows: 0.96, 'stays-full': 0.02, 'stays-empty': 0.02 }, row(['steam-gauge-glass-blocked'], { follows: 0.08, 'stays-full': 0.55, 'stays-empty': 0.37 }, 'its ports are blocked')),
  'low-water-cutoff-trip': table({ stops: 0.92, 'stops-late': 0.06, 'keeps-firing': 0.02 }, row(['steam-low-water-cutoff-failed'], { stops: 0.04, 'stops-late': 0.28, 'keeps-firing': 0.68 }, 'that is the fault itself')),
  'feeder-refill': table({ 'refills-and-stops': 0.94, 'does-not-refill': 0.03, 'keeps-feeding': 0.03 }, row(['steam-feeder-failed'], { 'refills-and-stops': 0.06, 'does-not-refill': 0.9, 'keeps-feeding': 0.04 }, 'that is the fault itself'), row(['steam-feeder-passing'], { 'refills-and-stops': 0.3, 'does-not-refill': 0.02, 'keeps-feeding': 0.68 }, 'it does not shut')),
  'level-creep-idle': table({ steady: 0.93, rises: 0.03, falls: 0.04 }, row(['steam-feeder-passing'], { steady: 0.12, rises: 0.86, falls: 0.02 }, 'it lets by while idle'), row(['steam-return-leak', 'steam-boiler-section-leak'], { steady: 0.3, rises: 0.02, falls: 0.68 }, 'water goes while idle')),
  'flooded-section-check': table({ dry: 0.97, drips: 0.03 }, row(['steam-boiler-section-leak'], { dry: 0.12, drips: 0.88 }, 'a holed section drips into the fire side')),
  'steam-at-flue': table({ no: 0.97, yes: 0.03 }, row(['steam-boiler-section-leak'], { no: 0.35, yes: 0.65 }, 'water boils off in the fire')),
  'pigtail-blow': table({ clear: 0.95, blocked: 0.05 }, row(['steam-pigtail-blocked'], { clear: 0.05, blocked: 0.95 }, 'that is the fault itself')),
  'return-condition': table({ sound: 0.85, 'wet-ground': 0.05, corroded: 0.1 }, row(['steam-return-leak'], { sound: 0.2, 'wet-ground': 0.45, corroded: 0.35 }, 'buried returns rot'), row(['steam-water-untreated'], { sound: 0.68, 'wet-ground': 0.06, corroded: 0.26 }, 'sour or airy condensate eats it')),
  'treatment-dye': table({ strong: 0.6, faded: 0.21, gone: 0.04, 'none-used': 0.15 }, row(['steam-water-untreated'], { strong: 0.03, faded: 0.22, gone: 0.6, 'none-used': 0.15 }, 'no dye left, no treatment left; where none is used it says nothing'), row(['steam-return-leak', 'steam-boiler-section-leak'], { strong: 0.13, faded: 0.38, gone: 0.34, 'none-used': 0.15 }, 'make-up thins it')),
  'skim-sample': table({ clear: 0.93, oily: 0.07 }, row(['steam-dirty-water'], { clear: 0.08, oily: 0.92 }, 'that is the fault itself')),
  'boiler-drain-flow': table({ free: 0.96, slow: 0.03, blocked: 0.01 }, row(['steam-drain-blocked'], { free: 0.03, slow: 0.37, blocked: 0.6 }, 'that is the fault itself'), row(['steam-dirty-water'], { free: 0.76, slow: 0.22, blocked: 0.02 }, 'mud settles at the drain')),
  'vents-hiss': table({ 'hiss-then-close': 0.92, silent: 0.04, 'spit-water': 0.04 }, row(['steam-vents-failed'], { 'hiss-then-close': 0.08, silent: 0.6, 'spit-water': 0.32 }, 'stuck shut, or waterlogged'), row(['steam-boiler-overfilled', 'steam-dirty-water'], { 'hiss-then-close': 0.5, silent: 0.1, 'spit-water': 0.4 }, 'wet steam carries water along'), row(['steam-return-restricted'], { 'hiss-then-close': 0.65, silent: 0.08, 'spit-water': 0.27 }, 'water stands in the mains')),
  'relief-dripping': table({ dry: 0.97, drips: 0.03 }, row(['steam-relief-passing'], { dry: 0.04, drips: 0.96 }, 'that is the fault itself'), row(['steam-pigtail-blocked', 'steam-pressure-control-faulty'], { dry: 0.65, drips: 0.35 }, 'it lifts where nothing stops the burner'), row(['steam-boiler-overfilled'], { dry: 0.88, drips: 0.12 }, 'wet steam carries over')),
};

/** Probability of an outcome under a set of faults. */
export function outcomeShares(test: TestId, faults: readonly FaultId[]): Record<string, number> | null {
  const t = OUTCOME_TABLES[test];
  return t
    ? together(
        t,
        t.rows.filter((r) => r.faults.some((f) => faults.includes(f))).map((r) => r.shares),
      )
    : null;
}

/** Shares of a test's outcomes where several things bring them about at once. What the base brings about by itself stands in every one's
 *  shares; it counts once. */
export function together({ base, graded }: OutcomeTable, hits: readonly Record<string, number>[]): Record<string, number> {
  if (hits.length === 0) return base;
  if (hits.length === 1) return hits[0]!;
  const outcomes = Object.keys(base),
    all = (of: (shares: Record<string, number>) => number) => hits.reduce((p, h) => (p * of(h)) / of(base), of(base));
  return normalised(outcomes, graded ? mostOf(outcomes, all) : anyOf(outcomes, base, all));
}
type OfAll = (of: (shares: Record<string, number>) => number) => number;

/** Of outcomes in order, no more than one shows where no cause makes more. */
function mostOf(outcomes: string[], all: OfAll): number[] {
  const upTo = outcomes.map((_, i) =>
    i === outcomes.length - 1 ? 1 : all((s) => outcomes.slice(0, i + 1).reduce((sum, o) => sum + s[o]!, 0)),
  );
  return upTo.map((p, i) => p - (upTo[i - 1] ?? 0));
}

/** Each abnormal outcome comes about unless the base and every cause, in what it adds to the base, leave it out; the base's commonest
 *  outcome is kept from by each in turn. */
function anyOf(outcomes: string[], base: Record<string, number>, all: OfAll): number[] {
  const usual = outcomes.reduce((a, b) => (base[b]! > base[a]! ? b : a));
  return outcomes.map((o) => (o === usual ? all((s) => s[o]!) : 1 - all((s) => 1 - s[o]!)));
}

function normalised(outcomes: string[], shares: number[]): Record<string, number> {
  const kept = shares.map((p) => Math.max(LEAST_SHARE, p)),
    sum = kept.reduce((a, b) => a + b, 0);
  return Object.fromEntries(outcomes.map((o, i) => [o, kept[i]! / sum]));
}
/** No outcome is impossible. */
const LEAST_SHARE = 0.003;

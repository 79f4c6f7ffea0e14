import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { SLOT } from './kernel';
import { normalCdf, normalPdf } from './normal';
import { drippingWaterShare, numberDensity } from './numberTable';
import { outcomeShares } from './outcomeTable';

/** Likelihood of one finding under one fault set, given one draw of the circuit's parameters (and the highest pressure logged, where one was). A density for numbers, a probability for outcomes;
 *  only ratios between sets matter. Never 0: a share of every number is put down to a slip of the hand. */
export function findingLikelihood(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit, peakGaugeBar: number | null = null): number {
  const number = numericLikelihood(f, faults, v, c);
  if (number !== null) return 0.98 * number + 0.02 * SLIP_DENSITY;
  const tabled = numberDensity(f, faults);
  if (tabled !== null) return tabled;
  if (f.outcome === undefined) return 1;
  if (f.test === 'gas-valve-press' && faults.includes('vessel-undercharged')) return pressOfUndercharged(v, c)[f.outcome as keyof ReturnType<typeof pressOfUndercharged>] ?? 1;
  const shares = outcomeShares(f.test, faults);
  if (f.test === 'discharge-pipe' && shares && peakGaugeBar !== null) return (dischargeShares(shares, faults, peakGaugeBar, c)[f.outcome] ?? 1) * drippingWaterShare(f, faults);
  return (shares?.[f.outcome] ?? 1) * drippingWaterShare(f, faults);
}

/** Below this share of its set pressure a relief with a sound seat does not drip, whatever else is wrong; what it lifted before may still show. */
const SHUT_BELOW = 0.82, DRIPS_BELOW = 0.3;

/** Outcomes at the discharge pipe, given how high the pressure went while it was logged. */
function dischargeShares(shares: Record<string, number>, faults: readonly FaultId[], peakGaugeBar: number, c: ResolvedCircuit): Record<string, number> {
  if (peakGaugeBar > SHUT_BELOW * c.reliefSetGaugeBar || has(faults, 'relief-valve-passing', 'relief-valve-lifts-early', 'gauge-misreading')) return shares;
  const dripping = (shares.dripping ?? 0) * DRIPS_BELOW, running = (shares.running ?? 0) * DRIPS_BELOW;
  const moved = (shares.dripping ?? 0) + (shares.running ?? 0) - dripping - running;
  return { ...shares, dripping, running, stained: (shares.stained ?? 0) + 0.6 * moved, dry: (shares.dry ?? 0) + 0.4 * moved };
}

/** Whether a finding's likelihood hangs on the circuit's parameters, or only on which faults there are: then one draw will do for all. */
export function hangsOnDraw(f: Finding, faults: readonly FaultId[]): boolean {
  if (f.outcome === undefined) return true;
  return f.test === 'gas-valve-press' && faults.includes('vessel-undercharged');
}

/** Density of a slip: any number over about three bars (or litres) alike. */
const SLIP_DENSITY = 0.3;
const has = (faults: readonly FaultId[], ...ids: FaultId[]) => ids.some((id) => faults.includes(id));

/** The vessel's charge in a draw, bar gauge. A cut-off vessel keeps its own, which the circuit's parameters do not hold. */
export function chargeOf(v: Float64Array, c: ResolvedCircuit): number | null {
  return v[SLOT.vesselL]! > 0 ? v[SLOT.gas]! / v[SLOT.vesselL]! - c.atmosphericBar : null;
}

/** Pressing an undercharged vessel's valve: what is left decides between air and nothing. */
export function pressOfUndercharged(v: Float64Array, c: ResolvedCircuit): { air: number; nothing: number; water: number } {
  const nothing = 0.9 / (1 + Math.exp(((chargeOf(v, c) ?? 0) + 0.15) / 0.2));
  return { air: 0.97 * (0.98 - nothing), nothing: 0.97 * (nothing + 0.02), water: 0.03 };
}

/** Room that a bar of pressure makes, L/bar: the gas and the stretch. */
function complianceLPerBar(v: Float64Array, gaugeBar: number, c: ResolvedCircuit): number {
  const P = Math.max(0.3, gaugeBar + c.atmosphericBar);
  const inPlay = v[SLOT.vesselL]! > 0 && P > v[SLOT.gas]! / v[SLOT.vesselL]!;
  return (inPlay ? v[SLOT.gas]! / (P * P) : 0) + v[SLOT.stretch]! + v[SLOT.air]! / (P * P);
}

/** Error of reading a difference twice off the same gauge. */
export const readingSd = (c: ResolvedCircuit) => 0.025 + 0.42 * c.gaugeStepBar;

function numericLikelihood(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number | null {
  const sd = readingSd(c);
  switch (f.test) {
    case 'idle-cold-pressure': return f.valueBar === undefined ? null : coldLevelDensity(f.valueBar, faults, c, v);
    case 'precharge': return f.valueBar === undefined ? null : prechargeDensity(f, faults, v, c);
    case 'draw-off': {
      if (f.volumeL === undefined || f.beforeBar === undefined || f.afterBar === undefined) return null;
      const volumeL = takenBetween(v, f.beforeBar, f.afterBar, c);
      const errorL = complianceLPerBar(v, f.afterBar, c) * sd;
      return normalPdf(f.volumeL, volumeL, Math.hypot(errorL, 0.03, 0.03 * f.volumeL));
    }
    case 'vessel-drained-volume': {
      if (f.volumeL === undefined || f.fromBar === undefined) return null;
      // The boiler's own water comes with it: a litre or four. Common practice.
      return normalPdf(f.volumeL, takenBetween(v, f.fromBar, 0, c) + 2.5, 1.4);
    }
    case 'second-gauge': return f.valueBar === undefined || f.firstGaugeBar === undefined ? null : normalPdf(f.firstGaugeBar - f.valueBar, v[SLOT.offset]!, 0.04 + 0.5 * c.gaugeStepBar);
    case 'gauge-at-zero': return f.valueBar === undefined ? null : normalPdf(f.valueBar, Math.max(0, v[SLOT.offset]!), 0.05 + 0.3 * c.gaugeStepBar);
    case 'fill-disconnected-watch': case 'fill-isolated-watch': case 'cold-main-off-watch': case 'cold-main-on-watch': case 'coil-isolated-watch':
      return watchDensity(f, faults, v, c, sd);
    case 'boiler-isolated-hold': return holdDensity(f, faults, sd);
    case 'top-ups-per-month': {
      if (f.count === undefined) return null;
      const losing = has(faults, 'circuit-leak', 'relief-valve-passing', 'boiler-exchanger-leak', 'air-vent-faulty', 'vessel-undercharged', 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated', 'relief-valve-lifts-early', 'vessel-undersized');
      const mean = losing ? 4 : 0.3;
      // Gamma–Poisson, shape 1: rates differ widely from house to house.
      return Math.pow(mean / (1 + mean), f.count) / (1 + mean);
    }
    case 'relief-marking': return f.markedBar === undefined ? null : normalPdf(f.markedBar, has(faults, 'relief-valve-lifts-early') ? c.reliefSetGaugeBar - 0.25 : c.reliefSetGaugeBar, has(faults, 'relief-valve-lifts-early') ? 0.6 : 0.15);
    case 'heat-run-after': {
      if (f.coldBar === undefined || f.hotBar === undefined) return null;
      const grown = v[SLOT.contentL]! * v[SLOT.share]! * 0.000_42 * Math.max(5, (f.hotC ?? c.maxFlowC) - 20);
      return normalPdf(takenBetween(v, f.hotBar, f.coldBar, c), grown, 0.15 * grown + complianceLPerBar(v, f.hotBar, c) * sd * 1.4);
    }
    case 'discharge-catch': {
      if (f.volumeMl === undefined || f.minutes === undefined) return null;
      const flows = f.volumeMl > 2 ? 1 : 0;
      const chance = f.during === 'cold' ? (has(faults, 'relief-valve-passing') ? 0.85 : 0.05) : has(faults, 'relief-valve-passing', 'vessel-undercharged', 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated', 'relief-valve-lifts-early') ? 0.75 : 0.1;
      return flows ? chance : 1 - chance;
    }
    default: return null;
  }
}

/** Water that the gas and the stretch give back between two pressures, L. */
function takenBetween(v: Float64Array, fromGaugeBar: number, toGaugeBar: number, c: ResolvedCircuit): number {
  const held = (gaugeBar: number) => {
    const P = Math.max(0.05, gaugeBar + c.atmosphericBar), V = v[SLOT.vesselL]!;
    const vessel = V > 0 ? V - Math.min(V, Math.max((1 - v[SLOT.cap]!) * V, v[SLOT.gas]! / P)) : 0;
    return vessel + v[SLOT.stretch]! * gaugeBar - v[SLOT.air]! / P;
  };
  return held(fromGaugeBar) - held(toGaugeBar);
}

/** With water still standing behind the diaphragm the tyre gauge only repeats the water's pressure. */
function prechargeDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number {
  // All as seen from the gauge: the charge stands higher there by the head up to the vessel, and so does a vessel with nothing behind it.
  const value = f.valueBar! + c.vesselStaticBar, nothingBar = c.vesselStaticBar;
  const behindBar = Math.max(nothingBar, f.circuitBar ?? (f.drainOpen ? 0 : c.fillGaugeBar));
  const sd = f.circuitBar === undefined && !f.drainOpen ? 0.35 : 0.06;
  if (has(faults, 'vessel-diaphragm-failed')) {
    // A holed one shows what stands on the water side, or what little air is caught.
    return 0.7 * normalPdf(value, behindBar, 0.12) + 0.3 * normalPdf(value, Math.max(behindBar, nothingBar + 0.15), 0.3);
  }
  const charge = Math.max(nothingBar, chargeOf(v, c) ?? c.prechargeGaugeBar);
  if (has(faults, 'vessel-connection-blocked', 'vessel-isolated')) {
    // Drained circuit, but the vessel's own water may still stand behind the stop.
    return 0.65 * normalPdf(value, Math.max(charge, behindBar), 0.12) + 0.35 * normalPdf(value, charge + 0.5, 0.4);
  }
  return normalPdf(value, Math.max(charge, behindBar), sd);
}

function watchDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit, sd: number): number | null {
  if (f.startBar === undefined || f.endBar === undefined || f.minutes === undefined) return null;
  const fill = f.test === 'coil-isolated-watch' || f.test === 'cold-main-on-watch';
  const coil = f.test === 'fill-disconnected-watch' || f.test === 'fill-isolated-watch' || f.test === 'cold-main-on-watch';
  const over = Math.sqrt(Math.max(0, c.mainsGaugeBar - f.startBar));
  const inLPerH = ((fill ? v[SLOT.inFill]! : 0) + (coil ? v[SLOT.inCoil]! : 0)) * over;
  const outLPerH = (v[SLOT.outCircuit]! + v[SLOT.outBoiler]!) * Math.sqrt(Math.max(0, f.startBar));
  const litres = ((inLPerH - outLPerH) * f.minutes) / 60;
  const most = Math.max(f.startBar, c.mainsGaugeBar);
  const rise = Math.max(-f.startBar, Math.min(most - f.startBar, litres / complianceLPerBar(v, f.startBar, c)));
  const change = f.endBar - f.startBar;
  // Standing water above a boiler that is not shut off lifts a drained gauge by itself.
  if (f.test === 'fill-disconnected-watch' && !f.boilerIsolated && f.startBar < 0.2)
    return 0.5 * normalPdf(change, rise, sd) + 0.5 * normalPdf(change, rise + 0.5 * c.staticGaugeBar, sd + 0.3 * c.staticGaugeBar);
  if (f.heating) {
    const swing = has(faults, 'vessel-undercharged', 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated') ? 1 : 0.4;
    return normalPdf(change, rise + 0.5 * swing, sd + 0.5 * swing);
  }
  return normalPdf(change, rise, sd);
}

function holdDensity(f: Finding, faults: readonly FaultId[], sd: number): number | null {
  if (f.boilerStartBar === undefined || f.boilerEndBar === undefined) return null;
  const falls = (start: number, end: number, probable: boolean) => {
    const change = end - start;
    return probable ? 0.15 * normalPdf(change, 0, sd) + 0.85 * 0.8 * Math.exp(Math.min(0, change) / 0.6) * (0.05 + normalCdf(-(change + 0.03) / sd)) : normalPdf(change, 0, sd);
  };
  const boiler = falls(f.boilerStartBar, f.boilerEndBar, has(faults, 'boiler-exchanger-leak', 'relief-valve-passing'));
  if (f.circuitStartBar === undefined || f.circuitEndBar === undefined) return boiler;
  return boiler * falls(f.circuitStartBar, f.circuitEndBar, has(faults, 'circuit-leak', 'air-vent-faulty'));
}

/** How often a cold circuit is found at a pressure, by fault. Cold pressures are set by hand, so they spread even where nothing is wrong.
 *  @param v the draw: how far the gauge is off counts where the set says that it lies, and what the feed holds where it is set high; see {@link levelHangsOnDraw} */
export function coldLevelDensity(gaugeBar: number, faults: readonly FaultId[], c: ResolvedCircuit, v: Float64Array | null = null): number {
  const offsetBar = v ? v[SLOT.offset]! : 0, feedHoldsBar = v && v[SLOT.feedHolds]! > NO_FEED_BAR ? v[SLOT.feedHolds]! : null;
  const lies = faults.includes('gauge-misreading');
  const others = faults.filter((f) => f !== 'gauge-misreading');
  // A fault of the level itself decides where the pressure stands; any other leaves it where its own fault would.
  const level = others.filter((f) => LEVEL_FAULTS.has(f));
  const density = (atGaugeBar: number) => {
    const deciding = level.length ? level : others.length ? others : (['none'] as FaultId[]);
    return deciding.reduce((sum, f) => sum + (f === 'reducing-valve-set-high' && feedHoldsBar !== null ? normalPdf(atGaugeBar, feedHoldsBar, BY_FEED_SD) : coldLevelOf(atGaugeBar, f, c)), 0) / deciding.length;
  };
  // Whoever fills by a lying gauge fills to what it shows; a feed fills to what is there. Half and half where a hand fills.
  const filledByIt = c.fedByItself ? 0.2 : 0.5;
  const all = lies ? (1 - filledByIt) * density(gaugeBar - offsetBar) + filledByIt * density(gaugeBar) : density(gaugeBar);
  return (1 - ANY_LEVEL) * all + ANY_LEVEL / ANY_LEVEL_BAR;
}

/** A draw whose feed holds less than this has none. */
const NO_FEED_BAR = -1;
/** Whether a cold level says more than which faults there are: how far the gauge is off, or what the feed holds. */
export const levelHangsOnDraw = (faults: readonly FaultId[]): boolean => has(faults, 'gauge-misreading', 'reducing-valve-set-high');

/** Share of circuits that stand at any pressure, for reasons of their own, and over what range. Common practice. */
const ANY_LEVEL = 0.07, ANY_LEVEL_BAR = 3.5;
const LEVEL_FAULTS: ReadonlySet<FaultId> = new Set(['fill-pressure-too-low', 'fill-pressure-too-high', 'feed-starved', 'pressurisation-unit-fault', 'reducing-valve-set-high']);
/** Spread of a cold pressure that was set by hand, and of one that a feed holds. Common practice. */
const BY_HAND_SD = 0.22, BY_FEED_SD = 0.14;

function coldLevelOf(p: number, fault: FaultId, c: ResolvedCircuit): number {
  const fill = c.fillGaugeBar;
  const flat = (least: number, most: number) => smoothBox(p, least, Math.max(most, least + 0.2), 0.06 + 0.5 * c.gaugeStepBar);
  const sd = Math.hypot(c.fedByItself ? BY_FEED_SD : BY_HAND_SD, 0.4 * c.gaugeStepBar);
  const near = normalPdf(p, fill + 0.05, sd);
  switch (fault) {
    case 'fill-pressure-too-low': case 'feed-starved': case 'pressurisation-unit-fault': return flat(0, fill - 0.25);
    case 'fill-pressure-too-high': return flat(fill + 0.45, Math.max(c.reliefSetGaugeBar, fill + 0.8));
    case 'reducing-valve-set-high': return flat(fill + 0.2, fill + 1.3);
    case 'fill-loop-passing': case 'reducing-valve-creeping': case 'fill-bypass-open': case 'dhw-plate-perforated': case 'dhw-coil-perforated':
      return 0.45 * near + 0.55 * flat(fill, c.reliefSetGaugeBar);
    case 'circuit-leak': case 'boiler-exchanger-leak': case 'relief-valve-passing': case 'air-vent-faulty': case 'vessel-overcharged': case 'relief-valve-lifts-early':
      return 0.55 * near + 0.45 * flat(0, fill);
    case 'vessel-undercharged': case 'vessel-diaphragm-failed': case 'vessel-connection-blocked': case 'vessel-isolated': case 'vessel-undersized':
      // Topped up to where it should be, or fallen since.
      return c.fedByItself ? 0.8 * near + 0.15 * flat(0.1, fill) + 0.05 * flat(fill, fill + 0.8) : 0.65 * normalPdf(p, fill + 0.05, 1.3 * sd) + 0.35 * flat(0.2, fill);
    default: return near;
  }
}

/** A box with soft shoulders that integrates to about 1. */
const smoothBox = (x: number, least: number, most: number, shoulder: number) => (normalCdf((x - least) / shoulder) - normalCdf((x - most) / shoulder)) / (most - least);

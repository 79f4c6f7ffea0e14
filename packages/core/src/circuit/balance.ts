import { requireInRange } from '../OutOfRangeError';
import { MOST_WATER_SHARE } from '../vessel/acceptedWater';
import { staticHeadBar } from './atmosphere';

const CHARGED_AT_K = 293.15,
  ICE_K = 273.15;

/** A diaphragm vessel where it hangs. */
export interface VesselOnCircuit {
  nominalVolumeL: number;
  /** Charge with the water side empty, at 20 °C. */
  prechargeGaugeBar: number;
  /** Its connection above the gauge, m; below is negative. */
  heightAboveGaugeM?: number;
  /** Temperature of its gas, °C. */
  gasC?: number;
}

/** Everything that gives way when water is pushed in. Pressures are those at the gauge. */
export interface BalanceInput {
  vessels: readonly VesselOnCircuit[];
  /** Pipes and emitters, L/bar. */
  stretchLPerBar: number;
  /** Trapped air, absolute bar · L, and where it stands above the gauge. */
  airBarL?: number;
  airHeightM?: number;
  atmosphericBar?: number;
}

/** Water beyond the circuit's own volume that vessels, stretch and squeezed air hold at a pressure at the gauge, L. Each vessel sees that
 *  pressure less the static head up to it. Rises strictly with the pressure. */
export function heldL(input: BalanceInput, gaugeBar: number): number {
  const { vessels, stretchLPerBar, airBarL = 0, airHeightM = 0, atmosphericBar = 1.01325 } = input;
  let held = stretchLPerBar * gaugeBar;
  for (const v of vessels) held += vesselHeldL(v, gaugeBar, atmosphericBar);
  if (airBarL > 0) held -= airBarL / Math.max(LEAST_ABSOLUTE_BAR, gaugeBar - staticHeadBar(airHeightM) + atmosphericBar);
  return held;
}

/** How fast that rises, L/bar: the circuit's compliance at this pressure. */
export function complianceAt(input: BalanceInput, gaugeBar: number): number {
  const { vessels, stretchLPerBar, airBarL = 0, airHeightM = 0, atmosphericBar = 1.01325 } = input;
  let slope = stretchLPerBar;
  for (const v of vessels) {
    const absoluteBar = gaugeBar - staticHeadBar(v.heightAboveGaugeM ?? 0) + atmosphericBar,
      gas = gasBarL(v, atmosphericBar);
    const room = absoluteBar > 0 ? gas / absoluteBar : Infinity;
    if (room < v.nominalVolumeL && room > (1 - MOST_WATER_SHARE) * v.nominalVolumeL) slope += gas / (absoluteBar * absoluteBar);
  }
  const air = Math.max(LEAST_ABSOLUTE_BAR, gaugeBar - staticHeadBar(airHeightM) + atmosphericBar);
  return slope + airBarL / (air * air);
}

/** The pressure at the gauge at which the circuit holds a given excess of water: Newton's method, kept inside a bracket that is halved
 *  whenever a step would leave it, since the balance has a kink wherever a vessel begins to fill or is full.
 *  @param excessL water beyond the circuit's own volume, may be negative
 *  @param startGaugeBar where to begin, best the last answer
 *  @returns bar gauge, not below the vacuum
 *  @throws {OutOfRangeError} stretchLPerBar from 1e-6 to 1000 */
export function balancedGaugeBar(input: BalanceInput, excessL: number, startGaugeBar = 1): number {
  requireInRange('stretchLPerBar', input.stretchLPerBar, 1e-6, 1000);
  const vacuum = -(input.atmosphericBar ?? 1.01325);
  let low = vacuum,
    high = 8;
  if (heldL(input, low) >= excessL) return vacuum;
  while (heldL(input, high) < excessL) {
    low = high;
    high *= 4;
  }
  let p = Math.min(high, Math.max(low, startGaugeBar));
  for (let i = 0; i < MOST_ITERATIONS; i++) {
    const miss = heldL(input, p) - excessL;
    if (Math.abs(miss) < TOLERANCE_L) return p;
    if (miss > 0) high = p;
    else low = p;
    const next = p - miss / complianceAt(input, p);
    p = next > low && next < high ? next : (low + high) / 2;
    if (high - low < TOLERANCE_BAR) return p;
  }
  return p;
}

const TOLERANCE_L = 1e-12,
  TOLERANCE_BAR = 1e-13,
  MOST_ITERATIONS = 200,
  LEAST_ABSOLUTE_BAR = 0.02;

const gasBarL = (v: VesselOnCircuit, atmosphericBar: number) =>
  (v.prechargeGaugeBar + atmosphericBar) * v.nominalVolumeL * (((v.gasC ?? CHARGED_AT_K - ICE_K) + ICE_K) / CHARGED_AT_K);

/** Water in one vessel, L, from none to the share at which its diaphragm lies against the shell. */
export function vesselHeldL(v: VesselOnCircuit, gaugeBar: number, atmosphericBar = 1.01325): number {
  const absoluteBar = gaugeBar - staticHeadBar(v.heightAboveGaugeM ?? 0) + atmosphericBar;
  if (absoluteBar <= 0) return 0;
  return Math.min(MOST_WATER_SHARE * v.nominalVolumeL, Math.max(0, v.nominalVolumeL - gasBarL(v, atmosphericBar) / absoluteBar));
}

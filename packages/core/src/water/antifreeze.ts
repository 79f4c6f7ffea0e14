import { requireInRange } from '../OutOfRangeError';
import { waterDensity } from './waterDensity';

export type Glycol = 'propylene' | 'ethylene';

/** ρ and c as A1 + A2·ξ + A3·τ + A4·ξ·τ + A5·τ², with ξ the mass share of glycol and τ = 273.15 K / T.
 *  @see M. Conde, Thermophysical Properties of Brines, 2011 (coefficients from memory; checked against handbook tables in the test) */
const DENSITY: Record<Glycol, readonly number[]> = {
  propylene: [508.41109, -182.4082, 965.76507, 280.29104, -472.2251],
  ethylene: [658.49825, -54.81501, 664.71643, 232.72605, -322.61661],
};
const HEAT_CAPACITY: Record<Glycol, readonly number[]> = {
  propylene: [4.47642, 0.60863, -0.71497, -1.93855, 0.47873],
  ethylene: [5.36449, 0.78863, -2.59001, -2.73187, 1.43759],
};
const fit = (a: readonly number[], share: number, celsius: number) => {
  const t = 273.15 / (celsius + 273.15);
  return a[0]! + a[1]! * share + a[2]! * t + a[3]! * share * t + a[4]! * t * t;
};

/** Density of the pure glycols at 20 °C, kg/m³ [memory: handbooks]. */
const PURE_KG_PER_M3: Record<Glycol, number> = { propylene: 1036, ethylene: 1113 };

/** Share by mass of a glycol that was measured or mixed by volume, %.
 *  @param volumePercent 0 to 60 */
export function massPercentOfVolume(glycol: Glycol, volumePercent: number): number {
  requireInRange('volumePercent', volumePercent, 0, 60);
  const share = volumePercent / 100,
    mass = share * PURE_KG_PER_M3[glycol];
  return (100 * mass) / (mass + (1 - share) * waterDensity(20));
}

/** Freezing points at 0, 10 … 60 % by mass, °C [memory: ASHRAE Handbook, Fundamentals, secondary coolants]. */
const FREEZES_C: Record<Glycol, readonly number[]> = {
  propylene: [0, -3.3, -7.1, -12.7, -21.1, -33.5, -51],
  ethylene: [0, -3.2, -7.8, -14.1, -22.3, -33.8, -51],
};

/** Share by mass that freezes at a temperature, %, as a refractometer shows it; straight lines between the table's rows.
 *  @param freezingC −51 to 0 °C */
export function massPercentOfFreezing(glycol: Glycol, freezingC: number): number {
  const table = FREEZES_C[glycol];
  requireInRange('freezingC', freezingC, table.at(-1)!, 0);
  const above = table.findIndex((c, i) => i > 0 && freezingC >= c),
    from = table[above - 1]!,
    to = table[above]!;
  return 10 * (above - 1 + (from - freezingC) / (from - to));
}

/** Density of a glycol–water mixture. Pure water is IF97's; the mixture follows the fit's ratio to its own water, so that 0 % is exact.
 *  @param massPercent glycol, 0 to 60 % by mass
 *  @param celsius 0 to 120 °C
 *  @returns kg/m³, within about 0.7 %
 *  @throws {OutOfRangeError} */
export function mixtureDensity(glycol: Glycol, massPercent: number, celsius: number): number {
  requireInRange('massPercent', massPercent, 0, 60);
  requireInRange('celsius', celsius, 0, 120);
  return (waterDensity(celsius) * fit(DENSITY[glycol], massPercent / 100, celsius)) / fit(DENSITY[glycol], 0, celsius);
}

/** Heat capacity of a glycol–water mixture, kJ/(kg·K); water 4.18, within about 1.5 %. Ranges and source as {@link mixtureDensity}. */
export function mixtureHeatCapacity(glycol: Glycol, massPercent: number, celsius: number): number {
  requireInRange('massPercent', massPercent, 0, 60);
  requireInRange('celsius', celsius, 0, 120);
  return (4.18 * fit(HEAT_CAPACITY[glycol], massPercent / 100, celsius)) / fit(HEAT_CAPACITY[glycol], 0, celsius);
}

/** Share of the content that has to leave a circuit of such a mixture on heating: 1 − ρ₂/ρ₁ · (1 + 3α ΔT). */
export function mixtureNetGrowth({
  glycol,
  massPercent,
  fromC,
  toC,
  linearExpansionPerK = 15e-6,
}: {
  glycol: Glycol;
  massPercent: number;
  fromC: number;
  toC: number;
  linearExpansionPerK?: number;
}): number {
  return (
    1 -
    (mixtureDensity(glycol, massPercent, toC) / mixtureDensity(glycol, massPercent, fromC)) * (1 + 3 * linearExpansionPerK * (toC - fromC))
  );
}

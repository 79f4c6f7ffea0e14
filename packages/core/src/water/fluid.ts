import { mixtureDensity, type Glycol } from './antifreeze';
import { LINEAR_EXPANSION_PER_K, netGrowth, type PipeMaterial } from './netGrowth';
import { waterDensity } from './waterDensity';

/** What a circuit is filled with: water, or water with so much of a glycol by mass. */
export type CircuitFluid = 'water' | { glycol: Glycol; massPercent: number };

/** Hottest that the mixtures' fit goes, °C. */
const MIXTURE_MOST_C = 120;

/** Density, kg/m³; mixtures are taken at 120 °C when hotter.
 *  @throws {OutOfRangeError} outside the ranges of {@link waterDensity} and {@link mixtureDensity} */
export function fluidDensity(fluid: CircuitFluid, celsius: number): number {
  return fluid === 'water' ? waterDensity(celsius) : mixtureDensity(fluid.glycol, fluid.massPercent, Math.min(MIXTURE_MOST_C, celsius));
}

/** Share of the content that has to leave a circuit on heating: 1 − ρ₂/ρ₁ · (1 + 3α ΔT). A third of glycol makes it about half as much
 *  again.
 *  @throws {OutOfRangeError} */
export function fluidGrowth(fluid: CircuitFluid, fromC: number, toC: number, material: PipeMaterial = 'mixed'): number {
  if (fluid === 'water') return netGrowth({ fromC, toC, material });
  return 1 - (fluidDensity(fluid, toC) / fluidDensity(fluid, fromC)) * (1 + 3 * LINEAR_EXPANSION_PER_K[material] * (toC - fromC));
}

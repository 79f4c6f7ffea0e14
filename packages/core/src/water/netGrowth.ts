import { waterDensity } from './waterDensity';

/** Linear thermal expansion of pipe materials, 1/K. Source: handbook values, from memory. */
export const LINEAR_EXPANSION_PER_K = { none: 0, steel: 12e-6, mixed: 15e-6, copper: 17e-6 } as const;
export type PipeMaterial = keyof typeof LINEAR_EXPANSION_PER_K;

export interface NetGrowthInput {
  /** Temperature at which the content was measured, 0–180 °C. */
  fromC: number;
  /** Temperature it is brought to, 0–180 °C. */
  toC: number;
  /** Pipe and emitter material; the circuit grows with the water. Default a mix of steel and copper. */
  material?: PipeMaterial;
  /** Pressure at which densities are taken, bar absolute. Default 2.5. */
  absoluteBar?: number;
}

/** Share of a circuit's content that has to leave it when it is heated: 1 − ρ₂/ρ₁ · (1 + 3α ΔT). Counted at the cold
 *  density, since the water that leaves stands cold in the vessel. Negative on cooling.
 *  @throws {OutOfRangeError} outside 0–180 °C
 *  @example netGrowth({ fromC: 15, toC: 65, material: 'none' }) // 0.0186: "two litres in a hundred" */
export function netGrowth({ fromC, toC, material = 'mixed', absoluteBar = 2.5 }: NetGrowthInput): number {
  const alpha = LINEAR_EXPANSION_PER_K[material];
  return 1 - (waterDensity(toC, absoluteBar) / waterDensity(fromC, absoluteBar)) * (1 + 3 * alpha * (toC - fromC));
}

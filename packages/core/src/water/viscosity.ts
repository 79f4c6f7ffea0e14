import { requireInRange } from '../OutOfRangeError';
import { waterDensity } from './waterDensity';

/** Dynamic viscosity of water, Pa·s: 2.414e-5 · 10^(247.8 / (T − 140 K)), within 2.5 % from 0 to 150 °C (a common engineering fit, from
 *  memory). */
export function waterViscosityPaS(celsius: number): number {
  requireInRange('celsius', celsius, 0, 150);
  return 2.414e-5 * 10 ** (247.8 / (celsius + 273.15 - 140));
}
export const kinematicViscosityM2PerS = (celsius: number): number => waterViscosityPaS(celsius) / waterDensity(celsius);

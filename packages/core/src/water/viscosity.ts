import { requireInRange } from '../OutOfRangeError';
import { mixtureDensity, type Glycol } from './antifreeze';
import { waterDensity } from './waterDensity';

/** Dynamic viscosity of water, Pa·s: 2.414e-5 · 10^(247.8 / (T − 140 K)), within 2.5 % from 0 to 150 °C (a common engineering fit, from
 *  memory). */
export function waterViscosityPaS(celsius: number): number {
  requireInRange('celsius', celsius, 0, 150);
  return 2.414e-5 * 10 ** (247.8 / (celsius + 273.15 - 140));
}
/** ln η of the mixtures, η in Pa·s, by the same form as their density.
 *  @see M. Conde, Thermophysical Properties of Brines, 2011 (coefficients from memory; within about 15 % of handbook tables) */
const LOG_VISCOSITY: Record<Glycol, readonly number[]> = {
  propylene: [-1.02798, -10.03298, -19.93497, 14.65802, 14.6205],
  ethylene: [-4.63024, -2.14817, -12.70106, 5.40536, 10.9899],
};

/** Kinematic viscosity of water, or of water with so much of a glycol by mass, m²/s. A mixture follows the fit's ratio to its own water. */
export function kinematicViscosityM2PerS(celsius: number, glycol?: Glycol, massPercent = 0): number {
  const water = waterViscosityPaS(celsius);
  if (!glycol || massPercent === 0) return water / waterDensity(celsius);
  const [, a2, , a4] = LOG_VISCOSITY[glycol] as [number, number, number, number],
    share = massPercent / 100,
    times = Math.exp(share * (a2 + (a4 * 273.15) / (celsius + 273.15)));
  return (water * times) / mixtureDensity(glycol, massPercent, celsius);
}

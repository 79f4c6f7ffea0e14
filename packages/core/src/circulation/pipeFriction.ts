import { requireInRange } from '../OutOfRangeError';
import { kinematicViscosityM2PerS } from '../water/viscosity';
import { mixtureDensity, type Glycol } from '../water/antifreeze';
import { waterDensity } from '../water/waterDensity';

/** Darcy's friction factor: 64/Re when laminar, Haaland's explicit form of Colebrook's when turbulent (within 2 % of it), a straight line
 *  between.
 *  @param reynolds above 0 to 1e8; @param roughness relative, 0 to 0.05
 *  @see Haaland, J. Fluids Eng. 105, 1983 (from memory) */
export function frictionFactor(reynolds: number, roughness: number): number {
  requireInRange('reynolds', reynolds, 1e-6, 1e8);
  requireInRange('roughness', roughness, 0, 0.05);
  const laminar = 64 / reynolds;
  if (reynolds <= 2300) return laminar;
  const turbulent = (re: number) => (-1.8 * Math.log10((roughness / 3.7) ** 1.11 + 6.9 / re)) ** -2;
  if (reynolds >= 4000) return turbulent(reynolds);
  const share = (reynolds - 2300) / 1700;
  return (1 - share) * (64 / 2300) + share * turbulent(4000);
}

export interface PipeFriction {
  speedMPerS: number;
  reynolds: number;
  paPerM: number;
  headM: number;
}

/** Loss along a straight pipe by Darcy and Weisbach, and the pump's head for it with fittings as extra length.
 *  @param roughnessMm 0.0015 for copper and plastic, 0.045 for new steel (handbook values, from memory) */
export function pipeFriction({
  flowLPerH,
  boreMm,
  lengthM,
  celsius = 60,
  roughnessMm = 0.0015,
  fittingsShare = 0,
  glycol,
  massPercent = 0,
}: {
  flowLPerH: number;
  boreMm: number;
  lengthM: number;
  celsius?: number;
  roughnessMm?: number;
  fittingsShare?: number;
  glycol?: Glycol;
  /** Glycol, % by mass. */
  massPercent?: number;
}): PipeFriction {
  requireInRange('flowLPerH', flowLPerH, 0.1, 1e6);
  requireInRange('boreMm', boreMm, 4, 500);
  requireInRange('lengthM', lengthM, 0, 10_000);
  requireInRange('fittingsShare', fittingsShare, 0, 5);
  const d = boreMm / 1000;
  const speedMPerS = flowLPerH / 3.6e6 / ((Math.PI / 4) * d * d);
  const reynolds = (speedMPerS * d) / kinematicViscosityM2PerS(celsius, glycol, massPercent);
  const density = glycol ? mixtureDensity(glycol, massPercent, celsius) : waterDensity(celsius);
  const paPerM = (frictionFactor(reynolds, roughnessMm / boreMm) / d) * 0.5 * density * speedMPerS ** 2;
  return { speedMPerS, reynolds, paPerM, headM: (paPerM * lengthM * (1 + fittingsShare)) / (density * 9.80665) };
}

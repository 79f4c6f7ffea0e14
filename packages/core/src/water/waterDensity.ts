import { requireInRange } from '../OutOfRangeError';

/** ρ(x, P) = Σ aᵢ xⁱ + (P − 3) Σ bᵢ xⁱ with x = t/90 − 1. Least-squares fit to IAPWS-IF97 region 1 over 0–180 °C and up to
 *  26 bar absolute; the test holds it to 0.01 % against a reference implementation (0.002 % when it was made). */
const A = [965.4129097, -60.5483218, -19.4867442, 2.972356058, -1.768315094, 0.2239356892, -0.8957179473, 0.6545328979];
const B = [0.04530813399, 0.01022640166, 0.01234846015, -0.002433471548];

/** Density of liquid water.
 *  @param temperatureC 0 to 180 °C; must be liquid at the pressure given (not checked)
 *  @param absoluteBar 0.5 to 26 bar absolute
 *  @returns kg/m³
 *  @throws {OutOfRangeError}
 *  @see IAPWS R7-97(2012), region 1
 *  @example waterDensity(20, 1.013) // 998.2 */
export function waterDensity(temperatureC: number, absoluteBar = 2.5): number {
  requireInRange('temperatureC', temperatureC, 0, 180);
  requireInRange('absoluteBar', absoluteBar, 0.5, 26);
  const x = temperatureC / 90 - 1;
  let base = 0;
  for (let i = A.length - 1; i >= 0; i--) base = base * x + A[i]!;
  let perBar = 0;
  for (let i = B.length - 1; i >= 0; i--) perBar = perBar * x + B[i]!;
  return base + perBar * (absoluteBar - 3);
}

/** Density of water at one atmosphere, kg/L, 0–150 °C: Kell's ratio of polynomials (J. Chem. Eng. Data 20, 1975; coefficients from memory).
 */
export function densityKgPerL(celsius: number): number {
  const t = celsius;
  const up = 999.83952 + t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return up / (1 + 16.87985e-3 * t) / 1000;
}
/** Share by which a bar squeezes water. Handbook value, from memory. */
export const SQUEEZE_PER_BAR = 4.6e-5;

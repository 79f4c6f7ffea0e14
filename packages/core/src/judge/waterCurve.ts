/** Water of a sealed circuit against its pressure, for one set of the kernel's parameters: a vessel that is empty, in play or full, the stretch, and
 *  trapped air. Absolute pressures, bar; water as litres over what the bare circuit holds, from a zero of its own. */
export interface WaterCurve {
  /** Below it the vessel holds no water, from the other on no more goes in. */
  emptyBelowBar: number;
  fullAboveBar: number;
  excessAt: (absoluteBar: number) => number;
  /** The inverse of `excessAt`, in closed form. */
  pressureAt: (excessL: number) => number;
}

/** @param gas amount in the vessel, absolute bar · L @param vesselL nominal volume, 0 where no vessel is in play @param cap most of it that water fills
 *  @param stretch L/bar, above 0 @param air trapped, absolute bar · L */
export function waterCurve(gas: number, vesselL: number, cap: number, stretch: number, air: number): WaterCurve {
  const emptyBelowBar = vesselL > 0 ? gas / vesselL : Infinity, fullAboveBar = emptyBelowBar / (1 - cap), fullL = cap * vesselL;
  const excessAt = (P: number) => stretch * P + (P <= emptyBelowBar ? 0 : P >= fullAboveBar ? fullL : vesselL - gas / P) - air / P;
  const emptyAt = vesselL > 0 ? excessAt(emptyBelowBar) : Infinity, fullAt = vesselL > 0 ? excessAt(fullAboveBar) : Infinity;
  const pressureAt = (x: number) => {
    let c = x, b = air;
    if (x > fullAt) c = x - fullL;
    else if (x > emptyAt) { c = x - vesselL; b = gas + air; }
    const root = Math.sqrt(c * c + 4 * stretch * b);
    // The same root written so that nothing cancels for either sign of c.
    const P = c >= 0 ? (c + root) / (2 * stretch) : (2 * b) / (root - c);
    return P > LEAST_BAR ? P : LEAST_BAR;
  };
  return { emptyBelowBar, fullAboveBar, excessAt, pressureAt };
}

/** Water boils off rather than that it is drawn thinner than this. */
const LEAST_BAR = 0.02;

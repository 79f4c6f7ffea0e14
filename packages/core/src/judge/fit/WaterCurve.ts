/** Water of a sealed circuit against its pressure, for one set of the kernel's parameters: a vessel that is empty, in play or full, the
 *  stretch, and trapped air. Absolute pressures, bar; water as litres over what the bare circuit holds, from a zero of its own. A class,
 *  since the kernel asks it some hundred thousand times a diagnosis: one shape, whose methods an engine can lay into its loops. */
export class WaterCurve {
  /** Below it the vessel holds no water, from the other on no more goes in. */
  readonly emptyBelowBar: number;
  readonly fullAboveBar: number;
  private readonly fullL: number;
  /** Water at those two. */
  private readonly emptyAtL: number;
  private readonly fullAtL: number;

  /** @param gas amount in the vessel, absolute bar · L @param vesselL nominal volume, 0 where no vessel is in play @param cap most of it
   *  that water fills
   *  @param stretch L/bar, above 0 @param air trapped, absolute bar · L */
  constructor(
    private readonly gas: number,
    private readonly vesselL: number,
    cap: number,
    private readonly stretch: number,
    private readonly air: number,
  ) {
    this.emptyBelowBar = vesselL > 0 ? gas / vesselL : Infinity;
    this.fullAboveBar = this.emptyBelowBar / (1 - cap);
    this.fullL = cap * vesselL;
    this.emptyAtL = vesselL > 0 ? this.excessAt(this.emptyBelowBar) : Infinity;
    this.fullAtL = vesselL > 0 ? this.excessAt(this.fullAboveBar) : Infinity;
  }

  excessAt(P: number): number {
    return (
      this.stretch * P + (P <= this.emptyBelowBar ? 0 : P >= this.fullAboveBar ? this.fullL : this.vesselL - this.gas / P) - this.air / P
    );
  }

  /** The inverse of `excessAt`, in closed form. */
  pressureAt(excessL: number): number {
    let c = excessL,
      b = this.air;
    if (excessL > this.fullAtL) c = excessL - this.fullL;
    else if (excessL > this.emptyAtL) {
      c = excessL - this.vesselL;
      b = this.gas + this.air;
    }
    const root = Math.sqrt(c * c + 4 * this.stretch * b);
    // The same root written so that nothing cancels for either sign of c.
    const P = c >= 0 ? (c + root) / (2 * this.stretch) : (2 * b) / (root - c);
    return P > LEAST_BAR ? P : LEAST_BAR;
  }
}

/** Water boils off rather than that it is drawn thinner than this. */
const LEAST_BAR = 0.02;

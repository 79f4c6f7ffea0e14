/** Flow through a pinhole or a passing seat: q = k · √Δp, one way only.
 *  @param litresPerHourAtOneBar k, 0 or more
 *  @param differenceBar pressure across it; 0 L/h at or below 0
 *  @returns L/h
 *  @see Torricelli / orifice equation */
export function orificeFlowLPerH(litresPerHourAtOneBar: number, differenceBar: number): number {
  return differenceBar > 0 ? litresPerHourAtOneBar * Math.sqrt(differenceBar) : 0;
}

import { requireInRange } from '../OutOfRangeError';

export interface DrawOffInput {
  /** Water taken out, L, above 0 to 1000. */
  drawnL: number;
  /** Gauge before and after, bar, cold circuit, both above the charge. */
  beforeGaugeBar: number;
  afterGaugeBar: number;
  nominalVolumeL: number;
  /** Elastic stretch of pipes and radiators, L/bar. Default 0.03. */
  stretchLPerBar?: number;
  atmosphericBar?: number;
}

/** The vessel's charge from a measured volume taken out of a cold circuit, with nothing drained down:
 *  P0 · Vn = (ΔV − s·Δp) / (1/P2 − 1/P1).
 *  @returns precharge, bar gauge
 *  @throws {OutOfRangeError} when the pressure did not fall or the stretch alone explains the volume
 *  @see Boyle's law at constant temperature */
export function chargeFromDrawOff(input: DrawOffInput): number {
  const { drawnL, beforeGaugeBar, afterGaugeBar, nominalVolumeL, stretchLPerBar = 0.03, atmosphericBar = 1.01325 } = input;
  requireInRange('drawnL', drawnL, 0.01, 1000);
  requireInRange('nominalVolumeL', nominalVolumeL, 1, 10_000);
  requireInRange('beforeGaugeBar', beforeGaugeBar, -0.5, 25);
  requireInRange('afterGaugeBar', afterGaugeBar, -0.5, beforeGaugeBar - 1e-6);
  const fromGasL = drawnL - stretchLPerBar * (beforeGaugeBar - afterGaugeBar);
  requireInRange('drawnL', fromGasL, 1e-6, 1000);
  const gasBarL = fromGasL / (1 / (afterGaugeBar + atmosphericBar) - 1 / (beforeGaugeBar + atmosphericBar));
  return gasBarL / nominalVolumeL - atmosphericBar;
}

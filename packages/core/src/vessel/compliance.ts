import { requireInRange } from '../OutOfRangeError';

export interface ComplianceInput {
  nominalVolumeL: number;
  prechargeGaugeBar: number;
  systemGaugeBar: number;
  stretchLPerBar?: number;
  atmosphericBar?: number;
}

/** Water that a sealed circuit takes for one bar more, L/bar: the gas, P0·Vn/P², where water stands in the vessel, and the stretch.
 *  What a pressure change says in litres hangs on it. */
export function complianceLPerBar({
  nominalVolumeL,
  prechargeGaugeBar,
  systemGaugeBar,
  stretchLPerBar = 0.03,
  atmosphericBar = 1.01325,
}: ComplianceInput): number {
  requireInRange('nominalVolumeL', nominalVolumeL, 1, 10_000);
  requireInRange('prechargeGaugeBar', prechargeGaugeBar, -0.99, 10);
  requireInRange('systemGaugeBar', systemGaugeBar, -0.9, 25);
  const P = systemGaugeBar + atmosphericBar;
  return stretchLPerBar + (systemGaugeBar > prechargeGaugeBar ? ((prechargeGaugeBar + atmosphericBar) * nominalVolumeL) / (P * P) : 0);
}

/** Rate of loss (or of gain, negative) from a pressure change at equal temperature, L/h. */
export function leakFromFallLPerH(input: ComplianceInput & { endGaugeBar: number; hours: number }): number {
  requireInRange('hours', input.hours, 0.01, 10_000);
  const middle = (input.systemGaugeBar + input.endGaugeBar) / 2;
  return (complianceLPerBar({ ...input, systemGaugeBar: middle }) * (input.systemGaugeBar - input.endGaugeBar)) / input.hours;
}

/** Loss from how often it is topped up, L/day: each top-up brings it from one pressure to another. */
export function leakFromTopUpsLPerDay(input: ComplianceInput & { endGaugeBar: number; topUpsPerMonth: number }): number {
  requireInRange('topUpsPerMonth', input.topUpsPerMonth, 0, 1000);
  const middle = (input.systemGaugeBar + input.endGaugeBar) / 2;
  return (
    (complianceLPerBar({ ...input, systemGaugeBar: middle }) * Math.abs(input.endGaugeBar - input.systemGaugeBar) * input.topUpsPerMonth) /
    30.4
  );
}

import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { has } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { expectedNumber, mayBeTheWater, waterBehind } from './findingNumbers';
import { chargeOf } from '../fit/draw';
import { normalPdf } from '../fit/normal';

/** How often a charge of which nobody says how it was read is the water's pressure, which may be any up to the relief. Common practice. */
const ANY_WATER = 0.4;

/** With water still standing behind the diaphragm the tyre gauge only repeats the water's pressure. */
export function prechargeDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number {
  const density = chargeShownDensity(f, faults, v, c);
  return mayBeTheWater(f, c) ? (1 - ANY_WATER) * density + ANY_WATER / c.reliefSetGaugeBar : density;
}

function chargeShownDensity(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit): number {
  const seen = f.valueBar! + c.vesselStaticBar,
    nothingBar = c.vesselStaticBar,
    behindBar = waterBehind(f, c);
  if (has(faults, 'vessel-diaphragm-failed')) {
    // A holed one shows what stands on the water side, or what little air is caught.
    return 0.7 * normalPdf(seen, behindBar, 0.08) + 0.3 * normalPdf(seen, Math.max(behindBar, nothingBar + 0.15), 0.3);
  }
  if (has(faults, 'vessel-connection-blocked', 'vessel-isolated')) {
    // Drained circuit, but the vessel's own water may still stand behind the stop.
    const charge = Math.max(nothingBar, chargeOf(v, c) ?? c.prechargeGaugeBar);
    return 0.78 * normalPdf(seen, Math.max(charge, behindBar), 0.12) + 0.22 * normalPdf(seen, charge + 0.4, 0.35);
  }
  const n = expectedNumber(f, v, c)!;
  return normalPdf(n.seen, n.expected, n.sd);
}

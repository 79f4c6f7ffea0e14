import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { normalPdf } from '../fit/normal';

/** Density of a change of pressure. A fall that the vessel's water no longer makes up comes to rest at the water standing above, if air
 *  gets in at the top, else it goes on: half and half. */
export function fallenDensity(seenBar: number, expectedBar: number, sd: number, startGaugeBar: number, c: ResolvedCircuit): number {
  const on = normalPdf(seenBar, expectedBar, sd),
    toHeadBar = c.staticGaugeBar - startGaugeBar;
  if (expectedBar >= toHeadBar || toHeadBar >= 0) return on;
  return (
    0.5 * on + 0.5 * normalPdf(seenBar, toHeadBar, Math.hypot(sd, c.assumed.includes('staticHeadM') ? HEAD_GUESSED_BAR : HEAD_TOLD_BAR))
  );
}
const HEAD_GUESSED_BAR = 0.2,
  HEAD_TOLD_BAR = 0.06;

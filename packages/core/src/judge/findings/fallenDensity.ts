import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { normalPdf } from '../fit/normal';

/** How often a circuit that gives no more comes to rest at the water standing above, since air gets in at the top. */
const RESTS_AT_HEAD = 0.5;
/** How near to that, bar. */
export const headSd = (c: ResolvedCircuit): number => (c.assumed.includes('staticHeadM') ? HEAD_GUESSED_BAR : HEAD_TOLD_BAR);
const HEAD_GUESSED_BAR = 0.2,
  HEAD_TOLD_BAR = 0.06;

/** Density of a change of pressure. A fall that the vessel's water no longer makes up comes to rest at the water standing above, if air
 *  gets in at the top, else it goes on: half and half. */
export function fallenDensity(seenBar: number, expectedBar: number, sd: number, startGaugeBar: number, c: ResolvedCircuit): number {
  const on = normalPdf(seenBar, expectedBar, sd),
    toHeadBar = c.staticGaugeBar - startGaugeBar;
  if (expectedBar >= toHeadBar || toHeadBar >= 0) return on;
  return (1 - RESTS_AT_HEAD) * on + RESTS_AT_HEAD * normalPdf(seenBar, toHeadBar, Math.hypot(sd, headSd(c)));
}

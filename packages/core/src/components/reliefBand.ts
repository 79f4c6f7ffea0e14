import { requireInRange } from '../OutOfRangeError';

/** Where a relief valve of a set pressure may do what, bar gauge. Opens at set ± the larger of 3 % and 0.15 bar; full lift 10 % above; shut
 *  again 10–20 % below (EN ISO 4126 and common practice, from memory). */
export interface ReliefBand {
  opensFromGaugeBar: number;
  opensToGaugeBar: number;
  fullLiftGaugeBar: number;
  reseatsFromGaugeBar: number;
  reseatsToGaugeBar: number;
}

/** @param setGaugeBar 0.5 to 20 bar */
export function reliefBand(setGaugeBar: number): ReliefBand {
  requireInRange('setGaugeBar', setGaugeBar, 0.5, 20);
  const either = Math.max(0.03 * setGaugeBar, 0.15);
  return {
    opensFromGaugeBar: setGaugeBar - either,
    opensToGaugeBar: setGaugeBar + either,
    fullLiftGaugeBar: 1.1 * setGaugeBar,
    reseatsFromGaugeBar: 0.8 * setGaugeBar,
    reseatsToGaugeBar: 0.9 * setGaugeBar,
  };
}

/** Years after which a relief valve is changed as a rule. Common practice. */
export const RELIEF_LIFE_YEARS = 10;

import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import { lowGaugeBar, type LogTrack } from '../../layOut/LogTrack';
import { normalCdf, normalQuantile } from '../normal';
import { normal, uniform, type FreeParameter } from './FreeParameter';

/** From where a gauge counts as misreading, and how far beyond they are found: some by two bars. Common practice. */
const GAUGE_OFF_BAR = 0.2,
  GAUGE_OFF_SPREAD_BAR = 0.42,
  FAR_OFF = 0.15;
/** Both sides of nought are left so much room at the least, bar. */
const LEAST_RANGE_BAR = 0.1;

/** How far the gauge is off, and how much of each move of the pressure one that sticks does not show. */
export const gauge = (model: LogModel, tracks: LogTrack[]): FreeParameter[] => [
  model.gauge === 'off' ? gaugeOff(tracks) : normal(SLOT.offset, 0, IN_ORDER_BAR),
  ...(model.gauge === 'stuck' ? [uniform(SLOT.stuck, STUCK_LEAST, 1, [0])] : []),
];
/** How far a gauge in order is off, bar, and what share of a move one that sticks keeps to itself at the least. Common practice. */
const IN_ORDER_BAR = 0.05,
  STUCK_LEAST = 0.75;

/** How far a lying gauge is off, to either side; never so far up that less than nothing would be in the circuit, which would draw air in.
 */
function gaugeOff(tracks: LogTrack[]): FreeParameter {
  const off = (z: number) => GAUGE_OFF_BAR + GAUGE_OFF_SPREAD_BAR * Math.abs(z) * (1 + FAR_OFF * z * z);
  const mostBar = (lowGaugeBar(tracks) ?? Infinity) + SUCKED_BAR;
  if (mostBar <= GAUGE_OFF_BAR + LEAST_RANGE_BAR)
    return { slot: SLOT.offset, of: (z) => -off(normalQuantile(normalCdf(z) / 2)), starts: [-0.3] };
  return { slot: SLOT.offset, of: (z) => (z < 0 ? -off(z) : Math.min(mostBar, off(z))), starts: [-0.9, 0.9], leapsAtNought: true };
}
/** How far below the outside's pressure a circuit may stand at its gauge for a while, bar. */
const SUCKED_BAR = 0.05;

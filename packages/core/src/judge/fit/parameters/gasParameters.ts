import type { ResolvedCircuit } from '../../../circuit/resolveCircuit';
import { MOST_WATER_SHARE } from '../../../vessel/acceptedWater';
import { SLOT } from '../kernel';
import type { LogModel } from '../logModel';
import { normalCdf } from '../normal';
import { sizeOf } from './circuitSize';
import { logNormal, normalFrom, uniform, type FreeParameter } from './FreeParameter';

/** A charge counts as right from so far below its target to so far above it; beyond, it is a fault by its size. */
const RIGHT_BELOW_BAR = 0.17,
  RIGHT_ABOVE_BAR = 0.27;

/** What drives a litre a second through a narrow connection, bar: so much that the growth of a home's water while it is heated, some 4
 *  mL/s, stands a bar above the vessel; and how widely it spreads in its logarithm. Common practice. */
const NARROW_BAR_S_PER_L = 300,
  NARROW_SPREAD = 1.2;
/** Where a circuit without its vessel may give way all the same, as a share of the relief's setting: a relief weeps before it lifts, and a
 *  blocked port lets by under a great difference. To the gauge that is a vessel charged as high. */
const GIVES_WAY_FROM = 0.62;
/** Most that a vessel is usually found overcharged beyond where it counts, and how much farther the farthest go, as a share, bar. Common
 *  practice. */
const MOST_OVER_BAR = 1.6,
  FAR_OVER_BAR = 1.8,
  FAR_OVER_SHARE = 0.02;

/** From so far below its target a charge is low, bar; what share of the air outside is left in the emptiest vessel; and by what power the
 *  least amounts are found oftener than those just below the target: a vessel that loses its gas goes on losing it, and is looked at when
 *  it has. 1 would be all alike. Common practice. */
const LOW_FROM_BAR = 0.15,
  EMPTIEST_SHARE = 0.03,
  WATERLOGGED_OFTEN = 1.4;

export function gas(model: LogModel, c: ResolvedCircuit): FreeParameter[] {
  const target = c.prechargeGaugeBar,
    leastBar = (EMPTIEST_SHARE - 1) * c.atmosphericBar;
  const rightSd = c.chargeSpreadBar;
  // A charge is read off the vessel that is there: where nobody knows its size, a larger one holds more gas at the same charge.
  const amount = (p: FreeParameter): FreeParameter => ({
    ...p,
    of: (z, v) => (p.of(z) + c.atmosphericBar) * (v?.[SLOT.vesselL] || c.vesselL),
  });
  const size = sizeOf(c),
    air = model.air ? uniform(SLOT.air, 0.8 * size, 6 * size) : logNormal(SLOT.air, 0.1 * size, 0.9);
  const vessel: FreeParameter[] = c.vesselSpread > 0.1 ? [logNormal(SLOT.vesselL, c.vesselL, c.vesselSpread)] : [];
  // Where nobody knows what was wanted here, what was found is no fault by its size.
  const within = (x: number, most: number) => most * Math.tanh(x / most);
  const right: FreeParameter =
    c.prechargeFrom === 'static-head'
      ? normalFrom(SLOT.gas, target, rightSd, leastRightBar(c), rightSd > WIDE_BAR ? [0, 2] : [0])
      : {
          slot: SLOT.gas,
          of: (z) => target + (z < 0 ? within(rightSd * z, RIGHT_BELOW_BAR) : within(rightSd * z, RIGHT_ABOVE_BAR)),
          starts: [0],
        };
  switch (model.gas) {
    // A waterlogged vessel hangs on how far the diaphragm goes before it lies against the shell.
    case 'low':
      return [
        ...vessel,
        amount({
          slot: SLOT.gas,
          of: (z) => leastBar + (target - LOW_FROM_BAR - leastBar) * normalCdf(z) ** WATERLOGGED_OFTEN,
          starts: [-1.2, 0, 1.2],
        }),
        air,
        { slot: SLOT.cap, of: (z) => 1 - (1 - MOST_WATER_SHARE) * Math.exp(0.4 * z), starts: [0] },
      ];
    // The further over, the rarer: its share falls in a straight line to next to nothing; a few were pumped up like a tyre.
    case 'over':
      return [
        ...vessel,
        amount({
          slot: SLOT.gas,
          of: (z) =>
            target + 0.25 + MOST_OVER_BAR * (1 - Math.sqrt(normalCdf(-z))) + FAR_OVER_BAR * Math.max(0, 1 - normalCdf(-z) / FAR_OVER_SHARE),
          starts: [-0.7, 0.8],
        }),
        air,
      ];
    case 'cut-off':
      return [logNormal(SLOT.air, 0.2 * size, 1.2)];
    case 'late':
      return [
        ...vessel,
        amount(uniform(SLOT.gas, GIVES_WAY_FROM * c.reliefSetGaugeBar, c.reliefSetGaugeBar, [-0.7, 0.7])),
        logNormal(SLOT.air, 0.2 * size, 1.2),
      ];
    case 'small':
      return [
        ...vessel,
        amount(right),
        air,
        { slot: SLOT.contentL, of: (z) => c.contentL * (1.3 + 1.4 * normalCdf(z)), starts: [-0.5, 0.8] },
      ];
    default: {
      const way: FreeParameter[] =
        model.gas === 'narrow' ? [{ ...logNormal(SLOT.narrow, NARROW_BAR_S_PER_L / size, NARROW_SPREAD), starts: [-0.8, 0.8] }] : [];
      return [...vessel, amount(right), air, ...way];
    }
  }
}

/** With no label a charge still has to carry the water above it: 0.2 bar over the head at least, and what counts as a fault begins 0.15 bar
 *  below that. A head that is not on the sheet is taken for a low one, of some two metres. */
const leastRightBar = (c: ResolvedCircuit): number =>
  Math.min(c.prechargeGaugeBar - 0.1, (c.assumed.includes('staticHeadM') ? LOW_HEAD_BAR : c.staticGaugeBar) + 0.05);
const LOW_HEAD_BAR = 0.2;
/** A charge that may lie wider than this is looked for in more than one place. */
const WIDE_BAR = 0.25;

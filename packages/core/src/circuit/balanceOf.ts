import { heldL, type BalanceInput } from './balance';
import { atGaugeLevel, type ResolvedCircuit } from './resolveCircuit';

/** Everything that gives way in this circuit, with the vessel charged as given (its own charge, bar gauge). */
export function balanceOf(circuit: ResolvedCircuit, prechargeGaugeBar = circuit.prechargeGaugeBar): BalanceInput {
  const c = atGaugeLevel({ ...circuit, prechargeGaugeBar });
  return {
    vessels: [{ nominalVolumeL: c.vesselL, prechargeGaugeBar: Math.max(-c.atmosphericBar + 0.01, c.prechargeGaugeBar) }],
    stretchLPerBar: c.stretchLPerBar,
    atmosphericBar: c.atmosphericBar,
  };
}

/** A circuit is topped up when it has fallen by about this. Common practice. */
const USUAL_TOP_UP_BAR = 0.5;

/** Water of one top-up back to the fill pressure, L. */
export function topUpL(circuit: ResolvedCircuit): number {
  const balance = balanceOf(circuit);
  return heldL(balance, circuit.fillGaugeBar) - heldL(balance, Math.max(0, circuit.fillGaugeBar - USUAL_TOP_UP_BAR));
}

import { expectedPressure, type ExpectedInput } from './expectedPressure';
import { heldFromGaugeBar, type ResolvedCircuit } from './resolveCircuit';
import { TOO_HIGH_BAR, TOO_LOW_BAR } from './standingLevel';

/** Between which pressures a healthy circuit is read on its gauge, bar gauge. */
export interface RightBand {
  lowGaugeBar: number;
  highGaugeBar: number;
}

/** What a reading may be off beside half a division of the gauge, bar. */
const READING_BAR = 0.03;

/** The healthy band at a flow temperature: what the doubts about the sheet allow, and what a reading may be off. The only one: figure,
 *  bench, test card, report and proof all show it.
 *  @returns with the middle, where it would stand if nothing were doubted */
export function rightHot(input: ExpectedInput): RightBand & { gaugeBar: number } {
  const { gaugeBar, lowGaugeBar, highGaugeBar } = expectedPressure(input),
    doubt = input.circuit.gaugeStepBar / 2 + READING_BAR;
  return { gaugeBar, lowGaugeBar: lowGaugeBar - doubt, highGaugeBar: highGaugeBar + doubt };
}

/** The healthy band of a cold circuit: above what a low level begins at and below what an overfilled one does. */
export function rightCold(c: ResolvedCircuit): RightBand {
  return {
    lowGaugeBar: Math.max(0, c.staticGaugeBar, heldFromGaugeBar(c) - TOO_LOW_BAR - c.fillSpreadBar),
    highGaugeBar: c.fillGaugeBar + TOO_HIGH_BAR + c.fillSpreadBar,
  };
}

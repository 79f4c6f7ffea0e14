import { EMPTY_GAUGE_BAR, resolveCircuit, type Ask, type CircuitSheet } from '@jumper/core';
import { checkPressure } from '../bench/checkPressure';
import { fromField } from '../units/formUnits';
import { quantityText } from '../units/quantity';
import { parseTyped, pressureText, type Units } from '../units/units';
import { asksLitres } from './asked';

export const ASK_LABELS: Record<Ask, string> = {
  'charge-found': 'Charge as found',
  'charge-set': 'Charge as left',
  'gauge-zero': 'System gauge',
  'found-pressure': 'Gauge as found',
  'fill-pressure': 'Gauge after filling',
  'litres-out': 'Water let out',
  'air-litres': 'Air left in the radiator',
  'freeze-minutes': 'Freezing time, minutes',
};
export type AskResult = { kind: 'ok'; value: number } | { kind: 'bad' | 'ask'; message: string };

/** How near a charge must be to the water's pressure to be taken for it, and how far off its target to be asked about. */
const SAME_BAR = 0.06,
  OFF_TARGET_BAR = 0.12;
const MOST_LITRES = 100_000,
  MOST_MINUTES = 600;

/** What was typed at a step, held against what it must be: zero before a charge is read, a charge that is no water pressure, the target,
 *  the relief.
 *  @param sure the technician has seen the question and says that it is so */
export function checkAsk(
  ask: Ask,
  typed: string,
  sheet: CircuitSheet,
  units: Units,
  foundBar: number | undefined,
  sure: boolean,
): AskResult {
  const label = ASK_LABELS[ask],
    c = resolveCircuit(sheet),
    bar = (x: number) => pressureText(x, units.pressure);
  if (ask === 'freeze-minutes') {
    const n = parseTyped(typed);
    return n.kind === 'number' && n.value > 0 && n.value <= MOST_MINUTES
      ? { kind: 'ok', value: n.value }
      : { kind: 'bad', message: `${label}: from 1 to ${MOST_MINUTES}, as the maker says for this bore.` };
  }
  if (asksLitres(ask)) {
    const n = parseTyped(typed);
    if (n.kind !== 'number')
      return { kind: 'bad', message: n.kind === 'empty' ? `${label}: say how much.` : `${label}: “${typed.trim()}” is not a number.` };
    const litres = fromField(n.value, 'L', units);
    return litres < 0 || litres > MOST_LITRES
      ? { kind: 'bad', message: `${label}: must be from 0 to ${quantityText(MOST_LITRES, 'volume', units)}.` }
      : { kind: 'ok', value: litres };
  }
  const check = checkPressure(typed, units, c.reliefSetGaugeBar);
  if (check.kind !== 'ok')
    return {
      kind: 'bad',
      message:
        check.kind === 'bad'
          ? check.message.replace('Pressure', label)
          : `${label}: ${typed.trim()} ${units.pressure} is far above the relief at ${bar(c.reliefSetGaugeBar)}.`,
    };
  const value = check.bar;
  if (ask === 'gauge-zero' && value > EMPTY_GAUGE_BAR)
    return {
      kind: 'bad',
      message: `Not empty yet: ${bar(value)} of water stands behind the diaphragm, and the tyre gauge would only repeat it. Open the drain until it shows zero.`,
    };
  if (sure) return { kind: 'ok', value };
  if (ask === 'charge-found' && foundBar !== undefined && value > EMPTY_GAUGE_BAR && Math.abs(value - foundBar) < SAME_BAR)
    return { kind: 'ask', message: `That is what the water stood at before, ${bar(foundBar)}. Is the drain open, and does no water come?` };
  if (ask === 'charge-set' && Math.abs(value - c.prechargeGaugeBar) > OFF_TARGET_BAR)
    return { kind: 'ask', message: `${bar(c.prechargeGaugeBar)} is wanted here. Leave it at ${bar(value)}?` };
  if (ask === 'fill-pressure' && value > c.reliefSetGaugeBar - 0.5)
    return {
      kind: 'ask',
      message: `Close to the relief at ${bar(c.reliefSetGaugeBar)} while cold; ${bar(c.fillGaugeBar)} is normal for this system.`,
    };
  return { kind: 'ok', value };
}

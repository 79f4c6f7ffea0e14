import { fromCelsius, toBar } from '@jumper/core';
import { RANGE } from '@jumper/contract';
import { fromField } from '../units/formUnits';
import { parseTyped, pressureNumber, pressureText, temperatureText, type Units } from '../units/units';

export type PressureCheck =
  | { kind: 'ok'; bar: number }
  | { kind: 'bad'; message: string }
  /** Possible, but hardly on this circuit: ask before it is kept. */
  | { kind: 'ask'; bar: number; asPsiBar: number | null };

/** A typed pressure, before it is kept: out of range is refused, well above the relief is asked about. */
export function checkPressure(typed: string, units: Units, reliefBar: number): PressureCheck {
  const number = parseTyped(typed);
  if (number.kind === 'empty') return { kind: 'bad', message: 'Pressure: type what the gauge shows.' };
  if (number.kind === 'not-a-number') return { kind: 'bad', message: `Pressure: “${typed.trim()}” is not a number.` };
  const bar = fromField(number.value, 'bar', units);
  if (bar < RANGE.gaugeBar.least || bar > RANGE.gaugeBar.most) {
    const asPsiBar = units.pressure === 'bar' ? toBar(number.value, 'psi') : null;
    if (asPsiBar !== null && asPsiBar <= reliefBar * 1.3 && number.value > 0) return { kind: 'ask', bar: NaN, asPsiBar };
    return {
      kind: 'bad',
      message: `Pressure: ${typed.trim()} ${units.pressure} is outside ${pressureNumber(RANGE.gaugeBar.least, units.pressure)} to ${pressureText(RANGE.gaugeBar.most, units.pressure)}.`,
    };
  }
  if (bar > reliefBar * 1.35 + 0.3) {
    const asPsi = toBar(number.value, 'psi');
    return { kind: 'ask', bar, asPsiBar: units.pressure === 'bar' && asPsi <= reliefBar * 1.3 ? asPsi : null };
  }
  return { kind: 'ok', bar };
}

/** A typed temperature in the range that is taken; empty means not read. */
export function checkTemperature(
  typed: string,
  name: string,
  units: Units,
): { kind: 'ok'; celsius: number | null } | { kind: 'bad'; message: string } {
  const number = parseTyped(typed);
  if (number.kind === 'empty') return { kind: 'ok', celsius: null };
  if (number.kind === 'not-a-number') return { kind: 'bad', message: `${name}: “${typed.trim()}” is not a number.` };
  const celsius = fromField(number.value, '°C', units);
  if (celsius < RANGE.temperatureC.least || celsius > RANGE.temperatureC.most)
    return {
      kind: 'bad',
      message: `${name}: ${typed.trim()} ${units.temperature} is outside ${Math.round(fromCelsius(RANGE.temperatureC.least, units.temperature))} to ${temperatureText(RANGE.temperatureC.most, units.temperature)}.`,
    };
  return { kind: 'ok', celsius };
}

/** Flow and return of one reading as typed: those that were read, or the first that cannot be. */
export function checkTemperatures(
  typed: { flow: string; ret: string },
  units: Units,
): { kind: 'ok'; flowC?: number; returnC?: number } | { kind: 'bad'; field: 'flow' | 'ret'; message: string } {
  const flow = checkTemperature(typed.flow, 'Flow', units);
  if (flow.kind === 'bad') return { ...flow, field: 'flow' };
  const ret = checkTemperature(typed.ret, 'Return', units);
  if (ret.kind === 'bad') return { ...ret, field: 'ret' };
  return {
    kind: 'ok',
    ...(flow.celsius !== null ? { flowC: flow.celsius } : {}),
    ...(ret.celsius !== null ? { returnC: ret.celsius } : {}),
  };
}

import {
  fromBar,
  fromCelsius,
  toBar,
  type LengthUnit,
  type PowerUnit,
  type PressureUnit,
  type TemperatureUnit,
  type VolumeUnit,
} from '@jumper/core';

export interface Units {
  pressure: PressureUnit;
  temperature: TemperatureUnit;
  volume: VolumeUnit;
  length: LengthUnit;
  power: PowerUnit;
}
export const METRIC: Units = { pressure: 'bar', temperature: '°C', volume: 'L', length: 'm', power: 'kW' };

/** Digits after the point that a gauge in this unit is read to, and the step of one nudge. */
const READ: Record<PressureUnit, { digits: number; step: number }> = {
  bar: { digits: 2, step: 0.1 },
  psi: { digits: 1, step: 1 },
  kPa: { digits: 0, step: 10 },
  mbar: { digits: 0, step: 100 },
};

/** A pressure as it is read: "2.3", "0.75", "33". A second digit in bar only where it says something. */
export function pressureNumber(bar: number, unit: PressureUnit): string {
  const digits = READ[unit].digits;
  const text = fromBar(bar, unit).toFixed(digits);
  return (digits === 0 ? text : text.replace(/^(-?\d+\.\d)0+$/, '$1')).replace(/^-(?=[0.]*$)/, '').replace('-', '−');
}
export const pressureText = (bar: number, unit: PressureUnit): string => `${pressureNumber(bar, unit)} ${unit}`;
export const signedPressure = (bar: number, unit: PressureUnit): string => `${bar < 0 ? '−' : '+'}${pressureNumber(Math.abs(bar), unit)}`;
export const temperatureText = (celsius: number, unit: TemperatureUnit): string => `${Math.round(fromCelsius(celsius, unit))} ${unit}`;

/** One nudge of the stepper: the gauge's own division where it is known. */
export function nudgeBar(unit: PressureUnit, resolutionBar?: number): number {
  return unit === 'bar' && resolutionBar ? Math.max(0.02, Math.min(0.1, resolutionBar)) : toBar(READ[unit].step, unit);
}

export type Typed = { kind: 'number'; value: number } | { kind: 'empty' } | { kind: 'not-a-number' };

/** What was typed as a number; a decimal comma is as good as a point. */
export function parseTyped(text: string): Typed {
  const clean = text.trim().replace(',', '.').replace('−', '-');
  if (clean === '') return { kind: 'empty' };
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(clean) ? { kind: 'number', value: Number(clean) } : { kind: 'not-a-number' };
}

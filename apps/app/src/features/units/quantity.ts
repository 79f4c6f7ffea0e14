import {
  M3_PER_CUBIC_FOOT,
  fromBar,
  fromCelsius,
  fromKilowatts,
  fromLitres,
  fromMetres,
  toBar,
  toCelsius,
  toKilowatts,
  toLitres,
  toMetres,
  type Quantity,
} from '@jumper/core';
import { pressureNumber, type Units } from './units';

interface Shown {
  unit: string;
  from: (canonical: number) => number;
  to: (shown: number) => number;
  digits: number;
}

const same = (unit: string, digits: number): Shown => ({ unit, from: (x) => x, to: (x) => x, digits });
const scaled = (unit: string, per: number, digits: number): Shown => ({ unit, from: (x) => x / per, to: (x) => x * per, digits });

/** How a quantity stands in the user's units. Volumes decide flows; lengths decide bores. */
export function shownAs(quantity: Quantity, u: Units): Shown {
  switch (quantity) {
    case 'pressure':
    case 'pressure-difference':
      return {
        unit: u.pressure,
        from: (x) => fromBar(x, u.pressure),
        to: (x) => toBar(x, u.pressure),
        digits: u.pressure === 'bar' ? 2 : u.pressure === 'psi' ? 1 : 0,
      };
    case 'temperature':
      return { unit: u.temperature, from: (x) => fromCelsius(x, u.temperature), to: (x) => toCelsius(x, u.temperature), digits: 1 };
    case 'temperature-difference':
      return u.temperature === '°F' ? scaled('°F', 1 / 1.8, 1) : same('K', 1);
    case 'volume':
      return { unit: u.volume, from: (x) => fromLitres(x, u.volume), to: (x) => toLitres(x, u.volume), digits: 1 };
    case 'small-volume':
      return { unit: u.volume, from: (x) => fromLitres(x, u.volume), to: (x) => toLitres(x, u.volume), digits: 2 };
    case 'litres-per-bar': {
      const per = toLitres(1, u.volume) / toBar(1, u.pressure);
      return scaled(`${u.volume}/${u.pressure}`, per, u.pressure === 'bar' ? 3 : 5);
    }
    case 'flow':
      return u.volume === 'L' ? same('L/h', 1) : scaled(u.volume === 'US gal' ? 'US gpm' : 'Imp gpm', 60 * toLitres(1, u.volume), 3);
    case 'loss':
      return { unit: `${u.volume}/day`, from: (x) => fromLitres(x, u.volume), to: (x) => toLitres(x, u.volume), digits: 2 };
    case 'length':
      return { unit: u.length, from: (x) => fromMetres(x, u.length), to: (x) => toMetres(x, u.length), digits: 2 };
    case 'bore':
      return u.length === 'ft' ? scaled('in', 25.4, 2) : same('mm', 1);
    case 'power':
      return {
        unit: u.power,
        from: (x) => fromKilowatts(x, u.power),
        to: (x) => toKilowatts(x, u.power),
        digits: u.power === 'kW' ? 2 : 0,
      };
    case 'speed':
      return u.length === 'ft' ? scaled('ft/s', toMetres(1, 'ft'), 2) : same('m/s', 2);
    case 'friction':
      return u.length === 'ft' ? scaled('ft per 100 ft', 98.0665, 2) : same('Pa/m', 0);
    case 'cubic-metres':
      return u.length === 'ft' ? scaled('ft³', M3_PER_CUBIC_FOOT, 2) : same('m³', 4);
    case 'calorific':
      return u.length === 'ft' ? scaled('BTU/ft³', 0.0372589, 0) : same('MJ/m³', 1);
    case 'percent':
      return same('%', 1);
    case 'years':
      return same('years', 0);
    case 'minutes':
      return same('min', 1);
    case 'hours':
      return same('h', 2);
    case 'seconds':
      return same('s', 0);
    case 'per-month':
      return same('a month', 1);
    case 'grams':
      return same('g', 1);
    case 'mg-per-litre':
      return same('mg/L', 0);
    case 'kg-per-hour':
      return u.power === 'BTU/h' ? scaled('lb/h', 0.45359237, 1) : same('kg/h', 1);
    case 'edr':
      return u.length === 'm' ? scaled('m² EDR', 10.7639104, 1) : same('ft² EDR', 0);
    case 'factor':
      return same('', 2);
    case 'count':
      return same('', 1);
  }
}

/** A number of a quantity as it is read: few digits, none that say nothing. */
export function quantityNumber(value: number, quantity: Quantity, u: Units): string {
  if (quantity === 'pressure' || quantity === 'pressure-difference') return pressureNumber(value, u.pressure);
  const { from, digits } = shownAs(quantity, u);
  const shown = from(value);
  const most = Math.abs(shown) >= 1000 ? 0 : Math.abs(shown) >= 100 ? Math.min(digits, 1) : digits;
  return String(Number(shown.toFixed(most))).replace('-', '−');
}
export const quantityText = (value: number, quantity: Quantity, u: Units): string =>
  `${quantityNumber(value, quantity, u)} ${shownAs(quantity, u).unit}`.trim();

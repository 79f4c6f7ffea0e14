/** Conversion factors to the canonical unit of each quantity, each written once. Sources: exact by definition (psi from
 *  lbf = 4.4482216152605 N and inch = 25.4 mm; US gallon 231 cubic inches; Imperial gallon 4.54609 L; foot 0.3048 m; IT BTU). */
const BAR_PER: Record<PressureUnit, number> = { bar: 1, kPa: 0.01, mbar: 0.001, psi: 0.0689475729316836 };
const LITRE_PER: Record<VolumeUnit, number> = { L: 1, 'US gal': 3.785411784, 'Imp gal': 4.54609 };
const METRE_PER: Record<LengthUnit, number> = { m: 1, ft: 0.3048 };
const KILOWATT_PER: Record<PowerUnit, number> = { kW: 1, 'BTU/h': 0.000293071070172222 };

export type PressureUnit = 'bar' | 'kPa' | 'mbar' | 'psi';
export type TemperatureUnit = '°C' | '°F';
export type VolumeUnit = 'L' | 'US gal' | 'Imp gal';
export type LengthUnit = 'm' | 'ft';
export type PowerUnit = 'kW' | 'BTU/h';

/** A pressure difference or a gauge pressure; the reference (gauge or absolute) is the caller's and is kept. */
export const toBar = (value: number, unit: PressureUnit): number => value * BAR_PER[unit];
export const fromBar = (bar: number, unit: PressureUnit): number => bar / BAR_PER[unit];
export const toCelsius = (value: number, unit: TemperatureUnit): number => (unit === '°C' ? value : ((value - 32) * 5) / 9);
export const fromCelsius = (celsius: number, unit: TemperatureUnit): number => (unit === '°C' ? celsius : (celsius * 9) / 5 + 32);
export const toLitres = (value: number, unit: VolumeUnit): number => value * LITRE_PER[unit];
export const fromLitres = (litres: number, unit: VolumeUnit): number => litres / LITRE_PER[unit];
export const toMetres = (value: number, unit: LengthUnit): number => value * METRE_PER[unit];
export const fromMetres = (metres: number, unit: LengthUnit): number => metres / METRE_PER[unit];
export const toKilowatts = (value: number, unit: PowerUnit): number => value * KILOWATT_PER[unit];
export const fromKilowatts = (kilowatts: number, unit: PowerUnit): number => kilowatts / KILOWATT_PER[unit];

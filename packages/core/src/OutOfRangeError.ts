/** A physical input outside the range in which a function is valid. Measured values are refused, never clamped. */
export class OutOfRangeError extends Error {
  readonly code = 'out-of-range';
  constructor(
    readonly field: string,
    readonly value: number,
    readonly least: number,
    readonly most: number,
  ) {
    super(`${field}: ${value} is outside ${least} to ${most}`);
    this.name = 'OutOfRangeError';
  }
}

/** Throws {@link OutOfRangeError} unless `least ≤ value ≤ most` (both ends allowed, NaN refused). */
export function requireInRange(field: string, value: number, least: number, most: number): void {
  if (!(value >= least && value <= most)) throw new OutOfRangeError(field, value, least, most);
}

/** A pressure as a sentence names it, with no nought too many. */
export const bar = (x: number): string => `${x.toFixed(2).replace(/0$/, '')} bar`;

/** The root of a difference of pressures, by which what passes a hole grows; nothing passes backwards. */
export const rootOf = (bar: number): number => Math.sqrt(Math.max(0, bar));

export const meanOf = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;

/** To a step, without the noise of binary fractions. */
export const toStep = (x: number, step: number): number => Math.round(Math.round(x / step) * step * 1000) / 1000;

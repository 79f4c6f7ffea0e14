import type { ResolvedCircuit } from '../../../circuit/resolveCircuit';

/** A large plant hides what a home would show: what leaks, stands or blows there is larger, by this much. Common practice. */
export const sizeOf = (c: ResolvedCircuit): number => Math.max(1, Math.sqrt(c.contentL / LARGE_HOME_L));
const LARGE_HOME_L = 300;

import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { Finding } from '../Finding';
import { SLOT } from '../fit/kernel';
import { normalPdf } from '../fit/normal';
import { headSd } from './fallenDensity';
import { expectedNumber, JUG_ANYHOW_L, type ExpectedNumber } from './findingNumbers';
import { readingSd } from './readingSd';

/** How often a circuit that gives no more comes to rest at the water standing above while a jug is filled: less often than in a watch, which
 *  gives the air its time to come in at the top. Common practice. */
const RESTS_AT_HEAD = 0.25;

/** Density of a measured draw-off: what the circuit gives back between the two pressures; or all that it had, and the jug went on filling
 *  while the gauge came to rest at the water standing above. */
export function drawOffDensity(f: Finding, v: Float64Array, c: ResolvedCircuit): number | null {
  const n = expectedNumber(f, v, c);
  if (!n) return null;
  const given = normalPdf(n.seen, n.expected, n.sd),
    rests = restsAtHead(f, n, v, c);
  return rests === 0 ? given : (1 - RESTS_AT_HEAD) * given + RESTS_AT_HEAD * rests * normalPdf(0, 0, JUG_ANYHOW_L);
}

/** How well a draw-off goes with a gauge at rest at the head of a circuit that had no more to give, 0 to 1. */
export function restsAtHead(f: Finding, n: ExpectedNumber, v: Float64Array, c: ResolvedCircuit): number {
  const { test, beforeBar = 0, afterBar = 0 } = f,
    sd = Math.hypot(headSd(c), readingSd(c, afterBar));
  if (test !== 'draw-off' || n.expected >= n.seen || beforeBar - afterBar < sd) return 0;
  return Math.exp(-0.5 * ((afterBar - v[SLOT.offset]! - c.staticGaugeBar) / sd) ** 2);
}

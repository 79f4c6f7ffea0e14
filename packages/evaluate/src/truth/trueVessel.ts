import type { TruePlant } from './TruePlant';

const ATM = 1.013;

/** Water that vessel, stretch and trapped air hold at a pressure over what they hold at none, L. */
export function waterHeldL(p: TruePlant, bar: number): number {
  return heldAt(p, bar) - heldAt(p, 0);
}

/** Pressure after a volume was drawn off a cold circuit, gauge bar. */
export function drawnOffBar(p: TruePlant, beforeBar: number, volumeL: number): number {
  const want = heldAt(p, beforeBar) - volumeL;
  let low = 0,
    high = beforeBar;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (heldAt(p, mid) < want) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

function heldAt(p: TruePlant, bar: number): number {
  const P = bar + ATM;
  const vessel = p.vesselOpen ? Math.min(0.93 * p.vesselL, Math.max(0, p.vesselL - ((p.chargeBar + ATM) * p.vesselL) / P)) : 0;
  return vessel + p.stretchLPerBar * bar - (p.airL * ATM) / P;
}

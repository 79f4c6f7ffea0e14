import { SLOT } from './kernel';
import type { Misses } from './Misses';

const HOLES: readonly number[] = [SLOT.inFill, SLOT.inCoil, SLOT.outCircuit, SLOT.outBoiler];
/** How far below what was lent a hole's size is looked for, and how closely, in the prior's standard deviations. */
const DOWN = 1.5,
  EVERY = 0.0125;

/** A place that was lent by a model with a hole that this one lacks: less goes through the others, so that as much water comes and goes as
 *  before. A circuit runs its vessel empty at one moment, and no slope leads back to a size that misses it by a twentieth.
 *  @param place where this model comes nearest to the other @param other the other's parameters, by slot
 *  @returns the place with each of its own holes as small as fits best there */
export function holesSized(target: Misses, place: Float64Array, other: Float64Array): Float64Array {
  const { free } = target.space,
    lacks = HOLES.some((slot) => other[slot]! > 0 && !free.some((p) => p.slot === slot));
  if (!lacks) return place;
  const at = place.slice(),
    out = new Float64Array(target.rows);
  free.forEach((p, i) => {
    if (!HOLES.includes(p.slot)) return;
    let best = { z: place[i]!, value: Infinity };
    for (let down = 0; down <= DOWN; down += EVERY) {
      at[i] = place[i]! - down;
      const value = target.at(at, out) + target.logDet;
      if (value < best.value) best = { z: at[i]!, value };
    }
    at[i] = best.z;
  });
  return at;
}

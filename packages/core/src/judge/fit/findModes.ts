import type { SeededRandom } from '../../simulate/seededRandom';
import { descend, settle } from './descent';
import type { Effort } from './effort';
import type { Misses } from './Misses';
import type { ParameterSpace } from './parameters/parameterSpace';
import type { Mode } from './proposal';

const isNear = (a: Float64Array, b: Float64Array, within: number): boolean => a.every((x, i) => Math.abs(x - b[i]!) < within);
/** Modes so near in every parameter are one; and what came so near to one after a few steps goes on to it. */
const ONE_MODE = 0.15,
  ON_ITS_WAY = 0.3;
const sameMode = (a: Mode, b: Mode): boolean => isNear(a.z, b.z, ONE_MODE);

/** What a mode went up to: its weight without its width. */
export const peakOf = (m: Mode): number => m.laplace + m.logDetL;

/** The few modes that carry weight, heaviest first. */
function heaviest(modes: Mode[]): Mode[] {
  const sorted = [...modes].sort((a, b) => b.laplace - a.laplace);
  return sorted.filter((m) => m.laplace > sorted[0]!.laplace - COUNTS).slice(0, MOST_MODES);
}
/** A mode so far behind the heaviest counts for nothing, nats. */
const COUNTS = 8,
  MOST_MODES = 3;

/** Where a model fits best round about, from several starts down: how well they fit as they are tells which are worth a few steps, and
 *  these, which are worth going on with. Heaviest first. */
export function findModes(target: Misses, starts: Float64Array[], effort: Effort): Mode[] {
  const found: Mode[] = [];
  const promising = starts.length <= effort.looked ? starts : bestFitting(target, starts, effort.looked);
  const looked = promising
    .map((start) => descend(target, start, effort.look))
    .sort((a, b) => a.value - b.value)
    .slice(0, effort.kept);
  for (const { at } of looked) {
    // On the way to a mode that is known already.
    if (found.some((f) => isNear(f.z, at, ON_ITS_WAY))) continue;
    const m = settle(target, descend(target, at, effort.iterations).at);
    if (m && !found.some((f) => sameMode(f, m))) found.push(m);
  }
  return heaviest(found);
}

/** The modes with one more, down from a place that fits better than they do; the same where that leads nowhere new. */
export function withModeBelow(modes: Mode[], target: Misses, place: Float64Array, effort: Effort): Mode[] {
  const found = settle(target, descend(target, place, effort.iterations).at);
  return !found || modes.some((m) => sameMode(m, found)) ? modes : heaviest([...modes, found]);
}

/** The best of a few draws from the priors: where the response has kinks (an empty vessel, a relief, a gauge at its foot) the slopes at
 *  the usual starting points lead nowhere. */
export function scouts(target: Misses, random: SeededRandom, looked: number, most: number): Float64Array[] {
  const places = Array.from({ length: looked }, () => Float64Array.from({ length: target.n }, () => random.normal()));
  return bestFitting(target, places, most);
}

/** Of some places those that fit best as they are. */
function bestFitting(target: Misses, places: Float64Array[], most: number): Float64Array[] {
  const out = new Float64Array(target.rows);
  return places
    .map((at) => ({ at, value: target.at(at, out) + target.logDet }))
    .sort((a, b) => a.value - b.value)
    .slice(0, most)
    .map((p) => p.at);
}

const FURTHEST_START = 2.5,
  HALVINGS = 30;

/** Where a model comes nearest to another's parameters: a circuit whose vessel runs empty on the way has kinks that few starts get past,
 *  and whoever got past them once need not be alone with it. @param other the other's parameters, by slot */
export const nearestTo = (space: ParameterSpace, other: Float64Array): Float64Array =>
  Float64Array.from(space.free, (p) => {
    const value = other[p.slot] ?? 0,
      at = (z: number) => p.of(z, other),
      rises = at(1) >= at(-1);
    let low = -FURTHEST_START,
      high = FURTHEST_START;
    for (let k = 0; k < HALVINGS; k++) {
      const mid = (low + high) / 2;
      if (at(mid) < value === rises) low = mid;
      else high = mid;
    }
    return (low + high) / 2;
  });

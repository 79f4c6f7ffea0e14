import type { ReducedLog } from '../reduceLog';
import type { LogSegment, Measured } from './LogReading';
import { readingSd } from './measured';
import { LEAST_WARMING_K } from './warmth';

/** While heat goes on and the flow still warms, or hardly, the pressure stands still at its highest: a relief holds it. */
export function plateauOf(r: ReducedLog, segments: LogSegment[], stepBar: number): Measured | null {
  const heated = segments.filter((s) => s.kind === 'heating' || s.kind === 'hot-hold');
  if (heated.length === 0) return null;
  const fromS = heated[0]!.fromS;
  let top = -Infinity;
  r.tS.forEach((t, i) => {
    if (t >= fromS) top = Math.max(top, r.gaugeBar[i]!);
  });
  const within = Math.max(0.06, stepBar);
  // Points near the top while heating, over which the flow rose by ten kelvins at least: growth that did not show.
  const near = r.tS.flatMap((t, i) =>
    heated.some((s) => s.kind === 'heating' && t >= s.fromS && t <= s.toS) && r.gaugeBar[i]! > top - within ? [i] : [],
  );
  if (near.length < 3) return null;
  const flows = near.flatMap((i) => (r.flowC[i] === null ? [] : [r.flowC[i]!]));
  if (flows.length < 2 || Math.max(...flows) - Math.min(...flows) < LEAST_WARMING_K) return null;
  const mean = near.reduce((s, i) => s + r.gaugeBar[i]!, 0) / near.length;
  return { value: mean, sd: readingSd(stepBar, near.length) };
}

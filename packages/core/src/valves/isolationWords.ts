import { inBar, inLitres, say, sentences, type Said } from '../units/said';
import type { IsolationPlan, NoPlan, Trapped } from './isolationPlan';
import type { Region } from './regionState';

/** Things in a row: "a, b and c". */
export const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`;

/** What a region is without: "without relief, vessel and gauge". */
export const withoutWhat = (r: Pick<Region, 'hasRelief' | 'hasVessel' | 'hasGauge'>): string =>
  `without ${listed([...(r.hasRelief ? [] : ['relief']), ...(r.hasVessel ? [] : ['vessel']), ...(r.hasGauge ? [] : ['gauge'])])}`;

/** Temperature change over which trapped water is reckoned, K. */
const OVER_K = 10;

/** To one digit: the stretch of pipework is not known better. */
const rough = (bar: number): number => Number(bar.toPrecision(1));

/** What is shut in, and what its temperature does to it. */
export function trappedText(t: Trapped): Said {
  const what = say`Shut in: ${t.title}, about ${inLitres(Math.round(t.litres))}, ${withoutWhat(t)}.`;
  if (!t.rise) return what;
  return say`${what} Warmed by ${OVER_K} K it gains about ${inBar(rough(OVER_K * t.rise.lowBarPerK))} to ${inBar(rough(OVER_K * t.rise.highBarPerK))}; cooled, it falls as much. Keep it from warming, or leave its drain a crack open.`;
}

/** Why a part cannot be emptied, and what to do about it. */
export const NO_PLAN_TEXT: Record<NoPlan['why'], string> = {
  'no-such-part': 'The part is not on this circuit’s sheet. Put the sheet right first.',
  'no-drain': 'No drain stands on the side that has to be emptied. Put the valve map right, or fit a drain.',
};

/** Which valves are shut, in words. Empty where none is. */
export const shutText = (plan: IsolationPlan): string => (plan.shut.length === 0 ? '' : listed(plan.shut.map((v) => v.title)));

/** Everything that is shut in, one after the other. */
export const allTrapped = (plan: Pick<IsolationPlan, 'trapped'>): Said => sentences(plan.trapped.map(trappedText));

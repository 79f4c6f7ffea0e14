import type { Draw } from './fit/draw';

/** How likely a piece of evidence is under a set of faults: the same whatever the circuit's parameters are, or for each draw of them. */
export type Likelihood = number | ((v: Float64Array) => number);

/** Evidence for a set so far, as a natural logarithm, and what its parameters may then be. */
export interface Weighing {
  logEvidence: number;
  draws: Draw[];
}

/** The same with one piece of evidence more: where that hangs on the parameters, the draws that it speaks for count for more. */
export function weighed({ logEvidence, draws }: Weighing, likelihood: Likelihood): Weighing {
  if (typeof likelihood === 'number') return { logEvidence: logEvidence + Math.log(likelihood), draws };
  const likelihoods = draws.map((d) => likelihood(d.v));
  const mean = draws.reduce((s, d, i) => s + d.weight * likelihoods[i]!, 0);
  return {
    logEvidence: logEvidence + Math.log(mean),
    draws: draws.map((d, i) => ({ v: d.v, weight: (d.weight * likelihoods[i]!) / mean })),
  };
}

import type { Draw } from './draw';

/** How well one log model explains the logs, and what its parameters then are. */
export interface LogFit {
  /** Natural log of the probability of the logs under the model, parameters integrated out. */
  logEvidence: number;
  /** Weighted draws of the kernel's parameters given the logs; weights sum to 1. */
  draws: Draw[];
  /** Kish's effective number of draws. */
  effective: number;
  /** Best-fitting parameters, and what they predict, track by track. */
  best: Float64Array;
  predicted: Float64Array[];
  /** Natural log of the probability of each track at the best fit, and of all with what the priors make of the parameters there (up to a
   *  constant): what the fit went up to. */
  trackLikelihoods: number[];
  peak: number;
  /** Mean square of the best fit's whitened residuals: 1 where the noise is judged right, more where even the best fit misses. */
  misfit: number;
  /** The same by so many draws more; none where nothing was drawn by the logs. */
  drawOn?: (draws: number) => LogFit;
}

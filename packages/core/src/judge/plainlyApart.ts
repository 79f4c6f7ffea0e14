import type { Finding } from './Finding';

/** More than this in a jug does not come from a pipe that is dry, mL. */
const IN_THE_JUG_ML = 20;

/** What cannot be so at once, whatever is wrong with the circuit. Common practice. */
const PLAINLY: readonly [one: (f: Finding) => boolean, other: (f: Finding) => boolean][] = [
  [
    (f) => f.test === 'discharge-pipe' && f.outcome === 'dry',
    // What heat drives out may have dried off since.
    (f) => f.test === 'discharge-catch' && f.during === 'cold' && (f.volumeMl ?? 0) > IN_THE_JUG_ML,
  ],
  [(f) => f.test === 'vessel-valve-position' && f.outcome === 'closed', (f) => f.test === 'vessel-connection-flow' && f.outcome === 'free'],
];

/** Whether two findings plainly cannot both be right. */
export const plainlyApart = (a: Finding, b: Finding): boolean =>
  PLAINLY.some(([one, other]) => (one(a) && other(b)) || (one(b) && other(a)));

import type { PressureLog } from '../../log/PressureLog';

/** The highest reading and when it was come to; of many the second highest, since one may be a slip. */
export function highestRead({ samples: { tS, pressureBar } }: PressureLog): { gaugeBar: number; tS: number } {
  let first = -1,
    second = -1;
  for (let i = 0; i < pressureBar.length; i++) {
    const p = pressureBar[i];
    if (p === null || p === undefined) continue;
    if (first < 0 || p > pressureBar[first]!) {
      second = first;
      first = i;
    } else if (second < 0 || p > pressureBar[second]!) second = i;
  }
  const at = pressureBar.length > MANY_READINGS && second >= 0 ? second : first;
  return { gaugeBar: pressureBar[at]!, tS: Math.min(tS[at]!, tS[first]!) };
}
const MANY_READINGS = 50;

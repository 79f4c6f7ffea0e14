import type { LogTrack } from './LogTrack';

/** Water so much colder than at the point that is asked of, K, is cold; the coldest before and after are as cold as one another up to this,
 *  K; and the pressure stands as high again, bar. */
const COLDER_K = 8,
  AS_COLD_K = 1.5,
  AS_HIGH_BAR = 0.05;

/** Whether a circuit stands as high, cold, after a point at which it was hot as it did before: then nothing was let go, whatever the relief
 *  might have done. It says nothing where a feed makes up for what is lost.
 *  @param meanC mean water temperature at each point @param i the point @param stepBar to what the pressures were rounded */
export function keptItsWater(track: LogTrack, meanC: number[], i: number, stepBar: number): boolean {
  const { gaugeBar } = track,
    before = coldestBefore(track, meanC, i),
    after = coldestAfter(track, meanC, i);
  return (
    meanC[i]! - meanC[before]! > COLDER_K &&
    Math.abs(meanC[after]! - meanC[before]!) < AS_COLD_K &&
    Math.abs(gaugeBar[after]! - gaugeBar[before]!) < Math.max(AS_HIGH_BAR, 1.5 * stepBar)
  );
}

/** The coldest point of the cycle up to a point, and from there on, as far as no water was moved by hand. */
function coldestBefore({ starts }: LogTrack, meanC: number[], i: number): number {
  let coldest = i;
  for (let k = i; k >= 0 && meanC[k]! <= meanC[coldest]! + COLDER_K; k--) {
    if (meanC[k]! < meanC[coldest]!) coldest = k;
    if (starts[k]) break;
  }
  return coldest;
}
function coldestAfter({ starts, drawnL, n }: LogTrack, meanC: number[], i: number): number {
  let coldest = i;
  for (let k = i + 1; k < n && meanC[k]! <= meanC[coldest]! + COLDER_K && !starts[k] && drawnL[k] === 0; k++)
    if (meanC[k]! < meanC[coldest]!) coldest = k;
  return coldest;
}

import { HAIR_S } from '../../log/hair';
import { errorKeptAt, type LogTrack } from './LogTrack';

/** Points merge as long as the line from the first to the last of them misses none by more than this, bar and growth (some two tenths of a
 *  kelvin), and as long as they last no longer. */
const STRAIGHT_BAR = 0.008,
  STRAIGHT_GROWTH = 6e-5,
  LONGEST_S = 300;
/** What misses the line by so little more is no less straight. */
const A_HAIR = 1e-9;

/** So few cost little, and each was read with care. */
const FEW_POINTS = 40;

/** Merges points of a track wherever pressure and growth go in a straight line: the model's own error is the same for minutes, so many
 *  readings of one line say hardly more than few, and every one costs the kernel a step. Never across a change of what is open, nor next to
 *  one; each merged point is the mean of its points, its own error smaller by their number. */
export function mergedWhereStraight(track: LogTrack): LogTrack {
  if (track.n <= FEW_POINTS) return track;
  const blocks = straightBlocks(track),
    n = blocks.length;
  if (n === track.n) return track;
  const mean = (of: ArrayLike<number>) =>
    Float64Array.from(blocks, ([from, to]) => {
      let sum = 0;
      for (let i = from; i < to; i++) sum += of[i]!;
      return sum / (to - from);
    });
  const first = (of: Float64Array) => Float64Array.from(blocks, ([from]) => of[from]!);
  const tS = mean(track.tS),
    modelErrorS = first(track.modelErrorS);
  return {
    ...track,
    n,
    tS,
    gaugeBar: mean(track.gaugeBar),
    growth: mean(track.growth),
    away: track.away && mean(track.away),
    variance: mean(track.variance).map((v, k) => v / (blocks[k]![1] - blocks[k]![0])),
    starts: Uint8Array.from(blocks, ([from]) => track.starts[from]!),
    fillOn: first(track.fillOn),
    coilOn: first(track.coilOn),
    boilerOn: first(track.boilerOn),
    tapped: first(track.tapped),
    drawnL: first(track.drawnL),
    jumpBar: Float64Array.from(blocks, ([from, to]) => Math.hypot(...track.jumpBar.subarray(from, to))),
    modelErrorBar: mean(track.modelErrorBar),
    warmth: mean(track.warmth),
    temperatureErrorK: mean(track.temperatureErrorK),
    modelErrorS,
    errorKept: errorKeptAt(tS, modelErrorS),
  };
}

/** First point, and the point after the last, of each block. */
function straightBlocks(track: LogTrack): [number, number][] {
  const blocks: [number, number][] = [];
  for (let from = 0; from < track.n;) {
    let to = from + 1;
    while (
      to < track.n &&
      !changesNear(track, from) &&
      !changesNear(track, to) &&
      track.tS[to]! - track.tS[from]! <= LONGEST_S + HAIR_S &&
      isStraight(track, from, to)
    )
      to++;
    blocks.push([from, to]);
    from = to;
  }
  return blocks;
}

/** Whether something is opened, shut, let out or switched between this point and the one before or after it. */
function changesNear(track: LogTrack, i: number): boolean {
  return changesAt(track, i) || (i + 1 < track.n && changesAt(track, i + 1));
}

function changesAt(t: LogTrack, i: number): boolean {
  if (i === 0 || t.starts[i] || t.drawnL[i]! > 0) return true;
  return [t.fillOn, t.coilOn, t.boilerOn, t.tapped].some((on) => on[i] !== on[i - 1]);
}

function isStraight(t: LogTrack, from: number, to: number): boolean {
  for (let i = from + 1; i < to; i++) {
    const share = (t.tS[i]! - t.tS[from]!) / (t.tS[to]! - t.tS[from]!);
    const off = (of: Float64Array) => Math.abs(of[i]! - of[from]! - share * (of[to]! - of[from]!));
    if (off(t.gaugeBar) > STRAIGHT_BAR + A_HAIR || off(t.growth) > STRAIGHT_GROWTH) return false;
  }
  return true;
}

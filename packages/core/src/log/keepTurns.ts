/** Thins a stretch to where something turns: what a straight line between the places kept misses by most is kept next (Ramer's, Douglas's
 *  and Peucker's way), until no line misses anything by more than its own measure, or `most` places are kept. The first and the last are
 *  always among them.
 *  @param tS where the values stand, rising @param series values with what may be missed of them, in their unit, more than 0
 *  @param from the stretch's first place @param to its last @param most at least 2
 *  @returns indices in order */
export function keepTurns(tS: readonly number[], series: readonly Series[], from: number, to: number, most: number): number[] {
  const lines = [lineBetween(from, to)];
  while (lines.length < most - 1) {
    const worst = lines.reduce((a, b) => (b.missed > a.missed ? b : a));
    if (worst.missed <= 1) break;
    lines.splice(lines.indexOf(worst), 1, lineBetween(worst.from, worst.turn), lineBetween(worst.turn, worst.to));
  }
  return [...lines.map((l) => l.from), to];

  function lineBetween(a: number, b: number): Line {
    const line: Line = { from: a, to: b, turn: a, missed: 0 };
    for (const { values, missable } of series)
      for (let i = a + 1; i < b; i++) {
        const share = (tS[i]! - tS[a]!) / (tS[b]! - tS[a]!),
          missed = Math.abs(values[i]! - values[a]! - share * (values[b]! - values[a]!)) / missable;
        if (missed > line.missed) Object.assign(line, { turn: i, missed });
      }
    return line;
  }
}

/** Values, one a place, and what a line may miss of them. */
interface Series {
  values: readonly number[];
  missable: number;
}

/** A line between two places, and what it misses by most, as a share of what it may. */
interface Line {
  from: number;
  to: number;
  turn: number;
  missed: number;
}

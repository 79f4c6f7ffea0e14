import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { expectedPressure } from '../../circuit/expectedPressure';
import { heldFromGaugeBar, resolveCircuit, type ResolvedCircuit } from '../../circuit/resolveCircuit';

/** A limit that is turned down is turned up again: vessels are sized for this flow at least, and where nobody wrote the limit down for no
 *  more, °C. Common practice. */
const SIZED_FOR_C = 70;

/** How far a circuit with the right charge stays below its relief at its greatest flow temperature, by what its sheet says, bar. Under
 *  nought its vessel is too small by the sheet alone. */
export function sheetMarginBar(c: ResolvedCircuit): number {
  const coldGaugeBar = Math.min((heldFromGaugeBar(c) + c.fillGaugeBar) / 2, c.reliefSetGaugeBar - 0.1);
  return (
    c.reliefSetGaugeBar -
    expectedPressure({
      circuit: c,
      coldGaugeBar,
      coldC: 15,
      flowC: c.assumed.includes('maxFlowC') ? SIZED_FOR_C : Math.max(c.maxFlowC, SIZED_FOR_C),
    }).gaugeBar
  );
}

/** How often a vessel is too small, against the catalogue's weight, by the margin that the sheet leaves, bar: for the content on the sheet,
 *  and for that of a circuit which was extended and nobody wrote it down. Sound circuits keep about half a bar under their relief (EN
 *  12828, from memory), so the less there is, the surer it is a fault, and the less it takes to make it one. Straight lines between, in the
 *  logarithm. Common practice. */
type Curve = readonly (readonly [marginBar: number, times: number])[];
const BY_SHEET: Curve = [
  [-0.2, 60],
  [0.1, 22],
  [0.28, 7],
  [0.42, 2.5],
  [0.6, 0.4],
  [0.85, 0.15],
  [1.2, 0.04],
];
const EXTENDED: Curve = [
  [0.1, 1.6],
  [0.42, 1.3],
  [0.85, 0.8],
  [1.2, 0.5],
];

function timesAt(curve: Curve, marginBar: number): number {
  const k = curve.findIndex(([m]) => m > marginBar);
  if (k === 0) return curve[0]![1];
  if (k < 0) return curve.at(-1)![1];
  const [a, from] = curve[k - 1]!,
    [b, to] = curve[k]!;
  return from * Math.pow(to / from, (marginBar - a) / (b - a));
}

/** A content or a vessel that nobody read may well be smaller, or larger, than what is taken for it: a margin counts as low only where it
 *  is so with a good deal less water. */
function humbleMarginBar(c: ResolvedCircuit): number {
  const guessed = Math.max(0, c.contentSpread - TOLD_SPREAD) + Math.max(0, c.vesselSpread - TOLD_SPREAD);
  return sheetMarginBar(guessed > 0 ? { ...c, contentL: c.contentL * Math.exp(-guessed) } : c);
}
const TOLD_SPREAD = 0.15;

/** Factor on how often the vessel is too small: the sheet itself says how close to the relief a right charge brings the circuit. */
export function undersizeFactor(sheet: CircuitSheet): number {
  if (sheet.kind !== 'sealed-hot-water') return 1;
  const marginBar = humbleMarginBar(resolveCircuit(sheet));
  return timesAt(EXTENDED, marginBar) + timesAt(BY_SHEET, marginBar);
}

/** Of vessels that are too small, those that are so for the content on the sheet, against circuits that were extended since it was written.
 */
export function knownToSheet(c: ResolvedCircuit): number {
  const marginBar = humbleMarginBar(c),
    bySheet = timesAt(BY_SHEET, marginBar);
  return bySheet < LEAST_TIMES ? 0 : bySheet / (timesAt(EXTENDED, marginBar) + bySheet);
}
/** Under this it is not worth a look. */
const LEAST_TIMES = 0.1;

/** How far under its relief a circuit may come to a stop, hot, where its vessel is too small, and from where on that is hardly so, bar; and
 *  how often it is then. Common practice. */
const TOO_NEAR_BAR = 0.45,
  FAR_BELOW_BAR = 1.1,
  SMALL_YET_FAR = 0.1;

/** How far a log that came to its hottest speaks for a vessel that is too small: one that leaves the pressure far below the relief does its
 *  work, whatever the sheet says.
 *  @param usualPeakGaugeBar how high a run of every day comes; null where no log was heated */
export function smallDespite(usualPeakGaugeBar: number | null, c: ResolvedCircuit): number {
  if (usualPeakGaugeBar === null) return 1;
  const marginBar = c.reliefSetGaugeBar - usualPeakGaugeBar;
  return Math.pow(SMALL_YET_FAR, Math.min(1, Math.max(0, (marginBar - TOO_NEAR_BAR) / (FAR_BELOW_BAR - TOO_NEAR_BAR))));
}

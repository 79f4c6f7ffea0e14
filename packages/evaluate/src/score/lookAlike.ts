/** Faults that a log cannot tell apart, fixed before anything was tuned; and which test parts them. A prediction in the truth's class
 *  counts as right only while no finding that was made parts the two. */
const CLASSES: string[][] = [
  // Too little gas in play, whatever the reason.
  ['vessel-undercharged', 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated', 'vessel-undersized'],
  // Mains water coming in.
  ['fill-loop-passing', 'reducing-valve-creeping', 'fill-bypass-open', 'dhw-plate-perforated', 'dhw-coil-perforated'],
  // Water going out.
  ['circuit-leak', 'boiler-exchanger-leak', 'relief-valve-passing', 'air-vent-faulty'],
  // Nothing that a log would show.
  ['none', 'vessel-gas-valve-leaking'],
  // A steady cold pressure off the mark: the gauge, or the fill.
  ['fill-pressure-too-low', 'feed-starved', 'pressurisation-unit-fault', 'gauge-misreading'],
  ['fill-pressure-too-high', 'reducing-valve-set-high', 'pressurisation-unit-fault', 'gauge-misreading'],
];

/** A test parts two faults of one class when they stand in different groups here. Unnamed faults of the class form the last group. */
const PARTS: Record<string, string[][]> = {
  'second-gauge': [['gauge-misreading']],
  'gas-valve-press': [['vessel-diaphragm-failed'], ['vessel-undercharged']],
  'gas-valve-bubbles': [['vessel-gas-valve-leaking']],
  'vessel-connection-flow': [['vessel-connection-blocked', 'vessel-isolated']],
  'vessel-valve-position': [['vessel-isolated']],
  'pump-up-hold': [['vessel-diaphragm-failed']],
  precharge: [['vessel-undercharged', 'vessel-diaphragm-failed']],
  'draw-off': [['vessel-undersized']],
  'fill-outlet-drip': [['fill-loop-passing']],
  'fill-disconnected-watch': [['fill-loop-passing', 'reducing-valve-creeping', 'fill-bypass-open']],
  'coil-isolated-watch': [['dhw-coil-perforated']],
  'listen-at-exchanger': [['dhw-plate-perforated']],
  'discharge-pipe': [['relief-valve-passing']],
  'visible-leak': [['circuit-leak', 'air-vent-faulty']],
  'condensate-when-off': [['boiler-exchanger-leak']],
};

const groupOf = (test: string, fault: string) => PARTS[test]!.findIndex((g) => g.includes(fault));

/** Whether two fault sets look alike to what was measured: one for one in the same class, and no finding parts them. */
export function looksAlike(a: string[], b: string[], testsDone: string[]): boolean {
  if (a.length !== b.length) return false;
  if (a.length === 0) return true;
  const [first, ...rest] = a;
  return b.some(
    (other, i) =>
      (first === other || alike(first!, other, testsDone)) &&
      looksAlike(
        rest,
        b.filter((_, k) => k !== i),
        testsDone,
      ),
  );
}

function alike(x: string, y: string, testsDone: string[]): boolean {
  return (
    CLASSES.some((c) => c.includes(x) && c.includes(y)) && !testsDone.some((t) => PARTS[t] !== undefined && groupOf(t, x) !== groupOf(t, y))
  );
}

import type { FaultId } from './faults';
import type { JudgedSet } from './JudgedSet';
import { logModelOf, movesAs, waysParted } from './fit/logModel';
import { beforeFindings, withProbabilities } from './probabilities';

const set = (faults: FaultId[], prior: number, logEvidence: number, findingEvidence: number[] = []): JudgedSet => ({
  faults,
  prior,
  movesAs: movesAs(logModelOf(faults), waysParted([])),
  probability: 0,
  logEvidence,
  logParts: [],
  findingEvidence,
  draws: [],
  fit: { logEvidence: 0 } as never,
});
const shareOf = (sets: JudgedSet[], ...faults: FaultId[]) => sets.find((s) => s.faults.join() === faults.join())!.probability;

/** A vessel that is flat for one of four reasons, nothing wrong, and a flat vessel with a passing relief. */
const swungTooMuch = (pressed: (f: FaultId) => number[] = () => []) => [
  set(['none'], 0.3, -9, pressed('none')),
  set(['vessel-undercharged'], 0.2, -1, pressed('vessel-undercharged')),
  set(['vessel-diaphragm-failed'], 0.1, -1, pressed('vessel-diaphragm-failed')),
  set(['vessel-connection-blocked'], 0.05, -1.2, pressed('vessel-connection-blocked')),
  set(['relief-valve-passing', 'vessel-undercharged'], 0.02, -2, pressed('vessel-undercharged')),
  set(['relief-valve-passing', 'vessel-diaphragm-failed'], 0.01, -2, pressed('vessel-diaphragm-failed')),
];

it('sums to one, most probable first', () => {
  const judged = withProbabilities(swungTooMuch());
  expect(judged.reduce((sum, s) => sum + s.probability, 0)).toBeCloseTo(1, 12);
  expect(judged.map((s) => s.probability)).toEqual(judged.map((s) => s.probability).sort((a, b) => b - a));
});

it('what a log cannot tell apart shares by its priors', () => {
  const judged = withProbabilities(swungTooMuch());
  expect(shareOf(judged, 'vessel-undercharged') / shareOf(judged, 'vessel-diaphragm-failed')).toBeCloseTo(2, 9);
  expect(
    shareOf(judged, 'relief-valve-passing', 'vessel-undercharged') / shareOf(judged, 'relief-valve-passing', 'vessel-diaphragm-failed'),
  ).toBeCloseTo(2, 9);
});

it('what it tells apart is held apart further than the priors alone would', () => {
  const judged = withProbabilities(swungTooMuch());
  const flat = shareOf(judged, 'vessel-undercharged') + shareOf(judged, 'vessel-diaphragm-failed');
  expect(flat / shareOf(judged, 'relief-valve-passing', 'vessel-undercharged')).toBeGreaterThan(0.3 / 0.02);
  expect(flat / shareOf(judged, 'none')).toBeGreaterThan(1);
});

it('a finding parts what the log could not: water at the air valve', () => {
  const pressed = (f: FaultId) => [Math.log(f === 'vessel-diaphragm-failed' ? 0.8 : 0.02)];
  const before = withProbabilities(swungTooMuch()),
    after = withProbabilities(swungTooMuch(pressed));
  const ratio = (sets: JudgedSet[]) => shareOf(sets, 'vessel-diaphragm-failed') / shareOf(sets, 'vessel-undercharged');
  expect(ratio(after)).toBeGreaterThan(40 * ratio(before));
  expect(after[0]!.faults).toEqual(['vessel-diaphragm-failed']);
  expect(ratio(beforeFindings(after))).toBeCloseTo(ratio(before), 9);
});

it('a log by itself is held apart furthest; findings that say nothing take off a share each, up to two, and change no order', () => {
  const told = [0, 1, 2, 3].map((findings) => withProbabilities(swungTooMuch(() => Array<number>(findings).fill(Math.log(0.4)))));
  const pairs = told.map((sets) => shareOf(sets, 'relief-valve-passing', 'vessel-undercharged'));
  expect(pairs[0]).toBeLessThan(pairs[1]!);
  expect(pairs[1]).toBeLessThan(pairs[2]!);
  expect(pairs[2]).toBeCloseTo(pairs[3]!, 12);
  for (const sets of told) expect(sets.map((s) => s.faults)).toEqual(told[0]!.map((s) => s.faults));
});

it('with nothing measured the priors stand as they are', () => {
  const judged = withProbabilities([set(['none'], 0.6, 0), set(['vessel-undercharged'], 0.4, 0)]);
  expect(judged.map((s) => s.probability)).toEqual([expect.closeTo(0.6, 9), expect.closeTo(0.4, 9)]);
});

it('two cold levels of circuits that move alike stay held apart: there the log does tell', () => {
  const level = (evidence: number) => {
    const judged = withProbabilities([set(['none'], 0.5, 0.5), set(['fill-pressure-too-low'], 0.5, evidence)]);
    return shareOf(judged, 'none') / shareOf(judged, 'fill-pressure-too-low');
  };
  expect(level(0.5)).toBeCloseTo(1, 9);
  expect(level(-1.5)).toBeGreaterThan(Math.exp(2));
});

it('a way in is told from another, and one out, only by a log in which one of them was shut off', () => {
  const on = Float64Array.of(1, 1, 1),
    shut = Float64Array.of(1, 0.4, 0),
    open = { fillOn: on, coilOn: on, boilerOn: on, tapped: Float64Array.of(0, 0, 0) };
  const alike = (tracks: Parameters<typeof waysParted>[0], a: FaultId, b: FaultId) =>
    movesAs(logModelOf([a]), waysParted(tracks)) === movesAs(logModelOf([b]), waysParted(tracks));
  for (const tracks of [[], [open], [open, { ...open, fillOn: shut, coilOn: shut }]]) {
    expect(alike(tracks, 'fill-loop-passing', 'dhw-plate-perforated')).toBe(true);
    expect(alike(tracks, 'circuit-leak', 'boiler-exchanger-leak')).toBe(true);
  }
  for (const shutOff of [{ fillOn: shut }, { coilOn: shut }])
    expect(alike([open, { ...open, ...shutOff }], 'fill-loop-passing', 'dhw-plate-perforated')).toBe(false);
  // With the main shut and a tap open only a hole between the two waters lets any out.
  expect(alike([{ ...open, fillOn: shut, coilOn: shut, tapped: on }], 'fill-loop-passing', 'dhw-plate-perforated')).toBe(false);
  expect(alike([{ ...open, boilerOn: shut }], 'circuit-leak', 'boiler-exchanger-leak')).toBe(false);
  // The relief stands at the boiler and is shut off with it.
  expect(alike([{ ...open, boilerOn: shut }], 'relief-valve-passing', 'boiler-exchanger-leak')).toBe(true);
  expect(alike([], 'circuit-leak', 'fill-loop-passing')).toBe(false);
});

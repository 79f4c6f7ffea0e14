import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { SLOT } from '../fit/kernel';
import { NOTHING_LOGGED, type Logged } from '../Logged';
import { catchHint, catchLikelihood, catchMiss, caughtLPerH, letGoHot, nearLift } from './reliefCatch';

const circuit = resolveCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, fill: { kind: 'manual-loop' } });
const caught = (volumeMl: number, during: 'cold' | 'hot' = 'hot', minutes = 30): Finding => ({
  test: 'discharge-catch',
  volumeMl,
  minutes,
  during,
});
const draw = (outLPerH: number, liftBar = 2.94): Float64Array => {
  const v = new Float64Array(SLOT.start);
  v[SLOT.outCircuit] = outLPerH;
  v[SLOT.lift] = liftBar;
  return v;
};
const likelihood = (f: Finding, faults: FaultId[], v: Float64Array, logged: Partial<Logged> = {}) =>
  catchLikelihood(f, faults, v, circuit, { ...NOTHING_LOGGED, ...logged })!;

it('reads a rate off a jug, and none off a finding that carries no time', () => {
  expect(caughtLPerH(caught(250))).toBeCloseTo(0.5, 10);
  expect(caughtLPerH({ test: 'discharge-catch', volumeMl: 250 })).toBeNull();
  expect(caughtLPerH({ test: 'discharge-pipe', outcome: 'dry' })).toBeNull();
});

it('a passing seat is likeliest where its leak gives what was caught: q = k·√p', () => {
  const cold = { coldGaugeBar: 1.44 };
  // 0.6 L/h at 1.44 bar: k = 0.5.
  const at = (k: number) => likelihood(caught(300, 'cold'), ['relief-valve-passing'], draw(k), cold);
  expect(at(0.5)).toBeGreaterThan(at(0.25));
  expect(at(0.5)).toBeGreaterThan(at(1));
  expect(catchMiss(caught(300, 'cold'), draw(0.5), circuit, { ...NOTHING_LOGGED, ...cold })).toBeCloseTo(0, 10);
  expect(catchMiss(caught(0, 'cold'), draw(0.5), circuit, NOTHING_LOGGED)).toBeNull();
  // A relief that a valve shuts off together with its boiler drips alike.
  const atBoiler = draw(0);
  atBoiler[SLOT.outBoiler] = 0.5;
  expect(catchMiss(caught(300, 'cold'), atBoiler, circuit, { ...NOTHING_LOGGED, ...cold })).toBeCloseTo(0, 10);
});

it('a dry jug and a wet one share out all there is', () => {
  const dry = likelihood(caught(0), ['vessel-undercharged'], draw(0), { peakGaugeBar: 2.4 });
  // The density over the logarithm of the rate, summed up.
  let wet = 0;
  for (let x = -5; x < 7; x += 0.02)
    wet += 0.02 * likelihood(caught(500 * Math.exp(x)), ['vessel-undercharged'], draw(0), { peakGaugeBar: 2.4 });
  expect(dry + wet).toBeCloseTo(1, 2);
});

it('a sound relief lets go only where the pressure came to its lift, whatever the fault', () => {
  const far = likelihood(caught(300), ['vessel-undercharged'], draw(0), { peakGaugeBar: 1.4 }),
    near = likelihood(caught(300), ['vessel-undercharged'], draw(0), { peakGaugeBar: 2.9 });
  expect(near).toBeGreaterThan(20 * far);
  // One that lifts at 1.4 bar explains it.
  expect(likelihood(caught(300), ['relief-valve-lifts-early'], draw(0, 1.4), { peakGaugeBar: 1.4 })).toBeGreaterThan(20 * far);
  expect(likelihood(caught(300), ['none'], draw(0), { peakGaugeBar: 2.9 })).toBeCloseTo(near, 10);
});

it('cold, a relief that lifts a fifth of a bar farther up is shut; hot, the peak may have been missed', () => {
  const early: FaultId[] = ['relief-valve-lifts-early'],
    cold = likelihood(caught(300, 'cold'), early, draw(0, 1.4), { coldGaugeBar: 1.2 }),
    hot = likelihood(caught(300), early, draw(0, 1.4), { peakGaugeBar: 1.2 });
  expect(hot).toBeGreaterThan(5 * cold);
  expect(likelihood(caught(300, 'cold'), early, draw(0, 1.4), { coldGaugeBar: 1.4 })).toBeGreaterThan(10 * cold);
});

it('a gauge that reads too high makes a relief seem to lift late', () => {
  const lying = draw(0);
  lying[SLOT.offset] = -0.6;
  expect(likelihood(caught(300), ['gauge-misreading'], lying, { peakGaugeBar: 2.4 })).toBeGreaterThan(
    5 * likelihood(caught(300), ['gauge-misreading'], draw(0), { peakGaugeBar: 2.4 }),
  );
});

it('nears the lift without a step, and is never beyond certain', () => {
  const gaps = [-0.5, 0, 0.1, 0.2, 0.4, 0.8, 2].map((gap) => nearLift(gap));
  expect(gaps[0]).toBe(1);
  gaps.slice(1).forEach((g, i) => {
    expect(g).toBeLessThanOrEqual(gaps[i]!);
    expect(g).toBeGreaterThanOrEqual(0);
  });
});

it('a passing relief lifts like any other: at the lift a jug may hold far more than its drip, and pulls less at it', () => {
  const much = caught(900),
    drips = draw(0.3),
    at = { peakGaugeBar: 2.95 },
    below = { peakGaugeBar: 1.6 };
  expect(likelihood(much, ['relief-valve-passing'], drips, at)).toBeGreaterThan(
    10 * likelihood(much, ['relief-valve-passing'], drips, below),
  );
  expect(catchHint(much, drips, circuit, { ...NOTHING_LOGGED, ...at })).toBeLessThan(
    0.5 * catchHint(much, drips, circuit, { ...NOTHING_LOGGED, ...below }),
  );
  let wet = 0;
  for (let x = -5.5; x < 8; x += 0.02) wet += 0.02 * likelihood(caught(500 * Math.exp(x)), ['relief-valve-passing'], drips, at);
  expect(likelihood(caught(0), ['relief-valve-passing'], drips, at) + wet).toBeCloseTo(1, 2);
});

it('a relief was seen to let go hot by water in the jug while it was warm, or by hot water at the pipe', () => {
  const jug = (volumeMl: number, during: string): Finding => ({ test: 'discharge-catch', volumeMl, minutes: 20, during });
  expect([jug(200, 'hot'), jug(200, 'heating'), jug(200, 'cold'), jug(5, 'hot')].map(letGoHot)).toEqual([true, true, false, false]);
  const pipe = (outcome: string, water?: string): Finding => ({ test: 'discharge-pipe', outcome, ...(water ? { water } : {}) });
  expect(
    [pipe('dripping', 'hot'), pipe('running', 'hot'), pipe('dripping', 'cold'), pipe('dripping'), pipe('stained')].map(letGoHot),
  ).toEqual([true, true, false, false, false]);
});

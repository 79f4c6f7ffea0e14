import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { setHighFromGaugeBar } from '../circuit/standingLevel';
import type { Finding } from './Finding';
import { expectedNumber, foretold } from './findings/findingNumbers';
import { chargeOf, inKOf } from './fit/draw';
import type { Logged } from './Logged';
import { SLOT } from './fit/kernel';
import type { Hint } from './fit/Misses';
import { catchHint } from './findings/reliefCatch';
import { liftHint } from './levels/seenLift';
import type { Visit } from './Visit';

/** Where to look for the circuit's parameters beside the logs: findings whose number they foretell, where a relief was seen to let go, and
 *  where charges and feeds are mostly set. */
export function hintsOf(visit: Visit): Hint[] {
  const { findings, seen, logged, foundColdGaugeBar, parted } = visit;
  const found = findings
    .filter((f) => foretold(f) || f.test === 'discharge-catch')
    .map((f): Hint => {
      const miss = (v: Float64Array) => missOf(f, v, seen, logged);
      return parted.inflow || !f.test.endsWith('-watch') ? (v) => eased(miss(v)) : (v) => eased(byEitherWay(miss, v));
    });
  return [
    ...found,
    ...(foundColdGaugeBar === null || seen.fillSpreadBar === 0 ? [] : [chargedBelow(foundColdGaugeBar, seen)]),
    ...(foundColdGaugeBar === null || !seen.fedByItself ? [] : [fedTo(foundColdGaugeBar, seen)]),
    ...visit.lifts.map(liftHint),
  ];
}

/** The lesser miss of the two ways by which water may come in: where no log parts them one fit stands for both, and a watch leaves one of
 *  them open. */
function byEitherWay(miss: (v: Float64Array) => number, v: Float64Array): number {
  const one = miss(v);
  if (inKOf(v) === 0) return one;
  OTHER_WAY.set(v.subarray(0, SLOT.start));
  OTHER_WAY[SLOT.inFill] = v[SLOT.inCoil]!;
  OTHER_WAY[SLOT.inCoil] = v[SLOT.inFill]!;
  const other = miss(OTHER_WAY);
  return Math.abs(other) < Math.abs(one) ? other : one;
}
const OTHER_WAY = new Float64Array(SLOT.start);

/** How far a finding lies from what a draw foretells, in its standard deviations. */
function missOf(finding: Finding, v: Float64Array, circuit: ResolvedCircuit, logged: Logged): number {
  if (finding.test === 'discharge-catch') return catchHint(finding, v, circuit, logged);
  const n = expectedNumber(finding, v, circuit);
  return n ? (n.seen - n.expected) / n.sd : 0;
}

/** How far below the cold pressure a charge is mostly set, at the least, bar. Common practice. */
const CHARGED_BELOW_BAR = 0.25,
  CHARGED_SD_BAR = 0.15;
/** Where nobody wrote down a charge, it is looked for below the cold pressure as well: a log may fit as well, or better, far above. */
const chargedBelow =
  (coldGaugeBar: number, circuit: ResolvedCircuit): Hint =>
  (v) =>
    Math.max(0, (chargeOf(v, circuit) ?? 0) - coldGaugeBar + CHARGED_BELOW_BAR) / CHARGED_SD_BAR;

/** How near to what a feed holds a fed circuit stands cold, bar. Common practice. */
const FED_SD_BAR = 0.1;
/** A feed that is set high is looked for where it would hold the pressure that the circuit was found at: on that hangs how often it is found
 *  there, and a log in which nothing falls below it says nothing of it. */
const fedTo = (coldGaugeBar: number, circuit: ResolvedCircuit): Hint => {
  const highFromBar = setHighFromGaugeBar(circuit);
  return (v) => (v[SLOT.feedHolds]! < highFromBar ? 0 : (coldGaugeBar - v[SLOT.offset]! - v[SLOT.feedHolds]!) / FED_SD_BAR);
};

/** Beyond so many standard deviations a finding pulls hardly harder, but still the same way. */
const FURTHEST_HINT = 12;
const eased = (miss: number): number =>
  Math.abs(miss) <= FURTHEST_HINT ? miss : Math.sign(miss) * FURTHEST_HINT * (1 + Math.log(Math.abs(miss) / FURTHEST_HINT));

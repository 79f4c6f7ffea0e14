import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { FaultId } from '../faults';
import { coldLevelDensity } from '../levels/coldLevel';
import { has } from '../faultGroups';
import { findingLikelihood, hangsOnDraw } from '../findings/findingLikelihood';
import { changeOver } from '../findings/changeOver';
import { readingSd } from '../findings/readingSd';
import { chargeOf, curveOf, NO_FEED_BAR, outKOf } from '../fit/draw';
import { SLOT } from '../fit/kernel';
import { NOTHING_LOGGED, type Logged } from '../Logged';
import { normalCdf } from '../fit/normal';
import { numberShares } from '../findings/numberTable';
import { BEYOND } from '../levels/overheat';
import { OUTCOME_TABLES } from '../findings/outcomeTable';
import type { TestId } from '../tests';

/** Faults behind which a test does not see the charge, whatever it is. */
const CHARGE_HIDDEN = {
  precharge: ['vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated'],
  'draw-off': ['vessel-connection-blocked', 'vessel-isolated'],
} as const satisfies Partial<Record<TestId, readonly FaultId[]>>;

/** Where a reading of the charge parts next to none, too little, right and too much, bar gauge. */
export const prechargeCutsBar = ({ prechargeGaugeBar }: ResolvedCircuit): number[] => [
  0.1,
  prechargeGaugeBar - 0.12,
  prechargeGaugeBar + 0.2,
];

/** Probabilities of a test's outcomes when it takes so many minutes, coarsely binned where it gives a number, under a set of faults and a
 *  draw, beside what was logged. Null for tests that are not proposed. The bins are only for choosing a test; its likelihood is worked out
 *  in full once it is done. */
export function testOutcomes(
  test: TestId,
  faults: readonly FaultId[],
  v: Float64Array,
  c: ResolvedCircuit,
  minutes: number,
  logged: Logged = NOTHING_LOGGED,
): number[] | null {
  const is = (...ids: FaultId[]) => has(faults, ...ids);
  const charge = chargeOf(v, c) ?? c.prechargeGaugeBar;
  const target = c.prechargeGaugeBar;
  switch (test) {
    case 'precharge': {
      const cuts = prechargeCutsBar(c);
      if (is(...CHARGE_HIDDEN.precharge)) return is('vessel-diaphragm-failed') ? split(0.05, 0.2, cuts) : split(target + 0.15, 0.3, cuts);
      return split(Math.max(0, charge), 0.06, cuts);
    }
    case 'draw-off':
      return split(is(...CHARGE_HIDDEN['draw-off']) ? -0.95 : charge, 0.12, [-0.5, target - 0.15, target + 0.25]);
    case 'idle-cold-pressure': {
      const low = c.fillGaugeBar - 0.35,
        high = c.fillGaugeBar + 0.45;
      const mass = (a: number, b: number) => {
        let s = 0;
        for (let k = 0; k < 12; k++) s += coldLevelDensity(a + ((b - a) * (k + 0.5)) / 12, faults, c);
        return (s * (b - a)) / 12;
      };
      return normalise([mass(0, low), mass(low, high), mass(high, Math.max(high + 0.5, c.reliefSetGaugeBar))]);
    }
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
      return watch(minutes, v, c, logged, false, true);
    case 'coil-isolated-watch':
      return watch(minutes, v, c, logged, true, false);
    case 'cold-main-off-watch':
      return watch(minutes, v, c, logged, false, false);
    case 'second-gauge':
      return split(v[SLOT.offset]!, 0.04 + 0.5 * c.gaugeStepBar, [-0.2, 0.2]);
    case 'boiler-isolated-hold': {
      const boiler = is('boiler-exchanger-leak', 'relief-valve-passing') ? 0.8 : 0.06,
        circuit = is('circuit-leak', 'air-vent-faulty') ? 0.8 : 0.06;
      return [boiler * circuit, boiler * (1 - circuit), (1 - boiler) * circuit, (1 - boiler) * (1 - circuit)];
    }
    case 'flow-return': {
      const apart = numberShares(test, faults)!;
      // Beside how far the two lie apart, whether the flow is too hot: only where no temperature was logged is that news.
      if (logged.hottestC !== null) return apart;
      const tooHot = is('boiler-overheating') ? BEYOND.faulty : BEYOND.sound;
      return apart.flatMap((p) => [p * tooHot, p * (1 - tooHot)]);
    }
    default: {
      const table = OUTCOME_TABLES[test];
      return table
        ? Object.keys(table.base).map((outcome) => findingLikelihood({ test, outcome }, faults, v, c, logged))
        : numberShares(test, faults);
    }
  }
}

/** Whether a test's outcomes hang on the circuit's parameters, or only on which faults there are: then one draw will do for all. */
export function outcomesHangOnDraw(test: TestId, faults: readonly FaultId[]): boolean {
  switch (test) {
    case 'precharge':
    case 'draw-off':
      return !has(faults, ...CHARGE_HIDDEN[test]);
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
    case 'coil-isolated-watch':
    case 'cold-main-off-watch':
    case 'second-gauge':
      return true;
    default:
      return OUTCOME_TABLES[test] !== undefined && hangsOnDraw({ test, outcome: 'any' }, faults);
  }
}

/** Shares of a normal quantity between cuts. */
function split(mean: number, sd: number, cuts: number[]): number[] {
  const below = cuts.map((cut) => normalCdf((cut - mean) / sd));
  return [below[0]!, ...below.slice(1).map((b, i) => b - below[i]!), 1 - below.at(-1)!].map((p) => Math.max(p, 1e-4));
}

const normalise = (p: number[]) => {
  const s = p.reduce((a, b) => a + b, 0) || 1;
  return p.map((x) => Math.max(1e-4, x / s));
};

/** Falls, steady or rises over the length of the watch, from where the circuit was found cold on. */
function watch(minutes: number, v: Float64Array, c: ResolvedCircuit, logged: Logged, fill: boolean, coil: boolean): number[] {
  const ways = {
    inK: (fill ? v[SLOT.inFill]! : 0) + (coil ? v[SLOT.inCoil]! : 0),
    outK: outKOf(v),
    feedGaugeBar: NO_FEED_BAR,
    liftGaugeBar: v[SLOT.lift]!,
    mainsGaugeBar: v[SLOT.mains]!,
  };
  const rise =
      (1 - v[SLOT.stuck]!) * changeOver(curveOf(v), (logged.coldGaugeBar ?? c.fillGaugeBar) - v[SLOT.offset]!, minutes / 60, ways, c),
    cut = 0.02 + 0.7 * c.gaugeStepBar;
  return split(rise, readingSd(c), [-cut, cut]);
}

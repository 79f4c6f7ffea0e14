import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { coldLevelDensity } from '../levels/coldLevel';
import { dischargeShares, reseatShares } from './dischargePipe';
import { drawOffDensity } from './drawOffDensity';
import { has } from '../faultGroups';
import type { FaultId } from '../faults';
import { isWaterUnsaid, type Finding } from '../Finding';
import { expectedNumber } from './findingNumbers';
import { chargeOf } from '../fit/draw';
import { holdDensity } from './holdDensity';
import { SLOT } from '../fit/kernel';
import { NOTHING_LOGGED, type Logged } from '../Logged';
import { normalPdf } from '../fit/normal';
import { drippingWater, drippingWaterShare, NUMBER_TABLES, numberDensity } from './numberTable';
import { outcomeShares } from './outcomeTable';
import { overheatAdded } from '../levels/overheat';
import { prechargeDensity } from './prechargeDensity';
import { catchLikelihood } from './reliefCatch';
import { topUpsLikelihood } from './topUps';
import { watchDensity } from './watchDensity';

/** Likelihood of one finding under one fault set, given one draw of the circuit's parameters, beside what was logged. A density for
 *  numbers, a probability for outcomes; only ratios between sets matter. Never 0: a share of every number is put down to a slip of the
 *  hand. */
export function findingLikelihood(
  f: Finding,
  faults: readonly FaultId[],
  v: Float64Array,
  c: ResolvedCircuit,
  logged: Logged = NOTHING_LOGGED,
): number {
  const number = numericLikelihood(f, faults, v, c, logged),
    flowC = flowReadC(f),
    tooHot = flowC === undefined ? 1 : overheatAdded(flowC, logged.hottestC, c, faults);
  if (number !== null) return tooHot * (0.98 * number + (PLAIN_TO_SEE.has(f.test) || isPumpedUp(f, c) ? PLAIN_SLIP : 0.02) * SLIP_DENSITY);
  const tabled = numberDensity(f, faults);
  if (tabled !== null) return tooHot * tabled * (f.outcome === undefined ? 1 : (outcomeShares(f.test, faults)?.[f.outcome] ?? 1));
  if (f.outcome === undefined) return tooHot;
  if (f.test === 'gas-valve-press' && faults.includes('vessel-undercharged'))
    return pressOfUndercharged(v, c)[f.outcome as keyof ReturnType<typeof pressOfUndercharged>] ?? 1;
  if (f.test === 'low-pressure-stop') return f.outcome === 'not-shown' ? notShown(v) : 1 - notShown(v);
  if (f.test === 'discharge-pipe')
    return (dischargeShares(faults, drippingWater(f), v, c, logged)[f.outcome] ?? 1) * drippingWaterShare(f, faults);
  const shares = outcomeShares(f.test, faults);
  if (f.test === 'relief-reseat' && shares && logged.topGaugeBar !== null)
    return reseatShares(shares, faults, logged.topGaugeBar, v, c)[f.outcome] ?? 1;
  return (shares?.[f.outcome] ?? 1) * drippingWaterShare(f, faults);
}

/** Whether a finding's likelihood hangs on the circuit's parameters, or only on which faults there are: then one draw will do for all. */
export function hangsOnDraw(f: Pick<Finding, 'test' | 'outcome'>, faults: readonly FaultId[]): boolean {
  if (f.test === 'top-ups-per-month' && faults.includes('relief-valve-lifts-early')) return true;
  if (HANGS_ON_THE_GAUGE.has(f.test)) return faults.includes('gauge-misreading');
  if (f.outcome !== undefined) return f.test === 'gas-valve-press' && faults.includes('vessel-undercharged');
  return f.test !== 'relief-marking' && NUMBER_TABLES[f.test] === undefined;
}

const HANGS_ON_THE_GAUGE: ReadonlySet<string> = new Set(['low-pressure-stop', 'discharge-pipe', 'relief-reseat', 'top-ups-per-month']);

/** Whether a fault itself changes the number that a test gives, beyond what the circuit's parameters foretell. */
export const changesTheNumber = (f: Finding, faults: readonly FaultId[]): boolean =>
  (f.test === 'precharge' && has(faults, 'vessel-diaphragm-failed', 'vessel-connection-blocked', 'vessel-isolated')) ||
  (f.test === 'fill-isolated-watch' && has(faults, 'fill-bypass-open'));

/** How hot the boiler sent its water out, °C, where a test read that. */
const flowReadC = (f: Finding): number | undefined =>
  f.test === 'flow-return' ? f.flowC : f.test === 'heat-run-after' ? f.hotC : undefined;

/** How often a drained boiler does not report low pressure: a sensor that over-reads, or stands where it got stuck, mostly does not. Common
 *  practice. */
const notShown = (v: Float64Array): number => (v[SLOT.offset]! > 0.3 || v[SLOT.stuck]! > 0.5 ? 0.7 : 0.05);

/** Density of a slip: any number over about three bars (or litres) alike. */
const SLIP_DENSITY = 0.3;
/** What is printed is seldom misread, a jug that stayed dry is seldom taken for a full one, and a gauge on an empty boiler stands at
 *  nothing. */
const PLAIN_TO_SEE: ReadonlySet<string> = new Set(['relief-marking', 'discharge-catch', 'gauge-at-zero', 'top-ups-per-month']),
  PLAIN_SLIP = 0.004;

/** A tyre gauge that shows more than the circuit ever holds, with the water let out, does so for what is in the vessel: no slip of a tap or
 *  a drain makes that. */
const isPumpedUp = (f: Finding, c: ResolvedCircuit): boolean =>
  f.test === 'precharge' &&
  f.valueBar !== undefined &&
  !isWaterUnsaid(f) &&
  f.valueBar > PUMPED_UP_SHARE * c.reliefSetGaugeBar &&
  f.valueBar > (f.circuitBar ?? 0) + 0.2;
const PUMPED_UP_SHARE = 0.75;

/** How often nothing comes where no gas is left: pressed before anything is drained, even little gas hisses with the water behind it.
 *  Common practice. */
const NOTHING_COMES = 0.65;

/** Pressing an undercharged vessel's valve: what is left decides between air and nothing. */
function pressOfUndercharged(v: Float64Array, c: ResolvedCircuit): { air: number; nothing: number; water: number } {
  const nothing = NOTHING_COMES / (1 + Math.exp(((chargeOf(v, c) ?? 0) + 0.15) / 0.2));
  return { air: 0.97 * (0.98 - nothing), nothing: 0.97 * (nothing + 0.02), water: 0.03 };
}

function numericLikelihood(f: Finding, faults: readonly FaultId[], v: Float64Array, c: ResolvedCircuit, logged: Logged): number | null {
  switch (f.test) {
    case 'idle-cold-pressure':
      return f.valueBar === undefined ? null : coldLevelDensity(f.valueBar, faults, c, v);
    case 'draw-off':
      return drawOffDensity(f, v, c);
    case 'precharge':
      return f.valueBar === undefined ? null : prechargeDensity(f, faults, v, c);
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
    case 'cold-main-off-watch':
    case 'cold-main-on-watch':
    case 'coil-isolated-watch':
      return watchDensity(f, faults, v, c);
    case 'boiler-isolated-hold':
      return holdDensity(f, faults, v, c);
    case 'top-ups-per-month':
      return f.count === undefined ? null : topUpsLikelihood(f.count, faults, v, c, logged);
    case 'relief-marking': {
      if (f.markedBar === undefined) return null;
      const right = normalPdf(f.markedBar, c.reliefSetGaugeBar, 0.1);
      // One that lifts early has a tired spring, or was the wrong one from the start. Common practice.
      const wrong = f.markedBar < c.reliefSetGaugeBar ? normalPdf(f.markedBar, 0.78 * c.reliefSetGaugeBar, 0.15 * c.reliefSetGaugeBar) : 0;
      return has(faults, 'relief-valve-lifts-early') ? 0.65 * right + 0.35 * wrong : right;
    }
    case 'discharge-catch':
      return catchLikelihood(f, faults, v, c, logged);
    default: {
      const n = expectedNumber(f, v, c);
      return n && normalPdf(n.seen, n.expected, n.sd);
    }
  }
}

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
    return (afterAPull(dischargeShares(faults, drippingWater(f), v, c, logged), logged)[f.outcome] ?? 1) * drippingWaterShare(f, faults);
  if (f.test === 'gas-valve-bubbles' && logged.coreTouched && !faults.includes('vessel-gas-valve-leaking'))
    return JUST_TOUCHED[f.outcome as keyof typeof JUST_TOUCHED] ?? 1;
  const lookAlike = LOOKS_ALIKE[f.test];
  if (lookAlike && f[lookAlike.flag] === true && !has(faults, ...lookAlike.faults)) return lookAlike.shares[f.outcome] ?? 1;
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

/** A core that was just pressed, pumped or read bubbles for a while now and then, though it is sound. Common practice. */
const JUST_TOUCHED = { tight: 0.9, bubbles: 0.1 };
/** What shows without the fault when the weather does it. Common practice. */
const LOOKS_ALIKE: Partial<Record<string, { flag: string; faults: FaultId[]; shares: Record<string, number> }>> = {
  'condensate-when-off': { flag: 'raining', faults: ['boiler-exchanger-leak'], shares: { dry: 0.9, drips: 0.1 } },
  'steam-at-flue': { flag: 'coldWeather', faults: ['steam-boiler-section-leak'], shares: { no: 0.9, yes: 0.1 } },
};
/** Of reliefs whose lever was pulled, those that drip afterwards for grit on the seat, whatever else is wrong. Common practice. */
const GRIT_AFTER_A_PULL = 0.4;
function afterAPull(shares: Record<string, number>, { leverPulled }: Logged): Record<string, number> {
  if (!leverPulled) return shares;
  const grit: Record<string, number> = { dry: 0, stained: 0, dripping: 0.9, running: 0.1 };
  return Object.fromEntries(Object.entries(shares).map(([o, p]) => [o, (1 - GRIT_AFTER_A_PULL) * p + GRIT_AFTER_A_PULL * (grit[o] ?? 0)]));
}

/** How often a drained boiler does not report low pressure. Dial and sensor are two instruments: where the one over-reads or sticks, the other
 *  seldom does too. Common practice. */
const notShown = (v: Float64Array): number => (v[SLOT.offset]! > 0.3 || v[SLOT.stuck]! > 0.5 ? 0.25 : 0.05);

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

/** How often nothing comes where gas is left, and where the vessel is nearly waterlogged: any gas hisses at the circuit's pressure. Nearly
 *  waterlogged is a charge about this far below nothing, bar gauge. Common practice. */
const NOTHING_COMES = 0.05,
  NOTHING_WATERLOGGED = 0.75,
  WATERLOGGED_BAR = -0.85,
  WATERLOGGED_SPREAD_BAR = 0.05;

/** Pressing an undercharged vessel's valve: what is left decides between air and nothing. */
function pressOfUndercharged(v: Float64Array, c: ResolvedCircuit): { air: number; nothing: number; water: number } {
  const waterlogged = 1 / (1 + Math.exp(((chargeOf(v, c) ?? 0) - WATERLOGGED_BAR) / WATERLOGGED_SPREAD_BAR)),
    nothing = NOTHING_COMES + (NOTHING_WATERLOGGED - NOTHING_COMES) * waterlogged;
  return { air: 0.97 * (1 - nothing), nothing: 0.97 * nothing, water: 0.03 };
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

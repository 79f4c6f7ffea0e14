import { throughCylinder, type OnSheet } from './onSheet';
import type { ReadOff } from './readOff';
import type { RuleCase, RuleFinding } from './RuleCase';

/** What findings say: faults named outright, and what they say of the rest. */
export interface Named {
  faults: Set<string>;
  /** The vessel was read, and its charge is right. */
  chargeRight: boolean;
  /** It rose though the fill was off; it stood still with the fill off, or the coil, and rises otherwise. */
  notByFill: boolean;
  byFill: boolean;
  byCoil: boolean;
}

/** What of a finding, or of a move of the gauge, counts, bar. */
const CREEPS_BAR = 0.05,
  FELL_BAR = 0.15,
  GAUGE_OFF_BAR = 0.2,
  UNDER_BAR = 0.17,
  OVER_BAR = 0.28,
  EMPTY_BAR = 0.05;
const CAUGHT_ML = 5,
  OVER_LIMIT_K = 8,
  USUAL_LIMIT_C = 82;

/** Faults that findings name outright, in the order in which a technician would take them. */
export function byFindings({ circuit, findings }: RuleCase, s: OnSheet, log: ReadOff): Named {
  const a = answers(findings, s),
    chargeBar = chargeRead(a, s),
    faults = new Set([...gauge(a, s), ...vessel(a, s, chargeBar), ...waterIn(a, s, circuit), ...waterOut(a, s, log)]);
  if (a.number('relief-marking', (f) => f.markedBar) < s.reliefBar - 0.2) faults.add('relief-valve-lifts-early');
  if (a.found('bleed-radiators', 'much-air')) faults.add('air-in-circuit');
  if (a.number('flow-return', (f) => f.flowC) > (circuit.maxFlowC ?? USUAL_LIMIT_C) + OVER_LIMIT_K) faults.add('boiler-overheating');
  const rises = log.creepBarPerH > 0 || a.rose('cold-main-on-watch'),
    off = fillOff(a);
  return {
    faults,
    chargeRight: Math.abs(chargeBar - s.chargeBar) <= 0.2 || (a.found('pump-up-hold', 'held') && a.found('gas-valve-press', 'air')),
    notByFill: a.rose(off),
    byFill: a.stood(off) && rises,
    byCoil: a.stood('coil-isolated-watch') && (rises || a.rose(off)),
  };
}

/** Findings as they are asked for. */
interface Answers {
  of: (test: string) => RuleFinding | undefined;
  found: (test: string, ...outcomes: string[]) => boolean;
  number: (test: string, value: (f: RuleFinding) => unknown) => number;
  /** Of a watch, beyond what the gauge can show. */
  rose: (test: string) => boolean;
  fell: (test: string) => boolean;
  stood: (test: string) => boolean;
}

function answers(findings: readonly RuleFinding[], { stepBar }: OnSheet): Answers {
  const of = (test: string) => findings.find((f) => f.test === test),
    number: Answers['number'] = (test, value) => {
      const f = of(test);
      return f ? Number(value(f)) : NaN;
    };
  const least = Math.max(CREEPS_BAR, 0.9 * stepBar),
    rise = (test: string) => number(test, (f) => Number(f.endBar) - Number(f.startBar));
  return {
    of,
    found: (test, ...outcomes) => findings.some((f) => f.test === test && outcomes.includes(f.outcome ?? '')),
    number,
    rose: (test) => rise(test) >= least,
    fell: (test) => rise(test) <= -least,
    stood: (test) => Math.abs(rise(test)) < least,
  };
}

/** The watch with the fill off, whichever was made. */
const fillOff = (a: Answers): string => (a.of('fill-disconnected-watch') ? 'fill-disconnected-watch' : 'fill-isolated-watch');

function gauge(a: Answers, { stepBar }: OnSheet): string[] {
  const offBar = Math.abs(a.number('second-gauge', (f) => Number(f.firstGaugeBar) - Number(f.valueBar)));
  return offBar > GAUGE_OFF_BAR + 0.2 * stepBar ||
    a.number('gauge-at-zero', (f) => f.valueBar) > GAUGE_OFF_BAR + 0.02 ||
    a.found('low-pressure-stop', 'not-shown')
    ? ['gauge-misreading']
    : [];
}

/** Charge by the tyre gauge where nothing stood behind it, else by a draw-off; NaN where neither says it. */
function chargeRead(a: Answers, s: OnSheet): number {
  const charge = a.of('precharge');
  return charge && Number(charge.circuitBar ?? 0) <= EMPTY_BAR ? Number(charge.valueBar) : drawnCharge(a.of('draw-off'), s);
}

/** What was taken out between two pressures gives the gas, less what pipes give back (Boyle). */
function drawnCharge(f: RuleFinding | undefined, { vesselL }: OnSheet): number {
  if (!f) return NaN;
  const before = Number(f.beforeBar) + 1,
    after = Number(f.afterBar) + 1;
  if (!(after < before - 0.04) || after <= 1.02) return NaN;
  return (Number(f.volumeL) - 0.03 * (before - after)) / (1 / after - 1 / before) / vesselL - 1;
}

function vessel(a: Answers, s: OnSheet, chargeBar: number): string[] {
  const leaks = a.found('gas-valve-bubbles', 'bubbles') ? ['vessel-gas-valve-leaking'] : [],
    low = chargeBar < s.chargeBar - UNDER_BAR;
  if (a.found('gas-valve-press', 'water') || a.found('pump-up-hold', 'bubbles-at-drain', 'would-not-rise'))
    return ['vessel-diaphragm-failed', ...leaks];
  if (a.found('vessel-valve-position', 'closed')) return ['vessel-isolated', ...leaks];
  if (a.found('vessel-connection-flow', 'blocked', 'restricted')) return ['vessel-connection-blocked', ...leaks];
  if (low || (a.found('gas-valve-press', 'nothing') && Number.isNaN(chargeBar))) return ['vessel-undercharged', ...leaks];
  return chargeBar > s.chargeBar + OVER_BAR ? ['vessel-overcharged', ...leaks] : leaks;
}

function waterIn(a: Answers, { fill }: OnSheet, circuit: RuleCase['circuit']): string[] {
  const throughFill = fill === 'hand' ? 'fill-loop-passing' : fill === 'valve' ? 'reducing-valve-creeping' : 'fill-bypass-open';
  return [
    ...(a.found('fill-outlet-drip', 'drips') ? ['fill-loop-passing'] : []),
    ...(a.found('listen-at-exchanger', 'hiss') ? ['dhw-plate-perforated'] : []),
    ...(a.rose(fillOff(a)) ? [throughCylinder(circuit) ?? (fill === 'hand' ? 'fill-loop-passing' : 'fill-bypass-open')] : []),
    ...(a.rose('coil-isolated-watch') ? [throughFill] : []),
  ];
}

function waterOut(a: Answers, s: OnSheet, { peakBar }: ReadOff): string[] {
  // What comes out hot near the relief's setting is the relief's business.
  const lifted = peakBar > s.reliefBar - 0.3,
    catches = a.number('discharge-catch', (f) => f.volumeMl) > CAUGHT_ML && (a.of('discharge-catch')?.during === 'cold' || !lifted),
    passes =
      a.found('relief-reseat', 'still-drips') ||
      a.found('discharge-pipe', 'running') ||
      catches ||
      (a.found('discharge-pipe', 'dripping') && !lifted);
  const boilerFell = a.number('boiler-isolated-hold', (f) => Number(f.boilerEndBar) - Number(f.boilerStartBar)) < -FELL_BAR,
    circuitFell = a.number('boiler-isolated-hold', (f) => Number(f.circuitEndBar) - Number(f.circuitStartBar)) < -FELL_BAR;
  const out = [
    ...(passes ? ['relief-valve-passing'] : []),
    ...(a.found('condensate-when-off', 'drips') || (boilerFell && !circuitFell && !passes) ? ['boiler-exchanger-leak'] : []),
    ...(a.found('visible-leak', 'found') || (circuitFell && !boilerFell) ? ['circuit-leak'] : []),
  ];
  const watches = [fillOff(a), 'cold-main-off-watch', 'cold-main-on-watch', 'coil-isolated-watch'];
  return out.length === 0 && watches.some(a.fell) ? ['circuit-leak'] : out;
}

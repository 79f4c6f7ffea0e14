import type { OnSheet } from './onSheet';
import type { ReadOff } from './readOff';
import type { RuleCase, RuleFinding } from './RuleCase';

/** What findings say: faults named outright, and what they rule out. */
export interface Named {
  faults: Set<string>;
  /** The vessel was read, and its charge is right. */
  chargeRight: boolean;
  /** It rose though the fill was off; it stood still with the fill off, or the coil, and rises otherwise. */
  notByFill: boolean;
  byFill: boolean;
  byCoil: boolean;
}

/** Moves of a watch that count, bar, beside what the gauge can show. */
const CREEPS = 0.05;

export function byFindings({ circuit, findings }: RuleCase, s: OnSheet, log: ReadOff): Named {
  const faults = new Set<string>(),
    found = (test: string, ...outcomes: string[]) => findings.some((f) => f.test === test && outcomes.includes(f.outcome ?? '')),
    of = (test: string) => findings.find((f) => f.test === test),
    number = (test: string, value: (f: RuleFinding) => number) => {
      const f = of(test);
      return f ? value(f) : NaN;
    };
  const least = Math.max(CREEPS, 0.9 * s.stepBar),
    rise = (test: string) => number(test, (f) => Number(f.endBar) - Number(f.startBar)),
    rose = (test: string) => rise(test) >= least,
    fell = (test: string) => rise(test) <= -least,
    stood = (test: string) => Math.abs(rise(test)) < least;
  const indirect = circuit.domesticHotWater?.kind === 'indirect-coil',
    hotWater = circuit.domesticHotWater?.kind ?? 'plate-exchanger',
    throughCylinder = hotWater === 'plate-exchanger' ? 'dhw-plate-perforated' : indirect ? 'dhw-coil-perforated' : null;
  const creeps = log.creepBarPerH > 0;

  // Gauge.
  const gaugeOff = number('second-gauge', (f) => Number(f.firstGaugeBar) - Number(f.valueBar)),
    atZero = number('gauge-at-zero', (f) => Number(f.valueBar));
  if (Math.abs(gaugeOff) > 0.2 + 0.2 * s.stepBar || atZero > 0.22 || found('low-pressure-stop', 'not-shown'))
    faults.add('gauge-misreading');
  // Vessel.
  const charge = of('precharge'),
    chargeBar = charge && Number(charge.circuitBar ?? 0) <= 0.05 ? Number(charge.valueBar) : drawnCharge(of('draw-off'), s);
  if (found('gas-valve-press', 'water') || found('pump-up-hold', 'bubbles-at-drain', 'would-not-rise'))
    faults.add('vessel-diaphragm-failed');
  else if (found('vessel-valve-position', 'closed')) faults.add('vessel-isolated');
  else if (found('vessel-connection-flow', 'blocked', 'restricted')) faults.add('vessel-connection-blocked');
  else if (chargeBar < s.chargeBar - 0.17 || (found('gas-valve-press', 'nothing') && !(chargeBar >= s.chargeBar - 0.17)))
    faults.add('vessel-undercharged');
  else if (chargeBar > s.chargeBar + 0.28) faults.add('vessel-overcharged');
  if (found('gas-valve-bubbles', 'bubbles')) faults.add('vessel-gas-valve-leaking');
  // Water in.
  const off = ['fill-disconnected-watch', 'fill-isolated-watch'].find((t) => of(t));
  if (found('fill-outlet-drip', 'drips')) faults.add('fill-loop-passing');
  if (found('listen-at-exchanger', 'hiss')) faults.add('dhw-plate-perforated');
  if (off && rose(off)) faults.add(throughCylinder ?? (s.fill === 'hand' ? 'fill-loop-passing' : 'fill-bypass-open'));
  if (rose('coil-isolated-watch'))
    faults.add(s.fill === 'hand' ? 'fill-loop-passing' : s.fill === 'valve' ? 'reducing-valve-creeping' : 'fill-bypass-open');
  const byFill = off !== undefined && stood(off) && (creeps || rose('cold-main-on-watch')),
    byCoil = stood('coil-isolated-watch') && (creeps || rose('cold-main-on-watch') || (off !== undefined && rose(off)));
  // Water out.
  const drips = found('discharge-pipe', 'running', 'dripping'),
    caughtMl = number('discharge-catch', (f) => Number(f.volumeMl)),
    caughtCold = of('discharge-catch')?.during === 'cold',
    liftedHot = log.peakBar > s.reliefBar - 0.3;
  if (
    found('relief-reseat', 'still-drips') ||
    found('discharge-pipe', 'running') ||
    (caughtMl > 5 && (caughtCold || !liftedHot)) ||
    (drips && !liftedHot)
  )
    faults.add('relief-valve-passing');
  const hold = of('boiler-isolated-hold'),
    boilerFell = hold !== undefined && Number(hold.boilerEndBar) - Number(hold.boilerStartBar) < -0.15,
    circuitFell = hold?.circuitEndBar !== undefined && Number(hold.circuitEndBar) - Number(hold.circuitStartBar) < -0.15;
  if (found('condensate-when-off', 'drips') || (boilerFell && !circuitFell && !faults.has('relief-valve-passing')))
    faults.add('boiler-exchanger-leak');
  if (found('visible-leak', 'found') || (circuitFell && !boilerFell)) faults.add('circuit-leak');
  const leaks = ['relief-valve-passing', 'boiler-exchanger-leak', 'circuit-leak'].some((f) => faults.has(f));
  if (!leaks && ((off && fell(off)) || fell('cold-main-off-watch') || fell('cold-main-on-watch') || fell('coil-isolated-watch')))
    faults.add('circuit-leak');
  // The rest.
  if (number('relief-marking', (f) => Number(f.markedBar)) < s.reliefBar - 0.2) faults.add('relief-valve-lifts-early');
  if (found('bleed-radiators', 'much-air')) faults.add('air-in-circuit');
  if (number('flow-return', (f) => Number(f.flowC)) > (circuit.maxFlowC ?? 82) + 8) faults.add('boiler-overheating');
  return {
    faults,
    chargeRight: Math.abs(chargeBar - s.chargeBar) <= 0.2 || (found('pump-up-hold', 'held') && found('gas-valve-press', 'air')),
    notByFill: off !== undefined && rose(off),
    byFill,
    byCoil,
  };
}

/** Charge by a draw-off: what was taken out between two pressures gives the gas, less what pipes give back (Boyle). NaN where it says
 *  nothing. */
function drawnCharge(f: RuleFinding | undefined, s: OnSheet): number {
  if (!f) return NaN;
  const before = Number(f.beforeBar) + 1,
    after = Number(f.afterBar) + 1;
  if (!(after < before - 0.04) || after <= 1.02) return NaN;
  return (Number(f.volumeL) - 0.03 * (before - after)) / (1 / after - 1 / before) / s.vesselL - 1;
}

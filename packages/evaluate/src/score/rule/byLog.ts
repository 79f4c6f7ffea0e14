import type { Named } from './byFindings';
import { throughCylinder, type OnSheet } from './onSheet';
import type { ReadOff } from './readOff';
import type { RuleCase } from './RuleCase';

const VESSEL = [
    'vessel-undercharged',
    'vessel-diaphragm-failed',
    'vessel-connection-blocked',
    'vessel-isolated',
    'vessel-undersized',
    'vessel-overcharged',
  ],
  INFLOW = ['fill-loop-passing', 'reducing-valve-creeping', 'fill-bypass-open', 'dhw-plate-perforated', 'dhw-coil-perforated'],
  OUTFLOW = ['circuit-leak', 'boiler-exchanger-leak', 'relief-valve-passing', 'air-vent-faulty'];
/** Faster than that it is no seat that lets by, bar/h. */
const BY_BYPASS = 1.5;

/** What the log shows beside what the findings have named already. */
export function byLog({ circuit }: RuleCase, s: OnSheet, r: ReadOff, named: Named): string[] {
  const out: string[] = [],
    has = (...faults: string[]) => faults.some((f) => named.faults.has(f) || out.includes(f)),
    add = (fault: string) => out.push(fault),
    tells = Math.max(0.1, 1.2 * s.stepBar);
  // The gauge before all else: one that does not move tells nothing.
  if (
    r.heated &&
    r.hottestC !== null &&
    r.hottestC - r.coldC > 30 &&
    r.spanBar <= Math.max(0.05, 1.01 * s.stepBar) &&
    s.hotBar(r.coldBar, r.coldC, r.hottestC - 8) - r.coldBar > 0.25
  )
    return has('gauge-misreading') ? [] : ['gauge-misreading'];
  if (r.hottestC !== null && circuit.maxFlowC !== undefined && r.hottestC > circuit.maxFlowC + 8) add('boiler-overheating');
  // Cold, with no heat: water in, water out, or where it stands.
  if (r.creepBarPerH > 0 && !has(...INFLOW)) add(wayIn(circuit, s, r, named));
  if (r.creepBarPerH < 0 && !has(...OUTFLOW)) add('circuit-leak');
  if (r.creepBarPerH === 0 && !has('gauge-misreading', ...INFLOW) && !(r.coldBar < s.lowBar && has(...OUTFLOW))) {
    const level = levelFault(s, r.coldBar);
    if (level) add(level);
  }
  // What feeds itself and stands below its setting while it loses gets no water.
  if (
    s.fill !== 'hand' &&
    has(...OUTFLOW) &&
    Math.min(r.coldBar, r.lastBar) < s.lowBar - 0.35 &&
    !has('feed-starved', 'pressurisation-unit-fault')
  )
    add('feed-starved');
  // Hot: against what this circuit should do.
  const stands = has('fill-pressure-too-high', 'reducing-valve-set-high', 'pressurisation-unit-fault');
  if (r.heated && !has(...VESSEL, 'boiler-overheating')) {
    const vessel = vesselFault(circuit, s, r, named, has(...INFLOW));
    if (vessel && !(stands && vessel === 'vessel-undersized')) add(vessel);
  }
  const belowRelief = r.peakBar < s.reliefBar - 0.35;
  if (r.heated && belowRelief && !has('relief-valve-lifts-early', ...OUTFLOW)) {
    if (r.droppedBar > Math.max(0.2, 2 * s.stepBar) || (r.heldK > 12 && r.peakBar - r.coldBar > 0.2 && r.easedBar < tells))
      add('relief-valve-lifts-early');
    else if (r.easedBar > 1.2 * tells) add('circuit-leak');
  }
  if (belowRelief && r.creepBarPerH === 0) {
    if (r.lastBar < r.coldBar - 1.2 * tells && !has('relief-valve-lifts-early', ...OUTFLOW)) add('circuit-leak');
    if (r.afterBar !== null && r.afterBar > 1.2 * tells && !has(...INFLOW)) add(wayIn(circuit, s, r, named));
  }
  return out;
}

/** By which way water most likely comes in. */
function wayIn(circuit: RuleCase['circuit'], s: OnSheet, { creepBarPerH }: ReadOff, { byFill, byCoil, notByFill }: Named): string {
  const cylinder = throughCylinder(circuit),
    throughFill =
      s.fill === 'hand'
        ? 'fill-loop-passing'
        : s.fill === 'unit' || creepBarPerH > BY_BYPASS
          ? 'fill-bypass-open'
          : 'reducing-valve-creeping';
  if (byCoil || notByFill) return cylinder ?? 'fill-bypass-open';
  if (byFill || !cylinder) return throughFill;
  return s.fill === 'hand' ? cylinder : throughFill;
}

/** What is wrong with where it stands cold; null where it stands right. */
function levelFault(s: OnSheet, coldBar: number): string | null {
  const low = coldBar < s.lowBar - 0.32,
    high = coldBar > s.highBar + (s.fill === 'hand' ? 0.5 : 0.25);
  if (!low && !high) return null;
  if (s.fill === 'unit') return 'pressurisation-unit-fault';
  if (s.fill === 'valve') return high ? 'reducing-valve-set-high' : 'feed-starved';
  return high ? 'fill-pressure-too-high' : 'fill-pressure-too-low';
}

/** What is wrong with the vessel by how far heat took it. */
function vesselFault(circuit: RuleCase['circuit'], s: OnSheet, r: ReadOff, named: Named, comesIn: boolean): string | null {
  const meanC = r.peakC ?? (circuit.maxFlowC ?? 70) - 8,
    right = s.hotBar(r.coldBar, r.coldC, meanC),
    rose = r.peakBar - r.coldBar,
    should = Math.min(s.reliefBar, right) - r.coldBar;
  const tooFar = rose > 1.5 * Math.max(0.1, should) + 0.2 || (r.peakBar > s.reliefBar - 0.25 && right < s.reliefBar - 0.5);
  if (comesIn && !(rose > 2.2 * Math.max(0.1, should) + 0.4)) return null;
  if (tooFar) {
    // It jumps, and then rises as it should: the gas stands above the fill. With little gas it rises ever more.
    if (r.jumped > 0.62 && r.peakBar < s.reliefBar - 0.2 && r.coldBar > s.chargeBar - 0.1) return 'vessel-overcharged';
    if (named.chargeRight) return (circuit.vessel?.isolationValve ?? 'none') === 'none' ? 'vessel-connection-blocked' : 'vessel-isolated';
    return 'vessel-undercharged';
  }
  // What the sheet itself says cannot hold what the water grows by.
  return r.peakBar - r.coldBar > 0.8 && s.hotBar(s.lowBar, 15, (circuit.maxFlowC ?? 75) - 5) > s.reliefBar - 0.2
    ? 'vessel-undersized'
    : null;
}

import { chargeBySchool, type CircuitSheet, type Interval, type ResolvedCircuit } from '@jumper/core';
import { temperatureText, type Units } from '../units/units';
import { unbroken } from '../units/words';
import type { Rung } from './figureModel';

/** What stands beside a step. */
export const rungLabel = ({ label, celsius }: Rung, units: Units): string =>
  celsius === undefined ? label : `${label}, ${unbroken(temperatureText(celsius, units.temperature))}`;

/** The ladder's steps for this circuit, top down. A charge that is not known stands as the band that the schools leave open; what the judge
 *  makes of the vessel stands beside it as a band of its own. @param hotBar right at the boiler's limit */
export function rungs(sheet: CircuitSheet, c: ResolvedCircuit, hotBar: number, chargeNow: Interval | null): Rung[] {
  const all: Rung[] = [
    { id: 'relief', label: 'relief', bar: c.reliefSetGaugeBar, tone: 'relief', line: 'solid' },
    { id: 'reseat', label: 'reseats', bar: 0.85 * c.reliefSetGaugeBar, tone: 'relief', line: 'dashed' },
    { id: 'hot', label: 'right', celsius: c.maxFlowC, bar: hotBar, tone: 'right', line: 'solid' },
    { id: 'fill', label: 'fill', bar: c.fillGaugeBar, tone: 'fill', line: 'solid' },
    c.prechargeFrom === 'static-head'
      ? { id: 'precharge', label: 'precharge?', bar: c.prechargeGaugeBar, reach: schoolsReach(sheet, c), tone: 'quiet', line: 'none' }
      : { id: 'precharge', label: 'precharge', bar: c.prechargeGaugeBar, tone: 'quiet', line: 'dashed' },
    { id: 'height', label: 'height', bar: c.staticGaugeBar, tone: 'quiet', line: 'dotted' },
  ];
  // Worth a place only where it says more than "somewhere in the vessel's reach".
  if (chargeNow && chargeNow.p95 - chargeNow.p05 < 0.9 && chargeNow.p95 > 0) {
    const wanted = all.find((r) => r.id === 'precharge')!,
      reach = { low: Math.max(0, chargeNow.p05), high: chargeNow.p95 };
    // Two steps in one place cannot be read. One says it: it is what it should be.
    if (wanted.line !== 'none' && Math.abs(chargeNow.median - wanted.bar) < ONE_STEP_BAR)
      Object.assign(wanted, { label: 'charge now', tone: 'right', reach });
    else
      all.push({
        id: 'charge-now',
        label: 'charge now',
        bar: Math.max(0, chargeNow.median),
        belowFoot: chargeNow.median < 0,
        reach,
        tone: 'doubt',
        line: 'none',
      });
  }
  return all.filter((r) => r.bar >= 0).sort((a, b) => b.bar - a.bar);
}

/** A charge nearer than this to what was wanted is what was wanted, bar. */
const ONE_STEP_BAR = 0.06;

function schoolsReach(sheet: CircuitSheet, c: ResolvedCircuit): { low: number; high: number } {
  const s = chargeBySchool(sheet);
  const said = [
    s.label,
    s.staticHead?.low ?? null,
    s.staticHead?.high ?? null,
    s.perFloor,
    s.oneBar,
    s.matchedToFeed,
    c.prechargeGaugeBar,
  ].filter((x): x is number => x !== null && x > c.staticGaugeBar);
  return { low: Math.min(...said), high: Math.max(...said) };
}

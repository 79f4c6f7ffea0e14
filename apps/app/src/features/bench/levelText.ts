import { isHeatSwitch, standingLevel, type PressureLog, type ResolvedCircuit } from '@jumper/core';
import { pressureText, type Units } from '../units/units';

/** From here on the water has been heated, whoever logged it; what was not read is taken to stand cold. */
const WARM_C = 35,
  UNREAD_C = 20;
/** Neither heated nor warm: what it stands at cold says more than how it moves. */
export const standsCold = (log: PressureLog | null): boolean =>
  !log?.events?.some(isHeatSwitch) && (log?.samples.flowC?.findLast((c) => c !== null) ?? UNREAD_C) < WARM_C;

/** What is wrong with where a cold circuit stands, and what to do about it; null where it stands right. */
export function levelText(gaugeBar: number, c: ResolvedCircuit, units: Units): { text: string; wanted: string } | null {
  const level = standingLevel(gaugeBar, c),
    bar = (x: number) => pressureText(x, units.pressure);
  const than = bar(level.thanGaugeBar),
    fill = c.fedByItself ? `the feed should hold ${bar(c.fillGaugeBar)}` : `fill to ${bar(c.fillGaugeBar)}`;
  switch (level.kind) {
    case 'right':
      return null;
    case 'under-height':
      return { text: 'Below static head', wanted: `${than} of water stands above; ${fill}` };
    case 'under-charge':
      return { text: 'Below the vessel’s charge', wanted: `Under ${than} the vessel is empty; ${fill}` };
    case 'under-fill':
      return { text: `Below the fill pressure, ${than}`, wanted: c.fedByItself ? 'Its feed does not hold it' : 'Top up, then watch it' };
    case 'over-fill':
      return { text: `Above the fill pressure, ${than}`, wanted: 'No heat yet: it was overfilled, or water comes in' };
  }
}

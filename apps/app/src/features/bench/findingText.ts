import { EMPTY_GAUGE_BAR, testRow, type Finding } from '@jumper/core';
import { quantityText } from '../units/quantity';
import { pressureText, temperatureText, type Units } from '../units/units';
import { plain } from '../units/words';

/** A finding as one line: the test, and all that was seen, in the user's units. */
export function findingText(f: Finding, units: Units): string {
  const zone = typeof f.zone === 'string' && f.zone ? (/^\d/.test(f.zone) ? `zone ${f.zone}` : f.zone) : '';
  const said = [zone, f.outcome && plain(f.outcome), f.water && `${f.water} water`, ...numbers(f, units)].filter(Boolean).join(', ');
  const title = testRow(f.test).title;
  return said ? `${title}: ${said}` : title;
}

function numbers(f: Finding, units: Units): (string | false)[] {
  const bar = (x: number) => pressureText(x, units.pressure),
    litres = (x: number) => quantityText(x, 'small-volume', units);
  const fromTo = (a: number | undefined, b: number | undefined) => (a !== undefined && b !== undefined ? `${bar(a)} to ${bar(b)}` : '');
  const celsius = (c: unknown, name: string) => typeof c === 'number' && `${temperatureText(c, units.temperature)} ${name}`;
  const over = f.minutes === undefined ? '' : ` in ${Math.round(f.minutes)} min`;
  switch (f.test) {
    case 'second-gauge':
      return [f.firstGaugeBar !== undefined && bar(f.firstGaugeBar), f.valueBar !== undefined && `${bar(f.valueBar)} on the second`];
    case 'draw-off':
      return [f.volumeL !== undefined && litres(f.volumeL), fromTo(f.beforeBar, f.afterBar)];
    case 'vessel-drained-volume':
      return [f.volumeL !== undefined && litres(f.volumeL), f.fromBar !== undefined && `from ${bar(f.fromBar)}`];
    case 'discharge-catch':
      return [f.volumeMl !== undefined && `${Math.round(f.volumeMl)} mL${over}`, f.during ?? ''];
    case 'boiler-isolated-hold': {
      const boiler = fromTo(f.boilerStartBar, f.boilerEndBar),
        circuit = fromTo(f.circuitStartBar, f.circuitEndBar);
      return [boiler && `boiler side ${boiler}${circuit ? '' : over}`, circuit && `circuit side ${circuit}${over}`];
    }
    case 'relief-marking':
      return [f.markedBar !== undefined && bar(f.markedBar)];
    case 'top-ups-per-month':
      return [f.count !== undefined && String(f.count)];
    case 'idle-cold-pressure':
      return [f.valueBar !== undefined && bar(f.valueBar), f.idleHours !== undefined && `after ${Math.round(f.idleHours)} h`];
    case 'precharge':
      return [
        f.valueBar !== undefined && bar(f.valueBar),
        f.circuitBar !== undefined && f.circuitBar > EMPTY_GAUGE_BAR && `with ${bar(f.circuitBar)} of water behind it`,
      ];
    case 'heat-run-after':
      return [fromTo(f.coldBar, f.hotBar), f.hotC !== undefined && `at ${temperatureText(f.hotC, units.temperature)}`];
    case 'zone-pipe-temperatures':
      return [
        celsius(f.supplyC, 'supply'),
        celsius(f.returnC, 'return'),
        f.calling === undefined ? '' : f.calling ? 'calling' : 'not calling',
      ];
    case 'flow-return':
      return [
        celsius(f.flowC, 'flow'),
        celsius(f.returnC, 'return'),
        typeof f.minutesFiring === 'number' && `after ${Math.round(f.minutesFiring)} min of firing`,
      ];
    case 'mixed-supply':
      return [celsius(f.valueC, 'measured'), celsius(f.setC, 'set')];
    default: {
      const change = fromTo(f.startBar, f.endBar);
      return [change ? `${change}${over}` : f.valueBar !== undefined && bar(f.valueBar)];
    }
  }
}

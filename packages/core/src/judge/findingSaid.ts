import { inBar, inCelsius, inLitres, say, type Said } from '../units/said';
import { EMPTY_GAUGE_BAR, type Finding } from './Finding';
import { testRow, type ValueSpec } from './tests';

/** A finding in a line: the test, and all that was seen. */
export function findingSaid(f: Finding): Said {
  const zone = typeof f.zone === 'string' && f.zone ? (/^\d/.test(f.zone) ? `zone ${f.zone}` : f.zone) : '',
    seen = [zone, f.outcome?.replaceAll('-', ' ') ?? '', f.water ? `${f.water} water` : '', ...numbers(f)].filter((x) => x.length > 0),
    { title } = testRow(f.test);
  return seen.length > 0 ? say`${title}${title.endsWith('?') ? '' : ':'} ${listed(seen)}` : title;
}

const listed = (all: readonly Said[]): Said => all.reduce((said, x) => say`${said}, ${x}`);

/** A number that was read; nothing of one that was not. */
const read = (x: unknown, as: (n: number) => Said): Said => (typeof x === 'number' ? as(x) : '');
const bar = (x: unknown): Said => read(x, (n) => say`${inBar(n)}`);
const celsius = (x: unknown, name: string): Said => read(x, (c) => say`${inCelsius(c)} ${name}`);
const fromTo = (a: number | undefined, b: number | undefined): Said =>
  a !== undefined && b !== undefined ? say`${inBar(a)} to ${inBar(b)}` : '';

function numbers(f: Finding): Said[] {
  const over = f.minutes === undefined ? '' : ` in ${Math.round(f.minutes)} min`;
  switch (f.test) {
    case 'second-gauge':
      return [bar(f.firstGaugeBar), read(f.valueBar, (x) => say`${inBar(x)} on the second`)];
    case 'draw-off':
      return [read(f.volumeL, (x) => say`${inLitres(x)}`), fromTo(f.beforeBar, f.afterBar)];
    case 'vessel-drained-volume':
      return [read(f.volumeL, (x) => say`${inLitres(x)}`), read(f.fromBar, (x) => say`from ${inBar(x)}`)];
    case 'discharge-pipe':
      return [read(f.waterC, (c) => say`${inCelsius(c)}`)];
    case 'discharge-catch':
      return [read(f.volumeMl, (x) => `${Math.round(x)} mL${over}`), f.during ?? ''];
    case 'boiler-isolated-hold': {
      const boiler = fromTo(f.boilerStartBar, f.boilerEndBar),
        circuit = fromTo(f.circuitStartBar, f.circuitEndBar);
      return [
        boiler.length > 0 ? say`boiler side ${boiler}${circuit.length > 0 ? '' : over}` : '',
        circuit.length > 0 ? say`circuit side ${circuit}${over}` : '',
      ];
    }
    case 'idle-cold-pressure':
      return [bar(f.valueBar), read(f.idleHours, (h) => `after ${Math.round(h)} h`)];
    case 'precharge':
      return [bar(f.valueBar), read(f.circuitBar, (x) => (x > EMPTY_GAUGE_BAR ? say`with ${inBar(x)} of water behind it` : ''))];
    case 'heat-run-after':
      return [fromTo(f.coldBar, f.hotBar), read(f.hotC, (c) => say`at ${inCelsius(c)}`)];
    case 'zone-pipe-temperatures':
      return [
        celsius(f.supplyC, 'supply'),
        celsius(f.returnC, 'return'),
        f.calling === undefined ? '' : f.calling ? 'calling' : 'not calling',
      ];
    case 'flow-return':
      return [celsius(f.flowC, 'flow'), celsius(f.returnC, 'return'), read(f.minutesFiring, (m) => `after ${Math.round(m)} min of firing`)];
    case 'mixed-supply':
      return [celsius(f.valueC, 'measured'), celsius(f.setC, 'set')];
    default: {
      const change = fromTo(f.startBar, f.endBar);
      return change.length > 0
        ? [say`${change}${over}`]
        : Object.entries(testRow(f.test).values ?? {}).map(([key, { unit }]) => named(key, unit, f[key]));
    }
  }
}

/** A number by its key's own words, as "cut out 0.6 bar, set 0.14 bar". A bare value or count needs no name. */
function named(key: string, unit: ValueSpec['unit'], x: unknown): Said {
  const name = key
    .replace(/(Bar|C|L|Ml|Minutes|S)$/, '')
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase();
  const bare = ['value', 'count', 'minutes', 'volume', 'marked'].includes(name) ? '' : `${name} `;
  return read(x, (n) => say`${bare}${withUnit(n, unit)}`);
}

function withUnit(n: number, unit: ValueSpec['unit']): Said {
  switch (unit) {
    case 'bar':
      return say`${inBar(n)}`;
    case '°C':
      return say`${inCelsius(n)}`;
    case 'L':
      return say`${inLitres(n)}`;
    case 'count':
    case 'pH':
      return String(n);
    default:
      return `${n} ${unit}`;
  }
}

/** What a careful technician concludes without arithmetic: the findings that name a fault outright, then thresholds on swing, creep and
 *  level. The judge has to beat it. */
export function ruleOfThumb(input: Record<string, unknown>): string[] {
  const c = input as unknown as RuleCase;
  const read = readLog(c);
  const named = namedByFindings(c);
  const set = new Set([...named, ...namedByLog(c, read, named)]);
  return set.size ? [...set].sort().slice(0, 2) : ['none'];
}

interface RuleFinding {
  test: string;
  outcome?: string;
  water?: string;
  during?: string;
  [value: string]: unknown;
}
interface RuleCase {
  circuit: {
    reliefValve: { setBar: number };
    fill?: { kind: string; cutOutBar?: number };
    domesticHotWater?: { kind: string };
    vessel?: { labelPrechargeBar?: number };
    maxFlowC?: number;
  };
  logs: { samples: { tS: number[]; pressureBar: (number | null)[]; flowC?: (number | null)[] }; events: { tS: number; kind: string }[] }[];
  findings: RuleFinding[];
}
interface Read {
  coldBar: number;
  peakBar: number;
  lastBar: number;
  creepBarPerH: number;
  cooled: boolean;
  hotReadings: number;
  heatStayedOn: boolean;
  hottestC: number;
}

/** Changes of a watch that count, bar. */
const CREEPS = 0.08;

function readLog({ logs }: RuleCase): Read {
  const {
    samples: { tS, pressureBar, flowC },
    events,
  } = logs[0]!;
  const on = events.find((e) => e.kind === 'heat-on')?.tS ?? Infinity,
    off = events.find((e) => e.kind === 'heat-off')?.tS ?? Infinity;
  const points = tS.map((t, i) => ({ t, p: pressureBar[i] ?? NaN })).filter((x) => !Number.isNaN(x.p));
  const idle = points.filter((x) => x.t <= on),
    hot = points.filter((x) => x.t > on && x.t <= off + 120);
  const coldBar = (idle.at(-1) ?? points[0]!).p,
    idleS = (idle.at(-1)?.t ?? 0) - (idle[0]?.t ?? 0);
  return {
    coldBar,
    peakBar: Math.max(coldBar, ...hot.map((x) => x.p)),
    lastBar: points.at(-1)!.p,
    creepBarPerH: idleS > 600 ? (coldBar - idle[0]!.p) / (idleS / 3600) : 0,
    cooled: off < Infinity && flowC !== undefined && (flowC.at(-1) ?? 99)! < (flowC[0] ?? 0)! + 8,
    hotReadings: hot.length,
    heatStayedOn: off === Infinity,
    hottestC: Math.max(...(flowC ?? []).map((t) => t ?? -Infinity), -Infinity),
  };
}

const wantedCharge = (c: RuleCase) => c.circuit.vessel?.labelPrechargeBar ?? 0.75;
const throughCylinder = (c: RuleCase) =>
  (c.circuit.domesticHotWater?.kind ?? 'plate-exchanger') === 'plate-exchanger' ? 'dhw-plate-perforated' : 'dhw-coil-perforated';

/** What is at fault where a kind of filling lets water by, gives too little or holds too much, and what it should hold, bar; null where a
 *  hand fills. */
function fillFaults({ circuit: { fill } }: RuleCase): { passing: string; low: string; high: string; holdsBar: number | null } {
  if (fill?.kind === 'pressurisation-unit')
    return {
      passing: 'fill-bypass-open',
      low: 'pressurisation-unit-fault',
      high: 'pressurisation-unit-fault',
      holdsBar: fill.cutOutBar ?? 2,
    };
  if (fill?.kind === 'reducing-valve')
    return { passing: 'reducing-valve-creeping', low: 'feed-starved', high: 'reducing-valve-set-high', holdsBar: 0.97 };
  return { passing: 'fill-loop-passing', low: 'fill-pressure-too-low', high: 'fill-pressure-too-high', holdsBar: null };
}

/** Findings that by themselves name what is wrong. */
function namedByFindings(c: RuleCase): string[] {
  const named: string[] = [];
  const found = (test: string, ...outcomes: string[]) => c.findings.some((f) => f.test === test && outcomes.includes(f.outcome ?? ''));
  const number = (test: string, value: (f: RuleFinding) => number) => {
    const f = c.findings.find((x) => x.test === test);
    return f ? value(f) : NaN;
  };
  const rise = (test: string) => number(test, (f) => Number(f.endBar) - Number(f.startBar));
  if (found('gas-valve-press', 'water') || found('pump-up-hold', 'bubbles-at-drain', 'would-not-rise'))
    named.push('vessel-diaphragm-failed');
  else if (found('vessel-valve-position', 'closed')) named.push('vessel-isolated');
  else if (found('vessel-connection-flow', 'blocked', 'restricted')) named.push('vessel-connection-blocked');
  else if (number('precharge', (f) => Number(f.valueBar)) < wantedCharge(c) - 0.2 || found('gas-valve-press', 'nothing'))
    named.push('vessel-undercharged');
  else if (number('precharge', (f) => Number(f.valueBar)) > wantedCharge(c) + 0.35) named.push('vessel-overcharged');
  if (found('gas-valve-bubbles', 'bubbles')) named.push('vessel-gas-valve-leaking');
  if (found('fill-outlet-drip', 'drips')) named.push('fill-loop-passing');
  if (found('listen-at-exchanger', 'hiss')) named.push('dhw-plate-perforated');
  if (rise('fill-disconnected-watch') > CREEPS || rise('fill-isolated-watch') > CREEPS) named.push(throughCylinder(c));
  if (rise('coil-isolated-watch') > CREEPS) named.push(fillFaults(c).passing);
  if (
    found('condensate-when-off', 'drips') ||
    number('boiler-isolated-hold', (f) => Number(f.boilerEndBar) - Number(f.boilerStartBar)) < -0.15
  )
    named.push('boiler-exchanger-leak');
  if (
    found('visible-leak', 'found') ||
    number('boiler-isolated-hold', (f) => Number(f.circuitEndBar ?? 0) - Number(f.circuitStartBar ?? 0)) < -0.15
  )
    named.push('circuit-leak');
  if (
    found('relief-reseat', 'still-drips') ||
    found('discharge-pipe', 'running') ||
    c.findings.some(
      (f) =>
        (f.test === 'discharge-pipe' && f.outcome === 'dripping' && f.water !== 'hot') ||
        (f.test === 'discharge-catch' && f.during === 'cold' && Number(f.volumeMl) > 5),
    )
  )
    named.push('relief-valve-passing');
  if (number('relief-marking', (f) => Number(f.markedBar)) < c.circuit.reliefValve.setBar - 0.2) named.push('relief-valve-lifts-early');
  if (
    Math.abs(number('second-gauge', (f) => Number(f.firstGaugeBar) - Number(f.valueBar))) > 0.22 ||
    number('gauge-at-zero', (f) => Number(f.valueBar)) > 0.25 ||
    found('low-pressure-stop', 'not-shown')
  )
    named.push('gauge-misreading');
  if (found('bleed-radiators', 'much-air')) named.push('air-in-circuit');
  // One way out, or in, is enough.
  return named.includes('relief-valve-passing')
    ? named.filter((f) => f !== 'boiler-exchanger-leak' || found('condensate-when-off', 'drips'))
    : named;
}

/** What the log says beside that, as far as no finding has said it. */
function namedByLog(c: RuleCase, read: Read, named: string[]): string[] {
  const has = (...faults: string[]) => faults.some((f) => named.includes(f));
  const fill = fillFaults(c),
    relief = c.circuit.reliefValve.setBar;
  const wayIn = (c.circuit.fill?.kind ?? 'manual-loop') === 'manual-loop' ? throughCylinder(c) : fill.passing,
    wayOut = 'circuit-leak';
  const knownIn = has('fill-loop-passing', 'dhw-plate-perforated', 'dhw-coil-perforated', 'reducing-valve-creeping'),
    knownOut = has('circuit-leak', 'boiler-exchanger-leak', 'relief-valve-passing');
  const set: string[] = [];
  const swing = read.peakBar - read.coldBar;
  if (read.creepBarPerH > 0.12 && !knownIn) set.push(wayIn);
  if (read.creepBarPerH < -0.12 && !knownOut) set.push(wayOut);
  if ((swing > 0.8 || read.peakBar > relief - 0.15) && !named.some((f) => f.startsWith('vessel-')) && !knownIn)
    set.push('vessel-undercharged');
  if (named.length + set.length > 0) return set;
  if (read.peakBar - read.lastBar > 0.15 && swing > 0.25 && read.hotReadings > 3 && read.peakBar < relief - 0.3 && read.heatStayedOn)
    return ['relief-valve-lifts-early'];
  if (read.cooled && read.lastBar < read.coldBar - 0.2) return [wayOut];
  if (read.cooled && read.lastBar > read.coldBar + 0.2) return [wayIn];
  const wanted = fill.holdsBar ?? wantedCharge(c) + 0.3;
  if (read.coldBar < wanted - 0.4) return [fill.low];
  if (read.coldBar > wanted + 0.55) return [fill.high];
  return read.hottestC > (c.circuit.maxFlowC ?? 80) + 8 ? ['boiler-overheating'] : [];
}

/** What a careful technician concludes without arithmetic: thresholds on swing, creep and level, then the findings. The judge has to beat it. */
export function ruleOfThumb(input: Record<string, unknown>): string[] {
  const c = input as unknown as RuleCase;
  const found = (test: string, ...outcomes: string[]) => c.findings.some((f) => f.test === test && outcomes.includes(f.outcome ?? ''));
  const log = c.logs[0]!;
  const { tS, pressureBar, flowC } = log.samples;
  const on = log.events.find((e) => e.kind === 'heat-on')?.tS ?? Infinity, off = log.events.find((e) => e.kind === 'heat-off')?.tS ?? Infinity;
  const points = tS.map((t, i) => ({ t, p: pressureBar[i] ?? NaN })).filter((x) => !Number.isNaN(x.p));
  const idle = points.filter((x) => x.t <= on), hot = points.filter((x) => x.t > on && x.t <= off + 120);
  const cold = (idle.at(-1) ?? points[0]!).p, peak = Math.max(cold, ...hot.map((x) => x.p)), last = points.at(-1)!.p;
  const swing = peak - cold, relief = c.circuit.reliefValve.setBar;
  const idleS = (idle.at(-1)?.t ?? 0) - (idle[0]?.t ?? 0);
  const creep = idleS > 600 ? (cold - idle[0]!.p) / (idleS / 3600) : 0;
  const fed = c.circuit.fill.kind === 'reducing-valve';
  const inflow = () => (found('fill-outlet-drip', 'drips') ? 'fill-loop-passing' : found('listen-at-exchanger', 'hiss') || !fed ? (c.circuit.domesticHotWater.kind === 'plate-exchanger' ? 'dhw-plate-perforated' : 'dhw-coil-perforated') : 'reducing-valve-creeping');
  const outflow = () => (found('condensate-when-off', 'drips') ? 'boiler-exchanger-leak' : found('discharge-pipe', 'dripping', 'running') ? 'relief-valve-passing' : 'circuit-leak');
  const vessel = () => (found('gas-valve-press', 'water') || found('pump-up-hold', 'bubbles-at-drain', 'would-not-rise') ? 'vessel-diaphragm-failed' : found('vessel-valve-position', 'closed') ? 'vessel-isolated' : found('vessel-connection-flow', 'blocked', 'restricted') ? 'vessel-connection-blocked' : 'vessel-undercharged');
  const set: string[] = [];
  if (creep > 0.12) set.push(inflow());
  else if (creep < -0.12) set.push(outflow());
  if (swing > 0.8 || peak > relief - 0.15) set.push(vessel());
  else if (peak - last > 0.15 && swing > 0.25 && hot.length > 3 && peak < relief - 0.3 && off === Infinity) set.push('relief-valve-lifts-early');
  const cooled = off < Infinity && flowC && (flowC.at(-1) ?? 99)! < (flowC[0] ?? 0)! + 8;
  if (set.length === 0 && cooled && last < cold - 0.2) set.push(outflow());
  if (set.length === 0 && cooled && last > cold + 0.2) set.push(inflow());
  if (set.length === 0 && found('discharge-pipe', 'dripping', 'running')) set.push('relief-valve-passing');
  if (set.length === 0 && found('visible-leak', 'found')) set.push('circuit-leak');
  if (set.length === 0 && found('bleed-radiators', 'much-air')) set.push('air-in-circuit');
  const two = c.findings.find((f) => f.test === 'second-gauge');
  if (two && Math.abs(two.firstGaugeBar! - two.valueBar!) > 0.22) set.push('gauge-misreading');
  if (found('gas-valve-bubbles', 'bubbles') && !set.includes('vessel-gas-valve-leaking')) set.push('vessel-gas-valve-leaking');
  const wanted = fed ? 0.97 : (c.circuit.vessel.labelPrechargeBar ?? 0.75) + 0.3;
  if (set.length === 0 && cold < wanted - 0.4) set.push(fed ? 'feed-starved' : 'fill-pressure-too-low');
  if (set.length === 0 && cold > wanted + 0.55) set.push(fed ? 'reducing-valve-set-high' : 'fill-pressure-too-high');
  if (set.length === 0 && flowC?.some((t) => t !== null && t > (c.circuit.maxFlowC ?? 80) + 8)) set.push('boiler-overheating');
  return set.length ? [...new Set(set)].sort() : ['none'];
}

interface RuleCase {
  circuit: { reliefValve: { setBar: number }; fill: { kind: string }; domesticHotWater: { kind: string }; vessel: { labelPrechargeBar?: number }; maxFlowC?: number };
  logs: { samples: { tS: number[]; pressureBar: (number | null)[]; flowC?: (number | null)[] }; events: { tS: number; kind: string }[] }[];
  findings: { test: string; outcome?: string; valueBar?: number; firstGaugeBar?: number }[];
}

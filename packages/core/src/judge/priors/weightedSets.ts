import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { complaintsTimes, type Complaint } from './complaints';
import { INFLOW, LITTLE_GAS } from '../faultGroups';
import { applicableFaults, faultRow, type FaultId } from '../faults';
import type { Finding } from '../Finding';
import { lookedForTimes } from './lookedFor';
import { asTheSheetSays } from './sheetPriors';
import { testRow } from '../tests';

export const REPLACEABLE_PARTS = [
  'vessel',
  'relief-valve',
  'reducing-valve',
  'fill-loop',
  'gauge',
  'pressure-sensor',
  'plate-exchanger',
  'coil',
  'pump',
  'valve-core',
] as const;
export type ReplaceablePart = (typeof REPLACEABLE_PARTS)[number];

/** A part just changed is rarely the fault, though not never: factor on its faults' weight. Common practice. */
const CHANGED: Record<ReplaceablePart, FaultId[]> = {
  vessel: ['vessel-undercharged', 'vessel-diaphragm-failed', 'vessel-gas-valve-leaking'],
  'relief-valve': ['relief-valve-passing', 'relief-valve-lifts-early'],
  'reducing-valve': ['reducing-valve-creeping', 'reducing-valve-set-high'],
  'fill-loop': ['fill-loop-passing'],
  gauge: ['gauge-misreading'],
  'pressure-sensor': ['gauge-misreading'],
  'plate-exchanger': ['dhw-plate-perforated'],
  coil: ['dhw-coil-perforated'],
  pump: ['pump-not-circulating'],
  'valve-core': ['vessel-gas-valve-leaking'],
};
const CHANGED_FACTOR = 0.25;
/** Whoever changed a part has filled the circuit since, and looked at the gauge: what is only filled wrongly was mostly put right then.
 *  Common practice. */
const FILLED_SINCE = 0.7;
const ONLY_FILLED_WRONGLY: ReadonlySet<FaultId> = new Set(['fill-pressure-too-high', 'fill-pressure-too-low']);
/** Valves are shut to change a pump, and one may stay so. Common practice. */
const LEFT_SHUT = 3;

/** Faults that come together more often than chance, since one brings the other about or hides it: any of the first with any of the second.
 *  Factor on the product of their shares. Common practice; "two at once is normal". */
export const COUPLED: readonly { one: FaultId[]; other: FaultId[]; factor: number; why: string }[] = [
  { one: ['vessel-undercharged'], other: ['vessel-gas-valve-leaking'], factor: 7, why: 'the gas went through the core' },
  { one: LITTLE_GAS, other: ['relief-valve-passing'], factor: 5.5, why: 'a relief that has lifted often passes' },
  { one: ['fill-bypass-open'], other: ['relief-valve-passing'], factor: 4, why: 'the relief runs at once, and somebody shuts the bypass' },
  { one: INFLOW, other: ['relief-valve-passing'], factor: 9, why: 'water let in lifts the relief night by night, which then passes' },
  {
    one: ['fill-pressure-too-high', 'reducing-valve-set-high'],
    other: ['relief-valve-passing'],
    factor: 6.7,
    why: 'a high start lifts the relief hot, which then passes',
  },
  {
    one: ['vessel-undercharged', 'vessel-diaphragm-failed'],
    other: INFLOW,
    factor: 1.4,
    why: 'a vessel that is full of water says nothing of the hole behind it',
  },
  {
    one: ['vessel-undercharged', 'vessel-diaphragm-failed'],
    other: ['circuit-leak', 'fill-pressure-too-high'],
    factor: 2.9,
    why: 'topped up, and topped up too far',
  },
  {
    one: ['circuit-leak', 'boiler-exchanger-leak', 'relief-valve-passing', 'air-vent-faulty'],
    other: ['feed-starved'],
    factor: 1,
    why: 'what leaks shows where nothing is fed',
  },
  {
    one: ['gauge-misreading'],
    other: ['vessel-undercharged', 'relief-valve-passing', 'fill-pressure-too-high'],
    factor: 4.2,
    why: 'filled and judged by a lying gauge',
  },
  { one: ['vessel-undercharged'], other: ['reducing-valve-set-high'], factor: 1, why: 'somebody turned the valve up where the gauge sank' },
  {
    one: ['fill-pressure-too-low', 'feed-starved'],
    other: ['air-in-circuit'],
    factor: 2,
    why: 'too little pressure lets air in at the top',
  },
  { one: ['circuit-leak'], other: ['air-in-circuit'], factor: 1, why: 'a circuit that lost water has not therefore air in it' },
  {
    one: ['air-in-circuit', 'fill-pressure-too-low', 'feed-starved'],
    other: ['air-locked-branch'],
    factor: 2,
    why: 'too little pressure lets the air stand in the highest branch',
  },
  {
    one: ['steam-return-leak', 'steam-boiler-section-leak', 'steam-feeder-passing'],
    other: ['steam-water-untreated', 'steam-boiler-section-leak'],
    factor: 4,
    why: 'fresh water thins the treatment and eats the iron',
  },
  {
    one: ['steam-dirty-water'],
    other: ['steam-gauge-glass-blocked', 'steam-pigtail-blocked', 'steam-drain-blocked', 'steam-low-water-cutoff-failed'],
    factor: 4,
    why: 'the same mud settles everywhere',
  },
  {
    one: ['steam-pigtail-blocked', 'steam-pressure-control-faulty'],
    other: ['steam-relief-passing'],
    factor: 2,
    why: 'a relief that has lifted often passes',
  },
];

/** Faults that cannot stand in one set, since one is the other's opposite or hides it wholly. */
const EXCLUSIVE: FaultId[][] = [
  [
    'vessel-undercharged',
    'vessel-diaphragm-failed',
    'vessel-connection-blocked',
    'vessel-isolated',
    'vessel-overcharged',
    'vessel-undersized',
  ],
  ['vessel-diaphragm-failed', 'vessel-gas-valve-leaking'],
  ['fill-pressure-too-low', 'fill-pressure-too-high'],
  ['steam-feeder-passing', 'steam-feeder-failed', 'steam-boiler-overfilled'],
  ['relief-valve-passing', 'relief-valve-lifts-early'],
  ['reducing-valve-creeping', 'reducing-valve-set-high', 'fill-bypass-open', 'feed-starved', 'pressurisation-unit-fault'],
];

export interface WeightedSet {
  faults: FaultId[];
  weight: number;
}

export interface PriorInput {
  circuit: CircuitSheet;
  complaint?: Complaint[];
  alreadyDone?: { part: ReplaceablePart }[];
  findings?: Pick<Finding, 'test' | 'count' | 'proposed'>[];
}

/** Fault sets worth judging with their prior shares, which sum to 1: each fault alone, and the pairs that can occur together. */
export function weightedSets(input: PriorInput): WeightedSet[] {
  const ids = applicableFaults(input.circuit);
  const weights = new Map(ids.map((id) => [id, singleWeight(id, input)]));
  // What the sheet alone says of a vessel that is too small makes it no likelier that something else is wrong beside it, but for what it
  // brings about.
  const beside = (id: FaultId) => Math.min(weights.get(id)!, id === 'vessel-undersized' ? faultRow(id).weight : Infinity);
  const total = ids.reduce((sum, id) => sum + beside(id), 0);
  const chosen = new Set(input.findings?.filter((f) => !f.proposed).map((f) => f.test)),
    lookedFor = lookedForTimes(chosen),
    told = (faults: FaultId[]) => complaintFactor(faults, input) * lookedFor(faults);
  const sets: WeightedSet[] = ids.map((id) => ({ faults: [id], weight: (weights.get(id)! / total) * told([id]) }));
  const several = ids.filter((id) => id !== 'none'),
    sought = soughtFor(input.findings?.length ?? 0);
  for (let i = 0; i < several.length; i++)
    for (let j = i + 1; j < several.length; j++) {
      const a = several[i]!,
        b = several[j]!;
      if (EXCLUSIVE.some((group) => group.includes(a) && group.includes(b))) continue;
      const coupled = COUPLED.find(({ one, other }) => (one.includes(a) && other.includes(b)) || (one.includes(b) && other.includes(a)));
      // What moves no water and what moves the pressure are two jobs, unless one brings the other about.
      if (!coupled && faultRow(a).plant !== faultRow(b).plant) continue;
      const share = (id: FaultId) => (coupled ? weights.get(id)! : beside(id)) / total;
      const together = (coupled?.factor ?? PAIR_FACTOR) * sought * share(a) * share(b);
      sets.push({ faults: [a, b].sort(), weight: together * told([a, b]) });
    }
  const sum = sets.reduce((s, x) => s + x.weight, 0);
  return sets.map((s) => ({ faults: s.faults, weight: s.weight / sum }));
}

/** Uncoupled pairs: rarer than chance, since one complaint seldom needs two causes. */
const PAIR_FACTOR = 0.15;

/** Who goes on testing mostly has found more than one cause explains; before anything was tested one cause is looked for first. Factor on
 *  every pair, by how many tests were made. Common practice; its size by the evaluation. */
const soughtFor = (testsMade: number): number => Math.min(1, UNTESTED + PER_TEST * testsMade);
const UNTESTED = 0.6,
  PER_TEST = 0.2;

/** What the complaint makes of a set; where there is none, that is a hint too. */
function complaintFactor(faults: FaultId[], { complaint = [], findings = [] }: PriorInput): number {
  if (complaint.length > 0) return complaintsTimes(faults, complaint);
  return faults[0] === 'none' &&
    !findings.some(({ test, count }) => test === 'top-ups-per-month' && count !== undefined && count >= OFTEN_TOPPED_UP)
    ? NO_COMPLAINT
    : 1;
}

/** A visit without any complaint is often a routine one, unless somebody says that he has to top it up all the time. Common practice. */
const NO_COMPLAINT = 1.85,
  OFTEN_TOPPED_UP = 3;

function singleWeight(id: FaultId, { circuit, complaint = [], alreadyDone = [], findings = [] }: PriorInput): number {
  let weight: number = faultRow(id).weight;
  for (const { part } of alreadyDone) if (CHANGED[part].includes(id)) weight *= CHANGED_FACTOR;
  if (alreadyDone.length > 0 && ONLY_FILLED_WRONGLY.has(id)) weight *= FILLED_SINCE;
  if (id === 'pump-valve-closed' && alreadyDone.some(({ part }) => part === 'pump')) weight *= LEFT_SHUT;
  // Circulation faults do not show on the pressure gauge: without such a complaint they are seldom what one is called for, unless somebody
  // saw reason to go and measure there.
  if (faultRow(id).plant === 'circulation' && !complaint.some((c) => ['no-heat', 'no-heat-zone', 'cold-room'].includes(c)))
    weight *= findings.some((f) => testRow(f.test).plant === 'circulation') ? 0.4 : 0.05;
  if (
    id === 'relief-valve-passing' &&
    findings.some((f) => f.test === 'boiler-isolated-hold') &&
    !findings.some((f) => LOOKED_AT_RELIEF.has(f.test))
  )
    weight *= DRIPS_UNSAID;
  return weight * asTheSheetSays(id, circuit);
}

/** Whoever isolates a boiler for hours has walked past its discharge pipe before, and would have said that it drips. Common practice. */
const LOOKED_AT_RELIEF: ReadonlySet<string> = new Set(['discharge-pipe', 'discharge-catch', 'relief-reseat']),
  DRIPS_UNSAID = 0.45;

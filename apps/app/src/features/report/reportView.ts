import { standingFacts, type JobParts } from '@jumper/contract';
import {
  COMPLAINT_ROWS,
  coldPressureOf,
  cycleFeatures,
  FAULT_FOR_CUSTOMER,
  isAutomaticFeed,
  lowerFirst,
  PART_KINDS,
  positionRow,
  REPAIR_FOR_CUSTOMER,
  resolveCircuit,
  rightCold,
  type Case,
  type Diagnosis,
  type FaultId,
  type Judgement,
  type PartFitted,
  type PositionId,
  type PressureLog,
  type Repair,
} from '@jumper/core';
import { faultStands, leadOf } from '../bench/suspects';
import { proofView, type ProofView } from '../proof/proofView';
import { positionsSaid, workState } from '../work/workState';
import { longDay } from '../units/dates';
import { unbroken } from '../units/words';
import { checkTitle, dayText, putBackText } from '../work/workWords';
import { quantityText } from '../units/quantity';
import { pressureText, temperatureText, type Units } from '../units/units';

export interface ReportRow {
  label: string;
  found: string;
  left: string | null;
}

/** What the customer keeps: his words, no percentages, nothing that only a technician can use. */
export interface ReportView {
  title: string;
  site: string;
  date: string;
  complaint: string;
  /** What was wrong; empty while nothing was measured. */
  wrong: string[];
  /** What it read when we came, and what it reads now. */
  rows: ReportRow[];
  work: string[];
  parts: string[];
  /** Whether the work was seen to help; null without work. */
  outcome: { kind: ProofView['kind']; text: string } | null;
  /** Temporary measures, settings that were changed, defects that stay, advice with its answer. */
  stays: string[];
  /** What stands away from where it belongs. */
  open: string[];
  notes: string[];
  watch: string[];
  checks: string[];
  nextCheck: string;
}

/** The report as it stands. @param phone the firm's number, said where the customer is asked to call */
export function reportView(parts: JobParts, file: Case, diagnosis: Diagnosis | null, units: Units, phone = ''): ReportView {
  const facts = standingFacts(parts.facts),
    state = workState(parts),
    logs = file.logs ?? [];
  const found = logs.find((l) => l.epoch !== 'after-work') ?? null,
    left = logs.findLast((l) => l.epoch === 'after-work') ?? null;
  const lastMs = Math.max(Date.parse(parts.job.openedAt), ...facts.map((f) => Date.parse(f.body.at)));
  const proof = proofView(parts, file, diagnosis, units);
  const worked = facts.flatMap((f) => (f.body.kind === 'repair' ? [f.body.repair as Repair] : []));
  return {
    title: 'Report of our visit to your heating',
    site: [parts.sheet.site, parts.sheet.town].filter(Boolean).join(', '),
    date: longDay(lastMs),
    complaint: parts.job.complaint.length
      ? parts.job.complaint.map((c) => COMPLAINT_ROWS[c].title).join('; ')
      : 'Service visit, no complaint',
    wrong: wrongText(diagnosis, proof?.kind === 'pass'),
    rows: readings(file, diagnosis, found, left, units),
    work: worked.map((r) => workText(r, units)),
    parts: state.parts.map(({ part }) => partText(part, units)),
    outcome: proof ? { kind: proof.kind, text: OUTCOMES[proof.kind] } : null,
    stays: [
      ...staysAway(parts),
      ...state.said.map(({ body: b }) => {
        const word = b.word ? ` You said: “${b.word}”.` : '';
        return b.what === 'advice'
          ? `We advised: ${b.text} (${ANSWERS[b.answer]}).${word}`
          : `A defect that stays: ${b.text} (${ANSWERS[b.answer]}).${word}`;
      }),
    ],
    open: state.open.map(putBackText),
    notes: facts.flatMap(({ body }) => (body.kind === 'event' && body.event === 'note' && body.text ? [body.text] : [])),
    watch: watchFor(file, diagnosis ? (leadOf(diagnosis)?.faults ?? []) : [], proof?.kind ?? null, units, phone),
    checks: state.checks.filter((c) => !c.body.done).map(({ body: b }) => `${checkTitle(b.check)}: ${dayText(b.due)}`),
    nextCheck:
      proof && proof.kind !== 'pass'
        ? 'As soon as the work is finished'
        : !proof && diagnosis && faultStands(diagnosis)
          ? 'As soon as the fault is put right'
          : `${longDay(lastMs + 365 * 86_400_000)}: air of the expansion vessel, and the cold pressure`,
  };
}

const OUTCOMES: Record<ProofView['kind'], string> = {
  pass: 'Put right: we checked it after the work.',
  fail: 'Not put right yet: we have to come back.',
  unclear: 'The work is done. It has not been seen to hold yet.',
};
const ANSWERS = { accepted: 'accepted', declined: 'declined', 'left-in-service': 'left in service', 'made-safe': 'made safe' } as const;

function readings(file: Case, diagnosis: Diagnosis | null, found: PressureLog | null, left: PressureLog | null, units: Units): ReportRow[] {
  const circuit = resolveCircuit(file.circuit),
    bar = (x: number | null | undefined) => (x == null ? null : pressureText(x, units.pressure));
  const charge = file.findings?.findLast((f) => f.test === 'precharge' && f.epoch !== 'after-work')?.valueBar as number | undefined;
  const setTo = file.repairs?.findLast((r) => r.toBar !== undefined)?.toBar;
  const foundHot = hotOf(found);
  return [
    row('Pressure, cold', bar(coldOf(found)), bar(coldOf(left))),
    row('Pressure, hot', hotText(foundHot, units), hotText(hotOf(left), units)),
    // What was read hot is held against what is right there; with nothing read hot, against the boiler's limit.
    row(
      typeof foundHot?.celsius === 'number' ? 'Normal at that temperature' : 'Normal for this system, hot',
      rightText(diagnosis?.expected, units),
      left ? rightText(diagnosis?.now?.expected, units) : null,
    ),
    ...(charge !== undefined || setTo !== undefined ? [row('Air of the expansion vessel', bar(charge), bar(setTo))] : []),
    ...(file.circuit.kind === 'steam' ? [] : [{ label: 'Safety valve opens at', found: bar(circuit.reliefSetGaugeBar)!, left: null }]),
  ];
}

const row = (label: string, found: string | null, left: string | null): ReportRow => ({ label, found: found ?? '–', left });
const coldOf = (log: PressureLog | null) => (log ? coldPressureOf(log) : null);
interface Hot {
  bar: number;
  celsius: number | null;
}
function hotOf(log: PressureLog | null): Hot | null {
  const f = log ? cycleFeatures(log) : null;
  return !f || f.hotBar === null || !log?.events?.some((e) => e.kind === 'heat-on') ? null : { bar: f.hotBar, celsius: f.hotC };
}
const hotText = (hot: Hot | null, units: Units): string | null =>
  hot &&
  `${pressureText(hot.bar, units.pressure)}${hot.celsius !== null ? ` at ${unbroken(temperatureText(hot.celsius, units.temperature))}` : ''}`;
const rightText = (expected: Judgement['expected'] | undefined, units: Units): string | null =>
  expected ? `${pressureText(expected.lowBar, units.pressure)} to ${pressureText(expected.highBar, units.pressure)}` : null;

/** No more certainty than there was: a cause is named as such only when enough was known. */
function wrongText(d: Diagnosis | null, borneOut: boolean): string[] {
  const lead = d ? leadOf(d) : undefined;
  if (!d || !lead) return [];
  if (lead.faults[0] === 'none')
    return [lead.probability >= 0.5 ? FAULT_FOR_CUSTOMER.none : 'No cause could be told yet. More has to be measured.'];
  const said = lead.faults.map((f: FaultId) => FAULT_FOR_CUSTOMER[f]);
  return borneOut || lead.probability >= 0.8 || d.enoughKnown ? said : [`Most likely, and not proved yet: ${lowerFirst(said.join(' '))}`];
}

function workText(repair: Repair, units: Units): string {
  const what = repair.kind === 'other' ? (repair.text ?? 'Other work') : REPAIR_FOR_CUSTOMER[repair.kind];
  return `${what}${repair.toBar !== undefined ? `, set to ${pressureText(repair.toBar, units.pressure)}` : ''}`;
}

const partText = (p: PartFitted, units: Units): string =>
  [
    p.what ?? PART_KINDS[p.kind],
    p.make,
    p.setBar !== undefined ? pressureText(p.setBar, units.pressure) : null,
    p.volumeL !== undefined ? quantityText(p.volumeL, 'volume', units) : null,
    p.serial ? `no. ${p.serial}` : null,
  ]
    .filter(Boolean)
    .join(', ');

/** What was left otherwise than it was found, on purpose: as the last word about each says. */
function staysAway(parts: JobParts): string[] {
  const last = new Map<PositionId, string>();
  for (const p of positionsSaid(parts)) last.set(p.position, p.state);
  return [...last].flatMap(([position, state]) => {
    const { title, away } = positionRow(position);
    return state === 'left' ? [`${TEMPORARY.has(position) ? 'For the time being' : 'Left so'}: ${lowerFirst(title)}, ${away}.`] : [];
  });
}
const TEMPORARY: ReadonlySet<PositionId> = new Set<PositionId>(['air-cushion', 'flow-temperature', 'coil-valves']);

function watchFor(file: Case, faults: readonly FaultId[], proof: ProofView['kind'] | null, units: Units, phone: string): string[] {
  const circuit = resolveCircuit(file.circuit),
    { lowGaugeBar, highGaugeBar } = rightCold(circuit),
    bar = (x: number) => pressureText(x, units.pressure),
    call = phone ? `call us on ${phone}` : 'call us';
  // A hole between heating and drinking water lets treated water to the taps when the mains pressure is low.
  const taps = faults.some((f) => f === 'dhw-plate-perforated' || f === 'dhw-coil-perforated')
    ? ['Heating water may have come to the hot taps. Do not drink from them; run each until it is clear once it is repaired.']
    : [];
  const unproved =
    proof === 'fail' || proof === 'unclear' ? ['The work has not been proved yet. Keep an eye on the gauge until we have been back.'] : [];
  if (file.circuit.kind === 'steam')
    return [`If no water shows in the glass, switch the boiler off and ${call}. Let no water in yourself.`, ...unproved];
  return [
    `With the heating cold the gauge should stand between ${bar(lowGaugeBar)} and ${bar(highGaugeBar)}. Look once a month.`,
    `Hot it stands higher, but should stay clear of ${bar(circuit.reliefSetGaugeBar)}. If water comes from the pipe of the safety valve, ${call}.`,
    ...(isAutomaticFeed(file.circuit) ? [] : [`If it has to be topped up more than twice a year, water is lost somewhere: ${call}.`]),
    ...taps,
    ...unproved,
  ];
}

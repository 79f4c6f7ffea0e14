import { standingFacts, type JobParts } from '@jumper/contract';
import {
  COMPLAINT_ROWS,
  coldPressureOf,
  cycleFeatures,
  faultRow,
  lowerFirst,
  PART_KINDS,
  resolveCircuit,
  type Case,
  type Diagnosis,
  type FaultId,
  type Finding,
  type PressureLog,
  type ResolvedCircuit,
} from '@jumper/core';
import { findingText } from '../bench/findingText';
import { repairTitle } from '../bench/recordRows';
import { faultStands, leadOf, shareText } from '../bench/suspects';
import { proofView, type ProofView } from '../proof/proofView';
import { workState } from '../work/workState';
import { longDay } from '../units/dates';
import { plain, unbroken } from '../units/words';
import { checkTitle, dayText, putBackText } from '../work/workWords';
import { quantityText } from '../units/quantity';
import { pressureText, temperatureText, type Units } from '../units/units';

export interface ReportRow {
  label: string;
  found: string;
  left: string | null;
}

/** What the customer keeps, in plain words. */
export interface ReportView {
  title: string;
  site: string;
  date: string;
  complaint: string;
  rows: ReportRow[];
  tests: string[];
  cause: string | null;
  work: string[];
  proof: ProofView | null;
  advice: string[];
  nextCheck: string;
  parts: string[];
  /** Advice and defects with what the customer said to them. */
  said: string[];
  /** What stands away from where it belongs. */
  open: string[];
  checks: string[];
}

export function reportView(parts: JobParts, file: Case, diagnosis: Diagnosis | null, units: Units): ReportView {
  const facts = standingFacts(parts.facts),
    state = workState(parts);
  const circuit = resolveCircuit(file.circuit);
  const logs = file.logs ?? [];
  const found = logs.find((l) => l.epoch !== 'after-work') ?? null,
    left = logs.findLast((l) => l.epoch === 'after-work') ?? null;
  const lastMs = Math.max(Date.parse(parts.job.openedAt), ...facts.map((f) => Date.parse(f.body.at)));
  const bar = (x: number | null | undefined) => (x == null ? null : pressureText(x, units.pressure));
  const proof = proofView(parts, file, diagnosis, units);
  const charge = file.findings?.findLast((f) => f.test === 'precharge' && f.epoch !== 'after-work')?.valueBar as number | undefined;
  const setTo = file.repairs?.findLast((r) => r.toBar !== undefined)?.toBar;
  const foundHot = hotOf(found);
  const rows: ReportRow[] = [
    row('Pressure, cold', bar(coldOf(found)), bar(coldOf(left))),
    row('Pressure, hot', hotText(foundHot, units), hotText(hotOf(left), units)),
    ...(charge !== undefined || setTo !== undefined ? [row('Charge of the vessel', bar(charge), bar(setTo))] : []),
    { label: 'Relief valve opens at', found: pressureText(circuit.reliefSetGaugeBar, units.pressure), left: null },
    // What was read hot is held against what is right there; with nothing read hot, against the boiler's limit.
    row(
      typeof foundHot?.celsius === 'number' ? 'Right at that temperature' : 'Right when hot, for this circuit',
      bar(diagnosis?.expected?.hotBar),
      left ? bar(diagnosis?.now?.expected?.hotBar) : null,
    ),
  ];
  return {
    title: 'Heating circuit: report of the visit',
    site: [parts.sheet.site, parts.sheet.town].filter(Boolean).join(', '),
    date: longDay(lastMs),
    complaint: parts.job.complaint.length
      ? parts.job.complaint.map((c) => COMPLAINT_ROWS[c].title).join('; ')
      : 'Service visit, no complaint',
    rows,
    tests: (file.findings ?? []).map((f) => `${findingText(f as Finding, units)}${f.epoch === 'after-work' ? ' (after the work)' : ''}`),
    cause: causeText(diagnosis, proof?.kind === 'pass'),
    work: facts.flatMap((f) =>
      f.body.kind === 'repair'
        ? [
            `${repairTitle(f.body.repair)}${f.body.repair.toBar !== undefined ? `, set to ${pressureText(f.body.repair.toBar, units.pressure)}` : ''}`,
          ]
        : [],
    ),
    proof,
    advice: advice(circuit, (diagnosis && leadOf(diagnosis)?.faults) ?? [], proof?.kind ?? null, units),
    parts: state.parts.map(({ part: p }) =>
      [
        PART_KINDS[p.kind],
        p.make,
        p.setBar !== undefined ? `opens at or holds ${pressureText(p.setBar, units.pressure)}` : null,
        p.volumeL !== undefined ? quantityText(p.volumeL, 'volume', units) : null,
        p.chargeBar !== undefined ? `charged to ${pressureText(p.chargeBar, units.pressure)}` : null,
        p.serial ? `no. ${p.serial}` : null,
      ]
        .filter(Boolean)
        .join(', '),
    ),
    said: state.said.map(
      ({ body: b }) =>
        `${b.what === 'advice' ? 'We advised' : 'A defect'}: ${b.text} (${plain(b.answer)}${b.word ? `; in your words: “${b.word}”` : ''})`,
    ),
    open: state.open.map(putBackText),
    checks: state.checks.filter((c) => !c.body.done).map(({ body: b }) => `${checkTitle(b.check)}: ${dayText(b.due)}`),
    nextCheck:
      proof && proof.kind !== 'pass'
        ? 'As soon as the work is finished'
        : !proof && diagnosis && faultStands(diagnosis)
          ? 'As soon as the fault is put right'
          : `${longDay(lastMs + 365 * 86_400_000)}, the vessel’s charge and the cold pressure`,
  };
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

/** No more certainty than there was: a cause is named as such only when enough was known. */
function causeText(d: Diagnosis | null, borneOut: boolean): string | null {
  const lead = d ? leadOf(d) : undefined;
  if (!d || !lead) return null;
  if (lead.faults[0] === 'none')
    return lead.probability >= 0.5 ? `Nothing wrong was found (${shareText(lead.probability)}).` : 'No cause could be told yet.';
  const name = lead.faults.map((f: FaultId, i) => (i ? faultRow(f).title.toLowerCase() : faultRow(f).title)).join(', and ');
  if (borneOut) return `${name} (${shareText(lead.probability)}); what was measured after the work bears it out.`;
  return lead.probability >= 0.8 || d.enoughKnown
    ? `${name} (${shareText(lead.probability)}).`
    : `Most likely: ${lowerFirst(name)} (${shareText(lead.probability)}); not proved.`;
}

function advice(
  { fillGaugeBar: fillBar, staticGaugeBar: staticBar, reliefSetGaugeBar: reliefBar, fedByItself }: ResolvedCircuit,
  faults: readonly FaultId[],
  proof: ProofView['kind'] | null,
  units: Units,
): string[] {
  const bar = (x: number) => pressureText(Math.round(x * 10) / 10, units.pressure);
  return [
    `Cold, the gauge should stand between ${bar(Math.max(staticBar + 0.3, fillBar - 0.3))} and ${bar(fillBar + 0.3)}. Note it once a month.`,
    `When it is hot it may rise, but not near ${bar(reliefBar)}. Water from the pipe outside is not ordinary: call us.`,
    ...(fedByItself
      ? []
      : ['Topping up more than once or twice a year means that water is lost somewhere: call us rather than fill again.']),
    // A hole between heating and drinking water lets treated water to the taps when the mains pressure is low.
    ...(faults.some((f) => f === 'dhw-plate-perforated' || f === 'dhw-coil-perforated')
      ? ['Heating water may have come to the hot taps. Do not drink from them; run each until it is clear once it is repaired.']
      : []),
    ...(proof === 'fail' || proof === 'unclear'
      ? ['The work has not been proved yet. Keep an eye on the gauge until we have been back.']
      : []),
  ];
}

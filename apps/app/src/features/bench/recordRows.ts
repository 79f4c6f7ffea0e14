import { standingFacts, type FactRecord } from '@jumper/contract';
import {
  CHECKS,
  lowerFirst,
  positionRow,
  runSheet,
  testRow,
  type CircuitSheet,
  type Finding,
  type PartFitted,
  type Repair,
  type RepairKind,
} from '@jumper/core';
import { quantityText } from '../units/quantity';
import { saidText } from '../units/saidText';
import { pressureText, temperatureText, type Units } from '../units/units';
import { plain } from '../units/words';
import { askedText } from '../work/asked';
import { partLine } from '../work/workWords';
import { EVENT_TITLES } from './eventTitles';
import { findingText } from './findingText';
import { clockText, weekdayAndDay } from '../units/dates';

export const REPAIR_TITLES: Record<RepairKind, string> = {
  'vessel-recharged': 'Vessel recharged',
  'vessel-changed': 'Vessel changed',
  'core-changed': 'Valve core changed',
  'relief-changed': 'Relief changed',
  'feed-changed': 'Feed or fill valve changed',
  'plate-changed': 'Plate exchanger changed',
  'coil-changed': 'Coil changed',
  'connection-cleared': 'Connection cleared',
  'gauge-changed': 'Gauge changed',
  'leak-mended': 'Leak mended',
  other: 'Something else',
};

/** What was done, in the technician's words where it is none of the kinds. */
export const repairTitle = ({ kind, text }: Pick<Repair, 'kind' | 'text'>): string =>
  kind === 'other' && text ? text : REPAIR_TITLES[kind];

/** `day` stands on the first row of each day but today: newest first. */
export interface RecordRow {
  day: string | null;
  id: string;
  fact: FactRecord;
  time: string;
  text: string;
  corrected: string | null;
}

/** What stands in the record, newest first, each with what it corrected. */
export function recordRows(facts: FactRecord[], units: Units, circuit: CircuitSheet, nowMs = Date.now()): RecordRow[] {
  const byId = new Map(facts.map((f) => [f.id, f]));
  let day = dayOf(new Date(nowMs).toISOString());
  return standingFacts(facts)
    .reverse()
    .flatMap((fact) => {
      const text = factText(fact, units, circuit);
      if (!text) return [];
      const before = fact.correctsId ? byId.get(fact.correctsId) : undefined;
      const its = dayOf(fact.body.at),
        turns = its !== day;
      day = its;
      return [
        {
          day: turns ? its : null,
          id: fact.id,
          fact,
          time: clockText(fact.body.at),
          text,
          corrected: before ? wasBefore(before, fact, text, units, circuit) : null,
        },
      ];
    });
}

/** What a correction replaced: what it said and when, as far as that was otherwise. */
function wasBefore(before: FactRecord, now: FactRecord, nowText: string, units: Units, circuit: CircuitSheet): string {
  const text = factText(before, units, circuit),
    moved = before.body.at.slice(0, 16) !== now.body.at.slice(0, 16);
  return [text === nowText && moved ? null : text, moved ? `at ${clockText(before.body.at)}` : null].filter(Boolean).join(' ');
}

const dayOf = weekdayAndDay;

function factText({ body }: FactRecord, units: Units, circuit: CircuitSheet): string | null {
  switch (body.kind) {
    case 'reading':
      return [
        body.pressureBar === null ? null : pressureText(body.pressureBar, units.pressure),
        body.flowC === undefined ? null : `flow ${temperatureText(body.flowC, units.temperature)}`,
        body.returnC === undefined ? null : `return ${temperatureText(body.returnC, units.temperature)}`,
      ]
        .filter(Boolean)
        .join(', ');
    case 'event':
      return [
        `${EVENT_TITLES[body.event]}${body.volumeL === undefined ? '' : ` ${quantityText(body.volumeL, 'small-volume', units)}`}`,
        body.text,
      ]
        .filter(Boolean)
        .join(': ');
    case 'finding':
      return findingText(body.finding as unknown as Finding, units);
    case 'repair':
      return `${repairTitle(body.repair)}${body.repair.toBar !== undefined ? ` to ${pressureText(body.repair.toBar, units.pressure)}` : ''}`;
    case 'log':
      return `Recorded log, ${body.log.samples.tS.length} readings`;
    case 'position': {
      const row = positionRow(body.position);
      return `${row.title}: ${body.state === 'away' ? row.away : body.state === 'back' ? row.back : 'stays as it is'}${body.found ? `, was ${body.found}` : ''}`;
    }
    case 'step': {
      const step = runSheet(body.sheet, circuit).steps.find((s) => s.id === body.step);
      return body.did === 'skipped'
        ? `Left out: ${step ? saidText(step.text, units) : body.step}${body.reason ? ` (${body.reason})` : ''}`
        : body.value === undefined || !step
          ? null
          : `${saidText(step.text, units)}: ${askedText(step.asks, body.value, units)}`;
    }
    case 'part':
      return `Fitted: ${lowerFirst(partLine(body.part as PartFitted))}`;
    case 'said':
      return `${body.what === 'advice' ? 'Advice' : 'Defect'}, ${plain(body.answer)}: ${body.text}`;
    case 'skip':
      return `Not done: ${testRow(body.test as Finding['test']).title.toLowerCase()} (${body.reason})`;
    case 'check':
      return body.done ? null : `To look at again by ${body.due}: ${CHECKS[body.check].toLowerCase()}`;
    default:
      return null;
  }
}

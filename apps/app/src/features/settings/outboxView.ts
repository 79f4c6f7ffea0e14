import type { OutboxEntry } from '../../offline/database';
import type { FactRecord } from '@jumper/contract';
import { clockText, shortDay } from '../units/dates';

export interface OutboxView {
  waiting: number;
  refused: { key: string; title: string; reasons: string[] }[];
}

const KINDS = { circuit: 'A circuit', sheet: 'A circuit’s sheet', job: 'A job', fact: 'An entry', photo: 'A photo' } as const;
const FACTS: Record<FactRecord['body']['kind'], string> = {
  reading: 'A reading',
  event: 'An event',
  finding: 'A finding',
  repair: 'Work done',
  log: 'A recorded log',
  retraction: 'Something taken back',
  status: 'A job’s state',
  position: 'Something turned or put back',
  step: 'A step of a run sheet',
  part: 'A part fitted',
  said: 'Advice or a defect',
  check: 'Something to look at again',
  skip: 'A test left out',
  school: 'A way of working',
  photo: 'What a photo shows',
};
const CODES: Record<string, string> = {
  'parent-missing': 'What it belongs to is not on the server.',
  'record-differs': 'The server has another record under the same id.',
  'too-large': 'It is too large for the server.',
};

export function outboxView(entries: OutboxEntry[]): OutboxView {
  const refused = entries.filter((e) => e.refused);
  return {
    waiting: entries.length - refused.length,
    refused: refused.map((e) => {
      const fact = e.kind === 'fact' ? (e.record as FactRecord) : null;
      const when = fact ? fact.body.at : (e.record as { recordedAt?: string }).recordedAt;
      const title = fact ? FACTS[fact.body.kind] : KINDS[e.kind];
      return {
        key: String(e.seq),
        title: `${title}${when ? ` of ${shortDay(when)}, ${clockText(when)}` : ''} was not accepted`,
        reasons: e.refused!.problems.length
          ? e.refused!.problems.map((p) => `${p.field}: ${p.message}`)
          : [CODES[e.refused!.code] ?? `The server said “${e.refused!.code}”.`],
      };
    }),
  };
}

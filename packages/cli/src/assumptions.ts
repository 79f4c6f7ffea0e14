import {
  COMPLAINT_ROWS,
  COMPLAINTS,
  COUPLED,
  faultRow,
  FAULT_IDS,
  OUTCOME_TABLES,
  testRow,
  type FaultId,
  type OutcomeTable,
  type TestId,
} from '@jumper/core';

/** What the judge assumes before and beside all physics, as a page that a technician can read and argue with. Made from the tables that it
 *  judges by, so that it says nothing else. */
export const assumptionsPage = (): string =>
  [
    '# What the judge assumes',
    'Made from the tables that it judges by (`npm run publish-schema` writes it anew). All of it is common practice, reviewed by reading; none of it is measured. What is a number (draw-off, watches, precharge, logs) goes by physics and stands in no table.',
    '## How often, before anything is known',
    'Weights among complaints of one kind of plant, and from what size a fault counts. Sheet, age and parts that were changed lately shift them.',
    table(
      ['fault', 'weight', 'counts from'],
      FAULT_IDS.map((id) => [title(id), String(faultRow(id).weight), faultRow(id).counts]),
    ),
    '## What a complaint makes of it',
    'How many times likelier, against a fault of which the complaint says nothing; the edge is taken off that, since complaints are told roughly.',
    table(
      ['complaint', 'times', 'faults'],
      COMPLAINTS.flatMap((c) =>
        COMPLAINT_ROWS[c].favours.map(([faults, times]) => [COMPLAINT_ROWS[c].title, String(times), titles(faults)]),
      ),
    ),
    '## What comes together',
    'How many times oftener than by chance.',
    table(
      ['one', 'with', 'times', 'why'],
      COUPLED.map((c) => [titles(c.one), titles(c.other), String(c.factor), c.why]),
    ),
    '## What a test shows',
    'Of a hundred such tests. The first row of each is where nothing is wrong that the test speaks of.',
    ...(Object.keys(OUTCOME_TABLES) as TestId[]).flatMap((test) => [`### ${testRow(test).title}`, outcomes(OUTCOME_TABLES[test]!)]),
  ].join('\n\n') + '\n';

function outcomes({ base, rows }: OutcomeTable): string {
  const names = Object.keys(base),
    shares = (of: Record<string, number>) => names.map((n) => String(Math.round(1000 * of[n]!) / 10));
  return table(
    ['where', ...names.map((n) => n.replaceAll('-', ' ')), 'why'],
    [['none of these', ...shares(base), ''], ...rows.map((r) => [titles(r.faults), ...shares(r.shares), r.why])],
  );
}

const title = (id: FaultId): string => faultRow(id).title,
  titles = (ids: readonly FaultId[]): string => ids.map(title).join('; ');
const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
const table = (head: readonly string[], rows: readonly string[][]): string =>
  [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');

import { caseFile, caseToRecords, jobToCase } from '@jumper/contract';
import { diagnose, FAULT_FOR_CUSTOMER, simulateCase, type CircuitSheet } from '@jumper/core';
import { proofView } from '../proof/proofView';
import { METRIC } from '../units/units';
import { badLinesText, readText, spanText } from '../logTable/importView';
import { outboxView } from '../settings/outboxView';
import { reportView } from './reportView';

jest.mock('../../workers/judgeClient', () => ({}));

const CIRCUIT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  maxFlowC: 70,
  gauge: { resolutionBar: 0.1 },
};
let n = 0;
const newId = () => `0191a000-0000-7000-8000-${String(++n).padStart(12, '0')}`;
const run = (prechargeGaugeBar: number) =>
  simulateCase({
    circuit: CIRCUIT,
    faults: [{ id: 'vessel-undercharged', severity: 0.5, parameters: { prechargeGaugeBar, startGaugeBar: 1 } }],
    schedule: { startC: 17, durationS: 1200, stepS: 120, heat: [{ onS: 60, offS: 9999 }] },
  }).log;

function job(work: 'none' | 'no run' | 'good run' | 'bad run') {
  const hand = (log: ReturnType<typeof run>, startedAt: string) => ({
    ...log,
    source: 'hand' as const,
    startedAt,
    events: log.events!.filter((e) => e.kind === 'heat-on'),
  });
  const after =
    work === 'good run' ? [hand(run(0.75), '2026-03-04T11:00:00Z')] : work === 'bad run' ? [hand(run(-0.1), '2026-03-04T11:00:00Z')] : [];
  const file = caseFile.parse({
    format: 'jumper-case',
    version: 1,
    id: 'x',
    title: '7 Quarry Steps',
    complaint: ['topped-up-often'],
    circuit: CIRCUIT,
    logs: [hand(run(-0.15), '2026-03-04T09:00:00Z'), ...after],
    findings: [{ test: 'precharge', valueBar: 0, circuitBar: 0, drainOpen: true }],
    ...(work === 'none' ? {} : { repairs: [{ kind: 'vessel-recharged', at: '2026-03-04T10:30:00Z', toBar: 0.75 }] }),
  });
  const parts = caseToRecords(file, { newId, now: '2026-03-04T12:00:00Z' });
  const made = jobToCase(parts);
  return { parts, made, diagnosis: diagnose(made) };
}
const report = (work: Parameters<typeof job>[0]) => {
  const { parts, made, diagnosis } = job(work);
  return reportView(parts, made, diagnosis, METRIC);
};

it('a job put right: found and left side by side, the work, the proof, the next check a year on', () => {
  const view = report('good run');
  expect(view).toMatchObject({
    site: '7 Quarry Steps',
    complaint: 'Topped up often',
    work: ['Expansion vessel filled with air again, set to 0.75 bar'],
  });
  expect(view.outcome).toEqual({ kind: 'pass', text: 'Put right: we checked it after the work.' });
  expect(view.rows[0]).toEqual({ label: 'Pressure, cold', found: '1.0 bar', left: '1.0 bar' });
  expect(view.rows).toContainEqual({ label: 'Air of the expansion vessel', found: '0.0 bar', left: '0.75 bar' });
  // What is right when hot hangs on what it was filled to: both runs have their own.
  const right = view.rows.find((r) => r.label === 'Normal at that temperature')!;
  expect([right.found, right.left].map((x) => Math.abs(parseFloat(x!) - 1.3) < 0.25 && / to \d/.test(x!))).toEqual([true, true]);
  expect(view.wrong).toEqual([FAULT_FOR_CUSTOMER['vessel-undercharged']]);
  expect(view.nextCheck).toBe('4 March 2027: air of the expansion vessel, and the cold pressure');
});

it('work that is not proved says so to the customer too', () => {
  expect(report('bad run').outcome).toMatchObject({ kind: 'fail' });
  const open = report('no run');
  expect(open.outcome).toMatchObject({ kind: 'unclear' });
  expect(open.watch.at(-1)).toMatch(/has not been proved/);
  expect(open.nextCheck).not.toMatch(/2027/);
});

it('without work there is no proof, and nothing is said to be left', () => {
  const { parts, made, diagnosis } = job('none');
  expect(proofView(parts, made, diagnosis, METRIC)).toBeNull();
  const view = reportView(parts, made, diagnosis, METRIC);
  expect(view.rows.every((r) => r.left === null)).toBe(true);
  expect(reportView({ ...parts, facts: [] }, { ...made, logs: [], findings: [] }, null, METRIC)).toMatchObject({
    wrong: [],
    rows: [{ found: '–' }, { found: '–' }, {}, {}],
  });
});

it('has no percentages, no work for a technician and no rounding of its own; says whom to call', () => {
  const { parts, made, diagnosis } = job('good run');
  const psi = { ...METRIC, pressure: 'psi' as const },
    view = reportView(parts, { ...made, circuit: { ...CIRCUIT, reliefValve: { setBar: 30 / 14.5038 } } }, diagnosis, psi, '555 0100');
  const all = JSON.stringify(view);
  expect(all).toContain('30.0 psi');
  expect(all).toContain('call us on 555 0100');
  expect(all).not.toMatch(/%|Log a|heat run|undefined|30\.5/);
  const fed = reportView(parts, { ...made, circuit: { ...CIRCUIT, fill: { kind: 'reducing-valve', valve: 'shut' } } }, diagnosis, METRIC);
  expect([view, fed].map((v) => /topped up/.test(v.watch.join(' ')))).toEqual([true, false]);
});

it('says of a table what is in it, and which lines are not', () => {
  const read = { log: { samples: { tS: [0, 7500], pressureBar: [1, 2.4] } }, bad: [], read: 2 };
  expect(readText(read, METRIC)).toBe('2 readings over 2 h 5 min, 1.0 bar to 2.4 bar.');
  expect([spanText(40), spanText(600), spanText(200_000)]).toEqual(['40 s', '10 min', '2.3 days']);
  expect(badLinesText([])).toBeNull();
  const many = badLinesText(Array.from({ length: 20 }, (_, i) => ({ line: i + 2, reason: 'time: runs back' })))!;
  expect([many.title, many.lines.length, many.lines.at(-1)]).toEqual([
    '20 lines could not be read and would be left out',
    13,
    'and 8 more',
  ]);
});

it('names what the server would not take, and why', () => {
  const record = {
    id: newId(),
    jobId: newId(),
    recordedAt: '2026-03-04T09:00:00Z',
    body: { kind: 'reading', at: '2026-03-04T09:00:00Z', pressureBar: 1 },
  } as never;
  const view = outboxView([
    { seq: 1, kind: 'fact', record },
    {
      seq: 2,
      kind: 'fact',
      record,
      refused: { code: 'bad-request', problems: [{ field: 'body.pressureBar', message: 'must be at most 25' }] },
    },
    { seq: 3, kind: 'fact', record, refused: { code: 'record-differs', problems: [] } },
  ]);
  expect(view.waiting).toBe(1);
  expect(view.refused.map((r) => r.reasons)).toEqual([
    ['body.pressureBar: must be at most 25'],
    ['The server has another record under the same id.'],
  ]);
  expect(view.refused[0]!.title).toMatch(/^A reading of 4 Mar.* was not accepted$/);
});

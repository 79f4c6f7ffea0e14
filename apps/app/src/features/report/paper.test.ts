import { customerReport } from '@jumper/contract';
import { resolveCircuit, simulateCase, type CircuitSheet } from '@jumper/core';
import { figureView } from '../figure/figureView';
import { METRIC } from '../units/units';
import { customerReportOf } from './customerReport';
import { ON_A_PHONE, ON_PAPER, reportChart } from './reportChart';
import { reportDocument } from './reportDocument';
import type { ReportView } from './reportView';

jest.mock('../../workers/judgeClient', () => ({}));

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
};
const run = (minutes: number) =>
  simulateCase({
    circuit: SHEET,
    faults: [{ id: 'vessel-undercharged', severity: 0.5 }],
    schedule: { startC: 16, durationS: 60 * minutes, stepS: 60, heat: [{ onS: 120, offS: 9e9 }] },
  }).log;
const figure = figureView({
  log: run(25),
  sheet: SHEET,
  circuit: resolveCircuit(SHEET),
  heatOn: false,
  before: { label: 'before <the> work & all', log: run(20) },
});
const HEAD = { company: 'Harrow Heating', person: 'R. Vale', address: '2 Dyer Lane, Harrowmere', phone: '555 0100', logo: null };
const VIEW: ReportView = {
  title: 'Report',
  site: '7 Quarry Steps',
  date: '4 March 2026',
  complaint: 'Topped up often',
  rows: [{ label: 'Pressure, cold', found: '1.0 bar', left: '1.2 bar' }],
  wrong: ['The expansion vessel had lost its air.'],
  work: ['Vessel recharged'],
  outcome: { kind: 'pass', text: 'Put right: we checked it after the work.' },
  watch: ['Look once a month.'],
  nextCheck: '4 March 2027',
  parts: [],
  stays: ['For the time being: flow temperature, changed.'],
  notes: [],
  open: [],
  checks: [],
};

describe.each([
  ['paper', ON_PAPER],
  ['a phone', ON_A_PHONE],
])('the log drawn for %s', (_name, size) => {
  const svg = reportChart(figure, METRIC, size);
  it('is well-formed, with only finite numbers', () => {
    expect(svg).not.toMatch(/NaN|undefined|Infinity/);
    expect((svg.match(/<text/g) ?? []).length).toBe((svg.match(/<\/text>/g) ?? []).length);
    expect(svg).toContain('before &lt;the&gt; work &amp; all');
  });
  it('keeps every mark inside its frame', () => {
    const xs = [...svg.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const);
    expect(xs.length).toBeGreaterThan(50);
    for (const [x, y] of xs) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(size.width);
      expect(y).toBeGreaterThanOrEqual(0);
      expect(y).toBeLessThanOrEqual(size.height);
    }
  });
  it('has its higher pressures higher up: the relief above the fill', () => {
    const y = (label: string) => Number(new RegExp(`y="([\\d.]+)"[^>]*>${label}`).exec(svg)![1]);
    expect(y('relief')).toBeLessThan(y('fill'));
  });
});

it('draws a dot for each reading of a hand, and none for a logger’s hundreds', () => {
  expect((reportChart(figure, METRIC).match(/<circle/g) ?? []).length).toBe(figure.readings.length);
  const many = { ...figure, readings: Array.from({ length: 300 }, (_, i) => ({ id: String(i), min: i / 20, bar: 1 })) };
  expect(reportChart(many, METRIC)).not.toContain('<circle');
});

describe('the report as a document', () => {
  const texts = (node: unknown): string[] =>
    typeof node === 'string'
      ? [node]
      : Array.isArray(node)
        ? node.flatMap(texts)
        : node && typeof node === 'object'
          ? Object.entries(node).flatMap(([k, v]) => (['text', 'stack', 'columns', 'table', 'body', 'content'].includes(k) ? texts(v) : []))
          : [];
  const made = (view: ReportView) => texts(reportDocument(customerReportOf(view, HEAD, null), null).content);
  it('holds all that was found, done and advised', () => {
    const said = made(VIEW).join(' | ');
    for (const part of [
      '7 Quarry Steps',
      'Harrow Heating',
      'R. Vale',
      '2 Dyer Lane, Harrowmere',
      '555 0100',
      '4 March 2026',
      'Topped up often',
      '1.0 bar',
      '1.2 bar',
      'The expansion vessel had lost its air.',
      'Vessel recharged',
      'Put right: we checked it after the work.',
      'For the time being: flow temperature, changed.',
      'Look once a month.',
      '4 March 2027',
    ])
      expect(said).toContain(part);
  });
  it('says outright that no work was done, leaves the column “Left” away and empty parts out', () => {
    const said = made({ ...VIEW, work: [], outcome: null, stays: [] });
    expect(said).toContain('No work was done on this visit.');
    expect(said).not.toContain('Left');
    for (const part of ['Result', 'What stays as it is', 'Parts fitted', 'Photos']) expect(said).not.toContain(part);
  });
  it('sets photos three to a row', () => {
    const photos = Array.from({ length: 5 }, (_, i) => ({ address: `data:image/png;base64,${i}`, line: `photo ${i}` }));
    const content = reportDocument(customerReportOf(VIEW, HEAD, null), null, photos).content as {
      columns?: { stack?: { image?: string }[] }[];
    }[];
    const rows = content.filter((c) => c.columns?.some((col) => col.stack?.some((s) => s.image)));
    expect(rows.map((r) => r.columns!.length)).toEqual([3, 2]);
  });
});

it('gives the customer’s page words and numbers, and nothing else of the job', () => {
  const given = customerReportOf(VIEW, HEAD, null);
  expect(given).toMatchObject({
    company: 'Harrow Heating',
    site: '7 Quarry Steps',
    phone: '555 0100',
    outcome: { kind: 'pass' },
  });
  expect('chart' in given).toBe(false);
  expect(customerReportOf(VIEW, HEAD, '<svg/>').chart).toBe('<svg/>');
  expect(customerReport.parse(customerReportOf(VIEW, { ...HEAD, logo: 'data:image/png;base64,AAAA' }, null)).logo).toMatch(/^data:image/);
  expect(Object.keys(given)).not.toContain('diagnosis');
});

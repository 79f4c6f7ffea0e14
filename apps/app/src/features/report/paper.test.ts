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
const VIEW: ReportView = {
  title: 'Report',
  site: '7 Quarry Steps',
  date: '4 March 2026',
  complaint: 'Topped up often',
  rows: [{ label: 'Pressure, cold', found: '1.0 bar', left: '1.2 bar' }],
  tests: ['Gas valve: air'],
  cause: 'Vessel has lost its charge (91 %).',
  work: ['Vessel recharged'],
  proof: { kind: 'pass', headline: 'Put right, and proved', lines: ['1.7 bar at 68 °C'] } as never,
  advice: ['Note it once a month.'],
  nextCheck: '4 March 2027',
  parts: [],
  said: [],
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
  const made = (view: ReportView) => texts(reportDocument(view, { company: 'Harrow Heating', person: 'R. Vale' }, null).content);
  it('holds all that was found, done and advised', () => {
    const said = made(VIEW).join(' | ');
    for (const part of [
      '7 Quarry Steps',
      'Harrow Heating',
      'R. Vale, 4 March 2026',
      'Topped up often',
      '1.0 bar',
      '1.2 bar',
      'Gas valve: air',
      'Vessel recharged',
      'Put right, and proved',
      'Note it once a month.',
      '4 March 2027',
    ])
      expect(said).toContain(part);
  });
  it('says outright that no work was done, leaves the column “Left” away and empty parts out', () => {
    const said = made({ ...VIEW, work: [], proof: null, cause: null, tests: [] });
    expect(said).toContain('No work was done on this visit.');
    expect(said).not.toContain('Left');
    for (const part of ['Tests', 'Cause', 'Proof', 'Parts fitted', 'Photos']) expect(said).not.toContain(part);
  });
  it('sets photos three to a row', () => {
    const photos = Array.from({ length: 5 }, (_, i) => ({ address: `data:image/png;base64,${i}`, line: `photo ${i}` }));
    const content = reportDocument(VIEW, { company: 'Harrow Heating', person: '' }, null, photos).content as {
      columns?: { stack?: { image?: string }[] }[];
    }[];
    const rows = content.filter((c) => c.columns?.some((col) => col.stack?.some((s) => s.image)));
    expect(rows.map((r) => r.columns!.length)).toEqual([3, 2]);
  });
});

it('gives the customer’s page words and numbers, and nothing else of the job', () => {
  const given = customerReportOf(VIEW, { company: 'Harrow Heating', person: 'R. Vale' }, null);
  expect(given).toMatchObject({
    company: 'Harrow Heating',
    site: '7 Quarry Steps',
    proof: { kind: 'pass', headline: 'Put right, and proved' },
  });
  expect('chart' in given).toBe(false);
  expect(customerReportOf(VIEW, { company: '', person: '' }, '<svg/>').chart).toBe('<svg/>');
  expect(Object.keys(given)).not.toContain('diagnosis');
});

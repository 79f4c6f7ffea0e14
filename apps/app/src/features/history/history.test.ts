import { caseFile, caseToRecords } from '@jumper/contract';
import { METRIC } from '../units/units';
import { historyView } from './historyView';

jest.mock('../../workers/judgeClient', () => ({}));

let n = 0;
const newId = () => `0191b000-0000-7000-8000-${String(++n).padStart(12, '0')}`;
const circuit = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.7,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  maxFlowC: 70,
};

interface Visit {
  on: string;
  coldBar: number;
  foundBar?: number;
  leftBar?: number;
  topUps?: number;
}
/** Visits to one circuit, in the order given. */
function visits(...told: Visit[]) {
  const jobs = told.map(({ on, coldBar, foundBar, leftBar, topUps }) =>
    caseToRecords(
      caseFile.parse({
        format: 'jumper-case',
        version: 1,
        id: on,
        title: '7 Quarry Steps',
        circuit,
        logs: [
          {
            source: 'hand',
            startedAt: `${on}T09:00:00Z`,
            samples: { tS: [0, 600, 1200], pressureBar: [coldBar, coldBar + 0.2, coldBar + 0.5], flowC: [17, 40, 62] },
            events: [{ tS: 10, kind: 'heat-on' }],
          },
        ],
        findings: [
          ...(foundBar === undefined ? [] : [{ test: 'precharge', valueBar: foundBar, circuitBar: 0, drainOpen: true }]),
          ...(topUps === undefined ? [] : [{ test: 'top-ups-per-month', count: topUps }]),
        ],
        ...(leftBar === undefined ? {} : { repairs: [{ kind: 'vessel-recharged', at: `${on}T11:00:00Z`, toBar: leftBar }] }),
      }),
      { newId, now: `${on}T12:00:00Z` },
    ),
  );
  const first = jobs[0]!;
  return {
    circuitId: first.circuit.id,
    jobs: jobs.map((j, i) => ({
      job: { ...j.job, circuitId: first.circuit.id, openedAt: `${told[i]!.on}T09:00:00Z` },
      sheet: { ...j.sheet, circuitId: first.circuit.id },
      facts: j.facts,
    })),
  };
}

it('stands the visits newest first, each with what was found, left and done', () => {
  const { jobs, circuitId } = visits({ on: '2025-02-10', coldBar: 1.1, foundBar: 0.2, leftBar: 0.75 }, { on: '2026-02-10', coldBar: 1 });
  const view = historyView([...jobs].reverse(), circuitId, METRIC)!;
  expect(view.site).toBe('7 Quarry Steps');
  expect(view.visits.map((v) => [v.when, v.cold, v.charge, v.work])).toEqual([
    ['10 Feb 2026', '1.0 bar', '–', 'no work'],
    ['10 Feb 2025', '1.1 bar', '0.2 bar → 0.75 bar', 'vessel recharged'],
  ]);
  expect(view.coldTrace.map((p) => Math.round(p.day))).toEqual([0, 365]);
  expect(view.coldTrace.map((p) => p.bar)).toEqual([1.1, 1]);
  // Found and left stand on the one day, one after the other.
  expect(view.chargeTrace).toEqual([
    { day: 0, bar: 0.2 },
    { day: 0, bar: 0.75 },
  ]);
});

it('says how fast the charge falls between a charge that was set and the next that was read, and when it will be too low', () => {
  const { jobs, circuitId } = visits(
    { on: '2024-03-01', coldBar: 1.1, foundBar: 0.1, leftBar: 0.75 },
    { on: '2025-03-01', coldBar: 1.1, foundBar: 0.65 },
  );
  const fast = historyView(jobs, circuitId, METRIC)!;
  expect(fast.lines[0]).toMatch(/^The charge falls by 0\.10? bar a year; about 0\.07 bar is natural\.$/);
  expect(fast.lines[1]).toMatch(/^At that pace it is too low in about \d+ months\.$/);
  const once = visits({ on: '2024-03-01', coldBar: 1.1, foundBar: 0.6 });
  expect(historyView(once.jobs, once.circuitId, METRIC)!.lines[0]).toMatch(/shows once it was set on one visit and read on a later one/);
});

it('knows only its own circuit, and nothing of one that was never visited', () => {
  const a = visits({ on: '2025-02-10', coldBar: 1.1 }),
    b = visits({ on: '2025-03-10', coldBar: 1.4 }, { on: '2025-04-10', coldBar: 1.5 });
  expect(historyView([...a.jobs, ...b.jobs], a.circuitId, METRIC)!.visits).toHaveLength(1);
  expect(historyView([...a.jobs, ...b.jobs], b.circuitId, METRIC)!.visits).toHaveLength(2);
  expect(historyView(a.jobs, 'elsewhere', METRIC)).toBeNull();
});

it('reads and speaks in the unit that was chosen', () => {
  const { jobs, circuitId } = visits({ on: '2025-02-10', coldBar: 1 });
  expect(historyView(jobs, circuitId, { ...METRIC, pressure: 'psi' })!.visits[0]!.cold).toMatch(/^14\.5 psi$/);
});

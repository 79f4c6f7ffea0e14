import type { Case } from './Case';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import { FAULT_IDS, faultRow } from './faults';
import type { Finding } from './Finding';
import { OUTCOME_TABLES, outcomeShares } from './findings/outcomeTable';
import { weightedSets } from './priors/weightedSets';
import { SMALL_HOME } from './test/homes';
import { TEST_IDS, testRow, type TestId } from './tests';
import { simulateCase } from '../simulate/simulateCase';
import type { CircuitSheet } from '../circuit/CircuitSheet';

const CIRCUIT = SMALL_HOME;
const caseOf = (rest: Partial<Case>): Case => ({ format: 'jumper-case', version: 1, id: 'test', circuit: CIRCUIT, ...rest });
const cycle = { startC: 18, durationS: 5400, stepS: 120, heat: [{ onS: 300, offS: 2700 }] };
const logged = (id: FaultId, severity: number) =>
  simulateCase({ circuit: CIRCUIT, faults: [{ id, severity }], schedule: cycle, seed: 5 }).log;
const marginal = (c: Case, ...ids: FaultId[]) => {
  const m = diagnose(c).marginals;
  return ids.reduce((s, id) => s + (m[id] ?? 0), 0);
};
const findings = (...f: Finding[]) => caseOf({ findings: f });

describe('a diagnosis', () => {
  const d = diagnose(caseOf({ logs: [logged('vessel-undercharged', 0.6)] }));

  it('ranks sets that sum to at most one, ten or more, ids sorted', () => {
    const p = d.hypotheses.map((h) => h.probability);
    expect(d.hypotheses.length).toBeGreaterThanOrEqual(10);
    expect(p.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(1 + 1e-9);
    expect([...p].sort((a, b) => b - a)).toEqual(p);
    for (const h of d.hypotheses) expect([...h.faults].sort()).toEqual(h.faults);
  });

  it('says how far it has come, never backwards, and answers the same for it', () => {
    const heard: number[] = [];
    expect(diagnose(caseOf({ logs: [logged('vessel-undercharged', 0.6)] }), (share) => heard.push(share)).hypotheses).toEqual(d.hypotheses);
    expect(heard.length).toBeGreaterThan(100);
    expect([...heard].sort((a, b) => a - b)).toEqual(heard);
    expect(heard[0]!).toBeGreaterThanOrEqual(0);
    expect(heard.at(-1)!).toBeLessThanOrEqual(1);
  });

  it('weighs each log by itself', () => {
    const two = diagnose(caseOf({ logs: [logged('none', 0), logged('vessel-undercharged', 0.6)] }));
    const of = (id: string) => two.because.find((b) => b.evidence === id && b.for === 'vessel-undercharged')?.bits ?? 0;
    expect(of('log:1')).toBeGreaterThan(of('log:0') + 1);
  });

  it('is the same each time it is asked', () => {
    expect(diagnose(caseOf({ logs: [logged('vessel-undercharged', 0.6)] }))).toEqual(d);
  });

  it('finds the gas gone from a log alone, shared with what looks alike', () => {
    expect(d.hypotheses[0]!.faults).toContain('vessel-undercharged');
    expect(d.marginals['vessel-diaphragm-failed']).toBeGreaterThan(0.02);
    expect(d.enoughKnown).toBe(false);
    expect(['gas-valve-press', 'gas-valve-bubbles', 'discharge-pipe', 'precharge', 'second-gauge']).toContain(d.nextTests[0]!.test);
  });

  it('says with what the log speaks', () => {
    const log = d.because.find((b) => b.evidence === 'log:0' && b.for === 'vessel-undercharged')!;
    expect(log.bits).toBeGreaterThan(1);
    expect(log.text).toMatch(/this circuit should rise/);
  });

  it('gives an interval for the charge that holds the truth', () => {
    const truth = simulateCase({ circuit: CIRCUIT, faults: [{ id: 'vessel-undercharged', severity: 0.6 }], schedule: cycle }).truth.plant
      .prechargeGaugeBar;
    const charge = d.estimates.prechargeBar!;
    expect(charge.p05).toBeLessThan(truth);
    expect(charge.p95).toBeGreaterThan(truth);
  });
});

describe('evidence moves the ranking the way a technician would say', () => {
  const gas: FaultId[] = ['vessel-undercharged', 'vessel-diaphragm-failed'];
  const log = logged('vessel-undercharged', 0.6);

  it('water at the air valve speaks for the diaphragm, air against it', () => {
    const with_ = (outcome: string) =>
      marginal(caseOf({ logs: [log], findings: [{ test: 'gas-valve-press', outcome }] }), 'vessel-diaphragm-failed');
    expect(with_('water')).toBeGreaterThan(0.6);
    expect(with_('air')).toBeLessThan(0.1);
  });

  it('a sound cycle clears the vessel', () => {
    expect(marginal(caseOf({ logs: [logged('none', 0)] }), ...gas)).toBeLessThan(0.12);
  });

  it('a rise with no heat points to water coming in', () => {
    const cold = simulateCase({
      circuit: CIRCUIT,
      faults: [{ id: 'dhw-plate-perforated', severity: 0.6 }],
      schedule: { startC: 18, durationS: 3600, stepS: 300, heat: [] },
    }).log;
    expect(marginal(caseOf({ logs: [cold] }), 'dhw-plate-perforated', 'fill-loop-passing')).toBeGreaterThan(0.8);
    const off: Finding = { test: 'fill-disconnected-watch', startBar: 1.1, endBar: 1.3, minutes: 15, boilerIsolated: true };
    expect(marginal(caseOf({ logs: [cold], findings: [off] }), 'dhw-plate-perforated')).toBeGreaterThan(0.8);
    const still: Finding = { ...off, endBar: 1.1 };
    expect(marginal(caseOf({ logs: [cold], findings: [still] }), 'fill-loop-passing')).toBeGreaterThan(0.7);
  });

  it('falls for the precharge trap no more than a technician: with water behind it the reading says little', () => {
    const low = (circuitBar: number, drainOpen: boolean) =>
      marginal(
        findings({ test: 'precharge', valueBar: Math.max(0.2, circuitBar), circuitBar, drainOpen }),
        'vessel-undercharged',
        'vessel-diaphragm-failed',
      );
    const open = low(0, true),
      masked = low(1, false),
      nothing = marginal(caseOf({}), ...gas);
    expect(open).toBeGreaterThan(0.8);
    expect(Math.abs(masked - nothing)).toBeLessThan(0.2);
  });

  it('a dripping pipe speaks for what lifts or passes', () => {
    expect(marginal(findings({ test: 'discharge-pipe', outcome: 'dripping' }), 'relief-valve-passing')).toBeGreaterThan(
      3 * marginal(findings({ test: 'discharge-pipe', outcome: 'dry' }), 'relief-valve-passing'),
    );
  });

  it('high cold pressure after a night rules the heat out', () => {
    const d = diagnose(findings({ test: 'idle-cold-pressure', valueBar: 2.6, idleHours: 10 }));
    expect(
      (d.marginals['fill-pressure-too-high'] ?? 0) + (d.marginals['dhw-plate-perforated'] ?? 0) + (d.marginals['fill-loop-passing'] ?? 0),
    ).toBeGreaterThan(0.6);
  });
});

describe('work done', () => {
  it('opens a second judgement from what was measured after it', () => {
    const after = simulateCase({ circuit: CIRCUIT, faults: [{ id: 'none', severity: 0 }], schedule: cycle, seed: 8 }).log;
    const d = diagnose(
      caseOf({
        logs: [logged('vessel-undercharged', 0.6), { ...after, epoch: 'after-work' }],
        repairs: [{ kind: 'vessel-recharged', toBar: 0.75 }],
      }),
    );
    expect(d.hypotheses[0]!.faults).toContain('vessel-undercharged');
    expect(d.now!.marginals['vessel-undercharged']).toBeLessThan(0.15);
    // A core that leaks shows nothing on the day: it must stay in the picture.
    expect(d.now!.marginals['vessel-gas-valve-leaking']).toBeGreaterThan(0.03);
  });
});

describe('poor input', () => {
  it('answers from priors with nothing at all, and says which test first', () => {
    const d = diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'bare',
      circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } },
    });
    expect(d.nextTests.length).toBeGreaterThan(3);
    expect(d.enoughKnown).toBe(false);
    expect(d.estimates.prechargeBar).toBeNull();
  });

  it('answers to a sheet that cannot be right, and says what on it is not', () => {
    const impossible = { nominalVolumeL: 8, labelPrechargeBar: 3.5 };
    const d = diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'impossible',
      circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 2 }, vessel: impossible },
      logs: [{ samples: { tS: [0, 600, 1200], pressureBar: [1.2, 1.4, 1.6], flowC: [18, 45, 65] } }],
    });
    expect(d.warnings.map((w) => w.code)).toContain('fill-above-relief');
    expect(d.hypotheses.every((h) => Number.isFinite(h.probability))).toBe(true);
    expect(diagnose(caseOf({})).warnings.map((w) => w.code)).not.toContain('fill-above-relief');
  });

  it.each([
    ['zeros', { tS: [0, 60, 120, 180], pressureBar: [0, 0, 0, 0] }],
    ['one reading', { tS: [0], pressureBar: [1] }],
    ['only gaps', { tS: [0, 60], pressureBar: [null, null] }],
    ['twice the same time', { tS: [0, 60, 60, 120], pressureBar: [1, 1.1, 1.1, 1.2] }],
    ['no temperatures', { tS: [0, 120, 300, 600], pressureBar: [1, 1.4, 2, 2.6] }],
  ])('keeps finite with %s', (_name, samples) => {
    const d = diagnose(caseOf({ logs: [{ samples }] }));
    expect(d.hypotheses.every((h) => Number.isFinite(h.probability))).toBe(true);
    expect(Math.abs(Object.values(d.marginals).length)).toBeGreaterThan(10);
  });

  it('tells of a circuit that ran empty what it lost while it was logged, though nothing presses water out any more', () => {
    const fallen = [0.9, 0.6, 0.35, 0.15, 0, 0, 0];
    const d = diagnose(
      caseOf({
        logs: [{ samples: { tS: fallen.map((_, i) => 600 * i), pressureBar: fallen, flowC: fallen.map(() => 18) } }],
        findings: [{ test: 'visible-leak', outcome: 'found' }],
      }),
    );
    expect(d.marginals['circuit-leak']).toBeGreaterThan(0.5);
    // Whatever the vessel holds, within its 8 L, went in the forty minutes in which the pressure fell to nothing; hardly less than the pipes
    // alone give for 0.9 bar.
    const { p05, median, p95 } = d.estimates.lossLPerH!;
    expect(p05).toBeGreaterThan(0.01);
    expect(median).toBeGreaterThan(0.03);
    expect(p95).toBeLessThan(12);
  });

  it('takes a gauge that stands still through a heat-up for what it is, wherever it stands, and tells no charge from it', () => {
    for (const bar of [1, 2]) {
      const d = diagnose(
        caseOf({
          logs: [
            {
              samples: { tS: [0, 120, 300, 600, 1200], pressureBar: Array(5).fill(bar), flowC: [20, 40, 60, 70, 72] },
              events: [{ tS: 0, kind: 'heat-on' }],
            },
          ],
        }),
      );
      expect(d.hypotheses[0]!.faults).toEqual(['gauge-misreading']);
      expect(d.estimates.prechargeBar).toBeNull();
    }
  });

  it('names findings that cannot both be right', () => {
    const d = diagnose(findings({ test: 'gas-valve-press', outcome: 'air' }, { test: 'gas-valve-press', outcome: 'water' }));
    expect(d.contradictions).toEqual([expect.objectContaining({ evidence: ['finding:0', 'finding:1'], repeat: 'gas-valve-press' })]);
    // The later one counts.
    expect(d.marginals['vessel-diaphragm-failed']).toBeGreaterThan(0.5);
  });

  it('names the numbers that were read, with their units', () => {
    const d = diagnose({
      format: 'jumper-case',
      version: 1,
      id: 's',
      circuit: { kind: 'steam', reliefValve: { setBar: 1.03 } },
      findings: [
        { test: 'pressure-control-cut-out', cutOutBar: 0.6, setBar: 0.14 },
        { test: 'return-time', minutes: 50 },
        { test: 'cycles-per-hour', count: 8 },
      ],
    });
    const texts = new Set(d.because.map((b) => b.text));
    expect(texts).toContain('Pressure control cut-out: cut out 0.6 bar, set 0.14 bar.');
    expect(texts).toContain('Time of the return: 50 min.');
    expect(texts).toContain('Cycles an hour: 8.');
  });
  it('judges steam from findings alone', () => {
    const d = diagnose({
      format: 'jumper-case',
      version: 1,
      id: 's',
      circuit: { kind: 'steam', reliefValve: { setBar: 1.03 } },
      findings: [{ test: 'level-creep-idle', outcome: 'rises' }],
    });
    expect(d.hypotheses[0]!.faults).toEqual(['steam-feeder-passing']);
  });
});

describe('the tables', () => {
  it('leave no outcome impossible and sum to one', () => {
    for (const [test, table] of Object.entries(OUTCOME_TABLES)) {
      const outcomes = testRow(test as TestId).outcomes!;
      for (const shares of [table.base, ...table.rows.map((r) => r.shares)]) {
        expect(Object.keys(shares).sort()).toEqual([...outcomes].sort());
        expect(Math.abs(Object.values(shares).reduce((a, b) => a + b, 0) - 1)).toBeLessThan(1e-9);
        expect(Math.min(...Object.values(shares))).toBeGreaterThan(0);
      }
    }
  });

  it('stay a distribution for two faults at once', () => {
    const shares = outcomeShares('discharge-pipe', ['relief-valve-passing', 'vessel-undercharged'])!;
    expect(Math.abs(Object.values(shares).reduce((a, b) => a + b, 0) - 1)).toBeLessThan(1e-9);
    expect(shares.dry).toBeLessThan(0.1);
  });

  it('say of every test what it tells', () => {
    for (const id of TEST_IDS) expect({ id, tells: testRow(id).tells }).toEqual({ id, tells: expect.stringMatching(/\w.*\.$/) });
  });
  it('give every fault a remedy and a size from which it counts', () => {
    for (const id of FAULT_IDS)
      expect(faultRow(id)).toMatchObject({
        title: expect.stringMatching(/\w/),
        counts: expect.stringMatching(/\w/),
        remedy: expect.stringMatching(/\w/),
      });
  });

  it('priors sum to one, and follow complaint and sheet', () => {
    const sets = weightedSets({ circuit: CIRCUIT, complaint: ['topped-up-often'] });
    expect(Math.abs(sets.reduce((s, x) => s + x.weight, 0) - 1)).toBeLessThan(1e-9);
    const of = (id: FaultId, complaint: ('topped-up-often' | 'gauge-climbs-hot')[]) =>
      weightedSets({ circuit: CIRCUIT, complaint }).find((s) => s.faults.join() === id)!.weight;
    expect(of('circuit-leak', ['topped-up-often'])).toBeGreaterThan(of('circuit-leak', ['gauge-climbs-hot']));
    expect(sets.some((s) => s.faults.includes('dhw-coil-perforated'))).toBe(false);
  });
});

it('a recharge in the middle of a log begins the time after the work', () => {
  const { log } = simulateCase({
    circuit: CIRCUIT,
    faults: [{ id: 'vessel-undercharged', severity: 0.6 }],
    schedule: {
      startC: 18,
      durationS: 14_400,
      stepS: 60,
      heat: [
        { onS: 300, offS: 2400 },
        { onS: 9000, offS: 12_000 },
      ],
      actions: [
        { tS: 6900, kind: 'drained' },
        { tS: 7000, kind: 'vessel-recharged' },
        { tS: 7060, kind: 'top-up' },
      ],
    },
    gauge: { resolutionBar: 0.02 },
    seed: 6,
  });
  const d = diagnose(caseOf({ logs: [log] }));
  expect(d.hypotheses[0]!.faults.some((f) => f.startsWith('vessel-'))).toBe(true);
  const flat = (m: typeof d.marginals) => (m['vessel-undercharged'] ?? 0) + (m['vessel-diaphragm-failed'] ?? 0);
  expect(flat(d.now!.marginals)).toBeLessThan(0.1 * flat(d.marginals));
  expect(d.now!.estimates.prechargeBar!.median).toBeGreaterThan(0.5);
});

describe('what the sheet says of vessel and fluid counts', () => {
  const LOFT: CircuitSheet = {
    ...CIRCUIT,
    waterVolumeSource: 'measured',
    staticHeadM: 8,
    vessel: { nominalVolumeL: 12, targetPrechargeBar: 0.5, heightAboveGaugeM: 6 },
    reliefValve: { setBar: 3 },
  };
  it('a sound vessel in the loft is not taken for one that lost its charge, and its charge is told as it is there', () => {
    const { log } = simulateCase({ circuit: LOFT, faults: [], schedule: cycle, gauge: { resolutionBar: 0.01 }, seed: 3 });
    const d = diagnose({ ...caseOf({ logs: [log] }), circuit: LOFT });
    expect(d.hypotheses[0]!.faults).toEqual(['none']);
    expect(d.estimates.prechargeBar!.p05).toBeLessThan(0.5);
    expect(d.estimates.prechargeBar!.p95).toBeGreaterThan(0.5);
  });
  it('a third of glycol swings more, and is expected to', () => {
    const glycol: CircuitSheet = { ...CIRCUIT, waterVolumeSource: 'measured', glycol: 'propylene', glycolPercent: 35 };
    const { log } = simulateCase({ circuit: glycol, faults: [], schedule: cycle, gauge: { resolutionBar: 0.01 }, seed: 3 });
    const swing = (l: typeof log) => Math.max(...(l.samples.pressureBar as number[])) - l.samples.pressureBar[0]!;
    expect(swing(log)).toBeGreaterThan(
      1.25 * swing(simulateCase({ circuit: CIRCUIT, faults: [], schedule: cycle, gauge: { resolutionBar: 0.01 }, seed: 3 }).log),
    );
    expect(diagnose({ ...caseOf({ logs: [log] }), circuit: glycol }).hypotheses[0]!.faults).toEqual(['none']);
  });
  it('days of logging keep their heat cycles: a flat vessel shows in a fortnight as in an hour', () => {
    const days = 14 * 86_400;
    const of = (id: FaultId) =>
      simulateCase({
        circuit: CIRCUIT,
        faults: [{ id, severity: 0.5 }],
        schedule: {
          startC: 18,
          durationS: days,
          stepS: 300,
          heat: Array.from({ length: 28 }, (_, i) => ({ onS: 43_200 * i + 3600, offS: 43_200 * i + 14_400 })),
        },
        gauge: { resolutionBar: 0.01 },
        seed: 4,
      }).log;
    const flat = diagnose(caseOf({ logs: [of('vessel-undercharged')] }));
    expect((flat.marginals['vessel-undercharged'] ?? 0) + (flat.marginals['vessel-diaphragm-failed'] ?? 0)).toBeGreaterThan(0.6);
    expect(diagnose(caseOf({ logs: [of('none')] })).hypotheses[0]!.faults).toEqual(['none']);
  });
});

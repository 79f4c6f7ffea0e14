import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { PressureLog } from '../log/PressureLog';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { ESTIMATED_HOME, heatCycleOf } from './test/homes';

const SHEET: CircuitSheet = { ...ESTIMATED_HOME, vessel: { ...ESTIMATED_HOME.vessel, isolationValve: 'fitted' } };
const logOf = (id: FaultId, severity: number): PressureLog => heatCycleOf(SHEET, id, severity);
const ask = (rest: Partial<Case>) => diagnose({ format: 'jumper-case', version: 1, id: 'one', circuit: SHEET, ...rest });
const steep = logOf('vessel-isolated', 1),
  swings = logOf('vessel-undercharged', 0.6),
  after = (log: PressureLog): PressureLog => ({ ...log, epoch: 'after-work' });
const recharged: Case['repairs'] = [{ kind: 'vessel-recharged', toBar: 0.75 }];
const before = ask({ logs: [steep] }),
  beforeSwings = ask({ logs: [swings] });
const cutOff = (m: Partial<Record<FaultId, number>>) => m['vessel-isolated']! + m['vessel-connection-blocked']!;

it('a recharge after which it swings as it should says that gas was missing, and that the vessel is in order now', () => {
  const d = ask({ logs: [swings, after(logOf('none', 0))], repairs: recharged });
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-undercharged']);
  expect(d.marginals['vessel-undercharged']!).toBeGreaterThan(beforeSwings.marginals['vessel-undercharged']! + 0.15);
  expect(d.marginals['vessel-diaphragm-failed']!).toBeLessThan(beforeSwings.marginals['vessel-diaphragm-failed']! / 2);
  expect(d.now!.hypotheses[0]!.faults).toEqual(['none']);
  const why = d.because.find((b) => b.text.startsWith('After the work: ') && b.for === 'vessel-undercharged')!;
  expect(why.evidence).toBe('log:1');
  expect(why.bits).toBeGreaterThan(0.5);
  expect(why.text).toMatch(/^After the work: rose 0\.\d+ bar from \d+ °C to \d+ °C; this circuit should rise/);
});

it.each<[string, Partial<Case>]>([
  ['a log', { logs: [steep, after(steep)] }],
  [
    'two numbers',
    { logs: [steep], findings: [{ test: 'heat-run-after', coldBar: 1, hotBar: 2.9, hotC: 62, minutes: 10, epoch: 'after-work' }] },
  ],
])('a recharge after which nothing has changed says that it was not, by %s', (_, measured) => {
  const d = ask({ ...measured, repairs: recharged });
  expect(cutOff(d.marginals)).toBeGreaterThan(cutOff(before.marginals) + 0.15);
  expect(cutOff(d.now!.marginals)).toBeGreaterThan(0.5);
});

it('a recharge that left a little gas in play as it was went through the diaphragm', () => {
  const d = ask({ logs: [swings, after(swings)], repairs: recharged });
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-diaphragm-failed']);
  expect(d.now!.hypotheses[0]!.faults).toEqual(['vessel-diaphragm-failed']);
});

it('what the work did not touch is seen after it as well as before', () => {
  const drips: Finding = { test: 'discharge-catch', volumeMl: 60, minutes: 20, during: 'cold', epoch: 'after-work' };
  const d = ask({ logs: [swings, after(logOf('none', 0))], findings: [drips], repairs: recharged });
  for (const seen of [d, d.now!])
    expect(seen.marginals['relief-valve-passing']!).toBeGreaterThan(3 * beforeSwings.marginals['relief-valve-passing']!);
  // What the recharge put right is no less what was found.
  expect(d.marginals['vessel-undercharged']!).toBeGreaterThan(beforeSwings.marginals['vessel-undercharged']!);
});

it('a charge that was read once it was pumped up does not clear the vessel', () => {
  const d = ask({
    logs: [swings],
    findings: [{ test: 'precharge', valueBar: 0.75, circuitBar: 0, drainOpen: true, epoch: 'after-work' }],
    repairs: recharged,
  });
  expect(d.marginals['vessel-undercharged']!).toBeGreaterThan(beforeSwings.marginals['vessel-undercharged']! - 0.02);
});

it('work of which nobody says what it was leaves what was found as it was', () => {
  const pumpedUp: Finding = { test: 'precharge', valueBar: 0.75, circuitBar: 0, drainOpen: true, epoch: 'after-work' };
  for (const repairs of [undefined, [{ kind: 'other' as const }]])
    expect(ask({ logs: [swings, after(logOf('none', 0))], findings: [pumpedUp], ...(repairs ? { repairs } : {}) }).hypotheses).toEqual(
      beforeSwings.hypotheses,
    );
});

it('with nothing measured after it the work says nothing', () => {
  expect(ask({ logs: [steep], repairs: recharged }).hypotheses).toEqual(before.hypotheses);
});

describe('findings that do not say when they were made', () => {
  const flat: Finding[] = [
    { test: 'precharge', valueBar: 0.1, circuitBar: 0, drainOpen: true },
    { test: 'gas-valve-press', outcome: 'air' },
  ];
  const run: Finding = { test: 'heat-run-after', coldBar: 1.2, hotBar: 1.6, hotC: 68, minutes: 12 },
    again: Finding = { test: 'precharge', valueBar: 0.76, circuitBar: 0, drainOpen: true };
  const marginals = (findings: Finding[], more: Partial<Case> = { repairs: recharged }) => ask({ findings, ...more });
  it('the check after the work is of after the work, where any was done', () => {
    const said = marginals([...flat, { ...run, epoch: 'after-work' }]);
    expect(marginals([...flat, run])).toEqual(said);
    expect(said.hypotheses[0]!.faults).toEqual(['vessel-undercharged']);
    expect(said.now!.hypotheses[0]!.faults).toEqual(['none']);
    // Pumped up is work, though nobody wrote it among the repairs.
    expect(
      marginals([{ test: 'gas-valve-press', outcome: 'nothing' }, { test: 'pump-up-hold', outcome: 'held' }, run], {}).hypotheses[0]!
        .faults,
    ).toEqual(['vessel-undercharged']);
    // With no work at all it is a heat run like any other.
    expect(marginals([{ ...run, hotBar: 2.9 }], {}).now).toBeUndefined();
  });
  it('a charge that was read again as it was set is that of after the work, whichever stands first', () => {
    const said = marginals([...flat, { ...again, epoch: 'after-work' }]);
    for (const findings of [
      [...flat, again],
      [again, ...flat],
    ])
      expect(marginals(findings).hypotheses[0]).toEqual(said.hypotheses[0]);
    // A charge that was right all the while is none of the work's.
    expect(marginals([again], {}).now).toBeUndefined();
  });
  it('what was made after the first repair by the clock is of after the work', () => {
    const log = { ...swings, startedAt: '2026-03-04T09:10:00Z' },
      bubbles: Finding = { test: 'gas-valve-bubbles', outcome: 'bubbles' };
    const asked = (finding: Finding) =>
      ask({ logs: [log], findings: [finding], repairs: [{ kind: 'vessel-recharged', toBar: 0.75, at: '2026-03-04T11:10:00Z' }] });
    const early = asked({ ...bubbles, epoch: 'as-found' }),
      late = asked({ ...bubbles, epoch: 'after-work' });
    expect(early.marginals).not.toEqual(late.marginals);
    expect(asked({ ...bubbles, atS: 7100 }).marginals).toEqual(early.marginals);
    expect(asked({ ...bubbles, atS: 7300 }).marginals).toEqual(late.marginals);
  });
});

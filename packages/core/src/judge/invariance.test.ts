import type { PressureLog } from '../log/PressureLog';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import type { Judgement } from './Diagnosis';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { ESTIMATED_HOME, heatCycleOf } from './test/homes';

const SHEET = ESTIMATED_HOME;
const logOf = (id: FaultId, severity: number): PressureLog => heatCycleOf(SHEET, id, severity);
const ask = (rest: Partial<Case>) => diagnose({ format: 'jumper-case', version: 1, id: 'one', circuit: SHEET, ...rest });
/** Greatest difference of any fault's share. */
const apart = (a: Judgement, b: Judgement) =>
  Math.max(...Object.entries(a.marginals).map(([id, p]) => Math.abs(p - (b.marginals[id as FaultId] ?? 0))));

const flat = logOf('vessel-undercharged', 0.6);
const FOUND: Finding[] = [
  { test: 'gas-valve-press', outcome: 'air' },
  { test: 'discharge-pipe', outcome: 'stained' },
  { test: 'second-gauge', firstGaugeBar: 1.1, valueBar: 1.12 },
];
const asked = ask({ logs: [flat], findings: FOUND });

describe('the answer hangs on what was found, and on nothing else:', () => {
  it('not on the order in which tests were written down', () => {
    expect(apart(asked, ask({ logs: [flat], findings: [...FOUND].reverse() }))).toBeLessThan(1e-9);
  });

  it('not on names, titles and fields that nobody knows', () => {
    const other = { logs: [flat], findings: FOUND, title: 'Cellar, 3rd door', noted: { by: 'hand' } } as Partial<Case>;
    expect(diagnose({ format: 'jumper-case', version: 1, id: 'quite another', circuit: SHEET, ...other }).hypotheses).toEqual(
      asked.hypotheses,
    );
  });

  it('not on when the log’s clock was started', () => {
    const later: PressureLog = {
      ...flat,
      samples: { ...flat.samples, tS: flat.samples.tS.map((t) => t + 5000) },
      events: (flat.events ?? []).map((e) => ({ ...e, tS: e.tS + 5000 })),
    };
    expect(apart(asked, ask({ logs: [later], findings: FOUND }))).toBeLessThan(1e-6);
  });

  it('not on when the clock of a logger was started, nor on what somebody noted in words', () => {
    // Slices of whole readings: a hair's breadth decides where one ends.
    const every10S = heatCycleOf(SHEET, 'vessel-undercharged', 0.6, 10),
      { tS } = every10S.samples,
      whole = tS.length - ((tS.length - 1) % 100);
    const part = <T>(values: readonly T[]) => values.slice(0, whole);
    const logger: PressureLog = {
      ...every10S,
      source: 'logger',
      samples: { tS: part(tS), pressureBar: part(every10S.samples.pressureBar), flowC: part(every10S.samples.flowC!) },
    };
    const later: PressureLog = {
      ...logger,
      samples: { ...logger.samples, tS: logger.samples.tS.map((t) => t + 137.3) },
      events: [
        ...(logger.events ?? []).map((e) => ({ ...e, tS: e.tS + 137.3 })),
        { tS: 137.3 + 1234.5, kind: 'note' as const, text: 'a door banged' },
      ].sort((a, b) => a.tS - b.tS),
    };
    expect(whole).toBeGreaterThan(100);
    expect(apart(ask({ logs: [logger] }), ask({ logs: [later] }))).toBeLessThan(1e-6);
  });

  it('not on moments at which nothing was read', () => {
    const { tS, pressureBar, flowC, returnC } = flat.samples;
    const gaps = <T>(values: T[], filler: T) => values.flatMap((v, i) => (i % 5 === 2 ? [v, filler] : [v]));
    const holed: PressureLog = {
      ...flat,
      samples: {
        tS: tS.flatMap((t, i) => (i % 5 === 2 ? [t, t + 60] : [t])),
        pressureBar: gaps(pressureBar, null),
        ...(flowC ? { flowC: gaps(flowC, null) } : {}),
        ...(returnC ? { returnC: gaps(returnC, null) } : {}),
      },
    };
    expect(holed.samples.tS.length).toBeGreaterThan(tS.length + 3);
    expect(apart(asked, ask({ logs: [holed], findings: FOUND }))).toBeLessThan(1e-6);
  });
});

it('readings of every second minute tell the same fault as those of every minute', () => {
  const every = (n: number): PressureLog => {
    const s = flat.samples;
    const take = <T>(x: T[]) => x.filter((_, i) => i % n === 0);
    return {
      ...flat,
      samples: {
        tS: take(s.tS),
        pressureBar: take(s.pressureBar),
        ...(s.flowC ? { flowC: take(s.flowC) } : {}),
        ...(s.returnC ? { returnC: take(s.returnC) } : {}),
      },
    };
  };
  expect(ask({ logs: [every(2)] }).hypotheses[0]!.faults).toEqual(ask({ logs: [every(1)] }).hypotheses[0]!.faults);
});

it('a second log of the same makes no other answer of it: the charge stays where it was', () => {
  const one = ask({ logs: [flat] }),
    two = ask({ logs: [flat, { ...logOf('vessel-undercharged', 0.6), startedAt: '2026-03-05T09:00:00Z' }] });
  const littleGas = (d: Judgement) => d.marginals['vessel-undercharged']! + d.marginals['vessel-diaphragm-failed']!;
  expect(littleGas(two)).toBeGreaterThanOrEqual(littleGas(one) - 0.02);
  const a = one.estimates.prechargeBar!,
    b = two.estimates.prechargeBar!;
  expect(Math.abs(b.median - a.median)).toBeLessThan(0.1);
  expect(b.p95 - b.p05).toBeLessThanOrEqual((a.p95 - a.p05) * 1.4);
});

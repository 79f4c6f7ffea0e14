import fc from 'fast-check';
import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { EventKind, LogEvent } from '../../log/PressureLog';
import { diagnose } from '../diagnose';
import { SMALL_HOME } from '../test/homes';
import { openShares, shutsAValve } from './openShares';

const at = (tS: number, kind: EventKind): LogEvent => ({ tS, kind });

it('what is turned at the moment of a reading is turned after it', () => {
  const { fill, coil, boiler } = openShares([at(0, 'cold-main-closed'), at(1200, 'cold-main-opened')], [0, 1200, 1500, 2400]);
  expect([...fill]).toEqual([0, 0, 1, 1]);
  expect([...coil]).toEqual([0, 0, 1, 1]);
  expect([...boiler]).toEqual([1, 1, 1, 1]);
});

it('what is turned between two readings was open for a part of the time', () => {
  expect([...openShares([at(150, 'boiler-isolated'), at(700, 'boiler-reopened')], [0, 600, 1000]).boiler]).toEqual([1, 0.25, 0.75]);
});

it('a loop that was parted stays so when the main is opened again', () => {
  const { fill, coil } = openShares([at(10, 'fill-disconnected'), at(20, 'cold-main-closed'), at(40, 'cold-main-opened')], [0, 20, 40, 60]);
  expect([...fill]).toEqual([1, 0.5, 0, 0]);
  expect([...coil]).toEqual([1, 1, 0, 1]);
});

it('a hole to the hot water is tapped as long as the main is shut and a tap open, unless the coil is shut off', () => {
  const events = [at(100, 'hot-tap-open'), at(200, 'cold-main-closed'), at(500, 'hot-tap-closed'), at(600, 'hot-tap-open')];
  expect([...openShares(events, [0, 400, 800]).tapped]).toEqual([0, 0.5, 0.75]);
  expect([...openShares([...events, at(700, 'coil-isolated')], [0, 400, 800]).tapped]).toEqual([0, 0.5, 0.5]);
  expect([...openShares([at(0, 'hot-tap-open')], [0, 400]).tapped]).toEqual([0, 0]);
});

it('however often it is read in between, something was open for as long', () => {
  const events = [at(300, 'coil-isolated'), at(700, 'coil-reopened'), at(1000, 'cold-main-closed'), at(1300, 'cold-main-opened')];
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 1999 }), { maxLength: 12 }), (more) => {
      const tS = [0, ...[...new Set(more)].sort((a, b) => a - b), 2000],
        openS = [...openShares(events, tS).coil].reduce((sum, share, i) => sum + (i > 0 ? share * (tS[i]! - tS[i - 1]!) : 0), 0);
      return Math.abs(openS - 1300) < 1e-6;
    }),
  );
});

it('what nobody turned was open all the time, whatever else was written down and when', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 7200, noNaN: true }), { minLength: 1, maxLength: 12 }),
      fc.constantFrom<EventKind>('heat-off', 'heat-on', 'note', 'top-up', 'coil-isolated'),
      (whenS, kind) => {
        const events = whenS.sort((a, b) => a - b).map((tS) => at(tS, kind)),
          { fill, boiler } = openShares(events, [0, 601.7, 1203.9, 1800.1, 7200]);
        return [...fill, ...boiler].every((share) => share === 1);
      },
    ),
  );
});

it('shutting off is told from opening, and from all else', () => {
  expect((['cold-main-closed', 'fill-closed', 'fill-disconnected', 'coil-isolated', 'boiler-isolated'] as const).every(shutsAValve)).toBe(
    true,
  );
  expect(
    (['cold-main-opened', 'coil-reopened', 'hot-tap-closed', 'hot-tap-open', 'top-up', 'heat-on', 'note'] as const).some(shutsAValve),
  ).toBe(false);
});

it('steady as long as the main was shut and rising from the reading at which it was opened is mains water, on a bare sheet as well', () => {
  const circuit: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } };
  const logs = [
    {
      source: 'hand' as const,
      samples: { tS: [0, 1200, 1500, 2400], pressureBar: [1.5, 1.5, 1.6, 1.85], flowC: [19, 19, 19, 19] },
      events: [at(0, 'cold-main-closed'), at(1200, 'cold-main-opened')],
    },
  ];
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'main',
    circuit,
    complaint: ['drips-outside'],
    logs,
    findings: [{ test: 'fill-outlet-drip', outcome: 'dry' }],
  });
  expect(d.marginals['dhw-plate-perforated']! + d.marginals['dhw-coil-perforated']!).toBeGreaterThan(0.85);
});

it('what falls only while a hot tap is open and the main shut goes out by the hole to the hot water', () => {
  const minutes = [0, 10, 20, 30, 40, 50, 60];
  const log = {
    source: 'hand' as const,
    samples: { tS: minutes.map((m) => 60 * m), pressureBar: [2, 2.1, 2.2, 2.1, 1.95, 2.05, 2.15], flowC: minutes.map(() => 20) },
    events: [at(1260, 'cold-main-closed'), at(1260, 'hot-tap-open'), at(2460, 'hot-tap-closed'), at(2460, 'cold-main-opened')],
  };
  const { hypotheses } = diagnose({ format: 'jumper-case', version: 1, id: 'tap', circuit: SMALL_HOME, logs: [log] });
  expect(hypotheses[0]!.faults).toEqual(['dhw-plate-perforated']);
  expect(hypotheses[0]!.probability).toBeGreaterThan(0.8);
});

it('a gauge on the pipes that falls until the boiler is shut off from it speaks for a leak at the boiler, by its exchanger or by its relief; one that goes on falling for a leak elsewhere', () => {
  const circuit: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 95,
    staticHeadM: 4,
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop' },
    domesticHotWater: { kind: 'indirect-coil' },
  };
  const asked = (lastBar: number) =>
    diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'boiler',
      circuit,
      logs: [
        {
          source: 'hand',
          samples: { tS: [0, 1800, 3600, 7200], pressureBar: [1.5, 1.35, 1.2, lastBar], flowC: [20, 20, 20, 20] },
          events: [at(3600, 'boiler-isolated')],
        },
      ],
    }).marginals;
  const stands = asked(1.2),
    falls = asked(0.9),
    atBoiler = (m: typeof stands) => m['boiler-exchanger-leak']! + m['relief-valve-passing']!;
  // Whose gauge it is nobody wrote down: on such a plant it is the boiler's own less often than not.
  expect(atBoiler(stands)).toBeGreaterThan(1.3 * atBoiler(falls));
  expect(stands['relief-valve-passing']!).toBeGreaterThan(0.2);
  expect(falls['circuit-leak']!).toBeGreaterThan(1.3 * stands['circuit-leak']!);
  expect(falls['circuit-leak']!).toBeGreaterThan(falls['boiler-exchanger-leak']!);
});

import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import { HOME } from './test/homes';

// A circuit that loses water cold, and whose boiler is shut off half-way. Which side the gauge then shows nobody wrote down: on a wall
// boiler it is mostly the boiler's own. Common practice.
const MINUTES = [0, 60, 120, 122, 180, 240];
const asked = (pressureBar: number[], circuit = HOME) =>
  diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'side',
    circuit,
    complaint: ['topped-up-often'],
    logs: [
      {
        source: 'hand',
        samples: { tS: MINUTES.map((m) => 60 * m), pressureBar, flowC: MINUTES.map(() => 18) },
        events: [{ tS: 60 * 121, kind: 'boiler-isolated' }],
      },
    ],
    findings: [{ test: 'discharge-pipe', outcome: 'dry' }],
  }).marginals as Record<FaultId, number>;
const STOPS = [1.6, 1.45, 1.3, 1.3, 1.3, 1.3],
  GOES_ON = [1.6, 1.45, 1.3, 1.3, 1.2, 1.1];
const oddsOfBoiler = (m: Record<FaultId, number>) => m['boiler-exchanger-leak'] / m['circuit-leak'];

it('what stops once the boiler is shut off may have leaked on either side, and a test with both pressures has to tell', () => {
  const m = asked(STOPS);
  expect(m['boiler-exchanger-leak']).toBeGreaterThan(0.02);
  expect(m['circuit-leak']).toBeGreaterThan(0.3);
});

it('a wall boiler’s own gauge goes on falling for the boiler’s leak; one on the pipes stops for it', () => {
  const onThePipes = { ...HOME, domesticHotWater: { kind: 'indirect-coil' as const } };
  expect(oddsOfBoiler(asked(GOES_ON))).toBeGreaterThan(oddsOfBoiler(asked(GOES_ON, onThePipes)));
  expect(oddsOfBoiler(asked(STOPS, onThePipes))).toBeGreaterThan(oddsOfBoiler(asked(STOPS)));
});

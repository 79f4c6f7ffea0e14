import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { PressureLog } from '../../log/PressureLog';
import { creepInflowsLPerH } from './creepInflow';
import { diagnose } from '../diagnose';
import { layOutLog } from '../layOut/layOutLog';

const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 180,
  waterVolumeSource: 'measured',
  heatOutputKw: 20,
  staticHeadM: 3,
  vessel: { nominalVolumeL: 24, labelPrechargeBar: 0.83 },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 1, mainsBar: 3 },
  domesticHotWater: { kind: 'none' },
  gauge: { kind: 'sensor', resolutionBar: 0.01 },
};
const circuit = resolveCircuit(FED);
const STRETCH = circuit.stretchLPerBar,
  P0 = 0.83 + circuit.atmosphericBar;

/** A cold circuit into which water comes through a hole of so many L/h at one bar, until the relief simmers: water by the gas law, step by
 *  step. */
function coldWatch(kLPerH: number, minutes = 70): PressureLog {
  const tS: number[] = [],
    pressureBar: number[] = [],
    flowC: number[] = [];
  let bar = 1.05;
  for (let s = 0; s <= minutes * 60; s += 10) {
    if (s % 30 === 0) {
      tS.push(s);
      pressureBar.push(Math.round(100 * bar) / 100);
      flowC.push(16 + 0.3 * Math.sin(s));
    }
    const P = bar + circuit.atmosphericBar,
      litresPerBar = (P0 * 24) / (P * P) + STRETCH;
    bar = Math.min(1.95, bar + (kLPerH * Math.sqrt(3 - bar) * (10 / 3600)) / litresPerBar);
  }
  return { source: 'logger', samples: { tS, pressureBar, flowC }, events: [] };
}
const track = (log: PressureLog) => layOutLog(log, circuit)!;

it('tells from how fast it rises without heat about how much comes in, where the charge is right', () => {
  for (const k of [1, 4, 12]) {
    const [found, ...more] = creepInflowsLPerH('right', circuit, [track(coldWatch(k, 20))]);
    expect(more).toEqual([]);
    expect(found! / k).toBeGreaterThan(0.7);
    expect(found! / k).toBeLessThan(1.7);
  }
});

it('begins lower the less gas there is, and nowhere where nothing rises, or heat is why', () => {
  const log = track(coldWatch(4, 20)),
    right = creepInflowsLPerH('right', circuit, [log])[0]!;
  for (const lPerH of [...creepInflowsLPerH('low', circuit, [log]), ...creepInflowsLPerH('cut-off', circuit, [log])])
    expect(lPerH).toBeLessThan(right);
  expect(creepInflowsLPerH('right', circuit, [track(coldWatch(0))])).toEqual([]);
  const warming: PressureLog = {
    source: 'logger',
    samples: { tS: [0, 300, 600, 900], pressureBar: [1, 1.05, 1.13, 1.21], flowC: [16, 30, 45, 60] },
  };
  expect(creepInflowsLPerH('right', circuit, [track(warming)])).toEqual([]);
  expect(
    creepInflowsLPerH('right', circuit, [
      track({ ...warming, samples: { ...warming.samples, flowC: undefined }, events: [{ tS: 0, kind: 'heat-on' }] }),
    ]),
  ).toEqual([]);
});

it('is found while it is heated too: what is left of a rise when the growth is taken off', () => {
  // Boyle: in a quarter of an hour some 8 L come in beside some 2 L of growth, at 2 bar below the mains.
  const filling = track({
    source: 'logger',
    samples: { tS: [0, 300, 600, 900], pressureBar: [1, 1.27, 1.58, 1.95], flowC: [16, 22, 29, 36] },
    events: [{ tS: 0, kind: 'heat-on' }],
  });
  const [lPerH] = creepInflowsLPerH('right', circuit, [filling]);
  expect(lPerH!).toBeGreaterThan(15);
  expect(lPerH!).toBeLessThan(45);
  expect(creepInflowsLPerH('cut-off', circuit, [filling])).toEqual([]);
});

it('an open bypass that fills a cold circuit to its relief needs no flat vessel beside it', () => {
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'bypass',
    circuit: { ...FED, fill: { kind: 'reducing-valve', setBar: 1 } },
    logs: [coldWatch(11)],
  });
  expect(['fill-bypass-open', 'reducing-valve-creeping']).toContain(d.hypotheses[0]!.faults.join());
  expect(d.estimates.inflowLPerH!.median).toBeGreaterThan(6);
  expect(d.marginals['vessel-undercharged']!).toBeLessThan(0.2);
});

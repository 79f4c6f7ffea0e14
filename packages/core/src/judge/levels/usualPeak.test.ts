import { resolveCircuit } from '../../circuit/resolveCircuit';
import { cycleFeatures } from '../../log/cycleFeatures';
import { expectedPressure } from '../../circuit/expectedPressure';
import { usualPeakBar } from './usualPeak';

const C = resolveCircuit({
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  staticHeadM: 4,
  maxFlowC: 75,
});
const heatedTo = (flowC: number[], pressureBar: number[]) =>
  cycleFeatures({
    source: 'hand',
    samples: { tS: flowC.map((_, i) => 180 * i), pressureBar, flowC },
    events: [{ tS: 0, kind: 'heat-on' }],
  });

it('a log that came to the limit has shown its peak; one that ended on the way goes on as physics says, to a tenth of a bar', () => {
  const cold = C.fillGaugeBar,
    at = (flowC: number) => expectedPressure({ circuit: C, coldGaugeBar: cold, coldC: 15, flowC }).gaugeBar;
  expect(usualPeakBar(at(74), [heatedTo([15, 45, 74], [cold, at(45), at(74)])], C)).toBe(at(74));
  const half = usualPeakBar(at(50), [heatedTo([15, 35, 50], [cold, at(35), at(50)])], C)!;
  expect(half).toBeGreaterThan(at(50) + 0.1);
  expect(Math.abs(half - at(75))).toBeLessThan(0.12);
});

it('never passes the relief, never falls under the peak, and counts from the fill wanted where it was found lower', () => {
  const low = C.fillGaugeBar - 0.5,
    flow = [15, 45, 74];
  expect(usualPeakBar(2.8, [heatedTo([15, 30, 40], [1, 2, 2.8])], C)).toBe(3);
  expect(usualPeakBar(3.2, [heatedTo(flow, [1, 2.4, 3.2])], C)).toBe(3.2);
  expect(usualPeakBar(low + 0.4, [heatedTo(flow, [low, low + 0.2, low + 0.4])], C)).toBeGreaterThan(low + 0.85);
});

it('says nothing where nothing was logged warm, and no more than the peak where no temperature was read', () => {
  expect(usualPeakBar(null, [], C)).toBeNull();
  const blind = cycleFeatures({
    source: 'hand',
    samples: { tS: [0, 600], pressureBar: [C.fillGaugeBar, 1.5] },
    events: [{ tS: 0, kind: 'heat-on' }],
  });
  expect(usualPeakBar(1.5, [blind], C)).toBe(1.5);
});

import type { CircuitSheet } from '../../circuit/CircuitSheet';
import { resolveCircuit } from '../../circuit/resolveCircuit';
import { layOutLog } from './layOutLog';

const HOUR_S = 3600;
const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  heatOutputKw: 20,
  gauge: { kind: 'sensor', resolutionBar: 0.01 },
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.8 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
};
/** Two days with three heats, each of which lifts the pressure from where it stands cold to 2.8 bar: near the relief, and below it. */
function begins(coldBar: (heat: number) => number, sheet: CircuitSheet = SHEET): number {
  const tS = Array.from({ length: 1440 }, (_, i) => 120 * i),
    heatAt = (t: number) => Math.floor(t / (16 * HOUR_S)),
    warmth = (t: number) => {
      const into = t - heatAt(t) * 16 * HOUR_S - 4 * HOUR_S;
      return into < 0 ? 0 : into < HOUR_S ? into / HOUR_S : into < 3 * HOUR_S ? 1 : Math.max(0, 1 - (into - 3 * HOUR_S) / (2 * HOUR_S));
    },
    // What the relief let go is gone from when the water is hot.
    standsAt = (t: number) => coldBar(heatAt(t) + (t - heatAt(t) * 16 * HOUR_S > 5 * HOUR_S ? 1 : 0));
  const track = layOutLog(
    {
      source: 'logger',
      samples: {
        tS,
        pressureBar: tS.map((t) => standsAt(t) + (2.8 - standsAt(t)) * warmth(t)),
        flowC: tS.map((t) => 18 + 52 * warmth(t)),
        returnC: tS.map((t) => 18 + 42 * warmth(t)),
      },
    },
    resolveCircuit(sheet),
  )!;
  return track.starts.reduce((sum, s) => sum + Number(s > 0), 0);
}

it('what stands as high after each heat as before it has let nothing go, however near the relief it came', () => {
  expect(begins(() => 1.4)).toBe(1);
});

it('what stands lower after a heat than before begins anew there', () => {
  expect(begins((heat) => 1.6 - 0.2 * heat)).toBeGreaterThanOrEqual(3);
});

it('where a feed makes up for what is lost the same level says nothing', () => {
  expect(begins(() => 1.4, { ...SHEET, fill: { kind: 'reducing-valve', setBar: 1.4 } })).toBeGreaterThanOrEqual(3);
});

import { cycleFeatures } from './cycleFeatures';
import type { PressureLog } from './PressureLog';
import { keepPeaks } from './keepPeaks';
import { reduceLog } from './reduceLog';

const hand: PressureLog = {
  samples: { tS: [0, 60, 120, 600, 900], pressureBar: [1, 1, 1.2, 1.8, 2.1], flowC: [17, null, 30, 55, 66] },
  events: [{ tS: 60, kind: 'heat-on' }],
};

it('reads a cycle as a person would', () => {
  expect(cycleFeatures(hand)).toMatchObject({ coldBar: 1, hotBar: 2.1, coldC: 17, hotC: 66, hottestC: 66 });
  expect(Math.abs(cycleFeatures(hand).swingBar! - 1.1)).toBeLessThan(1e-9);
});

it('takes a temperature that was read once it was heated for no cold one, and the return for the flow before', () => {
  const late = {
    samples: { tS: [0, 300, 900], pressureBar: [1, 1.2, 1.6], flowC: [null, null, 45] },
    events: [{ tS: 120, kind: 'heat-on' as const }],
  };
  expect(cycleFeatures(late)).toMatchObject({ firstC: null, coldC: null, hotC: 45 });
  expect(cycleFeatures({ ...late, samples: { ...late.samples, returnC: [16, 18, 30] } })).toMatchObject({ firstC: 16, coldC: 16 });
  expect(cycleFeatures({ samples: { tS: [0, 300], pressureBar: [1, 1.2], flowC: [null, 20] } }).firstC).toBe(20);
});

it('does not count what came after water was let in by hand', () => {
  expect(cycleFeatures({ ...hand, events: [...hand.events!, { tS: 700, kind: 'top-up' }] }).hotBar).toBe(1.8);
});

it('has no swing with one reading and nothing at all without any', () => {
  expect(cycleFeatures({ samples: { tS: [0], pressureBar: [1] } }).swingBar).toBeNull();
  expect(cycleFeatures({ samples: { tS: [], pressureBar: [] } }).firstBar).toBeNull();
});

it('keeps a hand log as it is, skipping what was not read', () => {
  expect(reduceLog({ samples: { tS: [0, 60, 120], pressureBar: [1, null, 1.2] } })).toMatchObject({ tS: [0, 120], gaugeBar: [1, 1.2] });
});

it('thins a logger to about a hundred points that never mix across an event, and keeps the mean', () => {
  const n = 7200;
  const tS = Array.from({ length: n }, (_, i) => i),
    pressureBar = tS.map((t) => 1 + t / n);
  const r = reduceLog({ samples: { tS, pressureBar }, events: [{ tS: 1000.5, kind: 'heat-on' }] });
  expect(r.tS.length).toBeGreaterThan(80);
  expect(r.tS.length).toBeLessThan(130);
  expect(r.count.reduce((a, b) => a + b, 0)).toBe(n);
  r.tS.forEach((t, i) => expect(Math.abs(r.gaugeBar[i]! - (1 + t / n))).toBeLessThan(1e-9));
  let from = 0;
  for (const c of r.count) {
    expect(from < 1001 && from + c > 1001).toBe(false);
    from += c;
  }
});

it('thins nothing that is short, and never repeats or turns round', () => {
  expect(keepPeaks([1, 2, null, 4], 10)).toEqual([0, 1, 2, 3]);
  const kept = keepPeaks(
    Array.from({ length: 5000 }, (_, i) => Math.cos(i)),
    50,
  );
  kept.slice(1).forEach((k, i) => expect(k).toBeGreaterThan(kept[i]!));
  expect(kept.length).toBeLessThanOrEqual(200);
  expect(Math.max(...kept.map(Math.cos))).toBe(1);
});

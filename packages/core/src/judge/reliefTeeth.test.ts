import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import { predictGauge, SLOT } from './fit/kernel';
import { layOutLog } from './layOut/layOutLog';

// What a relief's lifting and shutting tells beside that it lifted. Visits in our own words; common practice.
const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 190,
  waterVolumeSource: 'estimated',
  heatOutputKw: 33,
  staticHeadM: 4.5,
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.83, isolationValve: 'fitted' },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 0.83, mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  gauge: { kind: 'sensor', resolutionBar: 0.01 },
  maxFlowC: 65,
};
type Log = NonNullable<Case['logs']>[number];
const logger = (readings: [min: number, bar: number, flowC: number][], onMin: number, offMin?: number): Log => ({
  source: 'logger',
  samples: {
    tS: readings.map(([min]) => 60 * min),
    pressureBar: readings.map(([, bar]) => bar),
    flowC: readings.map(([, , flowC]) => flowC),
    returnC: readings.map(([, , flowC]) => Math.max(15, flowC - 7)),
  },
  events: [{ tS: 60 * onMin, kind: 'heat-on' }, ...(offMin === undefined ? [] : [{ tS: 60 * offMin, kind: 'heat-off' as const }])],
});
const judged = (circuit: CircuitSheet, log: Log) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'teeth', circuit, logs: [log], findings: [] });
const shareOf = (d: ReturnType<typeof diagnose>, ...faults: FaultId[]) =>
  d.hypotheses.filter((h) => h.faults.length === 1 && faults.includes(h.faults[0]!)).reduce((sum, h) => sum + h.probability, 0);
/** What lies between two readings, minute by minute. */
const between = (readings: [number, number, number][]): [number, number, number][] =>
  readings.flatMap(([min, bar, flowC], k) => {
    const next = readings[k + 1];
    return next
      ? Array.from({ length: next[0] - min }, (_, i): [number, number, number] => [
          min + i,
          bar + ((next[1] - bar) * i) / (next[0] - min),
          flowC + ((next[2] - flowC) * i) / (next[0] - min),
        ])
      : [[min, bar, flowC]];
  });
/** The same, to a hundredth of a bar. */
const everyMinute = (readings: [number, number, number][]) =>
  between(readings).map(([m, bar, c]): [number, number, number] => [m, Math.round(100 * bar) / 100, c]);

/** Warms for half an hour, and saws between 2.02 and 1.76 bar; the water stays at 58 °C meanwhile. */
const WARMS: [number, number, number][] = [
  [0, 0.8, 16],
  [1, 0.8, 16],
  [11, 1.06, 39],
  [19, 1.31, 50],
  [27, 1.57, 57],
];
const sawWithoutHeat = logger(
  everyMinute([...WARMS, [31, 1.7, 58], [43, 2.02, 58], [45, 1.76, 58], [59, 2.02, 58], [61, 1.76, 58], [66, 1.86, 58]]),
  1,
);
const heldWithoutHeat = logger(everyMinute([...WARMS, [37, 2.02, 66], [39, 1.76, 66], [66, 1.76, 66]]), 1);

describe('between two lifts', () => {
  it('the water begins anew at the foot of each tooth', () => {
    const c = resolveCircuit(FED),
      track = layOutLog(sawWithoutHeat, c)!,
      begins = [...track.starts.keys()].filter((i) => track.starts[i]).map((i) => track.tS[i]! / 60);
    expect(begins).toHaveLength(3);
    expect(Math.abs(begins[1]! - 45)).toBeLessThanOrEqual(2);
    expect(Math.abs(begins[2]! - 61)).toBeLessThanOrEqual(2);
    expect(track.letGo!.gaugeBar).toBeCloseTo(2.02, 1);
    const gone = layOutLog(heldWithoutHeat, c)!;
    expect([...gone.starts].filter((s) => s)).toHaveLength(2);
  });
  it('a pressure that comes back while the water grows no warmer is water coming in', () => {
    const comesIn = shareOf(judged(FED, sawWithoutHeat), 'reducing-valve-creeping', 'fill-bypass-open', 'dhw-coil-perforated');
    expect(comesIn).toBeGreaterThan(0.5);
    expect(shareOf(judged(FED, heldWithoutHeat), 'reducing-valve-creeping', 'fill-bypass-open', 'dhw-coil-perforated')).toBeLessThan(0.1);
  });
  it('a circuit that falls again and again from the same place as it warms has a relief that lifts there, or a gauge that shows it there', () => {
    const home: CircuitSheet = {
      ...FED,
      reliefValve: { setBar: 3 },
      fill: { kind: 'manual-loop' },
      vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.83 },
    };
    const teeth = everyMinute([
      [0, 1.3, 18],
      [2, 1.3, 18],
      [14, 1.8, 45],
      [15, 1.68, 46],
      [18, 1.8, 49],
      [19, 1.68, 50],
      [23, 1.8, 53],
      [24, 1.68, 54],
      [29, 1.8, 57],
      [30, 1.68, 58],
      [36, 1.79, 61],
    ]);
    const log = logger(teeth, 2),
      track = layOutLog(log, resolveCircuit(home))!;
    expect(track.letGo!.times).toBe(4);
    const d = judged(home, log);
    expect(d.marginals['relief-valve-lifts-early']! + d.marginals['gauge-misreading']!).toBeGreaterThan(0.65);
  });
  it('a hand that reads every ten minutes sees no teeth', () => {
    const byHand: Log = {
      ...sawWithoutHeat,
      source: 'hand',
      samples: {
        tS: [0, 600, 1200, 1800, 2400, 3000, 3600],
        pressureBar: [0.8, 1.05, 1.35, 1.65, 1.95, 1.85, 1.9],
        flowC: [16, 38, 51, 58, 58, 58, 58],
      },
    };
    expect([...layOutLog(byHand, resolveCircuit(FED))!.starts].filter((s) => s)).toHaveLength(1);
  });
});

describe('an open bypass', () => {
  it('that lets in more than a worn relief dribbles is held by the relief all the same', () => {
    const c = resolveCircuit(FED),
      cold = layOutLog(
        {
          source: 'logger',
          samples: {
            tS: Array.from({ length: 60 }, (_, i) => 60 * i),
            pressureBar: Array.from({ length: 60 }, () => 0.8),
            flowC: Array.from({ length: 60 }, () => 16),
          },
        },
        c,
      )!;
    const shown = (inFill: number) => {
      const v = new Float64Array(SLOT.start + 1),
        out = new Float64Array(cold.n);
      Object.entries({
        gas: (0.83 + c.atmosphericBar) * 18,
        vesselL: 18,
        contentL: 190,
        share: 1,
        lagS: 60,
        stretch: 0.08,
        air: 0.1,
        lift: 2.07,
        seat: 0.9,
        blowsLPerS: 0.017,
        feedHolds: -2,
        mains: 4,
        cap: 0.9,
        doubt: 1,
        inFill,
        start: 0.8,
      }).forEach(([slot, x]) => {
        v[SLOT[slot as keyof typeof SLOT]] = x;
      });
      predictGauge(cold, v, c.atmosphericBar, out, new Float64Array(cold.n));
      return [...out];
    };
    for (const inFill of [20, 100, 400]) expect(Math.max(...shown(inFill))).toBeLessThanOrEqual(2.07 + 1e-9);
    expect(shown(400).at(-1)!).toBeGreaterThan(1.8);
  });
  it('that has filled the circuit in six minutes needs no flat vessel beside it', () => {
    // Boyle: 100 L/h into 18 L of gas charged to 0.83 bar, until the relief lifts and simmers at 1.88.
    const filled = logger(
      everyMinute([
        [0, 0.8, 16],
        [2, 1.12, 16],
        [4, 1.6, 17],
        [5, 1.96, 19],
        [6, 1.88, 21],
        [40, 1.88, 55],
      ]),
      4,
    );
    const d = judged(FED, filled);
    expect(
      d.marginals['fill-bypass-open']! + d.marginals['reducing-valve-creeping']! + d.marginals['dhw-coil-perforated']!,
    ).toBeGreaterThan(0.8);
    expect(d.hypotheses[0]!.faults).toHaveLength(1);
    expect(d.marginals['vessel-undercharged']! + d.marginals['vessel-diaphragm-failed']!).toBeLessThan(0.5);
  });
});

describe('a quick fall while it is hot', () => {
  const PLANT: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 1150,
    waterVolumeSource: 'estimated',
    heatOutputKw: 130,
    staticHeadM: 15,
    vessel: { nominalVolumeL: 280, labelPrechargeBar: 1.9, isolationValve: 'none' },
    reliefValve: { setBar: 3.5 },
    fill: { kind: 'pressurisation-unit', cutInBar: 2.05, cutOutBar: 2.45 },
    domesticHotWater: { kind: 'none' },
    gauge: { kind: 'sensor', resolutionBar: 0.01 },
    maxFlowC: 75,
  };
  const warm: [number, number, number][] = [
    [0, 2.2, 20],
    [8, 2.2, 20],
    [30, 2.34, 52],
    [49, 2.45, 65],
    [67, 2.5, 68],
    [79, 2.51, 68],
  ];
  it('that takes a large plant several readings is one letting go, and says where the relief lifts', () => {
    const log = logger(everyMinute([...warm, [83, 2.3, 68], [87, 2.12, 68], [89, 2.08, 68], [110, 2.07, 68]]), 8),
      track = layOutLog(log, resolveCircuit(PLANT))!;
    expect(track.letGo!.gaugeBar).toBeCloseTo(2.51, 1);
    expect([...track.starts].filter((s) => s)).toHaveLength(2);
    const d = judged(PLANT, log);
    expect(d.hypotheses[0]!.faults).toEqual(['relief-valve-lifts-early']);
  });
  it('to next to nothing is no relief’s: that shuts long before', () => {
    const emptied = logger(everyMinute([...warm, [83, 1.2, 68], [87, 0.2, 68], [110, 0.1, 68]]), 8);
    expect(layOutLog(emptied, resolveCircuit(PLANT))!.letGo).toBeNull();
  });
  it('after the heat went off is cooling, though two points after one another differ by a fraction of a kelvin', () => {
    const emptied = logger(
      everyMinute([
        [0, 1, 20],
        [5, 1, 20],
        [40, 1.5, 58],
        [70, 0.88, 32],
        [72, 0.45, 31.4],
        [74, 0.15, 30.9],
        [76, 0.02, 30.5],
        [90, 0.02, 27],
      ]),
      5,
      40,
    );
    expect(layOutLog(emptied, resolveCircuit(FED))!.letGo).toBeNull();
  });
});

it('a peak that nobody read is no leak: without its vessel a circuit falls by a bar for a kelvin', () => {
  const shut: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 180,
    waterVolumeSource: 'measured',
    heatOutputKw: 13,
    staticHeadM: 6.5,
    vessel: { nominalVolumeL: 14, labelPrechargeBar: 0.9, isolationValve: 'fitted' },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop' },
    domesticHotWater: { kind: 'indirect-coil' },
    gauge: { kind: 'dial', resolutionBar: 0.05 },
    maxFlowC: 65,
  };
  const log: Log = {
    source: 'hand',
    samples: {
      tS: [0, 780, 1620, 2400, 3240, 4020, 4800],
      pressureBar: [1.05, 2.4, 2.4, 2.45, 1.15, 0, 0],
      flowC: [22, 36, 46, 54, 55, 49, 47],
      returnC: [22, 27, 37, 44, 50, 46, 43],
    },
    events: [
      { tS: 78, kind: 'heat-on' },
      { tS: 2987, kind: 'heat-off' },
    ],
  };
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'unseen',
    circuit: shut,
    logs: [log],
    findings: [{ test: 'vessel-valve-position', outcome: 'closed' }],
  });
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-isolated']);
});

describe('a fall of a tenth', () => {
  const LARGE: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 1380,
    waterVolumeSource: 'estimated',
    heatOutputKw: 135,
    staticHeadM: 18,
    vessel: { nominalVolumeL: 160, labelPrechargeBar: 2 },
    reliefValve: { setBar: 4 },
    fill: { kind: 'pressurisation-unit', cutInBar: 2.25, cutOutBar: 2.6 },
    domesticHotWater: { kind: 'none' },
    gauge: { kind: 'sensor', resolutionBar: 0.01 },
    maxFlowC: 75,
  };
  const falls = (after: [number, number, number][]) =>
    logger(everyMinute([[0, 2.43, 24], [12, 2.44, 24], [24, 2.57, 43], [36, 2.72, 53], [45, 2.83, 60], ...after]), 12);
  it('while the water grows warmer is a relief’s, far below its marking', () => {
    const saws = falls([
      [47, 2.71, 61.5],
      [56, 2.79, 66],
      [66, 2.85, 68],
      [68, 2.72, 69],
    ]);
    expect(layOutLog(saws, resolveCircuit(LARGE))!.letGo!.gaugeBar).toBeCloseTo(2.85, 1);
    expect(shareOf(judged(LARGE, saws), 'relief-valve-lifts-early')).toBeGreaterThan(0.6);
  });
  it('as the heat goes off is its pump’s', () =>
    expect(
      layOutLog(
        logger(
          everyMinute([
            [0, 2.43, 24],
            [12, 2.44, 24],
            [24, 2.57, 43],
            [36, 2.72, 53],
            [45, 2.83, 60],
            [47, 2.71, 60.6],
            [56, 2.66, 55],
            [68, 2.6, 52],
          ]),
          12,
          46,
        ),
        resolveCircuit(LARGE),
      )!.letGo,
    ).toBeNull());
  it('while it cools is the water’s own', () =>
    expect(
      layOutLog(
        falls([
          [47, 2.71, 57.5],
          [56, 2.66, 55],
          [68, 2.6, 52],
        ]),
        resolveCircuit(LARGE),
      )!.letGo,
    ).toBeNull());
});

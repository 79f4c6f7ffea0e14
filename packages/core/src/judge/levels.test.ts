import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { Case } from './Case';
import { coldLevelDensity } from './levels/coldLevel';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import { SLOT } from './fit/kernel';
import { logModelOf } from './fit/logModel';
import { layOutLog } from './layOut/layOutLog';
import { parameterSpace } from './fit/parameters/parameterSpace';

// What counts as a fault by its level stands in the catalogue (`faults.ts`): 0.3 bar below the fill wanted, 0.5 above it.
const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 4,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
};
const FED: CircuitSheet = {
  ...SHEET,
  waterVolumeL: 180,
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.83 },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 0.97, mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
};
type Log = NonNullable<Case['logs']>[number];
const watched = (pressureBar: number[], extra: Partial<Log> = {}): Log => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => 300 * i), pressureBar, flowC: pressureBar.map(() => 18) },
  events: [],
  ...extra,
});
const judge = (circuit: CircuitSheet, told: Partial<Case>) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'level', circuit, ...told });
const share = (d: ReturnType<typeof judge>, ...faults: FaultId[]) => faults.reduce((s, f) => s + (d.marginals[f] ?? 0), 0);

it('a circuit that stands still far below its fill is too low, whatever else may be behind it', () => {
  const d = judge(SHEET, { logs: [watched([0.3, 0.3, 0.3, 0.3, 0.3, 0.3, 0.3])] });
  expect(d.hypotheses[0]!.faults).toEqual(['fill-pressure-too-low']);
  // At its fill nothing of the kind is said.
  expect(
    share(judge(SHEET, { logs: [watched([1.1, 1.1, 1.1, 1.1, 1.1, 1.1, 1.1])] }), 'fill-pressure-too-low', 'fill-pressure-too-high'),
  ).toBeLessThan(0.1);
});

it('a fed circuit that stands still far below what its feed is set to gets no water', () => {
  const d = judge(FED, { complaint: ['topped-up-often'], logs: [watched([0.3, 0.3, 0.3, 0.3, 0.3, 0.3])] });
  expect(share(d, 'feed-starved', 'fill-pressure-too-low')).toBeGreaterThan(0.5);
});

it('a flat vessel in an overfilled circuit is both', () => {
  const flat = {
    source: 'hand' as const,
    samples: { tS: [0, 120, 240, 360, 480, 600, 720], pressureBar: [2, 2.3, 2.7, 3, 2.9, 3, 2.9], flowC: [18, 32, 44, 53, 60, 65, 67] },
    events: [{ tS: 0, kind: 'heat-on' as const }],
  };
  const d = judge(SHEET, {
    logs: [flat],
    findings: [
      { test: 'precharge', valueBar: 0, circuitBar: 0, drainOpen: true },
      { test: 'second-gauge', firstGaugeBar: 2, valueBar: 2 },
    ],
  });
  expect(d.hypotheses[0]!.faults).toEqual(['fill-pressure-too-high', 'vessel-undercharged']);
});

it('a gauge is not taken to read so high that the water could not stand above it', () => {
  // Jumps at once to 1.7 and stands there: charged to 1.7, or the gauge reads a bar too high on a circuit with none left.
  const jump = (pressureBar: number[]): Log => ({
    source: 'hand',
    samples: { tS: pressureBar.map((_, i) => 120 * i), pressureBar, flowC: [18, 32, 44, 53, 60, 65, 67] },
    events: [{ tS: 0, kind: 'heat-on' }],
  });
  const d = judge({ ...SHEET, staticHeadM: 7 }, { logs: [jump([0.9, 1.5, 1.75, 1.8, 1.8, 1.85, 1.9])] });
  expect(share(d, 'vessel-overcharged')).toBeGreaterThan(share(d, 'gauge-misreading'));
});

it('a rise with neither a temperature nor a word of heat may have come cold', () => {
  const rise = [1.2, 1.3, 1.4, 1.5, 1.6, 1.7, 1.8, 1.9],
    bare = { source: 'hand' as const, samples: { tS: rise.map((_, i) => 420 * i), pressureBar: rise } };
  const unsaid = judge(SHEET, { logs: [bare] }),
    heated = judge(SHEET, { logs: [{ ...bare, events: [{ tS: 0, kind: 'heat-on' as const }] }] });
  const inflow = (d: ReturnType<typeof judge>) => share(d, 'fill-loop-passing', 'dhw-plate-perforated');
  // Not more: what comes in so fast would mostly have stood at the relief already.
  expect(inflow(unsaid)).toBeGreaterThan(0.1);
  expect(inflow(unsaid)).toBeGreaterThan(1.3 * inflow(heated));
});

it('a log of the time after the work that begins with the recharge is read from there on', () => {
  const after: Log = {
    epoch: 'after-work',
    source: 'hand',
    samples: {
      tS: [0, 60, 180, 300, 420, 540, 660, 780],
      pressureBar: [0, 1.1, 1.15, 1.25, 1.35, 1.45, 1.5, 1.5],
      flowC: [18, 18, 32, 44, 53, 60, 65, 67],
    },
    events: [
      { tS: 30, kind: 'vessel-recharged' },
      { tS: 60, kind: 'heat-on' },
    ],
  };
  const flat = watched([1, 1.3, 1.9, 2.6, 3], {
    samples: { tS: [0, 120, 240, 360, 480], pressureBar: [1, 1.3, 1.9, 2.6, 3], flowC: [18, 32, 44, 55, 62] },
    events: [{ tS: 0, kind: 'heat-on' }],
  });
  const d = judge(SHEET, { logs: [flat, after], repairs: [{ kind: 'vessel-recharged' }] });
  expect(d.now!.predictions.map((p) => p.log)).toEqual([1]);
  expect(d.now!.predictions[0]!.tS[0]).toBeGreaterThanOrEqual(30);
  expect(d.now!.marginals['vessel-undercharged']!).toBeLessThan(0.5 * d.marginals['vessel-undercharged']!);
});

it('what was overfilled stays high only where it loses no water', () => {
  const c = resolveCircuit(SHEET),
    high = (...faults: FaultId[]) => coldLevelDensity(2.3, faults, c),
    low = (...faults: FaultId[]) => coldLevelDensity(0.4, faults, c);
  expect(high('fill-pressure-too-high')).toBeGreaterThan(1.5 * high('fill-pressure-too-high', 'relief-valve-passing'));
  expect(low('fill-pressure-too-high', 'circuit-leak')).toBeGreaterThan(3 * low('fill-pressure-too-high'));
});

it('a circuit that stands below its vessel’s charge is too low, though no label says the charge: the log shows it', () => {
  // Nothing stands in the vessel until the water has grown: at once up to the charge, some 1.0 bar, slowly from there.
  const bare: CircuitSheet = {
    kind: 'sealed-hot-water',
    heatOutputKw: 30,
    waterVolumeL: 300,
    reliefValve: { setBar: 3 },
    vessel: { nominalVolumeL: 25 },
    gauge: { kind: 'dial', resolutionBar: 0.1 },
    fill: { kind: 'manual-loop' },
    domesticHotWater: { kind: 'indirect-coil' },
    maxFlowC: 75,
  };
  const d = judge(bare, {
    logs: [
      {
        source: 'hand',
        samples: {
          tS: [0, 600, 960, 1140, 1320, 1500, 1800, 2220, 2640],
          pressureBar: [0.6, 0.6, 0.6, 0.9, 1, 1, 1, 1.1, 1.2],
          flowC: [20, 20, 21, 32, 35, 38, 42, 49, 55],
        },
        events: [{ tS: 960, kind: 'heat-on' }],
      },
    ],
  });
  expect(d.hypotheses[0]!.faults).toEqual(['fill-pressure-too-low']);
  expect(share(d, 'none')).toBeLessThan(0.1);
});

it('a cold level below a draw’s charge is rare where the vessel is in order, and says nothing where it is not', () => {
  const c = resolveCircuit(SHEET),
    at = (chargeBar: number, ...faults: FaultId[]) => {
      const v = new Float64Array(SLOT.start);
      v[SLOT.vesselL] = 8;
      v[SLOT.gas] = 8 * (chargeBar + c.atmosphericBar);
      return coldLevelDensity(0.75, faults, c, v);
    };
  expect(at(0.5, 'none')).toBeGreaterThan(4 * at(1.1, 'none'));
  expect(at(1.1, 'vessel-overcharged')).toBe(at(0.5, 'vessel-overcharged'));
});

it('no gauge reads so much too high that less than nothing would be in the circuit', () => {
  const c = resolveCircuit(SHEET),
    offsets = (bar: number) =>
      parameterSpace(logModelOf(['gauge-misreading']), SHEET, c, [layOutLog(watched([bar, bar, bar, bar]), c)!]).free.find(
        (p) => p.slot === SLOT.offset,
      )!;
  expect(Math.max(...[-4, -1, 0, 1, 4].map((z) => offsets(0.2).of(z)))).toBeLessThanOrEqual(-0.2);
  expect(offsets(1).of(4)).toBeCloseTo(1.05, 6);
  expect(offsets(1).of(-4)).toBeLessThan(-2);
});

it('a bar and a half, which many fill to, is ordinary where the circuit wants one, and too high where it wants 0.8', () => {
  const ratio = (sheet: CircuitSheet, bar: number) => {
    const c = resolveCircuit(sheet);
    return coldLevelDensity(bar, ['none'], c) / coldLevelDensity(bar, ['fill-pressure-too-high'], c);
  };
  expect(ratio(SHEET, 1.5)).toBeGreaterThan(1.5);
  expect(ratio(SHEET, 1.9)).toBeLessThan(0.3);
  expect(ratio({ ...SHEET, staticHeadM: 2, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.5 } }, 1.5)).toBeLessThan(0.7);
});

it('what comes in fast has filled the circuit up to its relief, unless somebody let it down or it goes out again', () => {
  const c = resolveCircuit(SHEET),
    throughHoles = (bar: number, inFill: number, outBoiler: number, ...faults: FaultId[]) => {
      const v = new Float64Array(SLOT.start);
      for (const [slot, x] of [
        ['vesselL', 8],
        ['gas', 8 * 1.76],
        ['cap', 0.9],
        ['stretch', 0.03],
        ['air', 0.1],
        ['lift', 2.95],
        ['mains', 3.5],
        ['inFill', inFill],
        ['outBoiler', outBoiler],
        ['feedHolds', -2],
      ] as const)
        v[SLOT[slot]] = x;
      return coldLevelDensity(bar, faults, c, v);
    },
    at = (bar: number, inFill: number, ...faults: FaultId[]) => throughHoles(bar, inFill, 0, ...faults);
  // Ten litres an hour fill it within the hour, a tenth of a litre takes days.
  expect(at(1.2, 7, 'fill-loop-passing')).toBeLessThan(0.75 * at(1.2, 0.07, 'fill-loop-passing'));
  expect(at(2.9, 7, 'fill-loop-passing')).toBeGreaterThan(2 * at(2.9, 0.07, 'fill-loop-passing'));
  const both = (bar: number, inFill: number, outBoiler: number) =>
    throughHoles(bar, inFill, outBoiler, 'fill-loop-passing', 'relief-valve-passing');
  // A few drops that go out keep nothing down; what takes more out than comes in leaves it where a leak would, but for circuits that it
  // has only begun to empty.
  expect(both(1.2, 7, 0.02)).toBeCloseTo(at(1.2, 7, 'fill-loop-passing'), 3);
  const leaking = (bar: number) => throughHoles(bar, 0, 5, 'relief-valve-passing');
  expect(both(1.2, 0.5, 5)).toBeGreaterThan(0.75 * leaking(1.2));
  expect(both(1.2, 0.5, 5)).toBeLessThan(1.25 * leaking(1.2));
  expect(both(2.2, 0.5, 5)).toBeGreaterThan(2 * leaking(2.2));
  expect(both(2.2, 0.5, 5)).toBeLessThan(0.5 * both(2.2, 0.5, 0.02));
  // Between the two it comes to rest where both are even.
  expect(both(1.4, 7, 9)).toBeGreaterThan(both(1.4, 7, 1));
});

describe('what is in order stands within what the catalogue calls in order', () => {
  const fine: CircuitSheet = { ...FED, gauge: { kind: 'dial', resolutionBar: 0.05 } },
    c = resolveCircuit(fine),
    density = (bar: number, ...faults: FaultId[]) => coldLevelDensity(bar, faults, c);
  it('a feed that holds a third of a bar too much is set high', () => {
    expect(density(c.fillGaugeBar + 0.33, 'reducing-valve-set-high')).toBeGreaterThan(4 * density(c.fillGaugeBar + 0.33, 'none'));
    expect(density(c.fillGaugeBar + 0.15, 'none')).toBeGreaterThan(density(c.fillGaugeBar + 0.15, 'reducing-valve-set-high'));
    // At 1.3 a sound one and one set high are even; from there on it is the valve.
    const d = judge(fine, {
      logs: [watched([1.4, 1.4, 1.4, 1.4])],
      findings: [
        { test: 'second-gauge', valueBar: 1.4, firstGaugeBar: 1.4 },
        { test: 'fill-isolated-watch', startBar: 1.4, endBar: 1.4, minutes: 30, heating: false },
      ],
    });
    expect(d.hypotheses[0]!.faults).toEqual(['reducing-valve-set-high']);
  });
  it('the densities of what a valve holds, and of what a hand fills, are densities', () => {
    for (const sheet of [fine, FED, SHEET, { ...SHEET, staticHeadM: 7 }]) {
      const r = resolveCircuit(sheet);
      let sum = 0;
      for (let bar = -1; bar < 8; bar += 0.005) sum += 0.005 * coldLevelDensity(bar, ['none'], r);
      expect(sum).toBeGreaterThan(0.85);
      expect(sum).toBeLessThan(1.15);
    }
  });
  it('who fills to the round bar and a half of the other school has overfilled nothing', () => {
    const r = resolveCircuit(SHEET);
    expect(coldLevelDensity(1.5, ['none'], r)).toBeGreaterThan(coldLevelDensity(1.5, ['fill-pressure-too-high'], r) * 0.3);
  });
});

it('a unit that holds too much is found anywhere between its limits, as much too high as it switches on too late', () => {
  const PLANT: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 1500,
    heatOutputKw: 130,
    staticHeadM: 12,
    vessel: { nominalVolumeL: 200, labelPrechargeBar: 1.5 },
    reliefValve: { setBar: 4 },
    fill: { kind: 'pressurisation-unit', cutInBar: 1.8, cutOutBar: 2.2 },
    domesticHotWater: { kind: 'none' },
  };
  const r = resolveCircuit(PLANT),
    v = new Float64Array(SLOT.start + 1),
    at = (bar: number) => coldLevelDensity(bar, ['pressurisation-unit-fault'], r, v);
  v[SLOT.feedHolds] = 2.3;
  v[SLOT.lift] = 4;
  for (const bar of [2.4, 2.5, 2.6]) expect(at(bar)).toBeGreaterThan(5 * at(3));
  expect(at(2.5)).toBeGreaterThan(5 * at(1.9));
});

import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { PressureLog } from '../../log/PressureLog';
import { simulateCase } from '../../simulate/simulateCase';
import { fluidGrowth } from '../../water/fluid';
import { diagnose } from '../diagnose';
import { emittersCool } from './emittersCool';
import { OUTFLOW } from '../faultGroups';

const tS = Array.from({ length: 61 }, (_, i) => 60 * i),
  still = tS.map(() => 64),
  none = tS.map(() => null),
  OFF = [{ tS: 600, on: false }];
const away = (meanC = still, switches = OFF, spreadK: (number | null)[] = none) => emittersCool(tS, meanC, spreadK, switches, 'water', 18);

describe('emitters that cool by themselves', () => {
  it('lag farther and farther behind what is read at the boiler, from when the heat went off', () => {
    const by = away()!;
    tS.forEach((s, i) => (s <= 600 ? expect(by[i]).toBeCloseTo(0, 12) : expect(by[i]!).toBeLessThan(by[i - 1]!)));
    // Half an hour after, they are down to 1/e of what they were above a room of 20 °C: 36 °C.
    expect(by[40]).toBeCloseTo(fluidGrowth('water', 18, 20 + 44 / Math.E) - fluidGrowth('water', 18, 64), 6);
  });
  it('are as warm as the rest a while after it comes on again', () => {
    const by = away(still, [...OFF, { tS: 1800, on: true }])!;
    expect(by[30]!).toBeLessThan(-0.002);
    expect(Math.abs(by[60]!)).toBeLessThan(1e-4);
  });
  it('never lag where nobody switched it off, where what is read cools as they do, and where flow and return show that water goes round', () => {
    expect(away(still, [])).toBeNull();
    expect(away(still, [{ tS: 600, on: true }])).toBeNull();
    expect(away(tS.map((s) => 20 + 44 * Math.exp(-Math.max(0, s - 600) / 1500)))).toBeNull();
    expect(
      away(
        still,
        OFF,
        tS.map(() => 8),
      ),
    ).toBeNull();
    expect(
      away(
        still,
        OFF,
        tS.map(() => 0.4),
      ),
    ).not.toBeNull();
  });
});

describe('a pressure that falls while the boiler stays hot', () => {
  const HOME: CircuitSheet = {
    kind: 'sealed-hot-water',
    waterVolumeL: 90,
    waterVolumeSource: 'measured',
    heatOutputKw: 24,
    staticHeadM: 4,
    vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
    reliefValve: { setBar: 3 },
    fill: { kind: 'manual-loop' },
    domesticHotWater: { kind: 'plate-exchanger' },
    maxFlowC: 68,
    gauge: { kind: 'sensor', resolutionBar: 0.01 },
  };
  const ON_AGAIN_S = 5400,
    { log } = simulateCase({
      circuit: HOME,
      faults: [],
      schedule: {
        startC: 17,
        durationS: 7800,
        stepS: 30,
        heat: [
          { onS: 600, offS: 3000 },
          { onS: ON_AGAIN_S, offS: 7800 },
        ],
      },
      gauge: { resolutionBar: 0.01 },
      seed: 2,
    });
  /** What is read at a boiler that loses a kelvin in ten minutes while it stands, flow and return so far apart. */
  const atBoiler = (spreadK: number, untilS = Infinity): PressureLog => {
    const { tS, pressureBar, flowC, returnC } = log.samples,
      offC = flowC![100]!,
      n = tS.filter((s) => s <= untilS).length;
    const read = (c: (number | null)[], by: number) =>
      c.map((x, i) => (tS[i]! <= 3000 || tS[i]! > ON_AGAIN_S ? x : offC - 4 + by - (tS[i]! - 3000) / 600)).slice(0, n);
    return {
      ...log,
      source: 'logger',
      samples: {
        tS: tS.slice(0, n),
        pressureBar: pressureBar.slice(0, n),
        flowC: read(flowC!, spreadK / 2),
        returnC: read(returnC!, -spreadK / 2),
      },
    };
  };
  const loses = (l: PressureLog) => {
    const { marginals } = diagnose({ format: 'jumper-case', version: 1, id: 'cools', circuit: HOME, logs: [l] });
    return OUTFLOW.reduce((sum, f) => sum + (marginals[f] ?? 0), 0);
  };
  it('is no leak where it comes back with the heat: the emitters had grown cold', () => expect(loses(atBoiler(0))).toBeLessThan(0.3));
  it('may be one as long as nobody heats again, and is the likelier one the surer water went round meanwhile', () => {
    const stands = loses(atBoiler(0, ON_AGAIN_S)),
      goesRound = loses(atBoiler(7, ON_AGAIN_S));
    expect(stands).toBeLessThan(0.8);
    expect(goesRound).toBeGreaterThan(stands + 0.1);
  });
});

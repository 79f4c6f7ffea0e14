import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { partOfLog } from '../log/partOfLog';
import { simulateCase, type SimulationRequest } from '../simulate/simulateCase';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import { LITTLE_GAS } from './faultGroups';
import type { FaultId } from './faults';
import { fitterOf } from './fit/fitter';
import { hotLevelDensity } from './levels/hotLevel';
import { QUICK } from './fit/effort';
import { logModelOf } from './fit/logModel';
import { layOutLog } from './layOut/layOutLog';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 100,
  heatOutputKw: 24,
  staticHeadM: 4,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.8 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 75,
};
const OFF_S = 3000,
  SEEN_FROM_S = 2700;

/** Whoever comes to a circuit that runs switches it off and watches it cool: what he then has is the second half of a heat cycle. */
function cooling(faults: SimulationRequest['faults'], said: { temperatures: boolean; heat: boolean }): Case {
  const { log } = simulateCase({
    circuit: SHEET,
    faults,
    schedule: { startC: 18, durationS: 9000, stepS: 300, heat: [{ onS: 600, offS: OFF_S, maxC: 70 }], actions: [] },
    gauge: { resolutionBar: 0.1 },
    seed: 3,
  });
  const {
    samples: { tS, pressureBar, flowC, returnC },
    events,
  } = partOfLog(log, SEEN_FROM_S, Infinity);
  return {
    format: 'jumper-case',
    version: 1,
    id: 'cooling',
    circuit: SHEET,
    logs: [
      {
        source: 'hand',
        samples: { tS, pressureBar, ...(said.temperatures ? { flowC: flowC!, returnC: returnC! } : {}) },
        events: said.heat ? events! : [],
      },
    ],
  };
}
/** Asked once: how probable it is that any of some faults is there. */
const sharesOf = (c: Case) => {
  const { hypotheses } = diagnose(c);
  return (...any: FaultId[]) => hypotheses.filter((h) => h.faults.some((f) => any.includes(f))).reduce((a, h) => a + h.probability, 0);
};
const SAID = { temperatures: true, heat: true },
  BLIND = { temperatures: false, heat: true },
  NOTHING = { temperatures: false, heat: false };

describe('a circuit that is found hot and watched while it cools', () => {
  it.each([
    ['with temperatures', SAID],
    ['with a word of the heat', BLIND],
  ])('and is in order is not called leaky, %s', (_, said) => {
    const d = diagnose(cooling([], said));
    expect(d.hypotheses[0]!.faults).toEqual(['none']);
    expect(d.hypotheses[0]!.probability).toBeGreaterThan(0.5);
  });

  it.each([
    ['with temperatures', SAID],
    ['with a word of the heat', BLIND],
    ['with nothing but the pressure', NOTHING],
  ])('and falls by two bars and a half has little gas, %s', (_, said) => {
    expect(sharesOf(cooling([{ id: 'vessel-undercharged', severity: 0.9 }], said))(...LITTLE_GAS)).toBeGreaterThan(0.85);
  });

  it('that loses all its pressure at once has hardly any gas: no relief let it go', () => {
    for (const said of [SAID, BLIND, NOTHING]) {
      const shareOf = sharesOf(cooling([{ id: 'vessel-isolated', severity: 1 }], said));
      expect(shareOf(...LITTLE_GAS)).toBeGreaterThan(0.75);
      // A vessel full of water is as good as none: the priors alone would give a sixth to what keeps the water from it.
      expect(shareOf('vessel-isolated', 'vessel-connection-blocked')).toBeGreaterThan(0.2);
      expect(shareOf('relief-valve-lifts-early')).toBeLessThan(0.1);
    }
  });

  it('says that it fell, and how far it should', () => {
    expect(diagnose(cooling([], SAID)).because.find((b) => b.evidence === 'log:0')!.text).toMatch(
      /^Fell 0\.\d+ bar from \d+ °C to \d+ °C; this circuit should fall 0\.\d+ bar to 0\.\d+ bar\.$/,
    );
    expect(diagnose(cooling([], BLIND)).because.find((b) => b.evidence === 'log:0')!.text).toMatch(
      /^Fell 0\.\d+ bar while it cooled; no temperatures were read\.$/,
    );
    expect(diagnose(cooling([], NOTHING)).because.find((b) => b.evidence === 'log:0')!.text).toMatch(
      /^Fell 0\.\d+ bar; no temperatures or heat on\/off logged\.$/,
    );
  });
});

it('a first reading that comes from an ordinary cold pressure is likelier than one that comes from none', () => {
  const circuit = resolveCircuit(SHEET),
    faults: FaultId[] = ['none'];
  const densityAt = (firstBar: number) => {
    const log = {
      source: 'hand' as const,
      samples: {
        tS: [0, 600, 1200, 1800],
        pressureBar: [0, 0.1, 0.2, 0.3].map((down) => firstBar - down),
        flowC: [66, 55, 45, 38],
        returnC: [60, 52, 44, 37],
      },
      events: [{ tS: 0, kind: 'heat-off' as const }],
    };
    const track = layOutLog(log, circuit)!,
      fit = fitterOf(SHEET, circuit, [track], [], QUICK, new Map()).fitOf(logModelOf(faults));
    return hotLevelDensity(track, faults, circuit)(fit.best);
  };
  // 1.5 bar at 63 °C comes from about 1.15 bar; 2.3 from two, and 0.6 from next to nothing.
  expect(densityAt(1.5)).toBeGreaterThan(3 * densityAt(2.3));
  expect(densityAt(1.5)).toBeGreaterThan(3 * densityAt(0.6));
});

describe('one reading of a circuit found hot', () => {
  const FED: CircuitSheet = {
    kind: 'sealed-hot-water',
    heatOutputKw: 40,
    staticHeadM: 5,
    vessel: { nominalVolumeL: 17, labelPrechargeBar: 0.83 },
    reliefValve: { setBar: 2.07 },
    fill: { kind: 'reducing-valve', setBar: 1.03 },
    domesticHotWater: { kind: 'indirect-coil' },
    gauge: { kind: 'dial', resolutionBar: 0.1 },
  };
  const read = (gaugeBar: number, flowC: number) =>
    diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'once',
      circuit: FED,
      logs: [{ source: 'hand', samples: { tS: [0], pressureBar: [gaugeBar], flowC: [flowC] } }],
    });

  it('is an ordinary one where it would be too high for a cold circuit: 22 psi at 168 °F on a feed of 15. Common practice', () => {
    expect(read(1.52, 75.6).hypotheses[0]!.faults).toEqual(['none']);
    expect(read(1.52, 19).hypotheses[0]!.faults).toEqual(['reducing-valve-set-high']);
  });
  it('speaks of the gas where it stands at the relief, and of the feed where it would be low even cold', () => {
    const high = read(2.05, 75).marginals,
      low = read(0.5, 75).marginals;
    expect(LITTLE_GAS.reduce((sum, f) => sum + high[f]!, 0)).toBeGreaterThan(0.6);
    expect(low['feed-starved']!).toBeGreaterThan(0.5);
  });
  it('is not told of a circuit that falls while it is hot', () => {
    const falls = diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'falls',
      circuit: FED,
      logs: [{ source: 'hand', samples: { tS: [0, 1800, 3600], pressureBar: [1.7, 1.5, 1.3], flowC: [70, 70, 70] } }],
    });
    expect(falls.because.find((b) => b.evidence === 'log:0')!.text).not.toMatch(/^Stood/);
  });
  it('is told as such', () => expect(read(2.05, 75).because.find((b) => b.evidence === 'log:0')!.text).toBe('Stood at 2.05 bar at 75 °C.'));
});

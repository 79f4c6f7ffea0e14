import { resolveCircuit } from '../circuit/resolveCircuit';
import { simulateCase } from '../simulate/simulateCase';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { layOutLog } from './layOut/layOutLog';
import { SMALL_HOME } from './test/homes';

const SHEET = SMALL_HOME;
const cycle = { startC: 18, durationS: 3600, stepS: 120, heat: [{ onS: 300, offS: 2700 }] };
const judged = (findings: Finding[], logs: ReturnType<typeof simulateCase>['log'][] = [], sheet = SHEET) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'e', circuit: sheet, logs, findings });
const marginal = (d: ReturnType<typeof diagnose>, ...ids: FaultId[]) => ids.reduce((s, id) => s + (d.marginals[id] ?? 0), 0);

describe('a number that was measured is looked for where it says', () => {
  const precharge: Finding = { test: 'precharge', valueBar: 0.22, circuitBar: 0, drainOpen: true };
  const flat = simulateCase({
    circuit: SHEET,
    faults: [{ id: 'vessel-undercharged', severity: 0.5, parameters: { prechargeGaugeBar: 0.22 } }],
    schedule: cycle,
    seed: 4,
  }).log;
  // With no log a holed diaphragm, whose gas the reading does not tell, keeps its share.
  it.each([
    ['with nothing else known', [] as (typeof flat)[], 1.2],
    ['beside a log', [flat], 0.4],
  ])('the charge that a tyre gauge read is the charge, %s', (_name, logs, widestBar) => {
    const charge = judged([precharge], logs).estimates.prechargeBar!;
    expect(Math.abs(charge.median - 0.22)).toBeLessThan(0.05);
    expect(charge.p95 - charge.p05).toBeLessThan(widestBar);
  });
  it('a gauge that a second one shows to be off is off by that much', () => {
    const offset = judged([{ test: 'second-gauge', firstGaugeBar: 1.6, valueBar: 1 }]).estimates.gaugeOffsetBar!;
    expect(Math.abs(offset.median - 0.6)).toBeLessThan(0.12);
  });
});

describe('tests say what the trade says of them', () => {
  it('a drained boiler that does not report it speaks for a gauge that over-reads', () =>
    expect(marginal(judged([{ test: 'low-pressure-stop', outcome: 'not-shown' }]), 'gauge-misreading')).toBeGreaterThan(
      4 * marginal(judged([{ test: 'low-pressure-stop', outcome: 'shown' }]), 'gauge-misreading'),
    ));
  it('what is caught cold passes the relief; what is caught hot may have lifted it', () => {
    const caught = (during: string) =>
      marginal(judged([{ test: 'discharge-catch', volumeMl: 120, minutes: 15, during }]), 'relief-valve-passing');
    expect(caught('cold')).toBeGreaterThan(0.6);
    expect(caught('hot')).toBeLessThan(caught('cold'));
  });
  it('the side that falls while boiler and circuit are shut off from each other, and neither cools, has the leak', () => {
    const EVEN = { boilerStartC: 18, boilerEndC: 18, circuitStartC: 18, circuitEndC: 18 };
    const hold = (boilerEndBar: number, circuitEndBar: number) =>
      judged([
        { test: 'boiler-isolated-hold', boilerStartBar: 1.5, boilerEndBar, circuitStartBar: 1.5, circuitEndBar, minutes: 300, ...EVEN },
      ]);
    expect(marginal(hold(1.5, 0.6), 'circuit-leak')).toBeGreaterThan(0.5);
    expect(marginal(hold(0.6, 1.5), 'boiler-exchanger-leak', 'relief-valve-passing')).toBeGreaterThan(0.7);
    expect(marginal(hold(1.9, 1.5), 'dhw-plate-perforated')).toBeGreaterThan(0.5);
  });
  it('a side falls at once whether or not there is air in the circuit: nobody says that the air is on that side', () => {
    const { hypotheses } = judged([
      { test: 'boiler-isolated-hold', boilerStartBar: 1.2, boilerEndBar: 1.2, circuitStartBar: 1.2, circuitEndBar: 0, minutes: 60 },
      { test: 'bleed-radiators', outcome: 'much-air' },
    ]);
    expect(hypotheses[0]!.faults).toEqual(['air-in-circuit', 'circuit-leak']);
  });
  it('a marking below the sheet’s names the valve', () =>
    expect(marginal(judged([{ test: 'relief-marking', markedBar: 2.5 }]), 'relief-valve-lifts-early')).toBeGreaterThan(0.5));
  it('knocking on the vessel moves little', () => {
    const with_ = (outcome: string) =>
      marginal(judged([{ test: 'vessel-tap-sound', outcome }]), 'vessel-undercharged', 'vessel-diaphragm-failed');
    expect(with_('dull') / with_('hollow')).toBeLessThan(4);
    expect(with_('dull')).toBeGreaterThan(with_('hollow'));
  });
  it('a valve that is found shut counts though the sheet knows of none', () => {
    const sheet = { ...SHEET, vessel: { ...SHEET.vessel, isolationValve: 'none' as const } };
    expect(judged([], [], sheet).marginals['vessel-isolated']!).toBeLessThan(0.01);
    expect(judged([{ test: 'vessel-valve-position', outcome: 'closed' }], [], sheet).marginals['vessel-isolated']!).toBeGreaterThan(0.15);
  });
});

it('a pressure that stands below the charge all along is a low fill, whatever a hand reads off cold pipes', () => {
  const tS = Array.from({ length: 12 }, (_, i) => 300 * i);
  const pressureBar = tS.map((_, i) => (i % 3 === 0 ? 0.5 : 0.55)),
    flowC = tS.map((_, i) => 13 + (i % 2)),
    returnC = tS.map((_, i) => [13, 14, 9, 14][i % 4]!);
  const log = { source: 'hand' as const, samples: { tS, pressureBar, flowC, returnC }, events: [] };
  const track = layOutLog(log, resolveCircuit(SHEET))!;
  // A kelvin of scatter would be 0.4 ‰ of the content, and a bar in a circuit with no vessel in play.
  expect(Math.max(...track.growth) - Math.min(...track.growth)).toBeLessThan(2e-4);
  const d = judged([{ test: 'second-gauge', valueBar: 0.52, firstGaugeBar: 0.5 }], [log]);
  expect(marginal(d, 'fill-pressure-too-low')).toBeGreaterThan(marginal(d, 'vessel-undercharged'));
});

it('a circuit that leaks until its vessel is empty and the pressure falls off is a leak, and nothing begins anew there', () => {
  const { log } = simulateCase({
    circuit: SHEET,
    faults: [{ id: 'circuit-leak', severity: 0.5, parameters: { startGaugeBar: 1, leak: 2.2 } }],
    schedule: { startC: 17, durationS: 5400, stepS: 120, heat: [{ onS: 600, offS: 1800 }] },
    gauge: { resolutionBar: 0.02 },
    seed: 2,
  });
  expect([...layOutLog(log, resolveCircuit(SHEET))!.starts].reduce((a, b) => a + b, 0)).toBe(1);
  expect(marginal(judged([], [log]), 'circuit-leak', 'relief-valve-passing', 'boiler-exchanger-leak', 'air-vent-faulty')).toBeGreaterThan(
    0.8,
  );
});

it('how fast a circuit warms need not be known: with no temperature read, a slow boiler is not a fault', () => {
  const { log } = simulateCase({
    circuit: { ...SHEET, heatOutputKw: 12 },
    faults: [{ id: 'none', severity: 0 }],
    schedule: cycle,
    seed: 6,
  });
  const { flowC: _f, returnC: _r, ...blind } = log.samples;
  expect(judged([], [{ ...log, source: 'hand', samples: blind }]).hypotheses[0]!.faults).toEqual(['none']);
});

describe('what each suspect makes of what was logged', () => {
  const flat = simulateCase({ circuit: SHEET, faults: [{ id: 'vessel-undercharged', severity: 0.6 }], schedule: cycle, seed: 5 }).log;
  const sound = simulateCase({ circuit: SHEET, faults: [{ id: 'none', severity: 0 }], schedule: cycle, seed: 5 }).log;
  const d = judged([], [sound, flat]);
  it('is told for every log at the log’s own times, for the first suspects in their order', () => {
    expect(d.predictions.map((p) => p.log)).toEqual([0, 1]);
    for (const p of d.predictions) {
      expect(p.suspects.map((s) => s.faults)).toEqual(d.hypotheses.slice(0, 6).map((h) => h.faults));
      for (const s of p.suspects) expect(s.gaugeBar.length).toBe(p.tS.length);
    }
  });
  it('comes nearer to the log with the fault that it has than with nothing wrong', () => {
    const only = judged([], [flat]),
      track = only.predictions[0]!;
    const at = (t: number) => flat.samples.pressureBar[flat.samples.tS.findIndex((x) => x >= t)]!;
    const miss = (curve: number[]) => Math.sqrt(curve.reduce((s, p, i) => s + (p - at(track.tS[i]!)) ** 2, 0) / curve.length);
    expect(miss(track.suspects[0]!.gaugeBar)).toBeLessThan(0.2);
  });
});

it('says at what a relief lifts once it was seen to, and nothing where the pressure stayed far below', () => {
  const lifting = simulateCase({
    circuit: SHEET,
    faults: [
      { id: 'relief-valve-lifts-early', severity: 0.6, parameters: { reliefLiftGaugeBar: 2 } },
      { id: 'vessel-undercharged', severity: 0.9 },
    ],
    schedule: { ...cycle, stepS: 15 },
    gauge: { resolutionBar: 0.02 },
    seed: 3,
  });
  // Read every quarter minute: a reading every two minutes leaves it open whether a narrow connection held the pressure there.
  const lift = judged([], [lifting.log]).estimates.reliefLiftBar!;
  // It was made to lift at 2 bar, and its interval knows.
  expect(Math.abs(lift.median - 2)).toBeLessThan(0.15);
  expect(lift.p05).toBeLessThan(2.02);
  expect(lift.p95).toBeGreaterThan(1.98);
  expect(
    judged([], [simulateCase({ circuit: SHEET, faults: [{ id: 'none', severity: 0 }], schedule: cycle, seed: 5 }).log]).estimates
      .reliefLiftBar,
  ).toBeNull();
});

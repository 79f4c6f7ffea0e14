import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { Case } from './Case';
import { coldLevelDensity } from './levels/coldLevel';
import { diagnose } from './diagnose';
import type { FaultId } from './faults';
import type { Finding } from './Finding';
import { SLOT } from './fit/kernel';
import { logModelOf } from './fit/logModel';
import { parameterSpace } from './fit/parameters/parameterSpace';

// First visits: a relief is all that is on the sheet, and perhaps how it is filled. Common practice.
const BARE: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } };
const UNIT: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 5 }, fill: { kind: 'pressurisation-unit' } };
const asked = (circuit: CircuitSheet, findings: Finding[], more: Partial<Case> = {}) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'bare', circuit, findings, ...more });
const charge = (valueBar: number): Finding => ({ test: 'precharge', valueBar, circuitBar: 0, drainOpen: true });
const idle = (valueBar: number): Finding => ({ test: 'idle-cold-pressure', valueBar, idleHours: 10 });
const spaceOf = (circuit: CircuitSheet, faults: FaultId[]) => parameterSpace(logModelOf(faults), circuit, resolveCircuit(circuit), []);

it.each<FaultId>(['none', 'vessel-undercharged', 'vessel-overcharged', 'vessel-undersized'])(
  '%s: a charge is read off the vessel that is there, whatever its size',
  (fault) => {
    const c = resolveCircuit(BARE),
      { free } = spaceOf(BARE, [fault]),
      gas = free.find((p) => p.slot === SLOT.gas)!,
      places = free.map((p) => p.slot);
    expect(places.indexOf(SLOT.vesselL)).toBeLessThan(places.indexOf(SLOT.gas));
    for (const z of [-2, -0.5, 0.7, 2]) {
      const chargeIn = (vesselL: number) => {
        const v = new Float64Array(SLOT.start);
        v[SLOT.vesselL] = vesselL;
        return gas.of(z, v) / vesselL - c.atmosphericBar;
      };
      expect(chargeIn(5)).toBeCloseTo(chargeIn(18), 9);
    }
  },
);

it('a vessel that is too small is charged as rightly as any: where no charge is on the sheet, to any', () => {
  const chargesOf = (fault: FaultId) => {
    const gas = spaceOf(BARE, [fault]).free.find((p) => p.slot === SLOT.gas)!;
    return [-1.5, 0, 1.5].map((z) => gas.of(z));
  };
  expect(chargesOf('vessel-undersized')).toEqual(chargesOf('none'));
  const [low, , high] = chargesOf('vessel-undersized'),
    c = resolveCircuit(BARE);
  expect((high! - low!) / c.vesselL).toBeGreaterThan(0.6);
});

it.each([0, 0.05, 0.1, 0.2])('a charge of %s bar is gas lost under any sheet', (valueBar) => {
  const { marginals, hypotheses } = asked(BARE, [charge(valueBar)]);
  expect(marginals['vessel-undercharged']! + marginals['vessel-diaphragm-failed']!).toBeGreaterThan(0.85);
  expect(hypotheses.find((h) => h.faults.join() === 'none')?.probability ?? 0).toBeLessThan(0.08);
});
it.each([1.6, 1.8, 2.5, 3])('one of %s bar under a relief of 3 is over', (valueBar) => {
  const { hypotheses, marginals } = asked(BARE, [charge(valueBar)]);
  expect(hypotheses[0]!.faults).toEqual(['vessel-overcharged']);
  expect(marginals['vessel-overcharged']!).toBeGreaterThan(2 * marginals.none!);
});
it('one that may have been read with the water behind it is far from as sure', () => {
  const over = (finding: Finding) => asked(BARE, [finding]).marginals['vessel-overcharged']!;
  expect(over({ test: 'precharge', valueBar: 2.5 })).toBeLessThan(over(charge(2.5)) / 2);
  expect(over({ test: 'precharge', valueBar: 2.5, circuitBar: 2.5, drainOpen: false })).toBeLessThan(0.1);
});
it('one well below what the circuit stands at was read with no water behind it, though nobody says so', () => {
  for (const circuit of [
    BARE,
    { ...BARE, staticHeadM: 4, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, fill: { kind: 'manual-loop' as const } },
  ]) {
    const low = asked(circuit, [{ test: 'precharge', valueBar: 0.1 }]);
    expect(low.hypotheses[0]!.faults).toEqual(['vessel-undercharged']);
    expect(low.marginals['vessel-undercharged']! + low.marginals['vessel-diaphragm-failed']!).toBeGreaterThan(0.85);
    expect(low.because.find((b) => b.evidence === 'finding:0')!.text).toContain('not said');
    expect(low.estimates.prechargeBar!.median).toBeLessThan(0.25);
    // At what the circuit stands at it may be the water.
    const as = asked(circuit, [{ test: 'precharge', valueBar: 1.1 }]),
      none = asked(circuit, []);
    expect(Math.abs(as.marginals['vessel-undercharged']! - none.marginals['vessel-undercharged']!)).toBeLessThan(0.15);
  }
});
it('one of 0.75 is nothing much', () => expect(asked(BARE, [charge(0.75)]).hypotheses[0]!.faults).toEqual(['none']));

it('with a fault seen elsewhere a flat vessel is the second of two', () => {
  const d = asked(BARE, [
    charge(0.1),
    { test: 'condensate-when-off', outcome: 'drips' },
    { test: 'boiler-isolated-hold', boilerStartBar: 1.4, boilerEndBar: 0.5, circuitStartBar: 1.4, circuitEndBar: 1.4, minutes: 400 },
    { test: 'discharge-pipe', outcome: 'dry' },
  ]);
  expect(d.marginals['vessel-undercharged']! + d.marginals['vessel-diaphragm-failed']!).toBeGreaterThan(0.8);
  expect(d.marginals['boiler-exchanger-leak']!).toBeGreaterThan(0.5);
});

it('a unit of unknown limits holds a pressure that goes with its relief: about halfway up is none of its faults, near nothing and near the relief are', () => {
  const sound = (valueBar: number) => asked(UNIT, [idle(valueBar)]).marginals.none!;
  expect(asked(UNIT, [idle(2.4)]).hypotheses[0]!.faults).toEqual(['none']);
  for (const off of [0.4, 4.8]) expect(sound(off)).toBeLessThan(0.3 * sound(2.4));
  expect(asked(UNIT, [idle(0.4)]).marginals['pressurisation-unit-fault']!).toBeGreaterThan(0.2);
  const c = resolveCircuit(UNIT);
  expect(c.fillGaugeBar).toBeGreaterThan(0.4 * c.reliefSetGaugeBar);
  expect(c.fillGaugeBar).toBeLessThan(0.65 * c.reliefSetGaugeBar);
  // Limits that are known leave nothing to guess.
  expect(resolveCircuit({ ...UNIT, fill: { kind: 'pressurisation-unit', cutInBar: 1.4, cutOutBar: 1.8 } })).toMatchObject({
    fillGaugeBar: 1.8,
    cutInGaugeBar: 1.4,
    fillSpreadBar: 0,
  });
});

it('one height decides charge and fill: under a lower charge a lower fill is right, where neither is on the sheet', () => {
  const under = (circuit: CircuitSheet, chargeBar: number) => (levelBar: number) => {
    const c = resolveCircuit(circuit),
      v = new Float64Array(SLOT.start);
    v[SLOT.vesselL] = c.vesselL;
    v[SLOT.gas] = (chargeBar + c.atmosphericBar) * c.vesselL;
    return coldLevelDensity(levelBar, ['none'], c, v);
  };
  const low = under(UNIT, 1.2),
    high = under(UNIT, 2.6);
  expect(low(1.6)).toBeGreaterThan(3 * high(1.6));
  expect(high(3)).toBeGreaterThan(3 * low(3));
  // A label says what is wanted: a charge that has drifted a little below it is filled up no less.
  const labelled: CircuitSheet = { ...BARE, staticHeadM: 4, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 } };
  expect(under(labelled, 0.65)(1.1)).toBeCloseTo(under(labelled, 0.75)(1.1), 2);
});

it('a gauge without numbers is guessed at, however finely the guess was written down', () => {
  const logs: Case['logs'] = [
    {
      source: 'hand',
      samples: { tS: [0, 300, 600, 900, 1200, 1500], pressureBar: [1.1, 1.5, 1.9, 2.2, 2.4, 2.5], flowC: [18, 35, 48, 57, 63, 66] },
      events: [{ tS: 0, kind: 'heat-on' }],
    },
  ];
  const sure = (kind: 'dial' | 'unnumbered') =>
    asked({ ...BARE, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 }, waterVolumeL: 95, gauge: { kind } }, [], { logs });
  expect(resolveCircuit({ ...BARE, gauge: { kind: 'unnumbered' } }).gaugeStepBar).toBeGreaterThan(0.2);
  const wide = (d: ReturnType<typeof sure>) => d.estimates.prechargeBar!.p95 - d.estimates.prechargeBar!.p05;
  expect(wide(sure('unnumbered'))).toBeGreaterThan(wide(sure('dial')));
});

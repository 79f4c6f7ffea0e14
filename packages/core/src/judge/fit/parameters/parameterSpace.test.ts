import * as fc from 'fast-check';
import type { CircuitSheet } from '../../../circuit/CircuitSheet';
import { resolveCircuit } from '../../../circuit/resolveCircuit';
import { simulateCase } from '../../../simulate/simulateCase';
import { FAULT_IDS } from '../../faults';
import { judgeEvidence } from '../../judgeEvidence';
import { SLOT } from '../kernel';
import { logModelOf } from '../logModel';
import { layOutLog } from '../../layOut/layOutLog';
import { parameterSpace } from './parameterSpace';

const SHEET: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  waterVolumeSource: 'measured',
  heatOutputKw: 24,
  staticHeadM: 4,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  gauge: { resolutionBar: 0.02 },
};
const circuit = resolveCircuit(SHEET);
/** A circuit that loses water until its vessel has none left and the pressure falls off. */
const emptied = simulateCase({
  circuit: SHEET,
  faults: [{ id: 'relief-valve-passing', severity: 0.5, parameters: { startGaugeBar: 1, leak: 2.5 } }],
  schedule: { startC: 17, durationS: 5400, stepS: 60, heat: [{ onS: 1800, offS: 3000 }] },
}).log;
const tracks = [layOutLog(emptied, circuit)!];
const spaceOf = (faults: Parameters<typeof logModelOf>[0]) => parameterSpace(logModelOf(faults), SHEET, circuit, tracks);

it.each(FAULT_IDS)(
  '%s: every parameter goes one way with its standard normal number, so that another fit’s value can be found again',
  (fault) => {
    for (const p of spaceOf([fault]).free) {
      const values = Array.from({ length: 41 }, (_, i) => p.of(-4 + i / 5)),
        rises = values.at(-1)! >= values[0]!;
      values.slice(1).forEach((v, i) => expect(rises ? v - values[i]! : values[i]! - v).toBeGreaterThanOrEqual(-1e-12));
      expect(values.every(Number.isFinite)).toBe(true);
    }
  },
);

it('a misreading gauge is off by what counts as misreading, a right charge by less than what counts as wrong', () => {
  const offset = spaceOf(['gauge-misreading']).free.find((p) => p.slot === SLOT.offset)!,
    gas = spaceOf(['none']).free.find((p) => p.slot === SLOT.gas)!;
  fc.assert(
    fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (z) => {
      const chargeBar = gas.of(z) / circuit.vesselL - circuit.atmosphericBar;
      return Math.abs(offset.of(z)) >= 0.2 && chargeBar > circuit.prechargeGaugeBar - 0.18 && chargeBar < circuit.prechargeGaugeBar + 0.28;
    }),
  );
});

it('sets that are the same to a log get the same evidence from it, also where the vessel runs empty on the way', () => {
  expect(Math.min(...emptied.samples.pressureBar.map((p) => p ?? 9))).toBeLessThan(0.1);
  // The first is judged with care, the second only looked at: a best that one of them misses would part them by tens of nats.
  const judged = judgeEvidence({ circuit: SHEET, logs: [emptied], logIndices: [0], findings: [] }, [
    { faults: ['relief-valve-passing'], weight: 0.6 },
    { faults: ['none'], weight: 0.399 },
    { faults: ['circuit-leak', 'relief-valve-passing'], weight: 0.001 },
  ]);
  const evidence = (faults: string) => judged.sets.find((s) => s.faults.join('+') === faults)!.logEvidence;
  expect(Math.abs(evidence('relief-valve-passing') - evidence('circuit-leak+relief-valve-passing'))).toBeLessThan(3);
  expect(evidence('relief-valve-passing') - evidence('none')).toBeGreaterThan(10);
});

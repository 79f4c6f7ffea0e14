import { simulateCase, type CircuitSheet } from '@jumper/core';

const CIRCUIT: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 4,
  maxFlowC: 70,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
};

interface Run {
  prechargeGaugeBar: number;
  durationS: number;
  stepS: number;
  heatOnS?: number;
  /** When the heat goes off; at the end where it is not said. */
  heatOffS?: number;
  resolutionBar?: number;
}

/** A heat run of the wall boiler that a new job assumes, with the charge that its vessel really has: what the simulator makes of it. */
export function wallBoilerRun({ prechargeGaugeBar, durationS, stepS, heatOnS = 0, heatOffS = durationS, resolutionBar = 0.1 }: Run) {
  return simulateCase({
    circuit: { ...CIRCUIT, gauge: { resolutionBar } },
    faults: [{ id: 'vessel-undercharged', severity: 0, parameters: { prechargeGaugeBar, startGaugeBar: 1 } }],
    schedule: { startC: 17, durationS, stepS, heat: [{ onS: heatOnS, offS: heatOffS }] },
  }).log.samples;
}

/** The same as a hand writes it: pressure to a tenth, flow to a degree. */
export function wallBoilerReadings(run: Run): [string, number][] {
  const { pressureBar, flowC } = wallBoilerRun(run);
  return pressureBar.map((bar, i) => [bar!.toFixed(1), Math.round(flowC![i]!)]);
}

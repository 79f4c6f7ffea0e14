import type { CircuitSheet } from '../../circuit/CircuitSheet';
import type { Case } from '../Case';
import { judgeEvidence } from '../judgeEvidence';
import { weightedSets } from '../priors/weightedSets';
import { samplesOf, WALL } from '../test/told';

const SHEET: CircuitSheet = {
  ...WALL,
  waterVolumeL: 77,
  waterVolumeSource: 'measured',
  vessel: { nominalVolumeL: 7, labelPrechargeBar: 1, ageYears: 2 },
  maxFlowC: 75,
};
// Found hot and switched off: it falls to nothing while it cools.
const log = {
  source: 'hand' as const,
  samples: samplesOf([
    [0, 0.85, 71],
    [18, 0.6, 72],
    [23, 0.5, 65],
    [33, 0.3, 51],
    [48, 0, 35],
  ]),
  events: [
    { tS: 0, kind: 'heat-on' as const },
    { tS: 1058, kind: 'heat-off' as const },
  ],
};
const findings: NonNullable<Case['findings']> = [
  { test: 'precharge', valueBar: 0.25, circuitBar: 0, drainOpen: true },
  { test: 'idle-cold-pressure', valueBar: 1, idleHours: 12 },
];

it('a charge that was found is held against where it lies, though the log fits best with far less gas and a kink between', () => {
  const { sets } = judgeEvidence(
    { circuit: SHEET, logs: [log], logIndices: [0], findings: findings.map((finding, index) => ({ finding, index })) },
    weightedSets({ circuit: SHEET, logs: [log], findings } as Case),
  );
  const [byCharge] = sets.find((s) => s.faults.join() === 'circuit-leak,vessel-undercharged')!.findingEvidence;
  // Twelve thousand draws say −0.3.
  expect(byCharge!).toBeGreaterThan(-1.3);
  expect(byCharge!).toBeLessThan(0.7);
});

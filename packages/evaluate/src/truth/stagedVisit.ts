import type { WrittenFinding } from './Doing';
import { seeded } from './random';
import { handLog } from './readings';
import { runPlant } from './runPlant';
import { soundPlant, type TruePlant } from './TruePlant';
import { TRUE_FAULTS } from './trueFaults';
import { canBeDone, randomOfTest, trueFinding } from './trueFindings';

export interface StagedVisit {
  case: Record<string, unknown> & { id: string; title: string };
  plant: TruePlant;
  /** What a test shows on this plant; null where it cannot be done there. */
  perform(test: string, watchMin?: number): WrittenFinding | null;
  /** The same plant read again every two minutes over a heat run, after something on it was mended. */
  runAgain(mended: (plant: TruePlant) => void, coldBar: number): { min: number; bar: number; flowC: number }[];
}

/** A visit to a plant that is told, with faults that are told: for walking a job through from end to end. The sheet is as it was read, the
 *  log by hand over a heat run (or a cold watch of an hour); the same arguments give the same visit. */
export function stageVisit(told: {
  title: string;
  kind: TruePlant['kind'];
  faults: string[];
  as?: Partial<TruePlant>;
  complaint?: string[];
  alreadyDone?: { part: string }[];
  watchOnly?: boolean;
  seed?: number;
}): StagedVisit {
  const seed = told.seed ?? 1,
    r = seeded(seed * 6007);
  const plant = soundPlant(told.kind, r);
  Object.assign(plant, {
    contentL: plant.vesselL / 0.085,
    dhw: told.kind === 'wall-boiler' ? 'plate-exchanger' : 'indirect-coil',
  } satisfies Partial<TruePlant>);
  plant.gauge = { offsetBar: 0.01, stuckShare: 0, stepBar: 0.1, stictionBar: 0.02, noiseBar: 0.005 };
  told.faults.forEach((f, i) => TRUE_FAULTS[f]!(plant, seeded(seed * 31 + i + 1)));
  Object.assign(plant, told.as ?? {});
  const schedule = told.watchOnly
    ? { durationS: 3600, heat: [], actions: [] }
    : { durationS: 1500, heat: [{ onS: 60, offS: 1500 }], actions: [] };
  const trace = runPlant(plant, schedule);
  const log = handLog(plant, trace, schedule, seeded(seed * 17 + 3));
  const liftedHot = trace.systemBar.some((p) => p > plant.reliefBar - 0.25);
  const fed = told.kind === 'fed';
  return {
    plant,
    case: {
      format: 'jumper-case',
      version: 1,
      id: `staged-${seed}-${told.faults.join('-')}`,
      title: told.title,
      ...(told.complaint ? { complaint: told.complaint } : {}),
      ...(told.alreadyDone ? { alreadyDone: told.alreadyDone } : {}),
      circuit: {
        kind: 'sealed-hot-water',
        waterVolumeL: Math.round(plant.contentL),
        waterVolumeSource: 'estimated',
        heatOutputKw: plant.outputKw,
        staticHeadM: Math.round(10 * plant.staticM) / 10,
        maxFlowC: plant.limitC,
        gauge: { kind: 'dial', resolutionBar: 0.1 },
        vessel: { nominalVolumeL: Math.round(plant.vesselL), labelPrechargeBar: plant.rightChargeBar, isolationValve: 'none', ageYears: 7 },
        reliefValve: { setBar: plant.reliefMarkedBar },
        fill: fed
          ? { kind: 'reducing-valve', setBar: 0.97, mainsBar: Math.round(10 * plant.mainsBar) / 10 }
          : { kind: 'manual-loop', mainsBar: Math.round(10 * plant.mainsBar) / 10 },
        domesticHotWater: { kind: plant.dhw },
      },
      logs: [{ ...log, startedAt: '2026-03-04T09:10:00Z' }],
    },
    perform(test, watchMin) {
      return canBeDone(test, plant) ? trueFinding(test, plant, liftedHot, randomOfTest(seed, test), watchMin) : null;
    },
    runAgain(mended, coldBar) {
      const after = structuredClone(plant);
      mended(after);
      after.coldBar = coldBar;
      const run = runPlant(after, { durationS: 1680, heat: [{ onS: 60, offS: 1680 }], actions: [] });
      return Array.from({ length: 12 }, (_, i) => 60 + 144 * i).map((s) => {
        const k = run.tS.findIndex((t) => t >= s);
        return { min: s / 60, bar: Math.round((run.systemBar[k]! + after.gauge.offsetBar) * 20) / 20, flowC: Math.round(run.flowC[k]!) };
      });
    },
  };
}

import type { TruthCase } from './makeCase';

interface Sheet {
  kind: string;
  reliefValve: { setBar: number };
  gauge?: unknown;
  waterVolumeL?: number;
  waterVolumeSource?: unknown;
  heatOutputKw?: number;
  fill?: Record<string, unknown>;
  domesticHotWater?: unknown;
  staticHeadM?: number;
  vessel: { nominalVolumeL?: number; labelPrechargeBar?: number };
}
interface Log {
  samples: { pressureBar: (number | null)[]; flowC?: unknown; returnC?: unknown };
  events: unknown[];
}

/** Parts of a sheet or a log that are missing at a first visit, or wrong. */
const GAPS: Record<string, (sheet: Sheet, logs: Log[]) => void> = {
  'the gauge is not described': (s) => {
    delete s.gauge;
  },
  'nobody said how it is filled, nor how hot water is made': (s) => {
    delete s.fill;
    delete s.domesticHotWater;
  },
  'neither content nor output are known': (s) => {
    delete s.waterVolumeL;
    delete s.waterVolumeSource;
    delete s.heatOutputKw;
  },
  'the vessel has no plate': (s) => {
    delete s.vessel.nominalVolumeL;
    delete s.vessel.labelPrechargeBar;
  },
  'the feed’s limits are not known, nor the mains': (s) => {
    s.fill = { kind: s.fill?.kind };
  },
  'the vessel is a third larger than its plate': (s) => {
    s.vessel.nominalVolumeL = Math.round((s.vessel.nominalVolumeL ?? 12) / 1.33);
  },
  'the height is two metres off': (s) => {
    if (s.staticHeadM !== undefined) s.staticHeadM += 2;
  },
  'the readings are on quarters of a bar': (s, logs) => {
    for (const l of logs) l.samples.pressureBar = l.samples.pressureBar.map((p) => (p === null ? null : Math.round(4 * p) / 4));
    s.gauge = { kind: 'dial', resolutionBar: 0.25 };
  },
  'nobody read a temperature': (_, logs) => {
    for (const l of logs) {
      delete l.samples.flowC;
      delete l.samples.returnC;
    }
  },
  'nobody wrote down what was done': (_, logs) => {
    for (const l of logs) l.events = [];
  },
};
export const GAP_NAMES = Object.keys(GAPS);

/** The same visit with one thing missing or wrong, another for each seed in turn. The truth stays what it was. @returns a copy */
export function leaveOut(made: TruthCase, seed: number): TruthCase {
  const copy = structuredClone(made);
  GAPS[GAP_NAMES[seed % GAP_NAMES.length]!]!(copy.case.circuit as Sheet, copy.case.logs as Log[]);
  return copy;
}

/** The same visit by somebody who has never been there: on the sheet stand the relief's setting, how it is filled and how hot water is
 *  made, and nothing else. The truth stays what it was. @returns a copy */
export function bareSheet(made: TruthCase): TruthCase {
  const { kind, reliefValve, fill, domesticHotWater } = made.case.circuit as Sheet;
  return structuredClone({
    ...made,
    case: {
      ...made.case,
      circuit: {
        kind,
        reliefValve: { setBar: reliefValve.setBar },
        ...(fill ? { fill: { kind: fill.kind } } : {}),
        ...(domesticHotWater ? { domesticHotWater } : {}),
      },
    },
  });
}

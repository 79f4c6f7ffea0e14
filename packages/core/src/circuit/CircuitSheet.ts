import type { PumpPosition } from './pumpShift';

/** One circuit as the technician wrote it down. Field names, units and meanings are the open case file's; pressures are bar
 *  gauge. Only `kind` and the relief's set pressure are needed; what is missing is estimated with a stated doubt. */
export interface CircuitSheet {
  kind: 'sealed-hot-water' | 'steam';
  waterVolumeL?: number;
  waterVolumeSource?: 'measured' | 'estimated';
  emitters?: { kind: string; count?: number; lengthM?: number; outputKw?: number }[];
  glycolPercent?: number;
  glycol?: 'propylene' | 'ethylene';
  heatOutputKw?: number;
  /** Highest water above the gauge. */
  staticHeadM?: number;
  altitudeM?: number;
  gauge?: { kind?: 'dial' | 'sensor' | 'unnumbered'; resolutionBar?: number };
  vessel?: Vessel;
  vessels?: Vessel[];
  reliefValve?: { setBar: number; ageYears?: number; capacityKw?: number };
  fill?: { kind: FillKind; mainsBar?: number; setBar?: number; cutInBar?: number; cutOutBar?: number };
  pump?: { position?: PumpPosition };
  domesticHotWater?: { kind: 'plate-exchanger' | 'indirect-coil' | 'none' };
  maxFlowC?: number;
  ageYears?: number;
}

export interface Vessel {
  nominalVolumeL?: number;
  labelPrechargeBar?: number;
  targetPrechargeBar?: number;
  isolationValve?: 'none' | 'fitted' | 'fitted-with-drain';
  ageYears?: number;
  heightAboveGaugeM?: number;
}

export type FillKind = 'manual-loop' | 'reducing-valve' | 'pressurisation-unit' | 'automatic-feeder' | 'hand-valve' | 'none';

/** The vessels of a sheet, whether it names one or several; `vessels` counts where both stand. */
export const vesselsOf = (sheet: CircuitSheet): Vessel[] => (sheet.vessels?.length ? sheet.vessels : sheet.vessel ? [sheet.vessel] : []);

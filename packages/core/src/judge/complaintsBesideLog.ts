import { complaintsTimes, type Complaint } from './priors/complaints';
import { LITTLE_GAS } from './faultGroups';
import type { FaultId } from './faults';
import { nearRelief } from './findings/dischargePipe';
import { spillsHot } from './findings/spillsHot';
import type { Visit } from './Visit';
import type { Likelihood } from './Weighing';

/** Faults that lose water only where heat takes the pressure up to the relief. */
const SPILLS_HOT: ReadonlySet<FaultId> = new Set([
  ...LITTLE_GAS,
  'vessel-overcharged',
  'fill-pressure-too-high',
  'reducing-valve-set-high',
  'boiler-overheating',
  'relief-valve-lifts-early',
]);
/** Complaints of water that is lost. */
const OF_LOST_WATER: ReadonlySet<Complaint> = new Set(['topped-up-often', 'drips-outside']);
/** How many times likelier such a complaint makes what loses no water, as the catalogue has it of a sound circuit. */
const KEEPS_ITS_WATER = 0.4;

/** A gauge that climbs when it heats was looked at, once a run of heat is logged, and the log speaks for itself: of the complaint only this
 *  power of its times is left, unless the log went as high as people complain of. Common practice. */
const LOOKED_AT_POWER = 0.4;
const CLIMBS: Complaint = 'gauge-climbs-hot';

/** Faults for which the draw says at which pressure, as the gauge shows it, the relief lifts. */
const LIFT_HANGS_ON_DRAW: ReadonlySet<FaultId> = new Set(['gauge-misreading', 'relief-valve-lifts-early']);

/** What the logs leave of complaints that are about what was logged: faults that lose water by lifting the relief hot explain lost water
 *  only where heat was seen to take the pressure there, and a climbing gauge is what the log shows it to be.
 *  @returns for a set, what its prior is to be multiplied by; nothing where none was heated, or nobody complains of that */
export function complaintsBesideLog({
  complaint,
  logged,
  circuit,
}: Pick<Visit, 'complaint' | 'logged' | 'circuit'>): (faults: readonly FaultId[]) => Likelihood[] {
  const { usualPeakGaugeBar } = logged,
    ofLostWater = complaint.some((c) => OF_LOST_WATER.has(c)),
    climbs = complaint.includes(CLIMBS);
  if (usualPeakGaugeBar === null || !(ofLostWater || climbs)) return () => [];
  const climbsNear = nearRelief([], usualPeakGaugeBar, NO_DRAW, circuit);
  return (faults) => {
    const spills = ofLostWater && faults.some((f) => SPILLS_HOT.has(f));
    if (!spills && !climbs) return [];
    const told = complaintsTimes(faults, complaint);
    const leftWhere = (near: number) =>
      complaintsTimes(faults, complaint, (times, fault, c) => {
        if (c === CLIMBS) return climbsNear * times + (1 - climbsNear) * times ** LOOKED_AT_POWER;
        return SPILLS_HOT.has(fault) && OF_LOST_WATER.has(c) && times > KEEPS_ITS_WATER
          ? near * times + (1 - near) * KEEPS_ITS_WATER
          : times;
      }) / told;
    const near = (v: Float64Array) => (spills ? spillsHot(faults, logged, v, circuit) : 1);
    return faults.some((f) => LIFT_HANGS_ON_DRAW.has(f)) ? [(v) => leftWhere(near(v))] : [leftWhere(near(NO_DRAW))];
  };
}
/** Where nothing is asked of a draw. */
const NO_DRAW = new Float64Array(0);

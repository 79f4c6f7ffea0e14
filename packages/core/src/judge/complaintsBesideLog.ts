import { complaintsTimes, type Complaint } from './complaints';
import { LITTLE_GAS } from './faultGroups';
import type { FaultId } from './faults';
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

/** What the logs leave of a complaint about lost water: faults that lose it by lifting the relief hot explain it only where heat was seen
 *  to take the pressure there.
 *  @returns for a set, what its prior is to be multiplied by; nothing where none was heated, or nobody complains of lost water */
export function complaintsBesideLog({
  complaint,
  logged,
  circuit,
}: Pick<Visit, 'complaint' | 'logged' | 'circuit'>): (faults: readonly FaultId[]) => Likelihood[] {
  if (logged.usualPeakGaugeBar === null || !complaint.some((c) => OF_LOST_WATER.has(c))) return () => [];
  return (faults) => {
    if (!faults.some((f) => SPILLS_HOT.has(f))) return [];
    const told = complaintsTimes(faults, complaint);
    return [
      (v) => {
        const near = spillsHot(faults, logged, v, circuit);
        const left = complaintsTimes(faults, complaint, (times, fault, c) =>
          SPILLS_HOT.has(fault) && OF_LOST_WATER.has(c) && times > KEEPS_ITS_WATER ? near * times + (1 - near) * KEEPS_ITS_WATER : times,
        );
        return left / told;
      },
    ];
  };
}

import { INFLOW, LITTLE_GAS, OUTFLOW } from '../faultGroups';
import type { FaultId } from '../faults';

export const COMPLAINTS = [
  'topped-up-often',
  'drips-outside',
  'gauge-climbs-hot',
  'no-heat',
  'no-heat-zone',
  'cold-room',
  'locks-out',
  'noise',
  'water-on-floor',
  'level-wrong',
] as const;
export type Complaint = (typeof COMPLAINTS)[number];

const NO_FLOW_AT_ALL: FaultId[] = ['pump-not-circulating', 'pump-valve-closed', 'controls-no-call'];
const STEAM_LOST: FaultId[] = ['steam-return-leak', 'steam-boiler-section-leak'];
const STEAM_LATE: FaultId[] = ['steam-vents-failed', 'steam-short-cycling', 'steam-return-restricted'];
const CIRCULATION: FaultId[] = [
  'pump-not-circulating',
  'pump-valve-closed',
  'zone-valve-stuck-closed',
  'zone-valve-end-switch-failed',
  'air-locked-branch',
  'branch-restricted',
  'mixing-valve-misset',
  'controls-no-call',
];

interface ComplaintRow {
  title: string;
  short: string;
  favours: [FaultId[], number][];
}

/** How many times likelier a complaint makes a fault against one that it says nothing of. Common practice, reviewed. */
// prettier-ignore
export const COMPLAINT_ROWS: Record<Complaint, ComplaintRow> = {
  'topped-up-often': { title: 'Topped up often', short: 'tops it up', favours: [[OUTFLOW, 4], [LITTLE_GAS, 3], [['relief-valve-lifts-early', 'vessel-gas-valve-leaking', 'vessel-overcharged'], 2], [['fill-pressure-too-low', 'feed-starved', 'pressurisation-unit-fault'], 1.8], [['air-in-circuit'], 1.4], [['none', 'fill-pressure-too-high'], 0.4], [INFLOW, 0.5], [STEAM_LOST, 4], [['steam-relief-passing', 'steam-vents-failed'], 1.5]] },
  'drips-outside': { title: 'Drips from the pipe outside', short: 'drips outside', favours: [[LITTLE_GAS, 3], [INFLOW, 3], [['relief-valve-passing', 'relief-valve-lifts-early', 'fill-pressure-too-high', 'reducing-valve-set-high'], 2.5], [['vessel-overcharged', 'boiler-overheating'], 1.6], [['none'], 0.4], [['circuit-leak', 'boiler-exchanger-leak'], 0.5], [['steam-relief-passing'], 4], [['steam-pigtail-blocked', 'steam-pressure-control-faulty'], 1.6]] },
  'gauge-climbs-hot': { title: 'Gauge climbs when it heats', short: 'climbs when hot', favours: [[LITTLE_GAS, 5], [['vessel-overcharged'], 3], [['boiler-overheating', 'fill-pressure-too-high', 'reducing-valve-set-high'], 2], [INFLOW, 1.5], [['circuit-leak'], 0.6], [['none'], 0.6]] },
  'no-heat': { title: 'No heat at all', short: 'no heat', favours: [[CIRCULATION, 4], [NO_FLOW_AT_ALL, 2], [['steam-feeder-failed', 'steam-return-leak', 'steam-boiler-section-leak'], 2], [STEAM_LATE, 1.5], [['fill-pressure-too-low', 'feed-starved', 'pressurisation-unit-fault'], 2], [OUTFLOW, 1.5], [['none'], 0.7]] },
  'no-heat-zone': { title: 'No heat in one zone', short: 'zone without heat', favours: [[CIRCULATION, 8], [NO_FLOW_AT_ALL, 0.5], [['air-in-circuit'], 1.6], [STEAM_LATE, 2.5], [LITTLE_GAS, 0.4], [INFLOW, 0.4], [OUTFLOW, 0.6], [['none'], 0.5]] },
  'cold-room': { title: 'One room is cold', short: 'one cold room', favours: [[CIRCULATION, 6], [NO_FLOW_AT_ALL, 0.5], [['air-in-circuit'], 2.5], [STEAM_LATE, 3], [LITTLE_GAS, 0.6], [INFLOW, 0.5], [['none'], 0.7]] },
  'locks-out': { title: 'Locks out, a light flashes', short: 'locks out', favours: [[OUTFLOW, 2], [LITTLE_GAS, 2], [['fill-pressure-too-low', 'feed-starved', 'pressurisation-unit-fault'], 3], [['boiler-overheating', 'gauge-misreading', 'pump-not-circulating', 'pump-valve-closed'], 2], [['steam-feeder-failed', 'steam-return-restricted', 'steam-dirty-water'], 2.5], [STEAM_LOST, 2], [['none'], 0.6]] },
  noise: { title: 'Noise, banging', short: 'noise', favours: [[['air-in-circuit', 'air-locked-branch', 'boiler-overheating', 'fill-pressure-too-low'], 2.5], [['steam-boiler-overfilled', 'steam-dirty-water', 'steam-return-restricted'], 2.5], [['steam-vents-failed'], 1.5]] },
  'water-on-floor': { title: 'Water on the floor', short: 'water on the floor', favours: [[['circuit-leak', 'air-vent-faulty'], 6], [['boiler-exchanger-leak'], 2], [['steam-return-leak', 'steam-relief-passing', 'steam-boiler-section-leak'], 3], [['none'], 0.3]] },
  'level-wrong': { title: 'Level in the glass is wrong', short: 'level wrong', favours: [[['steam-boiler-overfilled', 'steam-feeder-passing', 'steam-feeder-failed', 'steam-gauge-glass-blocked', 'steam-return-leak', 'steam-boiler-section-leak'], 3], [['steam-dirty-water', 'steam-return-restricted'], 2.5], [['none'], 0.5]] },
};

/** Complaints are told roughly, and not always of what is wrong now: this power takes the edge off them. */
const COMPLAINT_WEIGHT = 0.75;

/** How many times likelier complaints make a set: each needs one fault of it that explains it, and speaks against a set only where none
 *  does. Several complaints are one story told several ways: together they count for less than each alone would add up to.
 *  @param asTold what is left of a fault's factor by the rest of the visit */
export function complaintsTimes(
  faults: readonly FaultId[],
  told: readonly Complaint[],
  asTold: (times: number, fault: FaultId, complaint: Complaint) => number = (times) => times,
): number {
  const timesOf = (f: FaultId, c: Complaint) =>
    asTold(
      COMPLAINT_ROWS[c].favours.reduce((q, [favoured, times]) => (favoured.includes(f) ? q * times : q), 1),
      f,
      c,
    );
  const product = told.reduce((p, c) => p * Math.max(...faults.map((f) => timesOf(f, c))), 1);
  return Math.pow(product, COMPLAINT_WEIGHT * told.length ** -0.4);
}

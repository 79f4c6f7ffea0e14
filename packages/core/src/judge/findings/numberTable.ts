import { INFLOW, LITTLE_GAS } from '../faultGroups';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { normalCdf, normalPdf } from '../fit/normal';
import type { TestId } from '../tests';

/** What a fault does to a number that is measured on circulation or steam, and why. Means and spreads are common practice, reviewed by
 *  reading; not measured. */
export interface NumberRow {
  faults: FaultId[];
  mean: number;
  sd: number;
  why: string;
}
export interface NumberTable {
  /** The one number that speaks, from the values read; null where this reading says nothing. */
  of: (f: Finding) => number | null;
  base: { mean: number; sd: number };
  rows: NumberRow[];
}

const value = (f: Finding, name: string): number | null => (typeof f[name] === 'number' ? f[name] : null);
const difference = (f: Finding, one: string, other: string): number | null => {
  const a = value(f, one),
    b = value(f, other);
  return a === null || b === null ? null : a - b;
};
const row = (faults: FaultId[], mean: number, sd: number, why: string): NumberRow => ({ faults, mean, sd, why });

/** A floor is warm at what would be a cold radiator: its supply by how far it comes from the room up to its own setting, as a radiator would
 *  stand, °C. */
function asOfARadiator(f: Finding): number | null {
  const supplyC = value(f, 'supplyC'),
    floorSetC = value(f, 'floorSetC');
  if (supplyC === null || floorSetC === null) return supplyC;
  return ROOM_C + ((supplyC - ROOM_C) * (RADIATOR_C - ROOM_C)) / Math.max(5, floorSetC - ROOM_C);
}
const ROOM_C = 20,
  RADIATOR_C = 58;

/** Under this a burner has not run long enough for flow and return to have parted, minutes. */
export const LEAST_FIRING_MIN = 3;

/** Times and counts spread by a factor, not by a sum: their logarithm is what speaks. */
const logOf = (x: number | null, plus = 0): number | null => (x === null || x + plus <= 0 ? null : Math.log(x + plus));

/** Faults by which nothing goes through a zone that calls. */
const NOTHING_GOES_THROUGH: FaultId[] = [
  'pump-not-circulating',
  'pump-valve-closed',
  'zone-valve-stuck-closed',
  'zone-valve-end-switch-failed',
  'controls-no-call',
];

export const NUMBER_TABLES: Partial<Record<TestId, NumberTable[]>> = {
  'flow-return': [
    {
      of: (f) => ((value(f, 'minutesFiring') ?? 10) < LEAST_FIRING_MIN ? null : difference(f, 'flowC', 'returnC')),
      base: { mean: 11, sd: 5 },
      rows: [
        row(['pump-not-circulating', 'pump-valve-closed'], 30, 11, 'too little flow carries the heat away slowly, K'),
        row(['branch-restricted', 'air-locked-branch'], 17, 8, 'one branch is missing from the flow, K'),
        row(['zone-valve-stuck-closed', 'controls-no-call', 'zone-valve-end-switch-failed'], 4, 4, 'hardly any load takes heat'),
      ],
    },
  ],
  'zone-pipe-temperatures': [
    {
      of: (f) => (f.calling === false ? null : asOfARadiator(f)),
      base: { mean: 58, sd: 14 },
      rows: [
        row(NOTHING_GOES_THROUGH, 27, 12, 'a zone that calls stays cold, or warm as far as what shuts it, °C'),
        row(['air-locked-branch'], 42, 18, 'warm as far as the air, and no farther, °C'),
      ],
    },
    {
      of: (f) => (f.calling === false ? null : difference(f, 'supplyC', 'returnC')),
      base: { mean: 9, sd: 6 },
      rows: [
        row(['branch-restricted', 'air-locked-branch'], 25, 11, 'what little goes through cools far down, K'),
        row(NOTHING_GOES_THROUGH, 5, 12, 'nothing goes through: alike, or one end warmed by what it hangs on, K'),
      ],
    },
    {
      of: (f) => (f.calling === false ? value(f, 'supplyC') : null),
      base: { mean: 24, sd: 6 },
      rows: [row(['flow-check-leaking'], 46, 10, 'a zone that does not call gets warm, °C')],
    },
  ],
  'mixed-supply': [
    {
      of: (f) => difference(f, 'valueC', 'setC'),
      base: { mean: 0, sd: 3 },
      rows: [row(['mixing-valve-misset'], 0, 13, 'what comes out is not what was set, K')],
    },
  ],
  'pressure-control-cut-out': [
    {
      of: (f) => difference(f, 'cutOutBar', 'setBar'),
      base: { mean: 0, sd: 0.03 },
      rows: [
        row(['steam-pressure-control-faulty'], 0.12, 0.25, 'it does not stop where it is set, bar'),
        row(['steam-pigtail-blocked'], 0.25, 0.25, 'the pressure does not reach it, bar'),
      ],
    },
  ],
  'steam-furthest-arrival': [
    {
      of: (f) => logOf(value(f, 'minutes')),
      base: { mean: Math.log(20), sd: 0.4 },
      rows: [
        row(['steam-vents-failed'], Math.log(45), 0.45, 'air that cannot leave holds the steam back, min'),
        row(
          ['steam-return-restricted', 'steam-short-cycling', 'steam-dirty-water'],
          Math.log(33),
          0.45,
          'the boiler stops before the far end is hot, min',
        ),
      ],
    },
    {
      of: (f) => {
        const call = value(f, 'callMinutes'),
          arrives = value(f, 'minutes');
        return call && arrives ? Math.log(call / arrives) : null;
      },
      base: { mean: 0.7, sd: 0.6 },
      rows: [row(['steam-short-cycling'], -0.5, 0.6, 'the call ends before the far end is hot, of the time that it takes')],
    },
  ],
  'cycles-per-hour': [
    {
      of: (f) => logOf(value(f, 'count'), 0.5),
      base: { mean: Math.log(2.5), sd: 0.5 },
      rows: [
        row(['steam-short-cycling'], Math.log(7.5), 0.5, 'that is the fault itself'),
        row(
          ['steam-pressure-control-faulty', 'steam-vents-failed', 'steam-return-restricted', 'steam-dirty-water'],
          Math.log(5),
          0.5,
          'pressure or level stops it early',
        ),
      ],
    },
  ],
  // Some cut off after a few seconds' delay by design.
  'low-water-cutoff-trip': [
    {
      of: (f) => (f.outcome === 'keeps-firing' ? null : logOf(value(f, 'delayS'), 1)),
      base: { mean: Math.log(5), sd: 0.7 },
      rows: [row(['steam-low-water-cutoff-failed'], Math.log(35), 0.8, 'dirt holds it up, s')],
    },
  ],
  'make-up-per-month': [
    {
      of: (f) => logOf(value(f, 'volumeL'), 1),
      base: { mean: 1.7, sd: 0.8 },
      rows: [
        row(['steam-return-leak', 'steam-boiler-section-leak'], 4.3, 0.9, 'water that does not come back is made up'),
        row(['steam-vents-failed', 'steam-relief-passing'], 3.1, 0.8, 'steam that escapes is made up'),
        row(['steam-feeder-passing', 'steam-boiler-overfilled'], 3.4, 1, 'it feeds more than is lost'),
      ],
    },
  ],
  'return-time': [
    {
      of: (f) => logOf(value(f, 'minutes'), 0.5),
      base: { mean: Math.log(4), sd: 0.6 },
      rows: [row(['steam-return-restricted'], Math.log(17), 0.6, 'condensate comes back slowly, min')],
    },
  ],
  'water-ph': [
    {
      of: (f) => value(f, 'value'),
      base: { mean: 9.3, sd: 0.8 },
      rows: [
        row(['steam-water-untreated'], 7.2, 0.6, 'with no treatment it stays near neutral'),
        row(['steam-return-leak', 'steam-boiler-section-leak', 'steam-feeder-passing'], 8, 0.9, 'make-up thins the treatment'),
        row(['steam-dirty-water'], 10.3, 1.2, 'water that was treated too hard foams'),
      ],
    },
  ],
};

/** What a table says under a set of faults: of several rows the one that moves the number farthest. */
function rowOf(table: NumberTable, faults: readonly FaultId[]): NumberRow | null {
  const moved = (r: NumberRow) => Math.abs(r.mean - table.base.mean) / table.base.sd + Math.abs(Math.log(r.sd / table.base.sd));
  return table.rows
    .filter((r) => r.faults.some((id) => faults.includes(id)))
    .reduce<NumberRow | null>((a, b) => (a && moved(a) >= moved(b) ? a : b), null);
}

/** Density of what was read under a set of faults; null for tests that have no such table, or where nothing was read that speaks. */
export function numberDensity(f: Finding, faults: readonly FaultId[]): number | null {
  let density: number | null = null;
  for (const table of NUMBER_TABLES[f.test] ?? []) {
    const x = table.of(f);
    if (x === null) continue;
    const hit = rowOf(table, faults);
    // Faults go to any length, so theirs has the long tails: the farther off a number lies, the surer it is one. In units of the sound
    // spread, so that tables of other units weigh alike.
    const { mean, sd } = table.base,
      shape = hit ? longTailed(x, hit.mean, hit.sd) : (1 - ODD) * normalPdf(x, mean, sd) + ODD * longTailed(x, mean, sd);
    density = (density ?? 1) * shape * sd;
  }
  return density;
}
/** Sound plants that are odd, and slips of the hand, as a share. */
const ODD = 0.04;

/** Student's t with three degrees of freedom, by its scale. */
const longTailed = (x: number, mean: number, scale: number): number => 0.3675526 / (scale * (1 + ((x - mean) / scale) ** 2 / 3) ** 2);

/** How a number would come out under a set of faults, in bins that only serve to choose a test: below, about and above what is sound, for
 *  each of a test's numbers. Null for tests that have no such table. */
export function numberShares(test: TestId, faults: readonly FaultId[]): number[] | null {
  const tables = NUMBER_TABLES[test];
  if (!tables) return null;
  return tables.reduce<number[]>(
    (joint, table) => {
      const { mean, sd } = rowOf(table, faults) ?? table.base,
        low = table.base.mean - BEYOND_SD * table.base.sd,
        high = table.base.mean + BEYOND_SD * table.base.sd;
      const below = normalCdf((low - mean) / sd),
        upTo = normalCdf((high - mean) / sd);
      const bins = [below, upTo - below, 1 - upTo].map((p) => 0.97 * p + 0.01);
      return joint.flatMap((p) => bins.map((q) => p * q));
    },
    [1],
  );
}
const BEYOND_SD = 1.5;

/** What makes a relief drip only while it is hot, and what makes it drip at any temperature. */
const HEAT_DRIVEN: FaultId[] = [...LITTLE_GAS, 'boiler-overheating'],
  STEADY: FaultId[] = [...INFLOW, 'relief-valve-passing', 'fill-pressure-too-high'];
const COLD_BELOW_C = 30,
  HOT_FROM_C = 40;

/** Whether what drips outside was felt to be cold or hot; null where nothing drips, or nobody felt it. */
export function drippingWater(f: Finding): 'cold' | 'hot' | null {
  if (f.test !== 'discharge-pipe' || (f.outcome !== 'dripping' && f.outcome !== 'running')) return null;
  if (f.water === 'cold' || f.water === 'hot') return f.water;
  return f.waterC === undefined ? null : f.waterC < COLD_BELOW_C ? 'cold' : f.waterC > HOT_FROM_C ? 'hot' : null;
}

/** How often what drips is as cold or hot as it was felt: cold water says that heat is not what drives it. 1 where that is not known. */
export function drippingWaterShare(f: Finding, faults: readonly FaultId[]): number {
  const water = drippingWater(f);
  if (water === null) return 1;
  const any = (group: FaultId[]) => faults.some((id) => group.includes(id));
  const cold = any(STEADY) ? 0.6 : any(HEAT_DRIVEN) ? 0.2 : 0.4;
  return water === 'cold' ? cold : 1 - cold;
}

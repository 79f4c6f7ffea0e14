import type { FactBody } from '@jumper/contract';
import { type CircuitSheet, type Complaint } from '@jumper/core';
import { WALL_BOILER, FED, LARGER, PLANT_ROOM } from './demoCircuits';
import { finding, handReadings, serviceVisit } from './demoVisits';

/** One made-up job: a site, its circuit, and what has happened so far, worked out by the plant simulator. */
export interface DemoJob {
  site: string;
  town: string;
  sheet: CircuitSheet;
  assumed: string[];
  complaint: Complaint[];
  /** Minutes before now at which the log starts. */
  startedMinAgo: number;
  /** The site of an earlier entry: another visit to the same circuit. */
  again?: string;
  facts: (startMs: number) => FactBody[];
}

const YEAR_MIN = 525_600;

export const DEMO_JOBS: DemoJob[] = [
  {
    site: '7 Quarry Steps',
    town: 'Harrowmere',
    sheet: WALL_BOILER,
    assumed: ['fill.mainsBar', 'waterVolumeL'],
    complaint: ['topped-up-often', 'drips-outside'],
    startedMinAgo: 18,
    facts: (startMs) =>
      handReadings(
        {
          circuit: WALL_BOILER,
          faults: [{ id: 'vessel-undercharged', severity: 0.5, parameters: { prechargeGaugeBar: -0.15, startGaugeBar: 1 } }],
          seed: 7,
        },
        [0, 2, 4, 6, 9, 12, 15],
        startMs,
        0.2,
      ),
  },
  {
    site: '22 Weir Street',
    town: 'Harrowmere',
    sheet: {
      ...WALL_BOILER,
      waterVolumeL: 80,
      staticHeadM: 5.2,
      vessel: { nominalVolumeL: 10, labelPrechargeBar: 1, isolationValve: 'none', ageYears: 4 },
      reliefValve: { setBar: 3, ageYears: 4 },
    },
    assumed: ['fill.mainsBar', 'waterVolumeL'],
    complaint: ['drips-outside'],
    startedMinAgo: 95,
    facts: (startMs) => [
      ...handReadings(
        {
          circuit: { ...WALL_BOILER, waterVolumeL: 80, vessel: { nominalVolumeL: 10, labelPrechargeBar: 1 } },
          faults: [{ id: 'dhw-plate-perforated', severity: 0.5, parameters: { startGaugeBar: 1.9, inflowByCoil: 1.6 } }],
          seed: 22,
        },
        [0, 10, 20, 30, 45, 60],
        startMs,
        null,
      ),
      { kind: 'event', at: new Date(startMs + 60_000).toISOString(), event: 'fill-disconnected' },
    ],
  },
  {
    site: '5 Mill Hill Close',
    town: 'Harrowmere',
    sheet: { ...WALL_BOILER, vessel: { ...WALL_BOILER.vessel, ageYears: 12 }, ageYears: 12 },
    assumed: ['waterVolumeL', 'fill.mainsBar'],
    complaint: ['gauge-climbs-hot', 'locks-out'],
    startedMinAgo: 150,
    facts: (startMs) => [
      ...handReadings(
        { circuit: WALL_BOILER, faults: [{ id: 'vessel-diaphragm-failed', severity: 0.4, parameters: { startGaugeBar: 1.1 } }], seed: 12 },
        [0, 2, 4, 6, 8, 10, 13],
        startMs,
        0.2,
      ),
      finding(startMs, 20, { test: 'gas-valve-press', outcome: 'water' }),
    ],
  },
  {
    site: 'The Old Tollhouse',
    town: 'Nether Ellerby',
    sheet: { ...WALL_BOILER, waterVolumeL: 85, reliefValve: { setBar: 3, ageYears: 13 }, vessel: { ...WALL_BOILER.vessel, ageYears: 5 } },
    assumed: ['waterVolumeL'],
    complaint: ['topped-up-often', 'drips-outside'],
    startedMinAgo: 200,
    facts: (startMs) => [
      ...handReadings(
        {
          circuit: { ...WALL_BOILER, waterVolumeL: 85 },
          faults: [{ id: 'relief-valve-passing', severity: 0.55, parameters: { startGaugeBar: 1.2 } }],
          seed: 31,
        },
        [0, 4, 8, 13, 20, 30],
        startMs,
        0.2,
      ),
      finding(startMs, 32, { test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }),
      finding(startMs, 36, { test: 'gas-valve-press', outcome: 'air' }),
    ],
  },
  {
    site: '3 Lamp Lane, garden flat',
    town: 'Harrowmere',
    sheet: {
      ...WALL_BOILER,
      waterVolumeL: 110,
      vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75, isolationValve: 'none', ageYears: 2 },
      reliefValve: { setBar: 3, ageYears: 2 },
    },
    assumed: ['waterVolumeL', 'staticHeadM'],
    complaint: ['topped-up-often'],
    startedMinAgo: 3 * 1440 + 40,
    facts: (startMs) => [
      ...handReadings(
        {
          circuit: { ...WALL_BOILER, waterVolumeL: 110, vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 } },
          faults: [{ id: 'circuit-leak', severity: 0.02, parameters: { startGaugeBar: 1.4, leak: 0.03 } }],
          seed: 33,
        },
        [0, 720, 1440, 2160, 2880, 4320],
        startMs,
        null,
      ),
      finding(startMs, 30, { test: 'discharge-pipe', outcome: 'dry' }),
    ],
  },
  {
    site: 'Brewer House, boiler room',
    town: 'Ellerby Cross',
    sheet: FED,
    assumed: ['waterVolumeL'],
    complaint: ['drips-outside'],
    startedMinAgo: 60 * 5,
    facts: (startMs) => [
      ...handReadings(
        {
          circuit: FED,
          faults: [{ id: 'reducing-valve-creeping', severity: 0.6, parameters: { startGaugeBar: 1.25, inflowByFill: 1.1 } }],
          seed: 40,
        },
        [0, 10, 20, 30, 45, 60],
        startMs,
        null,
      ),
      finding(startMs, 62, { test: 'discharge-pipe', outcome: 'stained' }),
    ],
  },
  {
    site: '41 Orchard Bank',
    town: 'Harrowmere',
    sheet: { ...WALL_BOILER, waterVolumeL: 90, vessel: { ...WALL_BOILER.vessel, ageYears: 7 } },
    assumed: ['waterVolumeL'],
    complaint: ['topped-up-often'],
    startedMinAgo: 50 * 60,
    facts: (startMs) => [
      ...handReadings(
        {
          circuit: { ...WALL_BOILER, waterVolumeL: 90 },
          faults: [{ id: 'vessel-undercharged', severity: 0.4, parameters: { prechargeGaugeBar: -0.15, startGaugeBar: 1 } }],
          seed: 41,
        },
        [0, 2, 5, 8, 11, 15],
        startMs,
        0.2,
      ),
      finding(startMs, 25, { test: 'gas-valve-press', outcome: 'nothing' }),
      finding(startMs, 40, { test: 'precharge', valueBar: 0, circuitBar: 0, drainOpen: true }),
      finding(startMs, 42, { test: 'gas-valve-bubbles', outcome: 'tight' }),
      { kind: 'repair', at: new Date(startMs + 55 * 60_000).toISOString(), repair: { kind: 'vessel-recharged', toBar: 0.8 } },
      ...handReadings(
        {
          circuit: { ...WALL_BOILER, waterVolumeL: 90 },
          faults: [{ id: 'none', severity: 0, parameters: { startGaugeBar: 1.1 } }],
          seed: 42,
        },
        [0, 3, 6, 10, 15, 20],
        startMs + 70 * 60_000,
        0.2,
      ),
    ],
  },
  {
    site: 'Chapel Cottage',
    town: 'Nether Ellerby',
    sheet: {
      ...WALL_BOILER,
      waterVolumeL: 70,
      vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, isolationValve: 'none', ageYears: 3 },
      reliefValve: { setBar: 3, ageYears: 3 },
    },
    assumed: ['waterVolumeL'],
    complaint: [],
    startedMinAgo: 26 * 60,
    facts: (startMs) => [
      ...handReadings(
        {
          circuit: { ...WALL_BOILER, waterVolumeL: 70 },
          faults: [{ id: 'none', severity: 0, parameters: { startGaugeBar: 1.1 } }],
          seed: 3,
        },
        [0, 3, 6, 10, 15, 20, 28],
        startMs,
        0.2,
      ),
      { kind: 'finding', at: new Date(startMs + 29 * 60_000).toISOString(), finding: { test: 'discharge-pipe', outcome: 'dry' } },
    ],
  },
  {
    site: 'Ellerby Cross School, plant room',
    town: 'Ellerby Cross',
    sheet: PLANT_ROOM,
    assumed: ['waterVolumeL'],
    complaint: ['no-heat', 'locks-out'],
    startedMinAgo: 70,
    facts: (startMs) => [
      ...handReadings(
        { circuit: PLANT_ROOM, faults: [{ id: 'pressurisation-unit-fault', severity: 0.4, parameters: { startGaugeBar: 0.8 } }], seed: 51 },
        [0, 5, 10, 20, 30],
        startMs,
        null,
      ),
      finding(startMs, 34, { test: 'second-gauge', firstGaugeBar: 0.8, valueBar: 0.8 }),
    ],
  },
  {
    site: '2 Tithe Lane',
    town: 'Nether Ellerby',
    sheet: LARGER,
    assumed: ['waterVolumeL', 'fill.mainsBar'],
    complaint: ['gauge-climbs-hot'],
    startedMinAgo: 7 * 60,
    facts: (startMs) => [
      ...handReadings(
        { circuit: LARGER, faults: [{ id: 'vessel-isolated', severity: 1, parameters: { startGaugeBar: 1.1 } }], seed: 52 },
        [0, 2, 4, 6, 8, 11, 14],
        startMs,
        0.2,
      ),
      finding(startMs, 18, { test: 'gas-valve-press', outcome: 'air' }),
      finding(startMs, 20, { test: 'vessel-valve-position', outcome: 'closed' }),
    ],
  },
  {
    site: '18 Sluice Row',
    town: 'Harrowmere',
    sheet: { ...WALL_BOILER, gauge: { kind: 'dial', resolutionBar: 0.2 } },
    assumed: ['waterVolumeL', 'fill.mainsBar'],
    complaint: ['drips-outside'],
    startedMinAgo: 28 * 60,
    facts: (startMs) => [
      ...handReadings(
        { circuit: WALL_BOILER, faults: [{ id: 'fill-pressure-too-high', severity: 0.6, parameters: { startGaugeBar: 2.2 } }], seed: 53 },
        [0, 15, 30, 45, 60],
        startMs,
        null,
      ),
      finding(startMs, 62, { test: 'second-gauge', firstGaugeBar: 2.2, valueBar: 2.2 }),
      finding(startMs, 66, { test: 'fill-outlet-drip', outcome: 'dry' }),
    ],
  },
  {
    site: '9 Ropewalk',
    town: 'Harrowmere',
    sheet: WALL_BOILER,
    assumed: ['fill.mainsBar'],
    complaint: [],
    startedMinAgo: 2 * YEAR_MIN + 50 * 1440,
    facts: (startMs) => serviceVisit(startMs, { foundBar: 0.5, coldBar: 1, topUps: 1, seed: 91 }),
  },
  {
    site: '9 Ropewalk',
    town: 'Harrowmere',
    again: '9 Ropewalk',
    sheet: WALL_BOILER,
    assumed: ['fill.mainsBar'],
    complaint: [],
    startedMinAgo: YEAR_MIN + 16 * 1440,
    facts: (startMs) => serviceVisit(startMs, { foundBar: 0.65, coldBar: 1.1, topUps: 0, seed: 93 }),
  },
];

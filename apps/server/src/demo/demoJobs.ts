import { simulateCase, type CircuitSheet, type Complaint, type EventKind, type SimulationRequest } from '@jumper/core';
import type { FactBody } from '@jumper/contract';

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

const WALL_BOILER: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  waterVolumeSource: 'estimated',
  heatOutputKw: 24,
  staticHeadM: 3.7,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, isolationValve: 'none', ageYears: 9 },
  reliefValve: { setBar: 3, ageYears: 9 },
  fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};

/** A fed circuit of a larger house: reducing valve, external vessel, cylinder with a coil; 30 psi relief. */
const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 240,
  waterVolumeSource: 'estimated',
  heatOutputKw: 40,
  staticHeadM: 5.5,
  gauge: { kind: 'dial', resolutionBar: 0.05 },
  vessel: { nominalVolumeL: 35, labelPrechargeBar: 0.83, isolationValve: 'fitted', ageYears: 6 },
  reliefValve: { setBar: 2.07, ageYears: 6, capacityKw: 98 },
  fill: { kind: 'reducing-valve', setBar: 0.97, mainsBar: 4 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 80,
};

/** A larger home: external vessel on a valve, cylinder with a coil, filled by hand. */
const LARGER: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 190,
  waterVolumeSource: 'estimated',
  heatOutputKw: 30,
  staticHeadM: 5,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 18, labelPrechargeBar: 0.75, isolationValve: 'fitted-with-drain', ageYears: 8 },
  reliefValve: { setBar: 3, ageYears: 8, capacityKw: 60 },
  fill: { kind: 'manual-loop', mainsBar: 3.2 },
  domesticHotWater: { kind: 'indirect-coil' },
  maxFlowC: 70,
};

/** A plant room: pressurisation unit, several boilers, a vessel of two hundred litres. */
const PLANT_ROOM: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 1800,
  waterVolumeSource: 'estimated',
  heatOutputKw: 240,
  staticHeadM: 9,
  gauge: { kind: 'dial', resolutionBar: 0.05 },
  vessel: { nominalVolumeL: 200, targetPrechargeBar: 1.2, isolationValve: 'fitted-with-drain', ageYears: 11 },
  reliefValve: { setBar: 4, ageYears: 6, capacityKw: 300 },
  fill: { kind: 'pressurisation-unit', cutInBar: 1.5, cutOutBar: 1.8 },
  domesticHotWater: { kind: 'none' },
  maxFlowC: 80,
};

const finding = (startMs: number, atMin: number, f: object): FactBody => ({
  kind: 'finding',
  at: new Date(startMs + 60_000 * atMin).toISOString(),
  finding: f as never,
});

/** Readings as a hand takes them: at these minutes, off a dial, with the flow temperature to a degree. */
function handReadings(
  request: Omit<SimulationRequest, 'schedule'> & { schedule?: Partial<SimulationRequest['schedule']> },
  atMin: number[],
  startMs: number,
  heatAtMin: number | null,
): FactBody[] {
  const lastS = 60 * atMin.at(-1)!;
  const { log } = simulateCase({
    ...request,
    schedule: {
      startC: 17,
      durationS: lastS,
      stepS: 30,
      heat: heatAtMin === null ? [] : [{ onS: 60 * heatAtMin, offS: lastS + 1 }],
      ...request.schedule,
    },
  });
  const at = (min: number) => new Date(startMs + 60_000 * min).toISOString();
  const facts: FactBody[] = atMin.map((min) => {
    const i = Math.round(min * 2);
    return { kind: 'reading', at: at(min), pressureBar: log.samples.pressureBar[i] ?? null, flowC: Math.round(log.samples.flowC![i]!) };
  });
  const event = (min: number, kind: EventKind): FactBody => ({ kind: 'event', at: at(min), event: kind });
  return heatAtMin === null ? facts : [...facts, event(heatAtMin, 'heat-on')];
}

const YEAR_MIN = 525_600;

/** A vessel looked at on a service visit, set right, and the job closed with its next check. */
function serviceVisit(
  startMs: number,
  { foundBar, coldBar, topUps, seed }: { foundBar: number; coldBar: number; topUps: number; seed: number },
): FactBody[] {
  const at = (min: number) => new Date(startMs + 60_000 * min).toISOString();
  return [
    ...handReadings(
      {
        circuit: WALL_BOILER,
        faults: [{ id: 'vessel-undercharged', severity: 0.2, parameters: { prechargeGaugeBar: foundBar, startGaugeBar: coldBar } }],
        seed,
      },
      [0, 3, 6, 10, 15],
      startMs,
      0.2,
    ),
    finding(startMs, 18, { test: 'top-ups-per-month', count: topUps }),
    finding(startMs, 20, { test: 'discharge-pipe', outcome: 'dry' }),
    finding(startMs, 40, { test: 'precharge', valueBar: foundBar, circuitBar: 0, drainOpen: true }),
    finding(startMs, 45, { test: 'gas-valve-bubbles', outcome: 'tight' }),
    { kind: 'repair', at: at(50), repair: { kind: 'vessel-recharged', toBar: 0.8 } },
    ...handReadings(
      { circuit: WALL_BOILER, faults: [{ id: 'none', severity: 0, parameters: { startGaugeBar: 1.2 } }], seed: seed + 1 },
      [0, 3, 6, 10, 15, 20],
      startMs + 60 * 60_000,
      0.2,
    ),
    { kind: 'check', at: at(85), check: 'vessel-yearly', due: new Date(startMs + 365 * 86_400_000).toISOString().slice(0, 10) },
    { kind: 'status', at: at(86), status: 'done' },
  ];
}

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

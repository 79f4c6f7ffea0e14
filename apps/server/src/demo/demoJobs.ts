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
  facts: (startMs: number) => FactBody[];
}

const WALL_BOILER: CircuitSheet = {
  kind: 'sealed-hot-water', waterVolumeL: 95, waterVolumeSource: 'estimated', heatOutputKw: 24, staticHeadM: 3.7,
  gauge: { kind: 'dial', resolutionBar: 0.1 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, isolationValve: 'none', ageYears: 9 },
  reliefValve: { setBar: 3, ageYears: 9 }, fill: { kind: 'manual-loop', mainsBar: 3.5 },
  domesticHotWater: { kind: 'plate-exchanger' }, maxFlowC: 70,
};

/** Readings as a hand takes them: at these minutes, off a dial, with the flow temperature to a degree. */
function handReadings(request: Omit<SimulationRequest, 'schedule'> & { schedule?: Partial<SimulationRequest['schedule']> }, atMin: number[], startMs: number, heatAtMin: number | null): FactBody[] {
  const lastS = 60 * atMin.at(-1)!;
  const { log } = simulateCase({ ...request, schedule: { startC: 17, durationS: lastS, stepS: 30, heat: heatAtMin === null ? [] : [{ onS: 60 * heatAtMin, offS: lastS + 1 }], ...request.schedule } });
  const at = (min: number) => new Date(startMs + 60_000 * min).toISOString();
  const facts: FactBody[] = atMin.map((min) => {
    const i = Math.round(min * 2);
    return { kind: 'reading', at: at(min), pressureBar: log.samples.pressureBar[i] ?? null, flowC: Math.round(log.samples.flowC![i]!) };
  });
  const event = (min: number, kind: EventKind): FactBody => ({ kind: 'event', at: at(min), event: kind });
  return heatAtMin === null ? facts : [...facts, event(heatAtMin, 'heat-on')];
}

export const DEMO_JOBS: DemoJob[] = [
  {
    site: '7 Quarry Steps', town: 'Harrowmere', sheet: WALL_BOILER, assumed: ['fill.mainsBar', 'waterVolumeL'], complaint: ['topped-up-often', 'drips-outside'], startedMinAgo: 18,
    facts: (startMs) => handReadings({ circuit: WALL_BOILER, faults: [{ id: 'vessel-undercharged', severity: 0.5, parameters: { prechargeGaugeBar: -0.15, startGaugeBar: 1 } }], seed: 7 }, [0, 2, 4, 6, 9, 12, 15], startMs, 0.2),
  },
  {
    site: '22 Weir Street', town: 'Harrowmere',
    sheet: { ...WALL_BOILER, waterVolumeL: 80, staticHeadM: 5.2, vessel: { nominalVolumeL: 10, labelPrechargeBar: 1, isolationValve: 'none', ageYears: 4 }, reliefValve: { setBar: 3, ageYears: 4 } },
    assumed: ['fill.mainsBar', 'waterVolumeL'], complaint: ['drips-outside'], startedMinAgo: 95,
    facts: (startMs) => [
      ...handReadings({ circuit: { ...WALL_BOILER, waterVolumeL: 80, vessel: { nominalVolumeL: 10, labelPrechargeBar: 1 } }, faults: [{ id: 'dhw-plate-perforated', severity: 0.5, parameters: { startGaugeBar: 1.9, inflowByCoil: 1.6 } }], seed: 22 }, [0, 10, 20, 30, 45, 60], startMs, null),
      { kind: 'event', at: new Date(startMs + 60_000).toISOString(), event: 'fill-disconnected' },
    ],
  },
  {
    site: 'Chapel Cottage', town: 'Nether Ellerby', sheet: { ...WALL_BOILER, waterVolumeL: 70, vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75, isolationValve: 'none', ageYears: 3 }, reliefValve: { setBar: 3, ageYears: 3 } },
    assumed: ['waterVolumeL'], complaint: [], startedMinAgo: 26 * 60,
    facts: (startMs) => [
      ...handReadings({ circuit: { ...WALL_BOILER, waterVolumeL: 70 }, faults: [{ id: 'none', severity: 0, parameters: { startGaugeBar: 1.1 } }], seed: 3 }, [0, 3, 6, 10, 15, 20, 28], startMs, 0.2),
      { kind: 'finding', at: new Date(startMs + 29 * 60_000).toISOString(), finding: { test: 'discharge-pipe', outcome: 'dry' } },
    ],
  },
];

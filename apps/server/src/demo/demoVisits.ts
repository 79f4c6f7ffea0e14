import type { FactBody } from '@jumper/contract';
import { simulateCase, type EventKind, type SimulationRequest } from '@jumper/core';
import { WALL_BOILER } from './demoCircuits';

export const finding = (startMs: number, atMin: number, f: object): FactBody => ({
  kind: 'finding',
  at: new Date(startMs + 60_000 * atMin).toISOString(),
  finding: f as never,
});

/** Readings as a hand takes them: at these minutes, off a dial, with the flow temperature to a degree. */
export function handReadings(
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

/** A vessel looked at on a service visit, set right, and the job closed with its next check. */
export function serviceVisit(
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

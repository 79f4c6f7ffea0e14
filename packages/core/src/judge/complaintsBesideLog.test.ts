import type { Complaint } from './priors/complaints';
import type { FaultId } from './faults';
import { diagnose } from './diagnose';
import { HOME } from './test/homes';

const TO_C = [15, 22, 32, 42, 51, 59, 65, 68];
const heated = (...pressureBar: number[]) => ({
  source: 'hand' as const,
  samples: { tS: pressureBar.map((_, i) => 240 * i), pressureBar, flowC: TO_C.slice(0, pressureBar.length) },
  events: [{ tS: 60, kind: 'heat-on' as const }],
});
const FAR_BELOW = heated(1.2, 1.2, 1.3, 1.3, 1.4, 1.5, 1.5, 1.5),
  TO_THE_RELIEF = heated(1.2, 1.3, 1.6, 1.9, 2.3, 2.6, 2.8, 2.9);

const diagnosed = (log: typeof FAR_BELOW, complaint: Complaint[], findings: { test: 'top-ups-per-month'; count: number }[] = []) =>
  diagnose({ format: 'jumper-case', version: 1, id: 'c', circuit: HOME, complaint, logs: [log], findings }).marginals as Record<
    FaultId,
    number
  >;
const odds = (m: Record<FaultId, number>, one: FaultId, other: FaultId) => m[one] / m[other];

describe('water that is lost', () => {
  const gainOf = (log: typeof FAR_BELOW, how: 'told' | 'counted') => {
    const so = how === 'told' ? diagnosed(log, ['topped-up-often']) : diagnosed(log, [], [{ test: 'top-ups-per-month', count: 6 }]);
    const plain = how === 'told' ? diagnosed(log, ['locks-out']) : diagnosed(log, []);
    return odds(so, 'vessel-undercharged', 'circuit-leak') / odds(plain, 'vessel-undercharged', 'circuit-leak');
  };
  it.each(['told', 'counted'] as const)('is put down to a vessel without gas where heat takes the pressure to the relief (%s)', (how) => {
    expect(gainOf(FAR_BELOW, how)).toBeLessThan(0.8 * gainOf(TO_THE_RELIEF, how));
  });
  it('leaves a leak the likelier where the heat stays far below', () => {
    const m = diagnosed(FAR_BELOW, ['topped-up-often'], [{ test: 'top-ups-per-month', count: 6 }]);
    expect(m['vessel-undercharged']).toBeLessThan(m['circuit-leak']);
  });
});

it('a gauge that climbs is what the log shows it to do, unless it goes as high as people complain of', () => {
  const gain = (log: typeof FAR_BELOW) =>
    odds(diagnosed(log, ['gauge-climbs-hot']), 'vessel-undercharged', 'none') / odds(diagnosed(log, []), 'vessel-undercharged', 'none');
  expect(gain(FAR_BELOW)).toBeGreaterThan(1);
  expect(gain(FAR_BELOW)).toBeLessThan(0.7 * gain(TO_THE_RELIEF));
});

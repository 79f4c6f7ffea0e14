import type { PressureLog } from '../log/PressureLog';
import { diagnose } from './diagnose';
import type { Finding } from './Finding';
import { idleThroughout } from './idleThroughout';
import { SMALL_HOME } from './test/homes';

const overnight = (pressureBar: number[], more: Partial<PressureLog> = {}): PressureLog => ({
  source: 'hand',
  samples: { tS: pressureBar.map((_, i) => (8 * 3600 * i) / (pressureBar.length - 1)), pressureBar },
  events: [],
  ...more,
});
const found = (valueBar: number, idleHours = 8): Finding[] => [{ test: 'idle-cold-pressure', valueBar, idleHours }];
const isIdle = (log: PressureLog, findings: Finding[]) => idleThroughout(log, findings, 0.1).idle === true;

it('a log that ends at what was found after so many idle hours stood without heat', () => {
  expect(isIdle(overnight([1.5, 2.4]), found(2.4))).toBe(true);
  expect(isIdle(overnight([1.5, 1.8, 2.1, 2.4]), found(2.42, 7))).toBe(true);
  expect(isIdle(overnight([1.5, 1.2, 0.9]), found(0.9))).toBe(true);
});

it('not one that began before, ends elsewhere, or came back to where it had been', () => {
  expect(isIdle(overnight([1.5, 2.4]), found(2.4, 5))).toBe(false);
  expect(isIdle(overnight([1.5, 2.4]), found(2))).toBe(false);
  expect(isIdle(overnight([1.2, 1.7, 1.2]), found(1.2))).toBe(false);
  expect(isIdle(overnight([1.2, 2.6, 2.4]), found(2.4))).toBe(false);
  expect(isIdle(overnight([1.5, 2.4]), [])).toBe(false);
});

it('temperatures, and a word of the heat, tell more', () => {
  const log = overnight([1.5, 2.4]);
  expect(isIdle({ ...log, events: [{ tS: 60, kind: 'heat-on' }] }, found(2.4))).toBe(false);
  expect(isIdle({ ...log, samples: { ...log.samples, flowC: [18, 60] } }, found(2.4))).toBe(false);
  expect(isIdle({ ...log, samples: { ...log.samples, flowC: [null, null] } }, found(2.4))).toBe(true);
});

it('what rose overnight with no heat is water coming in, though nobody wrote down that there was none', () => {
  const { hypotheses, because } = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'overnight',
    circuit: SMALL_HOME,
    logs: [overnight([1.5, 2.4])],
    findings: found(2.4),
  });
  const comesIn = hypotheses.filter((h) => h.faults.some((f) => f === 'fill-loop-passing' || f === 'dhw-plate-perforated'));
  expect(because.find((b) => b.evidence === 'log:0')!.text).toBe('Went from 1.5 bar to 2.4 bar in 8 h with no heat.');
  expect(comesIn.reduce((sum, h) => sum + h.probability, 0)).toBeGreaterThan(0.8);
});

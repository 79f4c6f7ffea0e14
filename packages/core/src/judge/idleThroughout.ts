import { isHeatSwitch, type PressureLog } from '../log/PressureLog';
import type { Finding } from './Finding';

/** A span of hours is told to about so much of itself; a pressure is the same that was read, bar; and another one, bar and steps of the
 *  gauge. */
const HOURS_SHARE = 0.8,
  SAME_BAR = 0.05,
  OTHER_BAR = 0.2,
  OTHER_STEPS = 2.5;

/** A log that a finding shows to have stood without heat: the pressure that somebody found after so many idle hours is the one that the log
 *  ends at, not the one that it began at, and it began within them. Where temperatures or the heat were written down, these tell.
 *  @param stepBar the gauge's division */
export function idleThroughout(log: PressureLog, findings: readonly Finding[], stepBar: number): PressureLog {
  const { tS, pressureBar, flowC, returnC } = log.samples,
    spanS = (tS.at(-1) ?? 0) - (tS[0] ?? 0);
  const read = pressureBar.filter((bar) => bar !== null),
    first = read[0],
    last = read.at(-1);
  const told = log.events?.some(isHeatSwitch) || [flowC, returnC].some((c) => c?.some((x) => x !== null));
  if (told || first === undefined || last === undefined) return log;
  const same = Math.max(SAME_BAR, stepBar / 2),
    isEnd = read.every((bar) => (last > first ? bar <= last + same : bar >= last - same));
  if (!isEnd || Math.abs(last - first) < Math.max(OTHER_BAR, OTHER_STEPS * stepBar)) return log;
  const endsIt = ({ test, valueBar, idleHours }: Finding) =>
    test === 'idle-cold-pressure' &&
    valueBar !== undefined &&
    idleHours !== undefined &&
    Math.abs(valueBar - last) <= same &&
    3600 * idleHours >= HOURS_SHARE * spanS;
  return findings.some(endsIt) ? { ...log, idle: true } : log;
}

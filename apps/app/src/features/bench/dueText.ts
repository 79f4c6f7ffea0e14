/** Every two minutes while it heats: common practice is every minute or so at first. */
export const READ_EVERY_S = 120;
/** After this long nobody is standing at the gauge any more. */
const FORGOTTEN_S = 3600;

export function dueText(lastAtMs: number, nowMs: number): { now: boolean; text: string } | null {
  const leftS = READ_EVERY_S - Math.floor(Math.max(0, nowMs - lastAtMs) / 1000);
  if (leftS < -FORGOTTEN_S) return null;
  if (leftS <= 0) return { now: true, text: 'Read the gauge now' };
  return { now: false, text: `Next reading in ${Math.floor(leftS / 60)}:${String(leftS % 60).padStart(2, '0')}` };
}

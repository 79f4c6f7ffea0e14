import { heatIsOn, type PressureLog } from './PressureLog';

export interface CoolingTime {
  minutes: number;
  nowC: number;
  /** `log`: by this circuit's own cooling; `usual`: it was not seen to cool. */
  from: 'log' | 'usual';
}

/** How fast a heated circuit loses its warmth where nothing better is known: time constant, min. Common practice: 70 to 50 °C in most of an
 *  hour. */
const USUAL_TAU_MIN = 95;
const LEAST_SPAN_MIN = 5,
  LEAST_FALL_K = 2;

/** How long until the water is below a temperature, by the circuit's own cooling in the log: T − Troom falls by one share in equal times.
 *  @param nowS seconds from the log's start; the last temperature is carried on to it
 *  @param roomC what it cools to
 *  @returns null where no temperature was read; 0 min where it is cool enough already */
export function coolingTime(log: PressureLog, belowC: number, nowS: number, roomC = 18): CoolingTime | null {
  const { tS, flowC = [] } = log.samples;
  const read = tS.flatMap((t, i) => (flowC[i] == null ? [] : [{ min: t / 60, c: flowC[i]! }]));
  const last = read.at(-1);
  if (!last) return null;
  const tail = falling(read);
  const own = tail ? timeConstant(tail, roomC) : null;
  const tau = own ?? USUAL_TAU_MIN;
  const heated = heatIsOn(log);
  const goneMin = heated ? 0 : Math.max(0, nowS / 60 - last.min);
  const nowC = roomC + (last.c - roomC) * Math.exp(-goneMin / tau);
  const minutes = nowC <= belowC || belowC <= roomC ? 0 : tau * Math.log((nowC - roomC) / (belowC - roomC));
  return { minutes, nowC, from: own === null ? 'usual' : 'log' };
}

/** The last readings that go down without a break, when they span enough to tell a pace. */
function falling(read: { min: number; c: number }[]): { min: number; c: number }[] | null {
  let from = read.length - 1;
  while (from > 0 && read[from - 1]!.c >= read[from]!.c) from--;
  const tail = read.slice(from),
    first = tail[0],
    last = tail.at(-1);
  return first && last && last.min - first.min >= LEAST_SPAN_MIN && first.c - last.c >= LEAST_FALL_K ? tail : null;
}

/** Least squares of ln(T − Troom) against time, min; null where it does not cool. */
function timeConstant(tail: { min: number; c: number }[], roomC: number): number | null {
  const points = tail.filter((p) => p.c > roomC + 1).map((p) => ({ x: p.min, y: Math.log(p.c - roomC) }));
  if (points.length < 2) return null;
  const mx = points.reduce((s, p) => s + p.x, 0) / points.length,
    my = points.reduce((s, p) => s + p.y, 0) / points.length;
  const slope = points.reduce((s, p) => s + (p.x - mx) * (p.y - my), 0) / points.reduce((s, p) => s + (p.x - mx) ** 2, 0);
  return slope < -1e-4 ? -1 / slope : null;
}

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
/** What fell longer ago says nothing of how it cools now. */
const MOST_SPAN_MIN = 360;

/** How a circuit stands and cools after what was logged. */
export interface Cooling {
  /** °C, the last temperature carried on to now. */
  nowC: number;
  /** `log`: by this circuit's own cooling; `usual`: it was not seen to cool. */
  from: CoolingTime['from'];
  /** Until the water is below a temperature, min; 0 where it is, or where that is below the room. */
  minutesTo(belowC: number): number;
}

/** How long until the water is below a temperature, see {@link coolingOf}.
 *  @returns null where no temperature was read; 0 min where it is cool enough already */
export function coolingTime(log: PressureLog, belowC: number, nowS: number, roomC = ROOM_C): CoolingTime | null {
  const cooling = coolingOf(log, nowS, roomC);
  return cooling && { minutes: cooling.minutesTo(belowC), nowC: cooling.nowC, from: cooling.from };
}

/** How the water cools, by the circuit's own cooling in the log: T − Troom falls by one share in equal times. Only the log's end is read.
 *  @param nowS seconds from the log's start; the last temperature is carried on to it
 *  @param roomC what it cools to
 *  @returns null where no temperature was read */
export function coolingOf(log: PressureLog, nowS: number, roomC = ROOM_C): Cooling | null {
  const tail = fallingTail(log),
    last = tail.at(-1);
  if (!last) return null;
  const own = spansEnough(tail) ? timeConstant(tail, roomC) : null,
    tau = own ?? USUAL_TAU_MIN;
  const goneMin = heatIsOn(log) ? 0 : Math.max(0, nowS / 60 - last.min),
    nowC = roomC + (last.c - roomC) * Math.exp(-goneMin / tau);
  return {
    nowC,
    from: own === null ? 'usual' : 'log',
    minutesTo: (belowC) => (nowC <= belowC || belowC <= roomC ? 0 : tau * Math.log((nowC - roomC) / (belowC - roomC))),
  };
}
const ROOM_C = 18;

interface Read {
  min: number;
  c: number;
}

/** The last readings that go down without a break, in their order; with no fall before it the last one alone. */
function fallingTail({ samples: { tS, flowC = [] } }: PressureLog): Read[] {
  const tail: Read[] = [];
  for (let i = tS.length - 1; i >= 0; i--) {
    const c = flowC[i];
    if (c == null) continue;
    const read = { min: tS[i]! / 60, c };
    if (tail.length > 0 && (c < tail.at(-1)!.c || tail[0]!.min - read.min > MOST_SPAN_MIN)) break;
    tail.push(read);
  }
  return tail.reverse();
}

/** Whether they tell a pace. */
const spansEnough = (tail: readonly Read[]): boolean =>
  tail.at(-1)!.min - tail[0]!.min >= LEAST_SPAN_MIN && tail[0]!.c - tail.at(-1)!.c >= LEAST_FALL_K;

/** Least squares of ln(T − Troom) against time, min; null where it does not cool. */
function timeConstant(tail: readonly Read[], roomC: number): number | null {
  const points = tail.filter((p) => p.c > roomC + 1).map((p) => ({ x: p.min, y: Math.log(p.c - roomC) }));
  if (points.length < 2) return null;
  const mx = points.reduce((s, p) => s + p.x, 0) / points.length,
    my = points.reduce((s, p) => s + p.y, 0) / points.length;
  const slope = points.reduce((s, p) => s + (p.x - mx) * (p.y - my), 0) / points.reduce((s, p) => s + (p.x - mx) ** 2, 0);
  return slope < -1e-4 ? -1 / slope : null;
}

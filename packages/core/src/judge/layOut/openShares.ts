import type { EventKind, LogEvent } from '../../log/PressureLog';

/** For each point of a log, what share of the time since the point before each way was open, 0 to 1; at the first point, whether it is. */
export interface OpenShares {
  fill: Float64Array;
  coil: Float64Array;
  boiler: Float64Array;
  /** A hole between heating water and hot water let out what it could: the main shut, and a hot tap open. */
  tapped: Float64Array;
}

type Valve = 'main' | 'loop' | 'coil' | 'boiler' | 'tap';
const TURNS: Partial<Record<EventKind, { valve: Valve; open: 0 | 1 }>> = {
  'cold-main-closed': { valve: 'main', open: 0 },
  'cold-main-opened': { valve: 'main', open: 1 },
  'fill-closed': { valve: 'loop', open: 0 },
  'fill-disconnected': { valve: 'loop', open: 0 },
  'fill-opened': { valve: 'loop', open: 1 },
  'coil-isolated': { valve: 'coil', open: 0 },
  'coil-reopened': { valve: 'coil', open: 1 },
  'boiler-isolated': { valve: 'boiler', open: 0 },
  'boiler-reopened': { valve: 'boiler', open: 1 },
  'hot-tap-open': { valve: 'tap', open: 1 },
  'hot-tap-closed': { valve: 'tap', open: 0 },
};
/** Whether an event shuts something off: whoever does so watches the water, and lets the boiler be. */
export const shutsAValve = (kind: EventKind): boolean => TURNS[kind]?.open === 0 && TURNS[kind]?.valve !== 'tap';

/** What was open between the points of a log: water comes by the fill as long as main and loop are open, by the coil as long as main and
 *  coil are; and goes out by it while the main is shut and a hot tap open. What is turned at the moment of a reading is turned after it.
 *  @param events in the order of their time */
export function openShares(events: readonly LogEvent[], tS: ArrayLike<number>): OpenShares {
  const n = tS.length,
    all = () => new Float64Array(n).fill(1),
    shares: OpenShares = { fill: all(), coil: all(), boiler: all(), tapped: new Float64Array(n) };
  const open: Record<Valve, number> = { main: 1, loop: 1, coil: 1, boiler: 1, tap: 0 };
  let next = 0,
    at = tS[0] ?? 0;
  // What was shut is taken away: of what nobody turned not a hair may be missing, or it would pass for turned.
  const takeAway = (i: number, share: number) => {
    shares.fill[i]! -= share * (1 - open.main * open.loop);
    shares.coil[i]! -= share * (1 - open.main * open.coil);
    shares.boiler[i]! -= share * (1 - open.boiler);
    shares.tapped[i]! += share * (1 - open.main) * open.tap * open.coil;
  };
  for (let i = 0; i < n; i++) {
    const gapS = tS[i]! - at;
    for (; next < events.length && events[next]!.tS <= tS[i]!; next++) {
      const { tS: eventS, kind } = events[next]!,
        turn = TURNS[kind];
      if (!turn) continue;
      if (gapS > 0 && eventS > at) {
        takeAway(i, (eventS - at) / gapS);
        at = eventS;
      }
      open[turn.valve] = turn.open;
    }
    takeAway(i, gapS > 0 ? (tS[i]! - at) / gapS : 1);
    at = tS[i]!;
  }
  return shares;
}

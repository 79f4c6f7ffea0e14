import type { Random } from '../truth/random';

/** A plant as a sketch of it: one lump of water that follows flow and return, a vessel at one temperature, valves with a root law. Gauge
 *  bar, litres, °C. Apart from `TruePlant` in all that could be chosen otherwise, so that what the judge owes to one maker of visits shows.
 */
export interface SketchPlant {
  kind: 'combi' | 'system' | 'fed' | 'unit';
  contentL: number;
  /** Share of the content that is ever warmed; flow's share of its mean; how long the flow takes to near its limit, s; how far the return
   *  lies below, K. */
  heatedShare: number;
  flowShare: number;
  warmsS: number;
  dropK: number;
  limitC: number;
  overK: number;
  roomC: number;
  outputKw: number;
  vesselL: number;
  chargeBar: number;
  rightChargeBar: number;
  /** False where the vessel is shut off or wholly blocked. */
  vesselOpen: boolean;
  shutOff: boolean;
  /** Where the way to the vessel is narrow: s that its water takes; 0 where it is free. */
  narrowS: number;
  stretchLPerBar: number;
  airL: number;
  headM: number;
  coldBar: number;
  reliefBar: number;
  reliefMarkedBar: number;
  seatShare: number;
  mainsBar: number;
  /** Ways in and out, L/h at one bar. */
  inK: number;
  inBy: 'fill' | 'dhw' | null;
  outK: number;
  outBy: 'circuit' | 'boiler' | 'vent' | null;
  dripK: number;
  /** What the feed holds, and from where a unit pumps up to where; null where none does. */
  setBar: number | null;
  pumpsFromBar: number | null;
  pumpsToBar: number | null;
  offsetBar: number;
  stuck: boolean;
  stepBar: number;
  sticksBar: number;
  holed: boolean;
  coreLeaks: boolean;
  dhw: 'plate-exchanger' | 'indirect-coil' | 'none';
}

/** What a plant room has of holes, air and overflow against a home. */
export const sizeOf = (p: Pick<SketchPlant, 'kind'>): number => (p.kind === 'unit' ? 6 : 1);

const VESSELS_L = [6, 8, 10, 12, 18, 24, 35, 50, 80, 100, 140, 200, 300, 400, 500, 600, 800, 1000, 1500];
const hundredth = (x: number) => Math.round(100 * x) / 100;

/** A sound plant of one of four kinds, its vessel from the usual sizes by growth from 10 to 80 °C with a reserve of half a hundredth (EN
 *  12828, from memory); a wall boiler's a little less, as they are sold. */
export function sketchPlant(r: Random): SketchPlant {
  const kind = r.weighted([
      ['combi', 4],
      ['system', 1],
      ['fed', 2],
      ['unit', 1],
    ] as const),
    unit = kind === 'unit',
    fed = kind === 'fed';
  const contentL = {
    combi: () => r.uniform(60, 140),
    system: () => r.uniform(120, 260),
    fed: () => r.uniform(80, 260),
    unit: () => r.uniform(600, 3000),
  }[kind]();
  const headM = unit ? r.uniform(6, 15) : r.uniform(2, fed ? 5 : 7),
    carriesBar = 0.0981 * headM + 0.25;
  const rightChargeBar = fed
    ? 0.83
    : unit
      ? Math.round(10 * (carriesBar + 0.05)) / 10
      : r.pick([...[0.5, 0.75, 1].filter((bar) => bar >= carriesBar), hundredth(carriesBar)]);
  const reliefMarkedBar = fed ? 2.07 : unit ? 4 : 3,
    setBar = fed ? r.pick([0.83, 0.97, 1]) : null,
    pumpsFromBar = unit ? hundredth(rightChargeBar + 0.3) : null;
  const needL = (contentL * (0.0287 + 0.005) * (reliefMarkedBar - 0.35 + 1)) / (reliefMarkedBar - 0.35 - rightChargeBar);
  const coldBar =
    setBar !== null
      ? Math.max(setBar, r.normal(setBar + 0.02, 0.04))
      : pumpsFromBar !== null
        ? pumpsFromBar + r.uniform(0.02, 0.4)
        : Math.max(rightChargeBar + 0.15, r.normal(rightChargeBar + 0.35, 0.12));
  return {
    kind,
    contentL,
    heatedShare: r.uniform(0.78, 1),
    flowShare: r.uniform(0.4, 0.6),
    warmsS: r.uniform(240, 600),
    dropK: r.uniform(6, 18),
    limitC: r.pick([60, 65, 70, 75, 80]),
    overK: 0,
    roomC: r.uniform(12, 22),
    outputKw: unit ? contentL / 6 : r.pick([15, 20, 24, 30]),
    vesselL: VESSELS_L.find((l) => l >= needL * (kind === 'combi' ? 0.85 : 1)) ?? VESSELS_L.at(-1)!,
    chargeBar: rightChargeBar + r.normal(0, 0.04),
    rightChargeBar,
    vesselOpen: true,
    shutOff: false,
    narrowS: 0,
    stretchLPerBar: unit ? r.uniform(0.2, 0.8) : r.uniform(0.01, 0.08),
    airL: r.uniform(0, 0.2) * sizeOf({ kind }),
    headM,
    coldBar,
    reliefBar: reliefMarkedBar * r.normal(1, 0.015),
    reliefMarkedBar,
    seatShare: r.uniform(0.8, 0.9),
    mainsBar: r.uniform(2.5, 4.5),
    inK: 0,
    inBy: null,
    outK: 0,
    outBy: null,
    dripK: 0,
    setBar,
    pumpsFromBar,
    pumpsToBar: pumpsFromBar === null ? null : pumpsFromBar + 0.4,
    offsetBar: r.normal(0, 0.04),
    stuck: false,
    stepBar: unit ? 0.1 : r.pick([0.05, 0.1, 0.1, 0.1, 0.2]),
    sticksBar: r.chance(0.5) ? r.uniform(0, 0.06) : 0,
    holed: false,
    coreLeaks: false,
    dhw:
      kind === 'combi'
        ? 'plate-exchanger'
        : unit
          ? r.pick(['none', 'indirect-coil'] as const)
          : r.pick(['indirect-coil', 'indirect-coil', 'none'] as const),
  };
}

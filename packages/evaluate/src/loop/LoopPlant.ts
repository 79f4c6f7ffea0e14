import type { Random } from '../truth/random';
import { toStep } from '../truth/toStep';

export const LOOP_KINDS = ['flat', 'house', 'fed', 'block'] as const;
export type LoopKind = (typeof LOOP_KINDS)[number];
/** By what water gets in or out past where it should. */
export type WayIn = 'fill' | 'bypass' | 'dhw';
export type WayOut = 'circuit' | 'boiler' | 'vent' | 'seat';

/** A plant as a ring of water that is carried round. Gauge bar, litres, °C, kW. The fourth maker's: apart from the other three in how heat
 *  travels, and made for a fault that was drawn first. */
export interface LoopPlant {
  kind: LoopKind;
  contentL: number;
  /** Share of the content that never warms: a cold branch, a shut-off room. */
  idleShare: number;
  /** Antifreeze, share of the volume. */
  glycolShare: number;
  mostKw: number;
  /** What goes round while the pump runs, L/s, and what the emitters give off, kW/K. */
  carriedLPerS: number;
  /** How long the pump goes on once the heat is off; the emitters grow cold by themselves after that. */
  pumpRunsOnS: number;
  givesOffKwPerK: number;
  limitC: number;
  /** To where the burner really goes. */
  burnsToC: number;
  altitudeM: number;
  headM: number;
  vessel: {
    nominalL: number;
    chargeBar: number;
    wantedBar: number;
    way: 'open' | 'shut' | 'blocked' | 'narrow';
    holed: boolean;
    coreLeaks: boolean;
    /** Share of the boiler's warmth that comes through to the gas. */
    warms: number;
  };
  stretchLPerBar: number;
  airL: number;
  /** Where it stands cold, and where whoever filled it wanted it. */
  coldBar: number;
  wantedColdBar: number;
  relief: { markedBar: number; liftBar: number; seatShare: number; /** What runs on after a lift, L/h. */ weepsLPerH: number };
  mainsBar: number;
  /** What comes in and goes out in a home of 100 L at two bar across it, L/h. */
  inLPerH: number;
  inBy: WayIn | null;
  outLPerH: number;
  outBy: WayOut | null;
  /** What fills by itself: from where it begins, to where it goes on; null where it gives nothing, or a hand fills. */
  feed: { fromBar: number; toBar: number } | null;
  gauge: { offsetBar: number; slope: number; stuck: boolean; stepBar: number; frictionBar: number };
  dhw: 'plate-exchanger' | 'indirect-coil' | 'none';
}

/** Holes, flows and air grow with the square root of the content. */
export const sizeOf = (p: Pick<LoopPlant, 'contentL'>): number => Math.sqrt(p.contentL / 100);
export const feedsItself = (p: Pick<LoopPlant, 'kind'>): boolean => p.kind === 'fed' || p.kind === 'block';

/** Growth of water from 15 °C and share of it more that antifreeze makes, as one who sizes a vessel reckons it (handbook values, from
 *  memory). */
const reckonedGrowth = (toC: number) => 3.6e-6 * (toC - 15) * (toC + 35);

/** A sound plant of a kind. Its vessel holds what the water grows by to its limit, with a little over; everything else is drawn evenly. */
export function loopPlant(kind: LoopKind, r: Random): LoopPlant {
  const contentL = {
    flat: () => r.uniform(50, 140),
    house: () => r.uniform(100, 280),
    fed: () => r.uniform(75, 260),
    block: () => r.decade(400, 3000),
  }[kind]();
  const headM = { flat: r.uniform(1, 6), house: r.uniform(2.5, 8), fed: r.uniform(3, 6), block: r.uniform(7, 20) }[kind],
    limitC = r.pick([55, 60, 65, 70, 75, 80, 82]),
    glycolShare = kind !== 'flat' && r.chance(0.12) ? r.pick([0.2, 0.3, 0.35]) : 0;
  const wantedBar =
      kind === 'fed'
        ? 0.83
        : kind === 'block'
          ? toStep(0.0981 * headM + 0.3, 0.1)
          : Math.max(r.pick([0.5, 0.75, 0.75, 1]), toStep(0.0981 * headM + 0.25, 0.05)),
    markedBar = kind === 'fed' ? 2.07 : kind === 'block' ? (r.pick([3, 4, 5, 6].filter((bar) => bar > wantedBar + 1.5)) ?? 6) : 3;
  const wantedColdBar = kind === 'fed' ? r.pick([0.83, 0.97]) : toStep(wantedBar + r.uniform(0.2, 0.45), 0.05),
    endsBar = markedBar - Math.max(0.35, 0.12 * markedBar),
    needL = (contentL * (reckonedGrowth(limitC) * (1 + 1.5 * glycolShare) + 0.005) * (endsBar + 1)) / Math.max(0.3, endsBar - wantedBar),
    sold = (l: number) => (l > 50 ? 10 : l > 12 ? 2 : 1);
  const spare = needL * r.uniform(1.1, 1.7),
    mostKw = kind === 'block' ? Math.round(contentL / r.uniform(7, 14)) : r.pick([12, 15, 18, 24, 24, 28, 35]);
  return {
    kind,
    contentL,
    idleShare: r.chance(0.6) ? 0 : r.uniform(0, 0.2),
    glycolShare,
    mostKw,
    carriedLPerS: mostKw / 4.19 / r.uniform(10, 18),
    pumpRunsOnS: r.chance(0.4) ? Infinity : 60 * r.uniform(0, 15),
    givesOffKwPerK: (mostKw * r.uniform(0.4, 0.85)) / 45,
    limitC,
    burnsToC: limitC,
    altitudeM: r.chance(0.15) ? Math.round(r.uniform(200, 1100)) : 0,
    headM,
    vessel: {
      nominalL: kind === 'flat' ? Math.max(8, Math.ceil(needL * 1.05)) : Math.ceil(spare / sold(spare)) * sold(spare),
      chargeBar: wantedBar + r.normal(0, 0.045),
      wantedBar,
      way: 'open',
      holed: false,
      coreLeaks: false,
      warms: r.uniform(0, 0.2),
    },
    stretchLPerBar: contentL * r.uniform(0.00015, 0.0005),
    airL: contentL * r.uniform(0, 0.0025),
    coldBar: wantedColdBar + (feedsItself({ kind }) ? r.uniform(0, 0.06) : r.normal(0, 0.08)),
    wantedColdBar,
    relief: {
      markedBar,
      liftBar: markedBar * r.uniform(0.96, 1.03),
      seatShare: r.uniform(0.8, 0.94),
      weepsLPerH: r.chance(0.3) ? r.uniform(0.2, 1.5) : 0,
    },
    mainsBar: r.uniform(2, 5.5),
    inLPerH: 0,
    inBy: null,
    outLPerH: 0,
    outBy: null,
    feed:
      kind === 'fed'
        ? { fromBar: wantedColdBar, toBar: wantedColdBar }
        : kind === 'block'
          ? { fromBar: toStep(wantedColdBar - 0.15, 0.05), toBar: toStep(wantedColdBar + 0.2, 0.05) }
          : null,
    gauge: {
      offsetBar: r.normal(0, 0.045),
      slope: r.normal(1, 0.012),
      stuck: false,
      stepBar: kind === 'block' ? r.pick([0.1, 0.2]) : r.pick([0.05, 0.1, 0.1, 0.1, 0.2]),
      frictionBar: r.chance(0.5) ? r.uniform(0.01, 0.06) : 0,
    },
    dhw:
      kind === 'flat'
        ? 'plate-exchanger'
        : kind === 'block'
          ? r.pick(['none', 'indirect-coil'])
          : r.pick(['indirect-coil', 'indirect-coil', 'none']),
  };
}

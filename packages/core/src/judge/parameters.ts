import { HEATED_K } from '../log/cycleFeatures';
import { heldFromGaugeBar, type ResolvedCircuit } from '../circuit/resolveCircuit';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { SET_HIGH_BAR } from '../circuit/standingLevel';
import { MOST_WATER_SHARE } from '../vessel/acceptedWater';
import { creepInflowsLPerH } from './creepInflow';
import { SLOT } from './kernel';
import type { LogModel } from './logModel';
import { lowGaugeBar, topGaugeBar, type LogTrack } from './LogTrack';
import { normalCdf, normalPdf, normalQuantile } from './normal';

/** A free parameter: a standard normal number turned into a physical one. Priors that are not normal are bent by the map. Some hang on
 *  another parameter, which then stands before them: `v` holds those that are known; without it they are as the sheet has them. */
export interface FreeParameter {
  slot: number;
  of: (z: number, v?: Float64Array) => number;
  starts: number[];
}

export interface ParameterSpace {
  fixed: Float64Array;
  free: FreeParameter[];
}

const normal = (slot: number, mean: number, sd: number, least = -Infinity): FreeParameter => ({
  slot,
  of: (z) => Math.max(least, mean + sd * z),
  starts: [0],
});
/** A normal quantity that is never below its least: the tail is cut off, not heaped up there. */
const normalFrom = (slot: number, mean: number, sd: number, least: number, starts = [0]): FreeParameter => {
  const cut = normalCdf((least - mean) / sd);
  return { slot, of: (z) => mean + sd * normalQuantile(cut + (1 - cut) * normalCdf(z)), starts };
};
const logNormal = (slot: number, median: number, sd: number): FreeParameter => ({
  slot,
  of: (z) => median * Math.exp(sd * z),
  starts: [0],
});
/** How much faster a circuit warms or cools than its sheet says: mostly by less than the spread, now and then by far more, since an output
 *  on a sheet may be another circuit's and half of the emitters shut. */
const tempo = (slot: number, sd: number): FreeParameter => ({ slot, of: (z) => Math.exp(sd * z * (1 + FAR_TEMPO * z * z)), starts: [0] });
const FAR_TEMPO = 0.1;
const uniform = (slot: number, least: number, most: number, starts = [-1, 0.6]): FreeParameter => ({
  slot,
  of: (z) => least + (most - least) * normalCdf(z),
  starts,
});
/** Holes, L/h at one bar: they spread over decades, the usual size in the middle, those that let water out more widely. Common practice. */
const INFLOW_SPREAD = 1.5,
  OUTFLOW_SPREAD = 1.7;
/** Where among the holes one about the usual size is looked for. */
const A_USUAL_ONE = 0.2;
const leakage = (slot: number, median: number, spread: number): FreeParameter => ({
  ...logNormal(slot, median, spread),
  starts: [-1, A_USUAL_ONE, 1.4],
});
/** Where a way in of a size stands among them. */
const inflowZ = (lPerH: number, median: number): number => Math.max(-2, Math.min(2.8, Math.log(lPerH / median) / INFLOW_SPREAD));

/** Everything that is uncertain about a circuit under one log model, before its logs are looked at. */
export function parameterSpace(model: LogModel, sheet: CircuitSheet, c: ResolvedCircuit, tracks: LogTrack[]): ParameterSpace {
  const stretches = tracks.map((t) => [...t.starts.keys()].filter((i) => t.starts[i]));
  const size = sizeOf(c);
  const fixed = new Float64Array(SLOT.start + stretches.flat().length);
  // A vessel that no water reaches is none, and has no gas.
  fixed[SLOT.vesselL] = model.gas === 'cut-off' ? 0 : c.vesselL;
  fixed[SLOT.mains] = c.mainsGaugeBar;
  fixed[SLOT.feedHolds] = -2;
  fixed[SLOT.lift] = c.reliefSetGaugeBar;
  fixed[SLOT.cap] = MOST_WATER_SHARE;
  fixed[SLOT.heatTempo] = fixed[SLOT.coolTempo] = model.heat === 'none' ? 0 : 1;
  fixed[SLOT.seat] = SEAT_SHARE;
  fixed[SLOT.blowsLPerS] = BLOWS_L_PER_S * size;
  fixed[SLOT.doubt] = 1;
  const free: FreeParameter[] = [
    logNormal(SLOT.contentL, c.contentL, c.contentSpread),
    ...thermal(tracks).filter((p) => model.heat !== 'none' || (p.slot !== SLOT.heatTempo && p.slot !== SLOT.coolTempo)),
    logNormal(SLOT.stretch, c.stretchLPerBar, 0.5),
    ...(tracks.length ? [logNormal(SLOT.doubt, 1, DOUBT_SPREAD)] : []),
    ...gas(model, c),
    ...feed(model, sheet, c, tracks),
  ];
  if (model.inflow !== 'none')
    free.push(
      startedFrom(
        leakage(model.inflow === 'fill' ? SLOT.inFill : SLOT.inCoil, INFLOW_L_PER_H * size, INFLOW_SPREAD),
        creepInflowsLPerH(model.gas, c, tracks).map((lPerH) => inflowZ(lPerH, INFLOW_L_PER_H * size)),
      ),
      logNormal(SLOT.mains, c.mainsGaugeBar, c.assumed.includes('fill.mainsBar') ? MAINS_GUESSED : MAINS_READ),
    );
  if (model.outflow !== 'none')
    free.push(leakage(model.outflow === 'boiler' ? SLOT.outBoiler : SLOT.outCircuit, 0.4 * size, OUTFLOW_SPREAD));
  free.push(...(model.lift === 'early' ? earlyLift(c, tracks) : [rightLift(c, tracks)]));
  if (model.lift !== 'early' && mayHaveBlown(tracks, c)) free.push(uniform(SLOT.seat, SEAT_LEAST, SEAT_MOST, [-0.5, 1.5]));
  if (tracks.some((t) => t.heldBelowPeak)) free.push(tired());
  if (tracks.some((t) => t.away)) free.push(parted());

  if (model.gauge === 'off') free.push(gaugeOff(tracks));
  else free.push(normal(SLOT.offset, 0, 0.05));
  if (model.gauge === 'stuck') free.push(uniform(SLOT.stuck, 0.75, 1, [0]));
  let slot: number = SLOT.start;
  tracks.forEach((track, k) => {
    for (const i of stretches[k]!) free.push(normal(slot++, track.gaugeBar[i]!, 0.03 + Math.sqrt(track.variance[i]!) * 1.7));
  });
  return { fixed, free };
}

/** How far a lying gauge is off, to either side; never so far up that less than nothing would be in the circuit, which would draw air in.
 */
function gaugeOff(tracks: LogTrack[]): FreeParameter {
  const off = (z: number) => GAUGE_OFF_BAR + GAUGE_OFF_SPREAD_BAR * Math.abs(z) * (1 + FAR_OFF * z * z);
  const mostBar = (lowGaugeBar(tracks) ?? Infinity) + SUCKED_BAR;
  if (mostBar <= GAUGE_OFF_BAR + LEAST_RANGE_BAR)
    return { slot: SLOT.offset, of: (z) => -off(normalQuantile(normalCdf(z) / 2)), starts: [-0.3] };
  return { slot: SLOT.offset, of: (z) => (z < 0 ? -off(z) : Math.min(mostBar, off(z))), starts: [-0.9, 0.9] };
}
/** How far below the outside's pressure a circuit may stand at its gauge for a while, bar. */
const SUCKED_BAR = 0.05;

/** A way in whose size the log tells is looked for there, and, since that may be heat after all, about where most are. */
const startedFrom = (p: FreeParameter, starts: number[]): FreeParameter => (starts.length ? { ...p, starts: [A_USUAL_ONE, ...starts] } : p);

/** Usual size of a way in, L/h at one bar. Common practice. */
const INFLOW_L_PER_H = 0.8;

/** A bypass is a valve that stands open, if only by a crack: it lets by more than a hole or a worn seat does, L/h at one bar. Common
 *  practice. */
const BYPASS_L_PER_H = 5,
  BYPASS_SPREAD = 1.3;
/** How much oftener a bypass, or a unit that does not shut, lets by as much as in a draw than the other ways in do; 1 where nothing comes
 *  in. */
export function bypassTimes(v: Float64Array, c: ResolvedCircuit): number {
  const inK = v[SLOT.inFill]! + v[SLOT.inCoil]!;
  if (inK === 0) return 1;
  const size = sizeOf(c),
    at = Math.log(Math.max(1e-6, inK) / size),
    density = (median: number, spread: number) => normalPdf(at, Math.log(median), spread);
  return density(BYPASS_L_PER_H, BYPASS_SPREAD) / density(INFLOW_L_PER_H, INFLOW_SPREAD);
}

/** A relief that lifts where it should: looked for first where the pressure was seen to stop. */
function rightLift(c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter {
  const mean = 0.98 * c.reliefSetGaugeBar,
    sd = Math.max(0.035 * c.reliefSetGaugeBar, 0.1);
  const topBar = topGaugeBar(tracks) ?? 0,
    z = (topBar - 0.02 - mean) / sd;
  return { ...normal(SLOT.lift, mean, sd), starts: [Math.abs(z) < 2.5 ? z : 0] };
}

/** A relief that lifts early is found because it lifts: somewhere between where the circuit stands cold and the highest that it was seen
 *  at. One that lifts below what a feed makes up to never shuts: that is one that passes. */
function earlyLift(c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter[] {
  const leastBar = EARLY_LEAST * c.reliefSetGaugeBar,
    mostBar = c.reliefSetGaugeBar - EARLY_FROM_BAR;
  const shuts = [uniform(SLOT.seat, SEAT_LEAST, SEAT_MOST, [-0.5, 0.5]), logNormal(SLOT.blowsLPerS, BLOWS_L_PER_S * sizeOf(c), 0.8)];
  if (!tracks.length) return [uniform(SLOT.lift, leastBar, mostBar, [0]), ...shuts];
  // A circuit that nobody heated never went where its relief might have lifted: all that is known is that it stood below.
  if (tracks.every((t) => t.spanK < HEATED_K))
    return [
      uniform(SLOT.lift, Math.min(mostBar - LEAST_RANGE_BAR, Math.max(leastBar, topGaugeBar(tracks)! - NOT_YET_BAR)), mostBar, [0]),
      ...shuts,
    ];
  const topBar = topGaugeBar(tracks)!,
    coldBar = Math.max(Math.min(...tracks.map((t) => t.gaugeBar[0]!)), c.fedByItself ? heldFromGaugeBar(c) : -Infinity);
  const most = Math.min(mostBar, Math.max(leastBar, topBar) + SEEN_ABOVE_BAR),
    least = Math.min(most - LEAST_RANGE_BAR, Math.max(leastBar, coldBar + SEEN_ABOVE_BAR));
  const at = (bar: number) => normalQuantile(Math.min(0.98, Math.max(0.02, (bar - least) / (most - least))));
  return [uniform(SLOT.lift, least, most, [at(topBar - 0.015), at(topBar - 0.05), at(topBar - 0.1)]), ...shuts];
}

/** From how far down a relief that has lifted once gives way again, as a share of the way from its lift to its seat: half of them lift as
 *  before, the others lower, down to those that hold the pressure at the seat as long as the water grows. Asked only where a warm circuit
 *  fell back from a peak and was held there. Common practice. */
const tired = (): FreeParameter => ({ slot: SLOT.tired, of: (z) => Math.max(0, 2 * normalCdf(z) - 1), starts: [0.8] });

/** Share of the content in emitters that cool by themselves once the heat is off: none where the pump goes on, as most of them do. Common
 *  practice. */
const parted = (): FreeParameter => ({
  slot: SLOT.parted,
  of: (z) => (PARTED_MOST * Math.max(0, normalCdf(z) - PUMP_GOES_ON)) / (1 - PUMP_GOES_ON),
  starts: [0.8],
});
const PUMP_GOES_ON = 0.65,
  PARTED_MOST = 0.55;

function thermal(tracks: LogTrack[]): FreeParameter[] {
  const poorest = tracks.some((t) => t.temperatures === 'none') ? 'none' : tracks.some((t) => t.temperatures === 'flow') ? 'flow' : 'both';
  if (poorest === 'none')
    return [normal(SLOT.share, 0.85, 0.13, 0.2), logNormal(SLOT.lagS, 150, 0.8), tempo(SLOT.heatTempo, 0.45), tempo(SLOT.coolTempo, 0.55)];
  return [
    normal(SLOT.share, poorest === 'both' ? 0.92 : 0.9, poorest === 'both' ? 0.09 : 0.11, 0.4),
    logNormal(SLOT.lagS, poorest === 'both' ? 90 : 150, 0.95),
  ];
}

/** A large plant hides what a home would show: what leaks, stands or blows there is larger, by this much. Common practice. */
const sizeOf = (c: ResolvedCircuit): number => Math.max(1, Math.sqrt(c.contentL / LARGE_HOME_L));
const LARGE_HOME_L = 300;
/** How widely the doubt about the temperatures spreads from log to log, in its logarithm. Set by the evaluation. */
const DOUBT_SPREAD = 0.6;
/** A log may hold a lift from this share of the marking on. */
const MAY_BLOW_FROM = 0.8;
export const mayHaveBlown = (tracks: readonly LogTrack[], c: ResolvedCircuit): boolean =>
  (topGaugeBar(tracks) ?? 0) > MAY_BLOW_FROM * c.reliefSetGaugeBar;
/** Where a relief that has lifted shuts again, as a share of its lift. Common practice: 10 to 20 % lower; some simmer at it. */
const SEAT_LEAST = 0.78,
  SEAT_MOST = 1,
  SEAT_SHARE = 0.9;
/** What a relief that has lifted lets go until it shuts at its seat. Common practice: about a litre a minute. */
const BLOWS_L_PER_S = 0.017;
/** Lifts that count as early: from which share of the marking, up to how far below it, bar (the catalogue); and how far from what was
 *  logged they are looked for. */
const NOT_YET_BAR = 0.05,
  EARLY_LEAST = 0.42,
  EARLY_FROM_BAR = 0.3,
  SEEN_ABOVE_BAR = 0.1,
  LEAST_RANGE_BAR = 0.1;
/** How far the mains may be from what was read once, and from what is taken where nobody read it, in their logarithms. They swing with the
 *  hour. Common practice. */
const MAINS_READ = 0.06,
  MAINS_GUESSED = 0.22;
/** From where a gauge counts as misreading, and how far beyond they are found: some by two bars. Common practice. */
const GAUGE_OFF_BAR = 0.2,
  GAUGE_OFF_SPREAD_BAR = 0.42,
  FAR_OFF = 0.15;
/** A charge counts as right from so far below its target to so far above it; beyond, it is a fault by its size. */
const RIGHT_BELOW_BAR = 0.17,
  RIGHT_ABOVE_BAR = 0.27;

/** What drives a litre a second through a narrow connection, bar: so much that the growth of a home's water while it is heated, some 4
 *  mL/s, stands a bar above the vessel; and how widely it spreads in its logarithm. Common practice. */
const NARROW_BAR_S_PER_L = 300,
  NARROW_SPREAD = 1.2;
/** Where a circuit without its vessel may give way all the same, as a share of the relief's setting: a relief weeps before it lifts, and a
 *  blocked port lets by under a great difference. To the gauge that is a vessel charged as high. */
const GIVES_WAY_FROM = 0.62;
/** Most that a vessel is usually found overcharged beyond where it counts, and how much farther the farthest go, as a share, bar. Common
 *  practice. */
const MOST_OVER_BAR = 1.6,
  FAR_OVER_BAR = 1.8,
  FAR_OVER_SHARE = 0.02;

/** From so far below its target a charge is low, bar; what share of the air outside is left in the emptiest vessel; and by what power the
 *  least amounts are found oftener than those just below the target: a vessel that loses its gas goes on losing it, and is looked at when
 *  it has. 1 would be all alike. Common practice. */
const LOW_FROM_BAR = 0.15,
  EMPTIEST_SHARE = 0.03,
  WATERLOGGED_OFTEN = 1.4;

function gas(model: LogModel, c: ResolvedCircuit): FreeParameter[] {
  const target = c.prechargeGaugeBar,
    leastBar = (EMPTIEST_SHARE - 1) * c.atmosphericBar;
  const rightSd = c.chargeSpreadBar;
  // A charge is read off the vessel that is there: where nobody knows its size, a larger one holds more gas at the same charge.
  const amount = (p: FreeParameter): FreeParameter => ({
    ...p,
    of: (z, v) => (p.of(z) + c.atmosphericBar) * (v?.[SLOT.vesselL] || c.vesselL),
  });
  const size = sizeOf(c),
    air = model.air ? uniform(SLOT.air, 0.8 * size, 6 * size) : logNormal(SLOT.air, 0.1 * size, 0.9);
  const vessel: FreeParameter[] = c.vesselSpread > 0.1 ? [logNormal(SLOT.vesselL, c.vesselL, c.vesselSpread)] : [];
  // Where nobody knows what was wanted here, what was found is no fault by its size.
  const within = (x: number, most: number) => most * Math.tanh(x / most);
  const right: FreeParameter =
    c.prechargeFrom === 'static-head'
      ? normalFrom(SLOT.gas, target, rightSd, leastRightBar(c), rightSd > WIDE_BAR ? [0, 2] : [0])
      : {
          slot: SLOT.gas,
          of: (z) => target + (z < 0 ? within(rightSd * z, RIGHT_BELOW_BAR) : within(rightSd * z, RIGHT_ABOVE_BAR)),
          starts: [0],
        };
  switch (model.gas) {
    // A waterlogged vessel hangs on how far the diaphragm goes before it lies against the shell.
    case 'low':
      return [
        ...vessel,
        amount({
          slot: SLOT.gas,
          of: (z) => leastBar + (target - LOW_FROM_BAR - leastBar) * normalCdf(z) ** WATERLOGGED_OFTEN,
          starts: [-1.2, 0, 1.2],
        }),
        air,
        { slot: SLOT.cap, of: (z) => 1 - (1 - MOST_WATER_SHARE) * Math.exp(0.4 * z), starts: [0] },
      ];
    // The further over, the rarer: its share falls in a straight line to next to nothing; a few were pumped up like a tyre.
    case 'over':
      return [
        ...vessel,
        amount({
          slot: SLOT.gas,
          of: (z) =>
            target + 0.25 + MOST_OVER_BAR * (1 - Math.sqrt(normalCdf(-z))) + FAR_OVER_BAR * Math.max(0, 1 - normalCdf(-z) / FAR_OVER_SHARE),
          starts: [-0.7, 0.8],
        }),
        air,
      ];
    case 'cut-off':
      return [logNormal(SLOT.air, 0.2 * size, 1.2)];
    case 'late':
      return [
        ...vessel,
        amount(uniform(SLOT.gas, GIVES_WAY_FROM * c.reliefSetGaugeBar, c.reliefSetGaugeBar, [-0.7, 0.7])),
        logNormal(SLOT.air, 0.2 * size, 1.2),
      ];
    case 'small':
      return [
        ...vessel,
        amount(right),
        air,
        { slot: SLOT.contentL, of: (z) => c.contentL * (1.3 + 1.4 * normalCdf(z)), starts: [-0.5, 0.8] },
      ];
    default: {
      const way: FreeParameter[] =
        model.gas === 'narrow' ? [{ ...logNormal(SLOT.narrow, NARROW_BAR_S_PER_L / size, NARROW_SPREAD), starts: [-0.8, 0.8] }] : [];
      return [...vessel, amount(right), air, ...way];
    }
  }
}

/** With no label a charge still has to carry the water above it: 0.2 bar over the head at least, and what counts as a fault begins 0.15 bar
 *  below that. A head that is not on the sheet is taken for a low one, of some two metres. */
const leastRightBar = (c: ResolvedCircuit): number =>
  Math.min(c.prechargeGaugeBar - 0.1, (c.assumed.includes('staticHeadM') ? LOW_HEAD_BAR : c.staticGaugeBar) + 0.05);
const LOW_HEAD_BAR = 0.2;
/** A charge that may lie wider than this is looked for in more than one place. */
const WIDE_BAR = 0.25;

function feed(model: LogModel, sheet: CircuitSheet, c: ResolvedCircuit, tracks: LogTrack[]): FreeParameter[] {
  const isUnit = sheet.fill?.kind === 'pressurisation-unit',
    pump = { ...logNormal(SLOT.feedLPerS, PUMP_L_PER_S, PUMP_SPREAD), starts: [-1.5, 0] };
  if (model.feed === 'high') {
    const leastBar = (c.cutInGaugeBar ?? c.fillGaugeBar) + SET_HIGH_BAR,
      farBar = Math.max(0, PUMPS_TO * c.reliefSetGaugeBar - leastBar - FURTHER_BAR);
    // A valve is set somewhere there; of units whose switch sticks a few pump on up to the relief.
    const held = (share: number) =>
      share < MOST_STOP ? (FURTHER_BAR * share) / MOST_STOP : FURTHER_BAR + (farBar * (share - MOST_STOP)) / (1 - MOST_STOP);
    return isUnit
      ? [{ slot: SLOT.feedHolds, of: (z) => leastBar + held(normalCdf(z)), starts: [-1, 0.6] }, ...(tracks.length ? [pump] : [])]
      : [uniform(SLOT.feedHolds, leastBar, leastBar + FURTHER_BAR)];
  }
  // A feed that is not on the sheet holds what nobody has said.
  if (model.feed === 'unsaid') return [normal(SLOT.feedHolds, c.fillGaugeBar - 0.05, Math.hypot(0.25, c.fillSpreadBar))];
  if (!c.fedByItself || model.feed === 'dead') return [];
  // Often kept shut: the floor is set below what it would hold, so that a closed feed is not taken for a dead one.
  const holdsBar = (isUnit ? (c.cutInGaugeBar ?? c.fillGaugeBar - 0.2) : c.fillGaugeBar) - 0.05;
  return [
    normal(SLOT.feedHolds, holdsBar, Math.hypot(0.1, c.fillSpreadBar)),
    ...(isUnit && (lowGaugeBar(tracks) ?? Infinity) < holdsBar - PUMPS_BELOW_BAR ? [pump] : []),
  ];
}
/** What a unit's pump gives, L/s, and how widely it spreads in its logarithm; it is seen at work where the pressure lies so far below what
 *  it holds. Common practice: 0.05 to 0.5 L/s. */
const PUMP_L_PER_S = 0.1,
  PUMP_SPREAD = 1.2,
  PUMPS_BELOW_BAR = 0.15;
/** How much farther above the fill than counts a feed is set, or pumps, at the most where the relief lets it, bar; how many of the units go
 *  no farther, and how far the others may, as a share of the relief's setting. Common practice. */
const FURTHER_BAR = 1.05,
  MOST_STOP = 0.85,
  PUMPS_TO = 0.95;

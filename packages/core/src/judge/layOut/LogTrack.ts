import type { BlindHeat } from './blindHeat';
import type { TemperaturesRead } from './meanTemperatures';

/** What a log shows of a circuit that let go of its pressure at once. */
export interface LetGo {
  /** The highest pressure from which it fell, as the gauge shows it. */
  gaugeBar: number;
  /** How far above that it may have gone unread before it fell, bar: it went on rising at most as it had, and had to fall as well. */
  unreadBar: number;
  /** How often it fell so though the water grew no colder meanwhile, and how often though it grew warmer. */
  times: number;
  timesWarming: number;
  /** The farthest fall: how far, within what time, and by how much the water cooled in it. */
  fellBar: number;
  tookS: number;
  cooledK: number;
  /** Somebody saw the relief lift and wrote it down. */
  noted: boolean;
}

/** A reduced log laid out for the forward kernel: plain arrays, one entry a point. */
export interface LogTrack {
  n: number;
  tS: Float64Array;
  gaugeBar: Float64Array;
  /** Variance of one point's own error (rounding, noise), bar². */
  variance: Float64Array;
  /** Growth of the content from the first point's mean temperature, per litre; where no temperature was read, at the usual tempos. */
  growth: Float64Array;
  /** By how much less a litre in the emitters has grown at each point, if they cool by themselves while the boiler stands; null where that
   *  is not asked. */
  away: Float64Array | null;
  /** Set where no temperature was read: growth then hangs on the tempos. */
  blind: BlindHeat | null;
  /** Nobody read a temperature or said that heat was on: that it was is a guess from the rise or the fall. */
  heatGuessed: boolean;
  /** How often a unit's pump was seen to lift the pressure. */
  pumpedTimes: number;
  /** But other things were written down: somebody watched what the water does. */
  watched: boolean;
  /** First point of a stretch in which no unknown water was let in or out: 1, {@link RELIEF_LET_GO} where a relief did it, or
   *  {@link ANEW_AFTER}. */
  starts: Uint8Array;
  /** What share of the time since the point before the fill, the coil and the boiler were open to the circuit, 0 to 1. */
  fillOn: Float64Array;
  coilOn: Float64Array;
  boilerOn: Float64Array;
  /** And what share of it the main was shut and a hot tap open: a hole between the two waters lets it out then. */
  tapped: Float64Array;
  /** Measured litres drawn off just before the point. */
  drawnL: Float64Array;
  /** Standard deviation of the model's own error at each point. What heat drives is uncertain in proportion to how warm it is; a cold
   *  circuit that stands still leaves the model little to be wrong about. */
  modelErrorBar: Float64Array;
  /** How far each point is between the coldest and the warmest of the log, 0 to 1, as a root: the first kelvins are the least certain,
   *  since the water has only begun to go round. */
  warmth: Float64Array;
  /** How long the model's error stays the same on the way to each point, s. */
  modelErrorS: Float64Array;
  /** Share of the model's error that is still the same at a point as at the one before. */
  errorKept: Float64Array;
  /** By how much the gauge may have jumped since the point before because a pump was switched with the heat, bar. */
  jumpBar: Float64Array;
  /** Doubt about the mean water temperature at each point, K: little while it stands idle, more when warm. */
  temperatureErrorK: Float64Array;
  /** Error of one reading of the temperatures when warm, K; standing idle the water follows its rooms, and no reading of it is needed. */
  readErrorK: number;
  /** Over the time of the log. */
  meanGaugeBar: number;
  /** Highest that was read: between points that are means of many readings a relief comes and goes unseen. */
  topGaugeBar: number;
  /** Where it fell at once, warm, without cooling: either the relief lifts there, or something else let the pressure go. Null where it did
   *  not. */
  letGo: LetGo | null;
  /** How far the pressure fell back from a peak while the water stayed hot, quickly or slowly, bar; 0 where it did not. */
  easedHotBar: number;
  /** That it was held there, below where it had let go. */
  heldBelowPeak: boolean;
  temperatures: TemperaturesRead;
  /** Mean water temperature at the first point, °C. */
  firstC: number;
  /** Span of mean water temperature, K. */
  spanK: number;
}

/** Marks the first point of a stretch before which a relief was seen to let go. */
export const RELIEF_LET_GO = 2;
/** Marks a point that is the last of one stretch and the first of the next: what follows begins anew from what was read there. */
export const ANEW_AFTER = 3;

/** Highest pressure of some tracks, gauge bar; null where there is none. */
export const topGaugeBar = (tracks: readonly LogTrack[]): number | null =>
  tracks.length ? Math.max(...tracks.map((t) => t.topGaugeBar)) : null;
/** The lowest likewise. */
export const lowGaugeBar = (tracks: readonly LogTrack[]): number | null =>
  tracks.length ? Math.min(...tracks.map((t) => Math.min(...t.gaugeBar))) : null;

/** Share of a slowly wandering error that is still the same at a point as at the one before. @param lastsS on the way to each point */
export const errorKeptAt = (tS: Float64Array, lastsS: Float64Array): Float64Array =>
  tS.map((t, i) => (i === 0 ? 0 : Math.exp(-(t - tS[i - 1]!) / lastsS[i]!)));

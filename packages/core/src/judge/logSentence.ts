import { rightHot } from '../circuit/rightBand';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { CycleFeatures } from '../log/cycleFeatures';
import { endsRun, isHeatSwitch, type PressureLog } from '../log/PressureLog';
import type { LogReading, Measured } from '../log/reading/LogReading';
import { inBar, inCelsius, say, sentences, type Said } from '../units/said';
import type { Judged } from './judgeEvidence';
import type { LogTrack } from './layOut/LogTrack';

/** What was read off one log, for who tells it. */
interface Told {
  log: PressureLog;
  f: CycleFeatures;
  read: LogReading;
  track: LogTrack;
  circuit: ResolvedCircuit;
}

/** One heating, or one cooling from hot: from where to where, and at which temperatures where they were read. */
interface Heat {
  coldBar: number;
  hotBar: number;
  coldC: number | null;
  hotC: number | null;
  hotReturnC: number | null;
  /** It was found hot, and is told by how far it fell. */
  cooled: boolean;
}

/** By so much warmer at the least a log is told as one of a heat, and so near each other two temperatures are the same, K. */
const WARMED_K = 5,
  SAME_K = 3;
/** Moves that are hardly one, bar; and a reach that is told by its middle. */
const HARDLY_BAR = 0.15,
  NARROW_BAR = 0.05;
/** A gauge that never shows more than this shows nothing, bar. */
const NOTHING_BAR = 0.05;
/** A creep beside a heat is told from so much an hour on, bar. */
const PLAIN_PER_H_BAR = 0.15;

/** What a log shows, as a technician would say it: what happened before the heat, how far it rose against what this circuit should do, what
 *  it did while it stayed hot, and where it ended. What is too small for the gauge, or ordinary, is not said.
 *  @param at which of the judged logs @param track the same, laid out */
export function logSentence(judged: Judged, at: number, track: LogTrack): Said {
  const told: Told = { log: judged.logs[at]!, f: judged.features[at]!, read: judged.readings[at]!, track, circuit: judged.circuit };
  if (track.topGaugeBar < NOTHING_BAR) return 'The gauge showed nothing all along: the circuit is empty, or the gauge is dead.';
  return sentences([...whatItDid(told), pumpedUp(track), sawItLift(track)]);
}

function whatItDid(told: Told): Said[] {
  if (told.track.blind?.beginsHot) return [cooledBlind(told)];
  const heat = heatOf(told);
  if (heat) return [beforeTheHeat(told), rose(told, heat), whileHot(told, heat), afterTheHeat(told)];
  return [told.f.beganHot ? stayedHot(told) : unheated(told)];
}

/** Somebody saw the relief lift and wrote that down. */
const sawItLift = ({ letGo }: LogTrack): Said => (letGo?.noted ? say`The relief was seen to lift at about ${inBar(letGo.gaugeBar)}.` : '');

/** What a pressurisation unit made up meanwhile. */
const pumpedUp = ({ pumpedTimes }: LogTrack): Said =>
  pumpedTimes === 0 ? '' : pumpedTimes === 1 ? 'The unit pumped it up once.' : `The unit pumped it up ${pumpedTimes} times.`;

/** The heat that a log is told by; null where nothing was warmed, and nothing cooled. */
function heatOf({ f, read, log }: Told): Heat | null {
  const { flowC = [], tS } = log.samples;
  if (log.idle) return null;
  if (f.swingBar !== null && f.hotC !== null && f.coldC !== null && f.hotC - f.coldC >= WARMED_K)
    return { coldBar: f.coldBar!, hotBar: f.hotBar!, coldC: f.coldC, hotC: f.hotC, hotReturnC: f.hotReturnC, cooled: f.foundHot };
  if (f.hottestC === null)
    return f.swingBar !== null && ((log.events ?? []).some(isHeatSwitch) || read.cycles.length > 0)
      ? { coldBar: f.coldBar!, hotBar: f.hotBar!, coldC: null, hotC: null, hotReturnC: null, cooled: false }
      : null;
  const endC = flowC.findLast((c) => c !== null)!;
  if (f.beganHot && f.peakBar !== null && f.lastBar !== null && f.hottestC - endC >= WARMED_K)
    return {
      coldBar: f.lastBar,
      hotBar: Math.max(f.peakBar, f.firstBar ?? 0),
      coldC: endC,
      hotC: f.hottestC,
      hotReturnC: null,
      cooled: true,
    };
  // Water was let in or out before anybody said that heat was on, or it is not known how warm it was: the temperatures tell.
  const cycle = read.cycles[0],
    coldC = cycle ? (flowC.findLast((c, i) => c !== null && tS[i]! < cycle.onS) ?? null) : null;
  return cycle && !f.beganHot && (coldC === null || f.hottestC - coldC >= WARMED_K)
    ? { coldBar: cycle.coldBar.value, hotBar: cycle.hotBar.value, coldC, hotC: f.hottestC, hotReturnC: null, cooled: false }
    : null;
}

/** A log of which nobody read a temperature, and which began hot. */
function cooledBlind({ f, track }: Told): Said {
  // What was pumped up in between has fallen to where the pump began.
  const low = track.pumpedTimes > 0 ? Math.min(...track.gaugeBar) : (f.lastBar ?? 0),
    fellBar = Math.max(f.peakBar ?? 0, f.firstBar ?? 0) - low;
  return track.heatGuessed
    ? say`Fell ${inBar(fellBar)}; no temperatures or heat on/off logged.`
    : say`Fell ${inBar(fellBar)} while it cooled; no temperatures were read.`;
}

const moved = (byBar: number): Said => say`${byBar < 0 ? 'Fell' : 'Rose'} ${inBar(Math.abs(byBar))}`;
const handled = ({ log }: Told): boolean => (log.events ?? []).some(endsRun);

/** Changes that a reading of this gauge can tell, bar. */
const tellsBar = ({ circuit }: Told): number => Math.max(0.08, 1.5 * circuit.gaugeStepBar);

/** A fall or a creep while it stood cold, before it was heated; of a log that does not say when that was, its longest idle stretch tells. */
function beforeTheHeat(told: Told): Said {
  const { f, log, read } = told;
  if (f.beganHot || f.coldBar === null || f.firstBar === null || handled(told)) return '';
  if (!(log.events ?? []).some((e) => e.kind === 'heat-on')) {
    const creep = read.idleCreepBarPerH;
    return creep && f.hottestC !== null && Math.abs(creep.value) >= Math.max(PLAIN_PER_H_BAR, 3 * creep.sd)
      ? say`${creep.value < 0 ? 'Fell' : 'Crept up'} ${inBar(Math.abs(creep.value))} an hour while it stood cold.`
      : '';
  }
  const byBar = f.coldBar - f.firstBar,
    // Events are a minute off now and then: what had warmed already was heated.
    wasHeated = f.coldC !== null && f.firstC !== null && f.coldC - f.firstC > SAME_K;
  if (byBar > 0 && wasHeated) return '';
  return Math.abs(byBar) < tellsBar(told) ? '' : say`${byBar < 0 ? 'Fell' : 'Crept up'} ${inBar(Math.abs(byBar))} before it was heated.`;
}

function rose({ f, circuit, track }: Told, heat: Heat): Said {
  const byBar = heat.hotBar - heat.coldBar;
  if (heat.hotC === null)
    return track.heatGuessed
      ? say`${moved(byBar)}; no temperatures or heat on/off logged.`
      : say`${moved(byBar)} from cold to hot; no temperatures were read.`;
  if (heat.coldC === null) return say`${moved(byBar)} on the way to ${inCelsius(heat.hotC)}; from where was not read.`;
  // One that hardly moves is told by how hot it became meanwhile.
  const isStill = !heat.cooled && Math.abs(byBar) < HARDLY_BAR && f.hottestC !== null && f.hottestC - heat.hotC >= WARMED_K,
    hotC = isStill ? f.hottestC! : heat.hotC;
  const right = rightHot({
    circuit,
    coldGaugeBar: heat.coldBar,
    coldC: heat.coldC,
    flowC: hotC,
    ...(heat.hotReturnC !== null && !isStill ? { returnC: heat.hotReturnC } : {}),
  });
  const should = reach(right.lowGaugeBar - heat.coldBar, right.highGaugeBar - heat.coldBar, circuit.reliefSetGaugeBar - heat.coldBar);
  if (heat.cooled)
    return say`${byBar < 0 ? 'Rose' : 'Fell'} ${inBar(Math.abs(byBar))} from ${inCelsius(hotC)} to ${inCelsius(heat.coldC)}; this circuit should fall ${should}.`;
  const went = isStill ? say`Moved by no more than ${inBar(Math.abs(byBar))}` : moved(byBar);
  return say`${went} from ${inCelsius(heat.coldC)} to ${inCelsius(hotC)}; this circuit should rise ${should}.`;
}

/** A reach in words: what goes beyond the relief ends there. */
function reach(leastBar: number, mostBar: number, toReliefBar: number): Said {
  const [least, most, relief] = [leastBar, mostBar, toReliefBar].map((x) => Math.max(0, x)) as [number, number, number];
  if (least >= relief) return 'to its relief';
  if (most > relief) return say`${inBar(least)} at least, at most to its relief`;
  return most - least < NARROW_BAR ? say`about ${inBar((least + most) / 2)}` : say`${inBar(least)} to ${inBar(most)}`;
}

function whileHot({ read, track }: Told, { hotBar, coldBar }: Heat): Said {
  if (Math.abs(hotBar - coldBar) < HARDLY_BAR) return '';
  if (read.plateauBar) return say`Held at ${inBar(read.plateauBar.value)} while it went on heating, as a relief does.`;
  return track.easedHotBar > 0 ? say`Fell back ${inBar(track.easedHotBar)} while it stayed hot.` : '';
}

/** Water gained or lost over the heat, where the gauge tells it; of one that is not yet cold again only what it has lost already. */
function afterTheHeat(told: Told): Said {
  const { f, read, log } = told;
  if (f.beganHot || handled(told) || f.coldBar === null || f.lastBar === null) return '';
  const { flowC = [], returnC = [] } = log.samples,
    endC = flowC.findLast((c) => c !== null) ?? returnC.findLast((c) => c !== null) ?? null,
    warmerK = endC === null || f.coldC === null ? null : endC - f.coldC,
    byBar = f.lastBar - f.coldBar;
  if (byBar <= -tellsBar(told))
    return warmerK !== null && warmerK > SAME_K
      ? say`It ended ${inBar(-byBar)} lower than it had stood cold, at ${inCelsius(endC!)} still.`
      : say`It ended ${inBar(-byBar)} lower than it had stood cold.`;
  if (byBar >= tellsBar(told) && warmerK !== null && Math.abs(warmerK) <= SAME_K)
    return say`Cold again it stood ${inBar(byBar)} higher than before.`;
  const overHeats = read.cycles.length > 1 ? read.coldToColdBar : null;
  return overHeats && Math.abs(overHeats.value) >= Math.max(tellsBar(told), 2 * overHeats.sd)
    ? say`From cold to cold it ${overHeats.value < 0 ? 'lost' : 'gained'} ${inBar(Math.abs(overHeats.value))}.`
    : '';
}

/** A circuit that was hot when it was first read and stayed so. */
function stayedHot({ f, log }: Told): Said {
  const read = log.samples.pressureBar.filter((x) => x !== null),
    [lowBar, highBar] = read.reduce(([l, h], x) => [Math.min(l, x), Math.max(h, x)], [Infinity, -Infinity]);
  if (read.length === 0) return 'The log holds no pressure.';
  const flow = (log.samples.flowC ?? []).filter((c) => c !== null),
    coldest = flow.reduce((least, c) => Math.min(least, c), Infinity),
    at =
      f.hottestC === null
        ? 'while hot'
        : say`at ${f.hottestC - coldest > SAME_K ? say`${coldest.toFixed(0)} to say` : ''}${inCelsius(f.hottestC)}`;
  return lowBar === highBar ? say`Stood at ${inBar(lowBar)} ${at}.` : say`Moved between ${inBar(lowBar)} and ${inBar(highBar)} ${at}.`;
}

/** A circuit that nobody heated: what it crept by, or where it went at once. */
function unheated(told: Told): Said {
  const { log, f, read } = told,
    { tS } = log.samples;
  if (f.firstBar === null || f.lastBar === null || tS.length < 2) return 'The log holds too little to show a heat cycle.';
  const hours = (tS.at(-1)! - tS[0]!) / 3600,
    byBar = f.lastBar - f.firstBar,
    crept = read.idleCreepBarPerH && creepSentence(read.idleCreepBarPerH, hours);
  if (crept) return crept;
  if (Math.abs(byBar) >= tellsBar(told) && !handled(told))
    return say`Went from ${inBar(f.firstBar)} to ${inBar(f.lastBar)} in ${hours < 2 ? `${Math.round(60 * hours)} min` : `${hours.toFixed(0)} h`} with no heat.`;
  return read.idleCreepBarPerH ? 'Stood still with no heat.' : say`${inBar(Math.abs(byBar))} of change with hardly any heat.`;
}

/** A creep counts where it is more than its own doubt, and makes something over the log's hours; over days it is told by what it made. Null
 *  where it does not count. */
function creepSentence({ value, sd }: Measured, hours: number): Said | null {
  const made = Math.abs(value) * hours,
    long = hours >= TOLD_WHOLE_H;
  if (Math.abs(value) < 2 * sd || (long ? made < LEAST_MADE_BAR : Math.abs(value) < LEAST_PER_H_BAR)) return null;
  return say`${value > 0 ? 'Crept up' : 'Fell'} ${long ? say`${inBar(made)} in ${hours.toFixed(0)} h` : say`${inBar(Math.abs(value))} an hour`} with no heat.`;
}
const TOLD_WHOLE_H = 6,
  LEAST_MADE_BAR = 0.08,
  LEAST_PER_H_BAR = 0.02;

import { standingFacts, type FactRecord, type JobParts } from '@jumper/contract';
import {
  cycleFeatures,
  HEATED_K,
  heatIsOn,
  isHeatSwitch,
  resolveCircuit,
  withCharge,
  type Case,
  type CircuitSheet,
  type CycleFeatures,
  type Interval,
  type PressureLog,
} from '@jumper/core';
import { figureView, loopView, logHasHeat } from '../figure/figureView';
import type { FigureView, LoopView } from '../figure/figureModel';
import { unbroken } from '../units/words';
import { pressureNumber, pressureText, signedPressure, temperatureText, type Units } from '../units/units';
import { jobHead } from '../jobPlace/jobHead';
import { levelText, standsCold } from './levelText';
import { clockText, shortDay } from '../units/dates';

export interface BenchView {
  title: string;
  subtitle: string;
  number: { value: string; unit: string } | null;
  change: { text: string; tone: 'oxide' | 'verdigris' | 'slate' | 'ink' } | null;
  right: string | null;
  ruleOfThumb: string | null;
  figure: FigureView;
  loop: LoopView | null;
  /** Every log of the job, oldest first; empty with one or none. */
  logs: { index: number; label: string }[];
  shown: number;
  /** Of the newest log, which the dock goes on with. */
  heatOn: boolean;
  /** Nobody has said yet whether the heat is on. */
  heatUnsaid: boolean;
  lastBar: number | null;
  lastAtMs: number | null;
  lastC: number | null;
}

export interface BenchOptions {
  logIndex?: number | null;
  chargeNow?: Interval | null;
  /** Something is likelier wrong than not: what stands within the band is then no word for a sound circuit. */
  faultLikely?: boolean;
}

/** Everything the bench shows of a job's log, worked out; the screen only sets it. */
export function benchView(
  parts: JobParts,
  file: Case,
  units: Units,
  { logIndex = null, chargeNow = null, faultLikely = false }: BenchOptions = {},
): BenchView {
  const facts = standingFacts(parts.facts);
  const logs = file.logs ?? [];
  // A temperature read to see whether it has cooled begins no log that anybody wants to look at.
  const newestIndex = Math.max(
    logs.findLastIndex((l) => l.samples.pressureBar.some((p) => p !== null) || (l.events?.length ?? 0) > 0),
    Math.min(0, logs.length - 1),
  );
  const newest = logs[newestIndex] ?? null;
  const shown = logIndex !== null && logs[logIndex] ? logIndex : newestIndex;
  const log = logs[shown] ?? null;
  const circuit = resolveCircuit(sheetOfLog(file, log));
  const f = log ? cycleFeatures(log) : null;
  const heatOn = heatIsOn(newest);
  const figure = figureView({
    log,
    sheet: file.circuit,
    circuit,
    heatOn: heatOn && log === newest,
    before: runBefore(logs, shown),
    chargeNow,
  });
  const now = figure.nowBar;
  const hasHeated = log?.events?.some((e) => e.kind === 'heat-on') ?? false;
  // Of a log that began hot the fall is what counts, and its hottest reading what should stand within the band.
  const cools = f !== null && f.foundHot && hasCooled(f),
    standsHot = f !== null && f.foundHot && !cools;
  const from = cools ? f.hotBar : (f?.coldBar ?? null),
    judged = cools ? from : now;
  const since = from !== null && now !== null && figure.taken > 1 ? now - from : null;
  const band =
    figure.band.length > 0 && figure.readings.length > 0
      ? nearestBand(figure, cools ? figure.readings.find((r) => r.bar === from) : undefined)
      : null;
  const tone =
    (since === null && !cools && !standsHot) || !band || judged === null
      ? 'ink'
      : judged > band.high
        ? 'oxide'
        : judged < band.low
          ? 'slate'
          : 'verdigris';
  // Green over a fault would speak with two voices.
  const said = tone === 'verdigris' && faultLikely ? 'ink' : tone;
  const sinceWhat = hasHeated ? 'heat on' : cools ? 'it began to cool' : 'the first reading';
  // Cold and never heated, what it stands at says more than that it stands still.
  const level = now !== null && standsCold(log) && tone !== 'oxide' && tone !== 'slate' ? levelText(now, circuit, units) : null;
  return {
    ...jobHead(parts),
    number: now === null ? null : { value: pressureNumber(now, units.pressure), unit: units.pressure },
    change: level
      ? { text: level.text, tone: 'oxide' }
      : standsHot
        ? { text: tone === 'verdigris' && faultLikely ? `Found hot; ${COULD_TOO}` : FOUND_HOT[tone], tone: said }
        : since === null
          ? null
          : {
              text: `${signedPressure(since, units.pressure)} since ${sinceWhat}${tone === 'verdigris' && faultLikely ? `; ${COULD_TOO}` : CHANGED[tone]}`,
              tone: said,
            },
    right:
      f?.coldBar != null && band && hasHeated
        ? `${signedPressure(Math.max(0, band.low - f.coldBar), units.pressure)} to ${signedPressure(Math.max(0, band.high - f.coldBar), units.pressure)} is normal for this system${figure.lastC !== null ? ` at ${unbroken(temperatureText(figure.lastC, units.temperature))}` : ''}`
        : cools
          ? coolingText(f.coldBar, band, figure.lastC, units)
          : standsHot
            ? foundText(band, figure.lastC, circuit.fillGaugeBar, units)
            : (level?.wanted ?? (hasHeated || figure.taken === 0 ? null : 'No heat yet: it should stand still')),
    ruleOfThumb:
      since !== null && hasHeated
        ? `Rule of thumb: ${pressureNumber(0.3, units.pressure)} to ${pressureText(0.5, units.pressure)} is ordinary, near ${pressureText(1, units.pressure)} is trouble`
        : null,
    // What stands at the wrong level has no healthy way to go from there.
    figure: level ? { ...figure, band: [] } : figure,
    loop: loopView(log, circuit),
    logs: logs.length > 1 ? logs.map((l, index) => ({ index, label: logLabel(l) })) : [],
    shown,
    heatOn,
    heatUnsaid: !newest?.events?.some(isHeatSwitch),
    lastBar: lastOf(logs.findLast((l) => lastOf(l.samples.pressureBar) !== null)?.samples.pressureBar),
    lastAtMs: lastReadingMs(facts),
    lastC: lastOf(newest?.samples.flowC),
  };
}

/** The sheet as it was when a log was taken: after work with the charge that was set in it. */
function sheetOfLog(file: Case, log: PressureLog | null): CircuitSheet {
  const setTo = log?.epoch === 'after-work' ? file.repairs?.findLast((r) => r.toBar !== undefined)?.toBar : undefined;
  return setTo === undefined ? file.circuit : withCharge(file.circuit, setTo);
}

/** The run to set this one against: the last heat run from before the work, for a log taken after it. */
export function runBefore(logs: PressureLog[], shown: number): { label: string; log: PressureLog } | null {
  if (logs[shown]?.epoch !== 'after-work') return null;
  const log = logs.findLast((l) => l.epoch !== 'after-work' && logHasHeat(l));
  return log ? { label: 'before the work', log } : null;
}

function logLabel(log: PressureLog): string {
  const at = log.startedAt ? new Date(log.startedAt) : null;
  const when = at ? `${shortDay(at)} ${clockText(at)}` : 'undated';
  return `${log.epoch === 'after-work' ? 'After work' : 'As found'}, ${when}`;
}

const lastReadingMs = (facts: FactRecord[]) => {
  const last = facts.findLast((f) => f.body.kind === 'reading');
  return last ? Date.parse(last.body.at) : null;
};
const lastOf = (values: (number | null)[] | undefined) => values?.findLast((v) => v !== null) ?? null;

const CHANGED = { oxide: ', too much', slate: ', too little', verdigris: ', as it should', ink: '' };
const COULD_TOO = 'a healthy circuit could do this too';
const FOUND_HOT = {
  oxide: 'Found hot, and too high for that',
  slate: 'Found hot, and too low for that',
  verdigris: 'Found hot, and stands as it should',
  ink: 'Found hot',
};

/** Where no temperature was read, that the heat went off says so. */
const hasCooled = ({ hotC, coldC }: CycleFeatures): boolean => hotC === null || coldC === null || hotC - coldC >= HEATED_K;

/** Where it should stand, hot as it is, and from what. */
function foundText(band: { low: number; high: number } | null, lastC: number | null, fillBar: number, units: Units): string | null {
  if (!band || lastC === null) return null;
  return `${pressureNumber(band.low, units.pressure)} to ${pressureText(band.high, units.pressure)} is normal for this system at ${unbroken(temperatureText(lastC, units.temperature))}, filled to ${pressureNumber(fillBar, units.pressure)}`;
}

/** How far it should have come down by now. */
function coolingText(nowBar: number | null, band: { low: number; high: number } | null, lastC: number | null, units: Units): string | null {
  if (nowBar === null || !band || lastC === null) return null;
  return `${signedPressure(-Math.max(0, band.low - nowBar), units.pressure)} to ${signedPressure(-Math.max(0, band.high - nowBar), units.pressure)} is normal for this system down to ${unbroken(temperatureText(lastC, units.temperature))}`;
}

/** The band at one reading, the last where none is named. */
function nearestBand(figure: FigureView, reading = figure.readings.at(-1)!) {
  const last = reading.min;
  return figure.band.reduce((best, b) => (Math.abs(b.min - last) < Math.abs(best.min - last) ? b : best));
}

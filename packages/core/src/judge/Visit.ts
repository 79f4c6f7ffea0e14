import type { CircuitSheet } from '../circuit/CircuitSheet';
import { atGaugeLevel, resolveCircuit, type ResolvedCircuit } from '../circuit/resolveCircuit';
import { spikesOut } from '../log/cleanLog';
import { COLD_BELOW_C, cycleFeatures, HEATED_K, type CycleFeatures } from '../log/cycleFeatures';
import type { PressureLog } from '../log/PressureLog';
import type { LogReading } from '../log/reading/LogReading';
import { readLog } from '../log/readLog';
import { readingSlip, withoutReading } from '../log/readingSlip';
import type { Complaint } from './priors/complaints';
import type { Evidence } from './Evidence';
import type { Finding } from './Finding';
import { idleThroughout } from './idleThroughout';
import { layOutLog } from './layOut/layOutLog';
import { seenStepBar } from './layOut/readingStep';
import type { Logged } from './Logged';
import { waysParted, type WaysParted } from './fit/logModel';
import { topGaugeBar, type LogTrack } from './layOut/LogTrack';
import { mergedWhereStraight } from './layOut/mergeStraight';
import { letGoHot } from './findings/reliefCatch';
import { seenLift, type SeenLift } from './levels/seenLift';
import { usualPeakBar } from './levels/usualPeak';
import { quickestCreep } from './next/watchLength';

/** What a visit shows before any suspect is asked about it: its sheet resolved, its logs cleaned and laid out, and what a technician reads
 *  off them. */
export interface Visit {
  sheet: CircuitSheet;
  circuit: ResolvedCircuit;
  /** The circuit with its vessel at the gauge's level, as the draws' parameters are meant. */
  seen: ResolvedCircuit;
  findings: readonly Finding[];
  complaint: readonly Complaint[];
  /** Without the slips of sensors and of whoever read. */
  logs: PressureLog[];
  /** Of each log, the place of the reading that was left out as a slip of whoever read; null where none was. */
  slips: (number | null)[];
  tracks: LogTrack[];
  /** The log that each track was laid out from: its place in `logs`. */
  trackLog: number[];
  features: CycleFeatures[];
  /** What a technician reads off each of the logs. */
  readings: LogReading[];
  /** How quickly the idle circuit was seen to creep, bar/h; null where it was not. */
  creepBarPerH: number | null;
  /** Pressures that findings are read beside, done or yet to do. */
  logged: Logged;
  /** The pressure at which it was found cold, gauge bar, where that speaks by itself; null where it was found hot, and where a night's cold
   *  pressure was read, which speaks as a finding. */
  foundColdGaugeBar: number | null;
  /** Its log begins warm, and no night's cold pressure was read. */
  foundHot: boolean;
  /** The pressure fell back from a peak while the water stayed hot. */
  easedHot: boolean;
  /** Where a relief was seen to let go. */
  lifts: SeenLift[];
  /** Ways in and out that the logs tell apart. */
  parted: WaysParted;
}

/** Reads a visit's evidence. A steam boiler's logs say nothing here.
 *  @throws {OutOfRangeError} where the sheet's numbers lie outside the physics */
export function readVisit({ circuit: sheet, logs: asWritten, findings: inFile, complaint = [] }: Evidence): Visit {
  const findings = inFile.map((f) => f.finding);
  const written = sheet.kind === 'steam' ? [] : asWritten.map(spikesOut);
  const circuit = withSeenStep(sheet, written),
    seen = atGaugeLevel(circuit);
  const slips = written.map((l) => readingSlip(l, circuit.reliefSetGaugeBar, circuit.gaugeStepBar)),
    logs = written.map((l, i) => idleThroughout(withoutReading(l, slips[i]!), findings, circuit.gaugeStepBar));
  const laidOut = logs.map((l) => layOutLog(l, { ...circuit, maxFlowC: Math.max(circuit.maxFlowC, ...flowsReadC(findings)) }));
  const tracks = laidOut.filter((t): t is LogTrack => t !== null).map(mergedWhereStraight);
  const trackLog = laidOut.flatMap((t, i) => (t ? [i] : []));
  const features = logs.map(cycleFeatures),
    readings = logs.map((l) => readLog(l, circuit.gaugeStepBar));
  const coldGaugeBar = foundColdBar(features[0], tracks[0]),
    overnightBar = findings.find((f) => f.test === 'idle-cold-pressure')?.valueBar;
  return {
    sheet,
    circuit,
    seen,
    findings,
    complaint,
    logs,
    slips,
    tracks,
    trackLog,
    features,
    readings,
    creepBarPerH: quickestCreep(readings),
    logged: {
      ...loggedOf(tracks, features, circuit, coldGaugeBar, overnightBar),
      coreTouched: findings.some((f) => TOUCH_THE_CORE.has(f.test)),
      leverPulled: asWritten.some((l) => l.events?.some((e) => e.kind === 'relief-pulled')),
    },
    foundColdGaugeBar: overnightBar === undefined ? coldGaugeBar : null,
    foundHot: overnightBar === undefined && coldGaugeBar === null && tracks[0] !== undefined,
    easedHot: tracks.some((t) => t.easedHotBar > 0),
    lifts: tracks.flatMap((t, i) => seenLift(t, logs[trackLog[i]!]!, circuit) ?? []),
    parted: waysParted(tracks),
  };
}

/** Tests by which the vessel's core is pressed. */
const TOUCH_THE_CORE: ReadonlySet<string> = new Set(['gas-valve-press', 'precharge', 'pump-up-hold']);

/** The sheet resolved; a gauge of which it does not say how fine it is reads as coarsely as the logs go to and fro. */
function withSeenStep(sheet: CircuitSheet, logs: PressureLog[]): ResolvedCircuit {
  const circuit = resolveCircuit(sheet);
  if (!circuit.assumed.includes('gauge.resolutionBar') || sheet.gauge?.kind === 'unnumbered') return circuit;
  return { ...circuit, gaugeStepBar: seenStepBar(logs, circuit.gaugeStepBar) };
}

/** Where no temperature was logged, the water is taken to go up to the boiler's limit, or to the flow that was read, if that was more. */
const flowsReadC = (findings: readonly Finding[]): number[] =>
  findings.flatMap((f) => (f.test === 'flow-return' && f.flowC !== undefined ? [f.flowC] : []));

/** The pressure that the circuit was found at, cold; what it went to afterwards, before it was heated, is the log's to explain. */
function foundColdBar(first: CycleFeatures | undefined, track: LogTrack | undefined): number | null {
  if (track?.blind?.beginsHot && track.spanK > 0) return null;
  if (!first || (first.coldC ?? 20) >= COLD_BELOW_C) return null;
  return (first.firstC ?? 20) < COLD_BELOW_C ? first.firstBar : first.coldBar;
}

function loggedOf(
  tracks: LogTrack[],
  features: CycleFeatures[],
  circuit: ResolvedCircuit,
  coldGaugeBar: number | null,
  overnightBar: number | undefined,
): Logged {
  const hottestC = Math.max(...features.map((f) => f.hottestC ?? -Infinity)),
    top = topGaugeBar(tracks);
  const peakGaugeBar = topGaugeBar(tracks.filter((t) => t.spanK > HEATED_K && !t.heatGuessed));
  return {
    peakGaugeBar,
    usualPeakGaugeBar: usualPeakBar(peakGaugeBar, features, circuit),
    topGaugeBar: overnightBar === undefined ? top : Math.max(overnightBar, top ?? 0),
    coldGaugeBar: coldGaugeBar ?? overnightBar ?? null,
    hottestC: hottestC > -Infinity ? hottestC : null,
  };
}

/** Near enough to its relief to be held by it, bar: by itself, and where the relief was seen to let go. */
const AT_RELIEF_BAR = 0.1,
  LET_GO_BAR = 0.25;

/** Whether heat takes the circuit up to its relief: nearly, or less nearly where the pressure fell back from there while it was hot, or hot
 *  water came. */
export function comesToTheRelief({ logged: { peakGaugeBar }, circuit, easedHot, findings }: Visit): boolean {
  const within = easedHot || findings.some(letGoHot) ? LET_GO_BAR : AT_RELIEF_BAR;
  return peakGaugeBar !== null && peakGaugeBar > circuit.reliefSetGaugeBar - within;
}

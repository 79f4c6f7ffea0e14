import type { JobParts } from '@jumper/contract';
import {
  faultRow,
  lowerFirst,
  proveRepair,
  resolveCircuit,
  runBands,
  testRow,
  type Case,
  type Diagnosis,
  type Proof,
  type ProofReason,
  type RunBand,
  type StillThere,
} from '@jumper/core';
import { logHasHeat } from '../figure/figureView';
import { leadOf, shareText } from '../bench/suspects';
import { pressureText, signedPressure, temperatureText, type Units } from '../units/units';
import { workState } from '../work/workState';
import { waitText } from '../work/workWords';

export interface ProofView {
  kind: Proof['kind'];
  headline: string;
  lines: string[];
  proof: Proof;
  bands: RunBand[];
}

/** Whether the work put it right, in words; null as long as no work is recorded. */
export function proofView(parts: JobParts, file: Case, diagnosis: Diagnosis | null, units: Units): ProofView | null {
  const repairs = file.repairs ?? [];
  if (repairs.length === 0) return null;
  const logs = file.logs ?? [];
  const setTo = repairs.findLast((r) => r.toBar !== undefined)?.toBar;
  const circuit = resolveCircuit(file.circuit);
  const before = logs.findLast((l) => l.epoch !== 'after-work' && logHasHeat(l)) ?? logs.find((l) => l.epoch !== 'after-work') ?? null,
    after = logs.findLast((l) => l.epoch === 'after-work') ?? null;
  const proof = proveRepair({
    circuit,
    before,
    after,
    now: diagnosis?.now ?? null,
    worked: diagnosis ? (leadOf(diagnosis)?.faults ?? []) : [],
    testsAfter: [...workState(parts).provedBySteps, ...(file.findings ?? []).flatMap((f) => (f.epoch === 'after-work' ? [f.test] : []))],
    inflowLPerH: diagnosis?.estimates.inflowLPerH ?? null,
    lossLPerH: diagnosis?.estimates.lossLPerH ?? null,
    ...(setTo !== undefined ? { setToGaugeBar: setTo } : {}),
  });
  return {
    kind: proof.kind,
    headline: PROOF_HEADLINES[proof.kind],
    lines: [
      ...proof.reasons.map((r) => reasonText(r, units)),
      ...proof.stillThere.filter((s) => s.shows !== false).map((s) => stillThereText(s, units)),
    ],
    proof,
    bands: runBands(circuit, after, before, setTo),
  };
}

export const PROOF_HEADLINES = { pass: 'Put right, and proved', fail: 'Not put right yet', unclear: 'Not proved yet' } as const;

export function reasonText(r: ProofReason, units: Units): string {
  const bar = (x: number) => pressureText(x, units.pressure),
    celsius = (x: number) => temperatureText(x, units.temperature);
  switch (r.code) {
    case 'no-run':
      return 'Log a heat run to the highest temperature: it shows whether the work put it right.';
    case 'no-temperature':
      return 'No temperature was read on the run: without one the pressure cannot be held against what is right.';
    case 'too-short':
      return `From heat on to the last reading ${waitText(r.minutes)}: a run takes ${waitText(r.neededMin)} or more.`;
    case 'steady-at-set':
      return `The boiler was seen at its set temperature and steady; ${celsius(r.setC)} is taken for it.`;
    case 'no-watch':
      return `A heat run does not show this (${lowerFirst(faultRow(r.fault).title)}). Everything as it should stand, heat off: watch the gauge for ${waitText(r.neededMin)}.`;
    case 'stood-still':
      return `The gauge stood still for ${waitText(r.watchedMin)}; ${waitText(r.neededMin)} would have shown it (${lowerFirst(faultRow(r.fault).title)}).`;
    case 'by-test':
      return stillThereText(r.row, units);
    case 'not-hot-enough':
      return `The run reached ${celsius(r.reachedC)}; take it to ${celsius(r.wantedC)} or more before it proves anything.`;
    case 'within-band':
      return `Hot it stands at ${bar(r.hotBar)}; ${bar(r.lowBar)} to ${bar(r.highBar)} is normal for this system.`;
    case 'rose-too-much':
      return `Hot it stands at ${bar(r.hotBar)}, above the ${bar(r.highBar)} that would be right here.`;
    case 'rose-too-little':
      return `Hot it stands at ${bar(r.hotBar)}, below the ${bar(r.lowBar)} that would be right here: look at gauge, air and temperature again.`;
    case 'near-relief':
      return `Hot it stands at ${bar(r.hotBar)}, close to the relief at ${bar(r.reliefBar)}.`;
    case 'relief-lifted':
      return 'The relief was seen to lift during the run.';
    case 'still-suspected':
      return `${faultRow(r.fault).title} is still suspected, ${shareText(r.probability)}.`;
    case 'other-suspected':
      return `Something else is likely now: ${lowerFirst(faultRow(r.fault).title)}, ${shareText(r.probability)}.`;
    case 'would-not-show':
      return stillThereText(r.row, units);
    case 'swing-changed':
      return `The rise was ${signedPressure(r.beforeBar, units.pressure)} before the work, ${signedPressure(r.afterBar, units.pressure)} ${units.pressure} after it.`;
  }
}

/** Whether the run would have shown the fault if it were still there, in a line. */
export function stillThereText(s: StillThere, units: Units): string {
  const bar = (x: number) => pressureText(x, units.pressure),
    fault = lowerFirst(faultRow(s.fault).title);
  switch (s.by) {
    case 'rise':
      return s.shows
        ? `Would it show if it were still there? Yes: as before the work, this run would stand at ${bar(s.thereGaugeBar)}.`
        : `If it were still there (${fault}), this run would stand at ${bar(s.thereGaugeBar)}, too near ${bar(s.lowGaugeBar)} to ${bar(s.highGaugeBar)} to tell: go hotter.`;
    case 'drift':
      return s.shows
        ? `Would it show if it were still there? Yes: in ${waitText(s.watchedMin)} it would have moved the gauge by ${bar(s.movedBar)}.`
        : `If it were still there (${fault}), ${waitText(s.watchedMin)} would not show it: keep the gauge in view for ${waitText(s.neededMin)}.`;
    case 'lift':
      return s.shows
        ? `Would it show if it were still there? Yes: it opened at ${bar(s.openedGaugeBar)}, and this run came to ${bar(s.reachedGaugeBar)}.`
        : `It opened at ${bar(s.openedGaugeBar)} before; this run only came to ${bar(s.reachedGaugeBar)} and would not have shown it.`;
    case 'test':
      return s.shows
        ? `Would it show if it were still there? Yes: ${lowerFirst(testRow(s.test).title)}, done after the work.`
        : `A heat run does not show this fault (${fault}). This does: ${lowerFirst(testRow(s.test).title)}.`;
    case 'pipe':
      return s.shows
        ? 'Would it show if it were still there? Yes: its pipe was looked at after a heat run and a cold hour.'
        : `The feed makes up what a relief loses, so the gauge does not show it. Watch its pipe through ${s.ranHot ? '' : 'a heat run and '}a cold hour${s.looked ? '' : ', then look at it and say how it is'}.`;
    case 'nothing':
      return `Nothing from before the work tells whether this run would have shown it (${fault}).`;
  }
}

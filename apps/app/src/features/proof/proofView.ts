import type { JobParts } from '@jumper/contract';
import { faultRow, proveRepair, resolveCircuit, type Case, type Diagnosis, type Proof, type ProofReason } from '@jumper/core';
import { logHasHeat } from '../figure/figureView';
import { shareText } from '../bench/suspects';
import { pressureText, signedPressure, temperatureText, type Units } from '../units/units';

export interface ProofView { kind: Proof['kind']; headline: string; lines: string[]; proof: Proof }

/** Whether the work put it right, in words; null as long as no work is recorded. */
export function proofView(parts: JobParts, file: Case, diagnosis: Diagnosis | null, units: Units): ProofView | null {
  const repairs = file.repairs ?? [];
  if (repairs.length === 0) return null;
  const logs = file.logs ?? [];
  const setTo = repairs.findLast((r) => r.toBar !== undefined)?.toBar;
  const proof = proveRepair({
    circuit: resolveCircuit(file.circuit),
    before: logs.findLast((l) => l.epoch !== 'after-work' && logHasHeat(l)) ?? logs.find((l) => l.epoch !== 'after-work') ?? null,
    after: logs.findLast((l) => l.epoch === 'after-work') ?? null,
    now: diagnosis?.now ?? null,
    worked: diagnosis?.hypotheses[0]?.faults ?? [],
    ...(setTo !== undefined ? { setToGaugeBar: setTo } : {}),
  });
  return { kind: proof.kind, headline: HEADLINES[proof.kind], lines: proof.reasons.map((r) => reasonText(r, units)), proof };
}

const HEADLINES = { pass: 'Put right, and proved', fail: 'Not put right yet', unclear: 'Not proved yet' } as const;

export function reasonText(r: ProofReason, units: Units): string {
  const bar = (x: number) => pressureText(x, units.pressure), celsius = (x: number) => temperatureText(x, units.temperature);
  switch (r.code) {
    case 'no-run': return 'Log a heat run to the highest temperature: it shows whether the work put it right.';
    case 'no-temperature': return 'No temperature was read on the run: without one the pressure cannot be held against what is right.';
    case 'not-hot-enough': return `The run reached ${celsius(r.reachedC)}; take it to ${celsius(r.wantedC)} or more before it proves anything.`;
    case 'within-band': return `Hot it stands at ${bar(r.hotBar)}; ${bar(r.lowBar)} to ${bar(r.highBar)} is right here.`;
    case 'rose-too-much': return `Hot it stands at ${bar(r.hotBar)}, above the ${bar(r.highBar)} that would be right here.`;
    case 'rose-too-little': return `Hot it stands at ${bar(r.hotBar)}, below the ${bar(r.lowBar)} that would be right here: look at gauge, air and temperature again.`;
    case 'near-relief': return `Hot it stands at ${bar(r.hotBar)}, close to the relief at ${bar(r.reliefBar)}.`;
    case 'still-suspected': return `${faultRow(r.fault).title} is still suspected, ${shareText(r.probability)}.`;
    case 'other-suspected': return `Something else shows now: ${faultRow(r.fault).title.toLowerCase()}, ${shareText(r.probability)}.`;
    case 'swing-changed': return `The rise was ${signedPressure(r.beforeBar, units.pressure)} before the work, ${signedPressure(r.afterBar, units.pressure)} after it.`;
  }
}

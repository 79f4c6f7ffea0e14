import type { Judgement } from './Diagnosis';
import type { Evidence } from './judgeEvidence';
import { testRow } from './tests';

/** The same test done twice with answers that cannot both be right. The later one counts; the pair is named and the test to repeat. */
export function contradictions(evidence: Evidence): Judgement['contradictions'] {
  const out: Judgement['contradictions'] = [];
  const last = new Map<string, Evidence['findings'][number]>();
  for (const item of evidence.findings) {
    const before = last.get(item.finding.test);
    if (before && differs(before.finding, item.finding))
      out.push({ evidence: [`finding:${before.index}`, `finding:${item.index}`], text: `${testRow(item.finding.test).title} was done twice with different answers. The later one counts.`, repeat: item.finding.test });
    last.set(item.finding.test, item);
  }
  const press = last.get('gas-valve-press'), charge = last.get('precharge');
  if (press?.finding.outcome === 'water' && charge && (charge.finding.valueBar ?? 0) > 0.4 && charge.finding.drainOpen)
    out.push({ evidence: [`finding:${press.index}`, `finding:${charge.index}`], text: 'Water at the gas valve, yet a charge with the drain open: one of the two is wrong.', repeat: 'gas-valve-press' });
  return out;
}

function differs(a: { outcome?: string; valueBar?: number }, b: { outcome?: string; valueBar?: number }): boolean {
  if (a.outcome !== b.outcome) return true;
  return a.valueBar !== undefined && b.valueBar !== undefined && Math.abs(a.valueBar - b.valueBar) > 0.25;
}

/** A test done twice stands twice in the file; only the later one is judged. */
export function latestOnly(findings: Evidence['findings']): Evidence['findings'] {
  const last = new Map(findings.map((f) => [f.finding.test, f.index]));
  return findings.filter((f) => last.get(f.finding.test) === f.index);
}

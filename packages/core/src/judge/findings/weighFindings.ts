import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import type { FaultId } from '../faults';
import type { Finding } from '../Finding';
import { findingLikelihood, hangsOnDraw } from './findingLikelihood';
import type { Draw } from '../fit/draw';
import type { Logged } from '../Logged';
import { weighed } from '../Weighing';
import { zoneSuspect } from './zoneSuspect';

/** What each finding says of a set, given the logs and the findings before it (natural logarithms), and what the circuit's parameters are
 *  after all of them.
 *  @param prior draws as the logs left them */
export function weighFindings(
  findings: readonly Finding[],
  faults: FaultId[],
  prior: Draw[],
  circuit: ResolvedCircuit,
  logged: Logged,
): { findingEvidence: number[]; draws: Draw[] } {
  const suspect = zoneSuspect(findings, faults);
  let draws = prior;
  const findingEvidence = findings.map((finding) => {
    const under = (of: readonly FaultId[], v = draws[0]!.v) => findingLikelihood(finding, of, v, circuit, logged);
    if (suspect && typeof finding.zone === 'string') return Math.log(suspect.weigh(finding.zone, under(faults), under(['none'])));
    const so = weighed({ logEvidence: 0, draws }, hangsOnDraw(finding, faults) ? (v) => under(faults, v) : under(faults));
    draws = so.draws;
    return so.logEvidence;
  });
  return { findingEvidence, draws };
}

import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { Judgement } from './Diagnosis';
import type { Finding } from './Finding';
import { restsAtHead } from './findings/drawOffDensity';
import { changesTheNumber } from './findings/findingLikelihood';
import { expectedNumber, foretold } from './findings/findingNumbers';
import type { Evidence } from './Evidence';
import type { Judged } from './judgeEvidence';
import { normalPdf } from './fit/normal';
import { plainlyApart } from './plainlyApart';
import { costMin, testRow } from './tests';

type Contradiction = Judgement['contradictions'][number];

/** Two pieces of evidence cannot both be right where no set of faults makes both likelier than this, against what each would be by itself:
 *  two findings, or a finding and a log, which a model of the circuit misses by more now and then. */
const HARDLY_BOTH = Math.log(1 / 14),
  HARDLY_WITH_A_LOG = Math.log(1 / 25);
const MOST_NAMED = 2;

/** Evidence that cannot both be right, each pair with the test to repeat: a reading that was left out as a slip (what to repeat is the
 *  log), the same test done twice with different answers (the later counts), and pairs of findings, or of a finding and a log, that no set
 *  of faults explains together though each is easily explained alone.
 *  @param all every finding, those done again included @param latest those that were judged, in the order of the sets' evidence */
export function contradictions(all: Evidence, latest: Evidence, judged: Judged): Contradiction[] {
  const twice = doneTwice(all);
  return [
    ...slips(latest, judged),
    ...twice,
    ...unexplained(latest, judged)
      .filter((c) => !twice.some((t) => c.evidence.some((e) => t.evidence.includes(e))))
      .slice(0, MOST_NAMED),
  ];
}

/** A reading of a hand's log that was left out, since it contradicts those before and after it. */
function slips({ logIndices }: Evidence, { logs, slips: places }: Judged): Contradiction[] {
  return places.flatMap((at, k) =>
    at === null
      ? []
      : [
          {
            evidence: [`log:${logIndices[k]!}`],
            repeat: 'log',
            text: `The reading at ${Math.round(logs[k]!.samples.tS[at]! / 60)} min stands off those before and after it, and nothing was done meanwhile. It was left out as a slip; if it was misread, change it in the record.`,
          },
        ],
  );
}

function doneTwice({ findings }: Evidence): Contradiction[] {
  const out: Contradiction[] = [];
  const last = new Map<string, Evidence['findings'][number]>();
  for (const item of findings) {
    const before = last.get(doneAs(item.finding));
    if (before && differs(before.finding, item.finding))
      out.push({
        evidence: [`finding:${before.index}`, `finding:${item.index}`],
        text: `${testRow(item.finding.test).title} was done twice with different answers. The later one counts.`,
        repeat: item.finding.test,
      });
    last.set(doneAs(item.finding), item);
  }
  return out;
}

/** One piece of evidence: how well each set explains it, against the set that explains it best. */
interface Piece {
  id: string;
  name: string;
  finding: Finding | null;
  behind: number[];
}

function unexplained({ findings, logIndices }: Evidence, { sets, trackLog, seen }: Judged): Contradiction[] {
  const piece = (
    id: string,
    name: string,
    finding: Finding | null,
    of: (set: Judged['sets'][number]) => number,
    attainable = -Infinity,
  ): Piece => {
    const scores = sets.map(of),
      best = Math.max(attainable, ...scores);
    return { id, name, finding, behind: scores.map((s) => s - best) };
  };
  const pieces = [
    ...trackLog.map((at, k) => piece(`log:${logIndices[at]!}`, 'the log', null, (s) => s.logParts[k]!)),
    ...findings.map(({ finding, index }, k) =>
      piece(`finding:${index}`, testRow(finding.test).title, finding, (s) => s.findingEvidence[k]!, attainable(finding, sets, seen)),
    ),
  ];
  // How far a number is missed takes every draw of every set, and only ever brings two pieces nearer: asked only where some two seem apart.
  if (apart(pieces).length === 0) return [];
  const known = pieces.map((p) =>
    p.finding ? { ...p, behind: p.behind.map((behind, i) => Math.max(behind, missed(p.finding!, sets[i]!, seen))) } : p,
  );
  return apart(known)
    .sort((x, y) => x.together - y.together)
    .map(({ a, b }) => {
      const repeat = a.finding ? oddOneOut(a, b, known) : b;
      return {
        evidence: [a.id, b.id],
        text: `${a.finding ? `“${a.name}”` : 'The log'} and “${b.name}” hardly go together: no fault explains both. Do “${repeat.name}” again.`,
        repeat: repeat.finding!.test,
      };
    });
}

/** Pairs of pieces, a finding among them, that no set explains together. */
function apart(pieces: Piece[]): { a: Piece; b: Piece; together: number }[] {
  return pieces
    .flatMap((a, i) =>
      pieces
        .slice(i + 1)
        .filter((b) => b.finding && !(a.finding && liesOverTheRelief(a.finding, b.finding)))
        .map((b) => ({ a, b, together: together(a, b) })),
    )
    .filter((pair) => pair.together <= (pair.a.finding ? HARDLY_BOTH : HARDLY_WITH_A_LOG));
}

/** A gauge that reads low by a second one, and a relief that lets go at what the second one shows: the gauge lies, and the pressure is really
 *  high. Both may be so. */
function liesOverTheRelief(a: Finding, b: Finding): boolean {
  const [gauges, relief] = a.test === 'second-gauge' ? [a, b] : [b, a];
  return (
    gauges.test === 'second-gauge' &&
    (gauges.valueBar ?? 0) - (gauges.firstGaugeBar ?? Infinity) > READS_LOW_BAR &&
    (relief.test === 'discharge-pipe' || relief.test === 'discharge-catch')
  );
}
const READS_LOW_BAR = 0.3;

/** How well the set that explains both best does, as a log likelihood below the best of each. */
const together = (a: Piece, b: Piece): number =>
  a.finding && b.finding && plainlyApart(a.finding, b.finding)
    ? -Infinity
    : Math.max(...a.behind.map((behind, s) => behind + b.behind[s]!));

/** What a number that physics foretells can be explained with at the best: a set's evidence for it is what is left after the logs, which
 *  may have ruled every explanation out. */
function attainable(finding: Finding, sets: Judged['sets'], circuit: ResolvedCircuit): number {
  const number = foretold(finding) && sets[0] ? expectedNumber(finding, sets[0].draws[0]!.v, circuit) : null;
  return number ? Math.log(EVEN_AT_BEST * normalPdf(0, 0, number.sd)) : -Infinity;
}
const EVEN_AT_BEST = 0.5;

/** How far a number that physics foretells lies from what a set expects once all is known, as a log likelihood below the best: a set that
 *  has to be looked for over a wide range is no worse an explanation where it was found, and what lies apart by no more than the reading's
 *  own error is not missed. */
function missed(finding: Finding, { faults, draws }: Judged['sets'][number], circuit: ResolvedCircuit): number {
  if (!foretold(finding) || changesTheNumber(finding, faults)) return -Infinity;
  const squares = draws.map(({ v, weight }) => {
    const n = expectedNumber(finding, v, circuit);
    if (!n) return Infinity;
    return restsAtHead(finding, n, v, circuit) > 0.5 ? 0 : weight * ((n.seen - n.expected) / n.sd) ** 2;
  });
  return -0.5 * Math.max(0, squares.reduce((a, b) => a + b, 0) - 1);
}

/** Of two that disagree, the one without which the rest is better explained; where that does not part them, the one that is quicker to
 *  repeat. */
function oddOneOut(a: Piece, b: Piece, pieces: Piece[]): Piece {
  const without = (left: Piece) => {
    const rest = pieces.filter((p) => p !== left);
    return Math.max(...left.behind.map((_, s) => rest.reduce((sum, p) => sum + p.behind[s]!, 0)));
  };
  const byRest = without(a) - without(b);
  const cost = ({ finding }: Piece) => costMin(finding!.test);
  return Math.abs(byRest) > CLEARLY ? (byRest > 0 ? a : b) : cost(a) <= cost(b) ? a : b;
}
const CLEARLY = 1;

function differs(a: { outcome?: string; valueBar?: number }, b: { outcome?: string; valueBar?: number }): boolean {
  if (a.outcome !== b.outcome) return true;
  return a.valueBar !== undefined && b.valueBar !== undefined && Math.abs(a.valueBar - b.valueBar) > 0.25;
}

/** A test done twice stands twice in the file; only the later one is judged. */
export function latestOnly(findings: Evidence['findings']): Evidence['findings'] {
  const last = new Map(findings.map((f) => [doneAs(f.finding), f.index]));
  return findings.filter((f) => last.get(doneAs(f.finding)) === f.index);
}

/** A test done under other conditions, or on another zone, is not the same test done again. */
const doneAs = (f: Finding): string => [f.test, f.zone, f.calling, f.during, f.heating].join('|');

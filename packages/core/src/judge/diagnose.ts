import { rightHot } from '../circuit/rightBand';
import { sheetWarnings } from '../circuit/sheetWarnings';
import { asTheVisitShows } from './asTheVisitShows';
import type { Evidence } from './Evidence';
import { because } from './explain';
import { afterRepairs, heldAgainstTheProof } from './afterWork';
import type { Case } from './Case';
import { contradictions, latestOnly } from './contradictions';
import type { Diagnosis, Judgement } from './Diagnosis';
import { estimates } from './estimates';
import { applicableFaults, faultRow, type FaultId } from './faults';
import { judgeEvidence, type Judged, type Progress } from './judgeEvidence';
import type { JudgedSet } from './JudgedSet';
import { nextTests, proof, provingTest, repairKey, tellsMoreQuickly } from './next/nextTests';
import { leftWarm } from './next/waiting';
import { weightedSets, type WeightedSet } from './priors/weightedSets';
import { withPriors } from './probabilities';
import { sureEnoughFor } from './repairCosts';
import { isRetired } from './retired';
import { splitEpochs } from './splitEpochs';

const MOST_HYPOTHESES = 25,
  MOST_PREDICTED = 6;

/** Ranks the faults of a case. Pure and repeatable: same case and build, same answer.
 *  @param onFile a valid case (checked by the contract); logs and findings may be empty
 *  @param told hears how far it has come; it changes nothing
 *  @throws {OutOfRangeError} where the sheet's numbers lie outside the physics */
export function diagnose(onFile: Case, told: Progress = () => {}): Diagnosis {
  const input: Case = { ...onFile, circuit: asTheVisitShows(onFile) };
  const split = splitEpochs(input);
  const made = split.asFound.findings.map((f) => f.finding),
    priors = weightedSets({ ...input, findings: made });
  const worked = split.stages.some((s) => s.repairs.length > 0 || s.evidence.logs.length > 0 || s.evidence.findings.length > 0);
  const found = withLatest(split.asFound),
    asFound = judgeEvidence(found, priors, (share) => told(worked ? share / 2 : share));
  const answer = (judgement: Judgement): Diagnosis => ({
    format: 'jumper-diagnosis',
    version: 1,
    caseId: input.id,
    warnings: sheetWarnings(onFile.circuit),
    notJudged: split.notJudged,
    ...judgement,
  });
  if (!worked) {
    // As if the judge had asked for every test: nobody buys a part on the strength of what somebody seems to suspect.
    const unhinted = weightedSets({ ...input, findings: made.map((f) => ({ ...f, proposed: true })) });
    return answer(judgementOf(onFile, asFound, found, split.asFound, { unhinted }));
  }
  // Stage by stage: what was believed before the work, less what it put right, is where the next judgement begins.
  let before = asFound,
    seen = found;
  const judged = split.stages.map((stage, k) => {
    const left = withLatest(stage.evidence),
      retired = seen.findings.map((f) => isRetired(f.finding, stage.repairs)),
      now = judgeEvidence(left, afterRepairs(before.sets, priors, stage.repairs, retired), (share) =>
        told((1 + (k + share) / split.stages.length) / 2),
      );
    before = now;
    seen = left;
    return { now, left, stage };
  });
  const [first] = judged,
    last = judged.at(-1)!;
  return {
    ...answer(
      judgementOf(onFile, heldAgainstTheProof(asFound, first!.now, first!.stage.repairs), found, split.asFound, {
        after: { judged: first!.now, evidence: first!.left },
      }),
    ),
    now: judgementOf(onFile, last.now, last.left, last.stage.evidence),
  };
}

const withLatest = (evidence: Evidence): Evidence => ({ ...evidence, findings: latestOnly(evidence.findings) });

/** The answer in words and numbers. @param circuit the sheet as it was handed in: every fault that it does not rule out has its share, if
 *  only nothing @param latest what was judged @param evidence the same with the tests that were done again since @param unhinted
 *  the priors without what the choice of tests hints at, where there is any @param after what came after the work */
function judgementOf(
  { circuit: sheet, partsInHand }: Case,
  judged: Judged,
  latest: Evidence,
  evidence: Evidence,
  { unhinted, after }: { unhinted?: WeightedSet[]; after?: { judged: Judged; evidence: Evidence } } = {},
): Judgement {
  const marginals: Partial<Record<FaultId, number>> = {};
  for (const id of applicableFaults(sheet))
    marginals[id] = judged.sets.reduce((s, x) => s + (x.faults.includes(id) ? x.probability : 0), 0);
  const found = latest.findings.map((f) => f.finding),
    done = new Set(found.map((f) => f.test));
  const [lead] = judged.sets,
    leadRepair = lead ? repairKey(lead) : '';
  const shareOf = (sets: readonly JudgedSet[]) => sets.filter((s) => repairKey(s) === leadRepair).reduce((a, s) => a + s.probability, 0),
    leadShare = Math.min(shareOf(judged.sets), unhinted ? shareOf(withPriors(judged.sets, unhinted)) : 1);
  const left = leftWarm(latest.logs, found, judged.circuit.maxFlowC),
    next = nextTests(judged, evidence.circuit, found, left),
    proving = provingTest(judged, evidence.circuit, found, left);
  return {
    hypotheses: judged.sets.slice(0, MOST_HYPOTHESES).map(({ faults, probability }) => ({ faults, probability })),
    marginals,
    estimates: estimates(judged, done),
    expected: expected(judged),
    because: because(judged, latest, marginals, after),
    nextTests: next,
    contradictions: contradictions(evidence, latest, judged),
    // Enough is known to act when one repair is probable enough for what it costs, and something was actually measured.
    enoughKnown:
      lead !== undefined &&
      leadShare >=
        sureEnoughFor(
          lead.faults.map((f) => faultRow(f).repair),
          next.some(tellsMoreQuickly),
          partsInHand,
        ) &&
      (judged.tracks.length > 0 || done.size > 0),
    provingTest: proving,
    proof: proof(proving, next, judged, left),
    predictions: predictions(judged, latest.logIndices),
  };
}

function expected(judged: Judged): Judgement['expected'] {
  if (judged.sheet.kind === 'steam') return null;
  const f = judged.features[0] ?? null;
  const coldGaugeBar = f?.coldBar ?? judged.circuit.fillGaugeBar;
  const coldC = f?.coldC ?? 15;
  const flowC = f?.hotC ?? judged.circuit.maxFlowC;
  if (coldGaugeBar <= -0.9 || flowC < 1 || coldC < 0) return null;
  const right = rightHot({ circuit: judged.circuit, coldGaugeBar, coldC: Math.max(1, coldC), flowC: Math.min(150, flowC) });
  return { hotBar: right.gaugeBar, swingBar: right.gaugeBar - coldGaugeBar, lowBar: right.lowGaugeBar, highBar: right.highGaugeBar };
}

/** What the first suspects each predict for every log, for the overlay on its trace. */
function predictions(judged: Judged, logIndices: number[]): Judgement['predictions'] {
  const suspects = judged.sets.slice(0, MOST_PREDICTED);
  return judged.tracks.map((track, k) => ({
    log: logIndices[judged.trackLog[k]!]!,
    tS: [...track.tS],
    suspects: suspects.flatMap((s) => (s.fit.predicted[k] ? [{ faults: s.faults, gaugeBar: [...s.fit.predicted[k]!] }] : [])),
  }));
}

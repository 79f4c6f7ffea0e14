import type { ResolvedCircuit } from '../../circuit/resolveCircuit';
import { inBar, plainly, say, type Said } from '../../units/said';
import type { Outlook } from '../Diagnosis';
import { outcomesOf } from './expectedOutcomes';
import { OUTCOME_TABLES } from '../findings/outcomeTable';
import type { Judged } from '../judgeEvidence';
import type { JudgedSet } from '../JudgedSet';
import { withProbabilities } from '../probabilities';
import { prechargeCutsBar } from './testOutcomes';
import { testRow, type TestId } from '../tests';

const WATCH: Said[] = ['It falls', 'It stands still', 'It rises'];

/** An outcome's id as one says it. */
const asWords = (outcome: string): string => (outcome.charAt(0).toUpperCase() + outcome.slice(1)).replaceAll('-', ' ');

/** What the bins of a test are called, in the order in which they are worked out; null where they are too many for words. */
function labelsOf(test: TestId, c: ResolvedCircuit): Said[] | null {
  switch (test) {
    case 'precharge': {
      const [flat, low, high] = prechargeCutsBar(c) as [number, number, number];
      return [
        say`Below ${inBar(flat)}`,
        say`${inBar(flat)} to ${inBar(low)}`,
        say`${inBar(low)} to ${inBar(high)}`,
        say`Above ${inBar(high)}`,
      ];
    }
    case 'draw-off':
      return ['Next to no gas left', 'Too little gas', 'The right charge', 'Too much gas'];
    case 'fill-disconnected-watch':
    case 'fill-isolated-watch':
    case 'coil-isolated-watch':
    case 'cold-main-off-watch':
      return WATCH;
    case 'second-gauge':
      return ['The first reads low', 'Both agree', 'The first reads high'];
    case 'idle-cold-pressure':
      return ['Low', 'As it was filled', 'High'];
    case 'boiler-isolated-hold':
      return ['Both sides fall', 'The boiler’s side falls', 'The circuit’s side falls', 'Both hold'];
    default: {
      const table = OUTCOME_TABLES[test];
      return table ? Object.keys(table.base).map(asWords) : null;
    }
  }
}

/** How a test may come out, in the order in which it is asked, and what would then be thought first: by the same rules by which it will be
 *  judged. Empty where the ways are too many for words, or where what was found is held against work that was done since.
 *  @param sets those that are asked; the rest have next to nothing */
export function outlook(test: TestId, sets: JudgedSet[], judged: Judged): Outlook[] {
  const labels = labelsOf(test, judged.seen),
    shares = sets.map((s) => outcomesOf(test, s, judged));
  if (!labels || !sets.length || shares.some((p) => p?.length !== labels.length) || sets.some((s) => s.proofEvidence !== undefined))
    return [];
  const told = sets.reduce((sum, s) => sum + s.probability, 0);
  const inOrder = testRow(test).outcomes?.map(asWords) ?? labels;
  return inOrder.map((said) => {
    const k = labels.indexOf(said),
      shareOf = (i: number) => Math.max(LEAST_SHARE, shares[i]![k]!),
      [first] = withProbabilities(sets.map((s, i) => ({ ...s, findingEvidence: [...s.findingEvidence, Math.log(shareOf(i))] })));
    return {
      text: plainly(said),
      said,
      probability: sets.reduce((sum, s, i) => sum + s.probability * shares[i]![k]!, 0) / told,
      // What the sets behind these have stays theirs.
      first: { faults: first!.faults, probability: told * first!.probability },
    };
  });
}
const LEAST_SHARE = 1e-6;

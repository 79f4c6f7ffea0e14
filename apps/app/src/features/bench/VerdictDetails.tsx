import { View } from 'react-native';
import type { Diagnosis } from '@jumper/core';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import type { ProofView } from '../proof/proofView';
import { RunTable } from '../proof/RunTable';
import type { Units } from '../units/units';
import { estimateLines } from './estimateLines';
import { isWrongStill } from './suspects';

interface Props {
  diagnosis: Diagnosis;
  proof: ProofView | null;
  stale: boolean;
  units: Units;
  sheetWaterL?: number;
}

/** The figures behind the verdict: the run after the work row by row, what the evidence comes to in numbers, and what disagrees. */
export function VerdictDetails({ diagnosis, proof, stale, units, sheetWaterL }: Props) {
  const judgement = diagnosis.now ?? diagnosis;
  return (
    <View testID="verdict-details" className={`gap-1 px-4 ${stale ? 'opacity-60' : ''}`}>
      {proof && !isWrongStill(diagnosis, proof) && proof.bands.length > 0 ? <RunTable bands={proof.bands} units={units} /> : null}
      {estimateLines(judgement, units, sheetWaterL).map((e) => (
        <Text key={e.label}>
          <Text className="text-ink2">{`${e.label}: `}</Text>
          <Text className="font-semibold">{e.value}</Text>
          <Text className="text-ink2">{`, ${e.range}`}</Text>
        </Text>
      ))}
      {judgement.contradictions.map((c) => (
        <Notice key={c.text} kind="caution" title={disagreement(c.evidence)}>
          {c.text}
        </Notice>
      ))}
    </View>
  );
}

/** What disagrees: two findings, a finding and the log, or one reading and the rest of its log. */
const disagreement = (evidence: readonly string[]): string =>
  evidence.length === 1
    ? 'One reading disagrees with its log'
    : evidence.every((id) => id.startsWith('finding:'))
      ? 'Two findings disagree'
      : 'Log and finding disagree';

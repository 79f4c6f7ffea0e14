import { router } from 'expo-router';
import { Pressable, View } from 'react-native';
import { lowerFirst, runSheetRow, sheetsForSet, testRow, type Diagnosis } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import type { ProofView } from '../proof/proofView';
import { partsSaid } from '../van/partsSaid';
import { useVanParts } from '../van/van';
import { isWrongStill, leadOf, nextTest, verdict } from './suspects';

interface Props {
  jobId: string;
  skipped: ReadonlyMap<string, string>;
  diagnosis: Diagnosis;
  proof: ProofView | null;
  stale: boolean;
}

const TONE = { sound: 'text-verdigris', found: 'text-ink', open: 'text-ink' } as const;
const PROOF_TONE = { pass: 'text-verdigris', fail: 'text-oxide', unclear: 'text-brass' } as const;

/** The state of knowledge; once work is done, whether it put the circuit right. */
export function VerdictBlock({ jobId, skipped, diagnosis, proof, stale }: Props) {
  const judgement = diagnosis.now ?? diagnosis;
  const van = useVanParts();
  const v = verdict(diagnosis, van);
  const lead = leadOf(judgement);
  const leftNow = isWrongStill(diagnosis, proof);
  // Worth a line once one fault stands out, and only where the next test is another.
  const test =
    (!proof || leftNow) &&
    lead &&
    lead.faults[0] !== 'none' &&
    lead.probability > 0.5 &&
    judgement.provingTest !== nextTest(judgement, skipped)
      ? judgement.provingTest
      : null;
  // What mends it, once enough is known to act, or nothing is left that would tell more and one set stands out.
  const toldOut = lead !== undefined && lead.probability > 0.6 && judgement.nextTests.every((t) => skipped.has(t.test));
  const mends = (!proof || leftNow) && lead && (judgement.enoughKnown || toldOut) ? sheetsForSet(lead.faults) : [];
  return (
    <View testID="verdict" aria-busy={stale} className={`gap-1 px-4 ${stale ? 'opacity-60' : ''}`}>
      {leftNow ? (
        <>
          <Text role="heading" aria-level={2} className="font-semibold text-title">
            {`After the work: ${lowerFirst(v.headline)}`}
          </Text>
          <Text className="text-ink2">{[v.text, ...(proof?.lines ?? [])].join(' ')}</Text>
        </>
      ) : proof ? (
        <>
          <Text role="heading" aria-level={2} className={`font-semibold text-title ${PROOF_TONE[proof.kind]}`}>
            {proof.headline}
          </Text>
          {proof.lines.map((l) => (
            <Text key={l} className="text-ink2">
              {l}
            </Text>
          ))}
        </>
      ) : (
        <>
          <Text role="heading" aria-level={2} className={`font-semibold text-title ${TONE[v.kind]}`}>
            {v.headline}
          </Text>
          <Text className="text-ink2">
            {[v.text, judgement.enoughKnown && lead ? partsSaid(lead.faults, van) : null].filter(Boolean).join(' ')}
          </Text>
        </>
      )}
      {mends.map((id) => (
        <Button key={id} label={runSheetRow(id).title} kind="next" onPress={() => router.navigate(`/jobs/${jobId}/work/${id}` as never)} />
      ))}
      {test ? (
        <Pressable
          role="button"
          onPress={() => router.navigate(`/jobs/${jobId}/test/${test}`)}
          className="min-h-[48px] justify-center active:opacity-70"
        >
          <Text>
            <Text className="text-ink2">Before a part is bought, prove it: </Text>
            <Text className="font-semibold underline">{lowerFirst(testRow(test).title)}</Text>
          </Text>
        </Pressable>
      ) : null}
    </View>
  );
}

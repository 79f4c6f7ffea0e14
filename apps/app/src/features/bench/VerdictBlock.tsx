import { router } from 'expo-router';
import { Pressable, View } from 'react-native';
import { lowerFirst, runSheetRow, sheetsForSet, testRow, type Diagnosis } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import type { ProofView } from '../proof/proofView';
import type { Units } from '../units/units';
import { RunTable } from '../proof/RunTable';
import { partsSaid } from '../van/partsSaid';
import { useVanParts } from '../van/van';
import { estimateLines } from './estimateLines';
import { faultStands, leadOf, nextTest, verdict } from './suspects';

interface Props {
  jobId: string;
  skipped: ReadonlyMap<string, string>;
  diagnosis: Diagnosis;
  proof: ProofView | null;
  stale: boolean;
  units: Units;
  sheetWaterL?: number;
}

const TONE = { sound: 'text-verdigris', found: 'text-ink', open: 'text-ink' } as const;
const PROOF_TONE = { pass: 'text-verdigris', fail: 'text-oxide', unclear: 'text-brass' } as const;

/** The state of knowledge; once work is done, whether it put the circuit right. */
export function VerdictBlock({ jobId, skipped, diagnosis, proof, stale, units, sheetWaterL }: Props) {
  const judgement = diagnosis.now ?? diagnosis;
  const van = useVanParts();
  const v = verdict(diagnosis, van);
  const lead = leadOf(judgement);
  // After work that did not do it the headline is what is wrong now, and the proof stands under it.
  const leftNow = proof !== null && proof.kind !== 'pass' && diagnosis.now !== undefined && faultStands(diagnosis);
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
          <Text role="heading" aria-level={2} className="font-semibold text-[20px] leading-[25px]">
            {`After the work: ${lowerFirst(v.headline)}`}
          </Text>
          <Text className="text-ink2">{[v.text, ...proof.lines].join(' ')}</Text>
        </>
      ) : proof ? (
        <>
          <Text role="heading" aria-level={2} className={`font-semibold text-[20px] leading-[25px] ${PROOF_TONE[proof.kind]}`}>
            {proof.headline}
          </Text>
          {proof.lines.map((l) => (
            <Text key={l} className="text-ink2">
              {l}
            </Text>
          ))}
          {proof.bands.length > 0 ? <RunTable bands={proof.bands} units={units} /> : null}
        </>
      ) : (
        <>
          <Text role="heading" aria-level={2} className={`font-semibold text-[20px] leading-[25px] ${TONE[v.kind]}`}>
            {v.headline}
          </Text>
          <Text className="text-ink2">
            {[v.text, judgement.enoughKnown && lead ? partsSaid(lead.faults, van) : null].filter(Boolean).join(' ')}
          </Text>
        </>
      )}
      {estimateLines(judgement, units, sheetWaterL).map((e) => (
        <Text key={e.label}>
          <Text className="text-ink2">{`${e.label}: `}</Text>
          <Text className="font-semibold">{e.value}</Text>
          <Text className="text-ink2">{`, ${e.range}`}</Text>
        </Text>
      ))}
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

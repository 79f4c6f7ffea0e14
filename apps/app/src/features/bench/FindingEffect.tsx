import { useMemo } from 'react';
import type { JobParts } from '@jumper/contract';
import { faultRow, type Diagnosis, type Finding } from '@jumper/core';
import { View } from 'react-native';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useUnits } from '../units/UnitsProvider';
import { judgedCase, useVanParts } from '../van/van';
import { findingText } from './findingText';
import { shareText, totalsOf } from './suspects';
import { caseKey, useDiagnosis } from './useDiagnosis';

/** What one finding did: the judge is asked again without it, and the two answers are set side by side. */
export function FindingEffect({
  parts,
  factId,
  now,
  onUndo,
}: {
  parts: JobParts;
  factId: string;
  now: Diagnosis | null;
  onUndo: () => void;
}) {
  const { units } = useUnits();
  const fact = parts.facts.find((f) => f.id === factId);
  const others = useMemo(() => ({ ...parts, facts: parts.facts.filter((f) => f.id !== factId) }), [parts, factId]);
  const van = useVanParts(),
    without = useMemo(() => judgedCase(others, van), [others, van]);
  const before = useDiagnosis(fact ? without : null, caseKey(others, van), 'before');
  if (fact?.body.kind !== 'finding' || parts.facts.some((f) => f.correctsId === factId)) return null;
  return (
    <Notice kind="note" title={findingText(fact.body.finding as unknown as Finding, units)} live>
      <View className="flex-row items-center gap-3">
        <Text className="min-w-0 flex-1">
          {now && before.data && !before.isPlaceholderData ? effectText(before.data, now) : 'Working out what that means …'}
        </Text>
        <Key label="Undo" name="Undo this finding" className="px-4" onPress={onUndo} />
      </View>
    </Notice>
  );
}

export function effectText(before: Diagnosis, now: Diagnosis): string {
  const [lead] = totalsOf(now.now ?? now),
    was = before.now ?? before;
  if (!lead) return 'No change.';
  const share = totalsOf(was).find((t) => t.fault === lead.fault)?.probability ?? 0;
  const title = faultRow(lead.fault).title;
  if (Math.abs(share - lead.probability) < 0.03) return `Hardly moves the ranking: ${title} stays at ${shareText(lead.probability)}.`;
  return `${title}: ${shareText(share)} before, ${shareText(lead.probability)} now.`;
}

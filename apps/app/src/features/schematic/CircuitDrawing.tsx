import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { CircuitSheet } from '@jumper/core';
import { testRow } from '@jumper/core';
import { Text } from '../../ui/Text';
import { PhotoStrip } from '../photos/PhotoStrip';
import type { Units } from '../units/units';
import { SchematicFigure } from './SchematicFigure';
import { partTests } from './partTests';
import { schematicView } from './schematicView';

/** So many tests stand under a part; the rest is a touch away. */
const MOST_TESTS = 3;

/** The drawing with what is known of the part that was touched, and the tests that look at it. */
export function CircuitDrawing({
  jobId,
  circuitId,
  sheet,
  units,
}: {
  jobId: string;
  circuitId: string;
  sheet: CircuitSheet;
  units: Units;
}) {
  const view = useMemo(() => schematicView(sheet, units), [sheet, units]);
  const [chosen, setChosen] = useState<string | null>(null);
  const part = view.parts.find((p) => p.id === chosen) ?? null;
  const tests = (part ? (partTests(part.kind)?.tests ?? []) : []).filter((t) => {
    const needs = testRow(t).needs;
    return (testRow(t).plant === 'steam') === (sheet.kind === 'steam') && (!needs || needs(sheet));
  });
  return (
    <View className="gap-2 px-4">
      <SchematicFigure view={view} chosen={chosen} onChoose={setChosen} />
      {part ? (
        <View testID="part" aria-live="polite" className="gap-1 border-l-[3px] border-ink bg-sheet px-3 py-2">
          <Text className="font-semibold text-body">{part.title}</Text>
          {part.facts.map((f) => (
            <Text key={f} className="text-small">
              {f}
            </Text>
          ))}
          {tests.slice(0, MOST_TESTS).map((t) => (
            <Pressable
              key={t}
              role="button"
              onPress={() => router.navigate(`/jobs/${jobId}/test/${t}` as never)}
              className="min-h-[48px] justify-center active:opacity-70"
            >
              <Text className="underline">{testRow(t).title}</Text>
            </Pressable>
          ))}
          {tests.length > 0 ? (
            <Pressable
              role="button"
              onPress={() => router.navigate(`/jobs/${jobId}/tests?at=${part.kind}` as never)}
              className="min-h-[48px] justify-center active:opacity-70"
            >
              <Text className="font-semibold underline">All tests at this part</Text>
            </Pressable>
          ) : null}
          <Pressable
            role="button"
            onPress={() => router.navigate(`/jobs/${jobId}/sheet` as never)}
            className="min-h-[48px] justify-center active:opacity-70"
          >
            <Text className="underline">Change what the sheet says</Text>
          </Pressable>
          <PhotoStrip jobId={jobId} circuitId={circuitId} of={part.id} title={part.title} />
        </View>
      ) : (
        <>
          <Text className="text-small text-ink2">Touch a part to see what is known of it.</Text>
          <PhotoStrip jobId={jobId} circuitId={circuitId} of="circuit" title="The plant" />
        </>
      )}
    </View>
  );
}

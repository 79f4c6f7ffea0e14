import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { CircuitSheet, TestId } from '@jumper/core';
import { testRow } from '@jumper/core';
import { Text } from '../../ui/Text';
import { PhotoStrip } from '../photos/PhotoStrip';
import type { Units } from '../units/units';
import { SchematicFigure } from './SchematicFigure';
import type { DrawnPart } from './Schematic';
import { schematicView } from './schematicView';

/** Tests that look at a part. */
const TESTS_AT: Partial<Record<DrawnPart['kind'], TestId[]>> = {
  relief: ['discharge-pipe', 'relief-marking', 'relief-reseat'],
  gauge: ['second-gauge', 'idle-cold-pressure'],
  vessel: ['gas-valve-press', 'gas-valve-bubbles', 'precharge'],
  'vessel-valve': ['vessel-valve-position'],
  feed: ['fill-disconnected-watch', 'fill-isolated-watch', 'fill-outlet-drip'],
  plate: ['listen-at-exchanger', 'cold-main-off-watch'],
  coil: ['coil-isolated-watch'],
  boiler: ['condensate-when-off', 'boiler-isolated-hold'],
  zone: ['bleed-radiators', 'visible-leak'],
};

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
  const tests = (part ? (TESTS_AT[part.kind] ?? []) : []).filter((t) => {
    const needs = testRow(t).needs;
    return !needs || needs(sheet);
  });
  return (
    <View className="gap-2 px-4">
      <SchematicFigure view={view} chosen={chosen} onChoose={setChosen} />
      {part ? (
        <View testID="part" aria-live="polite" className="gap-1 border-l-[3px] border-ink bg-sheet px-3 py-2">
          <Text className="font-semibold text-[16px]">{part.title}</Text>
          {part.facts.map((f) => (
            <Text key={f} className="text-[14.5px] leading-[19px]">
              {f}
            </Text>
          ))}
          {tests.map((t) => (
            <Pressable
              key={t}
              role="button"
              onPress={() => router.navigate(`/jobs/${jobId}/test/${t}` as never)}
              className="min-h-[48px] justify-center active:opacity-70"
            >
              <Text className="underline">{testRow(t).title}</Text>
            </Pressable>
          ))}
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
          <Text className="text-[13.5px] text-ink2">Touch a part to see what is known of it.</Text>
          <PhotoStrip jobId={jobId} circuitId={circuitId} of="circuit" title="The plant" />
        </>
      )}
    </View>
  );
}

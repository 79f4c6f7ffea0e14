import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from '../../ui/Text';
import { jobPlace } from '../jobPlace/jobPlaces';
import type { Suspect } from './suspects';

/** Likeliest first; a touch opens what speaks for and against. */
export function SuspectList({ jobId, suspects, onOpen }: { jobId?: string; suspects: Suspect[]; onOpen?: (key: string | null) => void }) {
  const [open, setOpen] = useState<string | null>(null);
  const toggle = (s: Suspect) => {
    const opens = open !== s.title;
    setOpen(opens ? s.title : null);
    onOpen?.(opens ? s.key : null);
  };
  return (
    <View role="list" aria-label="Suspects">
      {suspects.map((s) => (
        <View key={s.title} role="listitem" className="border-t border-hair">
          <Pressable
            role="button"
            aria-expanded={open === s.title}
            onPress={() => toggle(s)}
            className="min-h-[56px] flex-row gap-3 px-4 py-2.5 active:bg-sheet"
          >
            <View className="min-w-0 flex-1 gap-0.5">
              <Text className="font-semibold text-body">{s.title}</Text>
              {s.together.slice(0, open === s.title ? undefined : 1).map((t) => (
                <Text key={t} className="text-small">
                  {t}
                </Text>
              ))}
              {open === s.title && s.evidence.some((e) => e.reason === s.reason) ? null : (
                <Text numberOfLines={open === s.title ? undefined : 3} className="text-small text-ink2">
                  {s.reason}
                </Text>
              )}
            </View>
            <View className="w-[72px] items-end gap-1 pt-1.5">
              <View className="h-[8px] w-full bg-hair">
                <View className="h-full bg-ink" style={{ width: `${Math.max(2, s.probability * 100)}%` }} />
              </View>
              <Text className="font-figuremedium text-small text-ink2">{s.share}</Text>
            </View>
          </Pressable>
          {open === s.title ? <Evidence jobId={jobId} suspect={s} /> : null}
        </View>
      ))}
    </View>
  );
}

function Evidence({ jobId, suspect }: { jobId?: string; suspect: Suspect }) {
  const [fault] = suspect.faults;
  return (
    <View className="gap-2 px-4 pb-3">
      {suspect.evidence.map((e, i) => (
        <View key={i} className="flex-row gap-2">
          <Text className={`w-[92px] text-small font-medium ${e.speaks === 'for' ? 'text-verdigris' : 'text-oxide'}`}>
            {e.strength} {e.speaks}
          </Text>
          <Text className="min-w-0 flex-1 text-small">{e.text}</Text>
        </View>
      ))}
      {suspect.evidence.length === 0 ? <Text className="text-small text-ink2">Nothing measured speaks for or against it yet.</Text> : null}
      <Text className="text-small">
        <Text className="font-semibold text-small">What to do: </Text>
        {suspect.remedy}
      </Text>
      {jobId && fault && fault !== 'none' ? (
        <Pressable
          role="button"
          onPress={() => router.navigate(`${jobPlace(jobId, 'tests')}?for=${fault}` as never)}
          className="min-h-[48px] justify-center active:opacity-70"
        >
          <Text className="font-semibold underline">What would prove this?</Text>
        </Pressable>
      ) : null}
    </View>
  );
}

import { useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { JobParts, SheetRecord } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Text } from '../../ui/Text';
import { isNamed } from '../circuits/circuitsView';
import { useJobs } from './jobData';

const SHOWN = 8;

/** Circuits that this device knows, each once, found by a word of the site or town. */
export function CircuitPicker({
  without,
  onPick,
  onClose,
}: {
  without?: string;
  onPick: (sheet: SheetRecord) => void;
  onClose: () => void;
}) {
  const jobs = useJobs();
  const [word, setWord] = useState('');
  const all = useMemo(() => knownCircuits(jobs.data ?? [], without), [jobs.data, without]);
  const found = all.filter((s) => isNamed(s, word));
  return (
    <View role="form" aria-label="Known circuits" className="gap-2">
      <Field label="Find a circuit" value={word} onChange={setWord} />
      <ScrollView style={{ maxHeight: 320 }}>
        {found.slice(0, SHOWN).map((s) => (
          <Pressable
            key={s.circuitId}
            role="button"
            onPress={() => onPick(s)}
            className="min-h-[52px] justify-center border-t border-hair active:bg-sheet"
          >
            <Text className="font-medium">{s.site}</Text>
            {s.town ? <Text className="text-small text-ink2">{s.town}</Text> : null}
          </Pressable>
        ))}
        {found.length === 0 ? (
          <Text className="py-3 text-ink2">{all.length === 0 ? 'No circuit is on this device yet.' : 'None of that name.'}</Text>
        ) : null}
        {found.length > SHOWN ? <Text className="py-2 text-ink2">{`${found.length - SHOWN} more: type a word of the site.`}</Text> : null}
      </ScrollView>
      <Button label="None of these" kind="quiet" onPress={onClose} />
    </View>
  );
}

/** The newest sheet of each circuit, by site. */
export function knownCircuits(jobs: JobParts[], without?: string): SheetRecord[] {
  const by = new Map(jobs.map((j) => [j.sheet.circuitId, j.sheet]));
  if (without) by.delete(without);
  return [...by.values()].sort((a, b) => a.site.localeCompare(b.site, undefined, { numeric: true }));
}

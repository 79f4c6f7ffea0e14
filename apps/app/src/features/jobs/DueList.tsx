import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import { saveCalendar } from '../calendar/saveCalendar';
import { dueText, isSoon, type DueRow } from './jobsView';

/** What has to be looked at again; what is far off is folded away. */
export function DueList({ rows, onDone }: { rows: DueRow[]; onDone: (row: DueRow) => void }) {
  const [all, setAll] = useState(false);
  if (rows.length === 0) return null;
  const soon = rows.filter(isSoon),
    shown = all ? rows : soon;
  return (
    <View className="gap-1 pt-5">
      <View className="flex-row items-center justify-between gap-3 px-4">
        <Text role="heading" aria-level={2} className="font-semibold text-lead">
          Due
        </Text>
        <Key label="Calendar file" className="px-4" onPress={() => void saveCalendar(rows)} />
      </View>
      {shown.length === 0 ? <Text className="px-4 text-ink2">Nothing in the next 30 days.</Text> : null}
      <View role="list" aria-label="Due">
        {shown.map((r) => (
          <View key={r.factId} role="listitem" className="min-h-[60px] flex-row items-center gap-3 border-b border-hair px-4 py-1.5">
            <Pressable
              role="button"
              onPress={() => router.navigate(`/jobs/${r.jobId}` as never)}
              className="min-h-[48px] min-w-0 flex-1 justify-center active:opacity-70"
            >
              <Text className="font-medium">{r.title}</Text>
              <Text className="text-small text-ink2">
                {r.site}
                <Text className={`text-small font-semibold ${r.days < 0 ? 'text-oxide' : 'text-ink2'}`}>{`  ${dueText(r.days)}`}</Text>
              </Text>
            </Pressable>
            <Key label="Seen" name={`Seen: ${r.title}, ${r.site}`} className="px-4" onPress={() => onDone(r)} />
          </View>
        ))}
      </View>
      {rows.length > soon.length ? (
        <Button label={all ? 'Only what is near' : `All ${rows.length}`} kind="quiet" className="mx-4 mt-2" onPress={() => setAll(!all)} />
      ) : null}
    </View>
  );
}

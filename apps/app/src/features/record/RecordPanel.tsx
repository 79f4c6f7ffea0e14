import { View } from 'react-native';
import { Text } from '../../ui/Text';
import type { BenchState } from '../bench/useBench';
import { RecordList } from '../bench/RecordList';

/** All that was logged of the job, newest first; each entry can be corrected. */
export function RecordPanel({ bench: { rows, units, view, add } }: { bench: Pick<BenchState, 'rows' | 'units' | 'view' | 'add'> }) {
  return (
    <View className="gap-1 pt-2">
      <Text role="heading" aria-level={2} className="px-4 pb-1 font-semibold text-body text-ink2">
        Record
      </Text>
      {rows.length === 0 ? (
        <Text className="px-4 text-ink2">Nothing logged yet. Every reading, event, test and repair stands here, and can be corrected.</Text>
      ) : (
        <RecordList rows={rows} units={units} reliefBar={view.figure.reliefBar} onAdd={add} />
      )}
    </View>
  );
}

import type { ComponentProps } from 'react';
import { Part } from '../../ui/Part';
import { Text } from '../../ui/Text';
import { RecordList } from '../bench/RecordList';

/** All that was logged of the job, newest first; each entry can be corrected. */
export function RecordPanel(list: ComponentProps<typeof RecordList>) {
  return (
    <Part title="Record" className="pt-2">
      {list.rows.length === 0 ? (
        <Text className="px-4 text-ink2">Nothing logged yet. Every reading, event, test and repair stands here, and can be corrected.</Text>
      ) : (
        <RecordList {...list} />
      )}
    </Part>
  );
}

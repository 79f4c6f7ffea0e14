import { View } from 'react-native';
import { Text } from '../../ui/Text';
import type { ReportRow } from './reportView';

/** What was found beside what was left; without work only the former. */
export function FoundLeft({ rows, left }: { rows: ReportRow[]; left: boolean }) {
  return (
    <View role="table" aria-label="Found and left">
      <View role="row" className="flex-row gap-3 py-1">
        <Text role="columnheader" className="min-w-0 flex-[2] text-small text-ink2">
          {' '}
        </Text>
        <Text role="columnheader" className="min-w-0 flex-1 text-small text-ink2">
          Found
        </Text>
        {left ? (
          <Text role="columnheader" className="min-w-0 flex-1 text-small text-ink2">
            Left
          </Text>
        ) : null}
      </View>
      {rows.map((r) => (
        <View key={r.label} role="row" className="flex-row gap-3 border-t border-hair py-1.5">
          <Text role="cell" className="min-w-0 flex-[2] text-small">
            {r.label}
          </Text>
          <Text role="cell" className="min-w-0 flex-1 font-medium">
            {r.found}
          </Text>
          {left ? (
            <Text role="cell" className="min-w-0 flex-1 font-medium">
              {r.left ?? ''}
            </Text>
          ) : null}
        </View>
      ))}
    </View>
  );
}

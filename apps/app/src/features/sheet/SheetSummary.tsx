import { useMemo } from 'react';
import { View } from 'react-native';
import type { SheetRecord } from '@jumper/contract';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import type { Units } from '../units/units';
import { sheetSummary, type SummaryRow } from './summaryRows';

export function SheetSummary({ sheet, units }: { sheet: SheetRecord; units: Units }) {
  const view = useMemo(() => sheetSummary(sheet, units), [sheet, units]);
  return (
    <View className="gap-2">
      {view.warnings.length > 0 ? (
        <View className="gap-2 px-4">
          {view.warnings.map((w) => (
            <Notice key={w} kind="caution">
              {w}
            </Notice>
          ))}
        </View>
      ) : null}
      <View>
        {view.rows.map((r) => (
          <Row key={r.label} row={r} />
        ))}
        {view.worked.map((r) => (
          <Row key={r.label} row={r} worked />
        ))}
      </View>
    </View>
  );
}

function Row({ row, worked = false }: { row: SummaryRow; worked?: boolean }) {
  return (
    <View className="min-h-[40px] flex-row items-center gap-3 border-t border-hair px-4 py-2">
      <Text className="w-[46%] text-small text-ink2">{row.label}</Text>
      <Text className={`min-w-0 flex-1 ${worked ? 'font-semibold' : 'font-medium'}`}>
        {row.value}
        {row.assumed ? <Text className="text-small text-brass"> assumed</Text> : null}
      </Text>
    </View>
  );
}

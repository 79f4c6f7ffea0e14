import { useState } from 'react';
import { View } from 'react-native';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import type { Units } from '../units/units';
import { isCorrectable } from './correction';
import { EntryForm } from './EntryForm';
import type { RecordRow } from './recordRows';

interface Props {
  rows: RecordRow[];
  units: Units;
  reliefBar: number;
  onAdd: (body: FactBody, correctsId: string) => Promise<string>;
}
const FIRST = 8;

/** Every reading, event and finding. A correction is a new entry; what stood before stays in the record. */
export function RecordList({ rows, units, reliefBar, onAdd }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const shown = all ? rows : rows.slice(0, FIRST);
  return (
    <View>
      <View role="list" aria-label="Record">
        {shown.map((r) => (
          <View key={r.id} role="listitem" className="border-t border-hair px-4 py-1.5">
            {r.day ? <Text className="pt-1 font-medium text-small text-ink2">{r.day}</Text> : null}
            <View className="min-h-[48px] flex-row items-center gap-3">
              <Text className="w-[46px] font-figuremedium text-body text-ink2">{r.time}</Text>
              <View className="min-w-0 flex-1">
                <Text>{r.text}</Text>
                {r.corrected ? <Text className="text-small text-ink2">corrected, was {r.corrected}</Text> : null}
              </View>
              <Key
                label={open === r.id ? 'Close' : 'Change'}
                name={`Change ${r.text} at ${r.time}`}
                className="px-3"
                onPress={() => setOpen(open === r.id ? null : r.id)}
              />
            </View>
            {open === r.id ? <Change row={r} units={units} reliefBar={reliefBar} onAdd={onAdd} onDone={() => setOpen(null)} /> : null}
          </View>
        ))}
      </View>
      {rows.length > FIRST ? (
        <View className="px-4 py-2">
          <Button kind="quiet" label={all ? 'Show the last only' : `Show all ${rows.length}`} onPress={() => setAll(!all)} />
        </View>
      ) : null}
    </View>
  );
}

function Change({
  row,
  units,
  reliefBar,
  onAdd,
  onDone,
}: {
  row: RecordRow;
  units: Units;
  reliefBar: number;
  onAdd: Props['onAdd'];
  onDone: () => void;
}) {
  const body = row.fact.body;
  const takeBack = (
    <Button label="Take it back" className="flex-1" onPress={() => void onAdd({ kind: 'retraction', at: body.at }, row.id).then(onDone)} />
  );
  return (
    <View className="pb-3 pt-1">
      {isCorrectable(body) ? (
        <EntryForm body={body} units={units} reliefBar={reliefBar} label="Correct" onKeep={(b) => onAdd(b, row.id).then(onDone)}>
          {takeBack}
        </EntryForm>
      ) : (
        <View className="flex-row">{takeBack}</View>
      )}
    </View>
  );
}

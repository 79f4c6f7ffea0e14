import { useState } from 'react';
import { View } from 'react-native';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import { fromBar } from '@jumper/core';
import { pressureText, type Units } from '../units/units';
import { checkPressure } from './checkPressure';
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
            {r.day ? <Text className="pt-1 font-medium text-[13px] text-ink2">{r.day}</Text> : null}
            <View className="min-h-[48px] flex-row items-center gap-3">
              <Text className="w-[46px] font-figuremedium text-[15px] text-ink2">{r.time}</Text>
              <View className="min-w-0 flex-1">
                <Text>{r.text}</Text>
                {r.corrected ? <Text className="text-[13px] text-ink2">corrected, was {r.corrected}</Text> : null}
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
  const [text, setText] = useState(
    body.kind === 'reading' && body.pressureBar !== null ? String(Number(fromBar(body.pressureBar, units.pressure).toFixed(3))) : '',
  );
  const [problem, setProblem] = useState<string | null>(null);
  const correct = async () => {
    if (body.kind !== 'reading') return;
    const check = checkPressure(text, units, reliefBar);
    if (check.kind === 'bad') return setProblem(check.message);
    if (check.kind === 'ask')
      return setProblem(`Pressure: well above the relief at ${pressureText(reliefBar, units.pressure)}. Was that another unit?`);
    await onAdd({ ...body, pressureBar: check.bar }, row.id);
    onDone();
  };
  return (
    <View className="gap-3 pb-3 pt-1">
      {row.canCorrect ? (
        <Field
          label="It should say"
          unit={units.pressure}
          numeric
          autoFocus
          value={text}
          onChange={setText}
          problem={problem}
          onSubmit={() => void correct()}
        />
      ) : null}
      <View className="flex-row gap-2">
        {row.canCorrect ? <Button label="Correct" kind="next" className="flex-1" onPress={() => void correct()} /> : null}
        <Button
          label="Take it back"
          className="flex-1"
          onPress={() => void onAdd({ kind: 'retraction', at: body.at }, row.id).then(onDone)}
        />
      </View>
    </View>
  );
}

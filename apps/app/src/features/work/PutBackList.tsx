import { useState } from 'react';
import { View } from 'react-native';
import type { FactBody } from '@jumper/contract';
import { positionRow, POSITIONS, type PositionId, type PutBack } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { capital } from '../units/words';
import { positionFact } from './workState';
import { putBackText } from './workWords';

interface Props {
  open: PutBack[];
  onAdd: (body: FactBody) => void;
  canNote?: boolean;
}

/** What was turned, parted, bridged or set otherwise, until it is back. */
export function PutBackList({ open, onAdd, canNote = false }: Props) {
  const [noting, setNoting] = useState(false);
  const now = () => new Date().toISOString();
  if (open.length === 0 && !canNote) return null;
  return (
    <View className="gap-2">
      {open.length > 0 ? (
        <View role="list" aria-label="To put back">
          {open.map((p) => (
            <View
              key={p.position}
              role="listitem"
              className="min-h-[56px] flex-row items-center gap-3 border-t border-hair bg-palebrass px-4 py-1"
            >
              <View className="min-w-0 flex-1">
                <Text className="font-medium">{putBackText(p)}</Text>
                {positionRow(p.position).stopsHeat ? <Text className="text-small text-ink2">No heat until it is back.</Text> : null}
              </View>
              {positionRow(p.position).mayStay ? (
                <Key
                  label="Stays"
                  name={`${positionRow(p.position).title} stays so`}
                  className="px-3"
                  onPress={() => onAdd({ kind: 'position', at: now(), position: p.position, state: 'left', why: 'left so on purpose' })}
                />
              ) : null}
              <Key
                label={capital(positionRow(p.position).back)}
                name={`${positionRow(p.position).title}: ${positionRow(p.position).back}`}
                className="max-w-[150px] px-3"
                onPress={() => onAdd(positionFact(p.position, 'back', now()))}
              />
            </View>
          ))}
        </View>
      ) : canNote ? (
        <Text className="px-4 text-ink2">Nothing stands away from where it belongs.</Text>
      ) : null}
      {canNote ? (
        <View className="px-4">
          {noting ? (
            <NoteChange
              onAdd={(body) => {
                onAdd(body);
                setNoting(false);
              }}
              onClose={() => setNoting(false)}
            />
          ) : (
            <Button label="Note something you turn or change" onPress={() => setNoting(true)} />
          )}
        </View>
      ) : null}
    </View>
  );
}

function NoteChange({ onAdd, onClose }: { onAdd: (body: FactBody) => void; onClose: () => void }) {
  const [which, setWhich] = useState<PositionId | null>(null);
  const [found, setFound] = useState('');
  return (
    <View className="gap-3">
      <View role="group" aria-label="What do you turn or change" className="flex-row flex-wrap gap-2">
        {(Object.keys(POSITIONS) as PositionId[]).map((p) => (
          <Key key={p} label={POSITIONS[p].title} pressed={p === which} className="px-3" onPress={() => setWhich(p)} />
        ))}
      </View>
      {which ? (
        <Field
          label="How was it found"
          value={found}
          onChange={setFound}
          hint={`It will stand as “${positionRow(which).away}” until it is back.`}
        />
      ) : null}
      {which === 'interlock' ? (
        <Notice kind="danger">A safety interlock must never be bridged. Take it off now; this only keeps the record true.</Notice>
      ) : null}
      <View className="flex-row gap-2">
        <Button
          label="Keep on the list"
          kind="next"
          className="flex-1"
          disabled={!which}
          onPress={() => {
            const at = new Date().toISOString();
            if (which)
              onAdd(
                found.trim()
                  ? { kind: 'position', at, position: which, state: 'away', found: found.trim().slice(0, 80) }
                  : positionFact(which, 'away', at),
              );
          }}
        />
        <Button label="Not now" kind="quiet" className="flex-1" onPress={onClose} />
      </View>
    </View>
  );
}

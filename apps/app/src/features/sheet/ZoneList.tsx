import { View } from 'react-native';
import type { Zone } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';

const MOST_ZONES = 12;

/** Zones one by one: what calls them, what they heat. */
export function ZoneList({ zones, onChange }: { zones: Zone[]; onChange: (zones: Zone[]) => void }) {
  const change = (i: number, by: Partial<Zone>) => onChange(zones.map((z, k) => (k === i ? { ...z, ...by } : z)));
  return (
    <View className="gap-4">
      {zones.map((z, i) => (
        <View key={i} role="group" aria-label={`Zone ${i + 1}`} className="gap-2 border-b border-hair pb-3">
          <View className="flex-row items-end gap-2">
            <View className="min-w-0 flex-1">
              <Field label={`Zone ${i + 1} is called`} value={z.id} onChange={(id) => change(i, { id: id.slice(0, 40) })} />
            </View>
            <Key
              label="Take out"
              name={`Take out zone ${i + 1}`}
              className="min-h-[52px] px-4"
              onPress={() => onChange(zones.filter((_, k) => k !== i))}
            />
          </View>
          <Choice
            label="Called by"
            value={z.control ?? null}
            onChange={(control) => change(i, { control })}
            options={[
              { value: 'zone-valve', label: 'Zone valve' },
              { value: 'circulator', label: 'Own circulator' },
            ]}
          />
          <Choice
            label="Heats"
            value={z.emitter ?? null}
            onChange={(emitter) => change(i, { emitter, mixing: emitter === 'floor' })}
            options={[
              { value: 'radiator', label: 'Radiators' },
              { value: 'floor', label: 'A floor' },
              { value: 'cylinder', label: 'The cylinder' },
            ]}
          />
        </View>
      ))}
      {zones.length < MOST_ZONES ? (
        <Button label="Add a zone" onPress={() => onChange([...zones, { id: `Zone ${zones.length + 1}` }])} />
      ) : null}
    </View>
  );
}

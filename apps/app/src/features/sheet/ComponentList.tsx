import { useState } from 'react';
import { View } from 'react-native';
import { v7 } from 'uuid';
import { COMPONENT_PLACES, COMPONENTS, type CircuitComponent, type ComponentKind, type ComponentPlace } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';

const VALVES: ReadonlySet<ComponentKind> = new Set([
  'isolating-valve',
  'motor-valve',
  'feed-bypass',
  'drain-cock',
  'check-valve',
  'blending-valve',
]);
const options = <T extends string>(table: Record<T, string>) =>
  (Object.keys(table) as T[]).map((value) => ({ value, label: table[value] }));

/** What else is fitted, each where the walk met it, with its rating and how its valve stood. */
export function ComponentList({
  components,
  onChange,
}: {
  components: CircuitComponent[];
  onChange: (components: CircuitComponent[]) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const change = (id: string, by: Partial<CircuitComponent>) => onChange(components.map((c) => (c.id === id ? { ...c, ...by } : c)));
  const add = (kind: ComponentKind) => {
    const id = v7();
    onChange([...components, { id, kind }]);
    setOpen(id);
    setAdding(false);
  };
  return (
    <View className="gap-3">
      {components.map((c) => (
        <View key={c.id} role="group" aria-label={c.name ?? COMPONENTS[c.kind]} className="gap-2 border-b border-hair pb-2">
          <View className="min-h-[48px] flex-row items-center gap-2">
            <Text className="min-w-0 flex-1 font-medium">
              {c.name || COMPONENTS[c.kind]}
              <Text className="text-ink2">
                {[c.at ? `  ${COMPONENT_PLACES[c.at].toLowerCase()}` : '', c.state ? `, ${c.state.replace('-', ' ')}` : ''].join('')}
              </Text>
            </Text>
            <Key
              label={open === c.id ? 'Close' : 'Change'}
              name={`Change ${c.name || COMPONENTS[c.kind]}`}
              className="px-3"
              onPress={() => setOpen(open === c.id ? null : c.id)}
            />
            <Key
              label="Take out"
              name={`Take out ${c.name || COMPONENTS[c.kind]}`}
              className="px-3"
              onPress={() => onChange(components.filter((x) => x.id !== c.id))}
            />
          </View>
          {open === c.id ? (
            <View className="gap-3">
              <Choice<ComponentPlace>
                label="Where"
                value={c.at ?? null}
                options={options(COMPONENT_PLACES)}
                onChange={(at) => change(c.id, { at })}
              />
              {VALVES.has(c.kind) ? (
                <Choice
                  label="Found"
                  value={c.state ?? null}
                  options={[
                    { value: 'open', label: 'Open' },
                    { value: 'shut', label: 'Shut' },
                    { value: 'part-open', label: 'Part open' },
                  ]}
                  onChange={(state) => change(c.id, { state })}
                />
              ) : null}
              <Field label="Make, type" value={c.name ?? ''} onChange={(name) => change(c.id, { name: name.slice(0, 120) })} />
              <Field
                label="Rating or setting"
                value={c.rating ?? ''}
                onChange={(rating) => change(c.id, { rating: rating.slice(0, 120) })}
              />
              <Field label="A note" value={c.note ?? ''} onChange={(note) => change(c.id, { note: note.slice(0, 2000) })} />
            </View>
          ) : null}
        </View>
      ))}
      {adding ? (
        <View role="group" aria-label="Which part" className="flex-row flex-wrap gap-2">
          {options(COMPONENTS).map((o) => (
            <Key key={o.value} label={o.label} className="px-3" onPress={() => add(o.value)} />
          ))}
          <Key label="None" className="px-3" onPress={() => setAdding(false)} />
        </View>
      ) : (
        <Button label="Add a part" onPress={() => setAdding(true)} />
      )}
    </View>
  );
}

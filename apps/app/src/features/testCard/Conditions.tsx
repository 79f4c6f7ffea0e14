import { View } from 'react-native';
import type { CircuitSheet, TestRow } from '@jumper/core';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { capital } from '../units/words';
import { EITHER_WAY, FLAG_LABELS, WORD_LABELS, type FindingForm } from './findingForm';

interface Props {
  row: TestRow;
  form: FindingForm;
  circuit: CircuitSheet;
  problems: Record<string, string>;
  onChange: (change: Partial<FindingForm>) => void;
}

/** Under what conditions a test was done: one of a few words, which zone, what stood open. */
export function Conditions({ row, form, circuit, problems, onChange }: Props) {
  const say = (name: string) => (word: string) => onChange({ words: { ...form.words, [name]: word } });
  const flag = (name: string, on: boolean) => onChange({ flags: { ...form.flags, [name]: on } });
  const zones = circuit.zones?.map((z) => z.id) ?? [];
  return (
    <View className="gap-4">
      {Object.entries(row.words ?? {}).map(([name, words]) => {
        const label = WORD_LABELS[name] ?? name,
          options = words.length ? words.map((w) => ({ value: w, label: capital(w) })) : zones.map((z) => ({ value: z, label: z }));
        return options.length ? (
          <Choice
            key={name}
            label={label}
            value={form.words[name] ?? null}
            options={options}
            onChange={say(name)}
            problem={problems[name] ?? null}
          />
        ) : (
          <Field
            key={name}
            label={`${label}, if there are several`}
            value={form.words[name] ?? ''}
            onChange={(text) => say(name)(text.slice(0, 40))}
            problem={problems[name] ?? null}
          />
        );
      })}
      {(row.flags ?? []).map((name) => {
        const either = EITHER_WAY[name];
        if (!either)
          return (
            <Key
              key={name}
              label={`${form.flags[name] ? '✓ ' : ''}${FLAG_LABELS[name] ?? name}`}
              pressed={form.flags[name] ?? false}
              className="min-h-[52px]"
              onPress={() => flag(name, !form.flags[name])}
            />
          );
        return (
          <Choice
            key={name}
            label={either.label}
            value={form.flags[name] === undefined ? null : form.flags[name] ? 'yes' : 'no'}
            options={[
              { value: 'yes', label: either.yes },
              { value: 'no', label: either.no },
            ]}
            problem={problems[name] ?? null}
            onChange={(v) => flag(name, v === 'yes')}
          />
        );
      })}
    </View>
  );
}

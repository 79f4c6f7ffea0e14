import { useState } from 'react';
import { View } from 'react-native';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { WhenField } from '../../ui/WhenField';
import type { Units } from '../units/units';
import { AskUnit } from './AskUnit';
import { correction, entryFields, entryText, shiftMinutes, type Correctable, type Correction, type EntryField } from './correction';

interface Props {
  /** What stands now; its fields are what can be changed. */
  body: Correctable;
  units: Units;
  reliefBar: number;
  label: string;
  onKeep: (body: FactBody) => Promise<void>;
  /** What else can be done with the entry stands beside the button that keeps it. */
  children?: React.ReactNode;
}

/** An entry of the record as a form: when, and what was read. It keeps what was typed until it can be kept itself. */
export function EntryForm({ body, units, reliefBar, label, onKeep, children }: Props) {
  const [typed, setTyped] = useState(() => entryText(body, units));
  const [refused, setRefused] = useState<Exclude<Correction, { kind: 'ok' }> | null>(null);
  const set = (field: EntryField) => (text: string) => {
    setTyped((t) => ({ ...t, [field]: text }));
    setRefused(null);
  };
  const problem = (field: EntryField) => (refused?.kind === 'bad' && refused.field === field ? refused.message : null);
  const keep = () => {
    const corrected = correction(body, typed, units, reliefBar, Date.now());
    if (corrected.kind === 'ok') void onKeep(corrected.body);
    else setRefused(corrected);
  };
  const fields = entryFields(body);
  const number = (field: EntryField, name: string, unit: string) =>
    fields.includes(field) ? (
      <View className="min-w-0 flex-1">
        <Field label={name} unit={unit} numeric value={typed[field]} onChange={set(field)} problem={problem(field)} onSubmit={keep} />
      </View>
    ) : null;
  return (
    <View className="gap-3">
      <WhenField
        label="When"
        value={typed.at}
        onChange={set('at')}
        onShift={(minutes) => set('at')(shiftMinutes(typed.at, minutes))}
        problem={problem('at')}
      />
      {number('pressure', 'Pressure', units.pressure)}
      {fields.includes('flow') ? (
        <View className="flex-row gap-3">
          {number('flow', 'Flow', units.temperature)}
          {number('ret', 'Return', units.temperature)}
        </View>
      ) : null}
      {number('litres', 'How much, if known', units.volume)}
      {refused?.kind === 'ask' ? (
        <AskUnit
          question={refused.question}
          typed={typed.pressure}
          units={units}
          reliefBar={reliefBar}
          onTake={(bar) => void onKeep(refused.take(bar))}
          onBack={() => setRefused(null)}
        />
      ) : null}
      <View className="flex-row gap-2">
        <Button label={label} kind="next" className="flex-1" onPress={keep} />
        {children}
      </View>
    </View>
  );
}

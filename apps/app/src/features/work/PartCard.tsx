import { useState } from 'react';
import { View } from 'react-native';
import { comparePart, PART_KINDS, type CircuitSheet, type PartFitted, type PartKind } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { fieldUnit } from '../units/formUnits';
import type { Units } from '../units/units';
import { EMPTY_PART, FIELDS_OF, PART_FIELD_LABELS, partOf, type PartForm } from './partForm';
import { partProblemText } from './workWords';

interface Props {
  kind: PartKind;
  sheet: CircuitSheet;
  units: Units;
  onFit: (part: PartFitted) => void;
}

/** The new part against the old, before it is fitted. What must not be fitted is not taken into the record. */
export function PartCard({ kind, sheet, units, onFit }: Props) {
  const [form, setForm] = useState<PartForm>(EMPTY_PART);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [against, setAgainst] = useState<{ text: string; stop: boolean }[]>([]);
  const [seen, setSeen] = useState(false);
  const set = (change: Partial<PartForm>) => {
    setForm({ ...form, ...change });
    setProblems({});
    setAgainst([]);
    setSeen(false);
  };
  const keep = () => {
    const result = partOf(kind, form, units);
    if (result.kind === 'bad') return setProblems(result.problems);
    const found = comparePart(result.part, sheet).map((p) => ({ text: partProblemText(p, units), stop: p.stop }));
    setAgainst(found);
    if (found.some((p) => p.stop) || (found.length > 0 && !seen)) return setSeen(true);
    onFit(result.part);
  };
  return (
    <View role="form" aria-label={`New ${PART_KINDS[kind].toLowerCase()}`} className="gap-3">
      {pairs(FIELDS_OF[kind]).map((pair) => (
        <View key={pair[0]} className="flex-row gap-3">
          {pair.map((f) => (
            <View key={f} className="min-w-0 flex-1">
              <Field
                label={PART_FIELD_LABELS[f].label}
                unit={fieldUnit(PART_FIELD_LABELS[f].unit, units)}
                numeric
                value={form[f] ?? ''}
                onChange={(t) => set({ [f]: t })}
                problem={problems[f] ?? null}
              />
            </View>
          ))}
        </View>
      ))}
      <View className="flex-row gap-3">
        <View className="min-w-0 flex-1">
          <Field label="Thread or seat, new" value={form.size} onChange={(size) => set({ size })} problem={problems.size ?? null} />
        </View>
        <View className="min-w-0 flex-1">
          <Field
            label="Thread or seat, old"
            value={form.oldSize}
            onChange={(oldSize) => set({ oldSize })}
            problem={problems.oldSize ?? null}
          />
        </View>
      </View>
      <View className="flex-row gap-3">
        <View className="min-w-0 flex-1">
          <Field label="Make and type" value={form.make} onChange={(make) => set({ make })} problem={problems.make ?? null} />
        </View>
        <View className="min-w-0 flex-1">
          <Field label="Serial number" value={form.serial} onChange={(serial) => set({ serial })} problem={problems.serial ?? null} />
        </View>
      </View>
      {against.map((p) => (
        <Notice key={p.text} kind={p.stop ? 'danger' : 'caution'} live>
          {p.text}
        </Notice>
      ))}
      <Button
        label={against.length > 0 && !against.some((p) => p.stop) ? 'Fit it all the same' : 'Compare with the old part'}
        kind="next"
        onPress={keep}
      />
    </View>
  );
}

const pairs = <T,>(items: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(items.length / 2) }, (_, i) => items.slice(2 * i, 2 * i + 2));

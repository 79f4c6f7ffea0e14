import { useState } from 'react';
import { View } from 'react-native';
import { CHARGING_REPAIRS, PART_KINDS, SMALL_PARTS, type PartKind, type RepairKind } from '@jumper/core';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import { checkPressure } from '../bench/checkPressure';
import { REPAIR_TITLES } from '../bench/recordRows';
import type { Units } from '../units/units';

const KINDS = Object.keys(REPAIR_TITLES) as RepairKind[];
const toggled = <T,>(all: readonly T[], one: T): T[] => (all.includes(one) ? all.filter((x) => x !== one) : [...all, one]);

/** What was done without a run sheet: any number of works and small parts at once, with the charge where one was set. */
export function WorkDone({ units, onAdd }: { units: Units; onAdd: (bodies: FactBody[]) => Promise<void> }) {
  const [open, setOpen] = useState(false);
  const [kinds, setKinds] = useState<RepairKind[]>([]);
  const [parts, setParts] = useState<PartKind[]>([]);
  const [other, setOther] = useState('');
  const [part, setPart] = useState('');
  const [to, setTo] = useState('');
  const [problems, setProblems] = useState<{ to?: string; other?: string; part?: string }>({});
  const charging = kinds.some((k) => CHARGING_REPAIRS.includes(k));
  const close = () => {
    setOpen(false);
    setKinds([]);
    setParts([]);
    setOther('');
    setPart('');
    setTo('');
    setProblems({});
  };
  const keep = async () => {
    let toBar: number | undefined;
    const found: typeof problems = {};
    if (charging && to.trim()) {
      const check = checkPressure(to, units, 10);
      if (check.kind === 'ok') toBar = check.bar;
      else
        found.to =
          check.kind === 'bad'
            ? check.message.replace('Pressure', 'Charge')
            : `Charge: ${to} ${units.pressure} is far too high for a vessel.`;
    }
    if (kinds.includes('other') && !other.trim()) found.other = 'What was done: say it in a few words.';
    if (parts.includes('other') && !part.trim()) found.part = 'Which part: say it in a few words.';
    if (Object.keys(found).length > 0) return setProblems(found);
    const at = new Date().toISOString();
    await onAdd([
      ...kinds.map((kind): FactBody => ({
        kind: 'repair',
        at,
        repair: {
          kind,
          at,
          ...(toBar !== undefined && CHARGING_REPAIRS.includes(kind) ? { toBar } : {}),
          ...(kind === 'other' ? { text: other.trim().slice(0, 400) } : {}),
        },
      })),
      ...parts.map((kind): FactBody => ({
        kind: 'part',
        at,
        part: { kind, ...(kind === 'other' ? { what: part.trim().slice(0, 120) } : {}) },
      })),
    ]);
    close();
  };
  if (!open)
    return (
      <View className="px-4 pt-1">
        <Button label="Record work done" onPress={() => setOpen(true)} />
      </View>
    );
  return (
    <View role="form" aria-label="Work done" className="gap-3 px-4 py-3">
      <Text role="heading" aria-level={2} className="font-semibold text-lead">
        What was done? Choose all of it.
      </Text>
      <View role="group" aria-label="What was done" className="flex-row flex-wrap gap-2">
        {KINDS.map((k) => (
          <Key key={k} label={REPAIR_TITLES[k]} pressed={kinds.includes(k)} className="px-3" onPress={() => setKinds(toggled(kinds, k))} />
        ))}
      </View>
      {kinds.includes('other') ? <Field label="What was done" value={other} onChange={setOther} problem={problems.other ?? null} /> : null}
      {charging ? (
        <Field label="Charge it was set to" unit={units.pressure} numeric value={to} onChange={setTo} problem={problems.to ?? null} />
      ) : null}
      <Text className="font-medium">Small parts fitted</Text>
      <View role="group" aria-label="Small parts fitted" className="flex-row flex-wrap gap-2">
        {SMALL_PARTS.map((k) => (
          <Key
            key={k}
            label={PART_KINDS[k]}
            name={`Part: ${PART_KINDS[k]}`}
            pressed={parts.includes(k)}
            className="px-3"
            onPress={() => setParts(toggled(parts, k))}
          />
        ))}
      </View>
      {parts.includes('other') ? <Field label="Which part" value={part} onChange={setPart} problem={problems.part ?? null} /> : null}
      <Text className="text-small text-ink2">What you log from now on is the state after the work. The log says what proves it.</Text>
      <View className="flex-row gap-2">
        <Button
          label="Keep"
          kind="next"
          className="flex-1"
          disabled={kinds.length === 0 && parts.length === 0}
          onPress={() => void keep()}
        />
        <Button label="Not now" kind="quiet" className="flex-1" onPress={close} />
      </View>
    </View>
  );
}

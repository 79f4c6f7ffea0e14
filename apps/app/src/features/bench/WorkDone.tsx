import { useState } from 'react';
import { View } from 'react-native';
import { CHARGING_REPAIRS, type RepairKind } from '@jumper/core';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import type { Units } from '../units/units';
import { checkPressure } from './checkPressure';
import { REPAIR_TITLES } from './recordRows';

const KINDS = Object.keys(REPAIR_TITLES) as RepairKind[];

/** What was done, and to what value. Everything logged after it is judged as the state after the work. */
export function WorkDone({ units, onAdd }: { units: Units; onAdd: (body: FactBody) => Promise<string> }) {
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<RepairKind | null>(null);
  const [to, setTo] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    if (!kind) return;
    let toBar: number | undefined;
    if (CHARGING_REPAIRS.includes(kind) && to.trim()) {
      const check = checkPressure(to, units, 10);
      if (check.kind !== 'ok')
        return setProblem(
          check.kind === 'bad'
            ? check.message.replace('Pressure', 'Charge')
            : `Charge: ${to} ${units.pressure} is far too high for a vessel.`,
        );
      toBar = check.bar;
    }
    const at = new Date().toISOString();
    await onAdd({ kind: 'repair', at, repair: { kind, at, ...(toBar !== undefined ? { toBar } : {}) } });
    setOpen(false);
    setKind(null);
    setTo('');
    setProblem(null);
  };
  return (
    <View className="gap-3 px-4 py-3">
      {open ? (
        <>
          <Text role="heading" aria-level={2} className="font-semibold text-[17px]">
            What was done?
          </Text>
          <View role="group" aria-label="What was done" className="flex-row flex-wrap gap-2">
            {KINDS.map((k) => (
              <Key key={k} label={REPAIR_TITLES[k]} pressed={k === kind} className="px-3" onPress={() => setKind(k)} />
            ))}
          </View>
          {kind && CHARGING_REPAIRS.includes(kind) ? (
            <Field
              label="Charge it was set to"
              unit={units.pressure}
              numeric
              value={to}
              onChange={(t) => {
                setTo(t);
                setProblem(null);
              }}
              problem={problem}
            />
          ) : null}
          <Text className="text-[14px] text-ink2">
            What you log from now on is the state after the work. The bench says what proves it.
          </Text>
          <View className="flex-row gap-2">
            <Button label="Keep" kind="next" className="flex-1" disabled={!kind} onPress={() => void keep()} />
            <Button label="Not now" kind="quiet" className="flex-1" onPress={() => setOpen(false)} />
          </View>
        </>
      ) : (
        <Button label="Record work done" onPress={() => setOpen(true)} />
      )}
    </View>
  );
}

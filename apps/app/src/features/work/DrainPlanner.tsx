import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useDraft } from '../drafts/useDraft';
import { quantityText } from '../units/quantity';
import { pressureText, type Units } from '../units/units';
import { planOf, usualFloors, type FloorForm } from './drainForm';

const MOST_FLOORS = 10;

/** Which floors have to run empty, in what order their vents are opened, the litres to expect, and the rounds of bleeding, ticked off. */
export function DrainPlanner({ jobId, units }: { jobId: string; units: Units }) {
  const { value: form, set } = useDraft(`jumper.drain.${jobId}`, usualFloors(units));
  const result = planOf(form, units),
    volume = (litres: number) => quantityText(Math.round(litres), 'volume', units);
  const change = (i: number, by: Partial<FloorForm>) =>
    set({ ...form, floors: form.floors.map((f, k) => (k === i ? { ...f, ...by } : f)), done: [] });
  const tick = (key: string) => set({ ...form, done: form.done.includes(key) ? form.done.filter((d) => d !== key) : [...form.done, key] });
  const check = (key: string, label: string) => (
    <Key
      key={key}
      label={`${form.done.includes(key) ? '✓ ' : ''}${label}`}
      pressed={form.done.includes(key)}
      className="min-h-[52px] px-3"
      onPress={() => tick(key)}
    />
  );
  return (
    <View role="form" aria-label="Drain-down and refill" className="gap-3">
      {form.floors.map((f, i) => (
        <View key={i} role="group" aria-label={`Floor ${i + 1}`} className="gap-2 border-b border-hair pb-3">
          <View className="flex-row items-end gap-2">
            <View className="min-w-0 flex-1">
              <Field label={`Floor ${i + 1}`} value={f.name} onChange={(name) => change(i, { name })} />
            </View>
            <Key
              label="Take out"
              name={`Take out floor ${i + 1}`}
              className="min-h-[52px] px-3"
              onPress={() => set({ ...form, floors: form.floors.filter((_, k) => k !== i), done: [] })}
            />
          </View>
          <View className="flex-row gap-2">
            <View className="min-w-0 flex-1">
              <Field
                label="Vents above the gauge"
                unit={units.length}
                numeric
                value={f.heightM}
                onChange={(heightM) => change(i, { heightM })}
              />
            </View>
            <View className="min-w-0 flex-1">
              <Field label="Radiators" numeric value={f.radiators} onChange={(radiators) => change(i, { radiators })} />
            </View>
          </View>
        </View>
      ))}
      {form.floors.length < MOST_FLOORS ? (
        <Button
          label="Add a floor"
          onPress={() => set({ ...form, floors: [...form.floors, { name: '', heightM: '', radiators: '' }], done: [] })}
        />
      ) : null}
      <Field
        label="The work is above the gauge by"
        unit={units.length}
        numeric
        value={form.workHeightM}
        onChange={(workHeightM) => set({ ...form, workHeightM, done: [] })}
      />
      {result.kind === 'bad' ? (
        <Notice kind="caution" live>
          {result.message}
        </Notice>
      ) : (
        <View testID="drain-plan" className="gap-3">
          <Text className="font-semibold">{`About ${volume(result.plan.litresOut)} come out. ${result.plan.leftGaugeBar > 0.02 ? `What stays below shows ${pressureText(result.plan.leftGaugeBar, units.pressure)}.` : 'Then the gauge shows nothing: the work is at its height or below.'}`}</Text>
          {result.plan.open.length > 0 ? (
            <View className="gap-2">
              <Text className="text-ink2">Open the vents from the top down</Text>
              {result.plan.open.map((s) => check(`open.${s.floor}`, `${s.floor}: ${s.radiators} radiators, ${volume(s.litres)}`))}
            </View>
          ) : null}
          {result.plan.keep.length > 0 ? <Text>{`Stays full: ${result.plan.keep.join(', ')}`}</Text> : null}
          {result.plan.bleed.length > 0 ? (
            <View className="gap-2">
              <Text className="text-ink2">{`Refill: bleed from the bottom up, top up to ${pressureText(result.plan.refillGaugeBar, units.pressure)}, about ${result.plan.topUps} ${result.plan.topUps === 1 ? 'round' : 'rounds'}`}</Text>
              {Array.from({ length: Math.min(result.plan.topUps, 12) }, (_, round) =>
                result.plan.bleed.map((floor) => check(`bleed.${round}.${floor}`, `Round ${round + 1}: ${floor}`)),
              )}
            </View>
          ) : null}
        </View>
      )}
    </View>
  );
}

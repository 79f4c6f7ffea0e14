import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import type { Units } from '../units/units';
import { NUMBER_FIELDS, type NumberField, type SheetForm } from './sheetForm';

interface Props { form: SheetForm; problems: Record<string, string>; units: Units; onChange: (form: SheetForm) => void }

/** The facts of a circuit, each marked read or assumed; touching one marks it read. */
export function SheetFields({ form, problems, units, onChange }: Props) {
  const known = (field: string) => form.assumed.filter((f) => f !== field);
  const setNumber = (field: NumberField, text: string) => onChange({ ...form, numbers: { ...form.numbers, [field]: text }, assumed: known(field) });
  const unitOf = (unit: string) => (unit === 'bar' ? units.pressure : unit);
  const mark = (field: string) => (
    <Key label={form.assumed.includes(field) ? 'assumed' : 'read'} name={`${field}: ${form.assumed.includes(field) ? 'assumed, touch if you have read it' : 'read, touch if it is only assumed'}`} pressed={!form.assumed.includes(field)} className="w-[86px] self-end" onPress={() => onChange({ ...form, assumed: form.assumed.includes(field) ? known(field) : [...form.assumed, field] })} />
  );
  return (
    <View className="gap-4">
      {NUMBER_FIELDS.map(({ field, label, unit, hint }) => (
        <View key={field} className="flex-row gap-2">
          <View className="min-w-0 flex-1"><Field label={label} unit={unitOf(unit)} numeric value={form.numbers[field] ?? ''} onChange={(t) => setNumber(field, t)} problem={problems[field] ?? null} {...(hint ? { hint } : {})} /></View>
          <View className="pt-[26px]">{mark(field)}</View>
        </View>
      ))}
      <Choice label="Content was" value={form.contentMeasured ? 'measured' : 'estimated'} onChange={(v) => onChange({ ...form, contentMeasured: v === 'measured' })} options={[{ value: 'estimated', label: 'Estimated' }, { value: 'measured', label: 'Measured' }]} />
      <Choice label="Filled by" value={form.fill} onChange={(fill) => onChange({ ...form, fill, assumed: known('fill.kind') })} options={[{ value: 'manual-loop', label: 'Fill loop, by hand' }, { value: 'reducing-valve', label: 'Reducing valve' }, { value: 'none', label: 'Nothing fitted' }]} />
      {form.fill === 'reducing-valve' ? <Field label="Reducing valve holds" unit={units.pressure} numeric value={form.numbers['fill.setBar'] ?? ''} onChange={(t) => setNumber('fill.setBar', t)} problem={problems['fill.setBar'] ?? null} /> : null}
      <Choice label="Hot water by" value={form.hotWater} onChange={(hotWater) => onChange({ ...form, hotWater, assumed: known('domesticHotWater.kind') })} options={[{ value: 'plate-exchanger', label: 'Plate exchanger' }, { value: 'indirect-coil', label: 'Cylinder coil' }, { value: 'none', label: 'Neither' }]} />
      <Choice label="Valve between vessel and circuit" value={form.vesselValve} onChange={(vesselValve) => onChange({ ...form, vesselValve, assumed: known('vessel.isolationValve') })} options={[{ value: 'none', label: 'None' }, { value: 'fitted', label: 'Fitted' }, { value: 'fitted-with-drain', label: 'With drain' }]} />
    </View>
  );
}

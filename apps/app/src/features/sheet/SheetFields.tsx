import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import { fieldUnit } from '../units/formUnits';
import { saidText } from '../units/saidText';
import type { Units } from '../units/units';
import { ComponentList } from './ComponentList';
import { FEED_FIELDS, NUMBER_FIELDS, type FieldGroup, type NumberField, type NumberFieldRow } from './numberFields';
import type { CircuitSheet } from '@jumper/core';
import { PlacesEditor } from '../valves/PlacesEditor';
import type { SheetForm } from './SheetFormType';
import { ZoneList } from './ZoneList';

interface Props {
  form: SheetForm;
  problems: Record<string, string>;
  units: Units;
  onChange: (form: SheetForm) => void;
  /** Only what a job begins with. */
  short?: boolean;
}

/** The facts of a circuit, each marked read or assumed; touching one marks it read. */
export function SheetFields({ form, problems, units, onChange, short = false }: Props) {
  const known = (field: string) => form.assumed.filter((f) => f !== field);
  const isAssumed = (field: string) => form.assumed.includes(field);
  const setNumber = (field: NumberField, text: string) =>
    onChange({ ...form, numbers: { ...form.numbers, [field]: text }, assumed: known(field) });
  const mark = (field: string) => (
    <Key
      label={isAssumed(field) ? 'assumed' : 'read'}
      name={`${field}: ${isAssumed(field) ? 'assumed, touch if you have read it' : 'read, touch if it is only assumed'}`}
      pressed={!isAssumed(field)}
      className="min-h-[52px] w-[86px] self-end"
      onPress={() => onChange({ ...form, assumed: isAssumed(field) ? known(field) : [...form.assumed, field] })}
    />
  );
  const field = (row: NumberFieldRow & { field: NumberField }) => {
    const typed = form.numbers[row.field] ?? '';
    return (
      <View key={row.field} className="flex-row gap-2">
        <View className="min-w-0 flex-1">
          <Field
            label={row.label}
            unit={fieldUnit(row.unit, units)}
            numeric
            value={typed}
            onChange={(t) => setNumber(row.field, t)}
            problem={problems[row.field] ?? null}
            {...(row.hint ? { hint: saidText(row.hint, units) } : {})}
          />
        </View>
        {typed.trim() || row.main ? <View className="pt-[21px]">{mark(row.field)}</View> : null}
      </View>
    );
  };
  const numbers = (group: FieldGroup) =>
    (NUMBER_FIELDS as readonly (NumberFieldRow & { field: NumberField })[])
      .filter((f) => f.group === group && (!short || f.main))
      .map(field);
  const vesselValve = (
    <Choice
      label="Valve between vessel and circuit"
      value={form.vesselValve}
      onChange={(v) => onChange({ ...form, vesselValve: v, assumed: known('vessel.isolationValve') })}
      options={[
        { value: 'none', label: 'None' },
        { value: 'fitted', label: 'Fitted' },
        { value: 'fitted-with-drain', label: 'With drain' },
      ]}
    />
  );
  return (
    <View className="gap-6">
      <Group title="Relief valve">{numbers('relief')}</Group>
      <Group title="Vessel">
        {numbers('vessel')}
        {vesselValve}
      </Group>
      <Group title="Water and boiler">
        {numbers('water')}
        <Choice
          label="Content was"
          value={form.contentMeasured ? 'measured' : 'estimated'}
          onChange={(v) => onChange({ ...form, contentMeasured: v === 'measured' })}
          options={[
            { value: 'estimated', label: 'Estimated' },
            { value: 'measured', label: 'Measured' },
          ]}
        />
        {form.numbers.glycolPercent?.trim() ? (
          <Choice
            label="Antifreeze was read as"
            value={form.glycolBy}
            onChange={(glycolBy) => onChange({ ...form, glycolBy })}
            options={[
              { value: 'mass', label: '% by mass' },
              { value: 'volume', label: '% by volume' },
              { value: 'freezing', label: `Freezing point, ${fieldUnit('°C', units)}` },
            ]}
          />
        ) : null}
        {form.numbers.glycolPercent?.trim() ? (
          <Choice
            label="Antifreeze is"
            value={form.glycol}
            onChange={(glycol) => onChange({ ...form, glycol })}
            options={[
              { value: 'propylene', label: 'Propylene glycol' },
              { value: 'ethylene', label: 'Ethylene glycol' },
            ]}
          />
        ) : null}
        {short ? null : (
          <Choice
            label="Pump pushes"
            value={form.pump}
            onChange={(pump) => onChange({ ...form, pump })}
            options={[
              { value: 'away-from-vessel', label: 'Away from the vessel' },
              { value: 'towards-vessel', label: 'Towards the vessel' },
            ]}
          />
        )}
        {short ? null : (
          <Choice
            label="Above the highest emitter"
            value={form.openVented ? 'tank' : 'closed'}
            onChange={(v) => onChange({ ...form, openVented: v === 'tank' })}
            options={[
              { value: 'closed', label: 'Nothing open' },
              { value: 'tank', label: 'A tank open to the air' },
            ]}
          />
        )}
      </Group>
      <Group title="Feed">
        <Choice
          label="Filled by"
          value={form.fill}
          onChange={(fill) => onChange({ ...form, fill, assumed: known('fill.kind') })}
          options={[
            { value: 'manual-loop', label: 'Fill loop, by hand' },
            { value: 'reducing-valve', label: 'Reducing valve' },
            { value: 'pressurisation-unit', label: 'Pressurisation unit' },
            { value: 'none', label: 'Nothing fitted' },
          ]}
        />
        {form.fill === 'reducing-valve' || form.fill === 'pressurisation-unit' ? (
          <Choice
            label="Stop valve of the feed stands"
            value={form.feedValve}
            onChange={(feedValve) => onChange({ ...form, feedValve })}
            options={[
              { value: 'open', label: 'Open' },
              { value: 'shut', label: 'Kept shut' },
            ]}
          />
        ) : null}
        {FEED_FIELDS.filter((f) => f.feed === form.fill).map(field)}
        {numbers('feed')}
        {form.fill === 'manual-loop' && !short ? (
          <Choice
            label="The loop was found"
            value={form.leftConnected ? 'connected' : 'off'}
            onChange={(v) => onChange({ ...form, leftConnected: v === 'connected' })}
            options={[
              { value: 'off', label: 'Off and capped' },
              { value: 'connected', label: 'Left connected' },
            ]}
          />
        ) : null}
      </Group>
      <Group title="Hot water">
        <Choice
          label="Hot water by"
          value={form.hotWater}
          onChange={(hotWater) => onChange({ ...form, hotWater, assumed: known('domesticHotWater.kind') })}
          options={[
            { value: 'plate-exchanger', label: 'Plate exchanger' },
            { value: 'indirect-coil', label: 'Cylinder coil' },
            { value: 'none', label: 'Neither' },
          ]}
        />
      </Group>
      {short ? null : (
        <Group title="Valve map" whole>
          <PlacesEditor
            circuit={mapCircuit(form)}
            map={form.valveMap}
            problems={problems}
            onChange={(valveMap) => onChange({ ...form, valveMap })}
          />
        </Group>
      )}
      {short ? null : (
        <Group title="Zones" whole>
          <ZoneList zones={form.zones} onChange={(zones) => onChange({ ...form, zones })} />
        </Group>
      )}
      {short ? null : (
        <Group title="Other parts" whole>
          <ComponentList components={form.components} onChange={(components) => onChange({ ...form, components })} />
        </Group>
      )}
    </View>
  );
}

/** As much of the circuit as the map's questions hang on. */
const mapCircuit = (form: SheetForm): CircuitSheet => ({
  kind: 'sealed-hot-water',
  fill: { kind: form.fill },
  domesticHotWater: { kind: form.hotWater },
  vessel: { isolationValve: form.vesselValve, nominalVolumeL: Number(form.numbers['vessel.nominalVolumeL']) || 0 },
});

/** A part of the sheet. @param whole what takes the whole width, a list above all */
function Group({ title, whole = false, children }: { title: string; whole?: boolean; children: ReactNode }) {
  return (
    <View className="gap-4">
      <Text role="heading" aria-level={2} className="border-b border-ink pb-1 font-semibold text-lead">
        {title}
      </Text>
      {whole ? children : <Columns>{children}</Columns>}
    </View>
  );
}

import { View } from 'react-native';
import { isOnMap, placesOf, type CircuitSheet, type PlacesOnMap } from '@jumper/core';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';

const SIDE = [
  { value: 'boiler', label: 'Boiler’s side' },
  { value: 'circuit', label: 'Circuit’s side' },
] as const;
const NOWHERE = { value: 'nowhere', label: 'Not found' } as const;
const FITTED = [
  { value: 'fitted', label: 'Fitted' },
  { value: 'none', label: 'None' },
] as const;
const ROWS: { part: keyof PlacesOnMap; label: string; options: readonly { value: string; label: string }[] }[] = [
  { part: 'boilerValves', label: 'Valves on the boiler’s flow and return', options: FITTED },
  { part: 'vessel', label: 'Vessel', options: SIDE },
  { part: 'relief', label: 'Relief valve', options: [...SIDE, NOWHERE] },
  { part: 'gauge', label: 'Gauge', options: [...SIDE, NOWHERE] },
  { part: 'feed', label: 'Feed or fill loop', options: SIDE },
  { part: 'drain', label: 'Drain', options: [...SIDE, { value: 'both', label: 'Both sides' }, NOWHERE] },
  { part: 'plate', label: 'Plate exchanger', options: SIDE },
  { part: 'coil', label: 'Cylinder’s coil', options: SIDE },
  { part: 'coilValves', label: 'Valves on the coil’s flow and return', options: FITTED },
  { part: 'pump', label: 'Pump', options: SIDE },
];

/** Where each part stands, one touch each. What nobody has stated is as such plants mostly are, and marked so. */
export function PlacesEditor({
  circuit,
  map,
  problems,
  onChange,
}: {
  circuit: CircuitSheet;
  map: PlacesOnMap;
  problems: Record<string, string>;
  onChange: (map: PlacesOnMap) => void;
}) {
  const at = placesOf({ ...circuit, valveMap: map });
  return (
    <View className="gap-4">
      <Columns>
        {ROWS.filter((r) => isOnMap(r.part, circuit)).map((r) => (
          <Choice
            key={r.part}
            label={`${r.label}${map[r.part] === undefined ? ' (assumed)' : ''}`}
            value={at[r.part]}
            options={r.options as { value: string; label: string }[]}
            problem={problems[`valveMap.${r.part}`] ?? null}
            onChange={(value) => onChange({ ...map, [r.part]: value })}
          />
        ))}
      </Columns>
    </View>
  );
}

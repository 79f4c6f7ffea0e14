import { useId } from 'react';
import { View } from 'react-native';
import { Key } from './Key';
import { Labelled } from './Labelled';

interface Props {
  label: string;
  /** Local time to the minute: `2026-03-01T08:05`. */
  value: string;
  onChange: (text: string) => void;
  /** Moves the time by so many minutes. */
  onShift: (minutes: number) => void;
  problem?: string | null;
}
const STEPS = [-5, -1, 1];

/** A day and a time by the device's own picker, and beside it the few minutes by which one is usually late. */
export function WhenField({ label, value, onChange, onShift, problem }: Props) {
  const labelId = `${useId()}-label`;
  return (
    <View className="gap-1">
      <Labelled label={label} labelId={labelId} className="justify-center" {...(problem ? { problem } : {})}>
        <input
          type="datetime-local"
          aria-labelledby={labelId}
          aria-invalid={problem ? true : undefined}
          value={value}
          onChange={(e) => onChange(e.target.value)}
          className="h-[50px] w-full bg-transparent px-3 font-figure text-title text-ink"
        />
      </Labelled>
      <View role="group" aria-label={`${label}, moved`} className="flex-row gap-2 pt-1">
        {STEPS.map((m) => (
          <Key
            key={m}
            label={`${m < 0 ? '−' : '+'}${Math.abs(m)} min`}
            name={`${Math.abs(m)} min ${m < 0 ? 'earlier' : 'later'}`}
            className="flex-1"
            onPress={() => onShift(m)}
          />
        ))}
      </View>
    </View>
  );
}

import { useId } from 'react';
import { TextInput } from 'react-native';
import { Labelled } from './Labelled';
import { Text } from './Text';

interface Props {
  label: string;
  unit?: string;
  value: string;
  onChange: (text: string) => void;
  problem?: string | null;
  hint?: string;
  numeric?: boolean;
  autoFocus?: boolean;
  onSubmit?: () => void;
}

/** A labelled entry. What was typed stays as typed; the problem under it names what is wrong. */
export function Field({ label, unit, value, onChange, problem, hint, numeric = false, autoFocus, onSubmit }: Props) {
  const labelId = `${useId()}-label`;
  return (
    <Labelled
      label={label}
      labelId={labelId}
      className="flex-row items-center"
      {...(problem ? { problem } : {})}
      {...(hint ? { hint } : {})}
    >
      <TextInput
        aria-labelledby={labelId}
        aria-invalid={problem ? true : undefined}
        value={value}
        onChangeText={onChange}
        autoFocus={autoFocus}
        onSubmitEditing={onSubmit}
        inputMode={numeric ? 'decimal' : 'text'}
        className={`min-h-[50px] min-w-0 flex-1 px-3 text-ink ${numeric ? 'font-figure text-title' : 'font-sans text-body'}`}
      />
      {unit ? <Text className="pr-3 text-ink2">{unit}</Text> : null}
    </Labelled>
  );
}

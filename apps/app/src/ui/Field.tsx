import { useId } from 'react';
import { TextInput, View } from 'react-native';
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
  const id = useId();
  return (
    <View className="gap-1">
      <Text nativeID={`${id}-label`} className="font-medium text-[14px] text-ink2">
        {label}
      </Text>
      <View className={`entry min-h-[52px] flex-row items-center rounded border bg-sheet ${problem ? 'border-oxide' : 'border-hair'}`}>
        <TextInput
          aria-labelledby={`${id}-label`}
          aria-invalid={problem ? true : undefined}
          value={value}
          onChangeText={onChange}
          autoFocus={autoFocus}
          onSubmitEditing={onSubmit}
          inputMode={numeric ? 'decimal' : 'text'}
          className={`min-h-[50px] min-w-0 flex-1 px-3 text-ink ${numeric ? 'font-figure text-[24px]' : 'font-sans text-[16px]'}`}
        />
        {unit ? <Text className="pr-3 text-ink2">{unit}</Text> : null}
      </View>
      {problem ? (
        <Text role="alert" className="text-[14px] text-oxide">
          {problem}
        </Text>
      ) : hint ? (
        <Text className="text-[13px] text-ink2">{hint}</Text>
      ) : null}
    </View>
  );
}

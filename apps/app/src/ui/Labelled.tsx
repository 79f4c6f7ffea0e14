import { View } from 'react-native';
import { Text } from './Text';

interface Props {
  label: string;
  /** Under this id the label stands for who names the entry by it. */
  labelId: string;
  problem?: string | null;
  hint?: string;
  /** How the entry's own parts stand in its box. */
  className: string;
  children: React.ReactNode;
}

/** The label, the box and the problem or hint of one entry. */
export function Labelled({ label, labelId, problem, hint, className, children }: Props) {
  return (
    <View className="gap-1">
      <Text nativeID={labelId} className="font-medium text-small text-ink2">
        {label}
      </Text>
      <View className={`entry min-h-[52px] rounded border bg-sheet ${problem ? 'border-oxide' : 'border-hair'} ${className}`}>
        {children}
      </View>
      {problem ? (
        <Text role="alert" className="text-small text-oxide">
          {problem}
        </Text>
      ) : hint ? (
        <Text className="text-small text-ink2">{hint}</Text>
      ) : null}
    </View>
  );
}

import { View } from 'react-native';
import { Key } from './Key';
import { Text } from './Text';

interface Props {
  label: string;
  clock: string;
  note: string;
  over: boolean;
  action: { label: string; onPress: () => void };
}

/** A running timer as a row: its clock first, since that is what is looked for. */
export function TimerRow({ label, clock, note, over, action }: Props) {
  return (
    <View
      role="listitem"
      className={`min-h-[56px] flex-row items-center gap-3 border-t border-hair px-4 py-1 ${over ? 'bg-palebrass' : ''}`}
    >
      <Text
        role="timer"
        aria-label={`${label}: ${clock} ${note}`}
        className={`w-[84px] font-figure text-head ${over ? 'text-brass' : 'text-ink'}`}
        style={{ fontVariant: ['tabular-nums'] }}
      >
        {clock}
      </Text>
      <View className="min-w-0 flex-1">
        <Text className="font-medium text-body" numberOfLines={2}>
          {label}
        </Text>
        <Text className={`text-small ${over ? 'font-semibold text-brass' : 'text-ink2'}`}>{note}</Text>
      </View>
      <Key label={action.label} name={`${action.label}: ${label}`} className="px-4" onPress={action.onPress} />
    </View>
  );
}

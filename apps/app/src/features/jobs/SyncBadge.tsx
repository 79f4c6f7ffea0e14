import { View } from 'react-native';
import { useSyncStatus } from '../../offline/SyncProvider';
import { Text } from '../../ui/Text';

/** Where the readings are: with the server, or still kept here. */
export function SyncBadge() {
  const { waiting, refused, reachable } = useSyncStatus();
  const text = refused > 0 ? `${refused} not accepted` : waiting > 0 ? `${waiting} kept here` : reachable === false ? 'offline' : reachable === null ? 'checking' : 'all sent';
  return (
    <View role="status" className={`rounded border px-2.5 py-1.5 ${refused > 0 ? 'border-oxide' : 'border-hair'}`}>
      <Text className={`font-medium text-[13px] ${refused > 0 ? 'text-oxide' : 'text-ink2'}`}>{text}</Text>
    </View>
  );
}

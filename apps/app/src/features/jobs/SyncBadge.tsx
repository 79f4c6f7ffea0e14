import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { useSyncStatus } from '../../offline/SyncProvider';
import { Text } from '../../ui/Text';

/** Where the readings are: with the server, or still kept here. A touch shows what waits. */
export function SyncBadge() {
  const { waiting, refused, reachable } = useSyncStatus();
  const text =
    refused > 0
      ? `${refused} not accepted`
      : waiting > 0
        ? `Kept on this phone: ${waiting}`
        : reachable === false
          ? 'offline'
          : reachable === null
            ? 'checking'
            : 'Sent';
  return (
    <Link href="/settings" asChild>
      <Pressable aria-label={`Sending: ${text}`} className="min-h-[48px] justify-center active:opacity-70">
        <View role="status" className={`max-w-[112px] rounded border px-2.5 py-1 ${refused > 0 ? 'border-oxide' : 'border-hair'}`}>
          <Text className={`text-center font-medium text-small ${refused > 0 ? 'text-oxide' : 'text-ink2'}`}>{text}</Text>
        </View>
      </Pressable>
    </Link>
  );
}

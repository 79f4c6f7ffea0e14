import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import { useStore, useSyncStatus } from '../../offline/SyncProvider';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { outboxView } from './outboxView';

/** What this device keeps that the server does not have yet, and what it would not take, with its reasons. */
export function Outbox() {
  const { db, sync } = useStore();
  const status = useSyncStatus();
  const entries = useQuery({
    queryKey: ['outbox', status.waiting, status.refused],
    queryFn: () => db.getAll('outbox'),
    networkMode: 'always',
  });
  const view = outboxView(entries.data ?? []);
  return (
    <View className="gap-3">
      <Text className="text-ink2">
        {view.waiting === 0
          ? view.refused.length
            ? 'Nothing else waits.'
            : 'Nothing: the server has all of it.'
          : `${view.waiting} ${view.waiting === 1 ? 'entry' : 'entries'} on this device, to be sent when there is a network. Nothing is lost meanwhile.`}
      </Text>
      {view.refused.map((r) => (
        <Notice key={r.key} kind="danger" title={r.title}>
          <View className="gap-0.5">
            {r.reasons.map((reason) => (
              <Text key={reason} className="text-small">
                {reason}
              </Text>
            ))}
          </View>
        </Notice>
      ))}
      {view.refused.length > 0 ? (
        <Text className="text-small text-ink2">They stay on this device and still count here. Trying again helps after an update.</Text>
      ) : null}
      {view.waiting + view.refused.length > 0 ? <Button label="Try again now" onPress={() => void sync.retryRefused()} /> : null}
    </View>
  );
}

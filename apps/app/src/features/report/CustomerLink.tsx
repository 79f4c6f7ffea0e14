import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 } from 'uuid';
import type { CustomerReport } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { linksOf, makeLink, revokeLink } from '../../api/links';
import { longDay } from '../units/dates';
import { linkAddress, newLinkKey } from './linkKey';

const DAYS = 60;

/** The address is of use only if it is seen: on a phone it would come up below the edge. */
const intoView = (view: unknown): void => {
  (view as HTMLElement | null)?.scrollIntoView({ block: 'center' });
};

/** A page for the customer: read only, for a while, and taken back with a touch. The address is shown once, since nobody keeps its key. */
export function CustomerLink({ jobId, report }: { jobId: string; report: CustomerReport }) {
  const client = useQueryClient();
  const links = useQuery({
    queryKey: ['links', jobId],
    queryFn: async () => (await linksOf(jobId)).filter((l) => l.revokedAt === null && Date.parse(l.expiresAt) > Date.now()),
    retry: false,
  });
  const [made, setMade] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const refresh = () => client.invalidateQueries({ queryKey: ['links', jobId] });
  const make = async () => {
    const key = newLinkKey();
    const ok = await makeLink({ jobId, id: v7(), key, expiresAt: new Date(Date.now() + DAYS * 86_400_000).toISOString(), report });
    setProblem(ok ? null : 'The link could not be made: it needs the server. Try again when this device is connected and all is sent.');
    if (!ok) return;
    setMade(linkAddress(key));
    await refresh();
  };
  return (
    <View role="form" aria-label="Link for the customer" className="gap-2">
      {problem ? (
        <Notice kind="danger" live>
          {problem}
        </Notice>
      ) : null}
      {made ? (
        <Notice kind="sound" title={`Good for ${DAYS} days`} live>
          <View ref={intoView} className="gap-2">
            <Text selectable testID="customer-link" className="text-small">
              {made}
            </Text>
            <Text className="text-small text-ink2">Send it now: it is not shown again.</Text>
            {'clipboard' in navigator ? (
              <Key label="Copy it" className="px-4" onPress={() => void navigator.clipboard.writeText(made)} />
            ) : null}
          </View>
        </Notice>
      ) : null}
      {links.data?.map((l) => (
        <View key={l.id} className="min-h-[52px] flex-row items-center gap-3 border-t border-hair">
          <Text className="min-w-0 flex-1 text-small">{`Link of ${longDay(l.createdAt)}, until ${longDay(l.expiresAt)}`}</Text>
          <Key
            label="Take it back"
            className="px-3"
            onPress={() =>
              void revokeLink(jobId, l.id).then(async (ok) => {
                setProblem(ok ? null : 'It could not be taken back: the server is away. Try again.');
                setMade(null);
                await refresh();
              })
            }
          />
        </View>
      ))}
      <Button label="Make a link for the customer" onPress={() => void make()} />
    </View>
  );
}

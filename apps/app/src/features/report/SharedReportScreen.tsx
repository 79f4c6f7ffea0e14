import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import type { CustomerReport } from '@jumper/contract';
import { openLink } from '../../api/links';
import { fontAsBase64, lettered } from '../../ui/fontData';
import { FONTS } from '../../ui/fonts';
import { State } from '../../ui/State';
import { Picture } from '../../ui/Picture';
import { Text } from '../../ui/Text';
import { FoundLeft } from './FoundLeft';

const TONE = { pass: 'text-verdigris', fail: 'text-oxide', unclear: 'text-brass' } as const;

/** What the customer sees under his link. It reads one report and nothing else. */
export function SharedReportScreen({ linkKey }: { linkKey: string }) {
  const shared = useQuery({ queryKey: ['shared', linkKey], queryFn: () => openLink(linkKey), retry: 1 });
  if (shared.isPending) return <State title="Opening the report …" />;
  if (shared.isError)
    return (
      <State
        title="The report cannot be reached just now"
        text="Try again in a while."
        action={{ label: 'Try again', onPress: () => void shared.refetch() }}
      />
    );
  if (!shared.data)
    return <State title="This link is not good any more" text="It was taken back, or its time is over. Ask the company for a new one." />;
  return <Shared report={shared.data} />;
}

function Shared({ report: r }: { report: CustomerReport }) {
  const letters = useQuery({
    queryKey: ['letters'],
    queryFn: () => fontAsBase64(FONTS.Barlow_400Regular),
    staleTime: Infinity,
    retry: false,
  });
  const lines = (title: string, all: string[]) =>
    all.length ? (
      <Part title={title}>
        {all.map((l, i) => (
          <Text key={i}>{l}</Text>
        ))}
      </Part>
    ) : null;
  return (
    <ScrollView className="flex-1" tabIndex={0} role="region" aria-label="Report">
      <View className="mx-auto w-full max-w-[760px] gap-4 p-4">
        <View className="border-b-[1.5px] border-ink pb-2">
          <Text className="text-small text-ink2">{r.title}</Text>
          <Text role="heading" aria-level={1} className="font-semibold text-title">
            {r.site}
          </Text>
          <Text className="text-ink2">{[r.company, r.date].filter(Boolean).join(', ')}</Text>
        </View>
        {lines('What you told us', [r.complaint])}
        <Part title="What we found">
          <FoundLeft rows={r.rows} left={r.work.length > 0} />
        </Part>
        {r.chart ? (
          <Picture
            address={`data:image/svg+xml;utf8,${encodeURIComponent(lettered(r.chart, letters.data ?? null))}`}
            alt={`Pressure over time. ${r.rows.map((row) => `${row.label}: ${row.found}`).join('. ')}`}
            width="min(100%, 480px)"
            whole
            white
          />
        ) : null}
        {lines('Tests', r.tests)}
        {lines('Cause', r.cause ? [r.cause] : [])}
        {lines('What we did', r.work)}
        {lines('Parts fitted', r.parts)}
        {r.proof ? (
          <Part title="Proof">
            <Text className={`font-semibold text-lead ${TONE[r.proof.kind]}`}>{r.proof.headline}</Text>
            {r.proof.lines.map((l) => (
              <Text key={l}>{l}</Text>
            ))}
          </Part>
        ) : null}
        {lines('Advice, and what stays', r.said)}
        {lines('Not put back yet', r.open)}
        {lines('For you', r.advice)}
        {lines('Next checks', r.checks.length ? r.checks : [r.nextCheck])}
      </View>
    </ScrollView>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="gap-0.5">
      <Text role="heading" aria-level={2} className="font-semibold text-small text-ink2">
        {title}
      </Text>
      {children}
    </View>
  );
}

import { useQuery } from '@tanstack/react-query';
import { ScrollView, View } from 'react-native';
import type { CustomerReport } from '@jumper/contract';
import { openLink } from '../../api/links';
import { fontAsBase64, lettered } from '../../ui/fontData';
import { FONTS } from '../../ui/fonts';
import { State } from '../../ui/State';
import { Picture } from '../../ui/Picture';
import { ReportBody } from './ReportBody';

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
  return (
    <ScrollView className="flex-1" tabIndex={0} role="region" aria-label="Report">
      <View className="mx-auto w-full max-w-[760px] gap-4 p-4">
        <ReportBody
          report={r}
          chart={
            r.chart ? (
              <Picture
                address={`data:image/svg+xml;utf8,${encodeURIComponent(lettered(r.chart, letters.data ?? null))}`}
                alt={`Pressure over time. ${r.rows.map((row) => `${row.label}: ${row.found}`).join('. ')}`}
                width="min(100%, 480px)"
                whole
                white
              />
            ) : null
          }
        />
      </View>
    </ScrollView>
  );
}

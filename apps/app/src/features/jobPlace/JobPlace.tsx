import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { Header } from '../../ui/Header';
import { WIDE_PX } from '../../ui/places';
import { Text } from '../../ui/Text';
import { SyncBadge } from '../jobs/SyncBadge';
import { JOB_PLACES, jobPlace, type JobPlaceId } from './jobPlaces';

interface Props {
  jobId: string;
  at: JobPlaceId;
  title: string;
  subtitle: string;
  /** Beside the title on a wide screen. */
  tools?: ReactNode;
  /** Stays above the places while the rest scrolls. */
  foot?: ReactNode;
  children: ReactNode;
}

/** One place of a job, with the way to the others: each is one touch away from wherever one is in the job. */
export function JobPlace({ jobId, at, title, subtitle, tools, foot, children }: Props) {
  const wide = useWindowDimensions().width >= WIDE_PX;
  return (
    <View className="flex-1">
      <Header title={title} subtitle={subtitle} backTo="/">
        {wide ? <Places jobId={jobId} at={at} wide /> : null}
        {tools}
        <SyncBadge />
      </Header>
      <View className="min-h-0 flex-1">{children}</View>
      {foot}
      {wide ? null : <Places jobId={jobId} at={at} />}
    </View>
  );
}

function Places({ jobId, at, wide = false }: { jobId: string; at: JobPlaceId; wide?: boolean }) {
  return (
    <View
      role="navigation"
      aria-label="Places of this job"
      className={wide ? 'mr-3 flex-row gap-1' : 'flex-row flex-wrap border-t border-hair bg-sheet'}
    >
      {JOB_PLACES.map((p) => (
        <Link key={p.id} href={jobPlace(jobId, p.id) as never} asChild>
          <Pressable
            aria-current={p.id === at ? 'page' : undefined}
            className={`min-h-[52px] items-center justify-center active:opacity-70 ${wide ? 'px-3' : 'min-w-[64px] flex-1'}`}
          >
            <Text className={`text-small ${p.id === at ? 'font-semibold text-ink' : 'font-medium text-ink2'}`}>{p.label}</Text>
            <View className={`mt-1 h-[3px] w-[32px] ${p.id === at ? 'bg-copper' : 'bg-transparent'}`} />
          </Pressable>
        </Link>
      ))}
    </View>
  );
}

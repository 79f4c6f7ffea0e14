import type { ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { Header } from '../../ui/Header';
import { PlaceLink } from '../../ui/Place';
import { WIDE_PX } from '../../ui/places';
import { SyncBadge } from '../jobs/SyncBadge';
import { jobHead } from './jobHead';
import { JOB_PLACES, jobPlace, type JobPlaceId } from './jobPlaces';

interface Props {
  parts: JobParts;
  at: JobPlaceId;
  /** Beside the title on a wide screen. */
  tools?: ReactNode;
  /** Stays above the places while the rest scrolls. */
  foot?: ReactNode;
  children: ReactNode;
}

/** One place of a job, with the way to the others: each is one touch away from wherever one is in the job. */
export function JobPlace({ parts, at, tools, foot, children }: Props) {
  const jobId = parts.job.id;
  const wide = useWindowDimensions().width >= WIDE_PX;
  return (
    <View className="flex-1">
      <Header {...jobHead(parts)} backTo="/">
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
        <PlaceLink
          key={p.id}
          label={p.label}
          href={jobPlace(jobId, p.id)}
          here={p.id === at}
          className={`min-h-[52px] items-center justify-center ${wide ? 'px-3' : 'min-w-[64px] flex-1'}`}
          mark
        />
      ))}
    </View>
  );
}

import { router } from 'expo-router';
import type { ReactNode } from 'react';
import type { JobParts } from '@jumper/contract';
import { State } from '../../ui/State';
import { useJob } from './jobData';

export const toJobs = { label: 'To the jobs', onPress: () => router.navigate('/') };

/** A view of one job: what it says while the job is opened, and when this device has none. @param opening what is opened, as "the report"
 */
export function WithJob({
  jobId,
  opening,
  missing = 'This job is not on this device',
  children,
}: {
  jobId: string;
  opening: string;
  missing?: string;
  children: (parts: JobParts) => ReactNode;
}) {
  const job = useJob(jobId);
  if (job.isPending) return <State title={`Opening ${opening} …`} />;
  if (!job.data) return <State title={missing} action={toJobs} />;
  return children(job.data);
}

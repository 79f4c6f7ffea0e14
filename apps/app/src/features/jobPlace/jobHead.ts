import type { JobParts } from '@jumper/contract';
import { COMPLAINT_ROWS } from '@jumper/core';
import { capital } from '../units/words';

/** What stands over every place of a job: the site, and under it the complaint and the town. */
export const jobHead = ({ sheet, job }: JobParts): { title: string; subtitle: string } => ({
  title: sheet.site,
  subtitle: [job.complaint.length ? capital(job.complaint.map((c) => COMPLAINT_ROWS[c].short).join(', ')) : 'Service visit', sheet.town]
    .filter(Boolean)
    .join(' · '),
});

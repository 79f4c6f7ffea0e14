import { customerReport, linkList, type CustomerReport, type LinkList } from '@jumper/contract';

const JSON_TYPE = { 'content-type': 'application/json' };
const path = (jobId: string, id = '') => `/api/jobs/${jobId}/links${id ? `/${id}` : ''}`;

/** A link needs the server: false when it cannot be reached or refuses. */
export async function makeLink(link: {
  jobId: string;
  id: string;
  key: string;
  expiresAt: string;
  report: CustomerReport;
}): Promise<boolean> {
  const { jobId, id, ...body } = link;
  const answer = await fetch(path(jobId, id), { method: 'PUT', headers: JSON_TYPE, body: JSON.stringify(body) }).catch(() => null);
  return answer?.ok ?? false;
}

export async function linksOf(jobId: string): Promise<LinkList> {
  const answer = await fetch(path(jobId));
  return linkList.parse(await answer.json());
}

export const revokeLink = async (jobId: string, id: string): Promise<boolean> =>
  (await fetch(path(jobId, id), { method: 'DELETE' }).catch(() => null))?.ok ?? false;

/** The report behind a key; null when there is none any more. Throws when the server cannot be reached. */
export async function openLink(key: string): Promise<CustomerReport | null> {
  const answer = await fetch(`/api/shared/${encodeURIComponent(key)}`);
  if (answer.status === 404) return null;
  return customerReport.parse(await answer.json());
}

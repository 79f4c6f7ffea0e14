import type { CustomerReport, LinkList, ReportLink } from '@jumper/contract';
import type { PutOutcome } from '../../http/answerPut';

/** Where the customers' links are kept. Routes know only this. */
export interface LinkStore {
  put(companyId: string, link: ReportLink): Promise<PutOutcome>;
  ofJob(companyId: string, jobId: string): Promise<LinkList>;
  /** False when the company has no such link. */
  revoke(companyId: string, id: string): Promise<boolean>;
  /** The report behind a key; null when there is none, or it is over or taken back: a stranger is not told which. */
  open(key: string, now: Date): Promise<CustomerReport | null>;
}

import { MOST_LOGO_CHARS, type CustomerReport } from '@jumper/contract';
import type { Firm } from '../firm/firm';
import type { ReportView } from './reportView';

/** Whose report it is: the firm as its settings name it, else the company and person that the server knows. */
export interface ReportHead {
  company: string;
  person: string;
  address: string;
  phone: string;
  logo: string | null;
}

export const reportHead = (firm: Firm, session: { company: { name: string }; person: { name: string } } | null): ReportHead => ({
  company: firm.name.trim() || (session?.company.name ?? ''),
  person: firm.technician.trim() || (session?.person.name ?? ''),
  address: firm.address.trim(),
  phone: firm.phone.trim(),
  logo: firm.logo && firm.logo.length <= MOST_LOGO_CHARS ? firm.logo : null,
});

/** The report as screen, PDF and the customer's link all show it: words and numbers, and nothing else of the job. */
export function customerReportOf(view: ReportView, head: ReportHead, chart: string | null): CustomerReport {
  const { logo, ...firm } = head;
  return { ...firm, ...(logo ? { logo } : {}), ...view, cause: null, ...(chart ? { chart } : {}) };
}

export interface ReportSection {
  title: string;
  lines: string[];
  tone?: 'pass' | 'fail' | 'unclear' | 'open';
}

/** What stands before the numbers, and after them, in order; empty parts are left out. */
export function sectionsOf(r: CustomerReport): { before: ReportSection[]; after: ReportSection[] } {
  const some = (sections: ReportSection[]) => sections.filter((s) => s.lines.length > 0);
  const wrong = r.wrong.length > 0 ? r.wrong : r.cause ? [r.cause] : ['Nothing was measured yet.'];
  return {
    before: some([
      { title: 'What you told us', lines: [r.complaint] },
      { title: 'What was wrong', lines: wrong },
      { title: 'What we did', lines: r.work.length > 0 ? r.work : ['No work was done on this visit.'] },
      { title: 'Parts fitted', lines: r.parts },
      ...(r.outcome ? [{ title: 'Result', lines: [r.outcome.text], tone: r.outcome.kind }] : []),
    ]),
    after: some([
      { title: 'What stays as it is', lines: r.stays },
      { title: 'Not put back yet', lines: r.open, tone: 'open' },
      { title: 'Notes', lines: r.notes },
      { title: 'What to watch', lines: r.watch },
      { title: 'Next checks', lines: r.checks.length > 0 ? r.checks : [r.nextCheck] },
    ]),
  };
}

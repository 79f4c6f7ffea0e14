import type { CustomerReport } from '@jumper/contract';
import type { ReportHead } from './reportDocument';
import type { ReportView } from './reportView';

/** The report as the customer's page takes it: words and numbers, and nothing else of the job. */
export function customerReportOf(view: ReportView, head: ReportHead, chart: string | null): CustomerReport {
  const { title, site, date, complaint, rows, tests, cause, work, parts, said, open, advice, checks, nextCheck, proof } = view;
  return {
    company: head.company,
    person: head.person,
    title,
    site,
    date,
    complaint,
    rows,
    tests,
    cause,
    work,
    parts,
    said,
    open,
    advice,
    checks,
    nextCheck,
    ...(chart ? { chart } : {}),
    proof: proof ? { kind: proof.kind, headline: proof.headline, lines: proof.lines } : null,
  };
}

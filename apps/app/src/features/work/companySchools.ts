import { standingFacts, type JobParts } from '@jumper/contract';

/** The company's own way where practitioners differ: the newest that was made so on any of its jobs, by school. */
export function companySchools(jobs: JobParts[]): Map<string, string> {
  const made = jobs.flatMap((j) => standingFacts(j.facts)).flatMap((f) => (f.body.kind === 'school' && f.body.forCompany ? [f.body] : []));
  return new Map(made.sort((a, b) => Date.parse(a.at) - Date.parse(b.at)).map((b) => [b.school, b.option]));
}

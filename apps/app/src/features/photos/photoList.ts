import { standingFacts, type FactRecord } from '@jumper/contract';

export interface PhotoNote {
  factId: string;
  jobId: string;
  photo: string;
  of: string;
  at: string;
  caption: string | null;
}

/** Photos that stand, the newest first. `of` narrows to one part. */
export function photoList(facts: FactRecord[], of?: string): PhotoNote[] {
  return standingFacts(facts)
    .flatMap((f) =>
      f.body.kind === 'photo' && (of === undefined || f.body.of === of)
        ? [{ factId: f.id, jobId: f.jobId, photo: f.body.photo, of: f.body.of, at: f.body.at, caption: f.body.caption ?? null }]
        : [],
    )
    .sort((a, b) => b.at.localeCompare(a.at));
}

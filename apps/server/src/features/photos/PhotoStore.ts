import type { PutOutcome } from '../../http/answerPut';

export interface Photo {
  id: string;
  jobId: string;
  jpeg: Buffer;
}

/** Where pictures are kept. Routes know only this. */
export interface PhotoStore {
  put(companyId: string, photo: Photo): Promise<PutOutcome>;
  /** Null when this company's job has no such picture. */
  get(companyId: string, jobId: string, id: string): Promise<Buffer | null>;
}

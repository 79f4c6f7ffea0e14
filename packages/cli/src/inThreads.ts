import { cpus } from 'node:os';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';

/** What one thread takes: every `step`-th of `cases`, from `offset` on, of seeds that begin at `from`. */
export interface Share {
  from: number;
  cases: number;
  step: number;
  offset: number;
}

/** Word of one more case done, from a thread to the main one. */
export const caseDone = (): void => parentPort?.postMessage(1);

/** Runs a script on several threads. In the main thread `main` is called with a function that has the shares done and gives their results
 *  together; in the others `work` does one share.
 *  @param script path of the script itself @param heard is told how many cases are done */
export function inThreads<S extends Share, R>(
  script: string,
  work: (share: S) => R[],
  main: (run: (share: Omit<S, 'step' | 'offset'>, heard?: (done: number) => void) => Promise<R[]>) => Promise<void>,
): void {
  if (!isMainThread) return void parentPort!.postMessage(work(workerData as S));
  const threads = Math.max(1, Math.min(8, cpus().length));
  void main(async (share, heard) => {
    let done = 0;
    const parts = await Promise.all(
      Array.from(
        { length: threads },
        (_, offset) =>
          new Promise<R[]>((resolve, reject) => {
            const worker = new Worker(script, { workerData: { ...share, step: threads, offset } });
            worker.on('message', (m: number | R[]) => {
              if (typeof m === 'number') heard?.(++done);
              else resolve(m);
            });
            worker.on('error', reject);
          }),
      ),
    );
    return parts.flat();
  });
}

import type { Api } from '../api/client';
import { applyChanges, saveRecords, seenRevision, type Database, type Made } from './database';

export interface SyncStatus {
  waiting: number;
  refused: number;
  reachable: boolean | null;
}

const RETRY_MS = 20_000;

/** Calls back after a while; returns how to call that off. */
export type Later = (callBack: () => void, ms: number) => () => void;
const browserLater: Later = (callBack, ms) => {
  const timer = setTimeout(callBack, ms);
  return () => clearTimeout(timer);
};

/** The one way between this device and the server: writes go into the outbox and from there, in order; what others wrote comes back as
 *  changes. Holds no interface; time and network are handed in. */
export class Sync {
  private status: SyncStatus = { waiting: 0, refused: 0, reachable: null };
  private readonly listeners = new Set<() => void>();
  private running: Promise<void> | null = null;
  private again = false;
  private forgetRetry: (() => void) | null = null;

  constructor(
    private readonly db: Database,
    private readonly api: Api,
    private readonly onRecords: () => void,
    private readonly later: Later = browserLater,
  ) {}

  getStatus = (): SyncStatus => this.status;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Kept on the device when this resolves; sent when it can be. */
  async save(records: Made[]): Promise<void> {
    await saveRecords(this.db, records);
    await this.count();
    void this.run();
  }

  /** Sends and fetches; calls while it runs lead to one more round. */
  run(): Promise<void> {
    if (this.running) {
      this.again = true;
      return this.running;
    }
    this.running = this.rounds().finally(() => {
      this.running = null;
    });
    return this.running;
  }

  /** Tries refused records once more, for instance after an update of the app. */
  async retryRefused(): Promise<void> {
    for (const entry of await this.db.getAll('outbox'))
      if (entry.refused) {
        delete entry.refused;
        await this.db.put('outbox', entry);
      }
    await this.run();
  }

  private async rounds(): Promise<void> {
    do {
      this.again = false;
      const reached = (await this.send()) && (await this.fetch());
      this.set({ reachable: reached });
      if (!reached) break;
    } while (this.again);
    this.forgetRetry?.();
    this.forgetRetry = this.later(() => void this.run(), RETRY_MS);
  }

  private async send(): Promise<boolean> {
    for (const entry of await this.db.getAll('outbox')) {
      if (entry.refused) continue;
      const answer = await this.api.put(entry);
      if (answer.kind === 'later') return false;
      if (answer.kind === 'sent') await this.db.delete('outbox', entry.seq!);
      else await this.db.put('outbox', { ...entry, refused: { code: answer.code, problems: answer.problems } });
      await this.count();
    }
    return true;
  }

  private async fetch(): Promise<boolean> {
    for (;;) {
      const seen = await seenRevision(this.db);
      let changes = await this.api.changesAfter(seen.revision);
      if (changes && seen.epoch !== undefined && changes.epoch !== seen.epoch) changes = await this.api.changesAfter(0);
      if (!changes) return false;
      const news =
        changes.circuits.length + changes.sheets.length + changes.jobs.length + changes.facts.length > 0 || changes.epoch !== seen.epoch;
      await applyChanges(this.db, changes);
      if (news) this.onRecords();
      if (!changes.more) return true;
    }
  }

  private async count(): Promise<void> {
    const entries = await this.db.getAll('outbox');
    this.set({ waiting: entries.filter((e) => !e.refused).length, refused: entries.filter((e) => e.refused).length });
  }

  private set(change: Partial<SyncStatus>): void {
    this.status = { ...this.status, ...change };
    for (const l of this.listeners) l();
  }

  /** A picture from this device, else from the server, and kept from then on. Null where it cannot be had now. */
  async photo(jobId: string, id: string): Promise<ArrayBuffer | null> {
    const kept = await this.db.get('photo', id);
    if (kept) return kept.jpeg;
    const jpeg = await this.api.photo(jobId, id);
    if (jpeg) await this.db.put('photo', { id, jobId, jpeg });
    return jpeg;
  }

  async begin(): Promise<void> {
    await this.count();
    await this.run();
  }
}

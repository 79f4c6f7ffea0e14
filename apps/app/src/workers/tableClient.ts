import * as Comlink from 'comlink';
import type { TableChoice, TableRead } from '@jumper/core';
import type { TableOpened, TableWorker } from './table.worker';

export type { TableOpened };

/** A table that is being read in: ask it again with another choice of columns; close it to give its memory back. */
export interface OpenTable {
  opened: TableOpened;
  read: (choice: TableChoice) => Promise<TableRead>;
  close: () => void;
}

export async function openTable(file: File, onProgress: (share: number) => void): Promise<OpenTable> {
  const worker = new Worker(new URL('./table.worker.ts', import.meta.url));
  const remote = Comlink.wrap<TableWorker>(worker);
  try {
    const opened = await remote.open(file, Comlink.proxy(onProgress));
    return { opened, read: (choice) => remote.read(choice), close: () => worker.terminate() };
  } catch (e) {
    worker.terminate();
    throw e;
  }
}

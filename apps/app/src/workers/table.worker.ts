import * as Comlink from 'comlink';
import Papa from 'papaparse';
import { guessTable, readLogTable, type TableChoice, type TableRead } from '@jumper/core';

let rows: string[][] = [];

export interface TableOpened {
  head: string[][];
  lines: number;
  delimiter: string;
  guess: TableChoice;
}

/** Large files are taken apart here, off the main thread; the rows stay here, only what is shown goes over. */
const table = {
  open: (file: File, onProgress: (share: number) => void): Promise<TableOpened> =>
    new Promise((resolve, reject) => {
      rows = [];
      let delimiter = ',';
      Papa.parse<string[]>(file, {
        skipEmptyLines: false,
        chunkSize: 1 << 20,
        chunk: ({ data, meta }) => {
          for (const r of data) rows.push(r);
          delimiter = meta.delimiter;
          onProgress(Math.min(1, meta.cursor / Math.max(1, file.size)));
        },
        complete: () => resolve({ head: rows.slice(0, 8), lines: rows.length, delimiter, guess: guessTable(rows.slice(0, 200)) }),
        error: reject,
      });
    }),
  read: (choice: TableChoice): TableRead => readLogTable(rows, choice),
};
export type TableWorker = typeof table;

Comlink.expose(table);

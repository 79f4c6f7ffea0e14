import { writeLogTable, type Case } from '@jumper/core';
import { fileName, saveFile } from './saveFile';

export const saveCaseFile = (file: Case, site: string): void =>
  saveFile(`${JSON.stringify(file, null, 1)}\n`, 'application/json', fileName(site, new Date(), 'jumper.json'));

/** All logs of the job as one table. */
export const saveLogTable = (file: Case, site: string): void =>
  saveFile(writeLogTable(file.logs ?? [], Date.now()), 'text/csv', fileName(site, new Date(), 'csv'));

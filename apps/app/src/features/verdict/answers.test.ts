/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { Diagnosis } from '@jumper/core';
import { buildName } from '../../offline/buildName';
import { openDatabase, type Database } from '../../offline/database';
import { answered } from './answers';

let db: Database,
  n = 0;
beforeEach(async () => {
  db = await openDatabase(`answers-${n++}`);
});
afterEach(() => db.close());

const of = (caseId: string) => ({ format: 'jumper-diagnosis', version: 1, caseId }) as Diagnosis;
const never = () => Promise.reject(new Error('asked again'));

it('what this build answered is not asked again; another case, another build and a build without a name are', async () => {
  expect(await answered(db, 'a', 'case', async () => of('first'))).toEqual(of('first'));
  expect(await answered(db, 'a', 'case', never)).toEqual(of('first'));
  expect(await answered(db, 'a', 'case, gone on', async () => of('second'))).toEqual(of('second'));
  expect(await answered(db, 'b', 'case', async () => of('third'))).toEqual(of('third'));
  await answered(db, null, 'case', async () => of('fourth'));
  await expect(answered(db, null, 'case', never)).rejects.toThrow('asked again');
});

it('a question that was given up is asked again', async () => {
  await expect(answered(db, 'a', 'case', never)).rejects.toThrow();
  expect(await answered(db, 'a', 'case', async () => of('after all'))).toEqual(of('after all'));
});

it('keeps forty, those that were answered last', async () => {
  const clock = jest.spyOn(Date, 'now');
  for (let i = 0; i < 45; i++) {
    clock.mockReturnValue(1000 + i);
    await answered(db, 'a', `case ${i}`, async () => of(`${i}`));
  }
  clock.mockRestore();
  expect(await db.count('answer')).toBe(40);
  expect(await answered(db, 'a', 'case 5', never)).toEqual(of('5'));
  await expect(answered(db, 'a', 'case 4', never)).rejects.toThrow('asked again');
});

it('a store that fails keeps nobody from an answer', async () => {
  db.close();
  expect(await answered(db, 'a', 'case', async () => of('by itself'))).toEqual(of('by itself'));
  db = await openDatabase(`answers-${n++}`);
});

it('a build is named by its scripts’ content, and has no name while it is developed', () => {
  const base = 'http://localhost/_expo/static/js/web/';
  expect(
    buildName([
      { src: `${base}__common-b5165520bf995138bcd9cbb75c925615.js` },
      { src: `${base}entry-3eb293438f71bc9db304f6555330eb4f.js` },
    ]),
  ).toBe('b5165520-3eb29343');
  expect(buildName([{ src: 'http://localhost/index.bundle?platform=web' }, { src: '' }])).toBeNull();
});

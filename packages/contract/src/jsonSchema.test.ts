import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { caseJsonSchema } from './jsonSchema';

it('the published schema is the one that checks', () => {
  const published = readFileSync(join(__dirname, '../../../docs/case.schema.json'), 'utf8');
  expect(JSON.parse(published)).toEqual(caseJsonSchema());
});

// Writes docs/case.schema.json anew: npm run publish-schema
import { writeFileSync } from 'node:fs';
import { caseJsonSchema } from '@jumper/contract';

writeFileSync(new URL('../../docs/case.schema.json', import.meta.url), `${JSON.stringify(caseJsonSchema(), null, 1)}\n`);

// Writes docs/case.schema.json and docs/assumptions.md anew: npm run publish-schema
import { writeFileSync } from 'node:fs';
import { caseJsonSchema } from '@jumper/contract';
import { assumptionsPage } from '../../packages/cli/src/assumptions';

const write = (name: string, text: string) => writeFileSync(new URL(`../../docs/${name}`, import.meta.url), text);
write('case.schema.json', `${JSON.stringify(caseJsonSchema(), null, 1)}\n`);
write('assumptions.md', assumptionsPage());

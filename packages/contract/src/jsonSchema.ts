import { z } from 'zod';
import { caseFile } from './caseFile';

/** The case file's JSON Schema, made from the schema that checks it. Two rules stay in words, since JSON Schema cannot say them:
 *  times never run backwards, and every channel is as long as the times. */
export function caseJsonSchema(): object {
  return { $id: 'jumper-case-1', title: 'Jumper case file', ...z.toJSONSchema(caseFile, { io: 'input', unrepresentable: 'any' }) };
}

import { readFileSync } from 'node:fs';
import type { z } from 'zod';
import { parseJsonText, problemLine, type Parsed } from '@jumper/contract';

/** Reads and parses a file; what cannot be read is a problem of the file like any other. */
export function readParsed<S extends z.ZodType>(path: string, schema: S): Parsed<z.infer<S>> {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch (error) {
    return {
      kind: 'bad',
      problems: [{ field: 'file', message: `cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'})` }],
    };
  }
  return parseJsonText(text, schema);
}

/** Exit status for a bad file or bad arguments; 1 is an internal error. */
export const BAD_INPUT = 2;

/** Says each problem on a line of stderr and ends with status 2, stdout untouched. */
export function refuse(problems: { field: string; message: string }[]): never {
  for (const p of problems) process.stderr.write(`${problemLine(p)}\n`);
  process.exit(BAD_INPUT);
}

export function usage(line: string): never {
  process.stderr.write(`usage: ${line}\n`);
  process.exit(BAD_INPUT);
}

export const print = (value: unknown): void => void process.stdout.write(`${JSON.stringify(value)}\n`);

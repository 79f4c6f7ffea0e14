import type { z } from 'zod';

/** One thing wrong with what was given: the field's path and a sentence. */
export interface Problem {
  field: string;
  message: string;
}

/** Zod's issues as one line a problem, unions unfolded to the branch that was meant. */
export function problemsOf(error: z.ZodError, root = ''): Problem[] {
  return error.issues.map((issue) => ({
    field: [root, ...issue.path.map(String)].filter(Boolean).join('.') || 'file',
    message: sentence(issue),
  }));
}

export const problemLine = (p: Problem): string => `${p.field}: ${p.message}`;

function sentence(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return /received undefined/.test(issue.message) ? 'is required' : `must be ${article(issue.expected)}`;
    case 'invalid_value':
      return `must be one of: ${issue.values.map(String).join(', ')}`;
    case 'invalid_union':
      return 'is not known';
    default:
      return issue.message;
  }
}

const article = (kind: string) => (/^[aeiou]/.test(kind) ? `an ${kind}` : `a ${kind}`);

export type Parsed<T> = { kind: 'ok'; value: T } | { kind: 'bad'; problems: Problem[] };

/** Parses a JSON text against a schema; what is not JSON is a problem of the file, with the line where it breaks. */
export function parseJsonText<S extends z.ZodType>(text: string, schema: S): Parsed<z.infer<S>> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { kind: 'bad', problems: [{ field: 'file', message: `is not JSON${lineOf(text, error)}` }] };
  }
  const parsed = schema.safeParse(json);
  return parsed.success ? { kind: 'ok', value: parsed.data } : { kind: 'bad', problems: problemsOf(parsed.error) };
}

function lineOf(text: string, error: unknown): string {
  const message = error instanceof Error ? error.message : '';
  const position = /position (\d+)/.exec(message)?.[1];
  if (position === undefined) return '';
  return ` (line ${text.slice(0, Number(position)).split('\n').length})`;
}

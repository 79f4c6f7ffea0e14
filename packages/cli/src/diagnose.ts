import './engineFlags';
import { closeSync, openSync, readdirSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { asCase, caseFile, problemLine } from '@jumper/contract';
import { diagnose, OutOfRangeError } from '@jumper/core';
import { BAD_INPUT, print, readParsed, refuse, usage } from './readCase';

const USAGE = 'diagnose -- FILE | diagnose -- --batch DIR --out FILE.jsonl';

const args = process.argv.slice(2);
if (args[0] === '--batch') batch(args.slice(1));
else if (args.length === 1 && args[0]) single(args[0]);
else usage(USAGE);

function judged(path: string) {
  const parsed = readParsed(path, caseFile);
  if (parsed.kind === 'bad') return parsed;
  try {
    return { kind: 'ok' as const, value: diagnose(asCase(parsed.value)) };
  } catch (error) {
    // A number that is possible by itself but not for this circuit; the core names the field.
    if (error instanceof OutOfRangeError)
      return {
        kind: 'bad' as const,
        problems: [{ field: error.field, message: `${error.value} is outside ${error.least} to ${error.most}` }],
      };
    throw error;
  }
}

function single(path: string): void {
  const result = judged(path);
  if (result.kind === 'bad') refuse(result.problems);
  print(result.value);
}

function batch(rest: string[]): void {
  const [dir, flag, outPath] = rest;
  if (!dir || flag !== '--out' || !outPath) usage(USAGE);
  let files: string[], out: number;
  try {
    files = readdirSync(dir)
      .filter((f) => f.endsWith('.json'))
      .sort();
    out = openSync(outPath, 'w');
  } catch (error) {
    refuse([
      {
        field: 'file',
        message: `cannot be read or written (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}: ${(error as NodeJS.ErrnoException).path ?? ''})`,
      },
    ]);
  }
  let bad = 0;
  files.forEach((file, i) => {
    const result = judged(join(dir, file));
    if (result.kind === 'bad') bad++;
    writeSync(out, `${JSON.stringify(result.kind === 'bad' ? { file, errors: result.problems.map(problemLine) } : result.value)}\n`);
    if (result.kind === 'bad') for (const p of result.problems) process.stderr.write(`${file}: ${problemLine(p)}\n`);
    process.stderr.write(`${i + 1}/${files.length} ${file}\n`);
  });
  closeSync(out);
  if (bad > 0) process.exitCode = BAD_INPUT;
}

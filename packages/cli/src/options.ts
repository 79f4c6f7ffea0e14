import { parseArgs } from 'node:util';

/** An option that takes a value: a number from `least` on, one of some words, or any text. */
export type OptionKind = { least: number } | { oneOf: readonly string[] } | 'text' | 'flag';
export type Options = Record<string, string | number | boolean | undefined>;

const valueOf = (name: string, kind: OptionKind, said: string | boolean): string | number | boolean => {
  if (kind === 'flag' || kind === 'text') return said;
  if ('oneOf' in kind) {
    if (!kind.oneOf.includes(String(said))) throw new Error(`--${name}: must be one of ${kind.oneOf.join(', ')}`);
    return said;
  }
  const number = Number(said);
  if (said === '' || !Number.isFinite(number) || number < kind.least) throw new Error(`--${name}: must be a number from ${kind.least} on`);
  return number;
};

/** Reads a command's options.
 *  @throws {Error} that names the option, where one is unknown or its value is not of its kind */
export function readOptions(kinds: Record<string, OptionKind>, args: readonly string[]): Options {
  const { values } = parseArgs({
    args: [...args],
    options: Object.fromEntries(
      Object.entries(kinds).map(([name, kind]) => [name, { type: kind === 'flag' ? ('boolean' as const) : ('string' as const) }]),
    ),
  });
  return Object.fromEntries(
    Object.entries(values).flatMap(([name, said]) =>
      said === undefined ? [] : [[name, valueOf(name, kinds[name]!, said as string | boolean)]],
    ),
  );
}

/** The same for a command: says what is wrong, and how it is called, on stderr, and ends with status 2. `--help` says how it is called and
 *  ends. */
export function optionsOrExit(usage: string, kinds: Record<string, OptionKind>): Options {
  if (process.argv.includes('--help')) {
    process.stdout.write(`${usage}\n`);
    process.exit(0);
  }
  try {
    return readOptions(kinds, process.argv.slice(2));
  } catch (error) {
    return refuse((error as Error).message, usage);
  }
}

/** Ends a command that was called wrongly. */
export function refuse(message: string, usage: string): never {
  process.stderr.write(`${message}\n${usage}\n`);
  process.exit(2);
}

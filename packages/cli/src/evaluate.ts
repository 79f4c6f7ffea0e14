// The judge against plants of another physics.
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { caseFile } from '@jumper/contract';
import { diagnose, type Case } from '@jumper/core';
import {
  BALANCE_TIERS,
  bareSheet,
  leaveOut,
  LOOP_TIERS,
  makeBalance,
  makeCase,
  makeLoop,
  makeMended,
  makeSketch,
  MENDED_TIERS,
  ruleOfThumb,
  SKETCH_TIERS,
  TIERS,
  type Judged,
  type Tier,
  type TruthCase,
} from '@jumper/evaluate';
import { evaluationReport } from './evaluationReport';
import { caseDone, inThreads, type Share } from './inThreads';
import { optionsOrExit, refuse } from './options';

const say = (line: string) => process.stdout.write(`${line}\n`);

/** The four makers of visits, and the tiers that each knows; and the first's once something was mended, which are judged as they are now. */
const MAKERS = {
  truth: { make: makeCase, tiers: TIERS },
  sketch: { make: makeSketch, tiers: SKETCH_TIERS },
  balance: { make: makeBalance, tiers: BALANCE_TIERS },
  loop: { make: makeLoop, tiers: LOOP_TIERS },
  mended: { make: makeMended, tiers: MENDED_TIERS },
} as const;
type Maker = keyof typeof MAKERS;

/** What is done to the sheet of each visit before the judge sees it. */
const SHEETS = { whole: (made: TruthCase) => made, gaps: leaveOut, bare: bareSheet } as const;

interface TierShare extends Share {
  tiers: Tier[];
  leastShownBar: number | undefined;
  sheets: keyof typeof SHEETS;
  maker: Maker;
}

function judgeShare({ tiers, from, cases, step, offset, leastShownBar, sheets, maker }: TierShare): Judged[] {
  const judged: Judged[] = [];
  for (const tier of tiers)
    for (let i = offset; i < cases; i += step) {
      const made = SHEETS[sheets](MAKERS[maker].make(tier, from + i, leastShownBar), from + i);
      const parsed = caseFile.parse(made.case);
      const start = performance.now();
      const whole = diagnose(parsed as unknown as Case),
        d = whole.now ?? whole;
      judged.push({
        id: made.case.id,
        tier,
        truth: made.truth,
        testsDone: ((made.case.findings ?? []) as { test: string }[]).map((f) => f.test),
        rule: ruleOfThumb(made.case),
        seconds: (performance.now() - start) / 1000,
        answer: { hypotheses: d.hypotheses, estimates: d.estimates },
      });
      caseDone();
    }
  return judged;
}

function readJudged(path: string): Judged[] {
  try {
    return JSON.parse(readFileSync(path, 'utf8')) as Judged[];
  } catch (error) {
    return refuse(`--read ${path}: ${error instanceof Error ? error.message : String(error)}`, USAGE);
  }
}

const USAGE = `npm run --silent evaluate -- [--cases N] [--tier ${TIERS.join('|')}|all] [--from SEED] [--shows BAR] [--gaps|--bare] [--sketch|--balance|--loop|--mended] [--out FILE.json]
       npm run --silent evaluate -- --read FILE.json,FILE.json
  --gaps: the same visits, each with one thing missing or wrong on the sheet or in the log; --bare: with next to nothing on the sheet; --sketch, --balance, --loop: visits of the second, third or fourth maker, which have no several and, but for the fourth, no days; --mended: visits of the first maker on which something was mended and read again, judged as they are after it; --read: nothing is judged, the report is of what --out has written`;

inThreads<TierShare, Judged>(fileURLToPath(import.meta.url), judgeShare, async (together) => {
  const asked = optionsOrExit(USAGE, {
    cases: { least: 1 },
    from: { least: 1 },
    shows: { least: 0 },
    tier: { oneOf: [...TIERS, 'all'] },
    gaps: 'flag',
    bare: 'flag',
    sketch: 'flag',
    balance: 'flag',
    loop: 'flag',
    mended: 'flag',
    out: 'text',
    read: 'text',
  });
  if (typeof asked.read === 'string') {
    const judged = asked.read.split(',').flatMap(readJudged);
    return evaluationReport(
      TIERS.filter((t) => judged.some((j) => j.tier === t)),
      judged,
    ).forEach(say);
  }
  const cases = Number(asked.cases ?? 500),
    maker = (Object.keys(MAKERS) as Maker[]).findLast((name) => asked[name] === true) ?? 'truth',
    known: readonly Tier[] = MAKERS[maker].tiers;
  const tiers = known.filter((t) => (asked.tier ?? 'all') === 'all' || t === asked.tier);
  if (tiers.length === 0) refuse(`--tier: this maker has no visits of ${asked.tier}`, USAGE);
  const judged = await together(
    {
      tiers,
      cases,
      from: Number(asked.from ?? 1),
      leastShownBar: asked.shows === undefined ? undefined : Number(asked.shows),
      sheets: asked.gaps === true ? 'gaps' : asked.bare === true ? 'bare' : 'whole',
      maker,
    },
    (done) => {
      if (done % 100 === 0) process.stderr.write(`${done} of ${cases * tiers.length}\n`);
    },
  );
  evaluationReport(tiers, judged).forEach(say);
  if (typeof asked.out === 'string') writeFileSync(asked.out, JSON.stringify(judged));
});

// The judge against plants of another physics.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { caseFile } from '@jumper/contract';
import { diagnose, type Case } from '@jumper/core';
import {
  BALANCE_TIERS,
  bareSheet,
  confusions,
  leaveOut,
  LOOP_TIERS,
  makeBalance,
  makeCase,
  makeLoop,
  makeSketch,
  reliability,
  ruleOfThumb,
  scoreTier,
  SKETCH_TIERS,
  TIERS,
  type Judged,
  type Tier,
  type TruthCase,
} from '@jumper/evaluate';
import { caseDone, inThreads, type Share } from './inThreads';
import { optionsOrExit, refuse } from './options';

const say = (line: string) => process.stdout.write(`${line}\n`);

/** The four makers of visits, and the tiers that each knows. */
const MAKERS = {
  truth: { make: makeCase, tiers: TIERS },
  sketch: { make: makeSketch, tiers: SKETCH_TIERS },
  balance: { make: makeBalance, tiers: BALANCE_TIERS },
  loop: { make: makeLoop, tiers: LOOP_TIERS },
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
      const d = diagnose(parsed as unknown as Case);
      judged.push({
        id: made.case.id,
        tier,
        truth: made.truth,
        testsDone: ((made.case.findings ?? []) as { test: string }[]).map((f) => f.test),
        rule: ruleOfThumb(made.case),
        seconds: (performance.now() - start) / 1000,
        answer: { hypotheses: d.hypotheses, estimates: { prechargeBar: d.estimates.prechargeBar } },
      });
      caseDone();
    }
  return judged;
}

const USAGE = `npm run --silent evaluate -- [--cases N] [--tier ${TIERS.join('|')}|all] [--from SEED] [--shows BAR] [--gaps|--bare] [--sketch|--balance|--loop] [--out FILE.json]
  --gaps: the same visits, each with one thing missing or wrong on the sheet or in the log; --bare: with next to nothing on the sheet; --sketch, --balance, --loop: visits of the second, third or fourth maker, which have no several and, but for the fourth, no days`;

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
    out: 'text',
  });
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
  const percent = (x: number) => (Number.isNaN(x) ? '    –' : `${(100 * x).toFixed(1).padStart(5)}`);
  const bar = (x: number) => (Number.isNaN(x) ? '   –' : x.toFixed(2));
  say('tier      cases  first  first+alike  three+alike  rule   bits  charge: given cover err(meas) err(est)  s');
  for (const tier of [...tiers, ...(tiers.length > 1 ? (['all'] as const) : [])]) {
    const s = scoreTier(tier, judged);
    say(
      `${tier.padEnd(9)} ${String(s.cases).padStart(5)}  ${percent(s.top1)}  ${percent(s.top1Alike)}        ${percent(s.top3Alike)}        ${percent(s.ruleAlike)}  ${s.logScoreBits.toFixed(2)}          ${percent(s.chargeGiven)} ${percent(s.chargeCovered)} ${bar(s.chargeErrorMeasuredBar)}      ${bar(s.chargeErrorEstimatedBar)}   ${s.secondsMedian.toFixed(2)}`,
    );
  }
  const r = reliability(judged);
  say(`reliability: error ${r.error.toFixed(3)} ± ${r.standardError.toFixed(3)}`);
  for (const b of r.bins) say(`  said ${percent(b.said)} was ${percent(b.was)} (${b.cases})`);
  say('taken for one another:');
  for (const c of confusions(judged)) say(`  ${String(c.cases).padStart(3)}  ${c.truth} → ${c.said}`);
  if (typeof asked.out === 'string') writeFileSync(asked.out, JSON.stringify(judged));
});

import { besideTheRule, confusions, foundByFault, reliability, scoreEstimates, scoreTier, type Judged, type Tier } from '@jumper/evaluate';

const percent = (x: number) => (Number.isNaN(x) ? '    –' : `${(100 * x).toFixed(1).padStart(5)}`);
const bar = (x: number) => (Number.isNaN(x) ? '   –' : x.toFixed(2));

/** What is told of judged visits, line by line: each tier's score, all tiers beside the rule of thumb, reliability, what is found how often,
 *  and what is taken for what. */
export function evaluationReport(tiers: readonly Tier[], judged: Judged[]): string[] {
  const scores = [...tiers, ...(tiers.length > 1 ? (['all'] as const) : [])].map((tier) => {
    const s = scoreTier(tier, judged);
    return `${tier.padEnd(9)} ${String(s.cases).padStart(5)}  ${percent(s.top1)}  ${percent(s.top1Alike)}        ${percent(s.top3Alike)}        ${percent(s.ruleAlike)}  ${s.logScoreBits.toFixed(2)}          ${percent(s.chargeGiven)} ${percent(s.chargeCovered)} ${bar(s.chargeErrorMeasuredBar)}      ${bar(s.chargeErrorEstimatedBar)}   ${s.secondsMedian.toFixed(2)}`;
  });
  const beside = tiers.map((tier) => {
    const s = besideTheRule(
      tier,
      judged.filter((j) => j.tier === tier),
    );
    return `  ${tier.padEnd(9)} rule ${percent(s.rule)}, judge where it is right ${percent(s.whereRight)}, where it is wrong ${percent(s.whereWrong)}${s.weighed === null ? '' : `, weighed ${percent(s.weighed)}`}`;
  });
  const r = reliability(judged);
  return [
    'tier      cases  first  first+alike  three+alike  rule   bits  charge: given cover err(meas) err(est)  s',
    ...scores,
    'beside the rule of thumb, and weighed as if that were right as often as on easy visits:',
    ...beside,
    `reliability: error ${r.error.toFixed(3)} ± ${r.standardError.toFixed(3)}`,
    ...r.bins.map((b) => `  said ${percent(b.said)} was ${percent(b.was)} (${b.cases})`),
    'estimates: asked, given, covered, error (bar, or share of the truth), told of nothing',
    ...scoreEstimates(judged).map(
      (e) =>
        `  ${e.estimate.padEnd(14)} ${String(e.asked).padStart(5)} ${percent(e.given)} ${percent(e.covered)}  ${bar(e.error)} ${String(e.outOfNothing).padStart(5)}`,
    ),
    'found least often:',
    ...foundByFault(judged, LEAST_CASES)
      .slice(0, MOST_FAULTS)
      .map((f) => `  ${percent(f.found)} of ${String(f.cases).padStart(3)}  ${f.fault}`),
    'taken for one another:',
    ...confusions(judged).map((c) => `  ${String(c.cases).padStart(3)}  ${c.truth} → ${c.said}`),
  ];
}

const LEAST_CASES = 5,
  MOST_FAULTS = 12;

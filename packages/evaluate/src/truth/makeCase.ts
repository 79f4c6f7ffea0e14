import { handLog, loggerLog, type WrittenLog } from './readings';
import { seeded, type Random } from './random';
import { runPlant, type Schedule } from './runPlant';
import { soundPlant, type TruePlant } from './TruePlant';
import { faultPairs, singleFaults, TRUE_FAULTS } from './trueFaults';
import { testsFor, trueFinding, type WrittenFinding } from './trueFindings';

export const TIERS = ['hand', 'logger', 'findings', 'pair'] as const;
export type Tier = (typeof TIERS)[number];

export interface Truth { faults: string[]; chargeBar: number | null; contentL: number; contentMeasured: boolean; riseK: number; offsetBar: number }
/** A case in the open format, as plain data, and what is really so. */
export interface TruthCase { tier: Tier; case: Record<string, unknown> & { id: string }; truth: Truth }

/** One made-up visit. The same tier and seed give the same visit. */
export function makeCase(tier: Tier, seed: number): TruthCase {
  const r = seeded(seed * 7919 + TIERS.indexOf(tier) * 104_729);
  const plant = soundPlant(r.weighted([['wall-boiler', 6], ['larger-home', 2], ['fed', 3]] as const), r);
  const sheet = sheetOf(plant, r);
  const faults = tier === 'pair' ? [...r.pick(faultPairs(plant))] : [r.weighted(singleFaults(plant))];
  for (const f of faults) TRUE_FAULTS[f]!(plant, r);
  plant.coldBar = Math.min(plant.coldBar, plant.reliefBar - 0.1);
  const schedule = scheduleOf(plant, tier, r);
  const trace = runPlant(plant, schedule);
  const log: WrittenLog = (tier === 'logger' ? loggerLog : handLog)(plant, trace, schedule, r);
  const liftedHot = trace.systemBar.some((b) => b > plant.reliefBar) || Math.max(...trace.systemBar) > plant.reliefBar - 0.25;
  const findings = tier === 'findings' || tier === 'pair' ? testsFor(faults, plant, r, r.pick([2, 3, 3, 4])).flatMap((t): WrittenFinding[] => { const f = trueFinding(t, plant, liftedHot, r); return f ? [f] : []; }) : [];
  const complaint = complaintOf(plant, liftedHot, faults, r);
  return {
    tier,
    case: { format: 'jumper-case', version: 1, id: `${tier}-${seed}`, ...(complaint.length ? { complaint } : {}), circuit: sheet, logs: [log], findings },
    truth: {
      faults: [...faults].sort(), chargeBar: plant.vesselOpen ? plant.chargeBar : null, contentL: plant.contentL, contentMeasured: (sheet.waterVolumeSource as string) === 'measured',
      riseK: Math.max(...trace.flowC) - trace.flowC[0]!, offsetBar: plant.gauge.offsetBar,
    },
  };
}

function scheduleOf(p: TruePlant, tier: Tier, r: Random): Schedule {
  const what = r.weighted([['run', 6], ['run and cool', 2.5], ['watch', 1.5], ['watch then run', 2]] as const);
  const idle = what === 'watch then run' ? r.uniform(900, 2400) : r.pick([60, 60, 120, 180]);
  const hot = r.uniform(11, 28) * 60 * (p.kind === 'wall-boiler' ? 1 : 1.5);
  const actions: Schedule['actions'] = p.kind !== 'fed' && r.chance(0.25) ? [{ atS: 0, kind: 'fill-disconnected' }] : [];
  if (what === 'watch') return { durationS: Math.round(r.uniform(1800, 5400)), heat: [], actions };
  const cool = what === 'run and cool' ? r.uniform(1200, 3600) : tier === 'logger' ? r.uniform(600, 3600) : 0;
  return { durationS: Math.round(idle + hot + cool), heat: [{ onS: Math.round(idle), offS: Math.round(idle + hot) }], actions };
}

/** What stands on the sheet: read off, estimated, wrong or left out. */
function sheetOf(p: TruePlant, r: Random): Record<string, unknown> {
  const measured = r.chance(0.25), hand = p.kind !== 'fed';
  const content = measured ? p.contentL * r.normal(1, 0.02) : p.contentL * Math.exp(r.normal(0, 0.14));
  const label = p.kind === 'fed' ? 0.83 : p.rightChargeBar;
  const sheet: Record<string, unknown> = {
    kind: 'sealed-hot-water', heatOutputKw: p.outputKw,
    gauge: { kind: p.gauge.stepBar < 0.03 ? 'sensor' : 'dial', resolutionBar: p.gauge.stepBar },
    vessel: { nominalVolumeL: Math.round(p.vesselL), ...(r.chance(0.8) ? { labelPrechargeBar: label } : {}), isolationValve: r.weighted([['none', 3], ['fitted', 2], ['fitted-with-drain', 1]]), ageYears: r.pick([2, 5, 8, 11, 14]) },
    reliefValve: { setBar: p.reliefMarkedBar },
    fill: hand ? { kind: 'manual-loop', ...(r.chance(0.5) ? { mainsBar: Math.round(10 * p.mainsBar) / 10 } : {}) } : { kind: 'reducing-valve', setBar: 0.97 },
    domesticHotWater: { kind: p.dhw },
  };
  if (measured || r.chance(0.85)) { sheet.waterVolumeL = Math.round(content); sheet.waterVolumeSource = measured ? 'measured' : 'estimated'; }
  if (r.chance(0.85)) sheet.staticHeadM = Math.round(10 * Math.max(0.5, p.staticM + r.normal(0, 0.5))) / 10;
  if (r.chance(0.85)) sheet.maxFlowC = p.limitC;
  return sheet;
}

function complaintOf(p: TruePlant, liftedHot: boolean, faults: string[], r: Random): string[] {
  const said: string[] = [];
  const losing = p.leak > 0 || p.reliefDrip > 0 || liftedHot || p.coldBar < 0.6;
  if (losing && r.chance(0.6)) said.push('topped-up-often');
  if ((liftedHot || p.reliefDrip > 0 || p.seepFill + p.seepCoil > 0) && r.chance(0.5)) said.push('drips-outside');
  if (liftedHot && r.chance(0.4)) said.push('gauge-climbs-hot');
  if (faults.includes('circuit-leak') && r.chance(0.25)) said.push('water-on-floor');
  if (faults.includes('air-in-circuit') && r.chance(0.4)) said.push('noise');
  if ((p.coldBar < 0.5 || p.overheatsK > 0) && r.chance(0.5)) said.push('locks-out');
  return said;
}

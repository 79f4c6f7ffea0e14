import type { CircuitSheet } from '../circuit/CircuitSheet';
import { vesselsOf } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import type { PressureLog } from '../log/PressureLog';
import { isolation } from './isolationPlan';
import { positionOfEvent, positionRow, toPutBack, type PositionId, type PositionSaid, type PutBack } from './positions';
import { valveGraphOf } from './valveGraphOf';

/** One reason why the boiler must not be fired: something turned, or something found. */
export type HeatBlock =
  { by: 'position'; position: PositionId; text: string } | { by: 'finding'; test: string; outcome: string; text: string };

export interface HeatRule {
  allowed: boolean;
  /** Every reason against it; empty where it is allowed. */
  blocks: HeatBlock[];
  /** What to mind where it is allowed although something is shut. */
  cautions: string[];
}

/** What the rule reads of a finding. */
interface Found {
  test: string;
  outcome?: string;
}

/** Findings on a steam boiler after which its burner stays off. Its level is then unknown, dry for firing and full for feeding, or its
 *  controls are blind. Common practice. */
const FORBIDS: Record<string, Partial<Record<string, string>>> = {
  'glass-level': {
    below: 'The glass shows too little water.',
    full: 'The glass is full: the true level is unknown.',
    jumping: 'The level jumps: it is unknown.',
  },
  'glass-follows-drain': {
    'stays-full': 'The glass does not follow: the level is unknown.',
    'stays-empty': 'The glass does not follow: the level is unknown.',
  },
  'low-water-cutoff-trip': { 'keeps-firing': 'The low-water cutoff does not stop the burner.' },
  'pigtail-blow': { blocked: 'The pigtail is blocked: pressure control and gauge are blind.' },
};

/** Whether heat may be on, and why not. The only rule of it: dock, run sheets, test cards, next tests and judge all ask here.
 *  A coil on shut valves is allowed where boiler, vessel and relief stay together: heating the other zones so is the usual stop-gap and
 *  proof. Common practice.
 *  @param away what stands away from where it belongs
 *  @param found findings that still speak of the plant as it is */
export function heatRule(sheet: CircuitSheet, away: readonly Pick<PutBack, 'position'>[], found: readonly Found[] = []): HeatRule {
  const positions = away.map((a) => a.position),
    blocks: HeatBlock[] = positions.flatMap((position): HeatBlock[] => {
      const text = positionRow(position).stopsHeat;
      return text === undefined ? [] : [{ by: 'position', position, text }];
    });
  const cautions: string[] = [];
  if (positions.includes('coil-valves') && sheet.kind === 'sealed-hot-water') {
    if (blocks.length === 0 && !isolation(valveGraphOf(sheet), positions, resolveCircuit(sheet)).mayFire)
      blocks.push({ by: 'position', position: 'coil-valves', text: 'With the coil valved off the boiler is without vessel or relief.' });
    cautions.push(COIL_SHUT);
  }
  for (const { test, outcome } of latestOf(found)) {
    const text = outcome === undefined ? undefined : FORBIDS[test]?.[outcome];
    if (text !== undefined) blocks.push({ by: 'finding', test, outcome: outcome!, text });
  }
  return { allowed: blocks.length === 0, blocks, cautions };
}

export const COIL_SHUT =
  'Coil shut off: its pump off, immersion heater off. Water shut in the coil has no relief: leave one of its valves a crack open. ' +
  'A holed coil has mains pressure in it.';

/** A test done again counts as it came out last. */
const latestOf = (found: readonly Found[]): Found[] => [...new Map(found.map((f) => [f.test, f])).values()];

/** A valve that was found shut is away until somebody opens it. */
export const positionOfFinding = ({ test, outcome }: Found): { position: PositionId; state: 'away' | 'back' } | null =>
  test !== 'vessel-valve-position' || (outcome !== 'closed' && outcome !== 'open')
    ? null
    : { position: 'vessel-valve', state: outcome === 'closed' ? 'away' : 'back' };

/** The same of a case, from its logs' events and its findings, which is all that a file tells. A drain that was opened for a while is told
 *  by no event, and so is taken to be shut. */
export function heatRuleOfCase(sheet: CircuitSheet, logs: readonly PressureLog[], found: readonly Found[]): HeatRule {
  const said: PositionSaid[] = logs.flatMap(({ startedAt, events = [] }, log) =>
    events.flatMap((e) => {
      const turned = positionOfEvent(e.kind, sheet);
      return turned ? [{ ...turned, at: timeOf(startedAt, log, e.tS) }] : [];
    }),
  );
  const away = toPutBack(said).map((p) => p.position),
    foundAway = latestOf(found).flatMap((f) => {
      const at = positionOfFinding(f);
      return at?.state === 'away' && !away.includes(at.position) ? [at.position] : [];
    });
  return heatRule(
    sheet,
    [...away, ...foundAway].map((position) => ({ position })),
    found,
  );
}

/** Logs without a start stand one after the other in the order of the file. */
const timeOf = (startedAt: string | undefined, log: number, tS: number): string =>
  new Date((startedAt ? Date.parse(startedAt) : log * LONG_S * 1000) + 1000 * tS).toISOString();
const LONG_S = 1e7;

/** Whether gauge and heat together call for the heat to go off at once. */
export type HeatOffNow = {
  reason: 'at-relief' | 'above-vessel' | 'above-relief-marking';
  nowGaugeBar: number;
  limitGaugeBar: number;
} | null;

/** How near the relief a circuit that is being heated counts as at it: a relief may open 3 % or 0.15 bar early [memory: EN ISO 4126]. */
const NEAR_BAR = 0.15,
  NEAR_SHARE = 0.03;

/** Whether the heat has to go off now: the pressure stands at or near the relief, or above what the weakest vessel is made for.
 *  @param markedGaugeBar what the relief itself is marked with, where somebody read that
 *  @param heatOn the heat is on, as far as the record says */
export function heatOffNow(sheet: CircuitSheet, nowGaugeBar: number | null, heatOn: boolean, markedGaugeBar?: number): HeatOffNow {
  if (nowGaugeBar === null) return null;
  const ratings = vesselsOf(sheet).flatMap((v) => (v.maxBar === undefined ? [] : [v.maxBar])),
    weakest = Math.min(...ratings),
    set = Math.min(sheet.reliefValve?.setBar ?? Infinity, markedGaugeBar ?? Infinity);
  if (nowGaugeBar > weakest) return { reason: 'above-vessel', nowGaugeBar, limitGaugeBar: weakest };
  if (nowGaugeBar > set + Math.max(NEAR_BAR, NEAR_SHARE * set)) return { reason: 'above-relief-marking', nowGaugeBar, limitGaugeBar: set };
  if (heatOn && nowGaugeBar >= set - Math.max(NEAR_BAR, NEAR_SHARE * set)) return { reason: 'at-relief', nowGaugeBar, limitGaugeBar: set };
  return null;
}

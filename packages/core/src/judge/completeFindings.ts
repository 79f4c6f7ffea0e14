import { USUAL_FLOOR_C, zoneOf } from '../circuit/zones';
import type { Case } from './Case';
import type { Finding } from './Finding';
import { testRow, type TestId } from './tests';

/** Of these each number says something by itself. */
const EACH_SPEAKS: ReadonlySet<TestId> = new Set(['zone-pipe-temperatures', 'flow-return']);

/** The cold pressure as somebody read it on this visit, gauge bar. */
const coldReadBar = ({ findings = [], logs = [] }: Case): number | undefined =>
  findings.find((f) => f.test === 'idle-cold-pressure')?.valueBar ?? logs[0]?.samples.pressureBar.find((p) => p !== null) ?? undefined;

/** The temperature that the sheet says a zone is set to. */
const zoneSetC = ({ zone }: Finding, { circuit }: Case): number | undefined => zoneOf(circuit, zone)?.setC;

/** What a zone that is a floor is supplied with; undefined of any other. */
function floorSetC({ zone }: Finding, { circuit }: Case): number | undefined {
  const its = zoneOf(circuit, zone);
  return its?.emitter === 'floor' ? (its.setC ?? USUAL_FLOOR_C) : undefined;
}

/** Numbers that a finding leaves out and that stand elsewhere: on the sheet, or in what else was read. A second gauge is held against the
 *  first where nobody wrote that down beside it; what a circuit was drained from is what it stood at. */
const STANDS_ELSEWHERE: { test: TestId; value: string; from: (f: Finding, visit: Case) => number | undefined }[] = [
  { test: 'mixed-supply', value: 'setC', from: zoneSetC },
  { test: 'zone-pipe-temperatures', value: 'floorSetC', from: floorSetC },
  { test: 'second-gauge', value: 'firstGaugeBar', from: (_, visit) => coldReadBar(visit) },
  { test: 'vessel-drained-volume', value: 'fromBar', from: (_, visit) => coldReadBar(visit) },
];

/** Numbers without which a test says nothing. */
function neededBy(test: TestId): string[] {
  const { outcomes, values = {} } = testRow(test);
  if (outcomes || EACH_SPEAKS.has(test)) return [];
  return Object.keys(values).filter((name) => !values[name]!.optional);
}

/** A finding with what it leaves out taken from elsewhere; who does not say how long he watched did so for as long as that test usually
 *  takes. */
export function completed(f: Finding, visit: Case): Finding {
  const needed = neededBy(f.test),
    full: Finding = { ...f };
  for (const { test, value, from } of STANDS_ELSEWHERE) if (f.test === test && full[value] === undefined) full[value] = from(f, visit);
  if (full.minutes === undefined && needed.length > 1 && needed.includes('minutes')) full.minutes = testRow(f.test).minutes;
  return full;
}

/** What is missing for a finding to be judged, once it was completed; empty where nothing is. */
export const missingFrom = (full: Finding): string[] => neededBy(full.test).filter((name) => full[name] === undefined);

import {
  heatRule,
  isolation,
  listed,
  NO_PLAN_TEXT,
  partsOn,
  placesOf,
  planOf,
  positionRow,
  resolveCircuit,
  RUN_SHEET_IDS,
  runSheet,
  runSheetRow,
  TEST_IDS,
  testPlan,
  testRow,
  trappedText,
  valveGraphOf,
  vesselsOf,
  withoutWhat,
  type CircuitSheet,
  type IsolationPlan,
  type PlacesOnMap,
  type PositionId,
  type RunSheetId,
  type TestId,
} from '@jumper/core';
import { saidText } from '../units/saidText';
import { quantityText } from '../units/quantity';
import { pressureNumber, type Units } from '../units/units';
import { capital } from '../units/words';

/** How a section stands, or will stand once what is planned is shut and drained. */
export type SectionTone = 'whole' | 'emptied' | 'trapped';
export interface DrawnSection {
  id: string;
  title: string;
  tone: SectionTone;
  line: string;
}
export interface DrawnValve {
  id: string;
  title: string;
  /** Shut now, by the record. */
  shut: boolean;
  /** Has to be shut for what is planned. */
  planned: boolean;
}
export interface PlannedStep {
  text: string;
  done: boolean;
}
export interface ValveMapView {
  /** What the map is looked at for; null where only the present is shown. */
  purpose: string | null;
  /** The gauge that must read zero, or the last reading. */
  number: { value: string; unit: string } | null;
  says: string;
  sections: DrawnSection[];
  valves: DrawnValve[];
  /** Where each part stands, for the drawing. */
  places: Required<PlacesOnMap>;
  parts: {
    vesselValve: boolean;
    vesselDrain: boolean;
    coil: boolean;
    plate: boolean;
    feed: boolean;
    outputKw: string | null;
    vesselL: string | null;
  };
  drain: 'open' | 'shut';
  trapped: string[];
  steps: PlannedStep[];
  mustNot: string[];
  putBack: string[];
  refused: string | null;
}

const runOf = (id: string | null): RunSheetId | null => RUN_SHEET_IDS.find((r) => r === id) ?? null;
const testOf = (id: string | null): TestId | null => TEST_IDS.find((t) => t === id) ?? null;

/** Everything that the valve map shows: what is shut and trapped now, and what a run sheet or a test would shut, empty and trap.
 *  @param away positions that stand away from where they belong @param forWhat a run sheet or a test, or null */
export function valveMapView(
  circuit: CircuitSheet,
  forWhat: string | null,
  away: readonly PositionId[],
  lastBar: number | null,
  units: Units,
): ValveMapView {
  const c = resolveCircuit(circuit),
    graph = valveGraphOf(circuit),
    run = runOf(forWhat),
    test = testOf(forWhat);
  const planned = run ? planOf(run, circuit) : test ? testPlan(test, circuit) : null,
    plan = planned?.kind === 'plan' ? planned : null,
    now = isolation(graph, away, c);
  const litres = (x: number) => quantityText(x, 'volume', units),
    trapped = plan ? plan.trapped : now.trapped.length > 0 && now.regions.length > 1 ? now.trapped : [];
  const sections = graph.sections.map((s): DrawnSection => {
    const shutIn = trapped.find((t) => t.sections.includes(s.id)),
      emptied = plan?.drained.includes(s.id) ?? false;
    return {
      id: s.id,
      title: s.title,
      tone: emptied ? 'emptied' : shutIn ? 'trapped' : 'whole',
      line: emptied ? 'emptied' : shutIn ? `${litres(Math.round(s.litres))} shut in, ${withoutWhat(shutIn)}` : litres(Math.round(s.litres)),
    };
  });
  const vessel = vesselsOf(circuit)[0],
    heat = heatRule(
      circuit,
      away.map((position) => ({ position })),
    );
  return {
    purpose: run ? runSheetRow(run).title : test ? testRow(test).title : null,
    number: lastBar === null ? null : { value: pressureNumber(lastBar, units.pressure), unit: units.pressure },
    says: numberSays(plan, lastBar),
    sections,
    valves: graph.links.flatMap((l) =>
      l.valve
        ? [
            {
              id: l.id,
              title: l.valve.title,
              shut: away.includes(l.valve.position),
              planned: plan?.shut.some((v) => v.link === l.id) ?? false,
            },
          ]
        : [],
    ),
    places: placesOf(circuit),
    parts: {
      vesselValve: (vessel?.isolationValve ?? 'none') !== 'none',
      vesselDrain: vessel?.isolationValve === 'fitted-with-drain',
      coil:
        partsOn(
          graph,
          'coil',
          graph.sections.map((s) => s.id),
        ).length > 0,
      plate:
        partsOn(
          graph,
          'plate',
          graph.sections.map((s) => s.id),
        ).length > 0,
      feed: circuit.fill?.kind !== 'none',
      outputKw: circuit.heatOutputKw === undefined ? null : quantityText(circuit.heatOutputKw, 'power', units),
      vesselL: vessel?.nominalVolumeL === undefined ? null : litres(vessel.nominalVolumeL),
    },
    drain: away.includes('drain') || away.includes('vessel-drain') ? 'open' : 'shut',
    trapped: trapped.map((t) => saidText(trappedText(t), units)),
    steps: plan ? stepsOfPlan(run, plan, circuit, away, units) : [],
    mustNot: plan
      ? ['No heat, no immersion heater on what is shut in, until all is put back.']
      : [...heat.blocks.map((b) => b.text), ...heat.cautions],
    putBack: plan ? plan.putBack.map((p) => positionRow(p).title) : [],
    refused: planned?.kind === 'impossible' ? NO_PLAN_TEXT[planned.why] : null,
  };
}

/** What the number on top means here. */
function numberSays(plan: IsolationPlan | null, lastBar: number | null): string {
  if (!plan) return lastBar === null ? 'No reading yet' : 'as last read';
  if (plan.zeroGauge === null)
    return 'This gauge says nothing of the emptied part: its own open drain must run dry before anything is undone.';
  return lastBar !== null && lastBar <= 0.02
    ? 'The gauge reads zero on the emptied side.'
    : 'The gauge must read 0 before anything is undone.';
}

/** The order of shutting and emptying, with what the record says is done. A run sheet says it in its own words. */
function stepsOfPlan(
  run: RunSheetId | null,
  plan: IsolationPlan,
  circuit: CircuitSheet,
  away: readonly PositionId[],
  units: Units,
): PlannedStep[] {
  const is = (...positions: PositionId[]) => positions.every((p) => away.includes(p));
  if (run) {
    const upToZero = runSheet(run, circuit).steps;
    const end = upToZero.findIndex((s) => s.id === 'zero');
    return upToZero
      .slice(0, end + 1)
      .filter((s) => s.id !== 'found' && s.id !== 'where')
      .map((s) => {
        const turned = (s.turns ?? []).filter((t) => t.state === 'away').map((t) => t.position);
        return { text: saidText(s.text, units), done: turned.length > 0 && is(...turned) };
      });
  }
  return [
    { text: 'Heat off', done: is('boiler-power') },
    { text: 'Feed and bypass shut, a unit off', done: is('feed-valve') },
    ...(plan.shut.length > 0
      ? [{ text: capital(`${listed(plan.shut.map((v) => v.title))} shut`), done: plan.shut.every((v) => is(v.position)) }]
      : []),
    { text: capital(`${plan.drain} open`), done: is(plan.drainPosition) },
    ...(plan.vent ? [{ text: capital(`${plan.vent} open`), done: is('vents') }] : []),
  ];
}

import { z } from 'zod';
import {
  COMPLAINTS,
  COMPONENT_PLACES,
  COMPONENTS,
  EVENT_KINDS,
  MAP_SIDES,
  REPAIR_KINDS,
  REPLACEABLE_PARTS,
  TEST_IDS,
  TESTS,
  type Case,
  type CircuitSheet,
  type Finding,
  type PressureLog,
  type TestRow,
  type ValueSpec,
} from '@jumper/core';

/** The ranges that the product takes as sensible; outside them a file or a form is refused with the field's path. */
export const RANGE = {
  gaugeBar: { least: -1, most: 25 },
  temperatureC: { least: -20, most: 250 },
} as const;

const within = (least: number, most: number) => z.number().min(least, `must be at least ${least}`).max(most, `must be at most ${most}`);
const above = (most: number) => z.number().gt(0, 'must be above 0').max(most, `must be at most ${most}`);
export const gaugeBar = within(RANGE.gaugeBar.least, RANGE.gaugeBar.most);
export const temperatureC = within(RANGE.temperatureC.least, RANGE.temperatureC.most);
const ageYears = within(0, 150);

/** With or without its offset: one without is as the clock stood there. */
const isoTime = z.iso.datetime({ offset: true, local: true, message: 'must be an ISO 8601 time' });

const vessel = z.looseObject({
  nominalVolumeL: above(100_000).optional(),
  labelPrechargeBar: within(0, 16).optional(),
  targetPrechargeBar: within(0, 16).optional(),
  isolationValve: z.enum(['none', 'fitted', 'fitted-with-drain']).optional(),
  ageYears: ageYears.optional(),
  heightAboveGaugeM: within(-200, 200).optional(),
  maxBar: above(100).optional(),
});

const emitter = z.looseObject({
  kind: z.string().optional(),
  count: above(10_000).optional(),
  lengthM: above(100_000).optional(),
  outputKw: above(100_000).optional(),
});
/** A list tells the content; a word or anything else is kept and tells nothing. */
const emitters = z.union([z.array(z.union([emitter, z.string()])), z.string(), z.looseObject({})]);

const zone = z.looseObject({
  id: z.string(),
  control: z.enum(['circulator', 'zone-valve']).optional(),
  emitter: z.enum(['radiator', 'floor', 'cylinder']).optional(),
  mixing: z.boolean().optional(),
  setC: temperatureC.optional(),
});

const keysOf = <T extends Record<string, unknown>>(table: T) => Object.keys(table) as [keyof T & string, ...(keyof T & string)[]];

const component = z.looseObject({
  id: z.string(),
  kind: z.enum(keysOf(COMPONENTS)),
  at: z.enum(keysOf(COMPONENT_PLACES)).optional(),
  name: z.string().max(120, 'must be at most 120 characters').optional(),
  rating: z.string().max(120, 'must be at most 120 characters').optional(),
  state: z.enum(['open', 'shut', 'part-open']).optional(),
  ageYears: ageYears.optional(),
  note: z.string().max(2000, 'must be at most 2000 characters').optional(),
});

const side = z.enum(MAP_SIDES);
/** A side of the boiler's valves; `nowhere` is refused with the field's path where a circuit cannot be without the part. */
const sideOfWhatMustBe = (what: string) =>
  z.enum([...MAP_SIDES, 'nowhere']).refine((s) => s !== 'nowhere', { message: `must be on a section: a sealed circuit has ${what}` });

/** Which side of the boiler's valves each part stands on. */
const valveMap = z.looseObject({
  boilerValves: z.enum(['fitted', 'none']).optional(),
  coilValves: z.enum(['fitted', 'none']).optional(),
  vessel: side.optional(),
  relief: sideOfWhatMustBe('a relief valve').optional(),
  gauge: sideOfWhatMustBe('a gauge').optional(),
  feed: side.optional(),
  drain: z.enum([...MAP_SIDES, 'both', 'nowhere']).optional(),
  plate: side.optional(),
  coil: side.optional(),
  pump: side.optional(),
});

export const circuitSheet = z
  .looseObject({
    kind: z.enum(['sealed-hot-water', 'steam']),
    waterVolumeL: above(1_000_000).optional(),
    waterVolumeSource: z.enum(['measured', 'estimated']).optional(),
    emitters: emitters.optional(),
    glycolPercent: within(0, 60).optional(),
    glycol: z.enum(['propylene', 'ethylene']).optional(),
    heatOutputKw: above(100_000).optional(),
    boilerVolumeL: above(100_000).optional(),
    staticHeadM: within(0, 150).optional(),
    altitudeM: within(-400, 5000).optional(),
    gauge: z.looseObject({ kind: z.enum(['dial', 'sensor', 'unnumbered']).optional(), resolutionBar: above(2).optional() }).optional(),
    vessel: vessel.optional(),
    vessels: z.array(vessel).optional(),
    reliefValve: z.looseObject({ setBar: above(25), ageYears: ageYears.optional(), capacityKw: above(100_000).optional() }).optional(),
    fill: z
      .looseObject({
        kind: z.enum(['manual-loop', 'reducing-valve', 'pressurisation-unit', 'automatic-feeder', 'hand-valve', 'none']),
        mainsBar: within(0, 25).optional(),
        setBar: gaugeBar.optional(),
        cutInBar: gaugeBar.optional(),
        cutOutBar: gaugeBar.optional(),
        leftConnected: z.boolean().optional(),
        valve: z.enum(['open', 'shut']).optional(),
      })
      .optional(),
    pump: z.looseObject({ position: z.enum(['towards-vessel', 'away-from-vessel']).optional() }).optional(),
    domesticHotWater: z.looseObject({ kind: z.enum(['plate-exchanger', 'indirect-coil', 'none']) }).optional(),
    maxFlowC: within(20, 180).optional(),
    ageYears: ageYears.optional(),
    returnKind: z.enum(['wet', 'dry']).optional(),
    buriedReturn: z.boolean().optional(),
    zones: z.array(zone).optional(),
    openVented: z.boolean().optional(),
    components: z.array(component).optional(),
    valveMap: valveMap.optional(),
  })
  .superRefine((c, ctx) => {
    if (c.kind === 'sealed-hot-water' && c.reliefValve === undefined)
      ctx.addIssue({ code: 'custom', path: ['reliefValve', 'setBar'], message: 'is required for a sealed circuit' });
  });

const logEvent = z.looseObject({
  tS: z.number().min(0, 'must be at least 0'),
  kind: z.enum(EVENT_KINDS),
  volumeL: above(100_000).optional(),
  text: z.string().optional(),
});

const samples = z
  .looseObject({
    tS: z.array(z.number().min(0, 'must be at least 0')),
    pressureBar: z.array(gaugeBar.nullable()),
    flowC: z.array(temperatureC.nullable()).optional(),
    returnC: z.array(temperatureC.nullable()).optional(),
  })
  .superRefine((s, ctx) => {
    for (const channel of ['pressureBar', 'flowC', 'returnC'] as const) {
      const values = s[channel];
      if (values && values.length !== s.tS.length)
        ctx.addIssue({ code: 'custom', path: [channel], message: `has ${values.length} values for ${s.tS.length} times` });
    }
    const back = s.tS.findIndex((t, i) => i > 0 && t < s.tS[i - 1]!);
    if (back > 0) ctx.addIssue({ code: 'custom', path: ['tS', back], message: 'runs backwards' });
  });

const epoch = z.enum(['as-found', 'after-work']);

export const pressureLog = z.looseObject({
  startedAt: isoTime.optional(),
  source: z.enum(['hand', 'logger', 'csv', 'camera']).optional(),
  epoch: epoch.optional(),
  samples,
  events: z.array(logEvent).optional(),
});

const valueOf = ({ least, most }: ValueSpec) => within(least, most).optional();

/** One finding's schema, made from the test's row of the catalogue. Every number may be left out, but not all of them: what is missing is
 *  taken from elsewhere, or the finding says nothing. */
function findingOf(test: string, row: TestRow) {
  const numbers = Object.keys(row.values ?? {});
  const shape = z.looseObject({
    test: z.literal(test),
    epoch: epoch.optional(),
    atS: z.number().min(0, 'must be at least 0').optional(),
    at: isoTime.optional(),
    proposed: z.boolean().optional(),
    ...(row.outcomes ? { outcome: z.enum(row.outcomes as [string, ...string[]]) } : {}),
    ...Object.fromEntries(Object.entries(row.values ?? {}).map(([name, spec]) => [name, valueOf(spec)])),
    ...Object.fromEntries((row.flags ?? []).map((name) => [name, z.boolean().optional()])),
    ...Object.fromEntries(
      Object.entries(row.words ?? {}).map(([name, words]) => [
        name,
        (words.length ? z.enum(words as [string, ...string[]]) : z.string()).optional(),
      ]),
    ),
  });
  if (row.outcomes) return shape;
  return shape
    .superRefine((f, ctx) => {
      if (numbers.every((name) => (f as Record<string, unknown>)[name] === undefined))
        ctx.addIssue({ code: 'custom', path: [numbers[0]!], message: 'is required' });
    })
    .meta({ anyOf: numbers.map((name) => ({ required: [name] })) });
}

const findingOptions = TEST_IDS.map((id) => findingOf(id, TESTS[id]));
export const finding = z.discriminatedUnion(
  'test',
  findingOptions as unknown as [ReturnType<typeof findingOf>, ...ReturnType<typeof findingOf>[]],
);

export const repair = z.looseObject({
  kind: z.enum(REPAIR_KINDS),
  at: isoTime.optional(),
  toBar: gaugeBar.optional(),
  /** What was done, of a repair that is none of the others. */
  text: z.string().max(400).optional(),
});

export const complaint = z.enum(COMPLAINTS);

/** The open case file. Unknown keys are kept; an unknown kind, test, outcome or event is an error. */
export const caseFile = z.looseObject({
  format: z.literal('jumper-case'),
  version: z.literal(1),
  id: z.string(),
  title: z.string().optional(),
  complaint: z.array(complaint).optional(),
  alreadyDone: z.array(z.looseObject({ part: z.enum(REPLACEABLE_PARTS) })).optional(),
  partsInHand: z.array(z.enum(REPLACEABLE_PARTS)).optional(),
  circuit: circuitSheet,
  logs: z.array(pressureLog).optional(),
  findings: z.array(finding).optional(),
  repairs: z.array(repair).optional(),
});

// The schemas and the core's plain types say the same: a change to one that the other does not follow does not compile.
type Loosened<T> = T extends (infer U)[] ? Loosened<U>[] : T extends object ? { [K in keyof T]?: Loosened<T[K]> } : T;
const _sheet: Loosened<Omit<CircuitSheet, 'emitters'>> = {} as z.infer<typeof circuitSheet>;
const _log: Loosened<PressureLog> = {} as z.infer<typeof pressureLog>;
void _sheet;
void _log;

/** A parsed case as the core takes it. */
export const asCase = (parsed: z.infer<typeof caseFile>): Case => parsed as unknown as Case;
export const asSheet = (parsed: z.infer<typeof circuitSheet>): CircuitSheet => parsed as unknown as CircuitSheet;
export const asFinding = (parsed: z.infer<typeof finding>): Finding => parsed as unknown as Finding;

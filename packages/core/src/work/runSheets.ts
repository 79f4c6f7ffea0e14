import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { inBar, inCelsius, say } from '../units/said';
import { ventingGaugeBar } from './ventingPressure';
import { isolationPlan, type IsolationPlan, type NoPlan, type Worked } from '../valves/isolationPlan';
import { NO_PLAN_TEXT } from '../valves/isolationWords';
import type { PositionId } from '../valves/positions';
import { valveGraphOf } from '../valves/valveGraphOf';
import type { RunSheet, RunSheetRow, RunStep } from './RunSheet';
import {
  emptied,
  FOUND,
  feedOff,
  feedOn,
  heatOff,
  HOT_TAPS,
  LEAK_FLUID,
  lowStop,
  POWER,
  PUMP,
  putBack,
  reopened,
  type RunContext,
} from './runSteps';

/** A repair as data: what it is, which part it is on, and its steps from the plan that empties that part. */
interface RunSheetSource extends RunSheetRow {
  /** What has to be emptied for it; left out where nothing is, or where it says itself what. */
  on?: Worked;
  /** Valves that stay open although they could be shut. */
  keepOpen?: PositionId[];
  steps: (ctx: RunContext) => RunStep[];
  /** Why it is not done on this circuit; null where nothing stands against it. */
  refuses?: (sheet: CircuitSheet) => string | null;
}

/** Water cool enough to be opened, and to be frozen, °C. Common practice. */
const COOL_C = 50,
  FREEZE_C = 30;
const GAS_OUT: RunStep = { id: 'release', text: 'Let the gas out at the air valve', caution: 'Stored gas: face away.', must: true };
/** While the drain of the emptied part stands open, nothing is behind what is undone. */
const BEHIND_NOTHING = 'Not before its own side reads zero and no water comes.';
const NEW_RELIEF_DRIPS: NonNullable<RunStep['branch']> = {
  title: 'It drips',
  steps: [
    'Rating on its cap, and arrow with the flow: right?',
    'Read a second gauge: is the circuit really too high?',
    'Grit from the fitting on its seat: turn it open for a moment, let it snap shut.',
    'Drips still: the seat is faulty. Another new one, not a plug.',
  ],
};
const CREEP_WATCH: RunStep = {
  id: 'creep',
  text: 'Creep watch: heat off, feed open, the gauge stands still',
  note: 'It climbs past the setting: valve or bypass lets by.',
  timerMin: 10,
  must: true,
};

/** Repairs as run sheets. Common practice; local codes and the maker's instructions win. */
const SOURCES = {
  recharge: {
    title: 'Recharge the vessel',
    when: 'Gas lost, diaphragm and core sound.',
    minutes: 35,
    coolBelowC: COOL_C,
    repairs: ['vessel-recharged'],
    on: { part: 'vessel' },
    steps: (ctx) => [...emptied(ctx, COOL_C), PUMP.read, ...PUMP.pump(ctx, 'vessel-recharged'), LEAK_FLUID, ...putBack(ctx), POWER],
  },
  'core-change': {
    title: 'Change the valve core and recharge',
    when: 'Bubbles at the air valve.',
    minutes: 40,
    coolBelowC: COOL_C,
    repairs: ['core-changed', 'vessel-recharged'],
    on: { part: 'vessel' },
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      PUMP.read,
      GAS_OUT,
      {
        id: 'core',
        text: 'Screw the core out, new core in, a trace of grease',
        fits: 'valve-core',
        note: 'A car tyre’s core fits.',
        repairs: ['core-changed'],
      },
      ...PUMP.pump(ctx, 'vessel-recharged'),
      LEAK_FLUID,
      ...putBack(ctx),
      POWER,
    ],
  },
  'vessel-change': {
    title: 'Change the vessel',
    when: 'Diaphragm holed, or the vessel is too small.',
    minutes: 90,
    coolBelowC: COOL_C,
    repairs: ['vessel-changed'],
    on: { part: 'vessel' },
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      { ...GAS_OUT, caution: 'Stored gas: face away. Water may come with it.' },
      {
        id: 'down',
        text: 'Take its weight, counter-hold the pipe, undo it',
        note: BEHIND_NOTHING,
        caution: 'Full of water it weighs its litres more in kilograms. Two people for the large ones.',
      },
      { id: 'compare', text: 'Compare the new vessel with the old: volume, thread, rating', fits: 'vessel', must: true },
      {
        id: 'set',
        text: 'Set the new vessel’s charge before any water',
        note: 'It rarely comes as its label says.',
        asks: 'charge-set',
        must: true,
      },
      { id: 'fit', text: 'New washer, fit it, tighten while counter-holding', repairs: ['vessel-changed'] },
      LEAK_FLUID,
      ...putBack(ctx),
      POWER,
    ],
  },
  'relief-change': {
    title: 'Change the relief valve',
    when: 'It passes, lifts early, is of the wrong rating or too old.',
    minutes: 40,
    coolBelowC: COOL_C,
    repairs: ['relief-changed'],
    on: { part: 'relief' },
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      {
        id: 'compare',
        text: 'Compare the new valve with the old: set pressure, capacity, seat, thread, outlet',
        fits: 'relief-valve',
        must: true,
        note: 'A look-alike of another rating means draining twice.',
      },
      {
        id: 'off',
        text: 'Old valve off',
        turns: [{ position: 'relief', state: 'away' }],
        note: BEHIND_NOTHING,
        caution: 'Never plug the opening, not even to go and fetch something.',
      },
      {
        id: 'fit',
        text: 'Clean the fitting, new valve on, arrow with the flow, no valve between',
        turns: [{ position: 'relief', state: 'back' }],
        repairs: ['relief-changed'],
        must: true,
      },
      {
        id: 'pipe',
        text: 'Discharge pipe on: as wide as the outlet or wider, falling all the way, no valve in it',
        note: 'Indoors it ends 15–20 cm (6–8 in) above the floor; outdoors it is turned back to the wall, where nobody stands.',
        must: true,
      },
      ...putBack(ctx),
      {
        id: 'stays-dry',
        text: 'Dry the end of the discharge and watch: it stays dry',
        timerMin: 5,
        must: true,
        branch: NEW_RELIEF_DRIPS,
      },
      POWER,
    ],
  },
  'triple-change': {
    title: 'Feed valve, vessel and relief together',
    when: 'A fed circuit of age, when the company changes the set.',
    minutes: 150,
    coolBelowC: COOL_C,
    repairs: ['feed-changed', 'vessel-changed', 'relief-changed'],
    on: { parts: ['vessel', 'relief', 'feed'] },
    keepOpen: ['vessel-valve'],
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      { id: 'feed', text: 'New feed valve: direction, setting', fits: 'reducing-valve', repairs: ['feed-changed'], must: true },
      { ...GAS_OUT, text: 'Let the vessel’s gas out at its air valve' },
      { id: 'vessel', text: 'New vessel, compared with the old', note: BEHIND_NOTHING, fits: 'vessel', must: true },
      {
        id: 'set',
        text: 'Set its charge to the feed’s pressure before any water',
        asks: 'charge-set',
        repairs: ['vessel-changed'],
        must: true,
      },
      {
        id: 'off',
        text: 'Old relief off',
        turns: [{ position: 'relief', state: 'away' }],
        caution: 'Never plug the opening.',
      },
      {
        id: 'relief',
        text: 'New relief on: rating, capacity at least the boiler’s output',
        fits: 'relief-valve',
        repairs: ['relief-changed'],
        turns: [{ position: 'relief', state: 'back' }],
        must: true,
      },
      { id: 'vents', text: 'New automatic vent, cap loose' },
      LEAK_FLUID,
      ...putBack(ctx),
      { id: 'stays-dry', text: 'The discharge pipe stays dry', timerMin: 5, must: true, branch: NEW_RELIEF_DRIPS },
      CREEP_WATCH,
      POWER,
    ],
  },
  'feed-valve': {
    title: 'Change the feed or fill valve',
    when: 'It creeps, lets by, or does not fill.',
    minutes: 45,
    coolBelowC: COOL_C,
    repairs: ['feed-changed'],
    on: { part: 'feed' },
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      { id: 'compare', text: 'Compare new with old: range, thread, direction', fits: 'reducing-valve', must: true },
      { id: 'fit', text: 'Fit it, arrow with the flow, strainer clean', note: BEHIND_NOTHING, repairs: ['feed-changed'] },
      ...putBack(ctx),
      ctx.circuit.fedByItself ? CREEP_WATCH : { ...CREEP_WATCH, text: 'Creep watch: heat off, fill valves shut, the gauge stands still' },
      POWER,
    ],
  },
  'plate-change': {
    title: 'Prove and change the plate exchanger',
    when: 'Water comes through with the loop off.',
    minutes: 75,
    coolBelowC: COOL_C,
    who: 'Under the boiler’s cover: licensed people only.',
    repairs: ['plate-changed'],
    on: { part: 'plate' },
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      { id: 'dhw-off', text: 'Shut the boiler’s cold inlet', turns: [{ position: 'dhw-valves', state: 'away' }], must: true },
      { id: 'tap', text: 'Open a hot tap: it runs dry', must: true },
      { id: 'compare', text: 'Compare new plate with old: plates, ports, seals', fits: 'plate-exchanger', must: true },
      { id: 'fit', text: 'New seals, flow arrow, catch the water', note: BEHIND_NOTHING, repairs: ['plate-changed'] },
      ...lowStop(ctx),
      ...reopened(ctx.plan),
      { id: 'dhw-on', text: 'Cold inlet open, tap shut', turns: [{ position: 'dhw-valves', state: 'back' }], must: true },
      ...feedOn(ctx, 'venting boiler and plate as it fills'),
      { id: 'vented', text: 'Vent boiler and plate until no air comes', must: true },
      {
        id: 'watch',
        text: 'Proof: loop off, heat off, the gauge stands still',
        timerMin: 15,
        must: true,
        proves: 'fill-disconnected-watch',
      },
      HOT_TAPS,
      POWER,
    ],
  },
  'coil-isolation': {
    title: 'Isolate the coil, or change it',
    when: 'The pressure holds with the coil shut off.',
    minutes: 30,
    coolBelowC: COOL_C,
    who: 'Work on an unvented cylinder: licensed people where the law says so.',
    repairs: ['coil-changed'],
    steps: ({ sheet, circuit }) => [
      heatOff(COOL_C),
      FOUND,
      ...feedOff(sheet),
      {
        id: 'immersion',
        text: 'Cylinder’s pump and immersion heater off',
        turns: [{ position: 'immersion', state: 'away' }],
        must: true,
      },
      {
        id: 'coil-off',
        text: 'Shut the coil’s flow and return',
        turns: [{ position: 'coil-valves', state: 'away' }],
        must: true,
        caution:
          'A holed coil has mains pressure in it. Water shut in the coil has no relief: warmed by the cylinder it can burst it. ' +
          'For a change, open its union a crack now; left shut, leave one valve a crack open.',
      },
      { id: 'watch', text: 'The gauge must hold now', timerMin: 20, must: true, proves: 'coil-isolated-watch' },
      {
        id: 'cylinder',
        text: 'For a change: shut the cylinder’s cold supply, open a hot tap, drain the cylinder',
        turns: [{ position: 'cylinder-cold', state: 'away' }],
      },
      {
        id: 'mend',
        text: 'Coil or cylinder renewed, or disconnected and capped',
        repairs: ['coil-changed'],
        note: 'Left shut only: leave this step out. The other zones may be heated; it is recorded as temporary.',
      },
      {
        id: 'cylinder-on',
        text: 'Cylinder full again, its cold supply open',
        turns: [{ position: 'cylinder-cold', state: 'back' }],
        must: true,
      },
      {
        id: 'coil-on',
        text: 'Open the valves of the new coil',
        note: 'Parted or only left shut: leave this step out. The list keeps it.',
        turns: [{ position: 'coil-valves', state: 'back' }],
      },
      ...feedOn({ sheet, circuit }),
      {
        id: 'immersion-on',
        text: 'Immersion heater as it was found, once the cylinder is full',
        note: 'A store is kept at 60 °C where the local rules on hygiene say so; at the taps that scalds: mixing valve.',
        turns: [{ position: 'immersion', state: 'back' }],
        must: true,
      },
      HOT_TAPS,
      POWER,
    ],
  },
  'connection-clearing': {
    title: 'Clear the vessel’s connection',
    when: 'The vessel tests well and the swing stays.',
    minutes: 50,
    coolBelowC: COOL_C,
    repairs: ['connection-cleared'],
    on: { part: 'vessel' },
    keepOpen: ['vessel-valve'],
    steps: (ctx) => [
      ...emptied(ctx, COOL_C),
      {
        id: 'hose',
        text: 'Hose or pipe off at both ends',
        note: BEHIND_NOTHING,
        caution: 'Blocked, the vessel still pushes behind the plug: let its gas out first, towel round it, face away.',
      },
      {
        id: 'clear',
        text: 'Rod and flush it, or renew it; look into the port',
        must: true,
        proves: 'vessel-connection-flow',
        repairs: ['connection-cleared'],
      },
      { id: 'fit', text: 'New washers, fit it' },
      ...PUMP.pump(ctx).slice(0, 1),
      PUMP.set,
      ...putBack(ctx),
      POWER,
    ],
  },
  'gauge-change': {
    title: 'Change the gauge or sensor',
    when: 'A second gauge says otherwise.',
    minutes: 30,
    coolBelowC: COOL_C,
    repairs: ['gauge-changed'],
    on: { part: 'gauge' },
    steps: (ctx) => [
      ...emptied(ctx, COOL_C).map((s): RunStep =>
        s.id === 'zero'
          ? {
              id: 'zero',
              text: 'Open drain run dry: no more water comes',
              note: 'The old gauge may lie: it is not asked.',
              caution: 'Undo nothing while water still comes.',
              must: true,
            }
          : s,
      ),
      { id: 'compare', text: 'Compare new with old: range, thread, plug', fits: 'gauge', must: true },
      { id: 'fit', text: 'Fit it', repairs: ['gauge-changed'] },
      { id: 'zero-new', text: 'The new one must read zero now', asks: 'gauge-zero', must: true, proves: 'gauge-at-zero' },
      ...putBack(ctx),
      POWER,
    ],
  },
  'drain-refill': {
    title: 'Drain down and refill',
    when: 'Work on the circuit itself.',
    minutes: 120,
    coolBelowC: COOL_C,
    repairs: [],
    steps: ({ sheet, circuit }) =>
      [
        heatOff(COOL_C),
        FOUND,
        ...feedOff(sheet),
        { id: 'motor', text: 'Motor valves held open by hand', turns: [{ position: 'motor-valve', state: 'away' }] },
        {
          id: 'drain',
          text: 'Hose on the lowest drain to a safe place, open it',
          note: 'It stays open until the end. Treated water goes into a container or a foul drain, not to the ground.',
          turns: [{ position: 'drain', state: 'away' }],
          must: true,
        },
        {
          id: 'vents',
          text: 'Vents open from the top down, heads and lockshields open',
          note: 'Or nothing runs out. Only the floors that need it.',
          turns: [{ position: 'vents', state: 'away' }],
        },
        { id: 'out', text: 'Litres that came out', asks: 'litres-out' },
        { id: 'work', text: 'The work itself', must: true },
        { id: 'vents-shut', text: 'All vents shut, lockshields as they were', turns: [{ position: 'vents', state: 'back' }], must: true },
        { id: 'shut-drain', text: 'Shut the drain, hose off', turns: [{ position: 'drain', state: 'back' }], must: true },
        ...feedOn(
          { sheet, circuit: { ...circuit, fillGaugeBar: ventingGaugeBar(circuit.staticGaugeBar) } },
          'never more while venting',
        ).map((s) => (s.id === 'loop-off' || s.id === 'feed-shut' ? null : s)),
        {
          id: 'bleed',
          text: 'Bleed each from the bottom floor to the top; top up, again until no air comes',
          note: say`The gauge stays above ${inBar(circuit.staticGaugeBar)}, the water above it, or air is sucked in at the top.`,
        },
        { id: 'motor-back', text: 'Motor valves released', turns: [{ position: 'motor-valve', state: 'back' }], must: true },
        { id: 'dose', text: 'Dose inhibitor, and antifreeze, for the litres that came out' },
        ...feedOn({ sheet, circuit }).filter((s) => s.id === 'loop-off' || s.id === 'feed-shut'),
        POWER,
        { id: 'hot', text: 'Heat, then bleed once more with the heat and pump off' },
      ].filter((s): s is RunStep => s !== null),
  },
  'pipe-freeze': {
    title: 'Freeze a pipe for a valve change',
    when: 'A section that cannot be drained.',
    minutes: 60,
    coolBelowC: FREEZE_C,
    repairs: ['other'],
    refuses: ({ glycolPercent = 0 }) =>
      glycolPercent > 0 ? 'There is antifreeze in the water: it forms no plug that holds. Drain the section instead.' : null,
    steps: ({ sheet }) => [
      heatOff(FREEZE_C),
      FOUND,
      { id: 'no-glycol', text: 'No antifreeze in the water: test it, or ask who filled it', must: true },
      ...feedOff(sheet),
      {
        id: 'still',
        text: 'Pumps off: the water stands still',
        turns: [{ position: 'pumps', state: 'away' }],
        must: true,
      },
      {
        id: 'air-room',
        text: 'Air the room, look after the gas bottle',
        caution: 'CO₂ in a closed room suffocates. Not in a pit or cellar without air from outside.',
        must: true,
      },
      { id: 'time', text: 'Freezing time that the maker gives for this bore and material', asks: 'freeze-minutes', must: true },
      { id: 'jacket', text: 'Jackets on both sides of the valve', caution: 'Cold burns: gloves.', must: true },
      {
        id: 'freeze',
        text: 'Freeze for that time',
        turns: [{ position: 'freeze-plug', state: 'away' }],
        must: true,
      },
      {
        id: 'crack',
        text: 'Crack the joint slowly: no more than what stands between may come',
        caution: 'Water keeps coming: tighten again, freeze longer.',
        must: true,
      },
      { id: 'work', text: 'New valve in, and SHUT; watch the plugs, keep them cold', timerMin: 20, must: true, repairs: ['other'] },
      {
        id: 'thaw',
        text: 'Let it thaw by itself: the new valve stays SHUT until the joints are thawed and tight',
        turns: [{ position: 'freeze-plug', state: 'back' }],
        must: true,
      },
      { id: 'valve-open', text: 'New valve open slowly, joints still dry', must: true },
      ...feedOn({ sheet, circuit: resolveCircuit(sheet) }, 'back to what was found'),
      { id: 'pumps-on', text: 'Pumps on as they were found', turns: [{ position: 'pumps', state: 'back' }], must: true },
      POWER,
    ],
  },
  'air-cushion': {
    title: 'Air cushion while a vessel is on order',
    when: 'A stop-gap. It is recorded as temporary.',
    minutes: 30,
    coolBelowC: COOL_C,
    repairs: [],
    temporary: true,
    steps: ({ sheet, circuit }) => [
      heatOff(COOL_C),
      FOUND,
      ...feedOff(sheet),
      {
        id: 'radiator',
        text: 'Spare upper radiator: thermostatic head off, both of its valves shut',
        note: 'Shut by the lockshield too: count the turns.',
        must: true,
      },
      {
        id: 'radiator-drain',
        text: 'Its vent open, then drain it below, at the lockshield’s union or its drain',
        note: 'The vent only lets air in: nothing runs out of it.',
        caution: 'Catch the water: a cloth, a tray.',
        must: true,
      },
      {
        id: 'air',
        text: 'Air left in it: a third of the radiator, or the top 13–15 cm (5–6 in)',
        asks: 'air-litres',
        must: true,
      },
      {
        id: 'open',
        text: 'Its vent shut, union tight, its valves open again: the air stays as a cushion',
        turns: [{ position: 'air-cushion', state: 'away' }],
        must: true,
      },
      {
        id: 'limit',
        text: 'Lower the flow temperature to what the work page gives',
        note: say`Hot-water stores: kept at ${inCelsius(60)} where the local rules on hygiene say so.`,
        turns: [{ position: 'flow-temperature', state: 'away' }],
        must: true,
      },
      ...feedOn({ sheet, circuit }, 'with no venting of that radiator'),
      POWER,
    ],
  },
} as const satisfies Record<string, RunSheetSource>;

export type RunSheetId = keyof typeof SOURCES;
export const RUN_SHEET_IDS = Object.keys(SOURCES) as RunSheetId[];
/** What a run sheet is, whatever the circuit. */
export const runSheetRow = (id: RunSheetId): RunSheetRow => SOURCES[id];

/** How the part that a run sheet works on is emptied; null where nothing is, or the sheet says itself how. */
export function planOf(id: RunSheetId, sheet: CircuitSheet): IsolationPlan | NoPlan | null {
  const source: RunSheetSource = SOURCES[id];
  return source.on === undefined
    ? null
    : isolationPlan(valveGraphOf(sheet), source.on, resolveCircuit(sheet), { keepOpen: source.keepOpen ?? [] });
}

/** A run sheet for this circuit: what is shut, drained, read at zero and opened again follows from where its parts stand. */
export function runSheet(id: RunSheetId, sheet: CircuitSheet): RunSheet {
  const source: RunSheetSource = SOURCES[id],
    { steps, on: _on, keepOpen: _keepOpen, refuses, ...row } = source,
    refused = refuses?.(sheet) ?? null;
  if (refused !== null) return { ...row, steps: [], refused };
  const plan = planOf(id, sheet),
    circuit = resolveCircuit(sheet);
  if (plan?.kind === 'impossible') return { ...row, steps: [], refused: NO_PLAN_TEXT[plan.why] };
  return { ...row, steps: steps({ sheet, circuit, plan: plan ?? NOTHING_EMPTIED }) };
}

/** Stands in where a sheet empties nothing by the map. */
const NOTHING_EMPTIED: IsolationPlan = {
  kind: 'plan',
  shut: [],
  drained: [],
  drainedTitle: '',
  drain: 'drain',
  drainPosition: 'drain',
  vent: null,
  zeroGauge: null,
  litresOut: 0,
  boilerDrained: false,
  feedOn: 'nowhere',
  trapped: [],
  mayFire: false,
  putBack: [],
  assumed: [],
};

import type { RepairKind } from '../judge/Case';
import type { TestId } from '../judge/tests';
import type { Step } from '../procedures/testSteps';
import type { PositionId } from './positions';
import type { PartKind } from './comparePart';

/** What a step asks to be written down. `charge-found` and `charge-set` are read on the gas side, the others on the system gauge. */
export type Ask = 'charge-found' | 'charge-set' | 'gauge-zero' | 'found-pressure' | 'fill-pressure' | 'litres-out';

export interface RunStep extends Step {
  id: string;
  /** What this step turns, parts or puts back. Written into the record when it is done. */
  turns?: { position: PositionId; state: 'away' | 'back' }[];
  asks?: Ask;
  /** A timer to run here, min. */
  timerMin?: number;
  /** A part is fitted here: its rating, seat and size are held against the old one's. */
  fits?: PartKind;
  /** Safety or proof: it cannot be skipped. */
  must?: boolean;
  /** Doing it is this test, as far as proving the repair goes. */
  proves?: TestId;
}

export interface RunSheet {
  title: string;
  /** In a line, when it is the right one. */
  when: string;
  minutes: number;
  /** The water must be below this before anything is opened, °C. */
  coolBelowC?: number;
  who?: string;
  steps: RunStep[];
  /** What stands in the record when the last step is done; the charge that was set goes with it. */
  repairs: RepairKind[];
  /** Recorded as temporary, with a recheck. */
  temporary?: boolean;
}

const HEAT_OFF: RunStep = {
  id: 'heat-off',
  text: 'Heat off at the isolator, proved dead',
  must: true,
  turns: [{ position: 'boiler-power', state: 'away' }],
  caution: 'Wait until the water is below 50 °C. Hot water scalds.',
};
const FOUND: RunStep = { id: 'found', text: 'Read the gauge as found', asks: 'found-pressure' };
const ISOLATE: RunStep = {
  id: 'isolate',
  text: 'Shut the boiler’s flow and return',
  note: 'Old valves that may not reseal: leave them, drain the whole circuit instead.',
  turns: [{ position: 'boiler-valves', state: 'away' }],
};
const DRAIN: RunStep = {
  id: 'drain',
  text: 'Hose to a safe place outside, drain open',
  note: 'It stays open until the end.',
  turns: [{ position: 'drain', state: 'away' }],
  must: true,
};
const ZERO: RunStep = { id: 'zero', text: 'Read the system gauge: it must show zero', asks: 'gauge-zero', must: true };
const SHUT_DRAIN: RunStep = {
  id: 'shut-drain',
  text: 'Shut the drain, hose off',
  turns: [{ position: 'drain', state: 'back' }],
  must: true,
};
const REOPEN: RunStep = {
  id: 'reopen',
  text: 'Open the boiler’s flow and return',
  turns: [{ position: 'boiler-valves', state: 'back' }],
  must: true,
};
const REFILL: RunStep = {
  id: 'refill',
  text: 'Refill slowly to the fill pressure, bleeding what was opened',
  asks: 'fill-pressure',
  turns: [{ position: 'fill-loop', state: 'away' }],
};
const LOOP_OFF: RunStep = {
  id: 'loop-off',
  text: 'Shut the fill valves, take the loop off and cap it',
  note: 'Or shut the feed as it was found.',
  turns: [{ position: 'fill-loop', state: 'back' }],
  must: true,
};
const POWER: RunStep = { id: 'power', text: 'Power on', turns: [{ position: 'boiler-power', state: 'back' }], must: true };
const LOW_STOP: RunStep = {
  id: 'low-stop',
  text: 'Before refilling: power on briefly, the boiler must report low pressure',
  note: 'One that does not has a sensor that over-reads.',
  caution: 'Hand on the switch: off at once if it tries to fire.',
};
const LEAK_FLUID: RunStep = {
  id: 'leak-fluid',
  text: 'Leak fluid on the gas valve for a minute, then the cap',
  must: true,
  proves: 'gas-valve-bubbles',
};
const PUMP: RunStep[] = [
  {
    id: 'read-charge',
    text: 'Tyre gauge on the gas valve: read the charge as found',
    note: 'With water behind it the vessel only repeats the water pressure.',
    asks: 'charge-found',
  },
  {
    id: 'pump',
    text: 'Pump to the target and 0.05 bar for the coupling',
    note: 'Water is pushed out of the drain while it fills and the reading falls back: pump again until no more water comes.',
    caution: 'Never pump with the drain shut.',
  },
  { id: 'hold', text: 'Leave it and look again: does it hold?', timerMin: 5, must: true },
  { id: 'set', text: 'Read the charge as left', asks: 'charge-set', must: true },
];
const back = (...steps: RunStep[]) => [SHUT_DRAIN, REOPEN, ...steps, REFILL, LOOP_OFF, POWER];

/** Repairs as run sheets. Common practice; local codes and the maker's instructions win. */
export const RUN_SHEETS = {
  recharge: {
    title: 'Recharge the vessel',
    when: 'Gas lost, diaphragm and core sound.',
    minutes: 35,
    coolBelowC: 50,
    repairs: ['vessel-recharged'],
    steps: [HEAT_OFF, FOUND, ISOLATE, DRAIN, ZERO, ...PUMP, LEAK_FLUID, ...back()],
  },
  'core-change': {
    title: 'Change the valve core and recharge',
    when: 'Bubbles at the gas valve.',
    minutes: 40,
    coolBelowC: 50,
    repairs: ['core-changed', 'vessel-recharged'],
    steps: [
      HEAT_OFF,
      FOUND,
      ISOLATE,
      DRAIN,
      ZERO,
      PUMP[0]!,
      { id: 'release', text: 'Let the gas out at the valve', caution: 'Stored gas: face away.', must: true },
      { id: 'core', text: 'Screw the core out, new core in, a trace of grease', fits: 'valve-core', note: 'A car tyre’s core fits.' },
      ...PUMP.slice(1),
      LEAK_FLUID,
      ...back(),
    ],
  },
  'vessel-change': {
    title: 'Change the vessel',
    when: 'Diaphragm holed, or the vessel is too small.',
    minutes: 90,
    coolBelowC: 50,
    repairs: ['vessel-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      ISOLATE,
      DRAIN,
      ZERO,
      { id: 'release', text: 'Let what gas there is out at the valve', caution: 'Stored gas: face away, then take it down.', must: true },
      {
        id: 'down',
        text: 'Take its weight, counter-hold the pipe, undo it',
        caution: 'Full of water it weighs its litres more in kilograms. Two people for the large ones.',
      },
      { id: 'compare', text: 'Hold the new vessel against the old: volume, thread, rating', fits: 'vessel', must: true },
      {
        id: 'set',
        text: 'Set the new vessel’s charge before any water',
        note: 'It rarely comes as its label says.',
        asks: 'charge-set',
        must: true,
      },
      { id: 'fit', text: 'New washer, fit it, tighten while counter-holding' },
      LEAK_FLUID,
      ...back(LOW_STOP),
    ],
  },
  'relief-change': {
    title: 'Change the relief valve',
    when: 'It passes, lifts early, is of the wrong rating or too old.',
    minutes: 40,
    coolBelowC: 50,
    repairs: ['relief-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      ISOLATE,
      DRAIN,
      ZERO,
      {
        id: 'compare',
        text: 'Hold the new valve against the old: set pressure, capacity, seat, thread, outlet',
        fits: 'relief-valve',
        must: true,
        note: 'A look-alike of another rating means draining twice.',
      },
      {
        id: 'off',
        text: 'Old valve off',
        turns: [{ position: 'relief', state: 'away' }],
        caution: 'Never plug the opening, not even to go and fetch something.',
      },
      {
        id: 'fit',
        text: 'New valve on, arrow with the flow, no valve between',
        turns: [{ position: 'relief', state: 'back' }],
        must: true,
      },
      { id: 'pipe', text: 'Discharge pipe on, ending in a safe visible place', note: '15–20 cm above the floor.', must: true },
      ...back(),
    ],
  },
  'triple-change': {
    title: 'Feed valve, vessel and relief together',
    when: 'A fed circuit of age, when the company changes the set.',
    minutes: 150,
    coolBelowC: 50,
    repairs: ['feed-changed', 'vessel-changed', 'relief-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      { id: 'feed-off', text: 'Shut the stop valve of the feed', turns: [{ position: 'feed-valve', state: 'away' }], must: true },
      ISOLATE,
      DRAIN,
      ZERO,
      { id: 'feed', text: 'New feed valve: direction, setting', fits: 'reducing-valve', must: true },
      { id: 'release', text: 'Let the vessel’s gas out', caution: 'Stored gas: face away.', must: true },
      { id: 'vessel', text: 'New vessel, held against the old', fits: 'vessel', must: true },
      { id: 'set', text: 'Set its charge to the feed’s pressure before any water', asks: 'charge-set', must: true },
      { id: 'off', text: 'Old relief off', turns: [{ position: 'relief', state: 'away' }] },
      {
        id: 'relief',
        text: 'New relief on: rating, capacity at least the boiler’s output',
        fits: 'relief-valve',
        turns: [{ position: 'relief', state: 'back' }],
        must: true,
      },
      { id: 'vents', text: 'New automatic vent, cap loose' },
      LEAK_FLUID,
      SHUT_DRAIN,
      REOPEN,
      {
        id: 'feed-on',
        text: 'Open the feed, let it fill',
        turns: [{ position: 'feed-valve', state: 'back' }],
        asks: 'fill-pressure',
        must: true,
      },
      POWER,
    ],
  },
  'feed-valve': {
    title: 'Change the feed or fill valve',
    when: 'It creeps, lets by, or does not fill.',
    minutes: 45,
    coolBelowC: 50,
    repairs: ['feed-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      { id: 'feed-off', text: 'Shut the stop valve before it', turns: [{ position: 'feed-valve', state: 'away' }], must: true },
      ISOLATE,
      DRAIN,
      ZERO,
      { id: 'compare', text: 'Hold new against old: range, thread, direction', fits: 'reducing-valve', must: true },
      { id: 'fit', text: 'Fit it, arrow with the flow' },
      SHUT_DRAIN,
      REOPEN,
      {
        id: 'feed-on',
        text: 'Open the feed, set it cold',
        turns: [{ position: 'feed-valve', state: 'back' }],
        asks: 'fill-pressure',
        must: true,
      },
      { id: 'creep', text: 'Creep watch: heat off, gauge steady', timerMin: 10, must: true },
      POWER,
    ],
  },
  'plate-change': {
    title: 'Prove and change the plate exchanger',
    when: 'Water comes through with the loop off.',
    minutes: 75,
    coolBelowC: 50,
    who: 'Under the boiler’s cover: licensed people only.',
    repairs: ['plate-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      { id: 'dhw-off', text: 'Shut the cold inlet', turns: [{ position: 'dhw-valves', state: 'away' }], must: true },
      { id: 'tap', text: 'Open a hot tap: it runs dry' },
      ISOLATE,
      DRAIN,
      ZERO,
      { id: 'compare', text: 'New plate against old: plates, ports, seals', fits: 'plate-exchanger', must: true },
      { id: 'fit', text: 'New seals, flow arrow, catch the water' },
      SHUT_DRAIN,
      REOPEN,
      { id: 'dhw-on', text: 'Cold inlet open, tap shut', turns: [{ position: 'dhw-valves', state: 'back' }], must: true },
      REFILL,
      LOOP_OFF,
      { id: 'watch', text: 'Loop off, heat off: the gauge must stand still', timerMin: 15, must: true },
      POWER,
    ],
  },
  'coil-isolation': {
    title: 'Isolate the coil, or change it',
    when: 'The pressure holds with the coil shut off.',
    minutes: 30,
    coolBelowC: 50,
    repairs: ['coil-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      { id: 'coil-off', text: 'Shut the coil’s flow and return', turns: [{ position: 'coil-valves', state: 'away' }], must: true },
      { id: 'watch', text: 'The gauge must hold now', timerMin: 20, must: true },
      {
        id: 'mend',
        text: 'Coil or cylinder renewed, or disconnected and capped',
        note: 'Left shut only: heat stays off until it is parted for good.',
        must: true,
      },
      {
        id: 'coil-on',
        text: 'Open the valves of the new coil, or say that it is parted',
        turns: [{ position: 'coil-valves', state: 'back' }],
        must: true,
      },
      REFILL,
      LOOP_OFF,
      POWER,
    ],
  },
  'connection-clearing': {
    title: 'Clear the vessel’s connection',
    when: 'The vessel tests well and the swing stays.',
    minutes: 50,
    coolBelowC: 50,
    repairs: ['connection-cleared'],
    steps: [
      HEAT_OFF,
      FOUND,
      ISOLATE,
      DRAIN,
      ZERO,
      { id: 'hose', text: 'Hose or pipe off at both ends', caution: 'The vessel may still push: towel, face away.' },
      { id: 'clear', text: 'Rod and flush it, or renew it; look into the port', must: true, proves: 'vessel-connection-flow' },
      { id: 'fit', text: 'New washers, fit it' },
      PUMP[3]!,
      ...back(),
    ],
  },
  'gauge-change': {
    title: 'Change the gauge or sensor',
    when: 'A second gauge says otherwise.',
    minutes: 30,
    coolBelowC: 50,
    repairs: ['gauge-changed'],
    steps: [
      HEAT_OFF,
      FOUND,
      ISOLATE,
      DRAIN,
      ZERO,
      { id: 'compare', text: 'New against old: range, thread, plug', fits: 'gauge', must: true },
      { id: 'fit', text: 'Fit it' },
      { id: 'zero-new', text: 'The new one must read zero now', asks: 'gauge-zero', must: true, proves: 'gauge-at-zero' },
      ...back(LOW_STOP),
    ],
  },
  'drain-refill': {
    title: 'Drain down and refill',
    when: 'Work on the circuit itself.',
    minutes: 120,
    coolBelowC: 50,
    repairs: [],
    steps: [
      HEAT_OFF,
      FOUND,
      {
        id: 'feed-off',
        text: 'Fill valves shut',
        note: 'They should be anyway.',
        turns: [{ position: 'fill-loop', state: 'back' }],
        must: true,
      },
      { id: 'motor', text: 'Motor valves held open by hand', turns: [{ position: 'motor-valve', state: 'away' }] },
      DRAIN,
      {
        id: 'vents',
        text: 'Vents open from the top down, heads and lockshields open',
        note: 'Or nothing runs out. Only the floors that need it.',
        turns: [{ position: 'vents', state: 'away' }],
      },
      { id: 'out', text: 'Litres that came out', asks: 'litres-out' },
      { id: 'work', text: 'The work itself', must: true },
      { id: 'vents-shut', text: 'All vents shut, lockshields as they were', turns: [{ position: 'vents', state: 'back' }], must: true },
      SHUT_DRAIN,
      { ...REFILL, text: 'Fill to 1 bar, never above while venting' },
      { id: 'bleed', text: 'Bleed each from the bottom up, top up, again until no air comes' },
      { id: 'motor-back', text: 'Motor valves released', turns: [{ position: 'motor-valve', state: 'back' }], must: true },
      LOOP_OFF,
      POWER,
      { id: 'hot', text: 'Heat, then bleed once more' },
    ],
  },
  'pipe-freeze': {
    title: 'Freeze a pipe for a valve change',
    when: 'A section that cannot be drained.',
    minutes: 60,
    coolBelowC: 30,
    repairs: ['other'],
    steps: [
      HEAT_OFF,
      FOUND,
      { id: 'still', text: 'Pumps and pressurisation off, water still', must: true },
      { id: 'jacket', text: 'Jackets on both sides of the valve', caution: 'Cold burns. Air the room.' },
      { id: 'freeze', text: 'Freeze for the time that the maker gives for this bore', timerMin: 20, must: true },
      {
        id: 'crack',
        text: 'Crack the joint slowly: no more than what stands between may come',
        caution: 'Water keeps coming: tighten again, freeze longer.',
        must: true,
      },
      { id: 'work', text: 'Change the valve; the time runs', timerMin: 20 },
      { id: 'thaw', text: 'New valve open, let it thaw by itself', must: true },
      { id: 'pressure', text: 'Pressure back to what was found', asks: 'fill-pressure', must: true },
      POWER,
    ],
  },
  'air-cushion': {
    title: 'Air cushion while a vessel is on order',
    when: 'A stop-gap. It is recorded as temporary.',
    minutes: 30,
    coolBelowC: 50,
    repairs: [],
    temporary: true,
    steps: [
      HEAT_OFF,
      FOUND,
      ISOLATE,
      { id: 'radiator', text: 'Spare upper radiator: shut both valves, drain it through its vent', note: 'Air takes its place.' },
      {
        id: 'open',
        text: 'Open its valves again: the air stays as a cushion',
        turns: [{ position: 'air-cushion', state: 'away' }],
        must: true,
      },
      { ...REOPEN },
      {
        id: 'limit',
        text: 'Lower the flow temperature to what the bench works out',
        turns: [{ position: 'flow-temperature', state: 'away' }],
        must: true,
      },
      { ...REFILL, text: 'Fill to the fill pressure' },
      LOOP_OFF,
      POWER,
    ],
  },
} as const satisfies Record<string, RunSheet>;

export type RunSheetId = keyof typeof RUN_SHEETS;
export const RUN_SHEET_IDS = Object.keys(RUN_SHEETS) as RunSheetId[];
export const runSheet = (id: RunSheetId): RunSheet => RUN_SHEETS[id];

/** What was said of a step. */
export interface StepSaid {
  step: string;
  did: 'done' | 'skipped';
  value?: number;
  reason?: string;
  at: string;
}
export interface RunProgress {
  next: RunStep | null;
  doneCount: number;
  said: Map<string, StepSaid>;
  finished: boolean;
}

/** How far a run sheet has come: steps in order, each done or skipped with a reason; the last word about a step counts. */
export function runProgress(sheet: RunSheet, said: readonly StepSaid[]): RunProgress {
  const by = new Map<string, StepSaid>();
  for (const s of said) by.set(s.step, s);
  const next = sheet.steps.find((s) => !by.has(s.id)) ?? null;
  return { next, doneCount: sheet.steps.filter((s) => by.has(s.id)).length, said: by, finished: next === null };
}

/** The run sheets that mend a fault, the likeliest first. Empty where nothing has to be done, or none is written. */
export const sheetsFor = (fault: string): RunSheetId[] => MENDS[fault] ?? [];

/** The run sheets that mend a set of faults, one a fault; changing the core recharges the vessel as well. */
export function sheetsForSet(faults: readonly string[]): RunSheetId[] {
  const first = [...new Set(faults.flatMap((f) => sheetsFor(f).slice(0, 1)))];
  return first.includes('core-change') ? first.filter((s) => s !== 'recharge') : first;
}

const MENDS: Record<string, RunSheetId[]> = {
  'vessel-undercharged': ['recharge', 'core-change'],
  'vessel-gas-valve-leaking': ['core-change'],
  'vessel-diaphragm-failed': ['vessel-change', 'air-cushion'],
  'vessel-undersized': ['vessel-change', 'air-cushion'],
  'vessel-overcharged': ['recharge'],
  'vessel-connection-blocked': ['connection-clearing'],
  'relief-valve-passing': ['relief-change'],
  'relief-valve-lifts-early': ['relief-change'],
  'fill-loop-passing': ['feed-valve'],
  'reducing-valve-creeping': ['feed-valve', 'triple-change'],
  'feed-starved': ['feed-valve'],
  'dhw-plate-perforated': ['plate-change'],
  'dhw-coil-perforated': ['coil-isolation'],
  'gauge-misreading': ['gauge-change'],
  'circuit-leak': ['drain-refill', 'pipe-freeze'],
};

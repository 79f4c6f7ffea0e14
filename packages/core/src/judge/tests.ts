import type { CircuitSheet } from '../circuit/CircuitSheet';
import { hasLowPressureStop, hasLowWaterCutoff } from '../circuit/lowPressureStop';
import { mayHaveMixing, mayHaveZoneValve } from '../circuit/zones';

/** A measured value of a finding: unit, and the range outside which it is refused. */
export interface ValueSpec {
  unit: 'bar' | '°C' | 'L' | 'mL' | 'min' | 's' | 'h' | 'count' | 'pH';
  least: number;
  most: number;
  optional?: boolean;
}

/** What a test asks of what was found before it. */
type Found = { test: string; outcome?: string; volumeMl?: number };

export interface TestRow {
  title: string;
  /** What it tells, in a few words. */
  tells: string;
  plant: 'sealed' | 'circulation' | 'steam';
  /** Time at the job, minutes, and what comes on top as effort (draining, dismantling, waiting to cool), in minutes' worth. */
  minutes: number;
  effort: number;
  intrusive: boolean;
  /** Done only once the water is below this, °C: who opens it would be scalded. */
  coolBelowC?: number;
  /** What it looks for hides behind the fall of a circuit that cools, until the water is below this, °C. */
  stillBelowC?: number;
  /** Done with the heat off for so long, h. */
  restedH?: number;
  /** Done with the heat on and the water above this, °C. */
  hotAboveC?: number;
  /** Done with the burner on, or water let into a steam boiler: not where that is a danger. */
  fires?: true;
  outcomes?: readonly string[];
  values?: Record<string, ValueSpec>;
  flags?: readonly string[];
  /** Further text fields with their allowed words. */
  words?: Record<string, readonly string[]>;
  needs?: (sheet: CircuitSheet) => boolean;
  /** Another kind of plant than its own on which it is done too. */
  alsoOn?: (sheet: CircuitSheet) => boolean;
  /** Whether what was found so far makes it worth its risk; always where this is missing. */
  after?: (found: readonly Found[]) => boolean;
}

const bar: ValueSpec = { unit: 'bar', least: -1, most: 25 };
const opt = (spec: ValueSpec): ValueSpec => ({ ...spec, optional: true });
const minutes: ValueSpec = { unit: 'min', least: 0, most: 100_000 };
const celsius: ValueSpec = { unit: '°C', least: -20, most: 250 };
const litres: ValueSpec = { unit: 'L', least: 0, most: 100_000 };
const count: ValueSpec = { unit: 'count', least: 0, most: 10_000 };
const watch = { startBar: bar, endBar: bar, minutes };
const hasFill =
  (...kinds: string[]) =>
  (s: CircuitSheet) =>
    s.fill === undefined || kinds.includes(s.fill.kind);
const hasDhw = (s: CircuitSheet) => s.domesticHotWater?.kind !== 'none';
const hasCoil = (s: CircuitSheet) => s.domesticHotWater === undefined || s.domesticHotWater.kind === 'indirect-coil';
/** An automatic feed of which nobody has said how its stop valve stands. */
const feedIsUnseen = ({ fill }: CircuitSheet) =>
  fill === undefined || ((fill.kind === 'reducing-valve' || fill.kind === 'pressurisation-unit') && fill.valve === undefined);
/** Ruled out only where the sheet describes a boiler without one. */
const mayHaveLowPressureStop = (s: CircuitSheet) => s.fill === undefined || s.domesticHotWater === undefined || hasLowPressureStop(s);
/** The level was seen, and it was neither empty nor in doubt: cold water let into a dry hot boiler cracks it. */
const levelIsSeen = (found: readonly Found[]) => found.some((f) => f.test === 'glass-level' && f.outcome === 'normal');
/** Most reliefs that are lifted never seat as before (common practice): only one that drips already has nothing to lose. */
const reliefDrips = (found: readonly Found[]) =>
  found.some(
    (f) =>
      (f.test === 'discharge-pipe' && (f.outcome === 'dripping' || f.outcome === 'running')) ||
      (f.test === 'discharge-catch' && (f.volumeMl ?? 0) > 0),
  );
/** Cool enough to be opened, and cold enough to stand still over a quarter of an hour, and warm enough to tell where the heat goes, °C; common practice. */
const COOL_C = 50,
  STILL_C = 35,
  HOT_C = 45;
const sealed = (
  title: string,
  tells: string,
  minutesAtJob: number,
  effort: number,
  intrusive: boolean,
  rest: Partial<TestRow>,
): TestRow => ({
  title,
  tells,
  plant: 'sealed',
  minutes: minutesAtJob,
  effort,
  intrusive,
  ...(intrusive ? { coolBelowC: COOL_C } : {}),
  ...rest,
});
const flow = (title: string, tells: string, minutesAtJob: number, rest: Partial<TestRow>): TestRow => ({
  title,
  tells,
  plant: 'circulation',
  minutes: minutesAtJob,
  effort: 0,
  intrusive: false,
  ...rest,
});
const steam = (title: string, tells: string, minutesAtJob: number, rest: Partial<TestRow>): TestRow => ({
  title,
  tells,
  plant: 'steam',
  minutes: minutesAtJob,
  effort: 0,
  intrusive: false,
  ...rest,
});

/** The product's catalogue of tests, with the outcomes and values that a finding may carry. Minutes are common practice. */
// prettier-ignore
export const TESTS = {
  'idle-cold-pressure': sealed('Cold pressure, heat off since last night', 'High with no heat rules out the vessel.', 1, 0, false, { restedH: 8, values: { valueBar: bar, idleHours: opt({ unit: 'h', least: 0, most: 10_000 }) } }),
  'discharge-pipe': sealed('Look at the discharge pipe', 'Dry, stained or dripping tells what the relief has done.', 2, 0, false, { outcomes: ['dry', 'stained', 'dripping', 'running'], values: { waterC: opt(celsius) }, words: { water: ['cold', 'hot'] } }),
  'discharge-catch': sealed('Catch the discharge in a jug', 'How much passes, and whether heat drives it.', 15, 0, false, { values: { volumeMl: { unit: 'mL', least: 0, most: 1e6 }, minutes }, words: { during: ['cold', 'heating', 'hot'] } }),
  'second-gauge': sealed('Second gauge on the circuit', 'Whether the first one lies.', 5, 0, false, { values: { valueBar: bar, firstGaugeBar: bar } }),
  'gauge-at-zero': sealed('Read the gauge with the boiler drained', 'A sound gauge falls to zero.', 5, 20, true, { values: { valueBar: bar } }),
  'low-pressure-stop': sealed('Does the drained boiler report low pressure', 'One that does not has a sensor that over-reads.', 5, 20, true, { outcomes: ['shown', 'not-shown'], needs: mayHaveLowPressureStop }),
  'gas-valve-press': sealed('Press the air valve (Schrader)', 'Air, nothing or water parts the vessel faults.', 2, 0, false, { outcomes: ['air', 'water', 'nothing'] }),
  precharge: sealed('Precharge with the water side empty', 'The vessel’s true charge, if the drain is open.', 15, 15, true, { values: { valueBar: bar, circuitBar: opt(bar) }, flags: ['drainOpen'] }),
  'pump-up-hold': sealed('Pump up and watch', 'Whether the diaphragm holds.', 15, 15, true, { outcomes: ['held', 'fell', 'bubbles-at-drain', 'would-not-rise'] }),
  'gas-valve-bubbles': sealed('Leak fluid on the air valve', 'Whether the core leaks.', 3, 0, false, { outcomes: ['tight', 'bubbles'] }),
  'draw-off': sealed('Draw off a measured volume, cold', 'The charge with no drain-down.', 6, 4, false, { coolBelowC: COOL_C, values: { volumeL: { ...litres, least: 0.01 }, beforeBar: bar, afterBar: bar } }),
  'vessel-drained-volume': sealed('Water that came out on draining', 'A sound vessel gives its water back.', 10, 20, true, { values: { volumeL: litres, fromBar: bar } }),
  'vessel-connection-flow': sealed('Flow through the vessel’s connection', 'Whether water reaches the vessel.', 15, 25, true, { outcomes: ['free', 'restricted', 'blocked'] }),
  'vessel-valve-position': sealed('Valve between vessel and circuit', 'Whether the vessel is shut off.', 2, 0, false, { outcomes: ['open', 'closed', 'no-valve'], needs: (s) => s.vessel?.isolationValve !== 'none' }),
  'vessel-tap-sound': sealed('Knock on the vessel', 'Weak evidence only.', 1, 0, false, { outcomes: ['hollow', 'dull', 'unclear'] }),
  'fill-disconnected-watch': sealed('Fill loop off: is the valve passing?', 'A rise now does not come through the loop.', 15, 0, false, { stillBelowC: STILL_C, values: watch, flags: ['boilerIsolated'], needs: hasFill('manual-loop') }),
  'fill-isolated-watch': sealed('Feed shut, watch the gauge', 'Whether the feed lets by.', 15, 0, false, { stillBelowC: STILL_C, values: watch, flags: ['heating'], needs: hasFill('manual-loop', 'reducing-valve', 'pressurisation-unit') }),
  'fill-outlet-drip': sealed('Loop parted: does its valve drip', 'Whether the fill valve lets by.', 5, 2, false, { outcomes: ['dry', 'drips'], needs: hasFill('manual-loop') }),
  'cold-main-off-watch': sealed('Cold main shut, watch the gauge', 'A rise that stops came from the mains.', 20, 0, false, { values: watch, flags: ['heating'], needs: hasDhw }),
  'cold-main-on-watch': sealed('Cold main open again, watch the gauge', 'A rise that returns came from the mains.', 20, 0, false, { values: watch, flags: ['heating'], needs: hasDhw }),
  'coil-isolated-watch': sealed('Coil isolated, watch the gauge', 'Pressure that holds now points to the coil.', 20, 2, false, { stillBelowC: STILL_C, values: watch, flags: ['heating'], needs: hasCoil }),
  'boiler-isolated-hold': sealed('Boiler isolated, compare both sides', 'Boiler side or circuit side.', 30, 2, false, { coolBelowC: COOL_C, stillBelowC: STILL_C, values: { boilerStartBar: bar, boilerEndBar: bar, circuitStartBar: opt(bar), circuitEndBar: opt(bar), minutes, boilerStartC: opt(celsius), boilerEndC: opt(celsius), circuitStartC: opt(celsius), circuitEndC: opt(celsius) } }),
  'listen-at-exchanger': sealed('Listen at the plate exchanger', 'A hiss with a cold boiler is water passing.', 2, 0, false, { outcomes: ['quiet', 'hiss'], needs: hasDhw }),
  'relief-reseat': sealed('Flush the relief by a split-second lift', 'Grit, or a worn seat.', 5, 2, false, { coolBelowC: COOL_C, outcomes: ['stopped', 'still-drips'], after: reliefDrips }),
  'relief-marking': sealed('Read the marking on the relief', 'Whether it is of the right rating.', 2, 0, false, { values: { markedBar: bar } }),
  'bleed-radiators': sealed('Bleed the radiators', 'How much air is in.', 15, 0, false, { outcomes: ['none', 'some-air', 'much-air'] }),
  'feed-valve-position': sealed('Stop valve of the feed', 'A feed that is shut makes nothing up; one that is open hides a leak.', 1, 0, false, { outcomes: ['open', 'shut'], needs: feedIsUnseen }),
  'visible-leak': sealed('Walk the circuit for a leak', 'Wet spots, stained joints, warm damp floors.', 10, 0, false, { outcomes: ['none', 'found'] }),
  'condensate-when-off': sealed('Condensate an hour after firing', 'A drip with no fire is water from the exchanger.', 5, 15, false, { restedH: 1, outcomes: ['dry', 'drips'], flags: ['raining'] }),
  'top-ups-per-month': sealed('Top-ups a month', 'How much is lost.', 1, 0, false, { values: { count } }),
  'heat-run-after': sealed('Heat run after the work', 'Proof.', 20, 10, false, { fires: true, values: { coldBar: bar, hotBar: bar, hotC: opt(celsius), minutes: opt(minutes) } }),
  'flow-return': flow('Flow and return', 'Far apart: too little flow. Next to nothing: no load takes the heat.', 5, { fires: true, hotAboveC: HOT_C, values: { flowC: celsius, returnC: celsius, minutesFiring: opt(minutes) } }),
  'pump-running': flow('Is the pump running', 'Warm and quiet, stuck, without power, or simply not called.', 2, { outcomes: ['running-warm', 'humming-stuck', 'no-power', 'off-no-call'] }),
  'zone-pipe-temperatures': flow('Zone pipe temperatures', 'A zone that calls gets hot; one that does not stays cold.', 5, { fires: true, hotAboveC: HOT_C, values: { supplyC: celsius, returnC: celsius }, flags: ['calling'], words: { zone: [] } }),
  'zone-valve-supply-24v': flow('24 V at the zone valve', 'Whether the call reaches the valve.', 5, { outcomes: ['present', 'absent'], words: { zone: [] }, needs: mayHaveZoneValve }),
  'zone-valve-end-switch': flow('Zone valve end switch', 'Whether the valve, once open, calls the boiler. Isolated contact: continuity, no voltage.', 5, { outcomes: ['closed', 'open'], words: { zone: [] }, needs: mayHaveZoneValve }),
  'zone-valve-moves': flow('Does the zone valve move', 'Whether it travels when it is called.', 5, { outcomes: ['opens', 'stuck'], words: { zone: [] }, needs: mayHaveZoneValve }),
  'mixed-supply': flow('Mixed supply temperature', 'Whether what comes out is what was set.', 5, { fires: true, hotAboveC: HOT_C, values: { setC: celsius, valueC: celsius }, words: { zone: [] }, needs: mayHaveMixing }),
  'isolation-valves-open': flow('Pump isolation valves', 'A valve left shut looks like a dead pump.', 2, { outcomes: ['all-open', 'one-closed'] }),
  'glass-level': steam('Level in the glass', 'Half to five eighths is right. If you cannot see a level, treat it as unknown: burner off first.', 1, { outcomes: ['below', 'normal', 'full', 'jumping'] }),
  'glass-follows-drain': steam('Does the glass follow a drain', 'A glass that does not follow has blocked ports, and lies.', 3, { outcomes: ['follows', 'stays-full', 'stays-empty'] }),
  'low-water-cutoff-trip': steam('Low-water cutoff test', 'With the burner on, drain until it stops the burner. It has to.', 5, { fires: true, outcomes: ['stops', 'stops-late', 'keeps-firing'], values: { delayS: opt({ unit: 's', least: 0, most: 10_000 }) }, alsoOn: hasLowWaterCutoff }),
  'feeder-refill': steam('Does the feeder refill and stop', 'Whether it makes up, and shuts again.', 10, { fires: true, outcomes: ['refills-and-stops', 'does-not-refill', 'keeps-feeding'] }),
  'level-creep-idle': steam('Level while idle', 'Up: the feeder lets by. Down: water goes somewhere.', 30, { outcomes: ['steady', 'rises', 'falls'] }),
  'flooded-section-check': steam('Flooded section check', 'Burner off, boiler cold, filled to the top once: a holed section drips into the fire side.', 60, { fires: true, coolBelowC: COOL_C, outcomes: ['dry', 'drips'], after: levelIsSeen }),
  'steam-at-flue': steam('Steam at the flue', 'Water in the fire goes up the chimney.', 2, { fires: true, outcomes: ['no', 'yes'], flags: ['coldWeather'] }),
  'pigtail-blow': steam('Blow the pigtail', 'A blocked pigtail hides the pressure from gauge and control.', 10, { outcomes: ['clear', 'blocked'] }),
  'pressure-control-cut-out': steam('Pressure control cut-out', 'Whether the burner stops where the control is set.', 15, { fires: true, values: { cutOutBar: bar, setBar: bar } }),
  'steam-furthest-arrival': steam('Steam at the furthest radiator', 'Late steam: vents, return, or calls that end too soon.', 30, { fires: true, values: { minutes, callMinutes: opt(minutes) } }),
  'cycles-per-hour': steam('Cycles an hour', 'One long cycle an hour is the aim.', 30, { fires: true, values: { count } }),
  'make-up-per-month': steam('Make-up a month', 'Fresh water carries oxygen, and oxygen eats the iron.', 1, { values: { volumeL: litres } }),
  'return-condition': steam('Condition of the return', 'Pipe buried in wet ground rots.', 10, { outcomes: ['sound', 'wet-ground', 'corroded'] }),
  'return-time': steam('Time of the return', 'Condensate that comes late leaves the boiler short.', 20, { fires: true, values: { minutes } }),
  'water-ph': steam('pH of the water', 'About 9 to 10, at most 11; not for aluminium.', 2, { values: { value: { unit: 'pH', least: 0, most: 14 } } }),
  'treatment-dye': steam('Treatment dye', 'It fades as fresh water comes in.', 1, { outcomes: ['strong', 'faded', 'gone', 'none-used'] }),
  'skim-sample': steam('Skim sample', 'Oil on the water makes it foam and surge.', 5, { outcomes: ['clear', 'oily'] }),
  'boiler-drain-flow': steam('Flow of the boiler drain', 'Mud sits where it does not run.', 3, { outcomes: ['free', 'slow', 'blocked'] }),
  'vents-hiss': steam('Vents on a call', 'They let air out with a hiss, and close on steam.', 15, { fires: true, outcomes: ['hiss-then-close', 'silent', 'spit-water'] }),
  'relief-dripping': steam('Relief outlet', 'It should be dry.', 1, { outcomes: ['dry', 'drips'] }),
} satisfies Record<string, TestRow>;

export type TestId = keyof typeof TESTS;
export const TEST_IDS = Object.keys(TESTS) as TestId[];
export const testRow = (id: TestId): TestRow => TESTS[id];
/** What a test costs as the catalogue has it, minutes' worth: time at the job, and what comes on top. */
export const costMin = (id: TestId): number => testRow(id).minutes + testRow(id).effort;

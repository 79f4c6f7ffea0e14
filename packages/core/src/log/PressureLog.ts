export const EVENT_KINDS = [
  'heat-on',
  'heat-off',
  'top-up',
  'vented',
  'drained',
  'drawn-off',
  'cold-main-closed',
  'cold-main-opened',
  'fill-closed',
  'fill-opened',
  'fill-disconnected',
  'coil-isolated',
  'coil-reopened',
  'boiler-isolated',
  'boiler-reopened',
  'vessel-recharged',
  'hot-tap-open',
  'hot-tap-closed',
  'relief-lifted',
  /** The relief's lever was pulled by hand: grit may hold it open afterwards. */
  'relief-pulled',
  /** The boiler stands at its set temperature, and pressure and temperature have been steady for five minutes. */
  'steady-hot',
  'note',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

export interface LogEvent {
  /** Seconds from the log's start. */
  tS: number;
  kind: EventKind;
  volumeL?: number;
  text?: string;
}

/** The heat was put on or off. */
export const isHeatSwitch = (e: LogEvent): boolean => e.kind === 'heat-on' || e.kind === 'heat-off';
/** Water was let in or out by hand, or the vessel's charge changed: what the pressure did before goes on no longer. */
export const endsRun = (e: LogEvent): boolean => ENDS_RUN.has(e.kind);
const ENDS_RUN: ReadonlySet<EventKind> = new Set(['top-up', 'vented', 'drained', 'drawn-off', 'vessel-recharged']);
/** Whether the heat was on before the log began, as far as its events say it: what is switched off first was on. */
export const heatWasOn = (log: PressureLog | null | undefined): boolean => log?.events?.find(isHeatSwitch)?.kind === 'heat-off';
/** Whether the heat was left on, as far as the log says it. */
export const heatIsOn = (log: PressureLog | null | undefined): boolean => log?.events?.findLast(isHeatSwitch)?.kind === 'heat-on';

export interface PressureLog {
  startedAt?: string;
  source?: 'hand' | 'logger' | 'csv' | 'camera';
  epoch?: Epoch;
  samples: {
    /** Seconds from the start, never decreasing. */
    tS: number[];
    /** Gauge, bar; null where only a temperature was read. */
    pressureBar: (number | null)[];
    flowC?: (number | null)[];
    returnC?: (number | null)[];
  };
  events?: LogEvent[];
  /** Known from elsewhere to have stood without heat from beginning to end. No file says so. */
  idle?: boolean;
}

/** Written by a sensor, not read off a dial. */
export const bySensor = ({ source }: Pick<PressureLog, 'source'>): boolean => source === 'logger' || source === 'csv';

/** As-found state is what is diagnosed; what was measured after the work proves it. */
export type Epoch = 'as-found' | 'after-work';

/** Times of events are noted to about a minute, s. Common practice. */
export const EVENT_OFF_S = 60;

/** When a log ends: with its last reading or event, s. */
export const logEndS = ({ samples, events }: Pick<PressureLog, 'samples' | 'events'>): number =>
  (events ?? []).reduce((latestS, e) => Math.max(latestS, e.tS), samples.tS.at(-1) ?? 0);

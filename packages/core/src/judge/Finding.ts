import type { Epoch } from '../log/PressureLog';
import type { TestId } from './tests';

/** What a test showed. Which of the values a test carries stands in the catalogue of tests; all pressures bar gauge. */
export interface Finding {
  test: TestId;
  outcome?: string;
  epoch?: Epoch;
  atS?: number;
  /** When it was made, ISO 8601: with several repairs it tells between which. */
  at?: string;
  /** The judge itself had asked for this test: that it was made then says nothing of what anybody suspects. */
  proposed?: boolean;
  valueBar?: number;
  circuitBar?: number;
  drainOpen?: boolean;
  idleHours?: number;
  startBar?: number;
  endBar?: number;
  minutes?: number;
  boilerIsolated?: boolean;
  heating?: boolean;
  volumeL?: number;
  volumeMl?: number;
  during?: string;
  beforeBar?: number;
  afterBar?: number;
  fromBar?: number;
  firstGaugeBar?: number;
  markedBar?: number;
  count?: number;
  coldBar?: number;
  hotBar?: number;
  hotC?: number;
  boilerStartBar?: number;
  boilerEndBar?: number;
  circuitStartBar?: number;
  circuitEndBar?: number;
  boilerStartC?: number;
  boilerEndC?: number;
  circuitStartC?: number;
  circuitEndC?: number;
  water?: string;
  waterC?: number;
  flowC?: number;
  returnC?: number;
  minutesFiring?: number;
  supplyC?: number;
  calling?: boolean;
  setC?: number;
  valueC?: number;
  /** Values of steam tests, read by their own chapter. */
  [value: string]: unknown;
}

/** With more than this on the water side a tyre gauge on the vessel only repeats it, bar gauge. */
export const EMPTY_GAUGE_BAR = 0.05;
/** Whether nobody says what stood on the vessel's water side while its charge was read. */
export const isWaterUnsaid = (f: Finding): boolean => f.circuitBar === undefined && !f.drainOpen;

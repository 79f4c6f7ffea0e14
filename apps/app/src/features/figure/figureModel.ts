export interface Point {
  min: number;
  bar: number;
}

/** A step of the ladder. With `reach` it is a doubt, drawn as a band on the rail instead of a line. */
export interface Rung {
  id: string;
  label: string;
  bar: number;
  /** Flow temperature that it holds at, where it holds at one only. */
  celsius?: number;
  /** It lies below the ladder's foot, and stands there. */
  belowFoot?: boolean;
  reach?: { low: number; high: number };
  tone: 'relief' | 'right' | 'fill' | 'quiet' | 'doubt';
  line: 'solid' | 'dashed' | 'dotted' | 'none';
}

export interface FigureView {
  topBar: number;
  spanMin: number;
  /** All that was read, thinned without losing a peak when there is more than the eye can part. */
  readings: (Point & { id: string })[];
  /** Readings taken, before thinning. */
  taken: number;
  /** An earlier run, laid so that its heat-on falls on this one's. */
  before: { label: string; points: Point[] } | null;
  band: { min: number; low: number; high: number }[];
  rungs: Rung[];
  reliefBar: number;
  nowBar: number | null;
  forecast: { from: Point; to: Point; text: string } | null;
  heat: { min: number; celsius: number }[];
  events: { min: number; label: string }[];
  lastC: number | null;
  /** Time of day at the left end, ms since 1970; null where the log does not say. */
  startMs: number | null;
}

/** Pressure against temperature: what was read, and where a healthy circuit would go. */
export interface LoopView {
  points: { celsius: number; bar: number }[];
  band: { celsius: number; low: number; high: number }[];
  fromC: number;
  toC: number;
  topBar: number;
  reliefBar: number;
}

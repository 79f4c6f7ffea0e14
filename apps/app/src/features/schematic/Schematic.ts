import { resolveCircuit, sheetWarnings, type CircuitSheet, type ComponentKind, type ResolvedCircuit } from '@jumper/core';
import { pressureText, type Units } from '../units/units';

export type PartKindDrawn =
  'boiler' | 'relief' | 'gauge' | 'vessel' | 'vessel-valve' | 'feed' | 'plate' | 'coil' | 'pump' | 'zone' | 'tank' | ComponentKind;
/** A part in the drawing: its middle in the drawing's own units, what it is called, its figures, and whether something about it cannot be
 *  right. */
export interface DrawnPart {
  id: string;
  kind: PartKindDrawn;
  x: number;
  y: number;
  title: string;
  facts: string[];
  warn: boolean;
  label?: { text: string; x: number; y: number; anchor: 'start' | 'middle' | 'end' };
}
export interface DrawnLine {
  tone: 'supply' | 'return' | 'quiet';
  points: [number, number][];
}
export interface Schematic {
  width: number;
  height: number;
  parts: DrawnPart[];
  lines: DrawnLine[];
}

/** Where the drawing's pipes run, in its own units. */
export const W = 360,
  H = 362,
  SUPPLY_Y = 62,
  RETURN_Y = 236,
  BOILER_X = 58,
  RIGHT_X = 336;

/** A drawing under way: the sheet it is made from, and what has been drawn of it. */
export class Drawing {
  readonly parts: DrawnPart[] = [];
  readonly lines: DrawnLine[] = [];
  readonly circuit: ResolvedCircuit;
  private readonly warned: ReadonlySet<string | undefined>;

  constructor(
    readonly sheet: CircuitSheet,
    readonly units: Units,
  ) {
    this.circuit = resolveCircuit(sheet);
    this.warned = new Set(sheetWarnings(sheet).map((w) => w.field.split('.')[0]));
  }

  add(part: Omit<DrawnPart, 'warn'> & { warn?: boolean }): void {
    this.parts.push({ ...part, warn: part.warn ?? false });
  }

  line(tone: DrawnLine['tone'], ...points: [number, number][]): void {
    this.lines.push({ tone, points });
  }

  /** A pressure in the user's unit. */
  bar(bar: number): string {
    return pressureText(bar, this.units.pressure);
  }

  /** Whether something about a part of the sheet cannot be right. */
  isWrong(part: 'reliefValve' | 'vessel' | 'fill'): boolean {
    return this.warned.has(part);
  }
}

/** Facts that the sheet holds, of several that it may. */
export const known = (...facts: (string | null | undefined | false)[]): string[] => facts.filter((f): f is string => Boolean(f));

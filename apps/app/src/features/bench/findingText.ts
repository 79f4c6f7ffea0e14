import { findingSaid, type Finding } from '@jumper/core';
import { saidText } from '../units/saidText';
import type { Units } from '../units/units';

/** A finding as one line, in the user's units. */
export const findingText = (f: Finding, units: Units): string => saidText(findingSaid(f), units);

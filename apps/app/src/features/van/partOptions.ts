import { REPLACEABLE_PARTS } from '@jumper/core';
import { capital, plain } from '../units/words';

/** The parts that are changed, as they are called. */
export const PART_OPTIONS = REPLACEABLE_PARTS.map((value) => ({ value, label: capital(plain(value)) }));

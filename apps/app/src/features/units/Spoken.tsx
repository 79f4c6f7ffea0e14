import type { Said } from '@jumper/core';
import { saidText } from './saidText';
import { useUnits } from './UnitsProvider';

/** A sentence of the core within a text, in the user's units. */
export function Spoken({ said }: { said: Said }) {
  const { units } = useUnits();
  return <>{saidText(said, units)}</>;
}

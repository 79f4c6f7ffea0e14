import { useState } from 'react';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import type { Units } from '../units/units';
import { DockPanel } from './DockPanel';
import { EntryForm } from './EntryForm';

interface Props {
  units: Units;
  reliefBar: number;
  onKeep: (body: FactBody) => Promise<void>;
  onClose: () => void;
}

/** A reading that was taken before now: what the customer saw last night, what stands on a slip of paper. */
export function EarlierReading({ units, reliefBar, onKeep, onClose }: Props) {
  const [body] = useState(() => ({ kind: 'reading' as const, at: new Date().toISOString(), pressureBar: null }));
  return (
    <DockPanel testID="earlier">
      <Text role="heading" aria-level={2} className="font-semibold text-lead">
        A reading from earlier
      </Text>
      <EntryForm body={body} units={units} reliefBar={reliefBar} label="Keep" onKeep={onKeep}>
        <Button label="Close" kind="quiet" className="flex-1" onPress={onClose} />
      </EntryForm>
    </DockPanel>
  );
}

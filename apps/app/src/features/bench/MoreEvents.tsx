import { useState } from 'react';
import { View } from 'react-native';
import { v7 } from 'uuid';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import { startTimer } from '../timers/timers';
import { quantityText } from '../units/quantity';
import { useUnits } from '../units/UnitsProvider';
import { checkLitres } from './checkLitres';
import { DockPanel } from './DockPanel';
import { EVENT_TITLES, MORE_EVENTS } from './eventTitles';

const MINUTES = [5, 10, 15, 30];

interface Props {
  jobId: string;
  /** The switching of the heat that the dock's own key does not offer, where nobody has said yet how it stands. */
  otherHeat: 'heat-on' | 'heat-off' | null;
  onEvent: (body: Extract<FactBody, { kind: 'event' }>, said: string) => void;
  /** A reading that was taken before now is to be written down. */
  onEarlier: () => void;
  onClose: () => void;
}

/** What happens less often: valves, a measured draw-off, a note, a timer of one's own. */
export function MoreEvents({ jobId, otherHeat, onEvent, onEarlier, onClose }: Props) {
  const { units } = useUnits();
  const [litres, setLitres] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const at = () => new Date().toISOString();
  const drawOff = () => {
    const check = checkLitres(litres, 'Drawn off', units);
    if (check.kind === 'bad') return setProblem(check.message);
    const { volumeL } = check;
    if (volumeL === null) return setProblem('Drawn off: say how much, by the measuring jug.');
    onEvent({ kind: 'event', at: at(), event: 'drawn-off', volumeL }, `${quantityText(volumeL, 'small-volume', units)} drawn off noted`);
  };
  return (
    <DockPanel testID="more">
      <View role="group" aria-label="More events" className="flex-row flex-wrap gap-2">
        {[...(otherHeat ? [otherHeat] : []), ...MORE_EVENTS].map((k) => (
          <Key
            key={k}
            label={EVENT_TITLES[k]}
            className="grow basis-[30%]"
            onPress={() => onEvent({ kind: 'event', at: at(), event: k }, `${EVENT_TITLES[k]} noted`)}
          />
        ))}
        <Key label="An earlier reading" className="grow basis-[30%]" onPress={onEarlier} />
      </View>
      <View className="flex-row items-end gap-2">
        <View className="min-w-0 flex-1">
          <Field
            label="Drawn off"
            unit={units.volume}
            numeric
            value={litres}
            onChange={(t) => {
              setLitres(t);
              setProblem(null);
            }}
            problem={problem}
            onSubmit={drawOff}
          />
        </View>
        <Key label="Note" name="Note the draw-off" className="min-h-[52px] px-4" onPress={drawOff} />
      </View>
      <View className="flex-row items-end gap-2">
        <View className="min-w-0 flex-1">
          <Field
            label="A note"
            value={note}
            onChange={setNote}
            onSubmit={() =>
              note.trim() && onEvent({ kind: 'event', at: at(), event: 'note', text: note.trim().slice(0, 2000) }, 'Note kept')
            }
          />
        </View>
        <Key
          label="Keep"
          name="Keep the note"
          className="min-h-[52px] px-4"
          onPress={() => note.trim() && onEvent({ kind: 'event', at: at(), event: 'note', text: note.trim().slice(0, 2000) }, 'Note kept')}
        />
      </View>
      <View role="group" aria-label="Set a timer" className="flex-row items-center gap-2">
        <Text className="w-[52px] text-small text-ink2">Timer</Text>
        {MINUTES.map((m) => (
          <Key
            key={m}
            label={`${m} min`}
            name={`Timer, ${m} min`}
            className="flex-1"
            onPress={() => {
              startTimer({ id: v7(), jobId, testId: null, label: `Timer, ${m} min`, startedMs: Date.now(), lengthS: 60 * m });
              onClose();
            }}
          />
        ))}
      </View>
      <Button label="Close" kind="quiet" onPress={onClose} />
    </DockPanel>
  );
}

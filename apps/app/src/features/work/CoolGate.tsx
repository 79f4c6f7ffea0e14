import { useState } from 'react';
import { View } from 'react-native';
import { v7 } from 'uuid';
import type { FactBody } from '@jumper/contract';
import type { CoolingTime } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { checkTemperature } from '../bench/checkPressure';
import { startTimer } from '../timers/timers';
import { temperatureText, type Units } from '../units/units';
import { waitText } from './workWords';

interface Props {
  jobId: string;
  path: string;
  cooling: CoolingTime;
  belowC: number;
  units: Units;
  /** What is opened waits; a gauge that is only watched had better. */
  opens: boolean;
  onRead: (body: FactBody) => void;
}

/** Nothing is opened hot, and nothing shows on a gauge that falls as it cools. How long to wait, by this circuit's own cooling where that was
 *  seen; a temperature read now opens the way. */
export function CoolGate({ jobId, path, cooling, belowC, units, opens, onRead }: Props) {
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const read = () => {
    const checked = checkTemperature(typed, 'Flow', units);
    if (checked.kind === 'bad') return setProblem(checked.message);
    if (checked.celsius === null) return setProblem('Flow: read it first.');
    onRead({ kind: 'reading', at: new Date().toISOString(), pressureBar: null, flowC: checked.celsius });
    setTyped('');
    setProblem(null);
  };
  return (
    <Notice kind="caution" title={`${opens ? 'Wait until' : 'Better once it is'} below ${temperatureText(belowC, units.temperature)}`}>
      <View className="gap-3">
        <Text>{`It stands at about ${temperatureText(cooling.nowC, units.temperature)}. ${cooling.from === 'log' ? 'As this circuit cools' : 'At a usual pace'} it takes another ${waitText(cooling.minutes)}. ${opens ? 'Hot water under pressure scalds.' : 'Until then it falls by itself: that hides what comes in, and looks like what goes out.'}`}</Text>
        <View className="flex-row items-end gap-2">
          <View className="min-w-0 flex-1">
            <Field
              label="Flow, read now"
              unit={units.temperature}
              numeric
              value={typed}
              onChange={(t) => {
                setTyped(t);
                setProblem(null);
              }}
              problem={problem}
              onSubmit={read}
            />
          </View>
          <Key label="It reads" name="It reads: take this temperature" className="min-h-[52px] px-4" onPress={read} />
        </View>
        <Button
          label={`Remind me in ${waitText(cooling.minutes)}`}
          kind="quiet"
          onPress={() =>
            startTimer({
              id: v7(),
              jobId,
              testId: null,
              label: `Cooling to ${temperatureText(belowC, units.temperature)}`,
              startedMs: Date.now(),
              lengthS: Math.ceil(60 * cooling.minutes),
              path,
            })
          }
        />
      </View>
    </Notice>
  );
}

import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { pressureNumber, temperatureText } from '../units/units';
import { AskUnit } from './AskUnit';
import { EarlierReading } from './EarlierReading';
import { EVENT_TITLES } from './eventTitles';
import { MoreEvents } from './MoreEvents';
import { NextReading } from './NextReading';
import { Stepper } from './Stepper';
import { useDock, type DockInput } from './useDock';

interface Props extends DockInput {
  jobId: string;
  lastAtMs: number | null;
  narrow: boolean;
}

/** After this long without a reading and with the heat off nobody is logging, ms. */
const LOGGING_MS = 30 * 60_000;

/** Belongs to the thumb: value, Log, and the events as one-touch keys. Two touches log a reading. */
export function Dock({ jobId, lastAtMs, narrow, ...input }: Props) {
  const { lastC, heatOn, heatUnsaid, reliefBar, units, heat } = input,
    dock = useDock(input),
    { bar, typed, question, temperatures, temperatureProblem, undo, panel, heatKey } = dock;
  const [now] = useState(() => Date.now()),
    [chosen, setChosen] = useState<boolean | null>(null);
  // One line while nobody is logging; the events come with the first reading, with the heat, or by a touch.
  const isLogging = heatOn || lastAtMs === null || now - lastAtMs < LOGGING_MS || undo !== null,
    open = narrow || (chosen ?? isLogging) || panel !== null || temperatures !== null;
  const key = narrow ? 'grow basis-[30%]' : 'flex-1';
  const pendingC = temperatures?.flow.trim();
  const temperatureLabel = pendingC
    ? `${pendingC} ${units.temperature}`
    : lastC !== null
      ? temperatureText(lastC, units.temperature)
      : units.temperature;
  return (
    <View role="form" aria-label="Log a reading" className="gap-2 border-t border-ink bg-sheet px-3 pb-3 pt-2">
      {undo || lastAtMs !== null ? (
        <View className="flex-row items-center justify-between gap-3">
          <View className="min-w-0 flex-1">
            {undo ? (
              <Text role="status" className="text-ink2">
                {undo.text}
              </Text>
            ) : null}
            {lastAtMs !== null && heatOn ? <NextReading lastAtMs={lastAtMs} /> : null}
          </View>
          {undo ? <Key label="Undo" className="px-5" onPress={dock.takeBack} /> : null}
        </View>
      ) : null}
      {dock.refused ? (
        <Notice kind="danger" title="No heat yet" live>{`${heat.blocks.map((b) => b.text).join(' ')} Put it right first.`}</Notice>
      ) : null}
      {question?.kind === 'bad' ? (
        <Notice kind="danger" live>
          {question.message}
        </Notice>
      ) : null}
      {question?.kind === 'ask' ? (
        <AskUnit
          question={question}
          typed={typed ?? ''}
          units={units}
          reliefBar={reliefBar}
          onTake={(b) => void dock.log(b)}
          onBack={dock.dropQuestion}
        />
      ) : null}
      {temperatures ? (
        <View className="flex-row gap-3">
          <View className="flex-1">
            <Field
              label="Flow"
              unit={units.temperature}
              numeric
              autoFocus
              value={temperatures.flow}
              onChange={(flow) => dock.setTemperatures({ ...temperatures, flow })}
              problem={temperatureProblem?.field === 'flow' ? temperatureProblem.message : null}
              onSubmit={dock.press}
            />
          </View>
          <View className="flex-1">
            <Field
              label="Return, if read"
              unit={units.temperature}
              numeric
              value={temperatures.ret}
              onChange={(ret) => dock.setTemperatures({ ...temperatures, ret })}
              problem={temperatureProblem?.field === 'ret' ? temperatureProblem.message : null}
              onSubmit={dock.press}
            />
          </View>
        </View>
      ) : null}
      {panel === 'more' ? (
        <MoreEvents
          jobId={jobId}
          otherHeat={!heatUnsaid ? null : heatKey === 'heat-on' ? 'heat-off' : 'heat-on'}
          onEvent={(body, said) => void dock.note(body, said).then(() => dock.setPanel(null))}
          onEarlier={() => dock.setPanel('earlier')}
          onClose={() => dock.setPanel(null)}
        />
      ) : null}
      {panel === 'earlier' ? (
        <EarlierReading units={units} reliefBar={reliefBar} onKeep={dock.keepEarlier} onClose={() => dock.setPanel(null)} />
      ) : null}
      <View className={narrow ? 'gap-2' : 'flex-row flex-wrap gap-2'}>
        <Stepper
          name="Pressure"
          alone={narrow}
          small={!open}
          shown={pressureNumber(bar, units.pressure)}
          unit={units.pressure}
          typed={typed}
          onNudge={dock.nudge}
          onType={dock.type}
          onSubmit={dock.press}
        />
        <Button
          label="Log"
          kind="main"
          className={narrow ? 'min-h-[56px]' : open ? 'min-h-[60px] w-[96px]' : 'w-[76px]'}
          onPress={dock.press}
        />
        {open ? null : (
          <Key
            label="Events"
            name="Events: heat, top-up, temperatures and more"
            className="min-h-[52px] w-[64px]"
            onPress={() => setChosen(true)}
          />
        )}
      </View>
      {open ? (
        <View className={`flex-row gap-2 ${narrow ? 'flex-wrap' : ''}`}>
          <Key label={EVENT_TITLES[heatKey]} className={key} onPress={() => void dock.event(heatKey)} />
          <Key label="Top-up" className={key} onPress={() => void dock.event('top-up')} />
          <Key label="Vented" className={key} onPress={() => void dock.event('vented')} />
          <Key
            label={temperatureLabel}
            name={`${temperatureLabel}, temperatures with this reading`}
            pressed={temperatures !== null}
            className={key}
            onPress={dock.readWithTemperatures}
          />
          <Key label="More" pressed={panel !== null} className={key} onPress={() => dock.setPanel(panel ? null : 'more')} />
        </View>
      ) : null}
    </View>
  );
}

import { useState } from 'react';
import { View } from 'react-native';
import { COLD_BELOW_C, positionRow, type EventKind, type PositionId } from '@jumper/core';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { nudgeBar, pressureNumber, pressureText, temperatureText, typedToCelsius, type Units } from '../units/units';
import { EVENT_TITLES } from './eventTitles';
import { checkPressure, checkTemperature, type PressureCheck } from './checkPressure';
import { MoreEvents } from './MoreEvents';
import { NextReading } from './NextReading';
import { Stepper } from './Stepper';
import { useShortcuts } from './useShortcuts';

interface Props {
  jobId: string;
  lastBar: number | null;
  lastAtMs: number | null;
  lastC: number | null;
  startBar: number;
  heatOn: boolean;
  heatUnsaid: boolean;
  narrow: boolean;
  reliefBar: number;
  resolutionBar?: number;
  units: Units;
  /** What must be put back before the boiler may fire. */
  forbids: PositionId[];
  onAdd: (body: FactBody) => Promise<string>;
  onUndo: (id: string) => void;
}

/** Belongs to the thumb: value, Log, and the events as one-touch keys. Two touches log a reading. */
export function Dock({
  jobId,
  lastBar,
  lastAtMs,
  lastC,
  startBar,
  heatOn,
  heatUnsaid,
  narrow,
  reliefBar,
  resolutionBar,
  units,
  forbids,
  onAdd,
  onUndo,
}: Props) {
  const [nudgedBar, setNudgedBar] = useState<number | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const [question, setQuestion] = useState<Exclude<PressureCheck, { kind: 'ok' }> | null>(null);
  const [temperatures, setTemperatures] = useState<{ flow: string; ret: string } | null>(null);
  const [temperatureProblem, setTemperatureProblem] = useState<{ field: 'flow' | 'ret'; message: string } | null>(null);
  const [undo, setUndo] = useState<{ id: string; text: string } | null>(null);
  const [more, setMore] = useState(false);
  const [refused, setRefused] = useState(false);
  const bar = nudgedBar ?? lastBar ?? startBar;
  // What is found hot has been heated: the next thing that anybody does is to switch it off.
  const heatKey: EventKind = heatOn || (heatUnsaid && lastC !== null && lastC >= COLD_BELOW_C) ? 'heat-off' : 'heat-on';

  const nudge = (direction: 1 | -1) => {
    const step = nudgeBar(units.pressure, resolutionBar);
    const next = Math.round((bar + direction * step) / step) * step;
    setTyped(null);
    setQuestion(null);
    setNudgedBar(Math.min(25, Math.max(0, Number(next.toFixed(6)))));
  };

  const log = async (value: number) => {
    const read = readTemperatures();
    if (!read) return;
    // The fields are free for the next reading at once; what was logged goes on being shown until it is kept, and comes back where it could
    // not be.
    const before = { typed, temperatures };
    setTyped(null);
    setNudgedBar(value);
    setQuestion(null);
    setTemperatures(null);
    try {
      const id = await onAdd({ kind: 'reading', at: new Date().toISOString(), pressureBar: value, ...read });
      setUndo({ id, text: `Logged ${pressureText(value, units.pressure)}` });
    } catch (error) {
      setTyped(before.typed);
      setTemperatures(before.temperatures);
      throw error;
    } finally {
      setNudgedBar((now) => (now === value ? null : now));
    }
  };

  const press = () => {
    if (typed === null) return void log(bar);
    const check = checkPressure(typed, units, reliefBar);
    if (check.kind === 'ok') void log(check.bar);
    else setQuestion(check);
  };

  const readTemperatures = (): { flowC?: number; returnC?: number } | null => {
    setTemperatureProblem(null);
    if (!temperatures) return {};
    const flow = checkTemperature(temperatures.flow, 'Flow', units, (v) => typedToCelsius(v, units));
    if (flow.kind === 'bad') {
      setTemperatureProblem({ field: 'flow', message: flow.message });
      return null;
    }
    const ret = checkTemperature(temperatures.ret, 'Return', units, (v) => typedToCelsius(v, units));
    if (ret.kind === 'bad') {
      setTemperatureProblem({ field: 'ret', message: ret.message });
      return null;
    }
    return { ...(flow.celsius !== null ? { flowC: flow.celsius } : {}), ...(ret.celsius !== null ? { returnC: ret.celsius } : {}) };
  };

  const note = async (body: Extract<FactBody, { kind: 'event' }>, said: string) => {
    if (body.event === 'heat-on' && forbids.length > 0) return setRefused(true);
    setRefused(false);
    setUndo({ id: await onAdd(body), text: said });
  };
  const event = (kind: EventKind) => note({ kind: 'event', at: new Date().toISOString(), event: kind }, `${EVENT_TITLES[kind]} noted`);

  useShortcuts({
    ...Object.fromEntries([...'0123456789'].map((digit) => [digit, () => setTyped((typed ?? '') + digit)])),
    l: () => setTyped(''),
    Enter: () => void press(),
    '+': () => nudge(1),
    '-': () => nudge(-1),
    h: () => void event(heatKey),
    t: () => void event('top-up'),
    c: () => setTemperatures(temperatures ?? { flow: '', ret: '' }),
    z: () => {
      if (undo) {
        onUndo(undo.id);
        setUndo(null);
      }
    },
    Escape: () => {
      setTyped(null);
      setNudgedBar(null);
      setQuestion(null);
      setTemperatures(null);
      setMore(false);
    },
  });

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
          {undo ? (
            <Key
              label="Undo"
              className="px-5"
              onPress={() => {
                onUndo(undo.id);
                setUndo(null);
              }}
            />
          ) : null}
        </View>
      ) : null}
      {refused && forbids.length > 0 ? (
        <Notice
          kind="danger"
          title="No heat yet"
          live
        >{`${forbids.map((p) => positionRow(p).stopsHeat).join(' ')} Put it back first.`}</Notice>
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
          onTake={(b) => void log(b)}
          onBack={() => setQuestion(null)}
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
              onChange={(flow) => setTemperatures({ ...temperatures, flow })}
              problem={temperatureProblem?.field === 'flow' ? temperatureProblem.message : null}
              onSubmit={press}
            />
          </View>
          <View className="flex-1">
            <Field
              label="Return, if read"
              unit={units.temperature}
              numeric
              value={temperatures.ret}
              onChange={(ret) => setTemperatures({ ...temperatures, ret })}
              problem={temperatureProblem?.field === 'ret' ? temperatureProblem.message : null}
              onSubmit={press}
            />
          </View>
        </View>
      ) : null}
      {more ? (
        <MoreEvents
          jobId={jobId}
          otherHeat={!heatUnsaid ? null : heatKey === 'heat-on' ? 'heat-off' : 'heat-on'}
          onEvent={(body, said) => void note(body, said).then(() => setMore(false))}
          onClose={() => setMore(false)}
        />
      ) : null}
      <View className={narrow ? 'gap-2' : 'flex-row gap-2'}>
        <Stepper
          name="Pressure"
          alone={narrow}
          shown={pressureNumber(bar, units.pressure)}
          unit={units.pressure}
          typed={typed}
          onNudge={nudge}
          onType={(t) => {
            setTyped(t);
            setQuestion(null);
          }}
          onSubmit={press}
        />
        <Button label="Log" kind="main" className={narrow ? 'min-h-[56px]' : 'min-h-[60px] w-[96px]'} onPress={press} />
      </View>
      <View className={`flex-row gap-2 ${narrow ? 'flex-wrap' : ''}`}>
        <Key label={EVENT_TITLES[heatKey]} className={key} onPress={() => void event(heatKey)} />
        <Key label="Top-up" className={key} onPress={() => void event('top-up')} />
        <Key label="Vented" className={key} onPress={() => void event('vented')} />
        <Key
          label={temperatureLabel}
          name={`${temperatureLabel}, temperatures with this reading`}
          pressed={temperatures !== null}
          className={key}
          onPress={() => setTemperatures(temperatures ? null : { flow: '', ret: '' })}
        />
        <Key label="More" pressed={more} className={key} onPress={() => setMore(!more)} />
      </View>
    </View>
  );
}

function AskUnit({
  question,
  typed,
  units,
  reliefBar,
  onTake,
  onBack,
}: {
  question: Extract<PressureCheck, { kind: 'ask' }>;
  typed: string;
  units: Units;
  reliefBar: number;
  onTake: (bar: number) => void;
  onBack: () => void;
}) {
  return (
    <Notice kind="caution" live>
      <Text className="font-semibold">
        {typed.trim()} {units.pressure}
        {question.asPsiBar !== null ? ': was that psi?' : ': is that right?'}
      </Text>
      <Text>This circuit’s relief opens at {pressureText(reliefBar, units.pressure)}.</Text>
      <View className="mt-1 flex-row flex-wrap gap-2">
        {question.asPsiBar !== null ? (
          <Key
            label={`psi: log ${pressureText(question.asPsiBar, units.pressure)}`}
            className="grow"
            onPress={() => onTake(Math.round(question.asPsiBar! * 1e4) / 1e4)}
          />
        ) : null}
        {Number.isNaN(question.bar) ? null : (
          <Key label={`${typed.trim()} ${units.pressure} is right`} className="grow" onPress={() => onTake(question.bar)} />
        )}
        <Key label="Change it" className="grow" onPress={onBack} />
      </View>
    </Notice>
  );
}

import { useState } from 'react';
import { COLD_BELOW_C, type EventKind, type HeatRule } from '@jumper/core';
import type { FactBody } from '@jumper/contract';
import { nudgeBar, pressureText, type Units } from '../units/units';
import { checkPressure, checkTemperatures, type PressureCheck } from './checkPressure';
import { EVENT_TITLES } from './eventTitles';
import { useShortcuts } from './useShortcuts';

export interface DockInput {
  lastBar: number | null;
  lastC: number | null;
  startBar: number;
  heatOn: boolean;
  heatUnsaid: boolean;
  reliefBar: number;
  resolutionBar?: number;
  units: Units;
  /** Whether the boiler may fire, and why not. */
  heat: HeatRule;
  onAdd: (body: FactBody) => Promise<string>;
  onUndo: (id: string) => void;
}

/** What is typed, nudged, asked back and taken back where readings and events are logged, by thumb or by keyboard. */
export function useDock({ lastBar, lastC, startBar, heatOn, heatUnsaid, reliefBar, resolutionBar, units, heat, onAdd, onUndo }: DockInput) {
  const [nudgedBar, setNudgedBar] = useState<number | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const [question, setQuestion] = useState<Exclude<PressureCheck, { kind: 'ok' }> | null>(null);
  const [temperatures, setTemperatures] = useState<{ flow: string; ret: string } | null>(null);
  const [temperatureProblem, setTemperatureProblem] = useState<{ field: 'flow' | 'ret'; message: string } | null>(null);
  const [undo, setUndo] = useState<{ id: string; text: string } | null>(null);
  /** What stands open above the stepper: what happens less often, or a reading that was taken before now. */
  const [panel, setPanel] = useState<'more' | 'earlier' | null>(null);
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
    const check = checkTemperatures(temperatures, units);
    if (check.kind === 'bad') {
      setTemperatureProblem(check);
      return null;
    }
    const { kind: _ok, ...read } = check;
    return read;
  };

  const note = async (body: Extract<FactBody, { kind: 'event' }>, said: string) => {
    if (body.event === 'heat-on' && !heat.allowed) return setRefused(true);
    setRefused(false);
    setUndo({ id: await onAdd(body), text: said });
  };
  const keepEarlier = async (body: FactBody) => {
    setUndo({ id: await onAdd(body), text: 'Earlier reading kept' });
    setPanel(null);
  };
  const event = (kind: EventKind) => note({ kind: 'event', at: new Date().toISOString(), event: kind }, `${EVENT_TITLES[kind]} noted`);

  const takeBack = () => {
    if (!undo) return;
    onUndo(undo.id);
    setUndo(null);
  };

  useShortcuts({
    ...Object.fromEntries([...'0123456789'].map((digit) => [digit, () => setTyped((typed ?? '') + digit)])),
    l: () => setTyped(''),
    Enter: () => void press(),
    '+': () => nudge(1),
    '-': () => nudge(-1),
    h: () => void event(heatKey),
    t: () => void event('top-up'),
    c: () => setTemperatures(temperatures ?? { flow: '', ret: '' }),
    z: takeBack,
    Escape: () => {
      setTyped(null);
      setNudgedBar(null);
      setQuestion(null);
      setTemperatures(null);
      setPanel(null);
    },
  });

  const type = (text: string | null) => {
    setTyped(text);
    setQuestion(null);
  };
  const readWithTemperatures = () => setTemperatures(temperatures ? null : { flow: '', ret: '' });
  return {
    bar,
    typed,
    question,
    temperatures,
    temperatureProblem,
    undo,
    panel,
    refused: refused && !heat.allowed,
    heatKey,
    nudge,
    type,
    press,
    log,
    note,
    event,
    takeBack,
    setPanel,
    keepEarlier,
    setTemperatures,
    readWithTemperatures,
    dropQuestion: () => setQuestion(null),
  };
}

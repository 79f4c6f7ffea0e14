import type { RunStep } from './RunSheet';
import { inBar, inCelsius, say } from '../units/said';

// Steps that several run sheets have in common.
export const HEAT_OFF: RunStep = {
  id: 'heat-off',
  text: 'Heat off at the isolator, proved dead',
  must: true,
  turns: [{ position: 'boiler-power', state: 'away' }],
  caution: say`Wait until the water is below ${inCelsius(50)}. Hot water scalds.`,
};
export const FOUND: RunStep = { id: 'found', text: 'Read the gauge as found', asks: 'found-pressure' };
export const ISOLATE: RunStep = {
  id: 'isolate',
  text: 'Shut the boiler’s flow and return',
  note: 'Old valves that may not reseal: leave them, drain the whole circuit instead.',
  turns: [{ position: 'boiler-valves', state: 'away' }],
};
export const DRAIN: RunStep = {
  id: 'drain',
  text: 'Hose to a safe place outside, drain open',
  note: 'It stays open until the end.',
  turns: [{ position: 'drain', state: 'away' }],
  must: true,
};
export const ZERO: RunStep = { id: 'zero', text: 'Read the system gauge: it must show zero', asks: 'gauge-zero', must: true };
export const SHUT_DRAIN: RunStep = {
  id: 'shut-drain',
  text: 'Shut the drain, hose off',
  turns: [{ position: 'drain', state: 'back' }],
  must: true,
};
export const REOPEN: RunStep = {
  id: 'reopen',
  text: 'Open the boiler’s flow and return',
  turns: [{ position: 'boiler-valves', state: 'back' }],
  must: true,
};
export const REFILL: RunStep = {
  id: 'refill',
  text: 'Refill slowly to the fill pressure, bleeding what was opened',
  asks: 'fill-pressure',
  turns: [{ position: 'fill-loop', state: 'away' }],
};
export const LOOP_OFF: RunStep = {
  id: 'loop-off',
  text: 'Shut the fill valves, take the loop off and cap it',
  note: 'Or shut the feed as it was found.',
  turns: [{ position: 'fill-loop', state: 'back' }],
  must: true,
};
export const POWER: RunStep = { id: 'power', text: 'Power on', turns: [{ position: 'boiler-power', state: 'back' }], must: true };
export const LOW_STOP: RunStep = {
  id: 'low-stop',
  text: 'Before refilling: power on briefly, the boiler must report low pressure',
  note: 'One that does not has a sensor that over-reads.',
  caution: 'Hand on the switch: off at once if it tries to fire.',
};
export const LEAK_FLUID: RunStep = {
  id: 'leak-fluid',
  text: 'Leak fluid on the gas valve for a minute, then the cap',
  must: true,
  proves: 'gas-valve-bubbles',
};
export const PUMP: RunStep[] = [
  {
    id: 'read-charge',
    text: 'Tyre gauge on the gas valve: read the charge as found',
    note: 'With water behind it the vessel only repeats the water pressure.',
    asks: 'charge-found',
  },
  {
    id: 'pump',
    text: say`Pump to the target and ${inBar(0.05)} for the coupling`,
    note: 'Water is pushed out of the drain while it fills and the reading falls back: pump again until no more water comes.',
    caution: 'Never pump with the drain shut.',
  },
  { id: 'hold', text: 'Leave it and look again: does it hold?', timerMin: 5, must: true },
  { id: 'set', text: 'Read the charge as left', asks: 'charge-set', must: true },
];
export const back = (...steps: RunStep[]) => [SHUT_DRAIN, REOPEN, ...steps, REFILL, LOOP_OFF, POWER];

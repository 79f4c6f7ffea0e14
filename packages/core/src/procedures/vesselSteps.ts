import { CATCH_WATER, NOTE_VALVES, type TestSteps } from './Step';
import { inBar, say } from '../units/said';

/** Tests of the vessel, as they are done. */
export const VESSEL_STEPS = {
  'gas-valve-press': {
    steps: [
      { text: 'Find the air valve on the vessel and take its cap off', note: 'It looks like a car tyre’s. Keep the cap.' },
      { text: 'Press the pin for half a second', caution: 'Face away: if the diaphragm is holed, hot water may come out.' },
      { text: 'Say what came out', note: 'Water behind the diaphragm presses on the gas: air alone does not prove the right charge.' },
    ],
    means: {
      air: 'Gas is there. Whether it is enough, the log or a drained reading tells.',
      nothing: 'Next to no gas is left: recharge, and look for where it went.',
      water: 'Water has passed the diaphragm: the vessel is finished.',
    },
    stop: 'Water comes: let the pin go, cap on. One press is enough.',
  },
  precharge: {
    steps: [
      {
        text: 'Put the tyre gauge on the vessel’s air valve and read it',
        note: 'Its own side must be empty and its drain open. With water behind it the vessel only repeats the water pressure.',
      },
    ],
    means: {
      low: 'Gas is missing. Recharge with the drain open, then leak fluid on the valve.',
      right: 'The charge is right: look elsewhere, at the connection first if the swing is big.',
      high: 'Overcharged, or water still stands behind it.',
    },
    stop: 'Old valves do not shut: drain the whole circuit instead of forcing them.',
  },
  'pump-up-hold': {
    watchMin: 5,
    steps: [
      { text: 'Drain still open, end of its hose under water' },
      { text: 'Pump to the target', caution: 'Not above what the vessel’s label allows.' },
      {
        text: 'Take the pump off quickly, start the watch',
        note: 'Water is pushed out while it fills and the reading falls back: pump again until none comes.',
      },
      { text: 'Watch the gauge and the hose' },
    ],
    means: {
      held: 'The diaphragm holds.',
      fell: 'Gas is lost: leak fluid on the valve first, else the diaphragm.',
      'bubbles-at-drain': 'Gas comes through: the diaphragm is holed.',
      'would-not-rise': 'Gas goes as fast as it is pumped: holed.',
    },
    stop: 'The gauge stands still however long you pump: stop, it is holed.',
  },
  'gas-valve-bubbles': {
    steps: [
      { text: 'Cap off, leak fluid on the valve' },
      { text: 'Watch for a minute', note: 'Some leak only under the pump’s coupling: look after every recharge.' },
    ],
    means: { tight: 'The core holds now.', bubbles: 'The core leaks: change it with the recharge.' },
  },
  'draw-off': {
    steps: [
      { text: 'Circuit cold and still; feed and its bypass shut, a unit off', note: NOTE_VALVES },
      { text: 'Flick the gauge and read it' },
      {
        text: 'Draw the volume that stands above into a measuring jug or a bucket with marks',
        caution: CATCH_WATER,
        note: 'So much that the needle moves five divisions. What is measured is the instrument: read it to a fiftieth.',
      },
      { text: 'Flick the gauge and read it again' },
    ],
    means: {
      low: 'It fell more than it should: little gas is in play.',
      right: 'It fell as it should: the gas is there and in play.',
      high: 'It hardly fell: more gas than the sheet says, or water is still coming in.',
    },
    stop: say`It nears the water standing above the gauge, to within ${inBar(0.2)}: stop, note the volume so far. Below it air is sucked in at the top.`,
  },
  'vessel-drained-volume': {
    steps: [
      {
        text: 'Measure all that came out',
        note: 'What the vessel held and the boiler’s own water. Without a vent open the boiler’s stays in.',
      },
    ],
    means: {
      low: 'Hardly more than the boiler’s own water: the vessel gave nothing back.',
      right: 'The vessel gave its water back.',
      high: 'More than boiler and vessel hold: a valve lets the circuit drain too.',
    },
  },
  'vessel-connection-flow': {
    steps: [
      {
        text: 'Undo the vessel’s hose at the circuit’s end, counter-holding the pipe',
        caution: 'The vessel may still push: towel round it, face away.',
      },
      { text: 'Look through hose and port, pour or blow', note: 'Sludge sits in the last bend.' },
    ],
    means: {
      free: 'Water reaches the vessel.',
      restricted: 'Clear it: a narrow port makes the vessel slow.',
      blocked: 'The vessel was not in play at all: clear or renew the connection.',
    },
  },
  'vessel-valve-position': {
    steps: [
      { text: 'Follow the pipe from the circuit to the vessel' },
      {
        text: 'Find every valve on it; say how it stands',
        note: 'Some have a cap over a square: shut when it is across.',
        caution: 'Do not turn it while the circuit is hot and the vessel may be shut off.',
      },
    ],
    means: {
      open: 'It is not shut off there.',
      closed: 'The vessel was shut off. Cool first, then open slowly.',
      'no-valve': 'Nothing there to be shut.',
    },
  },
  'vessel-tap-sound': {
    steps: [
      { text: 'Knock along the vessel from the gas end to the water end' },
      { text: 'Say how it sounds', note: 'Weak evidence: it never decides by itself.' },
    ],
    means: { hollow: 'Gas somewhere: says little.', dull: 'Perhaps full of water.', unclear: 'Says nothing.' },
  },
} satisfies Record<string, TestSteps>;

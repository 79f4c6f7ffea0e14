import { CATCH_WATER, type TestSteps } from './Step';
import { inBar, inCelsius, say } from '../units/said';

/** Tests of gauge and relief, as they are done. */
export const GAUGE_AND_RELIEF_STEPS = {
  'idle-cold-pressure': {
    steps: [
      { text: 'Heat off for some hours, best since last night' },
      { text: 'Flick the gauge, then read it', note: 'A needle that jumps when flicked has been sticking.' },
    ],
    means: {
      low: 'Water is missing, or the fill was low.',
      right: 'The cold side is in order now.',
      high: 'High with no heat: the vessel is not the reason.',
    },
  },
  'second-gauge': {
    steps: [
      {
        text: 'Screw a second gauge to a drain or test point at the same height',
        caution: CATCH_WATER,
        note: say`A metre higher or lower makes ${inBar(0.1)}.`,
      },
      { text: 'Flick both, read both at once' },
    ],
    means: {
      right: 'The circuit’s own gauge can be believed.',
      high: 'The circuit’s gauge is off by the difference: put the log right by it.',
      low: 'The circuit’s gauge is off by the difference: put the log right by it.',
    },
  },
  'gauge-at-zero': {
    steps: [{ text: 'Drain open and no more water: flick the gauge and read it' }],
    means: { right: 'It falls to zero: nothing against the gauge.', high: 'It shows pressure with none there: it lies by that much.' },
  },
  'low-pressure-stop': {
    who: 'Whoever may work on this boiler’s controls.',
    steps: [
      {
        text: 'Boiler still shut off and empty: nothing may stand above its sensor',
        note: 'Opened to the circuit, the house’s water stands on it, and a sound sensor reads it.',
      },
      { text: 'Power on, call for heat', caution: 'Hand on the switch: a boiler that tries to fire while dry is switched off at once.' },
      { text: 'See whether it reports low pressure and stays off' },
    ],
    means: {
      shown: 'The sensor sees that the water is gone.',
      'not-shown': 'The sensor over-reads, or its stop does not work. It must not be left so.',
    },
    stop: 'It lights: switch off at once. This is a defect by itself.',
  },
  'discharge-pipe': {
    steps: [
      { text: 'Find where the relief’s pipe ends outside' },
      {
        text: 'Look at its end and at the wall under it',
        note: 'A white trace: it has lifted before.',
        caution: 'Keep clear of the end: it may lift while you look, and the water is hot.',
      },
    ],
    means: {
      dry: 'It has not lifted lately.',
      stained: 'It has lifted before.',
      dripping: 'It passes now. Cold water says that heat is not the cause.',
      running: 'It passes freely: heat off, find out why.',
    },
    stop: say`It runs hot: heat off, keep away until it is below ${inCelsius(50)}.`,
  },
  'discharge-catch': {
    watchMin: 15,
    steps: [
      { text: 'Jug under the end of the discharge pipe', caution: 'Hot water may come in a burst. Never hold the jug.' },
      { text: 'Note whether the circuit is cold, heating or hot' },
      { text: 'Start the watch; measure what came when the time is up' },
    ],
    means: {
      low: 'Drips when the season starts, and sealing after a few warm runs, are ordinary.',
      high: 'A jug filling while cold: the seat passes. Only while heating: the pressure drives it.',
    },
    stop: 'The jug is near full: empty it, add up.',
  },
  'relief-reseat': {
    steps: [
      { text: 'See that the discharge pipe is sound and ends safely', caution: 'What comes out is hot if the circuit is. Cool first.' },
      { text: 'Turn or lift it for a split second, let it snap back' },
      {
        text: 'Dry the pipe’s end and watch for five minutes',
        note: 'Most that have lifted do not reseat well. A flush is a stop-gap: note a recheck.',
      },
    ],
    means: { stopped: 'Grit on the seat. Recorded as temporary, with a recheck.', 'still-drips': 'The seat is worn: renew the valve.' },
    stop: 'It does not shut again: drain to zero, renew it now.',
  },
  'relief-marking': {
    steps: [
      {
        text: 'Find the set pressure on the cap or on the tag',
        note: 'Heating and drinking-water reliefs stand side by side: take the right one.',
        caution: 'Never re-rate, plug or dismantle it.',
      },
    ],
    means: {
      right: 'The right rating is fitted.',
      low: 'A lower rating than this circuit wants: it opens early.',
      high: 'Above what the weakest part allows: renew it now.',
    },
  },
} satisfies Record<string, TestSteps>;

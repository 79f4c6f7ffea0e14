import type { TestId } from '../judge/tests';

/** How a test is done: steps in order, each with what to mind where it matters. Common practice. */
export interface TestSteps {
  steps: { text: string; note?: string; caution?: string }[];
  /** What each outcome means, by outcome. */
  means?: Record<string, string>;
  /** Opened only below this water temperature, °C. */
  coolBelowC?: number;
  /** Suggested length of a timed watch, min. */
  watchMin?: number;
}

export const TEST_STEPS: Partial<Record<TestId, TestSteps>> = {
  'gas-valve-press': {
    steps: [
      { text: 'Find the gas valve on the vessel and take its cap off', note: 'It looks like a car tyre’s. Keep the cap.' },
      { text: 'Press the pin for half a second', caution: 'Face away: if the diaphragm is holed, hot water may come out.' },
      { text: 'Say what came out', note: 'Water behind the diaphragm presses on the gas: air alone does not prove the right charge.' },
    ],
    means: { air: 'Gas is there. Whether it is enough, the log or a drained reading tells.', nothing: 'Next to no gas is left: recharge, and look for where it went.', water: 'Water has passed the diaphragm: the vessel is finished.' },
  },
  precharge: {
    coolBelowC: 50,
    steps: [
      { text: 'Heat off at the isolator, proved dead' },
      { text: 'Shut the boiler’s valves, or drain the whole circuit', note: 'Write down every valve you shut; each has to be opened again.' },
      { text: 'Open the drain and leave it open', note: 'With water behind it the vessel only repeats the water pressure.', caution: 'Wait until it is below 50 °C. Hot water scalds.' },
      { text: 'Read the system gauge: it must show zero' },
      { text: 'Put the tyre gauge on the gas valve and read it' },
    ],
  },
  'idle-cold-pressure': {
    steps: [{ text: 'Heat off for some hours, best since last night' }, { text: 'Flick the gauge, then read it' }],
  },
  'discharge-pipe': {
    steps: [{ text: 'Find where the relief’s pipe ends outside' }, { text: 'Look at its end and the wall under it', note: 'A white trace: it has lifted before.', caution: 'Keep clear of the end: it may lift while you look, and the water is hot.' }],
    means: { dry: 'It has not lifted lately.', stained: 'It has lifted before.', dripping: 'It passes now. Cold water says that heat is not the cause.', running: 'It passes freely: heat off, find out why.' },
  },
  'fill-disconnected-watch': {
    watchMin: 15,
    steps: [
      { text: 'Heat off, circuit cold and still' },
      { text: 'Shut both valves of the fill loop, take it off, cap both ends', caution: 'Heating water is not drinking water: catch what runs out.' },
      { text: 'Read the gauge, start the watch, leave everything alone' },
      { text: 'Read the gauge again when the time is up', note: 'Rising now: it does not come through the loop.' },
    ],
  },
  'gas-valve-bubbles': { steps: [{ text: 'Cap off, leak fluid on the valve' }, { text: 'Watch for a minute' }], means: { tight: 'The core holds now.', bubbles: 'The core leaks: change it with the recharge.' } },
  'second-gauge': { steps: [{ text: 'Screw a second gauge to a drain or test point, same height' }, { text: 'Read both at once' }] },
  'draw-off': { coolBelowC: 50, steps: [{ text: 'Circuit cold, feed shut' }, { text: 'Read the gauge' }, { text: 'Draw about half a litre into a jug; measure it' }, { text: 'Read the gauge again' }] },
  'listen-at-exchanger': { steps: [{ text: 'Boiler off and cold, taps shut' }, { text: 'Ear or a rod to the plate exchanger' }], means: { hiss: 'Water passes inside.', quiet: 'A small hole may be too quiet to hear.' } },
  'visible-leak': { steps: [{ text: 'Walk every joint, valve and emitter you can reach' }, { text: 'Feel floors; heat dries what leaks' }] },
};

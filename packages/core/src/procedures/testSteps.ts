import { TESTS, type TestId } from '../judge/tests';

/** How a test is done: steps in order, each with what to mind where it matters. Common practice. */
export interface TestSteps {
  steps: Step[];
  /** What each outcome means, by outcome; of a measured test what a value at either end means, by `low`, `right`, `high`. */
  means: Record<string, string>;
  /** When to break off. */
  stop?: string;
  /** Who may do it, where that is not everybody on the job. */
  who?: string;
  /** Opened only below this water temperature, °C. */
  coolBelowC?: number;
  /** Suggested length of a timed watch, min; those with something shut off are as long as the circuit needs (`watchLength.ts`). */
  watchMin?: number;
}

export interface Step {
  text: string;
  note?: string;
  caution?: string;
}

const CATCH_WATER = 'Heating water is not drinking water: catch what runs out.';
const NO_FIRING = 'No firing while anything is valved off.';
const NOTE_VALVES = 'Note every valve that you turn; the bench keeps the list until it is put back.';
const READ_AND_LEAVE: Step = { text: 'Flick the gauge, read it, start the watch, leave everything alone' };
const READ_AGAIN: Step = { text: 'Read the gauge again when the time is up' };

/** The pressure-side tests of a sealed circuit. Circulation and steam have theirs with their own views. */
export const TEST_STEPS = {
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
    stop: 'It runs hot: heat off, keep away until it is below 50 °C.',
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
  'second-gauge': {
    steps: [
      {
        text: 'Screw a second gauge to a drain or test point at the same height',
        caution: CATCH_WATER,
        note: 'A metre higher or lower makes 0.1 bar.',
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
    coolBelowC: 50,
    steps: [
      { text: 'Boiler off, isolated and drained', caution: NO_FIRING, note: NOTE_VALVES },
      { text: 'Drain open and no more water: flick the gauge and read it' },
    ],
    means: { right: 'It falls to zero: nothing against the gauge.', high: 'It shows pressure with none there: it lies by that much.' },
  },
  'low-pressure-stop': {
    coolBelowC: 50,
    who: 'Whoever may work on this boiler’s controls.',
    steps: [
      { text: 'Boiler drained, gauge at zero' },
      { text: 'Power on, call for heat', caution: 'Hand on the switch: a boiler that tries to fire while dry is switched off at once.' },
      { text: 'See whether it reports low pressure and stays off' },
    ],
    means: {
      shown: 'The sensor sees that the water is gone.',
      'not-shown': 'The sensor over-reads, or its stop does not work. It must not be left so.',
    },
    stop: 'It lights: switch off at once. This is a defect by itself.',
  },
  'gas-valve-press': {
    steps: [
      { text: 'Find the gas valve on the vessel and take its cap off', note: 'It looks like a car tyre’s. Keep the cap.' },
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
    coolBelowC: 50,
    steps: [
      { text: 'Heat off at the isolator, proved dead' },
      { text: 'Shut the boiler’s valves, or drain the whole circuit', note: NOTE_VALVES, caution: NO_FIRING },
      {
        text: 'Open the drain and leave it open',
        note: 'With water behind it the vessel only repeats the water pressure.',
        caution: 'Wait until it is below 50 °C. Hot water scalds.',
      },
      { text: 'Read the system gauge: it must show zero' },
      { text: 'Put the tyre gauge on the gas valve and read it' },
    ],
    means: {
      low: 'Gas is missing. Recharge with the drain open, then leak fluid on the valve.',
      right: 'The charge is right: look elsewhere, at the connection first if the swing is big.',
      high: 'Overcharged, or water still stands behind it.',
    },
    stop: 'Old valves do not shut: drain the whole circuit instead of forcing them.',
  },
  'pump-up-hold': {
    coolBelowC: 50,
    watchMin: 5,
    steps: [
      { text: 'Water side drained, drain open and left open, hose end under water' },
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
    coolBelowC: 50,
    steps: [
      { text: 'Circuit cold and still; feed shut', note: NOTE_VALVES },
      { text: 'Flick the gauge and read it' },
      { text: 'Draw about half a litre into a measuring jug', caution: CATCH_WATER, note: 'The jug is the instrument: read it to 20 mL.' },
      { text: 'Flick the gauge and read it again' },
    ],
    means: {
      low: 'It fell more than it should: little gas is in play.',
      right: 'It fell as it should: the gas is there and in play.',
      high: 'It hardly fell: more gas than the sheet says, or water is still coming in.',
    },
    stop: 'It nears zero: stop, note the volume so far.',
  },
  'vessel-drained-volume': {
    coolBelowC: 50,
    steps: [
      { text: 'Heat off, feed shut, read the gauge', note: NOTE_VALVES },
      { text: 'Boiler isolated; hose from its drain into a bucket with marks', caution: NO_FIRING },
      { text: 'Open the drain until nothing more comes; measure', note: 'The boiler’s own water comes with it.' },
    ],
    means: {
      low: 'Hardly more than the boiler’s own water: the vessel gave nothing back.',
      right: 'The vessel gave its water back.',
      high: 'More than boiler and vessel hold: a valve lets the circuit drain too.',
    },
  },
  'vessel-connection-flow': {
    coolBelowC: 50,
    steps: [
      { text: 'Boiler isolated and drained, pressure at zero', caution: NO_FIRING },
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
  'fill-disconnected-watch': {
    steps: [
      { text: 'Heat off, circuit cold and still' },
      { text: 'Shut both valves of the fill loop, take it off, cap both ends', caution: CATCH_WATER },
      { ...READ_AND_LEAVE, note: 'From zero: isolate the boiler first, or the water standing above lifts it by 0.1 bar a metre.' },
      { ...READ_AGAIN, note: 'Rising now: it does not come through the loop.' },
    ],
    means: {
      low: 'It falls: water is leaving the circuit.',
      right: 'Steady: what came in came through the loop.',
      high: 'It rises with the loop off: water comes through the exchanger or coil.',
    },
  },
  'fill-isolated-watch': {
    steps: [
      { text: 'Cold, heat off' },
      { text: 'Shut the stop valve before the feed valve, and its bypass', note: NOTE_VALVES },
      READ_AND_LEAVE,
      READ_AGAIN,
    ],
    means: {
      low: 'It falls: the feed has been hiding a leak.',
      right: 'Steady with the feed shut: open it again and see whether it rises.',
      high: 'It rises with the feed shut: another way in, the coil before all.',
    },
  },
  'fill-outlet-drip': {
    steps: [
      { text: 'Shut the loop’s valves, part it at the circuit’s end', caution: CATCH_WATER },
      { text: 'Dry the mains end with a cloth; wait five minutes' },
    ],
    means: { dry: 'The fill valve holds.', drips: 'It lets by: the pressure climbs on its own. Renew it; leave the loop off.' },
  },
  'cold-main-off-watch': {
    steps: [
      { text: 'Shut the property’s main, not just the boiler’s', note: 'A mixing tap elsewhere can cross over. Tell the household.' },
      {
        text: 'Open a tap until it runs dry, then shut it',
        caution: 'With a tap left open heating water can pass the hole into the drinking water. Do not leave it so.',
      },
      READ_AND_LEAVE,
      READ_AGAIN,
    ],
    means: {
      low: 'It falls: with the mains gone the water goes the other way, or leaks out.',
      right: 'No rise without the mains: what came in was mains water.',
      high: 'It rises with the main shut: heat, or a tank above.',
    },
  },
  'cold-main-on-watch': {
    steps: [{ text: 'Open the property’s main again', note: 'Flush a cold tap first.' }, READ_AND_LEAVE, READ_AGAIN],
    means: {
      low: 'It falls although the mains are back: water is leaving the circuit.',
      right: 'No rise: the mains do not come in.',
      high: 'It rises again within 15–20 minutes: mains water comes in.',
    },
  },
  'coil-isolated-watch': {
    steps: [
      { text: 'Stop the cylinder’s pump or shut its motor valve' },
      { text: 'Shut the coil’s flow and return', note: NOTE_VALVES, caution: NO_FIRING },
      READ_AND_LEAVE,
      READ_AGAIN,
    ],
    means: {
      low: 'It falls: water is leaving the circuit.',
      right: 'It holds with the coil off. If it rose before, the coil is holed.',
      high: 'It still rises: not the coil. Look at the feed.',
    },
  },
  'boiler-isolated-hold': {
    watchMin: 60,
    coolBelowC: 50,
    steps: [
      { text: 'Cold. Shut the boiler’s flow and return', note: NOTE_VALVES, caution: NO_FIRING },
      { text: 'Read the boiler side; the circuit side too if it has a gauge' },
      { text: 'Leave it for an hour, best overnight' },
      { text: 'Read again' },
    ],
    means: {
      low: 'The side that fell is the side that leaks.',
      right: 'Neither fell: too slow to see, or only when hot.',
      high: 'A side that rises has water coming in.',
    },
  },
  'listen-at-exchanger': {
    steps: [
      { text: 'Boiler off and cold, all taps shut' },
      { text: 'Ear or a rod to the plate exchanger', note: 'Quiet house: stop the washing machine.' },
    ],
    means: { hiss: 'Water passes inside.', quiet: 'A small hole may be too quiet to hear.' },
  },
  'relief-reseat': {
    coolBelowC: 50,
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
  'bleed-radiators': {
    steps: [
      { text: 'Heat and pump off' },
      { text: 'Open each vent from the bottom floor up until water comes', caution: 'Cloth under it: the water may be hot and black.' },
      { text: 'Say how much air there was; top up afterwards', note: 'Air that burns: corrosion. No flame near it.' },
    ],
    means: {
      none: 'No air: nothing cushions the pressure but the vessel.',
      'some-air': 'A little is ordinary after topping up.',
      'much-air': 'Air cushions the circuit and hides what the vessel does. Ask where it comes from.',
    },
  },
  'visible-leak': {
    steps: [
      { text: 'Walk every joint, valve and emitter that you can reach', note: 'A stain counts. Green or white crust is an old weep.' },
      {
        text: 'Feel floors over pipes; look under the boiler’s cover only if you may',
        note: 'A hot floor dries what leaks: a catch pan shows weeks.',
      },
    ],
    means: { none: 'What leaks may dry, or leave through relief or condensate.', found: 'Mend it, then watch the cold pressure.' },
  },
  'condensate-when-off': {
    steps: [
      { text: 'Boiler not fired for an hour, power off' },
      {
        text: 'Part the condensate pipe or look at its end',
        caution: 'Condensate is acid. Put the trap back full of water, or flue gas comes out of it.',
      },
      { text: 'Watch for five minutes' },
    ],
    means: { dry: 'Nothing leaks into the fire side now.', drips: 'Water with no fire: the exchanger leaks.' },
    who: 'Under the boiler’s cover: licensed people only.',
  },
  'top-ups-per-month': {
    steps: [{ text: 'Ask who tops up, how often, from what to what' }],
    means: { low: 'Once in months is ordinary.', high: 'Every week or more: water goes somewhere.' },
  },
  'heat-run-after': {
    watchMin: 15,
    steps: [
      { text: 'Everything put back: valves open, loop off, cap on' },
      { text: 'Read the cold pressure' },
      { text: 'Heat to the highest temperature, hold until it is steady' },
      { text: 'Read the hot pressure and the flow' },
    ],
    means: {
      right: 'Within this circuit’s band: it is put right.',
      high: 'Still too high: not put right, or something else besides.',
      low: 'Less than expected: air, or water leaving.',
    },
    stop: 'It nears the relief’s set pressure: heat off.',
  },
} satisfies Partial<Record<TestId, TestSteps>>;

/** The written steps of a test, or none yet. */
export const stepsOf = (test: TestId): TestSteps | undefined => (TEST_STEPS as Partial<Record<TestId, TestSteps>>)[test];

/** Every test of the pressure side. */
export const PRESSURE_TESTS = (Object.keys(TESTS) as TestId[]).filter((id) => TESTS[id].plant === 'sealed');

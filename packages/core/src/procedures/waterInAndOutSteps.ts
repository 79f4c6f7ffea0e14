import { CATCH_WATER, NO_FIRING, NOTE_VALVES, READ_AND_LEAVE, READ_AGAIN, type TestSteps } from './Step';
import { inBar, say } from '../units/said';
import { COIL_SHUT } from '../valves/heatRule';

/** Tests of water that comes in or goes out, as they are done. */
export const WATER_STEPS = {
  'fill-disconnected-watch': {
    steps: [
      { text: 'Heat off, circuit cold and still' },
      { text: 'Shut both valves of the fill loop, take it off, cap both ends', caution: CATCH_WATER },
      { ...READ_AND_LEAVE, note: say`From zero: isolate the boiler first, or the water standing above lifts it by ${inBar(0.1)} a metre.` },
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
      { text: 'Stop the cylinder’s pump or shut its motor valve; immersion heater off' },
      {
        text: 'Shut the coil’s flow and return',
        note: NOTE_VALVES,
        caution: COIL_SHUT,
        turns: [{ position: 'coil-valves', state: 'away' }],
      },
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
    steps: [
      { text: 'Cold, the same on both sides: touch or measure flow pipe and a radiator’s' },
      {
        text: 'Shut the boiler’s flow and return',
        note: NOTE_VALVES,
        caution: say`${NO_FIRING} The side without the vessel is shut in: a kelvin moves it ${inBar(0.2)} to ${inBar(0.6)}, and it may have no relief. Do not let it warm.`,
        turns: [{ position: 'boiler-valves', state: 'away' }],
      },
      { text: 'Read pressure and temperature on the boiler’s side; on the circuit’s too if it has a gauge' },
      { text: 'Leave it for an hour, best overnight' },
      { text: 'Read both again, temperatures too' },
      { text: 'Open the boiler’s flow and return', turns: [{ position: 'boiler-valves', state: 'back' }] },
    ],
    means: {
      low: 'A side that fell leaks, if it did not cool. The side without the vessel falls for each kelvin that it cools.',
      right: 'Neither fell: too slow to see, or only when hot.',
      high: 'A side that rises has water coming in, if it did not warm.',
    },
  },
  'listen-at-exchanger': {
    steps: [
      { text: 'Boiler off and cold, all taps shut' },
      { text: 'Ear or a rod to the plate exchanger', note: 'Quiet house: stop the washing machine.' },
    ],
    means: { hiss: 'Water passes inside.', quiet: 'A small hole may be too quiet to hear.' },
  },
  'bleed-radiators': {
    steps: [
      { text: 'Heat and pump off' },
      {
        text: 'Read the gauge: above the water standing over it, or top up first',
        note: 'Below it air is sucked in at the top instead of let out.',
      },
      {
        text: 'Open each vent from the bottom floor to the top until water comes',
        caution: 'Cloth under it: the water may be hot and black.',
      },
      { text: 'Say how much air there was; top up afterwards', note: 'Air that burns: corrosion. No flame near it.' },
    ],
    means: {
      none: 'No air: nothing cushions the pressure but the vessel.',
      'some-air': 'A little is ordinary after topping up.',
      'much-air': 'Air cushions the circuit and hides what the vessel does. Ask where it comes from.',
    },
  },
  'feed-valve-position': {
    steps: [
      { text: 'Follow the pipe from the feed to the circuit, and from the mains to the feed' },
      {
        text: 'Find its stop valve and its bypass; say how the stop valve stands',
        note: 'A bypass that is not shut fills with the pressure of the mains.',
      },
    ],
    means: {
      open: 'In service: a leak is made up unseen. Low and not made up: the feed gives nothing.',
      shut: 'Nothing is made up: what is lost shows on the gauge. Ask who keeps it so, and why.',
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
} satisfies Record<string, TestSteps>;

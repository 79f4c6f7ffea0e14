import { CATCH_WATER, NOTE_VALVES, type Step, type TestSteps } from './Step';
import { inCelsius, say } from '../units/said';

const WATER_AND_ELECTRICS = 'Keep water and electrics apart: dry hands, nothing dripping above.';
const POWER_OFF_FIRST = 'Power off and proved dead before a cover comes off or a lead is moved.';
const CALL: Step = {
  text: 'Let the zone call: turn its thermostat well up',
  note: 'Note what it stood at, and any link put on its terminals: both go back.',
};
const WIRING = 'Whoever may work on this wiring.';

/** Tests of circulation, as they are done. */
export const FLOW_STEPS = {
  'flow-return': {
    steps: [
      { text: 'Heat on; let the boiler fire for ten minutes', note: 'In the first three minutes flow and return have not parted yet.' },
      {
        text: 'Read flow and return at the boiler within a minute of one another',
        caution: 'The pipes scald: clip the probes on, hold nothing.',
      },
      { text: 'Note how long it has fired' },
    ],
    means: {
      low: 'Next to no load takes the heat: nothing calls, a valve is shut, or the water goes round by a bypass.',
      right: 'The boiler’s heat is carried off as it should be.',
      high: 'Too little water goes round: pump, a valve nearly shut, a strainer, air.',
    },
    stop: 'It bangs or runs past its limit: heat off, find what stops the flow.',
  },
  'pump-running': {
    steps: [
      { text: 'Let a zone call; see that the boiler has power' },
      {
        text: 'Hand near the motor, then on it',
        caution: 'It may be hot enough to burn.',
        note: 'Warm and quiet is right. Hot and humming: it is stuck.',
      },
      {
        text: 'Blade of a screwdriver to the casing, handle to the ear',
        note: 'A pump that spins may still move nothing: a shut valve, air, or an arrow that points the wrong way.',
      },
      { text: 'Silent and cold: see whether anything calls it before it is called dead' },
    ],
    means: {
      'running-warm': 'It turns. If no heat arrives, look at the valves beside it and at air.',
      'humming-stuck': 'It has power and does not turn: stuck. Power off before it is freed.',
      'no-power': 'Called, and nothing reaches it: fuse, lead, relay.',
      'off-no-call': 'Nothing asks for it: look at thermostat, clock and end switch first.',
    },
    stop: 'It smells or trips: power off, leave it off.',
  },
  'zone-pipe-temperatures': {
    steps: [
      { text: 'Say which zone, and whether it is calling' },
      {
        text: 'Calling: wait ten minutes after the pipes ought to be warm',
        note: 'Not calling: an hour after its last call, with another zone running.',
      },
      { text: 'Read supply and return of that zone, near the manifold', caution: say`Pipes at ${inCelsius(75)} burn: clip the probes on.` },
    ],
    means: {
      low: 'It calls and stays cold: a shut valve, no pump, or air.',
      right: 'It does as it is told.',
      high: 'Not called and warm: its flow check or valve lets by. Called, with a cold return: hardly any water goes through.',
    },
  },
  'zone-valve-supply-24v': {
    who: WIRING,
    steps: [
      CALL,
      {
        text: 'Read the head’s plate: 24 V, or mains voltage',
        note: 'Some heads are mains voltage. Then this is not the test: leave it to whoever may work on mains.',
        caution: 'Mains voltage kills. Take nothing for 24 V that does not say so.',
      },
      { text: 'Clip the meter to the valve’s own motor leads', caution: `${POWER_OFF_FIRST} ${WATER_AND_ELECTRICS}` },
      { text: 'Power on, and read it while the zone calls' },
      {
        text: 'Nothing there: measure at the transformer',
        note: 'A transformer of 24 V that gives nothing has lost its fuse or its mains.',
      },
    ],
    means: {
      present: 'The call arrives: what does not happen now is the valve’s doing.',
      absent: 'No call arrives: thermostat, lead or transformer, not the valve.',
    },
  },
  'zone-valve-moves': {
    steps: [
      {
        text: 'With no call, move its lever by hand',
        note: 'Slack all the way: it stands open already. Stiff, then back by itself: the spring is sound.',
      },
      CALL,
      { text: 'Watch the lever or the end of the shaft for a minute', note: 'Some take most of a minute.' },
      { text: 'Leave the lever where it was', caution: 'A valve latched open by hand goes on the put-back list.' },
    ],
    means: {
      opens: 'It travels. If the boiler stays off, look at its end switch.',
      stuck: 'It does not travel: with 24 V there, motor or valve body.',
    },
  },
  'zone-valve-end-switch': {
    who: WIRING,
    steps: [
      {
        text: 'Power off; take the two end-switch leads off and make them safe',
        caution: POWER_OFF_FIRST,
        turns: [{ position: 'lead', state: 'away' }],
      },
      { text: 'Power on again, call the zone', caution: 'The motor leads are live now: touch only the free switch contacts.' },
      {
        text: 'Wait for its full travel, as the valve’s data say; half a minute to two',
        note: 'Opening it by its lever will not do: many heads do not make the switch that way.',
      },
      {
        text: 'Measure continuity across the switch’s two contacts',
        note: 'It is a contact of its own: no voltage is expected across it by itself.',
      },
      {
        text: 'Power off, leads back on, power on',
        note: NOTE_VALVES,
        turns: [{ position: 'lead', state: 'back' }],
      },
    ],
    means: {
      closed: 'It closes: the boiler is told. Look further on.',
      open: 'The valve opens and does not say so: the boiler is never called.',
    },
    stop: 'The leads carry mains: stop, this is another kind of valve.',
  },
  'mixed-supply': {
    steps: [
      { text: 'Mixed zone calling for ten minutes, boiler hot', note: 'A mixing valve cannot give more than it is fed.' },
      { text: 'Read the set temperature on its cap' },
      { text: 'Clip a probe to the mixed pipe, a metre past the valve', note: say`A floor wants some ${inCelsius(46)} at the most.` },
    ],
    means: {
      low: 'Cooler than set: cap moved, valve stuck, or too little hot water reaches it.',
      right: 'It gives what it is set to.',
      high: 'Hotter than set: a floor may be harmed. Set it down before anything else.',
    },
    stop: say`More than ${inCelsius(55)} goes into a floor: shut that zone.`,
  },
  'isolation-valves-open': {
    steps: [
      { text: 'Find the valve on either side of the pump', note: 'A lever across the pipe is shut; a screw slot across it as well.' },
      {
        text: 'Turn each by a little towards open, and see that it was',
        caution: CATCH_WATER,
        note: 'Old ones may weep once touched: look again before you go.',
      },
    ],
    means: {
      'all-open': 'Nothing is shut: the pump, air or the branch itself.',
      'one-closed': 'Shut, it looks like a dead pump: open it and run it.',
    },
  },
} satisfies Record<string, TestSteps>;

import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { hasLowPressureStop } from '../circuit/lowPressureStop';
import { isTreated } from '../circuit/isTreated';
import { inBar, inCelsius, inLitres, say } from '../units/said';
import { allTrapped, listed, shutText } from '../valves/isolationWords';
import type { IsolationPlan } from '../valves/isolationPlan';
import type { RepairKind } from '../judge/Case';
import type { RunStep } from './RunSheet';

/** What the steps of a run sheet are made from. */
export interface RunContext {
  sheet: CircuitSheet;
  circuit: ResolvedCircuit;
  plan: IsolationPlan;
}

// Steps that several run sheets have in common.
export const heatOff = (belowC: number): RunStep => ({
  id: 'heat-off',
  text: 'Heat off at the isolator, proved dead',
  must: true,
  turns: [{ position: 'boiler-power', state: 'away' }],
  caution: say`Wait until the water is below ${inCelsius(belowC)}. Hot water scalds.`,
});
export const FOUND: RunStep = { id: 'found', text: 'Read the gauge as found', asks: 'found-pressure' };

/** Nothing feeds any more, whichever side the feed stands on. */
export function feedOff({ fill }: CircuitSheet): RunStep[] {
  switch (fill?.kind) {
    case 'none':
      return [];
    case 'reducing-valve':
      return [
        fill.valve === 'shut'
          ? {
              id: 'feed-off',
              text: 'See that the feed’s stop valve and its bypass are shut',
              note: 'It was found shut.',
              turns: [{ position: 'feed-bypass', state: 'back' }],
              must: true,
            }
          : {
              id: 'feed-off',
              text: 'Shut the stop valve of the feed, and its bypass',
              note: 'A feed that is left open goes on filling what is drained.',
              turns: [
                { position: 'feed-valve', state: 'away' },
                { position: 'feed-bypass', state: 'back' },
              ],
              must: true,
            },
      ];
    case 'pressurisation-unit':
      return [
        {
          id: 'feed-off',
          text: 'Pressurisation unit off, its stop valve and bypass shut',
          note: 'Write down its limits and its reading first.',
          turns: [
            { position: 'unit', state: 'away' },
            { position: 'feed-valve', state: 'away' },
            { position: 'feed-bypass', state: 'back' },
          ],
          must: true,
        },
      ];
    default:
      return [
        {
          id: 'feed-off',
          text: 'Both valves of the fill loop shut, loop off and capped',
          note: 'They should be anyway.',
          turns: [
            { position: 'fill-valve', state: 'back' },
            { position: 'fill-loop', state: 'back' },
          ],
          must: true,
        },
      ];
  }
}

/** Water in again to where the circuit should stand, and the feed as it was found. */
export function feedOn({ sheet, circuit }: Pick<RunContext, 'sheet' | 'circuit'>, bleed = 'bleeding what was opened'): RunStep[] {
  const treated: Pick<RunStep, 'note'> = isTreated(sheet) ? { note: 'Dose again what was lost: inhibitor, antifreeze.' } : {};
  const asks = { asks: 'fill-pressure', must: true } as const;
  switch (sheet.fill?.kind) {
    case 'none':
      return [{ id: 'refill', text: say`Fill slowly to ${inBar(circuit.fillGaugeBar)}, ${bleed}`, ...asks, ...treated }];
    case 'reducing-valve': {
      const fills = say`Open the feed slowly: it fills to ${inBar(circuit.fillGaugeBar)}; ${bleed}`;
      return sheet.fill.valve === 'shut'
        ? [
            { id: 'feed-on', text: fills, turns: [{ position: 'feed-valve', state: 'back' }], ...asks, ...treated },
            {
              id: 'feed-shut',
              text: 'Shut the feed again, as it was found',
              turns: [{ position: 'feed-valve', state: 'left' }],
              must: true,
            },
          ]
        : [{ id: 'feed-on', text: fills, turns: [{ position: 'feed-valve', state: 'back' }], ...asks, ...treated }];
    }
    case 'pressurisation-unit':
      return [
        {
          id: 'feed-on',
          text: say`Unit’s stop valve open, unit on: it fills to ${inBar(circuit.fillGaugeBar)}; ${bleed}`,
          turns: [
            { position: 'feed-valve', state: 'back' },
            { position: 'unit', state: 'back' },
          ],
          ...asks,
          ...treated,
        },
      ];
    default:
      return [
        {
          id: 'refill',
          text: say`Refill slowly to ${inBar(circuit.fillGaugeBar)}, ${bleed}`,
          asks: 'fill-pressure',
          turns: [{ position: 'fill-loop', state: 'away' }],
          ...treated,
        },
        {
          id: 'loop-off',
          text: 'Shut the fill valves, take the loop off and cap it',
          turns: [
            { position: 'fill-valve', state: 'back' },
            { position: 'fill-loop', state: 'back' },
          ],
          must: true,
        },
      ];
  }
}

/** Where things stand is looked at before anything is shut, as long as the map rests on what was only assumed. */
export const whereStep = (plan: IsolationPlan): RunStep[] =>
  plan.assumed.length === 0
    ? []
    : [
        {
          id: 'where',
          text: 'Look where the parts stand, and put the valve map right',
          note: `Only assumed so far: ${listed(plan.assumed)}.`,
          must: true,
          showsMap: true,
        },
      ];

/** From the running plant to an emptied part with nothing behind it: heat off, feed off, shut, drained, vented, read at zero. */
export function emptied(ctx: RunContext, belowC: number): RunStep[] {
  const { sheet, plan } = ctx;
  return [heatOff(belowC), FOUND, ...whereStep(plan), ...feedOff(sheet), ...isolated(plan), ...drained(sheet, plan)];
}

export function isolated(plan: IsolationPlan): RunStep[] {
  if (plan.shut.length === 0) return [];
  const trapped = allTrapped(plan);
  return [
    {
      id: 'isolate',
      text: `Shut: ${shutText(plan)}`,
      note: 'Old valves that may not reseal: leave them, drain the whole circuit instead.',
      turns: turned(plan, 'away'),
      ...(trapped.length > 0 ? { caution: trapped } : {}),
    },
  ];
}

const turned = (plan: IsolationPlan, state: 'away' | 'back'): NonNullable<RunStep['turns']> =>
  [...new Set(plan.shut.map((v) => v.position))].map((position) => ({ position, state }));

function drained(sheet: CircuitSheet, plan: IsolationPlan): RunStep[] {
  const treated = isTreated(sheet) ? ' Treated water goes into a container, not to the ground.' : '';
  return [
    {
      id: 'drain',
      text: `Hose on the ${plan.drain} to a safe place, open it`,
      note: say`It stays open until the end. About ${inLitres(Number(plan.litresOut.toPrecision(2)))} come out.${treated}`,
      turns: [{ position: plan.drainPosition, state: 'away' }],
      must: true,
    },
    ...(plan.vent === null
      ? []
      : [
          {
            id: 'vent',
            text: `Open the ${plan.vent}`,
            note: 'Without air its water stays in.',
            turns: [{ position: 'vents' as const, state: 'away' as const }],
            must: true,
          },
        ]),
    plan.zeroGauge === null
      ? {
          id: 'zero',
          text: 'Its own drain must run dry: wait until no more water comes',
          note: `No gauge stands on the emptied part. Zero on the other gauge says nothing about it.`,
          caution: 'Undo nothing while water still comes.',
          must: true,
        }
      : { id: 'zero', text: `Read the ${plan.zeroGauge} on this side: it must show zero`, asks: 'gauge-zero', must: true },
  ];
}

/** Proved while the boiler is still shut off and empty: once it is open again the house's water stands on its sensor. */
export const lowStop = ({ sheet, plan }: RunContext): RunStep[] =>
  plan.boilerDrained && hasLowPressureStop(sheet)
    ? [
        {
          id: 'low-stop',
          text: 'Boiler still empty, drain open: power on for a moment. It must report low pressure',
          note: 'Power off again, whatever it shows.',
          caution: 'Hand on the switch: off at once if it tries to fire.',
          answers: [
            { id: 'shown', label: 'It reports low pressure', ends: true, finding: { test: 'low-pressure-stop', outcome: 'shown' } },
            {
              id: 'not-shown',
              label: 'It does not',
              ends: true,
              finding: { test: 'low-pressure-stop', outcome: 'not-shown' },
              then: [
                'Its sensor over-reads, or the stop is missing. Tell the customer, and record the defect: the boiler may run with too little water.',
              ],
            },
          ],
        },
      ]
    : [];

/** From the emptied part back to the running plant, with what is proved before it is opened again. */
export function putBack(ctx: RunContext, ...before: RunStep[]): RunStep[] {
  return [...before, ...lowStop(ctx), ...reopened(ctx.plan), ...feedOn(ctx)];
}

export function reopened(plan: IsolationPlan): RunStep[] {
  return [
    {
      id: 'shut-drain',
      text: plan.vent === null ? `Shut the ${plan.drain}, hose off` : `Shut the ${plan.drain} and the vent, hose off`,
      turns: [
        { position: plan.drainPosition, state: 'back' },
        ...(plan.vent === null ? [] : [{ position: 'vents' as const, state: 'back' as const }]),
      ],
      must: true,
    },
    ...(plan.shut.length === 0
      ? []
      : [
          {
            id: 'reopen',
            text: `Open slowly: ${shutText(plan)}`,
            turns: turned(plan, 'back'),
            must: true,
          },
        ]),
  ];
}

export const POWER: RunStep = { id: 'power', text: 'Power on', turns: [{ position: 'boiler-power', state: 'back' }], must: true };
export const LEAK_FLUID: RunStep = {
  id: 'leak-fluid',
  text: 'Leak fluid on the vessel’s air valve for a minute, then the cap',
  must: true,
  proves: 'gas-valve-bubbles',
  answers: [
    { id: 'tight', label: 'No bubbles', ends: true, finding: { test: 'gas-valve-bubbles', outcome: 'tight' } },
    {
      id: 'bubbles',
      label: 'Bubbles',
      ends: false,
      finding: { test: 'gas-valve-bubbles', outcome: 'bubbles' },
      then: ['Tighten the core a little, wipe, leak fluid again.', 'Bubbles still: a new core. The drain is still open, so go on there.'],
      leadsTo: ['core-change'],
    },
  ],
};
const READ_CHARGE: RunStep = {
  id: 'read-charge',
  text: 'Tyre gauge on the air valve: read the charge as found',
  note: 'With water behind it the vessel only repeats the water pressure.',
  asks: 'charge-found',
};
const SET: RunStep = { id: 'set', text: 'Read the charge as left', asks: 'charge-set', must: true };
export const PUMP = {
  read: READ_CHARGE,
  set: SET,
  pump: ({ plan }: RunContext, repairs?: RepairKind): RunStep[] => [
    {
      id: 'pump',
      text: say`Pump to the target and ${inBar(0.05)} for the coupling`,
      note: 'Water is pushed out of the drain while it fills and the reading falls back: pump again until no more water comes.',
      caution: `Never pump with the ${plan.drain} shut.`,
    },
    {
      id: 'hold',
      text: 'Leave it and look again: does it hold?',
      timerMin: 5,
      must: true,
      answers: [
        { id: 'held', label: 'It holds', ends: true, finding: { test: 'pump-up-hold', outcome: 'held' } },
        {
          id: 'water-came',
          label: 'It fell, water came out',
          ends: false,
          then: ['Ordinary: the gas pushes the last water out. Pump to the target again, wait, look again.'],
        },
        {
          id: 'fell',
          label: 'It fell, no water came',
          ends: false,
          finding: { test: 'pump-up-hold', outcome: 'fell' },
          then: [
            'Leak fluid on core and coupling: bubbles there are the core.',
            'Tight, and it falls: the diaphragm is holed. Change the vessel.',
          ],
          leadsTo: ['core-change', 'vessel-change'],
        },
        {
          id: 'bubbles-at-drain',
          label: 'Bubbles at the drain',
          ends: false,
          finding: { test: 'pump-up-hold', outcome: 'bubbles-at-drain' },
          then: ['Air comes through the diaphragm: it is holed. Stop pumping, change the vessel.'],
          leadsTo: ['vessel-change'],
        },
      ],
    },
    { ...SET, ...(repairs ? { repairs: [repairs] } : {}) },
  ],
};

/** Treated or poisoned water may have come to the taps. */
export const HOT_TAPS: RunStep = {
  id: 'taps',
  text: 'Run every hot tap until it is clear, and tell the customer',
  note: 'Heating water may have come to the hot taps.',
  caution: 'Nobody drinks from the hot taps before they have been run.',
  must: true,
};

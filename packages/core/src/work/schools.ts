import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { chargeBySchool } from '../size/chargeSchools';
import { chargeOutcome, type ChargeOutcome } from '../size/chargeOutcome';
import { inBar, inLitres, say, type Said } from '../units/said';

/** One way of doing it that practitioners hold to. `numbers` is what it comes to in this circuit. */
export interface SchoolOption {
  id: string;
  text: Said;
  consequence: Said;
  bar?: number;
  numbers?: ChargeOutcome;
}
export interface School {
  id: SchoolId;
  title: string;
  options: SchoolOption[];
  /** What stands where nobody chose, and why. */
  usual: string;
  why: Said;
}
export const SCHOOL_IDS = [
  'precharge',
  'fill',
  'vessel-valve',
  'relief-lifted',
  'old-vessel',
  'isolate-boiler',
  'feed-valve',
  'vessel-check',
  'change-set',
  'swing',
  'core',
] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

/** The charge that a school of the precharge comes to in this circuit, bar gauge; null where there is no such school here, or what it needs
 *  is not on the sheet. */
export const chargeOfSchool = (sheet: CircuitSheet, option: string): number | null =>
  schoolsOf(sheet)
    .find((s) => s.id === 'precharge')!
    .options.find((o) => o.id === option)?.bar ?? null;

/** Where practitioners differ, with the consequence of each for this circuit. Which is usual is common practice; a company may choose
 *  otherwise. */
export function schoolsOf(sheet: CircuitSheet): School[] {
  const c = resolveCircuit(sheet),
    charges = chargeBySchool(sheet);
  const comesTo = (prechargeGaugeBar: number, fillGaugeBar: number): { numbers?: ChargeOutcome } => {
    if (fillGaugeBar >= c.reliefSetGaugeBar || prechargeGaugeBar < 0) return {};
    return {
      numbers: chargeOutcome({
        prechargeGaugeBar,
        fillGaugeBar,
        contentL: c.contentL,
        nominalVolumeL: c.vesselL,
        coldC: 15,
        hotC: Math.min(110, c.maxFlowC - 5),
        reliefSetGaugeBar: c.reliefSetGaugeBar,
        stretchLPerBar: c.stretchLPerBar,
      }),
    };
  };
  // A feed holds its own pressure, whatever the charge; by hand one fills to the charge and 0.3.
  const fillFor = (charge: number) => (c.fedByItself ? c.fillGaugeBar : Math.max(charge + 0.3, c.staticGaugeBar + 0.5));
  const charge = (id: string, text: Said, bar: number | null, consequence: Said): SchoolOption[] =>
    bar === null ? [] : [{ id, text, consequence, bar, ...comesTo(bar, fillFor(bar)) }];
  const fill = (id: string, text: Said, bar: number, consequence: Said): SchoolOption => ({
    id,
    text,
    consequence,
    bar,
    ...comesTo(c.prechargeGaugeBar, bar),
  });
  const usualCharge = c.prechargeFrom === 'label' ? 'label' : 'static-head';
  return [
    {
      id: 'precharge',
      title: 'Precharge',
      usual: usualCharge,
      why:
        usualCharge === 'label'
          ? 'The maker’s label covers the water standing above.'
          : 'The label does not cover the water standing above, or there is none.',
      options: [
        ...charge('label', 'As the maker’s label says', charges.label, 'Fits the vessel as it was sold; wrong where the house is higher.'),
        ...charge(
          'static-head',
          say`Static head and ${inBar(0.25)}`,
          charges.staticHead && Math.round(((charges.staticHead.low + charges.staticHead.high) / 2) * 20) / 20,
          'The most room for expansion that still keeps water at the top.',
        ),
        ...charge(
          'per-floor',
          say`${inBar(0.5)} for every floor above`,
          charges.perFloor,
          'More than the head asks for: less reserve, a higher hot pressure.',
        ),
        ...charge('one-bar', say`Always ${inBar(1)}`, charges.oneBar, 'Easy to remember; fits houses of two or three floors.'),
        ...charge(
          'matched-to-feed',
          'The same as the feed holds',
          charges.matchedToFeed,
          'No water in the vessel cold: the whole of it is room, and no reserve.',
        ),
      ],
    },
    {
      id: 'fill',
      title: 'Cold fill',
      usual: 'charge-03',
      why: say`Charge and ${inBar(0.3)} (EN 12828), not below the water above and ${inBar(0.5)}.`,
      options: [
        fill(
          'charge-03',
          say`Charge and ${inBar(0.3)}`,
          Math.max(c.prechargeGaugeBar + 0.3, c.staticGaugeBar + 0.5),
          'Some water in the vessel as reserve.',
        ),
        fill('one', 'Many fill to', 1, 'Low hot pressure; little reserve where the charge is near it.'),
        fill('one-and-a-half', 'Others fill to', 1.5, 'More reserve, nearer to the relief when hot.'),
      ],
    },
    {
      id: 'vessel-valve',
      title: 'Valve between vessel and circuit',
      usual: 'record',
      why: 'Whatever one holds of it, its position is asked in every case with a big swing.',
      options: [
        { id: 'never', text: 'Never', consequence: 'Nothing can shut the vessel off; every check means draining.' },
        {
          id: 'record',
          text: 'With a drain, handle off or locked',
          consequence: 'The yearly check takes 5 minutes and no draining; somebody may shut it.',
        },
      ],
    },
    {
      id: 'relief-lifted',
      title: 'Relief valve that has lifted',
      usual: 'replace',
      why: 'Most do not reseat well once they have lifted.',
      options: [
        { id: 'replace', text: 'Replace', consequence: 'One part and 40 minutes; no call-back for a drip.' },
        { id: 'flush', text: 'Flush and watch', consequence: 'Two minutes; recorded as temporary, with a recheck in 30 days.' },
      ],
    },
    {
      id: 'old-vessel',
      title: 'Old vessel with a low charge',
      usual: 'recharge',
      why: say`About ${inBar(0.07)} a year is natural loss: age alone proves nothing.`,
      options: [
        {
          id: 'recharge',
          text: 'Recharge and recheck',
          consequence: 'Nothing to buy; if core or diaphragm leak, a call-back within weeks.',
        },
        { id: 'replace', text: 'Replace with age', consequence: 'A vessel and 90 minutes; no call-back for it.' },
      ],
    },
    {
      id: 'isolate-boiler',
      title: 'Isolating the boiler for a small drain-down',
      usual: 'ask',
      why: 'It depends on the valves: both are offered each time.',
      options: [
        { id: 'ask', text: 'Ask each time', consequence: 'The valves’ age decides.' },
        { id: 'isolate', text: 'Isolate', consequence: say`A few litres to drain instead of up to ${inLitres(Math.round(c.contentL))}.` },
        {
          id: 'drain-all',
          text: 'Do not touch old valves',
          consequence: say`Up to ${inLitres(Math.round(c.contentL))} to drain, treat and bleed again.`,
        },
      ],
    },
    {
      id: 'feed-valve',
      title: 'Feed valve',
      usual: 'shut',
      why: 'A feed left open makes up silently, and hides a leak.',
      options: [
        {
          id: 'shut',
          text: 'Normally shut',
          consequence: 'A leak shows on the gauge. Only a proved low-pressure switch or cutoff stops the boiler then.',
        },
        { id: 'open', text: 'Left open', consequence: 'Heat stays on; a leak goes unseen, and fresh water brings oxygen.' },
      ],
    },
    {
      id: 'vessel-check',
      title: 'Checking the vessel’s charge',
      usual: 'yearly',
      why: say`It falls by about ${inBar(0.07)} a year, and nothing tells before the relief does.`,
      options: [
        { id: 'yearly', text: 'Yearly, core tested after', consequence: 'Fifteen minutes a year.' },
        { id: 'two-yearly', text: 'Every two years', consequence: say`It may be ${inBar(0.15)} low by then.` },
        { id: 'on-symptom', text: 'Only on a symptom', consequence: 'Old cores are left in peace; the relief tells first.' },
      ],
    },
    {
      id: 'change-set',
      title: 'What to change',
      usual: 'proved',
      why: 'Parts changed one after another without proof are the dear mistake.',
      options: [
        { id: 'proved', text: 'Only what is proved', consequence: 'One part; another may follow.' },
        { id: 'whole-set', text: 'Vessel, relief and feed together', consequence: 'Three parts and 150 minutes; a fault elsewhere stays.' },
      ],
    },
    {
      id: 'swing',
      title: 'How long to prove hot',
      usual: 'steady',
      why: 'Until the temperature is steady: before that the band is wide.',
      options: [
        { id: 'steady', text: 'Until steady', consequence: '15–25 minutes.' },
        { id: 'five', text: '5 minutes at the top', consequence: 'Quick; a slow climb is missed.' },
        { id: 'ten', text: '10 minutes at the top', consequence: 'Sees most.' },
      ],
    },
    {
      id: 'core',
      title: 'Leaking valve core',
      usual: 'replace',
      why: 'A core costs next to nothing, a call-back an hour.',
      options: [
        { id: 'replace', text: 'Replace, grease', consequence: 'Five minutes with the vessel empty of gas.' },
        { id: 'flick', text: 'Flick it to reseat first', consequence: 'A minute; leak fluid decides.' },
      ],
    },
  ];
}

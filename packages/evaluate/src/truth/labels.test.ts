import { makeCaseWithPlant, TIERS } from './makeCase';
import { seeded } from './random';
import { runPlant } from './runPlant';
import { soundPlant } from './TruePlant';

// A truth that the catalogue would not call one teaches nothing: sizes from which a fault counts stand in the case format.
const made = TIERS.filter((t) => t !== 'days').flatMap((tier) => Array.from({ length: 60 }, (_, i) => makeCaseWithPlant(tier, 501 + i)));
const having = (fault: string) => made.filter((m) => m.made.truth.faults.includes(fault));
const sheetOf = (m: (typeof made)[number]) =>
  m.made.case.circuit as { staticHeadM?: number; vessel: { labelPrechargeBar?: number }; fill: { kind: string } };
const chargeBySheet = (m: (typeof made)[number]) => {
  const {
      staticHeadM = 4,
      vessel: { labelPrechargeBar: label },
    } = sheetOf(m),
    head = 0.0981 * staticHeadM;
  return label !== undefined && label >= head + 0.2 ? label : head + 0.25;
};

it('an undercharged vessel is so by what its sheet asks for', () => {
  const flat = having('vessel-undercharged');
  expect(flat.length).toBeGreaterThan(20);
  for (const m of flat) expect(m.plant.chargeBar).toBeLessThan(chargeBySheet(m) - 0.15);
});

it('an overfilled circuit stands half a bar above the fill that its sheet asks for, beside any other fault, or as near to its relief as it goes', () => {
  const over = having('fill-pressure-too-high');
  expect(over.length).toBeGreaterThan(8);
  for (const m of over) expect(m.plant.coldBar).toBeGreaterThan(Math.min(chargeBySheet(m) + 0.8, m.plant.reliefBar - 0.3));
});

it('nobody finds a circuit with a live feed below what the feed holds', () => {
  const fed = made.filter((m) => m.plant.feedBar !== null);
  expect(fed.length).toBeGreaterThan(20);
  for (const m of fed)
    expect(m.plant.coldBar).toBeGreaterThanOrEqual(Math.min(m.plant.feedFromBar ?? m.plant.feedBar!, m.plant.reliefBar - 0.1) - 1e-9);
});

it('a feed fills a stiff circuit to its setting and no further', () => {
  const stiff = {
    ...soundPlant('fed', seeded(3)),
    vesselOpen: false,
    airL: 0.02,
    stretchLPerBar: 0.02,
    feedBar: 1,
    coldBar: 0.6,
    reliefBar: 2,
    roomC: 18,
    seepFill: 0,
    seepCoil: 0,
    leak: 0,
    reliefDrip: 0,
    reliefDripAfterLift: 0,
  };
  const bars = runPlant(stiff, { durationS: 3600, heat: [], actions: [] }).systemBar;
  expect(Math.max(...bars)).toBeLessThan(1.02);
  expect(bars.at(-1)!).toBeGreaterThan(0.95);
});

it('in a log of days a relief that lifted does not go on dripping: that would be a fault of its own', () => {
  for (let seed = 1; seed <= 6; seed++) expect(makeCaseWithPlant('days', seed).plant.reliefDripAfterLift).toBe(0);
});

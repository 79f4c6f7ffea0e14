import { chargeBySchool } from './chargeSchools';
import { sizeCircuit } from './sizeCircuit';
import { airCushionTankUsL, diaphragmTankUsL, leastVesselEn12828L, vesselPerLitreOfContent } from './vesselSize';

const close = (actual: number, expected: number, tolerance: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);
const GAL = 3.785411784,
  PSI = 0.0689475729,
  celsius = (f: number) => ((f - 32) * 5) / 9;

describe('vessel size', () => {
  // ASHRAE Handbook, HVAC Systems and Equipment, hydronic chapter, example (from memory): 3000 gal, 40 to 220 °F, 10 and 25 psig, steel.
  const example = {
    contentL: 3000 * GAL,
    coldC: celsius(40),
    hotC: celsius(220),
    fillGaugeBar: 10 * PSI,
    hotGaugeBar: 25 * PSI,
    material: 'steel' as const,
  };
  it('closed tank with an air cushion: 578 US gal', () => close(airCushionTankUsL(example) / GAL, 578, 12));
  it('diaphragm tank: 344 US gal', () => close(diaphragmTankUsL(example) / GAL, 344, 7));

  // EN 12828, formula from memory, number worked out: 1000 L, 10 to 80 °C, static 10 m, relief 3 bar.
  it('EN 12828: about 91 L', () =>
    close(leastVesselEn12828L({ contentL: 1000, coldC: 10, hotC: 80, prechargeGaugeBar: 1.2, reliefSetGaugeBar: 3 }), 91, 2));

  // BS 5449 table, from memory.
  it.each([
    [0.5, 0.0833],
    [1, 0.109],
    [1.5, 0.156],
  ])('at a charge of %d bar %d L for each litre', (charge, share) => close(vesselPerLitreOfContent(charge), share, 0.001));

  it('refuses a charge that leaves no room', () => {
    expect(() => leastVesselEn12828L({ contentL: 100, coldC: 10, hotC: 70, prechargeGaugeBar: 2.5, reliefSetGaugeBar: 3 })).toThrow(
      /prechargeGaugeBar/,
    );
  });
});

describe('sizing a circuit', () => {
  it('shows what each school would set', () => {
    const schools = chargeBySchool({
      kind: 'sealed-hot-water',
      staticHeadM: 6,
      vessel: { labelPrechargeBar: 0.75 },
      fill: { kind: 'reducing-valve', setBar: 0.83 },
    });
    expect(schools).toMatchObject({ label: 0.75, perFloor: 1.5, oneBar: 1, matchedToFeed: 0.83 });
    close(schools.staticHead!.low, 0.788, 0.001);
  });

  it('leaves out what it cannot know', () => {
    expect(chargeBySchool({ kind: 'sealed-hot-water' })).toMatchObject({
      label: null,
      staticHead: null,
      perFloor: null,
      matchedToFeed: null,
    });
    expect(sizeCircuit({ kind: 'sealed-hot-water', reliefValve: { setBar: 6 } }).leastVesselL.perLitreTable).toBeNull();
  });

  it('asks for a larger vessel for more water', () => {
    const least = (waterVolumeL: number) =>
      sizeCircuit({ kind: 'sealed-hot-water', waterVolumeL, reliefValve: { setBar: 3 } }).leastVesselL.en12828!;
    expect(least(200)).toBeGreaterThan(least(100));
  });
});

import { contentOfEmittersL } from './contentOfEmitters';
import { pipeContentL } from './contentOf';
import { resolveCircuit } from './resolveCircuit';

// Common practice: about ten litres of circuit to a panel radiator or a kilowatt of them, twice that to a kilowatt of floor.
it('adds up what each gives, by its output, its number or its length', () => {
  expect(contentOfEmittersL([{ kind: 'radiator', outputKw: 12 }])).toBeCloseTo(124, 9);
  expect(contentOfEmittersL([{ kind: 'radiator', count: 12 }])).toBeCloseTo(124, 9);
  expect(contentOfEmittersL([{ kind: 'radiator', count: 8, outputKw: 1.5 }])).toBeCloseTo(124, 9);
  const floor = contentOfEmittersL([{ kind: 'floor', count: 4, lengthM: 80 }])!;
  expect(floor).toBeCloseTo(4 + 4 * pipeContentL('PEX 16', 80), 9);
  expect(
    contentOfEmittersL([
      { kind: 'radiator', count: 6 },
      { kind: 'underfloor', count: 4, lengthM: 80 },
    ]),
  ).toBeCloseTo(60 + floor, 9);
});
it('says nothing where one of them says nothing, or where no list stands', () => {
  for (const told of [
    undefined,
    [],
    'radiators',
    ['radiators'],
    { upstairs: 4 },
    [{ kind: 'radiator' }],
    [{ count: 5 }, { kind: 'floor' }],
  ])
    expect(contentOfEmittersL(told)).toBeNull();
});
it('tells the content where nobody wrote that down, better than the boiler’s output does', () => {
  const sheet = {
    kind: 'sealed-hot-water' as const,
    reliefValve: { setBar: 3 },
    heatOutputKw: 24,
    emitters: [{ kind: 'radiator', count: 18 }],
  };
  const told = resolveCircuit(sheet),
    guessed = resolveCircuit({ ...sheet, emitters: undefined });
  expect(told.contentL).toBeGreaterThan(1.5 * guessed.contentL);
  expect(told.contentSpread).toBeLessThan(guessed.contentSpread);
  expect(told.assumed).toContain('waterVolumeL');
  expect(resolveCircuit({ ...sheet, waterVolumeL: 90 }).contentL).toBe(90);
});

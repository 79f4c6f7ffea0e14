import { partsSaid } from './partsSaid';
import { sayVanParts, vanParts } from './van';

afterEach(() => sayVanParts([]));

it('keeps what is in the van, in one order whichever way it was said, and nothing that is no part', () => {
  sayVanParts(['valve-core', 'relief-valve']);
  expect(vanParts()).toEqual(['relief-valve', 'valve-core']);
  expect(JSON.parse(localStorage.getItem('jumper.van')!)).toEqual(['relief-valve', 'valve-core']);
  localStorage.setItem('jumper.van', '["relief-valve","spade",7]');
  jest.isolateModules(() => expect(jest.requireActual<typeof import('./van')>('./van').vanParts()).toEqual(['relief-valve']));
  localStorage.setItem('jumper.van', 'no list');
  jest.isolateModules(() => expect(jest.requireActual<typeof import('./van')>('./van').vanParts()).toEqual([]));
});

it.each([
  [['relief-valve-passing'], [], null],
  [['relief-valve-passing'], ['relief-valve'], 'In the van: relief valve.'],
  [['relief-valve-passing'], ['valve-core'], 'Not in the van: relief valve.'],
  [['gauge-misreading'], ['pump'], 'Not in the van: gauge or pressure sensor.'],
  [['relief-valve-passing', 'vessel-undercharged'], ['relief-valve'], 'In the van: relief valve.'],
  [['relief-valve-passing', 'vessel-diaphragm-failed'], ['relief-valve'], 'Not in the van: vessel.'],
  [['boiler-exchanger-leak'], ['relief-valve'], 'The part is not in the van.'],
  [['vessel-undercharged'], ['relief-valve'], null],
] as const)('for %j with %j in it: %s', (faults, van, said) => expect(partsSaid(faults, van)).toBe(said));

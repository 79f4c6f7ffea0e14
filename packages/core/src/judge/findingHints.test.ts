import type { Finding } from './Finding';
import { hintsOf } from './findingHints';
import { SLOT } from './fit/kernel';
import { HOME } from './test/homes';
import { readVisit } from './Visit';

const LOG = { source: 'hand' as const, samples: { tS: [0, 600, 1200, 1800], pressureBar: [1.2, 1.3, 1.4, 1.5] } };
const drawWith = (slot: 'inFill' | 'inCoil' | null, lPerH: number): Float64Array => {
  const v = new Float64Array(SLOT.start + 1);
  for (const [name, x] of [
    ['gas', 17.6],
    ['vesselL', 10],
    ['contentL', 110],
    ['cap', 0.9],
    ['stretch', 0.03],
    ['air', 0.1],
    ['lift', 3],
    ['mains', 3.8],
    ['feedHolds', -2],
  ] as const)
    v[SLOT[name]] = x;
  if (slot) v[SLOT[slot]] = lPerH;
  return v;
};
const missed = (
  endBar: number,
  slot: 'inFill' | 'inCoil' | null,
  lPerH: number,
  events: { tS: number; kind: 'fill-disconnected' }[] = [],
) => {
  const finding: Finding = { test: 'fill-disconnected-watch', startBar: 1.2, endBar, minutes: 15, heating: false };
  const [watch] = hintsOf(readVisit({ circuit: HOME, logs: [{ ...LOG, events }], logIndices: [0], findings: [{ finding, index: 0 }] }));
  return Math.abs(watch!(drawWith(slot, lPerH)));
};

describe('a watch with the fill off, where no log parts fill and coil', () => {
  it('asks for as much of a hole whichever way the fit has it come in', () => {
    expect(missed(1.5, 'inFill', 2)).toBe(missed(1.5, 'inCoil', 2));
    expect(missed(1.5, 'inCoil', 2)).toBeLessThan(0.5 * missed(1.5, null, 0));
  });
  it('asks for none where it stood still: what comes in may be what was shut', () => {
    expect(missed(1.2, 'inFill', 2)).toBeLessThan(0.1);
    expect(missed(1.2, 'inCoil', 2)).toBeLessThan(0.1);
  });
});

it('a log that shut one of them knows the way', () => {
  expect(missed(1.5, 'inFill', 2, [{ tS: 900, kind: 'fill-disconnected' }])).toBeGreaterThan(
    2 * missed(1.5, 'inCoil', 2, [{ tS: 900, kind: 'fill-disconnected' }]),
  );
});

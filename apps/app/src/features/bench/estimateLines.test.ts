import { diagnose, type Interval } from '@jumper/core';
import { METRIC, type Units } from '../units/units';
import { estimateLines } from './estimateLines';

const judgement = diagnose({
  format: 'jumper-case',
  version: 1,
  id: 'none',
  circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } },
});
const said = (estimates: Partial<typeof judgement.estimates>, units: Units = METRIC, sheetWaterL?: number) =>
  estimateLines({ ...judgement, estimates: { ...judgement.estimates, ...estimates } }, units, sheetWaterL).map(
    (l) => `${l.label}: ${l.value}, ${l.range}`,
  );
const interval = (p05: number, median: number, p95: number): Interval => ({ p05, median, p95 });

it('says nothing that the evidence does not say', () => expect(said({})).toEqual([]));

it('gives each number with its range, in the user’s units', () => {
  expect(
    said({
      prechargeBar: interval(-0.5, -0.2, 0.1),
      inflowLPerH: interval(1, 2, 3.5),
      lossLPerH: interval(0.2, 0.4, 0.9),
      reliefLiftBar: interval(1.9, 2, 2.1),
    }),
  ).toEqual([
    'Vessel’s charge: −0.2 bar, −0.5 bar to 0.1 bar (below zero: waterlogged)',
    'Coming in: 2 L/h, 1 to 3.5',
    'Going out: 0.4 L/h, 0.2 to 0.9',
    'Relief lifts at: 2.0 bar, 1.9 bar to 2.1 bar',
  ]);
  expect(said({ reliefLiftBar: interval(1.9, 2, 2.1) }, { ...METRIC, pressure: 'psi' })).toEqual([
    'Relief lifts at: 29.0 psi, 27.6 psi to 30.5 psi',
  ]);
});

it('a gauge is told off only when it is, and which way', () => {
  expect(said({ gaugeOffsetBar: interval(-0.02, 0.04, 0.1) })).toEqual([]);
  expect(said({ gaugeOffsetBar: interval(-0.7, -0.6, -0.5) })).toEqual(['Gauge under-reads by: 0.6 bar, 0.5 bar to 0.7 bar']);
});

it('a gauge that may as well be right is off by nothing at least', () =>
  expect(said({ gaugeOffsetBar: interval(-0.05, 0.12, 0.3) })).toEqual(['Gauge over-reads by: 0.12 bar, 0.0 bar to 0.3 bar']));

it('the content is told where the sheet says nothing of it, or can hardly be right', () => {
  const waterVolumeL = interval(80, 98, 121);
  expect(said({ waterVolumeL })).toEqual(['Water in the circuit: 98 L, 80 to 121']);
  expect(said({ waterVolumeL }, METRIC, 100)).toEqual([]);
  expect(said({ waterVolumeL }, METRIC, 60)).toEqual(['Water in the circuit: 98 L, 80 to 121; the sheet says 60']);
  expect(said({ waterVolumeL }, { ...METRIC, volume: 'US gal' })).toEqual(['Water in the circuit: 26 US gal, 21 to 32']);
  // What such plants usually hold is no finding.
  expect(said({ waterVolumeL: interval(60, 110, 200) })).toEqual([]);
});

it('a trickle that an hour does not show is told by the day', () => {
  expect(said({ lossLPerH: interval(0.015, 0.027, 0.05) })).toEqual(['Going out: 0.65 L/day, 0.36 to 1.2']);
  expect(said({ lossLPerH: interval(0.015, 0.027, 0.05) }, { ...METRIC, volume: 'US gal' })).toEqual([
    'Going out: 0.17 US gal/day, 0.1 to 0.32',
  ]);
});

import { testRow } from '@jumper/core';
import { METRIC, type Units } from '../units/units';
import { findingOf, prechargeTrap } from './findingForm';

const empty = { outcome: null, values: {}, flags: {}, words: {} };

it('makes findings of touched outcomes and of typed values', () => {
  expect(findingOf('gas-valve-press', testRow('gas-valve-press'), { ...empty, outcome: 'water' }, METRIC)).toEqual({
    kind: 'ok',
    finding: { test: 'gas-valve-press', outcome: 'water' },
  });
  expect(
    findingOf(
      'precharge',
      testRow('precharge'),
      { ...empty, values: { valueBar: '0,2', circuitBar: '' }, flags: { drainOpen: true } },
      METRIC,
    ),
  ).toEqual({ kind: 'ok', finding: { test: 'precharge', valueBar: 0.2, drainOpen: true } });
});

it('names what is missing or wrong, and takes the user’s unit', () => {
  expect(findingOf('precharge', testRow('precharge'), empty, METRIC)).toMatchObject({
    kind: 'bad',
    problems: { valueBar: 'Reading: is needed.' },
  });
  expect(findingOf('precharge', testRow('precharge'), { ...empty, values: { valueBar: '99' } }, METRIC)).toMatchObject({
    kind: 'bad',
    problems: { valueBar: 'Reading must be at most 25.' },
  });
  const psi = findingOf('precharge', testRow('precharge'), { ...empty, values: { valueBar: '12' } }, { ...METRIC, pressure: 'psi' });
  expect(psi.kind === 'ok' && Math.abs(psi.finding.valueBar! - 0.827) < 0.001).toBe(true);
  expect(
    findingOf('precharge', testRow('precharge'), { ...empty, values: { valueBar: '900' } }, { ...METRIC, pressure: 'psi' }),
  ).toMatchObject({
    problems: { valueBar: 'Reading must be at most 25 bar.' },
  });
});

it('takes volumes and temperatures in the user’s units too', () => {
  const us: Units = { ...METRIC, volume: 'US gal', temperature: '°F' },
    drawn = findingOf('draw-off', testRow('draw-off'), { ...empty, values: { volumeL: '0.25', beforeBar: '1.2', afterBar: '1' } }, us),
    hot = findingOf('flow-return', testRow('flow-return'), { ...empty, values: { flowC: '158', returnC: '140', minutesFiring: '15' } }, us);
  expect(drawn.kind === 'ok' && drawn.finding.volumeL).toBeCloseTo(0.9464, 3);
  expect(hot.kind === 'ok' && [hot.finding.flowC, hot.finding.returnC, hot.finding.minutesFiring]).toEqual([70, 60, 15]);
});

it('sees the precharge trap', () => {
  expect(prechargeTrap(empty, METRIC)).toBeNull();
  expect(prechargeTrap({ ...empty, values: { valueBar: '0.3' } }, METRIC)).toBe('drain-shut');
  expect(prechargeTrap({ ...empty, values: { circuitBar: '0' } }, METRIC)).toBe('drain-shut');
  expect(prechargeTrap({ ...empty, values: { circuitBar: '0.4' }, flags: { drainOpen: true } }, METRIC)).toBe('circuit-not-empty');
  expect(prechargeTrap({ ...empty, values: { circuitBar: '0' }, flags: { drainOpen: true } }, METRIC)).toBeNull();
  // The same pressure in another unit says the same.
  const kPa = { ...METRIC, pressure: 'kPa' as const };
  expect(prechargeTrap({ ...empty, values: { circuitBar: '4' }, flags: { drainOpen: true } }, kPa)).toBeNull();
  expect(prechargeTrap({ ...empty, values: { circuitBar: '40' }, flags: { drainOpen: true } }, kPa)).toBe('circuit-not-empty');
});

it('takes no zone for one that was not calling because nobody said so', () => {
  const row = testRow('zone-pipe-temperatures'),
    read = { ...empty, values: { supplyC: '52', returnC: '40' } };
  expect(findingOf('zone-pipe-temperatures', row, read, METRIC)).toMatchObject({
    kind: 'bad',
    problems: { calling: 'The zone: say whether it was calling or not.' },
  });
  expect(findingOf('zone-pipe-temperatures', row, { ...read, flags: { calling: false }, words: { zone: ' Upstairs ' } }, METRIC)).toEqual({
    kind: 'ok',
    finding: { test: 'zone-pipe-temperatures', supplyC: 52, returnC: 40, calling: false, zone: 'Upstairs' },
  });
});

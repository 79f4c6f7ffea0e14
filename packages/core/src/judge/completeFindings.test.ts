import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { Case } from './Case';
import { completed, missingFrom } from './completeFindings';
import { diagnose } from './diagnose';
import type { Finding } from './Finding';
import { TEST_IDS, TESTS, type TestRow } from './tests';

const HOME: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 110,
  staticHeadM: 4,
  vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'reducing-valve', setBar: 1 },
  domesticHotWater: { kind: 'indirect-coil' },
  zones: [
    { id: '1', control: 'circulator', emitter: 'radiator' },
    { id: '2', control: 'zone-valve', emitter: 'floor', mixing: true, setC: 46 },
  ],
};
const visit = (findings: Finding[], more: Partial<Case> = {}): Case => ({
  format: 'jumper-case',
  version: 1,
  id: 'half',
  circuit: HOME,
  complaint: ['cold-room'],
  findings,
  ...more,
});
const log = { samples: { tS: [0, 60], pressureBar: [null, 1.3] } };

describe('what stands elsewhere is taken from there', () => {
  it('a mixed supply is held against what the sheet says of its zone', () => {
    const told: Finding = { test: 'mixed-supply', zone: '2', valueC: 31 };
    expect(completed(told, visit([told])).setC).toBe(46);
    const said = diagnose(visit([told]));
    expect(said.hypotheses[0]!.faults).toEqual(['mixing-valve-misset']);
    expect(said.notJudged).toEqual([]);
  });
  it('a second gauge against the cold pressure, else the first reading of the log', () => {
    const told: Finding = { test: 'second-gauge', valueBar: 0.6 };
    const overnight: Finding = { test: 'idle-cold-pressure', valueBar: 1.4 };
    expect(completed(told, visit([told, overnight])).firstGaugeBar).toBe(1.4);
    expect(completed(told, visit([told], { logs: [log] })).firstGaugeBar).toBe(1.3);
    expect(missingFrom(completed(told, visit([told])))).toEqual(['firstGaugeBar']);
  });
  it('what is written down stays', () => {
    const told: Finding = { test: 'second-gauge', valueBar: 0.6, firstGaugeBar: 0.6 };
    expect(completed(told, visit([told], { logs: [log] }))).toEqual(told);
  });
  it('a watch of which nobody says how long it was took as long as it does', () => {
    const told: Finding = { test: 'fill-isolated-watch', startBar: 1, endBar: 1.4 };
    expect(completed(told, visit([told])).minutes).toBe(TESTS['fill-isolated-watch'].minutes);
    // There the time is what was measured.
    expect(missingFrom(completed({ test: 'return-time' }, visit([])))).toEqual(['minutes']);
  });
});

it('a zone’s supply says something without its return', () => {
  const cold = diagnose(
    visit([{ test: 'zone-pipe-temperatures', zone: '1', supplyC: 19, calling: true }], { complaint: ['no-heat-zone'] }),
  );
  const hot = diagnose(visit([{ test: 'zone-pipe-temperatures', zone: '1', supplyC: 64, calling: true }], { complaint: ['no-heat-zone'] }));
  const noFlow = (d: typeof cold) => d.marginals['controls-no-call']! + d.marginals['zone-valve-stuck-closed']!;
  expect(noFlow(cold)).toBeGreaterThan(2 * noFlow(hot));
});

it('a finding without the number that it is about changes nothing, is named, and is still to be done', () => {
  const half = diagnose(visit([{ test: 'draw-off', volumeL: 0.5, beforeBar: 1.5 }])),
    without = diagnose(visit([]));
  expect(half.hypotheses).toEqual(without.hypotheses);
  expect(half.notJudged).toEqual(['findings.0.afterBar']);
  expect(half.nextTests).toEqual(without.nextTests);
});

it('no test with a number left out stops the judge', () => {
  for (const test of TEST_IDS) {
    const row: TestRow = TESTS[test],
      circuit: CircuitSheet = row.plant === 'steam' ? { kind: 'steam', reliefValve: { setBar: 1.03 } } : HOME;
    for (const given of Object.keys(row.values ?? {})) {
      const told: Finding = {
        test,
        ...(row.outcomes ? { outcome: row.outcomes[0]! } : {}),
        [given]: Math.max(1, row.values![given]!.least),
      };
      const d = diagnose({ ...visit([told]), circuit });
      expect(Number.isFinite(d.hypotheses[0]!.probability)).toBe(true);
    }
  }
});

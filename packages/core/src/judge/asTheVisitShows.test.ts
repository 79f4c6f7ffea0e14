import type { CircuitSheet } from '../circuit/CircuitSheet';
import { asTheVisitShows } from './asTheVisitShows';
import type { Case } from './Case';
import { diagnose } from './diagnose';
import { applicableFaults } from './faults';

const BARE: CircuitSheet = { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } };
const visit = (more: Partial<Case>): Case => ({ format: 'jumper-case', version: 1, id: 'shown', circuit: BARE, ...more });
const watch = (test: 'fill-disconnected-watch' | 'coil-isolated-watch', endBar: number) => ({
  test,
  startBar: 1.3,
  endBar,
  minutes: 60,
  ...(test === 'coil-isolated-watch' ? { heating: false } : { boilerIsolated: false }),
});

it.each<[string, Partial<Case>, Partial<CircuitSheet>]>([
  ['a loop that was parted', { findings: [watch('fill-disconnected-watch', 1.5)] }, { fill: { kind: 'manual-loop' } }],
  [
    'a loop that was parted in a log',
    { logs: [{ source: 'hand', samples: { tS: [0, 60], pressureBar: [1, 1] }, events: [{ tS: 30, kind: 'fill-disconnected' }] }] },
    { fill: { kind: 'manual-loop' } },
  ],
  ['a reducing valve that was changed', { alreadyDone: [{ part: 'reducing-valve' }] }, { fill: { kind: 'reducing-valve' } }],
  ['a coil that was isolated', { findings: [watch('coil-isolated-watch', 1.3)] }, { domesticHotWater: { kind: 'indirect-coil' } }],
  ['an exchanger that was changed', { repairs: [{ kind: 'plate-changed' }] }, { domesticHotWater: { kind: 'plate-exchanger' } }],
])('%s is there', (_, more, shown) => expect(asTheVisitShows(visit(more))).toEqual({ ...BARE, ...shown }));

it('what the sheet says stands, and what nothing shows stays unsaid', () => {
  const fed: CircuitSheet = { ...BARE, fill: { kind: 'reducing-valve', setBar: 1 }, domesticHotWater: { kind: 'none' } };
  expect(
    asTheVisitShows(visit({ circuit: fed, findings: [watch('fill-disconnected-watch', 1.5), watch('coil-isolated-watch', 1.3)] })),
  ).toEqual(fed);
  expect(asTheVisitShows(visit({ findings: [{ test: 'discharge-pipe', outcome: 'dry' }] }))).toEqual(BARE);
});

it('a vessel’s valve that was found is there, though the sheet has none; one that was looked for in vain is not', () => {
  const sheet: CircuitSheet = { ...BARE, vessel: { nominalVolumeL: 35, isolationValve: 'none' } };
  const found = (outcome: string) =>
    asTheVisitShows(visit({ circuit: sheet, findings: [{ test: 'vessel-valve-position', outcome }] })).vessel;
  for (const outcome of ['open', 'closed']) expect(found(outcome)).toEqual({ nominalVolumeL: 35, isolationValve: 'fitted' });
  expect(found('no-valve')).toEqual(sheet.vessel);
  const drained: CircuitSheet = { ...sheet, vessel: { nominalVolumeL: 35, isolationValve: 'fitted-with-drain' } };
  expect(asTheVisitShows(visit({ circuit: drained, findings: [{ test: 'vessel-valve-position', outcome: 'open' }] }))).toEqual(drained);
  // And closed it is the cause, on a circuit that shows nothing yet.
  const d = diagnose(
    visit({
      circuit: { ...sheet, fill: { kind: 'manual-loop' }, domesticHotWater: { kind: 'indirect-coil' } },
      findings: [
        { test: 'vessel-valve-position', outcome: 'closed' },
        { test: 'discharge-pipe', outcome: 'dry' },
      ],
    }),
  );
  expect(d.hypotheses[0]!.faults).toEqual(['vessel-isolated']);
});

it('a coil that was isolated is the way in when it stands meanwhile, on any sheet; every fault that the sheet leaves open has its share', () => {
  const d = diagnose(
    visit({
      complaint: ['drips-outside'],
      findings: [
        { test: 'idle-cold-pressure', valueBar: 2.6, idleHours: 10 },
        watch('fill-disconnected-watch', 1.5),
        watch('coil-isolated-watch', 1.3),
      ],
    }),
  );
  expect(d.hypotheses[0]!.faults).toEqual(['dhw-coil-perforated']);
  expect(Object.keys(d.marginals).sort()).toEqual([...applicableFaults(BARE)].sort());
  expect(d.marginals['dhw-plate-perforated']).toBe(0);
});

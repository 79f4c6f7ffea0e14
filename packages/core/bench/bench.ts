// npm run bench: what the core costs, side by side in one run. Medians of several runs; figures are for comparing, not for quoting alone.
import { createRequire } from 'node:module';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { diagnose, readLog, reduceLog, simulateCase, waterDensity, type Case, type CircuitSheet, type FaultId } from '../src/index';

const { IAPWS97_EoS } = createRequire(import.meta.url)('@neutrium/thermo.eos.iapws97') as {
  IAPWS97_EoS: new () => { solve(at: { p: number; t: number }): { rho: number } };
};

function medianMs(runs: number, work: () => void): number {
  work();
  const times = Array.from({ length: runs }, () => {
    const t = performance.now();
    work();
    return performance.now() - t;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!;
}
const row = (what: string, ms: number, note = '') =>
  process.stdout.write(`${what.padEnd(52)} ${ms.toFixed(ms < 10 ? 3 : 0).padStart(10)} ms  ${note}\n`);

const reference = new IAPWS97_EoS();
const fit = medianMs(9, () => {
  for (let i = 0; i < 10_000; i++) waterDensity(10 + (i % 100), 2.5);
});
const library = medianMs(5, () => {
  for (let i = 0; i < 10_000; i++) reference.solve({ p: 2.5e5, t: 283.15 + (i % 100) });
});
row('density, fit, 10 000 times', fit);
row('density, IF97 library, 10 000 times', library, `ratio ${(library / fit).toFixed(0)}`);

const circuit: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 3.6,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
  maxFlowC: 70,
};
const log = (id: FaultId, durationS: number, stepS: number) =>
  simulateCase({
    circuit,
    faults: [{ id, severity: 0.5 }],
    schedule: {
      startC: 17,
      durationS,
      stepS,
      heat: Array.from({ length: Math.ceil(durationS / 14_400) }, (_, i) => ({ onS: 14_400 * i + 300, offS: 14_400 * i + 5400 })),
    },
  }).log;
row(
  'plant simulated, 24 h at 5 s',
  medianMs(3, () => log('vessel-undercharged', 86_400, 5)),
);

const caseOf = (logs: Case['logs'] & object): Case => ({
  format: 'jumper-case',
  version: 1,
  id: 'bench',
  circuit,
  logs,
  findings: [
    { test: 'discharge-pipe', outcome: 'stained' },
    { test: 'gas-valve-press', outcome: 'air' },
    { test: 'top-ups-per-month', count: 4 },
    { test: 'visible-leak', outcome: 'none' },
    { test: 'second-gauge', valueBar: 1, firstGaugeBar: 1 },
  ],
});
const hand = caseOf([log('vessel-undercharged', 1800, 180)]);
const logger = caseOf([log('vessel-undercharged', 7200, 5)]);
const twoHours = medianMs(3, () => diagnose(logger));
row(
  'diagnosis, hand log of 11 readings, five findings',
  medianMs(3, () => diagnose(hand)),
);
row('diagnosis, 2 h at 5 s, five findings', twoHours);
const month = log('vessel-undercharged', 30 * 86_400, 30);
const monthCase = caseOf([month]);
const long = medianMs(3, () => diagnose(monthCase));
row(`diagnosis, 30 days at 30 s (${month.samples.tS.length} readings)`, long, `ratio to 2 h ${(long / twoHours).toFixed(1)}`);
row(
  `reducing those ${month.samples.tS.length} readings`,
  medianMs(3, () => reduceLog(month)),
);
// Reading must grow with the readings and no faster: ten times as many, about ten times as long.
const everySecond = (days: number) => log('vessel-undercharged', days * 86_400, 1);
const three = everySecond(3),
  thirty = everySecond(30);
const readThree = medianMs(3, () => readLog(three));
row(`reading a log of ${three.samples.tS.length}`, readThree);
const before = process.memoryUsage().heapUsed;
const readThirty = medianMs(3, () => readLog(thirty));
row(
  `reading a log of ${thirty.samples.tS.length}`,
  readThirty,
  `ratio ${(readThirty / readThree).toFixed(1)} for ${(thirty.samples.tS.length / three.samples.tS.length).toFixed(1)} times the readings; heap after ${((process.memoryUsage().heapUsed - before) / 1e6).toFixed(0)} MB more`,
);
const thirtyCase = caseOf([thirty]);
const longest = medianMs(3, () => diagnose(thirtyCase));
row(`diagnosis, 30 days at 1 s (${thirty.samples.tS.length} readings)`, longest, `ratio to 2 h ${(longest / twoHours).toFixed(1)}`);

// What a diagnosis holds at any one time beyond the case itself, with all garbage swept out at every step that it tells of.
setFlagsFromString('--expose-gc');
const sweep = runInNewContext('gc') as () => void;
const heldMb = (): number => {
  // What a first sweep lets go of may hold more, which a second finds.
  sweep();
  sweep();
  const m = process.memoryUsage();
  return (m.heapUsed + m.arrayBuffers) / 1e6;
};
function workingMb(input: Case): number {
  const before = heldMb();
  let most = before,
    told = 0;
  diagnose(input, () => {
    if (told++ % 20 === 0) most = Math.max(most, heldMb());
  });
  return most - before;
}
const shortMb = workingMb(logger),
  longMb = workingMb(thirtyCase);
process.stdout.write(
  `${'working memory, 2 h at 5 s'.padEnd(52)} ${shortMb.toFixed(1).padStart(10)} MB\n${'working memory, 30 days at 1 s'.padEnd(52)} ${longMb.toFixed(1).padStart(10)} MB  ratio ${(longMb / shortMb).toFixed(1)}\n`,
);

import type { stageVisit } from '@jumper/evaluate';

type Told = Parameters<typeof stageVisit>[0];
/** Jobs as they come: what is really wrong at the plant, and the run sheet that mends it. */
export const STORIES: { name: string; told: Told; sheet: string }[] = [
  {
    name: 'the flat vessel with the leaking core',
    sheet: 'Change the valve core and recharge',
    told: {
      title: '9 Cooper Row',
      kind: 'wall-boiler',
      faults: ['vessel-undercharged', 'vessel-gas-valve-leaking'],
      as: { chargeBar: -0.1, coldBar: 1.1, limitC: 65 },
      complaint: ['topped-up-often', 'gauge-climbs-hot'],
      seed: 5,
    },
  },
  {
    name: 'the pinhole mistaken for a vessel',
    sheet: 'Prove and change the plate exchanger',
    told: {
      title: '31 Glaziers Lane',
      kind: 'wall-boiler',
      faults: ['dhw-plate-perforated'],
      as: { seepCoil: 1.1, coldBar: 1.6 },
      complaint: ['drips-outside'],
      alreadyDone: [{ part: 'vessel' }],
      watchOnly: true,
      seed: 3,
    },
  },
  {
    name: 'the fed circuit whose coil feeds it',
    sheet: 'Isolate the coil, or change it',
    told: {
      title: 'Weavers Hall',
      kind: 'fed',
      faults: ['dhw-coil-perforated'],
      as: { seepCoil: 1.5, coldBar: 1.25 },
      complaint: ['drips-outside'],
      alreadyDone: [{ part: 'reducing-valve' }, { part: 'vessel' }],
      watchOnly: true,
      seed: 4,
    },
  },
  {
    name: 'the relief valve that lies on a lying gauge',
    sheet: 'Change the gauge or sensor',
    told: {
      title: '2 Signal Terrace',
      kind: 'wall-boiler',
      faults: ['gauge-misreading'],
      as: { coldBar: 1.1, gauge: { offsetBar: 0.8, stuckShare: 0, stepBar: 0.1, stictionBar: 0.02, noiseBar: 0.005 } },
      complaint: ['gauge-climbs-hot'],
      alreadyDone: [{ part: 'relief-valve' }],
      seed: 6,
    },
  },
  {
    name: 'the slow leak',
    sheet: 'Drain down and refill',
    told: {
      title: '18 Chandlers Court',
      kind: 'wall-boiler',
      faults: ['circuit-leak'],
      as: { leak: 0.7, coldBar: 1.4 },
      complaint: ['topped-up-often', 'water-on-floor'],
      watchOnly: true,
      seed: 7,
    },
  },
];

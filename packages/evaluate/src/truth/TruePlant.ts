import type { Random } from './random';

/** A plant as it really is. Gauge bar, litres, °C. What a sheet says of it is another matter. */
export interface TruePlant {
  kind: 'wall-boiler' | 'larger-home' | 'fed' | 'plant-room';
  /** By how much more water moves through a hole here than in a home. */
  pace: number;
  contentL: number;
  /** Share of the content that does not take part in the flow and warms only slowly. */
  deadShare: number;
  boilerL: number;
  outputKw: number;
  limitC: number;
  roomC: number;
  /** Flow through the emitters, L/h. */
  flowLPerH: number;
  staticM: number;
  vesselL: number;
  /** Charge at 20 °C with the water side empty. */
  chargeBar: number;
  rightChargeBar: number;
  /** The least charge and the highest fill that could be called right by what is known of the plant. */
  leastChargeBar: number;
  mostFillBar: number;
  vesselOpen: boolean;
  /** Gas warms with the plant by this share of the flow's rise. */
  vesselWarmth: number;
  stretchLPerBar: number;
  airL: number;
  pipeExpansionPerK: number;
  reliefBar: number;
  reliefMarkedBar: number;
  reliefDrip: number;
  reliefDripAfterLift: number;
  mainsBar: number;
  mainsSwingBar: number;
  seepFill: number;
  seepCoil: number;
  leak: number;
  leakInBoiler: boolean;
  feedBar: number | null;
  /** A pressurisation unit lets it fall to here before it pumps up to `feedBar`; null for a valve that holds. */
  feedFromBar: number | null;
  coldBar: number;
  overheatsK: number;
  gauge: { offsetBar: number; stuckShare: number; stepBar: number; stictionBar: number; noiseBar: number };
  coreLeaks: boolean;
  diaphragmHoled: boolean;
  blocked: boolean;
  dhw: 'plate-exchanger' | 'indirect-coil' | 'none';
}

/** A sound plant of one of the four kinds, spread as they are met. Common practice. */
export function soundPlant(kind: TruePlant['kind'], r: Random): TruePlant {
  if (kind === 'plant-room') return plantRoom(r);
  const wall = kind === 'wall-boiler',
    fed = kind === 'fed';
  const contentL = wall ? r.uniform(55, 140) : r.uniform(120, 320);
  const vesselL = wall ? r.pick([6, 7, 8, 8, 10, 12]) : r.pick([12, 18, 18, 25, 35].filter((v) => v > 0.075 * contentL));
  // A fed circuit's usual 12 psi of charge covers five metres or so.
  const staticM = wall ? r.uniform(1.5, 6) : fed ? r.uniform(2, 5.5) : r.uniform(3, 8.5);
  const outputKw = wall ? r.pick([18, 24, 24, 28, 32]) : r.pick([24, 30, 40]);
  const rightChargeBar = fed ? 0.83 : Math.max(0.75, Math.round((0.0981 * staticM + 0.3) * 4) / 4);
  const reliefBar = fed ? 2.07 : 3;
  const step = r.weighted([
    [0.1, 5],
    [0.05, 1],
    [0.2, 1.5],
    [0.02, 0.5],
  ]);
  const enough = Math.min(contentL, vesselL / 0.072);
  return {
    kind,
    pace: 1,
    contentL: enough,
    deadShare: r.uniform(0.02, 0.18),
    boilerL: wall ? r.uniform(2, 5) : r.uniform(8, 30),
    outputKw,
    limitC: r.pick([60, 65, 70, 70, 75, 80]),
    roomC: r.uniform(13, 21),
    flowLPerH: (outputKw * 860) / r.uniform(9, 20),
    staticM,
    vesselL: vesselL * r.normal(1, 0.015),
    chargeBar: rightChargeBar + r.normal(0, 0.05),
    rightChargeBar,
    leastChargeBar: rightChargeBar,
    mostFillBar: rightChargeBar + 0.3,
    vesselOpen: true,
    vesselWarmth: r.uniform(0, 0.35),
    stretchLPerBar: r.uniform(0.012, 0.07),
    airL: r.decade(0.02, 0.35),
    pipeExpansionPerK: r.pick([12e-6, 15e-6, 17e-6, 30e-6]),
    reliefBar: reliefBar * r.normal(1, 0.018),
    reliefMarkedBar: reliefBar,
    reliefDrip: 0,
    reliefDripAfterLift: r.chance(0.25) ? r.decade(0.02, 0.4) : 0,
    mainsBar: r.uniform(2.6, 5),
    mainsSwingBar: r.uniform(0.1, 0.5),
    seepFill: 0,
    seepCoil: 0,
    leak: 0,
    leakInBoiler: false,
    feedBar: fed && r.chance(0.7) ? 0.97 + r.normal(0, 0.05) : null,
    feedFromBar: null,
    coldBar: fed ? Math.max(0.95, r.normal(1.05, 0.06)) : Math.max(rightChargeBar + 0.1, r.normal(rightChargeBar + 0.35, 0.15)),
    overheatsK: 0,
    gauge: {
      offsetBar: r.normal(0, 0.04),
      stuckShare: 0,
      stepBar: step,
      stictionBar: r.chance(0.4) ? r.uniform(0.01, 0.07) : 0,
      noiseBar: r.uniform(0.003, 0.012),
    },
    coreLeaks: false,
    diaphragmHoled: false,
    blocked: false,
    dhw: wall ? 'plate-exchanger' : 'indirect-coil',
  };
}

/** A building's plant with a pressurisation unit: a home's plant grown, its vessel by the water's growth up to half a bar below its relief,
 *  its limits by the height of the building. */
function plantRoom(r: Random): TruePlant {
  const home = soundPlant('larger-home', r),
    tenth = (bar: number) => Math.round(bar * 10) / 10;
  const contentL = r.decade(500, 4000),
    pace = Math.sqrt(contentL / 100),
    staticM = r.uniform(6, 20),
    outputKw = Math.round(contentL / r.uniform(4, 9));
  const rightChargeBar = tenth(0.0981 * staticM + 0.3),
    feedFromBar = rightChargeBar + 0.2,
    feedBar = tenth(feedFromBar + r.uniform(0.3, 0.6)),
    reliefMarkedBar = [3, 4, 5, 6].find((bar) => bar > feedBar + 1.2)!;
  const vesselL = 10 * Math.round((0.003 * contentL * r.uniform(1.05, 1.5)) / (1 - (rightChargeBar + 1) / (reliefMarkedBar - 0.5 + 1)));
  return {
    ...home,
    kind: 'plant-room',
    pace,
    contentL,
    staticM,
    outputKw,
    boilerL: contentL * r.uniform(0.03, 0.08),
    flowLPerH: (outputKw * 860) / r.uniform(9, 20),
    vesselL,
    rightChargeBar,
    chargeBar: rightChargeBar + r.normal(0, 0.06),
    leastChargeBar: rightChargeBar,
    mostFillBar: feedBar,
    stretchLPerBar: home.stretchLPerBar * (contentL / 150),
    airL: home.airL * pace,
    reliefMarkedBar,
    reliefBar: reliefMarkedBar * r.normal(1, 0.018),
    reliefDripAfterLift: home.reliefDripAfterLift * pace,
    mainsBar: reliefMarkedBar + r.uniform(0.3, 1.5),
    feedFromBar,
    feedBar,
    coldBar: r.uniform(feedFromBar, feedBar),
    dhw: 'none',
  };
}

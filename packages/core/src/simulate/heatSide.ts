import type { PlantSetup } from './PlantSetup';

/** When the burner is called, and up to what. */
export interface HeatCall {
  onS: number;
  offS: number;
  maxC?: number;
}

const WATER_HEAT_KJ_PER_L_K = 4.18;
/** Drop over the emitters at full load, K; the burner throttles over so many kelvins below its limit; emission grows with the excess
 *  temperature to this power (EN 442, radiators). Share of the output that the emitters give at fifty kelvin, and of that what they still
 *  give with the pump off. Common practice. */
const FULL_DROP_K = 15,
  THROTTLE_K = 6,
  EMITTER_EXPONENT = 1.3,
  EMITS = 0.5,
  EMITS_IDLE = 0.25;
/** Pipes' own lag in showing the water's temperature, s. */
const PIPE_S = 60;
const GAS_WARMS_S = 1800;

/** The heat in a plant: mean water temperature zone by zone, flow and return, and the vessel's gas. */
export class HeatSide {
  readonly zoneC: Float64Array;
  flowC: number;
  returnC: number;
  gasAboveColdK = 0;
  firing = false;
  private call = 0;

  constructor(
    private readonly plant: PlantSetup,
    private readonly calls: readonly HeatCall[],
    private readonly startC: number,
  ) {
    this.zoneC = new Float64Array(plant.zones.length).fill(startC);
    this.flowC = startC;
    this.returnC = startC;
  }

  /** Goes on by `dt` seconds from `tS`. Calls must be in the order of time. */
  step(tS: number, dt: number): void {
    const p = this.plant;
    while (this.call < this.calls.length && this.calls[this.call]!.offS <= tS) this.call++;
    const now = this.calls[this.call];
    const run = now && tS >= now.onS ? now : null;
    this.firing = run !== null;
    const limitC = run?.maxC ?? p.maxFlowC;
    const load = run && this.flowC < limitC ? Math.min(1, Math.max(0, (limitC - this.flowC) / THROTTLE_K + 0.25)) : 0;
    let openShare = 0,
      pull = 0,
      warmest = -Infinity;
    for (let z = 0; z < p.zones.length; z++) {
      if (!isOpen(p.zones[z]!.openS, tS)) continue;
      openShare += p.zones[z]!.share;
      pull += p.zones[z]!.share * Math.max(1, limitC - this.zoneC[z]!);
    }
    let emittedKw = 0,
      mean = 0;
    for (let z = 0; z < p.zones.length; z++) {
      const zone = p.zones[z]!,
        open = isOpen(zone.openS, tS);
      const above = this.zoneC[z]! - p.roomC;
      const emitted =
        EMITS *
        p.heatOutputKw *
        zone.share *
        Math.sign(above) *
        Math.pow(Math.abs(above) / 50, EMITTER_EXPONENT) *
        (run && open ? 1 : EMITS_IDLE);
      const taken = open && pull > 0 ? (load * p.heatOutputKw * zone.share * Math.max(1, limitC - this.zoneC[z]!)) / pull : 0;
      const heatedL = p.contentL * p.heatedShare * zone.share;
      this.zoneC[z]! += ((taken - emitted) * dt) / (heatedL * WATER_HEAT_KJ_PER_L_K);
      emittedKw += emitted;
      if (open) mean += zone.share * this.zoneC[z]!;
      if (this.zoneC[z]! > warmest) warmest = this.zoneC[z]!;
    }
    const circulating = openShare > 0 ? mean / openShare : warmest;
    const dropK = run ? Math.max(2, FULL_DROP_K * Math.max(load, emittedKw / p.heatOutputKw)) : 1;
    const settle = Math.min(1, dt / PIPE_S);
    this.flowC += settle * (circulating + dropK / 2 - this.flowC);
    this.returnC += settle * (Math.max(p.roomC, circulating - dropK / 2) - this.returnC);
    this.gasAboveColdK += Math.min(1, dt / GAS_WARMS_S) * (p.gasWarmsShare * (this.flowC - this.startC) - this.gasAboveColdK);
  }
}

const isOpen = (openS: { fromS: number; toS: number }[] | undefined, tS: number) =>
  openS === undefined || openS.some((o) => tS >= o.fromS && tS < o.toS);

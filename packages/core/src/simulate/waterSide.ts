import { balancedGaugeBar, heldL, type BalanceInput, type VesselOnCircuit } from '../circuit/balance';
import { LINEAR_EXPANSION_PER_K } from '../water/netGrowth';
import { fluidDensity } from '../water/fluid';
import type { PlantSetup } from './PlantSetup';

/** The water in a plant, counted by mass: what is in it and at what pressure it then stands. Water in vessels and dead legs stays as cold
 *  as it began. Nothing but {@link move} changes the mass, so that every kilogram is accounted for. */
export class WaterSide {
  kg: number;
  gaugeBar: number;
  readonly moved: { first: number; in: number; out: number };
  private readonly coldDensity: number;
  private readonly vessel: VesselOnCircuit;
  private readonly balance: BalanceInput & { vessels: VesselOnCircuit[] };

  constructor(
    private readonly plant: PlantSetup,
    private readonly startC: number,
    zoneC: Float64Array,
  ) {
    this.coldDensity = fluidDensity(plant.fluid, startC);
    this.vessel = { nominalVolumeL: plant.vesselL, prechargeGaugeBar: plant.prechargeGaugeBar, heightAboveGaugeM: plant.vesselHeightM };
    this.balance = {
      vessels: [],
      stretchLPerBar: plant.stretchLPerBar,
      airBarL: 0,
      airHeightM: plant.airHeightM,
      atmosphericBar: plant.atmosphericBar,
    };
    this.gaugeBar = plant.startGaugeBar;
    this.kg = this.massAt(plant.startGaugeBar, zoneC, 0);
    this.moved = { first: this.kg, in: 0, out: 0 };
  }

  /** Water in (positive) or out, kg. */
  move(kg: number): void {
    if (kg >= 0) this.moved.in += kg;
    else this.moved.out -= kg;
    this.kg += kg;
  }

  moveLitres(litres: number): void {
    this.move((litres * this.coldDensity) / 1000);
  }

  /** Puts in what is missing to a pressure, or takes out what is above it. */
  moveTo(gaugeBar: number, zoneC: Float64Array, gasAboveColdK: number): void {
    this.move(this.massAt(gaugeBar, zoneC, gasAboveColdK) - this.kg);
    this.gaugeBar = gaugeBar;
  }

  /** Finds the pressure again after water, heat or the plant itself have changed. */
  settle(zoneC: Float64Array, gasAboveColdK: number): void {
    const excessL = ((this.kg - this.ownKg(zoneC)) * 1000) / this.coldDensity;
    this.gaugeBar = Math.max(LEAST_GAUGE_BAR, balancedGaugeBar(this.balanceNow(gasAboveColdK), excessL, this.gaugeBar));
  }

  private massAt(gaugeBar: number, zoneC: Float64Array, gasAboveColdK: number): number {
    return this.ownKg(zoneC) + (heldL(this.balanceNow(gasAboveColdK), gaugeBar) * this.coldDensity) / 1000;
  }

  /** Mass in the circuit's own volume, which grows with its pipes. */
  private ownKg(zoneC: Float64Array): number {
    const { contentL, heatedShare, zones } = this.plant;
    let kg = (contentL * (1 - heatedShare) * this.coldDensity) / 1000;
    for (let z = 0; z < zones.length; z++)
      kg +=
        (contentL *
          heatedShare *
          zones[z]!.share *
          (1 + 3 * LINEAR_EXPANSION_PER_K.mixed * (zoneC[z]! - this.startC)) *
          fluidDensity(this.plant.fluid, zoneC[z]!)) /
        1000;
    return kg;
  }

  private balanceNow(gasAboveColdK: number): BalanceInput {
    const p = this.plant,
      b = this.balance;
    b.vessels.length = 0;
    if (p.vesselConnected) {
      this.vessel.prechargeGaugeBar = p.prechargeGaugeBar;
      this.vessel.gasC = 20 + gasAboveColdK;
      b.vessels.push(this.vessel);
    }
    for (const v of p.furtherVessels) b.vessels.push(v);
    b.stretchLPerBar = p.stretchLPerBar;
    b.airBarL = p.airBarL;
    return b;
  }
}

/** A circuit that has lost its water draws air; its gauge stands at the foot. */
const LEAST_GAUGE_BAR = -0.95;

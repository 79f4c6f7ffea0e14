import type { VesselOnCircuit } from '../circuit/balance';
import type { CircuitFluid } from '../water/fluid';
import type { PumpPosition } from '../circuit/pumpShift';

/** A part of the circuit with its own emitters, as a share of the content. */
export interface PlantZone {
  share: number;
  /** When it is open, s from the start; left out, always. */
  openS?: { fromS: number; toS: number }[];
}

/** How the pressure is shown. All zero: exactly. */
export interface PlantGauge {
  offsetBar: number;
  /** Does not move at all. */
  stuck: boolean;
  stepBar: number;
  noiseBar: number;
  /** A needle moves only when the pressure has gone so far from it. */
  stictionBar: number;
  /** Read from the side, always the same way. */
  parallaxBar: number;
  /** A sensor answers with this delay, s. */
  lagS: number;
  driftBarPerDay: number;
}

/** A sealed plant as it really is: what the sheet says, bent by its faults. Pressures bar gauge, as they stand at the gauge. */
export interface PlantSetup {
  fluid: CircuitFluid;
  contentL: number;
  /** Share of the content that circulates hot; the zones divide it. */
  heatedShare: number;
  zones: PlantZone[];
  heatOutputKw: number;
  maxFlowC: number;
  roomC: number;
  vesselL: number;
  prechargeGaugeBar: number;
  /** What a recharge brings it to. */
  targetPrechargeGaugeBar: number;
  vesselHeightM: number;
  /** Gas warms by this share of what the flow stands above the room, after half an hour. */
  gasWarmsShare: number;
  /** False: shut off or blocked, the vessel takes no part. */
  vesselConnected: boolean;
  /** Vessels beside the first; their charge stays as it is. */
  furtherVessels: VesselOnCircuit[];
  /** Gas lost through the valve core, share of the gas amount an hour. */
  gasLossPerH: number;
  stretchLPerBar: number;
  /** Trapped air in the circuit, bar absolute · L, and where it stands. */
  airBarL: number;
  airHeightM: number;
  reliefLiftGaugeBar: number;
  reliefReseatGaugeBar: number;
  /** Passing of the seat, L/h at one bar; what it becomes once it has lifted. */
  reliefPassing: number;
  reliefPassingAfterLift: number;
  mainsGaugeBar: number;
  /** The mains stand so much higher at three in the morning, and lower in the afternoon. */
  mainsSwingBar: number;
  /** Hour of the day at the start. */
  startHour: number;
  /** Pinholes from the mains, L/h at one bar, by way in. */
  inflowByFill: number;
  inflowByCoil: number;
  /** Leak to outside, L/h at one bar. */
  leak: number;
  leakAtBoiler: boolean;
  /** Pressure below which a reducing valve adds water by itself; null where none works. */
  feedHoldsGaugeBar: number | null;
  /** A pressurisation unit pumps from its cut-in to its cut-out; null where none works. */
  unit: { cutInGaugeBar: number; cutOutGaugeBar: number; flowLPerH: number } | null;
  fillTargetGaugeBar: number;
  startGaugeBar: number;
  /** The user tops up by hand, to the fill pressure, when the gauge shows less than this; null: never. */
  topsUpBelowGaugeBar: number | null;
  pump: { headBar: number; position: PumpPosition };
  gauge: PlantGauge;
  atmosphericBar: number;
}

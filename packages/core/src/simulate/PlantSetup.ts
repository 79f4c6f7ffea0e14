/** A sealed plant as it really is: what the sheet says, bent by its faults. Pressures bar gauge. */
export interface PlantSetup {
  contentL: number;
  /** Share of the content that circulates hot. */
  heatedShare: number;
  heatOutputKw: number;
  maxFlowC: number;
  vesselL: number;
  prechargeGaugeBar: number;
  /** What a recharge brings it to. */
  targetPrechargeGaugeBar: number;
  /** False: shut off or blocked, the vessel takes no part. */
  vesselConnected: boolean;
  /** Gas lost through the valve core, share of the gas amount an hour. */
  gasLossPerH: number;
  stretchLPerBar: number;
  /** Trapped air in the circuit, bar absolute · L. */
  airBarL: number;
  reliefLiftGaugeBar: number;
  reliefReseatGaugeBar: number;
  /** Passing of the seat, L/h at one bar; what it becomes once it has lifted. */
  reliefPassing: number;
  reliefPassingAfterLift: number;
  mainsGaugeBar: number;
  /** Pinholes from the mains, L/h at one bar, by way in. */
  inflowByFill: number;
  inflowByCoil: number;
  /** Leak to outside, L/h at one bar. */
  leak: number;
  leakAtBoiler: boolean;
  /** Pressure below which the feed adds water by itself; null where it is worked by hand. */
  feedHoldsGaugeBar: number | null;
  fillTargetGaugeBar: number;
  startGaugeBar: number;
  gauge: { offsetBar: number; stuck: boolean; stepBar: number; noiseBar: number };
  atmosphericBar: number;
}

/** What the logs hold that a finding is read beside; null where none was logged. Pressures in bar gauge. */
export interface Logged {
  /** Highest while it was heated; of a circuit that was never heated nothing is known of how high it goes. */
  peakGaugeBar: number | null;
  /** Where the heat would have taken it at the boiler's limit, if it had been logged so far: what a run of every day comes to. Never less
   *  than the peak. */
  usualPeakGaugeBar: number | null;
  /** Highest of all that was logged, heated or not, or that it stood at after a night: what drips cold drips at no more than this. */
  topGaugeBar: number | null;
  /** As the circuit was found, cold. */
  coldGaugeBar: number | null;
  /** The hottest flow, °C. */
  hottestC: number | null;
  /** The vessel's core was pressed, read or pumped through on this visit. */
  coreTouched?: boolean;
  /** The relief's lever was pulled on this visit. */
  leverPulled?: boolean;
}

export const NOTHING_LOGGED: Logged = {
  peakGaugeBar: null,
  usualPeakGaugeBar: null,
  topGaugeBar: null,
  coldGaugeBar: null,
  hottestC: null,
};

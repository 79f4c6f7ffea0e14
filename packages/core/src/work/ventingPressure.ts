/** What a circuit is filled to while its vents are bled, bar gauge: enough to reach the highest, and never less than a bar. Common practice.
 *  @param staticGaugeBar water standing above the gauge */
export const ventingGaugeBar = (staticGaugeBar: number): number =>
  Math.max(LEAST_VENTING_BAR, Math.round((staticGaugeBar + ABOVE_HEAD_BAR) * 20) / 20);
const LEAST_VENTING_BAR = 1,
  ABOVE_HEAD_BAR = 0.3;

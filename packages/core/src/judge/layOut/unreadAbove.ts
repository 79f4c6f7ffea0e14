/** Heat that had begun to lift the pressure goes on doing so, at most so many times as quickly: a vessel that gives out lets it. */
const MAY_QUICKEN = 2;

/** How far the pressure may have risen unread above a peak before it was read lower, bar: it went on rising at most as it had.
 *  @param roseBar how far it rose to the peak since the reading before, within inS seconds @param unreadS how long nobody read it then */
export const unreadAboveBar = (roseBar: number, inS: number, unreadS: number, stepBar: number): number =>
  (MAY_QUICKEN * Math.max(stepBar, roseBar) * unreadS) / Math.max(1, inS);

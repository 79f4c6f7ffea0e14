const ASKED_EVERY_MS = 100;

/** Asks again until what is expected of a page holds: it follows a touch when it has the time, on a busy machine late.
 *  @param holds throws as long as it does not hold; of the last time it is thrown on
 *  @param withinMs how long it is asked */
export async function soon(holds: () => Promise<unknown>, withinMs = 20_000): Promise<void> {
  for (const until = Date.now() + withinMs; ; await new Promise((again) => setTimeout(again, ASKED_EVERY_MS)))
    try {
      await holds();
      return;
    } catch (refused) {
      if (Date.now() > until) throw refused;
    }
}

/** Stories that are told in a run of all tests: every third, and in the long series all of them. Each is a whole diagnosis; together they
 *  would take a tenth of the time that all tests may. */
export const everyThird = <T>(stories: readonly T[]): T[] =>
  process.env.JUMPER_LONG ? [...stories] : stories.filter((_, i) => i % 3 === 0);

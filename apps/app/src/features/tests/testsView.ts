import {
  lowerFirst,
  TEST_GROUPS,
  testRow,
  testsAbout,
  type FaultId,
  type ListedTest,
  type NextTest,
  type TestGroup,
  type TestId,
} from '@jumper/core';
import { costText } from '../bench/nextCost';

export interface TestLine {
  test: TestId;
  title: string;
  tells: string;
  cost: string;
  /** Why it cannot be done now; null where it can. */
  notNow: string | null;
  done: boolean;
}
export interface TestSection {
  key: string;
  title: string;
  lines: TestLine[];
}

/** The list of all tests: what the judge asks for first, then by what they look at.
 *  @param find words that have to stand in title or text
 *  @param about only tests that speak of this fault, or of this part of the drawing */
export function testsView(
  listed: readonly ListedTest[],
  proposed: readonly NextTest[],
  { find = '', about = null, among = null }: { find?: string; about?: FaultId | null; among?: readonly TestId[] | null } = {},
): TestSection[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean),
    asked = about ? testsAbout(about) : among;
  const lines = listed
    .filter((l) => asked === null || asked.includes(l.test))
    .filter((l) => {
      const row = testRow(l.test),
        text = `${row.title} ${row.tells} ${TEST_GROUPS[l.group]}`.toLowerCase();
      return words.every((w) => text.includes(w));
    });
  const next = proposed.slice(0, MOST_NEXT).flatMap((p) => lines.filter((l) => l.test === p.test && !l.done));
  const sections: TestSection[] = [
    { key: 'next', title: 'Most telling now', lines: next.map(line) },
    ...(Object.keys(TEST_GROUPS) as TestGroup[]).map((g) => ({
      key: g,
      title: TEST_GROUPS[g],
      lines: lines.filter((l) => l.group === g && !next.includes(l)).map(line),
    })),
  ];
  return sections.filter((s) => s.lines.length > 0);
}
const MOST_NEXT = 3;

function line(l: ListedTest): TestLine {
  const row = testRow(l.test),
    minutes = l.minutes + (l.wait?.minutes ?? 0);
  return {
    test: l.test,
    title: row.title,
    tells: row.tells,
    cost: costText({ minutes, ...(l.wait ? { wait: l.wait } : {}) }, l),
    notNow: l.notNow.length > 0 ? `Not now: ${lowerFirst(l.notNow.join(' '))}` : null,
    done: l.done,
  };
}

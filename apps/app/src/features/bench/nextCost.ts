import type { NextTest, TestRow } from '@jumper/core';
import { waitText } from '../work/workWords';

/** What the next test costs, said in one line: the time at it, whether anything is opened, and what it waits for before. */
export function costText({ minutes, wait }: Pick<NextTest, 'minutes' | 'wait'>, { intrusive }: Pick<TestRow, 'intrusive'>): string {
  const at = `${waitText(minutes - (wait?.minutes ?? 0))}, ${intrusive ? 'drains or opens something' : 'nothing drained'}.`;
  return wait ? `${waitSaid(wait)} ${at}` : at;
}

function waitSaid({ until, minutes }: NonNullable<NextTest['wait']>): string {
  const about = `about ${waitText(ROUGHLY_MIN * Math.max(1, Math.round(minutes / ROUGHLY_MIN)))}`;
  if (until === 'hot') return `Heat on for ${about}, then`;
  if (until === 'rested') return minutes > OVERNIGHT_MIN ? 'After a night without heat:' : `After ${about} without heat:`;
  return `Once it is ${until === 'cool' ? 'cool' : 'cold and still'}, in ${about}:`;
}
/** Nobody knows to the minute how a circuit cools; a wait longer than this is for next morning. */
const ROUGHLY_MIN = 5,
  OVERNIGHT_MIN = 180;

import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { resolveCircuit, TEST_IDS, testMinutes, testRow, type CircuitSheet, type TestId } from '@jumper/core';
import type { StagedVisit } from '@jumper/evaluate';

const folder = mkdtempSync(join(tmpdir(), 'jumper-plants-'));

/** Fields of test cards, as they are labelled. */
const LABELS: Record<string, string> = {
  valueBar: 'Reading',
  idleHours: 'Hours with the heat off, if read',
  circuitBar: 'System gauge at that moment, if read',
  startBar: 'At the start',
  endBar: 'At the end',
  minutes: 'Minutes between',
  volumeL: 'Volume',
  beforeBar: 'Gauge before',
  afterBar: 'Gauge after',
  firstGaugeBar: 'First gauge',
  markedBar: 'Marking',
  boilerStartBar: 'Boiler side, start',
  boilerEndBar: 'Boiler side, end',
  circuitStartBar: 'Circuit side, start, if read',
  circuitEndBar: 'Circuit side, end, if read',
};
const FLAGS: Record<string, string> = { drainOpen: 'The drain stands open', boilerIsolated: 'The boiler is isolated' };
const MOST_TESTS = 10;

/** Opens the staged visit's case file in the app. */
export async function arrive(page: Page, visit: StagedVisit): Promise<void> {
  const file = join(folder, `${visit.case.id}.json`);
  writeFileSync(file, JSON.stringify(visit.case));
  await page.getByTestId('case-file').setInputFiles(file);
  await page.getByTestId('reading').waitFor();
  await judged(page);
}

/** The judge has answered about what stands on the bench. */
export async function judged(page: Page): Promise<void> {
  await page.getByTestId('verdict').waitFor();
  await page.locator('[data-testid="verdict"]:not([aria-busy="true"])').waitFor();
}

/** Does what the app says next, test by test, until it offers a repair or has no test left. The plant answers; nothing else is known here.
 *  @returns the tests done, and the repairs that the app offers */
export async function followTheApp(page: Page, visit: StagedVisit): Promise<{ path: string[]; offered: string[] }> {
  const path: string[] = [];
  for (let i = 0; i <= MOST_TESTS; i++) {
    await judged(page);
    const offered = await page.getByTestId('verdict').getByRole('button').filter({ hasNotText: 'Before a part is bought' }).allInnerTexts();
    if (offered.length > 0 || i === MOST_TESTS) return { path, offered };
    const start = page.getByTestId('next-step').getByRole('button');
    if ((await start.count()) === 0) return { path, offered };
    const title = (await start.getAttribute('aria-label'))!.replace('Start: ', '');
    const test = TEST_IDS.find((t) => testRow(t).title === title)!;
    await start.click();
    path.push((await perform(page, visit, test)) ? test : `${test} left out`);
    await page.getByTestId('next-step').waitFor();
  }
  return { path, offered: [] };
}

async function perform(page: Page, visit: StagedVisit, test: TestId): Promise<boolean> {
  await page.getByRole('button', { name: 'Cannot do this now' }).waitFor();
  const found = visit.perform(test, testMinutes(test, resolveCircuit(visit.case.circuit as CircuitSheet)));
  if (!found) {
    await page.getByRole('button', { name: 'Cannot do this now' }).click();
    await page.getByRole('button', { name: 'No tool here' }).click();
    return false;
  }
  await letCool(page);
  for (const [name, value] of Object.entries(found)) {
    if (typeof value === 'number' && LABELS[name]) await page.getByLabel(LABELS[name]!, { exact: true }).fill(String(value));
    if (value === true && FLAGS[name]) await page.getByRole('button', { name: FLAGS[name]! }).click();
  }
  const outcome = found.outcome?.replaceAll('-', ' ');
  await page.getByRole('button', { name: outcome ? outcome.charAt(0).toUpperCase() + outcome.slice(1) : 'Record', exact: true }).click();
  await page.getByTestId('verdict').waitFor();
  return true;
}

/** Where the app wants it cooler first: an hour later the flow reads 30 °C. */
export async function letCool(page: Page): Promise<void> {
  if ((await page.getByLabel('Flow, read now').count()) === 0) return;
  await page.getByLabel('Flow, read now').fill('30');
  await page.getByRole('button', { name: 'It reads: take this temperature' }).click();
  await page.getByLabel('Flow, read now').waitFor({ state: 'detached' });
}

import { join } from 'node:path';
import type { Page } from 'playwright-core';

/** Waits until the whole app is kept on a device that keeps it: from there on it needs no network. */
export const appKept = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });

/** Goes to a view as a link in the app would, with no reload. */
export const goTo = (page: Page, address: string) =>
  page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, address);

/** What a technician does, in the words of the interface. */
export async function newJob(page: Page, site: string, complaint = 'Topped up often'): Promise<void> {
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Site').fill(site);
  await page.getByRole('button', { name: complaint }).click();
  await page.getByRole('button', { name: 'Start logging' }).click();
  await page.getByRole('button', { name: 'Log', exact: true }).waitFor();
}

export async function logPressure(page: Page, text: string, flowC?: number): Promise<void> {
  if (flowC !== undefined) {
    await openDock(page);
    await page.getByRole('button', { name: /temperatures with this reading/ }).click();
    await page.getByLabel('Flow', { exact: true }).fill(String(flowC));
  }
  await page.getByRole('button', { name: /touch to type/ }).click();
  await page.getByLabel(/^Pressure in/).fill(text);
  await page.getByRole('button', { name: 'Log', exact: true }).click();
}

/** Goes to one of the places of the open job. */
export async function place(page: Page, name: 'Log' | 'Tests' | 'Work' | 'Circuit' | 'Record'): Promise<void> {
  const link = page.getByRole('navigation', { name: 'Places of this job' }).getByRole('link', { name, exact: true });
  await link.click();
  await page.locator('[aria-current="page"]').filter({ hasText: name }).first().waitFor();
}

/** Opens the dock where it is one line. */
export async function openDock(page: Page): Promise<void> {
  const events = page.getByRole('button', { name: /^Events:/ });
  if ((await events.count()) > 0) await events.click();
}

/** Records work that was done without a run sheet, and goes back to the log. */
export async function recordWork(page: Page, what: string, charge?: string): Promise<void> {
  await place(page, 'Work');
  await page.getByRole('button', { name: 'Record work done' }).click();
  await page.getByRole('button', { name: what, exact: true }).click();
  if (charge) await page.getByLabel('Charge it was set to').fill(charge);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('button', { name: 'Record work done' }).waitFor();
  await place(page, 'Log');
}

export const reading = (page: Page) => page.getByTestId('reading').innerText();
export const openJob = async (page: Page, site: string) => {
  await page.getByRole('link', { name: new RegExp(site) }).click();
  await page.getByTestId('reading').waitFor();
};

/** The first suspect's name and share, once the judge has settled. */
export async function firstSuspect(page: Page): Promise<string> {
  await page.locator('[data-testid="verdict"][aria-busy="false"], [data-testid="verdict"]:not([aria-busy="true"])').waitFor();
  return (await page.getByRole('list', { name: 'Suspects' }).getByRole('button').first().innerText()).replaceAll('\n', ' ');
}

/** The open job as a case file, under the name that the app gives it; returns its path. */
export async function saveCaseFile(page: Page, folder: string): Promise<string> {
  await place(page, 'Record');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as case file' }).click()]);
  await place(page, 'Log');
  const path = join(folder, download.suggestedFilename());
  await download.saveAs(path);
  return path;
}

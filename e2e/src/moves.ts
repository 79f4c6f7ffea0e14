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
    await page.getByRole('button', { name: /temperatures with this reading/ }).click();
    await page.getByLabel('Flow', { exact: true }).fill(String(flowC));
  }
  await page.getByRole('button', { name: /touch to type/ }).click();
  await page.getByLabel(/^Pressure in/).fill(text);
  await page.getByRole('button', { name: 'Log', exact: true }).click();
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
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as case file' }).click()]);
  const path = join(folder, download.suggestedFilename());
  await download.saveAs(path);
  return path;
}

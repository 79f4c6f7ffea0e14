import { freshDevices } from './freshDevices';
import { firstSuspect, goTo, openDock, openJob, place } from './moves';

jest.setTimeout(180_000);
const at = freshDevices();

/** What stands on the page in units that were not chosen: numbers with one, and units beside fields. */
const METRIC_SEEN = /[\d.,]\s?(?:bar|°C|kW|L|m|kPa)(?![\w/])|^(?:bar|°C|kW|L|m)$/gm;

it('who chose psi, gallons and feet in the settings reads and types nothing else, anywhere', async () => {
  const { page } = at.device;
  await page.getByRole('link', { name: 'Settings' }).click();
  for (const unit of ['psi', '°F', 'US gal', 'ft', 'BTU/h']) await page.getByRole('button', { name: unit, exact: true }).click();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await page.getByRole('link', { name: /7 Quarry Steps/ }).waitFor();
  const seen: string[] = [];
  const look = async (where: string) => {
    const found = (await page.locator('body').innerText()).match(METRIC_SEEN) ?? [];
    seen.push(...found.map((text) => `${where}: ${text}`));
  };
  await look('jobs');
  await openJob(page, '7 Quarry Steps');
  await firstSuspect(page);
  await page.getByRole('list', { name: 'Suspects' }).getByRole('button').first().click();
  await page.getByText(/Rose 16\.\d psi from 63 °F to 154 °F/).waitFor();
  await look('bench');
  const job = page.url();
  for (const [view, ready] of [
    ['test/draw-off', 'into a measuring jug'],
    ['test/vessel-drained-volume', 'Gauge before draining'],
    ['test/flow-return', 'Minutes firing'],
    ['test/precharge', 'Wait until below 122 °F'],
    ['test/fill-disconnected-watch', 'At the start'],
    ['work', 'Nothing stands away'],
    ['work/recharge', 'Heat off at the isolator'],
    ['work/drain-refill', 'Open the vents from the top down'],
    ['schools', 'Cold fill'],
    ['history', 'No loss of water'],
    ['sheet', 'Keep this version'],
    ['import', 'Choose the file'],
    ['report', 'What it reads'],
    ['tests', 'Most telling now'],
    ['circuit', 'Change the circuit'],
    ['record', 'Save as case file'],
    ['work/close', 'To look at again'],
  ] as const) {
    await goTo(page, `${job}/${view}`);
    await page.getByText(ready).first().waitFor();
    await look(view);
  }
  expect(seen).toEqual([]);
});

it('a measured draw-off in gallons is the same water', async () => {
  const { page } = at.device;
  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByRole('button', { name: 'US gal', exact: true }).click();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await openJob(page, '22 Weir Street');
  await openDock(page);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByLabel('Drawn off').fill('0.2');
  await page.getByRole('button', { name: 'Note the draw-off' }).click();
  await place(page, 'Record');
  await page
    .getByText(/Drawn off.* 0\.2 US gal/)
    .first()
    .waitFor();
  await page
    .getByRole('link', { name: 'Back' })
    .or(page.getByRole('button', { name: 'Back' }))
    .first()
    .click();
  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByRole('button', { name: 'L', exact: true }).click();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await openJob(page, '22 Weir Street');
  await place(page, 'Record');
  await page
    .getByText(/Drawn off.* 0\.76 L/)
    .first()
    .waitFor();
});

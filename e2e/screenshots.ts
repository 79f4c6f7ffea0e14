// npm run screenshots: one current picture of each main view, from the demo data.
import { join } from 'node:path';
import { Jumper } from './src/jumper';
import { firstSuspect, openJob, place } from './src/moves';

const OUT = join(__dirname, '../docs/screenshots');

async function main() {
  const jumper = await Jumper.start();
  const shoot = async (
    name: string,
    options: { width?: number; height?: number; dark?: boolean },
    go: (page: Awaited<ReturnType<Jumper['device']>>['page']) => Promise<void>,
  ) => {
    const { page, context } = await jumper.device(options);
    await page.getByRole('link', { name: /7 Quarry Steps/ }).waitFor();
    await go(page);
    await page.waitForTimeout(1500);
    await page.screenshot({ path: join(OUT, `${name}.png`) });
    await context.close();
  };
  const wide = { width: 1280, height: 800 };
  const bench = (site: string) => async (page: Parameters<typeof openJob>[0]) => {
    await openJob(page, site);
    await firstSuspect(page);
  };
  // Once the oldest open job has its verdict, all have.
  await shoot('jobs-phone', {}, async (page) => {
    await page
      .getByRole('link', { name: /18 Sluice Row/ })
      .getByText(/Next:|To be sure:/)
      .waitFor({ timeout: 120_000 });
  });
  await shoot('circuits-phone', {}, async (page) => {
    await page.getByRole('link', { name: 'Circuits' }).click();
    await page.getByRole('link', { name: /9 Ropewalk/ }).waitFor();
  });
  await shoot('history-phone', {}, async (page) => {
    await page.goto(`${jumper.base}/circuits`);
    await page.getByRole('link', { name: /9 Ropewalk/ }).click();
    await page.getByRole('list', { name: 'Visits' }).waitFor();
  });
  await shoot('bench-phone', {}, bench('7 Quarry Steps'));
  await shoot('bench-phone-dark', { dark: true }, bench('7 Quarry Steps'));
  await shoot('bench-wide', wide, bench('7 Quarry Steps'));
  await shoot('bench-wide-dark', { ...wide, dark: true }, bench('22 Weir Street'));
  await shoot('after-work-phone', {}, bench('41 Orchard Bank'));
  await shoot('report-phone', { height: 1300 }, async (page) => {
    await openJob(page, '41 Orchard Bank');
    await page.goto(`${page.url()}/report`);
    await page.locator('[data-testid=report]:not([aria-busy=true])').waitFor();
  });
  await shoot('figure-week-phone', { dark: true }, async (page) => {
    await page.goto(`${jumper.base}/parts`);
    const week = page.getByTestId('sample-week');
    await week.locator('svg path[stroke]').first().waitFor({ state: 'attached' });
    await week.evaluate((e) => e.scrollIntoView({ block: 'start' }));
  });
  await shoot('tools-phone', {}, async (page) => {
    await page.goto(`${jumper.base}/tools`);
    await page.getByRole('link', { name: /Expected swing/ }).waitFor();
  });
  await shoot('tool-phone', { height: 1300 }, async (page) => {
    await page.goto(`${jumper.base}/tools/swing`);
    await page.getByTestId('curve').waitFor();
  });
  await shoot('test-card-phone', {}, async (page) => {
    await openJob(page, '7 Quarry Steps');
    await page.goto(`${page.url()}/test/precharge`);
    await page.getByLabel('System gauge at that moment, if read').fill('0.4');
    await page.getByText('Not empty yet').scrollIntoViewIfNeeded();
  });
  await shoot('test-card-wide', wide, async (page) => {
    await openJob(page, 'Brewer House, boiler room');
    await page.goto(`${page.url()}/test/coil-isolated-watch`);
    await page.getByRole('table', { name: 'What it may show' }).waitFor();
    await page.getByLabel('At the start').fill('1.4');
  });
  await shoot('new-job-phone', {}, async (page) => {
    await page.getByRole('button', { name: 'New job' }).click();
    await page.getByLabel('Site').fill('14 Kiln Row');
    await page.getByRole('button', { name: 'Topped up often' }).click();
  });
  await shoot('run-sheet-phone', {}, async (page) => {
    await openJob(page, '5 Mill Hill Close');
    await page.goto(`${page.url()}/work/vessel-change`);
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByLabel('Gauge as found').fill('1.1');
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByText('Boiler’s power: off').waitFor({ state: 'attached' });
  });
  await shoot('valve-map-phone', {}, async (page) => {
    await openJob(page, 'Brewer House, boiler room');
    await page.goto(`${page.url()}/valves?for=vessel-change`);
    await page.getByRole('list', { name: 'In this order' }).waitFor();
  });
  await shoot('circuit-phone', {}, async (page) => {
    await openJob(page, 'Brewer House');
    await place(page, 'Circuit');
    await page.getByRole('button', { name: 'Vessel', exact: true }).click();
  });
  await shoot('tests-phone', {}, async (page) => {
    await openJob(page, '7 Quarry Steps');
    await firstSuspect(page);
    await place(page, 'Tests');
    await page.getByRole('list', { name: 'Vessel' }).waitFor();
  });
  await jumper.stop();
}

void main();

import { freshDevices } from './freshDevices';
import { appKept, openJob, place } from './moves';

jest.setTimeout(120_000);
const at = freshDevices({ keepsApp: true });
const result = () => at.device.page.getByTestId('result');

it('a calculator works alone and with no network, remembers, refuses by field, and follows the units', async () => {
  const { page, context } = at.device;
  await appKept(page);
  await page.getByRole('link', { name: 'Tools' }).click();
  await page.getByRole('link', { name: /Expansion volume/ }).waitFor();
  await context.setOffline(true);
  await page.getByRole('link', { name: /Expansion volume/ }).click();
  await page.getByLabel('Content', { exact: true }).fill('100');
  await page.getByLabel('Cold', { exact: true }).fill('15');
  await page.getByLabel('Mean, hot', { exact: true }).fill('65');
  // 1.89 % of water alone (IF97), less what the pipes grow: 0.0186 − 3 · 15e-6 · 50.
  await result().getByText('1.6 L', { exact: true }).waitFor();
  await page.getByLabel('Content', { exact: true }).fill('lots');
  await page.getByText('Content: “lots” is not a number.').waitFor();
  expect(await result().count()).toBe(0);
  await page.getByLabel('Content', { exact: true }).fill('200');
  await result().getByText('3.3 L', { exact: true }).waitFor();
  await page.reload();
  await result().getByText('3.3 L', { exact: true }).waitFor();
  await page.goto(`${at.jumper.base}/settings`);
  await page.getByRole('button', { name: 'US gal' }).click();
  await page.goto(`${at.jumper.base}/tools/expansion`);
  await result().getByText('0.9 US gal', { exact: true }).waitFor();
  await context.setOffline(false);
});

it('a link carries the numbers to another device', async () => {
  const { page } = at.device;
  await page.goto(
    `${at.jumper.base}/tools/swing?prechargeGaugeBar=0&contentL=100&fillGaugeBar=1&coldC=15&hotC=70&nominalVolumeL=8&reliefSetGaugeBar=3&stretchLPerBar=0.03`,
  );
  await result().getByText('2.7 bar', { exact: true }).waitFor();
  await page.getByText('Left to the relief').waitFor();
});

it('takes a job’s circuit, and puts what it found into its sheet', async () => {
  const { page } = at.device;
  await openJob(page, '7 Quarry Steps');
  await place(page, 'Circuit');
  await page.getByRole('button', { name: 'Tools, with this circuit' }).click();
  await page.getByRole('link', { name: /Content from a dose/ }).click();
  await page.getByLabel('Rise').fill('6250');
  await result().getByText('80 L', { exact: true }).waitFor();
  await page.getByRole('button', { name: 'Put into this circuit’s sheet' }).click();
  await page.getByTestId('reading').waitFor();
  await place(page, 'Circuit');
  await page.getByText('80 L', { exact: true }).waitFor();
});

it('the unit of the reading is changed by a touch on it', async () => {
  const { page } = at.device;
  await openJob(page, '7 Quarry Steps');
  await page.getByRole('button', { name: 'bar, change the unit' }).click();
  await page.getByRole('button', { name: 'psi, change the unit' }).waitFor();
  expect(Number(await page.getByTestId('reading').innerText())).toBeGreaterThan(25);
});

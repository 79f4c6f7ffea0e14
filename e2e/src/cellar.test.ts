import { readFileSync } from 'node:fs';
import { freshDevices } from './freshDevices';
import { appKept, firstSuspect, logPressure, newJob, openJob, place, reading } from './moves';
import { soon } from './soon';

jest.setTimeout(180_000);
const at = freshDevices({ keepsApp: true });

describe('in a cellar', () => {
  it('opens, logs and judges with no network, and sends when there is one', async () => {
    const { page, context } = at.device;
    await appKept(page);
    await newJob(page, '3 Cellar Lane');
    await page.getByRole('status').filter({ hasText: 'Sent' }).waitFor();
    await context.setOffline(true);
    await page.reload();
    await logPressure(page, '1.0', 18);
    await page.getByRole('button', { name: 'Heat on' }).click();
    await logPressure(page, '1.8', 45);
    await logPressure(page, '2.6', 65);
    await page.getByRole('status').filter({ hasText: 'Kept on this phone: 4' }).waitFor();
    await soon(async () => expect(await firstSuspect(page)).toMatch(/%/));
    // A view that was never opened on this device still comes up, and nothing is lost by a reload.
    await page.goto(`${page.url().split('?')[0]}/test/discharge-pipe`);
    await page.getByRole('button', { name: 'Dripping' }).click();
    await page.getByRole('status').filter({ hasText: 'Kept on this phone: 5' }).waitFor();

    await context.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await page.getByRole('status').filter({ hasText: 'Sent' }).waitFor();
    const other = await at.jumper.device();
    await openJob(other.page, '3 Cellar Lane');
    await soon(async () => expect(await reading(other.page)).toBe('2.6'));
    await other.context.close();
  });

  it('keeps a photo of a part with no network, shows it on another device, and puts it into the report', async () => {
    const { page, context } = at.device;
    await appKept(page);
    await newJob(page, '6 Bobbin Court');
    await logPressure(page, '1.0');
    await page.getByRole('status').filter({ hasText: 'Sent' }).waitFor();
    // A picture as a camera makes it: large, and not square.
    const jpeg = Buffer.from(
      await page.evaluate(async () => {
        const canvas = Object.assign(document.createElement('canvas'), { width: 3000, height: 2000 }),
          pen = canvas.getContext('2d')!;
        pen.fillStyle = '#2255aa';
        pen.fillRect(0, 0, 3000, 2000);
        return new Promise<string>((done) =>
          canvas.toBlob((b) => {
            const r = new FileReader();
            r.onload = () => done(String(r.result).split(',')[1]!);
            r.readAsDataURL(b!);
          }, 'image/jpeg'),
        );
      }),
      'base64',
    );
    await context.setOffline(true);
    await place(page, 'Circuit');
    await page
      .getByRole('group', { name: 'Drawing of the circuit' })
      .getByRole('button', { name: /^Vessel/ })
      .click();
    await page.getByTestId('photo-vessel-0').setInputFiles({ name: 'plate.jpg', mimeType: 'image/jpeg', buffer: jpeg });
    const thumb = (p: typeof page) => p.getByRole('button', { name: /^Vessel, photo of/ });
    await thumb(page).locator('img').waitFor();
    await page
      .getByTestId('photo-vessel-0')
      .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') });
    await page.getByText(/not a picture that the browser can read/).waitFor();
    await page.reload();
    await page
      .getByRole('group', { name: 'Drawing of the circuit' })
      .getByRole('button', { name: /^Vessel/ })
      .click();
    await thumb(page).locator('img').waitFor();
    await context.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await page.getByRole('status').filter({ hasText: 'Sent' }).waitFor();

    const other = await at.jumper.device();
    await openJob(other.page, '6 Bobbin Court');
    const bobbin = other.page.url().split('?')[0];
    await place(other.page, 'Circuit');
    await other.page
      .getByRole('group', { name: 'Drawing of the circuit' })
      .getByRole('button', { name: /^Vessel/ })
      .click();
    await thumb(other.page).click();
    const whole = other.page.getByRole('dialog').locator('img');
    await whole.waitFor();
    // Made smaller, and whole.
    await soon(async () => expect(await whole.evaluate((i: HTMLImageElement) => [i.naturalWidth, i.naturalHeight])).toEqual([1600, 1067]));
    await other.page.keyboard.press('Escape');
    await other.page.getByRole('dialog').waitFor({ state: 'detached' });
    await other.page.goto(`${bobbin}/report`);
    await other.page.getByRole('img', { name: /^Vessel, / }).waitFor();
    const [download] = await Promise.all([
      other.page.waitForEvent('download'),
      other.page.getByRole('button', { name: 'Save as PDF' }).click(),
    ]);
    const pdf = readFileSync(await download.path());
    expect(pdf.includes('/Subtype /Image') && pdf.includes('/Width 1600')).toBe(true);

    await thumb(page).click();
    await page.getByRole('button', { name: 'Take it out' }).click();
    await thumb(page).waitFor({ state: 'detached' });
    await other.context.close();
  });

  it('the list tells of each job what is likely wrong, on the device itself, and forgets it when the job goes on', async () => {
    const { page, context } = at.device;
    const row = page.getByRole('link', { name: /7 Quarry Steps/ });
    await row.getByText('Vessel has lost its charge, likely. Next: press the air valve (Schrader)').waitFor();
    // With no network and after a reload it is still told.
    await appKept(page);
    await context.setOffline(true);
    await page.reload();
    await row.getByText('Vessel has lost its charge, likely').waitFor();
    await row.click();
    await page.getByTestId('reading').waitFor();
    await page.goto(`${page.url()}/test/gas-valve-press`);
    await page.getByRole('button', { name: 'Water', exact: true }).click();
    await page.getByText(/before, .* now|Hardly moves/).waitFor();
    await page.getByRole('button', { name: 'Back' }).click();
    await row.getByText(/Vessel diaphragm holed/).waitFor();
    await context.setOffline(false);
  });
});

import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freshDevices } from './freshDevices';
import { firstSuspect, newJob, openJob, place, reading } from './moves';
import { wallBoilerRun } from './wallBoiler';
import { soon } from './soon';

jest.setTimeout(180_000);
const at = freshDevices();
const folder = mkdtempSync(join(tmpdir(), 'jumper-tables-'));

const flat = () => wallBoilerRun({ prechargeGaugeBar: -0.1, durationS: 1200, stepS: 5, heatOnS: 60, resolutionBar: 0.01 });

it('takes a logger’s table with semicolons, decimal commas and psi, names its bad lines, and judges it', async () => {
  const { page } = at.device;
  const s = flat();
  const clock = (t: number) => `04.03.2026 09:${String(Math.floor(t / 60)).padStart(2, '0')}:${String(t % 60).padStart(2, '0')}`;
  const lines = s.tS.map(
    (t, i) => `${clock(t)};${(s.pressureBar[i]! * 14.5038).toFixed(2).replace('.', ',')};${s.flowC![i]!.toFixed(1).replace('.', ',')}`,
  );
  lines.splice(10, 0, 'sensor lost;;', `${clock(50)};no,4;20`);
  const path = join(folder, 'logger.csv');
  writeFileSync(path, `Time;Pressure psi;Flow\n${lines.join('\n')}\n`);

  await newJob(page, '4 Chandler Row');
  await place(page, 'Record');
  await page.getByRole('button', { name: 'Bring in a logger’s table' }).click();
  await page.getByTestId('csv-file').setInputFiles(path);
  await page.getByText('241 readings over 20 min').waitFor();
  await page.getByText('2 lines could not be read and would be left out').waitFor();
  await page.getByText('Line 12: time: “sensor lost” cannot be read as a date and time').waitFor();
  await page.getByText('Line 13: pressure: “no,4” is not a number').waitFor();
  // The unit is the user's to change, and everything follows.
  await page.getByRole('group', { name: 'Pressure is in' }).getByRole('button', { name: 'mbar', exact: true }).click();
  await page.getByText(/0\.01 bar to 0\.0\d bar/).waitFor();
  await page.getByRole('group', { name: 'Pressure is in' }).getByRole('button', { name: 'psi', exact: true }).click();
  await page.getByRole('button', { name: 'Keep the 241 that could be read' }).click();
  await page.getByTestId('reading').waitFor();
  const last = s.pressureBar.at(-1)!;
  expect(Math.abs(Number(await reading(page)) - last)).toBeLessThan(0.011);
  await soon(async () => expect(await firstSuspect(page)).toMatch(/lost its charge|diaphragm|blocked|shut off/i));

  // It leaves again in the product's own format, with every reading that was kept.
  await place(page, 'Record');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the logs as a table' }).click(),
  ]);
  const out = join(folder, 'out.csv');
  await download.saveAs(out);
  const saved = readFileSync(out, 'utf8').trim().split('\n');
  expect(saved[0]).toBe('time,pressure_bar,flow_C,return_C,event');
  expect(saved).toHaveLength(242);
  expect(saved[1]).toMatch(/^2026-03-04T\d\d:00:00\.000Z,1\.0/);
});

it('refuses what is too large or holds nothing, and changes nothing', async () => {
  const { page } = at.device;
  await openJob(page, 'Chapel Cottage');
  const before = await reading(page);
  await place(page, 'Record');
  await page.getByRole('button', { name: 'Bring in a logger’s table' }).click();
  const large = join(folder, 'large.csv');
  writeFileSync(large, 'x'.repeat(10 * 1024 * 1024 + 1));
  await page.getByTestId('csv-file').setInputFiles(large);
  await page.getByText('large.csv: is 10.0 MB; at most 10 MB are taken.').waitFor();
  const words = join(folder, 'words.csv');
  writeFileSync(words, 'a letter to the council\nabout the drains\n');
  await page.getByTestId('csv-file').setInputFiles(words);
  await page.getByText('No line could be read so: choose the columns.').waitFor();
  expect(await page.getByRole('button', { name: /^Keep/ }).getAttribute('aria-disabled')).toBe('true');
  await page.getByRole('button', { name: 'Back' }).click();
  expect(await reading(page)).toBe(before);
});

it('a month at ten seconds, near the limit, comes in, is drawn and judged', async () => {
  const { page } = at.device;
  const path = join(folder, 'month.csv');
  const lines: string[] = [];
  for (let i = 0; i < 259_200; i++)
    lines.push(
      `${i * 10},${(1.2 + 0.4 * Math.max(0, Math.sin((i % 8640) / 1375))).toFixed(2)},${(20 + 45 * Math.max(0, Math.sin((i % 8640) / 1375))).toFixed(1)}`,
    );
  writeFileSync(path, lines.join('\n'));
  await newJob(page, '6 Chandler Row');
  await place(page, 'Record');
  await page.getByRole('button', { name: 'Bring in a logger’s table' }).click();
  await page.getByTestId('csv-file').setInputFiles(path);
  await page.getByText('259200 readings over 30 days').waitFor();
  await page.getByRole('button', { name: 'Keep all 259200 readings' }).click();
  await page.getByTestId('reading').waitFor();
  await page.getByTestId('figure').getByText('days').waitFor();
  await soon(async () => expect(await firstSuspect(page)).toMatch(/%/));
  await page.getByRole('status').filter({ hasText: 'Sent' }).waitFor();
});

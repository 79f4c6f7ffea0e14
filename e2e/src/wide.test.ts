import { Jumper, type Device } from './jumper';
import { firstSuspect, newJob, openDock, openJob, place, reading } from './moves';
import { soon } from './soon';

jest.setTimeout(180_000);
let jumper: Jumper;
beforeAll(async () => {
  jumper = await Jumper.start();
});
afterAll(() => jumper.stop());

async function on(options: Parameters<Jumper['device']>[0], go: (device: Device) => Promise<void>) {
  const device = await jumper.device(options);
  await go(device);
  expect(device.complaints).toEqual([]);
  await device.context.close();
}
const wide = { width: 1280, height: 800 };

it('the wide view is worked from the keyboard', () =>
  on(wide, async ({ page }) => {
    await newJob(page, '8 Saddler’s Fold');
    await page.keyboard.press('l');
    await page.keyboard.type('1.2');
    await page.keyboard.press('Enter');
    await page.getByTestId('reading').getByText('1.2', { exact: true }).waitFor();
    await page.keyboard.press('Escape');
    await page.locator('body').click({ position: { x: 640, y: 30 } });
    await page.keyboard.press('+');
    await page.keyboard.press('Enter');
    await page.getByTestId('reading').getByText('1.3', { exact: true }).waitFor();
    await page.keyboard.press('z');
    await page.getByTestId('reading').getByText('1.2', { exact: true }).waitFor();
    await page.keyboard.type('1.45');
    await page.keyboard.press('Enter');
    await page.getByTestId('reading').getByText('1.45', { exact: true }).waitFor();
    await page.keyboard.press('h');
    await page.getByRole('button', { name: 'Heat off', exact: true }).waitFor();
    await page.keyboard.press('?');
    await page.getByRole('dialog', { name: 'Keyboard' }).waitFor();
    await page.keyboard.press('?');
    await page.getByRole('dialog', { name: 'Keyboard' }).waitFor({ state: 'detached' });
    await firstSuspect(page);
    await page.keyboard.press('n');
    await page.waitForURL(/\/test\//);
  }));

it('the trace is read by finger and by arrow keys', () =>
  on({}, async ({ page }) => {
    await openJob(page, '41 Orchard Bank');
    const scrub = page.getByTestId('scrub');
    const box = (await scrub.boundingBox())!;
    await page.touchscreen.tap(box.x + box.width * 0.34, box.y + 60);
    const said = page.getByTestId('scrub-text');
    await said.waitFor();
    await soon(async () =>
      expect(await said.innerText()).toMatch(/\d\d:\d\d\s+1\.\d+ bar, \d+ °C\nright: .* bar to .* bar\nbefore the work: .* bar/),
    );
    const before = await scrub.getAttribute('aria-valuetext');
    await scrub.focus();
    await page.keyboard.press('ArrowLeft');
    await page.waitForFunction((was) => document.querySelector('[data-testid=scrub]')!.getAttribute('aria-valuetext') !== was, before);
    await page.keyboard.press('Escape');
    await said.waitFor({ state: 'detached' });
  }));

it('the logs of a job are looked at one by one', () =>
  on({}, async ({ page }) => {
    await openJob(page, '41 Orchard Bank');
    const after = await reading(page);
    await page.getByRole('button', { name: /^As found/ }).click();
    expect(Number(await reading(page))).toBeGreaterThan(Number(after));
    await page.getByRole('button', { name: /^After work/ }).click();
    await soon(async () => expect(await reading(page)).toBe(after));
  }));

it('a touch on a suspect lays what it would have done over what was logged; another touch takes it away', () =>
  on({}, async ({ page }) => {
    await openJob(page, '7 Quarry Steps');
    await firstSuspect(page);
    const dashed = () => page.locator('[data-testid=figure] svg path[stroke-dasharray]').count();
    const before = await dashed();
    const suspects = page.getByRole('list', { name: 'Suspects' }).getByRole('button');
    await suspects.nth(1).click();
    await page.getByText(/^Dashed: what this log would look like with/).waitFor();
    await page.waitForFunction((n) => document.querySelectorAll('[data-testid=figure] svg path[stroke-dasharray]').length > n, before);
    await suspects.nth(1).click();
    await page.getByText(/^Dashed:/).waitFor({ state: 'detached' });
  }));

it('several timers run at once, through a reload, and say when they are over', () =>
  on({}, async ({ page }) => {
    await page.clock.install();
    await openJob(page, '7 Quarry Steps');
    for (const minutes of [10, 5]) {
      await openDock(page);
      await page.getByRole('button', { name: 'More', exact: true }).click();
      await page.getByRole('button', { name: `Timer, ${minutes} min` }).click();
    }
    await page.reload();
    const timers = page.getByRole('list', { name: 'Timers' }).getByRole('listitem');
    await timers.nth(1).waitFor();
    await soon(async () => expect(await timers.first().innerText()).toMatch(/^4:|^5:00/));
    await page.clock.fastForward('06:00');
    await timers.first().getByText('time is up').waitFor();
    await page.getByRole('button', { name: 'Done: Timer, 5 min' }).click();
    await soon(async () => expect(await timers.count()).toBe(1));
  }));

it('events beyond the dock: a valve, a measured draw-off, a note', () =>
  on({}, async ({ page }) => {
    await openJob(page, 'Chapel Cottage');
    const more = async () => {
      await openDock(page);
      await page.getByRole('button', { name: 'More', exact: true }).click();
    };
    await more();
    await page.getByLabel('Drawn off').fill('half');
    await page.getByRole('button', { name: 'Note the draw-off' }).click();
    await page.getByText('Drawn off: “half” is not a number.').waitFor();
    await page.getByLabel('Drawn off').fill('0,5');
    await page.getByRole('button', { name: 'Note the draw-off' }).click();
    await place(page, 'Record');
    await page.getByText('Drawn off 0.5 L').waitFor();
    await place(page, 'Log');
    await more();
    await page.getByRole('button', { name: 'Main shut' }).click();
    await more();
    await page.getByLabel('A note').fill('Stopcock is under the stairs');
    await page.getByRole('button', { name: 'Keep the note' }).click();
    await place(page, 'Record');
    await page.getByText('Note: Stopcock is under the stairs').waitFor();
    await page.getByText('Main shut', { exact: true }).first().waitFor();
  }));

it('says what the server would not take, and tries again', () =>
  on({}, async ({ page }) => {
    let refuse = true;
    await page.context().route('**/api/jobs/*/facts/*', (route) =>
      refuse
        ? route.fulfill({
            status: 400,
            contentType: 'application/json',
            body: JSON.stringify({ code: 'bad-request', problems: [{ field: 'body.pressureBar', message: 'must be at most 25' }] }),
          })
        : route.continue(),
    );
    await openJob(page, 'The Old Tollhouse');
    await page.getByRole('button', { name: 'Log', exact: true }).click();
    await page.getByRole('status').filter({ hasText: '1 not accepted' }).click();
    await page.getByText('body.pressureBar: must be at most 25').waitFor();
    refuse = false;
    await page.getByRole('button', { name: 'Try again now' }).click();
    await page.getByText('Nothing: the server has all of it.').waitFor();
  }));

it('changes units and light for every view, and keeps them', () =>
  on({}, async ({ page }) => {
    await page.getByRole('link', { name: 'Settings' }).click();
    await page.getByRole('button', { name: 'psi', exact: true }).click();
    await page.getByRole('button', { name: '°F', exact: true }).click();
    await page.getByRole('button', { name: 'Dark', exact: true }).click();
    await page.goto(jumper.base);
    await openJob(page, '7 Quarry Steps');
    expect(Number(await reading(page))).toBeGreaterThan(25);
    await page.getByTestId('figure').getByText(/°F$/).first().waitFor();
    expect(await page.evaluate(() => document.documentElement.classList.contains('dark'))).toBe(true);
  }));

it('on a wide screen what is noted stays beside the steps it is noted of; on a phone it follows them', async () => {
  const leftOf = async (options: Parameters<Jumper['device']>[0]) => {
    let by = 0;
    await on(options, async ({ page }) => {
      await openJob(page, '7 Quarry Steps');
      await page.goto(`${page.url()}/test/cold-main-off-watch`);
      const step = page.getByText('Read the gauge again when the time is up'),
        field = page.getByLabel('At the end');
      await step.waitFor();
      await field.scrollIntoViewIfNeeded();
      by = (await field.boundingBox())!.x - (await step.boundingBox())!.x;
      await page.getByLabel('At the start').fill('1.2');
      await field.fill('1.2');
      await page.getByLabel('Minutes between').fill('20');
      await page.getByRole('button', { name: 'Record', exact: true }).click();
      await page.waitForURL(/\?after=/);
    });
    return by;
  };
  expect(await leftOf(wide)).toBeGreaterThan(400);
  expect(await leftOf({})).toBeLessThan(0);
});

it('the sheet has two facts to a line on a wide screen, and one under the other on a phone', async () => {
  const between = async (options: Parameters<Jumper['device']>[0]) => {
    const apart = { x: 0, y: 0 };
    await on(options, async ({ page }) => {
      await openJob(page, '7 Quarry Steps');
      await page.goto(`${page.url()}/sheet`);
      const opens = page.getByLabel('Relief valve opens at'),
        capacity = page.getByLabel('Relief’s capacity');
      await capacity.waitFor();
      const [a, b] = [(await opens.boundingBox())!, (await capacity.boundingBox())!];
      Object.assign(apart, { x: b.x - a.x, y: b.y - a.y });
    });
    return apart;
  };
  const besides = await between(wide);
  expect(besides.x).toBeGreaterThan(300);
  expect(Math.abs(besides.y)).toBeLessThan(4);
  const below = await between({});
  expect(Math.abs(below.x)).toBeLessThan(4);
  expect(below.y).toBeGreaterThan(60);
});

import axe from 'axe-core';
import { testRow, type TestId } from '@jumper/core';
import { Jumper } from './jumper';
import { firstSuspect, goTo, openDock, openJob } from './moves';
import type { Page } from 'playwright-core';

jest.setTimeout(180_000);
let jumper: Jumper;
beforeAll(async () => {
  jumper = await Jumper.start();
});
afterAll(() => jumper.stop());

/** Violations of WCAG 2.2 A and AA, as "rule: element". */
async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const { violations: found } = await (window as unknown as { axe: typeof axe }).axe.run(document, {
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
    });
    return found.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 120)}`));
  });
}

/** How far the page, or anything that can be touched or typed into, stands out to the right of the screen, px. */
const overflow = (page: Page) =>
  page.evaluate(() => {
    const edge = document.documentElement.clientWidth,
      right = [...document.querySelectorAll('button, [role=button], a[href], input')]
        .map((e) => e.getBoundingClientRect())
        .filter((r) => r.width > 0)
        .map((r) => r.right);
    return Math.max(0, document.documentElement.scrollWidth - edge, ...right.map((r) => Math.round(r - edge)));
  });

/** Touch targets smaller than 44 px in either direction, by name. */
const small = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('button, [role=button], a[href]')].flatMap((e) => {
      const r = e.getBoundingClientRect();
      return r.width > 0 && (r.width < 44 || r.height < 48)
        ? [`${e.getAttribute('aria-label') ?? e.textContent} ${r.width}×${r.height}`]
        : [];
    }),
  );

it.each([
  ['a phone with text at 200 %', 195, 422],
  ['a small phone', 320, 568],
])('%s: nothing is cut off sideways, long names and long reasons wrap', async (_name, width, height) => {
  // Zoom to 200 % halves the width that the page has.
  const { page, context } = await jumper.device({ width, height });
  const long = 'The Old Maltings and Granary Conversion, Upper Flat at the Rear, behind 123 Lower Harrowmere Road';
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Site').fill(long);
  await page.getByRole('button', { name: 'Topped up often' }).click();
  expect(await overflow(page)).toBe(0);
  await page.getByRole('button', { name: 'Start logging' }).click();
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await firstSuspect(page);
  expect(await overflow(page)).toBe(0);
  const bench = page.url();
  for (const view of [
    '/test/precharge',
    '/test/fill-disconnected-watch',
    '/report',
    '/import',
    '/sheet',
    '/tests',
    '/circuit',
    '/record',
    '/work',
    '/work/close',
    '/work/recharge',
    '/schools',
    '/history',
  ]) {
    // The site stands on every view: only a reload tells the next one from the last.
    await page.goto(bench + view);
    await page.getByText(long.slice(0, 20)).first().waitFor();
    expect({ view, overflow: await overflow(page) }).toEqual({ view, overflow: 0 });
  }
  await goTo(page, jumper.base);
  await page
    .getByRole('link', { name: /Old Maltings/ })
    .first()
    .waitFor();
  expect(await overflow(page)).toBe(0);
  await context.close();
});

describe.each([
  ['phone, light', 390, 844, false],
  ['phone, dark', 390, 844, true],
  ['wide', 1280, 800, false],
])('%s', (_name, width, height, dark) => {
  it('fits, can be hit, and has no accessibility violation', async () => {
    const { page, context, complaints } = await jumper.device({ width, height, dark });
    const check = async (where: string) => {
      expect({ where, overflow: await overflow(page), small: await small(page), violations: await violations(page) }).toEqual({
        where,
        overflow: 0,
        small: [],
        violations: [],
      });
    };
    await page.getByRole('link', { name: /7 Quarry Steps/ }).waitFor();
    await check('jobs');
    await openJob(page, '7 Quarry Steps');
    await firstSuspect(page);
    await check('bench');
    const job = page.url();
    // The parts page holds every part in every state: in the dark and on a wide screen it stands for the plainer views.
    const plainViewsToo = !dark && width < 800;
    const cards: TestId[] = plainViewsToo ? ['gas-valve-press', 'precharge', 'fill-disconnected-watch'] : ['precharge'];
    for (const test of cards) {
      await goTo(page, `${job}/test/${test}`);
      await page.getByRole('heading', { name: testRow(test).title }).waitFor();
      await page.getByRole('list', { name: 'Steps' }).waitFor();
      await check(test);
    }
    for (const [view, ready] of [
      ['tests', 'Most telling now'],
      ['circuit', 'Change the circuit'],
      ['record', 'Save as case file'],
      ['work/close', 'To look at again'],
      ['work', 'Nothing stands away'],
      ['work/recharge', 'Heat off at the isolator'],
      ['work/drain-refill', 'Open the vents from the top down'],
    ] as const) {
      await goTo(page, `${job}/${view}`);
      await page.getByText(ready).first().waitFor();
      await check(view);
    }
    if (plainViewsToo) {
      for (const [view, ready] of [
        ['schools', 'Cold fill'],
        ['history', 'No loss of water'],
      ] as const) {
        await goTo(page, `${job}/${view}`);
        await page.getByText(ready).first().waitFor();
        await check(view);
      }
      await goTo(page, `${job}/sheet`);
      await page.getByRole('button', { name: 'Keep this version' }).waitFor();
      await check('sheet');
      await goTo(page, `${job}/import`);
      await page.getByRole('button', { name: 'Choose the file' }).waitFor();
      await check('import');
      await goTo(page, `${jumper.base}/jobs/new`);
      await page.getByRole('button', { name: 'Enter what you know' }).click();
      await check('new job');
      await goTo(page, `${jumper.base}/settings`);
      await page.getByText('What waits to be sent').waitFor();
      await check('settings');
      await goTo(page, `${jumper.base}/circuits`);
      await page.getByRole('link', { name: /9 Ropewalk/ }).waitFor();
      await check('circuits');
      await goTo(page, `${jumper.base}/tools`);
      await page.getByRole('link', { name: /Expected swing/ }).waitFor();
      await check('tools');
    }
    await goTo(page, `${jumper.base}/tools/swing`);
    await page.getByTestId('curve').waitFor();
    await check('calculator');
    await goTo(page, `${jumper.base}/parts`);
    await page.getByTestId('sample-week').locator('svg path[stroke]').first().waitFor({ state: 'attached' });
    await check('parts');
    await goTo(page, jumper.base);
    await openJob(page, '41 Orchard Bank');
    await firstSuspect(page);
    await check('bench after the work');
    await openDock(page);
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await check('more events');
    const repaired = page.url();
    await goTo(page, `${repaired}/report`);
    await page.locator('[data-testid=report]:not([aria-busy=true])').waitFor();
    await check('report');
    expect(complaints).toEqual([]);
    await context.close();
  });

  it('the trace runs through the readings, on the ladder’s own scale', async () => {
    const { page, context } = await jumper.device({ width, height, dark });
    await openJob(page, '7 Quarry Steps');
    await page.locator('[data-testid=figure] svg path[stroke]').first().waitFor({ state: 'attached' });
    const gap = await page.evaluate(() => {
      const figure = document.querySelector('[data-testid=figure]')!;
      const circles = [...figure.querySelectorAll('circle')]
        .map((c) => c.getBoundingClientRect())
        .map((r) => ({ x: r.x + r.width / 2, y: r.y + r.height / 2 }));
      const lines = [...figure.querySelectorAll('path')].filter((p) => Number(p.getAttribute('stroke-width')) > 2) as SVGPathElement[];
      const line = lines[0]!;
      const toScreen = line.getScreenCTM()!;
      const points = Array.from({ length: 400 }, (_, i) =>
        line.getPointAtLength((line.getTotalLength() * i) / 399).matrixTransform(toScreen),
      );
      return {
        readings: circles.length,
        worst: Math.max(...circles.map((c) => Math.min(...points.map((p) => Math.hypot(p.x - c.x, p.y - c.y))))),
      };
    });
    expect(gap.readings).toBe(7);
    expect(gap.worst).toBeLessThan(2);
    await context.close();
  });
});

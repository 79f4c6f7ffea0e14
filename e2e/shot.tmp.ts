import { Jumper } from '/work/main/e2e/src/jumper';
import { firstSuspect, openJob } from '/work/main/e2e/src/moves';
const want = process.argv.slice(2);
async function main() {
  const jumper = await Jumper.start();
  const shoot = async (name: string, options: any, go: (page: any) => Promise<void>) => {
    if (want.length && !want.includes(name)) return;
    const { page, context, complaints } = await jumper.device(options);
    try {
      await page.getByRole('link', { name: /7 Quarry Steps/ }).waitFor();
      await go(page);
      await page.waitForTimeout(1200);
    } catch (e) { console.log(name, String(e).slice(0, 400)); }
    await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: !!options.full });
    if (complaints.length) console.log(name, complaints);
    await context.close();
  };
  const wide = { width: 1280, height: 800 };
  const bench = (site: string) => async (page: any) => { await openJob(page, site); await firstSuspect(page); };
  await shoot('jobs', {}, async () => undefined);
  await shoot('bench', {}, bench('7 Quarry Steps'));
  await shoot('bench-after', {}, bench('41 Orchard Bank'));
  await shoot('bench-wide-after', wide, async (p) => { await bench('41 Orchard Bank')(p); const s = p.getByTestId('scrub'); const b = await s.boundingBox(); await p.mouse.move(b.x + 100, b.y + 100); await p.mouse.down(); });
  await shoot('scrub', {}, async (p) => { await bench('7 Quarry Steps')(p); const b = await p.getByTestId('scrub').boundingBox(); await p.touchscreen.tap(b.x + 120, b.y + 100); });
  await shoot('more', {}, async (p) => { await bench('7 Quarry Steps')(p); await p.getByRole('button', { name: 'More', exact: true }).click(); });
  await shoot('timers', {}, async (p) => { await bench('7 Quarry Steps')(p); await p.getByRole('button', { name: 'More', exact: true }).click(); await p.getByRole('button', { name: 'Timer, 10 min' }).click(); await p.getByRole('button', { name: 'More', exact: true }).click(); await p.getByRole('button', { name: 'Timer, 5 min' }).click(); });
  await shoot('report', { height: 1400 }, async (p) => { await openJob(p, '41 Orchard Bank'); await p.goto(p.url() + '/report'); await p.locator('[data-testid=report]:not([aria-busy=true])').waitFor(); });
  await shoot('big', {}, async (p) => { await bench('7 Quarry Steps')(p); await p.evaluate(() => { document.documentElement.style.fontSize = '200%'; (document.body.style as any).zoom = '2'; }); });
  await shoot('tools', { height: 1200 }, async (p) => { await p.goto(jumper.base + '/tools'); });
  await shoot('swing', { height: 1500 }, async (p) => { await p.goto(jumper.base + '/tools/swing'); await p.getByTestId('curve').waitFor(); });
  await shoot('schools', { height: 1100, dark: true }, async (p) => { await p.goto(jumper.base + '/tools/schools'); });
  await shoot('settings', {}, async (p) => { await p.getByRole('button', { name: 'Settings' }).click(); });
  for (const [i, id] of ['first','flat','close','week'].entries()) await shoot('parts' + i, { height: 900, dark: i % 2 === 1 }, async (p) => { await p.goto(jumper.base + '/parts'); await p.getByTestId('sample-' + id).scrollIntoViewIfNeeded(); await p.getByTestId('sample-' + id).evaluate((e: any) => e.scrollIntoView({ block: 'start' })); });
  
  await shoot('import', { height: 1800 }, async (p) => { await openJob(p, 'Chapel Cottage'); await p.goto(p.url() + '/import'); await p.getByTestId('csv-file').setInputFiles('/tmp/log.csv'); await p.getByText(/readings over/).waitFor(); });
  await shoot('kerb', wide, async (p) => { await bench('22 Weir Street')(p); await p.keyboard.press('?'); });
  if (!want.length || want.includes('pdf')) {
    const { page, context } = await jumper.device({ width: 1280, height: 800, dark: true });
    await openJob(page, '41 Orchard Bank'); await page.goto(page.url() + '/report'); await page.locator('[data-testid=report]:not([aria-busy=true])').waitFor(); await page.waitForTimeout(1000);
    await page.pdf({ path: '/tmp/shots/report.pdf', preferCSSPageSize: true });
    await context.close();
  }
  await jumper.stop();
}
void main();

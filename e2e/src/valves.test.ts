import { stageVisit } from '@jumper/evaluate';
import type { Page } from 'playwright-core';
import { freshDevices } from './freshDevices';
import { goTo, logPressure, openDock, recordWork } from './moves';
import { arrive, judged, letCool } from './plantMoves';

jest.setTimeout(240_000);
const at = freshDevices();

/** The values that the plant gives at a run sheet's steps, by the label that asks for them. */
type Given = Record<string, string>;

/** Walks a run sheet to its end, doing what stands there.
 *  @returns the steps' words, in the order in which they were done */
async function walk(page: Page, given: Given, part?: Given): Promise<string[]> {
  const over = page.getByText('Every step is done'),
    done: string[] = [];
  for (let i = 0; i < 50 && (await over.count()) === 0; i++) {
    const step = (await page.locator('[aria-current="step"]').innerText()).split('\n').at(1)!;
    await letCool(page);
    for (const [label, value] of Object.entries(given))
      if ((await page.getByLabel(label, { exact: true }).count()) > 0) await page.getByLabel(label, { exact: true }).fill(value);
    const hold = page.getByRole('button', { name: 'Compare with the old part' });
    if ((await hold.count()) > 0) {
      for (const [label, value] of Object.entries(part ?? {}))
        if ((await page.getByLabel(label, { exact: true }).count()) > 0) await page.getByLabel(label, { exact: true }).fill(value);
      await hold.click();
      const anyway = page.getByRole('button', { name: 'Fit it all the same' });
      if ((await anyway.count()) > 0) await anyway.click();
      await hold.waitFor({ state: 'detached' });
      continue;
    }
    const good = page.getByRole('group', { name: 'How did it come out' }).getByRole('button').first();
    await ((await good.count()) > 0 ? good : page.getByRole('button', { name: /^(Done|It is so)$/ })).click();
    if ((await page.getByRole('button', { name: 'It is so' }).count()) > 0) await page.getByRole('button', { name: 'It is so' }).click();
    await page.locator('[aria-current="step"]', { hasText: step }).waitFor({ state: 'detached' });
    done.push(step);
  }
  expect(await over.count()).toBe(1);
  return done;
}
const place = (steps: string[], words: RegExp): number => {
  const i = steps.findIndex((s) => words.test(s));
  expect({ words: String(words), found: i >= 0 }).toEqual({ words: String(words), found: true });
  return i;
};
const inOrder = (steps: string[], ...words: RegExp[]) => {
  const places = words.map((w) => place(steps, w));
  expect(places).toEqual([...places].sort((a, b) => a - b));
};

it('changes an external vessel of a fed circuit: feed off, the tank alone drained, its own drain run dry', async () => {
  const { page } = at.device;
  const visit = stageVisit({ title: 'Tannery Row 4', kind: 'fed', faults: ['vessel-diaphragm-failed'], as: { coldBar: 1 }, seed: 21 });
  (visit.case.circuit as { vessel: object }).vessel = {
    ...(visit.case.circuit as { vessel: object }).vessel,
    isolationValve: 'fitted-with-drain',
  };
  await arrive(page, visit);
  const bench = page.url();
  await page.goto(`${bench}/valves?for=vessel-change`);
  await page.getByText('This gauge says nothing of the emptied part', { exact: false }).waitFor();
  expect(await page.getByRole('list', { name: 'In this order' }).innerText()).toMatch(
    /stop valve of the feed[\s\S]*valve to the vessel[\s\S]*own drain/,
  );
  // A relief on no section is refused at its field, and nothing is lost.
  await page.getByRole('group', { name: 'Relief valve (assumed)' }).getByRole('button', { name: 'Not found' }).click();
  await page.getByRole('button', { name: 'All stands as drawn: keep it' }).click();
  await page.getByText('must be on a section', { exact: false }).first().waitFor();
  await page.getByRole('group', { name: 'Relief valve' }).getByRole('button', { name: 'Boiler’s side' }).click();
  await page.getByRole('button', { name: 'All stands as drawn: keep it' }).click();
  await page.locator('[aria-current="step"]').waitFor();
  const vesselL = String((visit.case.circuit as { vessel: { nominalVolumeL: number } }).vessel.nominalVolumeL);
  const steps = await walk(
    page,
    { 'Gauge as found': '1', 'Charge as left': '0.83', 'Gauge after filling': '0.97' },
    { 'Volume on it': vesselL, 'Charge that you set': '0.83', 'Greatest pressure on it': '3' },
  );
  // All was stated on the map, so nobody is asked to look.
  expect(steps.filter((s) => /valve map/.test(s))).toEqual([]);
  inOrder(
    steps,
    /Heat off/,
    /stop valve of the feed/,
    /^Shut: valve to the vessel/,
    /vessel’s own drain/,
    /run dry/,
    /undo it/,
    /Open slowly/,
    /Open the feed/,
    /Power on/,
  );
  expect(steps.filter((s) => /boiler’s flow/.test(s) || /loop/.test(s))).toEqual([]);
  await page.goto(`${bench}/work`);
  await page.getByText('Nothing stands away from where it belongs.').waitFor();
});

it('changes a relief behind a live reducing valve: the feed is off before anything is drained, and heat is refused meanwhile', async () => {
  const { page } = at.device;
  const visit = stageVisit({ title: 'Granary Yard', kind: 'fed', faults: ['relief-valve-passing'], as: { coldBar: 1 }, seed: 22 });
  await arrive(page, visit);
  const bench = page.url();
  await page.goto(`${bench}/work/relief-change`);
  for (let i = 0; i < 12; i++) {
    const step = await page.locator('[aria-current="step"]').innerText();
    if (/must show zero/.test(step)) break;
    await letCool(page);
    if ((await page.getByLabel('Gauge as found').count()) > 0) await page.getByLabel('Gauge as found').fill('1');
    await page.getByRole('button', { name: 'Done' }).click();
    await page.locator('[aria-current="step"]', { hasText: step.split('\n').at(1)! }).waitFor({ state: 'detached' });
  }
  const away = await page.getByRole('list', { name: 'To put back' }).innerText();
  expect(away).toMatch(/Stop valve of the feed: shut[\s\S]*Drain: open/);
  // Still under pressure: the plant's feed would have kept it there.
  await page.getByLabel('System gauge').fill('0.9');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByText('Not empty yet').waitFor();
  await goTo(page, new URL(bench).pathname);
  await page.getByTestId('reading').waitFor();
  await openDock(page);
  await page.getByRole('button', { name: 'Heat on' }).click();
  await page.getByText('No heat yet', { exact: true }).waitFor();
  await page.goto(`${bench}/work/relief-change`);
  await page.locator('[aria-current="step"]').waitFor();
  const steps = await walk(page, { 'System gauge': '0', 'Gauge after filling': '0.97' }, { 'Set pressure on it': '2.07' });
  inOrder(steps, /must show zero/, /Old valve off/, /Discharge pipe on/, /Open the feed/, /it stays dry/, /Power on/);
  await page.goto(`${bench}/work`);
  await page.getByText('Nothing stands away from where it belongs.').waitFor();
});

/** Logs readings, so many minutes apart. */
async function logRun(page: Page, run: readonly { bar: number; flowC?: number }[], minutes: number, heat: boolean): Promise<void> {
  for (const [i, r] of run.entries()) {
    await logPressure(page, String(r.bar), r.flowC);
    if (i === 0 && heat) {
      await openDock(page);
      await page.getByRole('button', { name: 'Heat on' }).click();
      await page.getByRole('button', { name: 'Heat off' }).first().waitFor();
    }
    await page.clock.fastForward(60_000 * minutes);
  }
}
/** What the bench says once the judge has settled on all that stands there. */
async function settled(page: Page, wanted: RegExp): Promise<string> {
  await judged(page);
  await page.getByTestId('verdict').getByText(wanted).first().waitFor({ timeout: 60_000 });
  return page.getByTestId('verdict').innerText();
}
const noRunIsAsked = async (page: Page) => expect(await page.getByText('log a heat run', { exact: false }).count()).toBe(0);

describe('three that end in another part than was first thought', () => {
  it('water at the air valve, vessel changed, same swing: the connection, and not the new vessel', async () => {
    const { page } = at.device;
    await page.clock.install();
    const visit = stageVisit({
      title: '12 Hatters Lane',
      kind: 'wall-boiler',
      faults: ['vessel-connection-blocked'],
      as: { coldBar: 1.1, limitC: 60 },
      complaint: ['gauge-climbs-hot'],
      seed: 5,
    });
    visit.case.findings = [{ test: 'gas-valve-press', outcome: 'water' }];
    await arrive(page, visit);
    await settled(page, /diaphragm/i);
    await recordWork(page, 'Vessel changed', '0.75');
    await logRun(
      page,
      visit.runAgain(() => {}, 1.1),
      2.4,
      true,
    );
    const said = await settled(page, /connection blocked/i);
    expect(said).toMatch(/^After the work/);
    await noRunIsAsked(page);
  });

  it('would not rise, vessel changed, still rises cold with the loop off: the coil', async () => {
    const { page } = at.device;
    await page.clock.install();
    const visit = stageVisit({
      title: 'Ferry Cottage',
      kind: 'larger-home',
      faults: ['dhw-coil-perforated'],
      as: { seepCoil: 1.6, coldBar: 1.4 },
      complaint: ['drips-outside'],
      watchOnly: true,
      seed: 8,
    });
    visit.case.findings = [{ test: 'pump-up-hold', outcome: 'would-not-rise' }];
    await arrive(page, visit);
    await judged(page);
    await recordWork(page, 'Vessel changed', '1');
    await openDock(page);
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Loop off' }).click();
    const rises = [1.6, 1.8, 2, 2.2, 2.4].map((bar) => ({ bar, flowC: 17 }));
    await logRun(page, rises, 12, false);
    const said = await settled(page, /coil holed/i);
    expect(said).toMatch(/^After the work/);
    await noRunIsAsked(page);
  });

  it('recharged, and it still rises with the loop off: the plate, which the rise before does not hide', async () => {
    const { page } = at.device;
    await page.clock.install();
    const visit = stageVisit({
      title: '3 Cornmarket',
      kind: 'wall-boiler',
      faults: ['dhw-plate-perforated'],
      as: { seepCoil: 1.2, coldBar: 1.3 },
      complaint: ['drips-outside'],
      watchOnly: true,
      seed: 9,
    });
    await arrive(page, visit);
    await judged(page);
    await recordWork(page, 'Vessel recharged', '0.75');
    await openDock(page);
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Loop off' }).click();
    await logRun(
      page,
      [1.3, 1.5, 1.7, 1.9, 2.1].map((bar) => ({ bar, flowC: 18 })),
      12,
      false,
    );
    const said = await settled(page, /plate exchanger holed/i);
    expect(said).toMatch(/^After the work/);
    await noRunIsAsked(page);
  });
});

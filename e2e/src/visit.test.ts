import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { freshDevices } from './freshDevices';
import { firstSuspect, logPressure, newJob, openJob, place, reading, recordWork, saveCaseFile } from './moves';
import { letCool } from './plantMoves';
import { wallBoilerReadings } from './wallBoiler';
import { soon } from './soon';

jest.setTimeout(180_000);
const at = freshDevices();

const folder = mkdtempSync(join(tmpdir(), 'jumper-files-'));
const diagnoseByHand = (file: string) =>
  JSON.parse(execFileSync(process.execPath, [join(__dirname, '../../packages/cli/dist/diagnose.mjs'), file], { encoding: 'utf8' }));

/** A flat vessel, read every three minutes after the cold reading. */
const flatVessel = () => wallBoilerReadings({ prechargeGaugeBar: -0.1, durationS: 900, stepS: 180 }).slice(1);

describe('the main job, on a phone', () => {
  it('goes from a complaint to a verdict that a test then moves', async () => {
    const { page } = at.device;
    // A heat cycle takes a quarter of an hour; the page's clock is put on instead of waiting.
    await page.clock.install();
    await newJob(page, '14 Kiln Row');
    await soon(async () => expect(await page.getByTestId('next-step').innerText()).toContain('Log the cold pressure'));

    // The stepper starts at a usual fill; two nudges and one touch log a reading.
    await page.getByRole('button', { name: 'Pressure up' }).click();
    await page.getByRole('button', { name: 'Pressure down' }).click();
    await page.getByRole('button', { name: /temperatures with this reading/ }).click();
    await page.getByLabel('Flow', { exact: true }).fill('17');
    await page.getByRole('button', { name: 'Log', exact: true }).click();
    await expectReading('1.0');
    await page.getByRole('button', { name: 'Heat on' }).click();
    await page.getByRole('button', { name: 'Heat off' }).waitFor();
    for (const [bar, celsius] of flatVessel()) {
      await page.clock.fastForward('03:00');
      await logPressure(page, bar, celsius);
    }
    const [lastBar, lastC] = flatVessel().at(-1)!;
    await expectReading(lastBar);
    await soon(async () =>
      expect(await page.getByText(/since heat on/).innerText()).toBe(`+${(Number(lastBar) - 1).toFixed(1)} since heat on, too much`),
    );
    expect(await page.getByText(/is normal for this system/).innerText()).toMatch(
      new RegExp(`^\\+0\\.\\d+ to \\+\\d\\.\\d+ is normal for this system at ${lastC}\\s°C$`),
    );
    await soon(async () => expect(await page.getByText(/Rule of thumb/).innerText()).toMatch(/0\.3 to 0\.5 bar is ordinary/));
    await soon(async () => expect(await firstSuspect(page)).toMatch(/Vessel has lost its charge/i));

    // A test is recorded and moves the ranking; the bench says by how much.
    await page.goto(`${page.url().split('?')[0]}/test/gas-valve-press`);
    await page.getByRole('button', { name: 'Water', exact: true }).click();
    await page.getByText(/before, .* now|Hardly moves/).waitFor();
    await soon(async () => expect(await firstSuspect(page)).toMatch(/^Vessel diaphragm holed/));
    await soon(async () => expect(await page.getByTestId('verdict').innerText()).toMatch(/diaphragm/i));

    // Opened again, what was answered is there, and the judge is not asked a second time.
    expect(page.workers()).toHaveLength(1);
    await page.reload();
    await soon(async () => expect(await firstSuspect(page)).toMatch(/^Vessel diaphragm holed/));
    expect(page.workers()).toEqual([]);

    async function expectReading(text: string) {
      await page.getByTestId('reading').getByText(text, { exact: true }).waitFor();
    }
  });

  it('goes from a cold zone to its valve without a reading of the gauge, and tells a zone that calls from one that does not', async () => {
    const { page } = at.device;
    await newJob(page, '3 Weighhouse Steps', 'No heat in one zone');
    const job = page.url().split('?')[0]!;
    await page.goto(`${job}/test/zone-pipe-temperatures`);
    await page.getByLabel('Supply').fill('22');
    await page.getByLabel('Return').fill('21');
    await page.getByLabel(/^Zone/).fill('Upstairs');
    await page.getByRole('button', { name: 'Record', exact: true }).click();
    await page.getByRole('group', { name: 'The zone' }).getByText('The zone: say whether it was calling or not.').waitFor();
    await page.getByRole('button', { name: 'Was calling', exact: true }).click();
    await page.getByRole('button', { name: 'Record', exact: true }).click();
    await page.getByText('Zone pipe temperatures: Upstairs, 22 °C supply, 21 °C return, calling').first().waitFor();
    await firstSuspect(page);
    const next = page.getByTestId('next-step');
    expect(await next.innerText()).not.toContain('Log the cold pressure');
    await soon(async () => expect(await next.innerText()).toMatch(/pump|24 V|valve|end switch/i));
    await page.goto(`${job}/test/zone-valve-moves`);
    await page.getByRole('button', { name: 'Stuck', exact: true }).click();
    await page.getByText(/before, .* now|Hardly moves/).waitFor();
    await soon(async () => expect(await firstSuspect(page)).toMatch(/^Zone valve stuck shut/));
  });

  it('keeps what is begun for the next reading while the last one is still being stored', async () => {
    const { page } = at.device;
    await newJob(page, '9 Cooperage Lane');
    // Both in one turn of the page: the store has had no time.
    await page.evaluate(() => {
      const key = (name: RegExp) =>
        [...document.querySelectorAll<HTMLElement>('[role=button], button')].find((e) =>
          name.test(e.getAttribute('aria-label') ?? e.textContent ?? ''),
        )!;
      key(/^Log$/).click();
      key(/temperatures with this reading/).click();
    });
    await page.getByText(/^Logged /).waitFor();
    await page.getByLabel('Flow', { exact: true }).fill('41');
    expect(await page.getByLabel('Flow', { exact: true }).inputValue()).toBe('41');
  });

  it('takes a reading back at once, and a correction keeps what stood before', async () => {
    const { page } = at.device;
    await newJob(page, '2 Tannery Yard');
    await logPressure(page, '1.1');
    await logPressure(page, '1,4');
    await page.getByRole('status').filter({ hasText: 'Logged 1.4 bar' }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByTestId('reading').getByText('1.1', { exact: true }).waitFor();

    await place(page, 'Record');
    await page.getByRole('button', { name: /^Change 1\.1 bar/ }).click();
    await page.getByLabel('Pressure', { exact: true }).fill('900');
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByText('Pressure: 900 bar is outside').waitFor();
    await page.getByLabel('Pressure', { exact: true }).fill('1.2');
    await page.getByRole('list', { name: 'Record' }).getByLabel('Flow').fill('18');
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByText('corrected, was 1.1 bar', { exact: true }).waitFor();
    await place(page, 'Log');
    await soon(async () => expect(await reading(page)).toBe('1.2'));
  });

  it('puts in order what was written down late: the heat, and a reading from a slip of paper', async () => {
    const { page } = at.device;
    await newJob(page, '4 Tannery Yard');
    await logPressure(page, '1.6', 58);
    // Hot at the first reading: the dock's own key is to switch it off, what was missed stands under More.
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('button', { name: 'Heat on' }).click();
    await page.getByRole('button', { name: 'Undo' }).waitFor();
    const rows = () => page.getByRole('list', { name: 'Record' }).getByRole('listitem').allInnerTexts();
    const said = async () => (await rows()).map((row) => row.replace(/\s+/g, ' '));
    await place(page, 'Record');
    await soon(async () => expect((await said())[0]).toMatch(/Heat on/));
    await place(page, 'Log');

    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('button', { name: 'An earlier reading' }).click();
    const earlier = page.getByTestId('earlier');
    await earlier.getByRole('button', { name: 'Keep' }).click();
    await earlier.getByText('Pressure: type what the gauge shows.').waitFor();
    await earlier.getByLabel('Pressure').fill('1.1');
    await earlier.getByLabel('Flow').fill('19');
    for (let i = 0; i < 4; i++) await earlier.getByRole('button', { name: '5 min earlier' }).click();
    await earlier.getByRole('button', { name: 'Keep' }).click();
    await page.getByText('Earlier reading kept').waitFor();
    // The last reading stays the one that was taken last.
    expect(await reading(page)).toBe('1.6');
    await place(page, 'Record');
    await soon(async () => expect((await said()).at(-1)).toMatch(/1\.1 bar, flow 19 °C/));

    await page.getByRole('button', { name: /^Change Heat on/ }).click();
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: '5 min earlier' }).click();
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByText(/^corrected, was at \d\d:\d\d$/).waitFor();
    await soon(async () => expect((await said()).map((row) => /1\.6|Heat on|1\.1/.exec(row)?.[0])).toEqual(['1.6', 'Heat on', '1.1']));
    await place(page, 'Log');
    await page.getByText('+0.5 since heat on').waitFor();
  });

  it('falls into no precharge trap', async () => {
    const { page } = at.device;
    await openJob(page, '7 Quarry Steps');
    await page.goto(`${page.url()}/test/precharge`);
    await page.getByText('Wait until below 50 °C').waitFor();
    // Hot, it cannot be recorded at all; read cool enough it can.
    expect(await page.getByRole('button', { name: 'Record', exact: true }).count()).toBe(0);
    await letCool(page);
    expect(await page.getByText('Is the drain open?').count()).toBe(0);
    await page.getByLabel('Reading', { exact: true }).fill('0.4');
    await page.getByText('Is the drain open?').waitFor();
    await page.getByLabel('System gauge at that moment, if read').fill('0.4');
    await page.getByText('Not empty yet').waitFor();
    await page.getByLabel('System gauge at that moment, if read').fill('0');
    await page.getByRole('button', { name: 'The drain stands open' }).click();
    await page.getByText('Not empty yet').waitFor({ state: 'detached' });
    expect(await page.getByText('Is the drain open?').count()).toBe(0);
    await page.getByLabel('Reading', { exact: true }).fill('0.1');
    await page.getByRole('button', { name: 'Record', exact: true }).click();
    // What it did is said, were it next to nothing.
    await page.getByText(/before, .* now|Hardly moves/).waitFor();
    await soon(async () => expect(await firstSuspect(page)).toMatch(/lost its charge/));
  });

  it('says what the next test waits for, keeps no one from watching a gauge that falls by itself, and knows the van', async () => {
    const { page } = at.device;
    await openJob(page, '5 Mill Hill Close');
    const job = page.url();
    for (const [test, outcome] of [
      ['discharge-pipe', 'Stained'],
      ['gas-valve-press', 'Nothing'],
      ['gas-valve-bubbles', 'Tight'],
    ]) {
      await page.goto(`${job}/test/${test}`);
      await page.getByRole('button', { name: outcome!, exact: true }).click();
      await page.getByText(/before, .* now|Hardly moves/).waitFor();
    }
    // Left hot: what drains comes once it is cool.
    await soon(async () =>
      expect(await page.getByTestId('next-step').innerText()).toMatch(
        /Once it is cool, in about \d+ min: 15 min, drains or opens something/,
      ),
    );
    await page.goto(`${job}/test/fill-disconnected-watch`);
    await page.getByText('Better once it is below 35 °C').waitFor();
    expect(await page.getByRole('button', { name: 'Record', exact: true }).count()).toBe(1);
    await letCool(page);
    await page.getByText('Better once it is below 35 °C').waitFor({ state: 'detached' });

    await page.goto(new URL('/settings', job).href);
    const core = page.getByRole('group', { name: 'Parts in the van' }).getByRole('button', { name: 'Valve core' });
    await core.click();
    await page.getByText('What is not in it has to be nearly certain').waitFor();
    await page.reload();
    await soon(async () => expect(await core.getAttribute('aria-pressed')).toBe('true'));
  });

  it('keeps a timed watch through a reload, and puts its minutes into the finding', async () => {
    const { page } = at.device;
    await openJob(page, '22 Weir Street');
    await page.goto(`${page.url()}/test/fill-disconnected-watch`);
    await page.getByRole('button', { name: 'Start the watch' }).click();
    await page.getByRole('alert').first().getByText('At the start: read the gauge first.').waitFor();
    await page.getByLabel('At the start').fill('2.0');
    await page.getByRole('button', { name: 'Start the watch' }).click();
    await page.reload();
    await page.getByText(/read again in 14:/).waitFor();
    expect(await page.getByLabel('At the start').inputValue()).toBe('2.0');
    await page.getByLabel('At the end').fill('2.2');
    await page.getByRole('button', { name: 'Record', exact: true }).click();
    await place(page, 'Record');
    await page
      .getByText(/Fill loop off: is the valve passing\? 2.0 bar to 2.2 bar in 1 min/)
      .first()
      .waitFor();
  });
});

describe('work done', () => {
  it('is recorded, stays unproved until a heat run, and is then judged by it', async () => {
    const { page } = at.device;
    await openJob(page, '5 Mill Hill Close');
    await recordWork(page, 'Vessel changed', '0.8');
    await page.getByText('Not proved yet').waitFor();
    await place(page, 'Record');
    await page.getByText('Vessel changed to 0.8 bar').waitFor();
    // The repaired demo job has its heat run after the work.
    await page.goto(at.jumper.base);
    await openJob(page, '41 Orchard Bank');
    await page.getByText('Put right, and proved').waitFor();
  });
});

describe('bad input loses nothing', () => {
  it('asks whether 14 was psi, refuses what no gauge shows, and keeps what was typed', async () => {
    const { page } = at.device;
    await newJob(page, '9 Lime Street');
    await logPressure(page, '14');
    await page.getByText('14 bar: was that psi?').waitFor();
    await page.getByRole('button', { name: 'psi: log 0.97 bar' }).click();
    await page.getByTestId('reading').getByText('0.97', { exact: true }).waitFor();

    await logPressure(page, '400');
    await page.getByText('Pressure: 400 bar is outside −1.0 to 25.0 bar.').waitFor();
    expect(await page.getByLabel(/^Pressure in/).inputValue()).toBe('400');
    await page.getByLabel(/^Pressure in/).fill('one');
    await page.getByRole('button', { name: 'Log', exact: true }).click();
    await page.getByText('Pressure: “one” is not a number.').waitFor();
    await page.getByRole('button', { name: /temperatures with this reading/ }).click();
    await page.getByLabel('Flow', { exact: true }).fill('300');
    await page.getByLabel(/^Pressure in/).fill('1.5');
    await page.getByRole('button', { name: 'Log', exact: true }).click();
    await page.getByText('Flow: 300 °C is outside -20 to 250 °C.').waitFor();
    expect(await reading(page)).toBe('0.97');
  });

  it('names the field of a new job and keeps the rest of the form', async () => {
    const { page } = at.device;
    await page.getByRole('button', { name: 'New job' }).click();
    await page.getByRole('button', { name: 'Enter what you know' }).click();
    await page.getByRole('textbox', { name: 'Vessel', exact: true }).fill('-8');
    await page.getByLabel('Content of the circuit').fill('120');
    await page.getByRole('button', { name: 'Start logging' }).click();
    await page.getByText('Site: say where it is, for instance the street.').first().waitFor();
    await page.getByText('Vessel must be above 0.').first().waitFor();
    expect(await page.getByLabel('Content of the circuit').inputValue()).toBe('120');
  });

  it.each([
    ['no JSON', '{ "format": ', 'file: is not JSON'],
    [
      'a time that runs back',
      JSON.stringify({
        format: 'jumper-case',
        version: 1,
        id: 'x',
        circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } },
        logs: [{ samples: { tS: [0, 60, 30], pressureBar: [1, 1, 1] } }],
      }),
      'logs.0.samples.tS.2: runs backwards',
    ],
    [
      'a pressure too high',
      JSON.stringify({
        format: 'jumper-case',
        version: 1,
        id: 'x',
        circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } },
        logs: [{ samples: { tS: [0], pressureBar: [99] } }],
      }),
      'logs.0.samples.pressureBar.0: must be at most 25',
    ],
  ])('a case file with %s changes nothing and says where', async (_name, content, line) => {
    const { page } = at.device;
    await page.getByRole('list', { name: 'Jobs' }).getByRole('link').first().waitFor();
    const before = await page.getByRole('list', { name: 'Jobs' }).getByRole('link').count();
    const path = join(folder, 'broken.json');
    writeFileSync(path, content);
    await page.getByTestId('case-file').setInputFiles(path);
    await page.getByText('broken.json was not opened; nothing was changed').waitFor();
    await page.getByText(line).waitFor();
    expect(await page.getByRole('list', { name: 'Jobs' }).getByRole('link').count()).toBe(before);
  });
});

describe('a case file', () => {
  it('leaves and comes back, and the command line says the same as the app', async () => {
    const { page } = at.device;
    await openJob(page, '7 Quarry Steps');
    const shown = await firstSuspect(page);
    const path = await saveCaseFile(page, folder);
    expect(basename(path)).toMatch(/^7-quarry-steps-\d{4}-\d\d-\d\d\.jumper\.json$/);

    const d = diagnoseByHand(path);
    // The app tells a fault with all that it has, alone or with others.
    const [lead] = d.hypotheses[0].faults,
      total = d.hypotheses.reduce(
        (sum: number, h: { faults: string[]; probability: number }) => sum + (h.faults.includes(lead) ? h.probability : 0),
        0,
      ),
      percent = `${Math.round(total * 100)}\u00a0%`;
    expect(shown).toContain(percent);

    // Opened again it is a new job with the same answer.
    await page.goto(at.jumper.base);
    await page.getByTestId('case-file').setInputFiles(path);
    await page.getByTestId('reading').waitFor();
    await soon(async () => expect(await firstSuspect(page)).toBe(shown));
    expect(JSON.parse(readFileSync(path, 'utf8')).format).toBe('jumper-case');
  });

  it('with a figure that was misread says which was left out', async () => {
    const { page } = at.device;
    const circuit = {
      kind: 'sealed-hot-water',
      waterVolumeL: 110,
      staticHeadM: 4.2,
      vessel: { nominalVolumeL: 10, labelPrechargeBar: 0.75 },
      reliefValve: { setBar: 3 },
      fill: { kind: 'manual-loop' },
      maxFlowC: 70,
      gauge: { kind: 'dial', resolutionBar: 0.1 },
    };
    const samples = {
      tS: [0, 300, 600, 900, 1200, 1500, 1800, 2100, 2400],
      pressureBar: [1.1, 1.1, 1.15, 1.3, 1.4, 1.95, 1.5, 1.5, 1.5],
      flowC: [17, 18, 31, 45, 56, 63, 67, 68, 68],
    };
    const path = join(folder, 'misread.json');
    writeFileSync(
      path,
      JSON.stringify({
        format: 'jumper-case',
        version: 1,
        id: 'misread',
        title: '12 Tanner Row',
        circuit,
        logs: [{ source: 'hand', samples, events: [{ tS: 240, kind: 'heat-on' }] }],
        findings: [],
      }),
    );
    await page.goto(at.jumper.base);
    await page.getByTestId('case-file').setInputFiles(path);
    await page.getByTestId('reading').waitFor();
    await page.getByText('One reading disagrees with its log').waitFor();
    await soon(async () => expect(await page.getByText(/The reading at 25 min/).count()).toBe(1));
    await soon(async () => expect(await firstSuspect(page)).toContain('Nothing wrong'));
  });
});

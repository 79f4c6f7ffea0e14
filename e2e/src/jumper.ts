import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync, chmodSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';

const ROOT = join(__dirname, '../..');

const launchBrowser = () =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });

export interface DeviceOptions {
  width?: number;
  height?: number;
  dark?: boolean;
  /** Lets the app be kept on the device, for what is done with no network. It is loaded whole for that, which takes a while. */
  keepsApp?: boolean;
}

/** The product as a user starts it: bin/start on a data folder of its own, a free port, and a browser. */
export class Jumper {
  private constructor(
    readonly base: string,
    readonly browser: Browser,
    private readonly child: ChildProcess,
    private readonly folder: string,
  ) {}

  static async start(): Promise<Jumper> {
    const folder = mkdtempSync(join(tmpdir(), 'jumper-e2e-'));
    chmodSync(folder, 0o755);
    const child = spawn(join(ROOT, 'bin/start'), ['--port', '0'], {
      env: { ...process.env, JUMPER_DATA_DIR: join(folder, 'data') },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    const base = await new Promise<string>((resolve, reject) => {
      const hear = (text: Buffer) => {
        said += text.toString();
        const address = /http:\/\/localhost:\d+/.exec(said)?.[0];
        if (address) resolve(address);
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', (code) => reject(new Error(`bin/start ended with ${code}:\n${said}`)));
    });
    const browser = await launchBrowser().catch((e: unknown) => {
      child.kill('SIGINT');
      throw e;
    });
    return new Jumper(base, browser, child, folder);
  }

  /** A fresh device: its own storage, nothing from another test. Errors of the page fail the test that asks for `complaints`. */
  async device(options: DeviceOptions = {}): Promise<Device> {
    const context = await this.browser.newContext({
      viewport: { width: options.width ?? 390, height: options.height ?? 844 },
      colorScheme: options.dark ? 'dark' : 'light',
      hasTouch: (options.width ?? 390) < 800,
      locale: 'en-GB',
      serviceWorkers: options.keepsApp ? 'allow' : 'block',
    });
    const page = await context.newPage();
    page.setDefaultTimeout(40_000);
    const complaints: string[] = [];
    page.on('pageerror', (e) => complaints.push(`page error: ${e.message}`));
    page.on('console', (m) => {
      if (m.type() === 'error' && !/Failed to load resource|net::ERR/.test(m.text())) complaints.push(m.text());
    });
    await page.goto(this.base);
    await page.getByRole('button', { name: 'New job' }).waitFor();
    return { page, context, complaints };
  }

  async stop(): Promise<void> {
    await this.browser.close();
    const gone = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill('SIGINT');
    await gone;
    rmSync(this.folder, { recursive: true, force: true });
  }
}

export interface Device {
  page: Page;
  context: BrowserContext;
  complaints: string[];
}

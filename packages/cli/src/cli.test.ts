import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asCase, caseFile } from '@jumper/contract';
import { diagnose } from '@jumper/core';

const dist = join(__dirname, '../dist');
const folder = mkdtempSync(join(tmpdir(), 'jumper-cli-'));
const file = (name: string, content: unknown) => {
  const p = join(folder, name);
  writeFileSync(p, typeof content === 'string' ? content : JSON.stringify(content));
  return p;
};
const run = (command: string, ...args: string[]) =>
  spawnSync(process.execPath, [join(dist, `${command}.mjs`), ...args], { encoding: 'utf8' });

const CIRCUIT = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  reliefValve: { setBar: 3 },
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  maxFlowC: 70,
};
const CASE = {
  format: 'jumper-case',
  version: 1,
  id: 'one',
  circuit: CIRCUIT,
  logs: [
    {
      samples: { tS: [0, 120, 300, 600, 900], pressureBar: [1, 1.2, 1.6, 2.1, 2.6], flowC: [18, 30, 45, 60, 68] },
      events: [{ tS: 0, kind: 'heat-on' }],
    },
  ],
};
const BAD = { ...CASE, id: 'bad', circuit: { ...CIRCUIT, vessel: { nominalVolumeL: -8 } } };

beforeAll(() => {
  if (!existsSync(join(dist, 'diagnose.mjs'))) throw new Error('the command line is not built: run npm run build');
});

describe('diagnose', () => {
  it('prints one diagnosis and nothing else', () => {
    const r = run('diagnose', file('a.json', CASE));
    expect(r).toMatchObject({ status: 0, stderr: '' });
    const d = JSON.parse(r.stdout);
    expect(d).toMatchObject({ format: 'jumper-diagnosis', version: 1, caseId: 'one' });
    // The bundle and the source answer the same.
    expect(d).toEqual(JSON.parse(JSON.stringify(diagnose(asCase(caseFile.parse(CASE))))));
  });

  it.each([
    ['a wrong field', JSON.stringify(BAD), /^circuit\.vessel\.nominalVolumeL: must be above 0\n$/],
    ['no JSON', '{ no', /^file: is not JSON/],
    ['an empty file', '', /^file: is not JSON/],
    ['a list', '[]', /^file: must be an object/],
  ])('refuses %s with status 2, naming it, stdout empty', (_name, content, line) => {
    const r = run('diagnose', file('bad.json', content));
    expect(r.status).toBe(2);
    expect(r.stdout).toBe('');
    expect(r.stderr).toMatch(line);
  });

  it('refuses a file that is not there, and no arguments', () => {
    expect(run('diagnose', join(folder, 'none.json'))).toMatchObject({ status: 2, stdout: '' });
    expect(run('diagnose')).toMatchObject({ status: 2, stdout: '' });
  });

  it('does a folder in name order; a bad file has its line and the rest go on', () => {
    const dir = mkdtempSync(join(tmpdir(), 'jumper-batch-'));
    writeFileSync(join(dir, '2.json'), JSON.stringify(BAD));
    writeFileSync(join(dir, '1.json'), JSON.stringify(CASE));
    writeFileSync(join(dir, '3.json'), JSON.stringify({ ...CASE, id: 'three' }));
    writeFileSync(join(dir, 'notes.txt'), 'x');
    const out = join(dir, 'out.jsonl');
    const r = run('diagnose', '--batch', dir, '--out', out);
    expect(r).toMatchObject({ status: 2, stdout: '' });
    const lines = readFileSync(out, 'utf8')
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l));
    expect(lines.map((l) => l.caseId ?? l.file)).toEqual(['one', '2.json', 'three']);
    expect(lines[1]).toEqual({ file: '2.json', errors: ['circuit.vessel.nominalVolumeL: must be above 0'] });
  });
});

describe('simulate', () => {
  const request = {
    circuit: CIRCUIT,
    faults: [{ id: 'vessel-undercharged', severity: 0.5 }],
    schedule: { startC: 18, durationS: 1800, stepS: 60, heat: [{ onS: 0, offS: 1800 }] },
    seed: 4,
  };

  it('prints a case that diagnose takes, with its truth beside it', () => {
    const r = run('simulate', file('s.json', request));
    expect(r.status).toBe(0);
    const made = JSON.parse(r.stdout);
    expect(made.truth.faults).toEqual(['vessel-undercharged']);
    expect(run('diagnose', file('made.json', made)).status).toBe(0);
    expect(run('simulate', file('s.json', request)).stdout).toBe(r.stdout);
  });

  it.each([
    ['a severity above 1', { ...request, faults: [{ id: 'none', severity: 1.5 }] }, 'faults.0.severity: must be at most 1'],
    ['an unknown fault', { ...request, faults: [{ id: 'gremlins', severity: 1 }] }, 'faults.0.id: must be one of'],
    [
      'a fault not simulated yet',
      { ...request, faults: [{ id: 'steam-vents-failed', severity: 1 }] },
      'faults.0.id: steam-vents-failed is not simulated yet',
    ],
  ])('refuses %s', (_name, content, line) => {
    const r = run('simulate', file('bad.json', content));
    expect(r).toMatchObject({ status: 2, stdout: '' });
    expect(r.stderr).toContain(line);
  });
});

describe('size', () => {
  it('takes a circuit or a case and prints the same', () => {
    const of = (content: unknown) => run('size', file('z.json', content)).stdout;
    expect(JSON.parse(of(CIRCUIT))).toMatchObject({
      fillBar: expect.any(Number),
      expansionL: expect.any(Number),
      acceptanceL: expect.any(Number),
      hotBar: expect.any(Number),
      leastVesselL: { en12828: expect.any(Number) },
      prechargeBar: { label: 0.75, oneBar: 1 },
      warnings: [],
    });
    expect(of(CASE)).toBe(of(CIRCUIT));
  });

  it('refuses a sheet without its relief', () => {
    expect(run('size', file('z.json', { kind: 'sealed-hot-water' })).stderr).toBe('reliefValve.setBar: is required for a sealed circuit\n');
  });
});

describe('evaluate', () => {
  it('judges made-up visits, keeps what was said of them, and reports the same of what was kept', () => {
    const kept = join(folder, 'judged.json'),
      judged = run('evaluate', '--cases', '2', '--tier', 'hand', '--from', '3', '--shows', '0.7', '--out', kept);
    expect(judged).toMatchObject({ status: 0, stderr: '' });
    expect(judged.stdout).toMatch(/^tier .*\nhand +2 /);
    expect((JSON.parse(readFileSync(kept, 'utf8')) as { tier: string }[]).map((j) => j.tier)).toEqual(['hand', 'hand']);
    expect(run('evaluate', '--read', kept).stdout).toBe(judged.stdout);
    const both = run('evaluate', '--read', `${kept},${kept}`);
    expect(both.stdout).toMatch(/^tier .*\nhand +4 /);
  });

  it('says which file of visits it cannot read', () => {
    const r = run('evaluate', '--read', join(folder, 'nowhere.json'));
    expect(r.status).not.toBe(0);
    expect(r.stderr).toContain('nowhere.json');
  });
});

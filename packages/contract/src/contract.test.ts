import { simulateCase } from '@jumper/core';
import { asCase, caseFile } from './caseFile';
import { caseToRecords, jobToCase, standingFacts } from './jobCase';
import { parseJsonText, problemLine, problemsOf } from './problems';
import { factRecord, type FactRecord } from './records';

const CASE = {
  format: 'jumper-case',
  version: 1,
  id: 'c1',
  title: '7 Quarry Steps',
  complaint: ['topped-up-often'],
  circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 }, vessel: { nominalVolumeL: 8, paint: 'red' } },
  logs: [
    {
      startedAt: '2026-03-04T09:10:00Z',
      source: 'hand',
      samples: { tS: [0, 60.5, 120], pressureBar: [1, 1.1, null], flowC: [18, null, 30] },
      events: [{ tS: 0, kind: 'heat-on' }],
    },
  ],
  findings: [
    { test: 'precharge', valueBar: 0.2, circuitBar: 0, drainOpen: true },
    { test: 'discharge-pipe', outcome: 'dripping' },
  ],
};
// eslint-disable-next-line @typescript-eslint/no-explicit-any
const lines = (change: (c: typeof CASE & Record<string, any>) => void) => {
  const c = structuredClone(CASE);
  change(c);
  const parsed = caseFile.safeParse(c);
  return parsed.success ? [] : problemsOf(parsed.error).map(problemLine);
};

describe('a case file', () => {
  it('is taken as it is, unknown keys kept', () => {
    expect(caseFile.parse(CASE)).toEqual(CASE);
  });
  it('is taken with half a finding, and not with one that has none of its numbers', () => {
    const withFinding = (finding: object) => ({ ...CASE, findings: [finding] });
    const half = withFinding({ test: 'draw-off', volumeL: 0.5, beforeBar: 1.5 });
    expect(caseFile.parse(half)).toEqual(half);
    expect(caseFile.safeParse(withFinding({ test: 'draw-off' })).success).toBe(false);
    expect(caseFile.safeParse(withFinding({ test: 'draw-off', volumeL: -1 })).success).toBe(false);
    expect(caseFile.safeParse(withFinding({ test: 'discharge-pipe', waterC: 12 })).success).toBe(false);
  });

  it('is taken with times that say no offset, and with emitters in any words', () => {
    for (const emitters of ['radiators', ['floor'], [{ kind: 'floor', lengthM: 240 }], [{ count: 9 }], { upstairs: 4 }]) {
      const told = {
        ...CASE,
        circuit: { ...CASE.circuit, emitters },
        logs: [{ ...CASE.logs[0]!, startedAt: '2026-03-04T09:10:00' }],
        repairs: [{ kind: 'other', at: '2026-03-04T11:00:00' }],
      };
      expect(caseFile.parse(told)).toEqual(told);
    }
    expect(lines((c) => void ((c.circuit as Record<string, unknown>).emitters = [{ kind: 'floor', lengthM: -2 }]))).not.toEqual([]);
  });

  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  it.each<[string, (c: any) => void, string]>([
    [
      'a vessel of no size',
      (c) => {
        c.circuit.vessel.nominalVolumeL = 0;
      },
      'circuit.vessel.nominalVolumeL: must be above 0',
    ],
    [
      'a pressure above the range',
      (c) => {
        c.logs[0].samples.pressureBar[1] = 25.1;
      },
      'logs.0.samples.pressureBar.1: must be at most 25',
    ],
    [
      'a pressure below the range',
      (c) => {
        c.logs[0].samples.pressureBar[1] = -1.1;
      },
      'logs.0.samples.pressureBar.1: must be at least -1',
    ],
    [
      'a temperature outside',
      (c) => {
        c.logs[0].samples.flowC[0] = 251;
      },
      'logs.0.samples.flowC.0: must be at most 250',
    ],
    [
      'time running backwards',
      (c) => {
        c.logs[0].samples.tS[2] = 10;
      },
      'logs.0.samples.tS.2: runs backwards',
    ],
    [
      'channels of other length',
      (c) => {
        c.logs[0].samples.flowC.pop();
      },
      'logs.0.samples.flowC: has 2 values for 3 times',
    ],
    [
      'no relief on a sealed circuit',
      (c) => {
        delete c.circuit.reliefValve;
      },
      'circuit.reliefValve.setBar: is required for a sealed circuit',
    ],
    [
      'an unknown event',
      (c) => {
        c.logs[0].events[0].kind = 'boom';
      },
      'logs.0.events.0.kind: must be one of: heat-on',
    ],
    [
      'an unknown outcome',
      (c) => {
        c.findings[1].outcome = 'wet';
      },
      'findings.1.outcome: must be one of: dry, stained, dripping, running',
    ],
    [
      'an unknown test',
      (c) => {
        c.findings[1].test = 'sniff';
      },
      'findings.1.test: is not known',
    ],
    [
      'a finding of no value at all',
      (c) => {
        for (const name of ['valueBar', 'circuitBar']) delete c.findings[0][name];
      },
      'findings.0.valueBar: is required',
    ],
    [
      'an unknown complaint',
      (c) => {
        c.complaint = ['sad'];
      },
      'complaint.0: must be one of: topped-up-often',
    ],
    [
      'another version',
      (c) => {
        c.version = 2;
      },
      'version: must be one of: 1',
    ],
    [
      'no circuit',
      (c) => {
        delete c.circuit;
      },
      'circuit: is required',
    ],
  ])('is refused with %s', (_name, change, line) => {
    expect(lines(change).some((l) => l.startsWith(line))).toBe(true);
  });

  it('that is not JSON is refused with its line', () => {
    expect(parseJsonText('{\n "format": "jumper-case",\n oops }', caseFile)).toEqual({
      kind: 'bad',
      problems: [{ field: 'file', message: expect.stringMatching(/^is not JSON/) }],
    });
  });

  it('from the simulator passes', () => {
    const circuit = { kind: 'sealed-hot-water' as const, reliefValve: { setBar: 3 } };
    const { log } = simulateCase({
      circuit,
      faults: [],
      schedule: { startC: 15, durationS: 600, stepS: 5, heat: [{ onS: 0, offS: 600 }] },
    });
    expect(caseFile.safeParse({ format: 'jumper-case', version: 1, id: 's', circuit, logs: [log] }).success).toBe(true);
  });
});

describe('a job and its case', () => {
  let n = 0;
  const newId = () => `0191a000-0000-7000-8000-${String(++n).padStart(12, '0')}`;
  const records = caseToRecords(caseFile.parse(CASE), { newId, now: '2026-03-05T08:00:00Z' });

  it('come back the same, log and findings', () => {
    const back = jobToCase(records);
    expect(back.logs).toEqual([{ ...CASE.logs[0], startedAt: '2026-03-04T09:10:00.000Z' }]);
    expect(back.findings).toEqual(CASE.findings);
    expect(back.circuit).toEqual(CASE.circuit);
    expect(caseFile.safeParse(asCase(back as never)).success).toBe(true);
  });

  it('what was found after all that was logged says how long after, there and back, until work was done', () => {
    const atS = CASE.logs[0]!.samples.tS.at(-1)! + 2400;
    const findings = [{ ...CASE.findings[0]!, atS }, CASE.findings[1]!],
      file = (more: object) => caseToRecords(caseFile.parse({ ...CASE, findings, ...more }), { newId, now: '2026-03-05T08:00:00Z' });
    // As somebody enters them: their time is the record's.
    const entered = (records: ReturnType<typeof file>) => ({
      ...records,
      facts: records.facts.map((f) =>
        f.body.kind === 'finding' ? { ...f, body: { ...f.body, finding: { ...f.body.finding, atS: undefined } } } : f,
      ),
    });
    const laterS = (records: ReturnType<typeof file>) => jobToCase(records).findings!.map((f) => f.atS);
    expect(laterS(file({}))).toEqual([undefined, atS]);
    expect(laterS(entered(file({})))).toEqual([undefined, atS]);
    expect(laterS(entered(file({ repairs: [{ kind: 'vessel-recharged', at: '2026-03-04T12:00:00Z', toBar: 0.8 }] })))).toEqual([
      undefined,
      undefined,
    ]);
  });

  it('every record passes its own schema', () => {
    for (const f of records.facts) expect(factRecord.safeParse(f).success).toBe(true);
  });

  it('of a file whose times say no offset, and which says no name, are records like any other', () => {
    const bare = caseToRecords(
      caseFile.parse({
        ...CASE,
        id: '',
        title: undefined,
        logs: ['hand', 'csv'].map((source) => ({ ...CASE.logs[0]!, source, startedAt: '2026-03-04T09:10:00' })),
        repairs: [{ kind: 'other', at: '2026-03-04T11:00:00' }],
      }),
      { newId, now: '2026-03-05T08:00:00Z' },
    );
    for (const f of bare.facts) expect(factRecord.safeParse(f).success).toBe(true);
    expect(Date.parse(bare.job.openedAt)).toBe(new Date(2026, 2, 4, 9, 10).getTime());
    expect(bare.job.title).not.toBe('');
  });

  const at = '2026-03-04T09:00:00Z';
  const fact = (id: string, body: FactRecord['body'], correctsId?: string): FactRecord => ({
    id,
    jobId: records.job.id,
    recordedAt: at,
    body,
    ...(correctsId ? { correctsId } : {}),
  });
  const reading = (pressureBar: number): FactRecord['body'] => ({ kind: 'reading', at, pressureBar });

  it('a correction stands in the place of what it corrects, a retraction takes it out, and both keep the original', () => {
    const [a, b, c] = [newId(), newId(), newId()];
    expect(standingFacts([fact(a, reading(1)), fact(b, reading(1.2), a)]).map((f) => f.id)).toEqual([b]);
    expect(standingFacts([fact(a, reading(1)), fact(b, reading(1.2), a), fact(c, { kind: 'retraction', at }, b)])).toEqual([]);
    expect(factRecord.safeParse(fact(c, { kind: 'retraction', at })).success).toBe(false);
  });

  it('keeps a watch over days whole, but begins anew when a heat cycle is long over', () => {
    const time = (h: number) => new Date(Date.parse(at) + h * 3_600_000).toISOString();
    const days = [0, 12, 24, 36].map((h) => fact(newId(), { kind: 'reading', at: time(h), pressureBar: 1 }));
    expect(jobToCase({ ...records, facts: days }).logs).toHaveLength(1);
    expect(
      jobToCase({ ...records, facts: [...days, fact(newId(), { kind: 'event', at: time(0.1), event: 'heat-on' })] }).logs!.map(
        (l) => l.samples.tS.length,
      ),
    ).toEqual([1, 3]);
  });

  it('cuts the log at a long gap and at the repair, and marks what came after it', () => {
    const time = (h: number) => new Date(Date.parse(at) + h * 3_600_000).toISOString();
    const facts = [
      fact(newId(), { kind: 'reading', at: time(0), pressureBar: 1 }),
      fact(newId(), { kind: 'reading', at: time(40), pressureBar: 0.8 }),
      fact(newId(), { kind: 'repair', at: time(41), repair: { kind: 'vessel-recharged', toBar: 0.75 } }),
      fact(newId(), { kind: 'reading', at: time(41.5), pressureBar: 1.1 }),
      fact(newId(), { kind: 'finding', at: time(41.6), finding: { test: 'gas-valve-bubbles', outcome: 'tight' } as never }),
    ];
    const back = jobToCase({ ...records, facts });
    expect(back.logs!.map((l) => l.epoch)).toEqual([undefined, undefined, 'after-work']);
    expect(back.findings).toEqual([{ test: 'gas-valve-bubbles', outcome: 'tight', epoch: 'after-work', at: expect.any(String) }]);
    expect(back.repairs).toEqual([{ kind: 'vessel-recharged', toBar: 0.75, at: time(41) }]);
  });
});

it('mains that the sheet only took for granted are left out of the case, mains that were read stay', () => {
  let n = 0;
  const records = caseToRecords(caseFile.parse({ ...CASE, circuit: { ...CASE.circuit, fill: { kind: 'manual-loop', mainsBar: 3.5 } } }), {
    newId: () => `0191a000-0000-7000-9000-${String(++n).padStart(12, '0')}`,
    now: '2026-03-05T08:00:00Z',
  });
  expect(jobToCase(records).circuit.fill).toEqual({ kind: 'manual-loop', mainsBar: 3.5 });
  const assumed = { ...records, sheet: { ...records.sheet, assumed: ['fill.mainsBar', 'waterVolumeL'] } };
  expect(jobToCase(assumed).circuit.fill).toEqual({ kind: 'manual-loop' });
  expect(assumed.sheet.sheet).toMatchObject({ fill: { mainsBar: 3.5 } });
});

it('two corrections of one reading, made on devices that did not know of one another, are one: the last recorded', () => {
  const at = '2026-03-04T09:00:00Z',
    jobId = '0191a000-0000-7000-8000-0000000000aa',
    reading = (n: number, bar: number, recordedAt: string, corrects?: number) => ({
      id: `0191a000-0000-7000-8000-00000000000${n}`,
      jobId,
      recordedAt,
      ...(corrects ? { correctsId: `0191a000-0000-7000-8000-00000000000${corrects}` } : {}),
      body: { kind: 'reading' as const, at, pressureBar: bar },
    });
  const facts = [
    reading(1, 1.1, '2026-03-04T09:00:00Z'),
    reading(2, 1.2, '2026-03-04T09:05:00Z', 1),
    reading(3, 1.3, '2026-03-04T09:07:00Z', 1),
    reading(4, 1.4, '2026-03-04T09:06:00Z', 1),
  ];
  const bars = (all: typeof facts) => standingFacts(all).map((f) => (f.body.kind === 'reading' ? f.body.pressureBar : null));
  expect(bars(facts)).toEqual([1.3]);
  expect(bars([...facts].reverse())).toEqual([1.3]);
  // Taken back after that, nothing of it stands.
  const back = { ...reading(5, 0, '2026-03-04T09:09:00Z', 3), body: { kind: 'retraction' as const, at } };
  expect(standingFacts([...facts, back])).toEqual([]);
});

import { resolveCircuit } from '../../circuit/resolveCircuit';
import type { LogEvent, PressureLog } from '../../log/PressureLog';
import type { Case } from '../Case';
import { diagnose } from '../diagnose';
import type { FaultId } from '../faults';
import { SMALL_HOME } from '../test/homes';
import { layOutLog } from './layOutLog';
import { RELIEF_LET_GO } from './LogTrack';

// A relief that somebody saw lift, at the pipe outside, told with a few round figures. Common practice.
const WALL = { ...SMALL_HOME, waterVolumeL: 100, staticHeadM: 4 };
const MINUTES = [0, 4, 8, 12, 14, 16, 20],
  WARMS = [18, 38, 52, 62, 65, 67, 70];
const log = (pressureBar: number[], liftedMin: number | null, flowC = WARMS): PressureLog => ({
  source: 'hand',
  samples: { tS: MINUTES.map((m) => 60 * m), pressureBar, flowC },
  events: [{ tS: 0, kind: 'heat-on' }, ...(liftedMin === null ? [] : [{ tS: 60 * liftedMin, kind: 'relief-lifted' } satisfies LogEvent])],
});
const laidOut = (l: PressureLog) => layOutLog(l, resolveCircuit(WALL))!;
const STOOD = [1.2, 1.4, 1.6, 1.8, 1.9, 1.9, 1.9],
  FELL_A_LITTLE = [1.2, 1.4, 1.6, 1.8, 1.9, 1.7, 1.8];

describe('laid out', () => {
  it('the relief let go at the highest reading about that minute, and nothing begins anew where nothing fell', () => {
    const told = laidOut(log(STOOD, 15));
    expect(told.letGo).toMatchObject({ gaugeBar: 1.9, fellBar: 0, noted: true });
    expect([...told.starts]).toEqual([...laidOut(log(STOOD, null)).starts]);
    expect(laidOut(log(STOOD, null)).letGo).toBeNull();
  });
  it('what fell after it begins anew, though it fell by less than one that nobody saw', () => {
    expect(laidOut(log(FELL_A_LITTLE, null)).letGo).toBeNull();
    const told = laidOut(log(FELL_A_LITTLE, 15));
    expect(told.letGo!.fellBar).toBeCloseTo(0.2, 9);
    expect(told.starts[5]).toBe(RELIEF_LET_GO);
  });
  it('what cooled fell by that', () => expect(laidOut(log(FELL_A_LITTLE, 15, [18, 38, 52, 62, 65, 58, 57])).starts[5]).toBe(0));
  it('one far from the highest pressure of the log is held against its own minutes, and one that nobody read beside against none', () => {
    expect(laidOut(log(STOOD, 4)).letGo!.gaugeBar).toBe(1.6);
    expect(
      laidOut({ ...log(STOOD, 15), samples: { ...log(STOOD, 15).samples, pressureBar: [1.2, 1.4, ...Array<null>(5).fill(null)] } }).letGo!
        .gaugeBar,
    ).toBe(1.4);
  });
});

describe('judged', () => {
  const asked = (pressureBar: number[], liftedMin: number | null) => {
    const told: Case = {
      format: 'jumper-case',
      version: 1,
      id: 'lift',
      circuit: WALL,
      complaint: ['drips-outside'],
      logs: [log(pressureBar, liftedMin)],
      findings: [{ test: 'second-gauge', valueBar: 1.2, firstGaugeBar: 1.2 }],
    };
    return diagnose(told);
  };
  const of = (d: ReturnType<typeof asked>, fault: FaultId) => d.marginals[fault] ?? 0;

  it('a relief seen to lift far below its marking lifts early, whether the gauge fell or stood', () => {
    expect(of(asked(STOOD, null), 'relief-valve-lifts-early')).toBeLessThan(0.2);
    const stood = asked(STOOD, 15);
    // Springs seldom drift so far: it takes more than one sign to put it first.
    expect(of(stood, 'relief-valve-lifts-early')).toBeGreaterThan(5 * of(asked(STOOD, null), 'relief-valve-lifts-early'));
    expect(of(stood, 'relief-valve-lifts-early')).toBeGreaterThan(0.12);
    expect(stood.because.some((b) => b.text.includes('The relief was seen to lift at about 1.9 bar.'))).toBe(true);
    expect(of(asked(FELL_A_LITTLE, 15), 'relief-valve-lifts-early')).toBeGreaterThan(0.8);
  });
  it('one seen to lift where it should says nothing against the relief', () => {
    const climbs = [1.2, 1.6, 2.1, 2.6, 2.9, 2.7, 2.8];
    expect(of(asked(climbs, 15), 'relief-valve-lifts-early')).toBeLessThan(0.1);
    expect(asked(climbs, 15).hypotheses[0]!.faults).toEqual(asked(climbs, null).hypotheses[0]!.faults);
  });
});

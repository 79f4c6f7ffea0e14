import type { LogEvent } from '../log/PressureLog';
import { diagnose } from './diagnose';

interface Logged {
  minutes: number[];
  bar: number[];
  flowC?: (number | null)[];
  events?: LogEvent[];
  contentL?: number;
  readToBar?: number;
}
/** What a wall boiler's log is said to show. */
function said({ minutes, bar, flowC, events, contentL = 95, readToBar = 0.05 }: Logged): string {
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'told',
    circuit: {
      kind: 'sealed-hot-water',
      reliefValve: { setBar: 3 },
      waterVolumeL: contentL,
      vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
      fill: { kind: 'manual-loop' },
      gauge: { resolutionBar: readToBar },
    },
    logs: [
      { source: 'hand', samples: { tS: minutes.map((m) => 60 * m), pressureBar: bar, ...(flowC ? { flowC } : {}) }, events: events ?? [] },
    ],
  });
  const texts = new Set(d.because.filter((b) => b.evidence === 'log:0').map((b) => b.text));
  expect(texts.size).toBe(1);
  return [...texts][0]!;
}
const on = (minute: number): LogEvent => ({ tS: 60 * minute, kind: 'heat-on' }),
  off = (minute: number): LogEvent => ({ tS: 60 * minute, kind: 'heat-off' });

describe('a heat', () => {
  const HEAT = { minutes: [0, 5, 10, 15, 20, 30], flowC: [16, 16, 40, 55, 64, 66], events: [on(5)] };

  it('is held against what the circuit should do, the less first, from below the charge too', () => {
    expect(said({ ...HEAT, bar: [1.1, 1.1, 1.2, 1.5, 1.9, 2.2] })).toMatch(
      /^Rose 1\.1 bar from 16 °C to 66 °C; this circuit should rise 0\.\d+ bar to \d\.\d+ bar\.$/,
    );
    const [, least, most] = /should rise (\d\.\d+) bar to (\d\.\d+) bar/.exec(said({ ...HEAT, bar: [0.3, 0.3, 0.8, 0.9, 1, 1.1] }))!;
    expect(Number(least)).toBeLessThan(Number(most));
  });
  it('is expected no farther than to the relief', () =>
    expect(said({ ...HEAT, contentL: 280, bar: [1.3, 1.3, 1.5, 1.9, 2.4, 2.9] })).toMatch(
      /should rise (\d\.\d+ bar at least, at most )?to its relief\.$/,
    ));
  it('that did not move the gauge is told by how hot it became', () =>
    expect(said({ ...HEAT, bar: [1, 1, 1.05, 1, 1, 1] })).toMatch(/^Moved by no more than 0\.05 bar from 16 °C to 66 °C; /));
  it('of which only the end was read is held against nothing', () =>
    expect(said({ ...HEAT, events: [on(1)], bar: [1.1, 1.3, 1.6, 1.9, 2, 2], flowC: [null, null, null, 55, 64, 66] })).toMatch(
      /^Rose 0\.9 bar on the way to 66 °C; from where was not read\./,
    ));
  it('that was not read at all is told by the pressure', () =>
    expect(said({ minutes: HEAT.minutes, events: HEAT.events, bar: [1.1, 1.1, 1.2, 1.5, 1.9, 2.2] })).toBe(
      'Rose 1.1 bar from cold to hot; no temperatures were read.',
    ));
});

describe('before and after a heat', () => {
  const minutes = [0, 10, 20, 25, 30, 40, 60, 80, 100],
    flowC = [16, 16, 16, 45, 62, 64, 40, 24, 18],
    events = [on(20), off(42)];

  it('a loss while it stood cold is told, and where it ended', () => {
    expect(said({ minutes, flowC, events, bar: [1.2, 1, 0.8, 1, 1.2, 1.1, 0.6, 0.2, 0] })).toMatch(
      /^Fell 0\.4 bar before it was heated\. Rose 0\.4 bar .* It ended 0\.8 bar lower than it had stood cold\.$/,
    );
  });
  it('what is warm still at its end, and lower all the same, is told with how warm', () =>
    expect(said({ minutes: minutes.slice(0, 8), flowC: flowC.slice(0, 8), events, bar: [1.2, 1.2, 1.2, 1.5, 2, 2.1, 1.1, 0.7] })).toMatch(
      /It ended 0\.5 bar lower than it had stood cold, at 24 °C still\.$/,
    ));
  it('a gain is told once it is as cold as before, not sooner', () => {
    const bar = [1.2, 1.2, 1.2, 1.5, 2, 2.1, 1.9, 1.7, 1.6];
    expect(said({ minutes, flowC, events, bar })).toMatch(/Cold again it stood 0\.4 bar higher than before\.$/);
    expect(said({ minutes: minutes.slice(0, 8), flowC: flowC.slice(0, 8), events, bar: bar.slice(0, 8) })).not.toMatch(/higher/);
  });
  it('nothing of either is told of a circuit that comes back to where it was', () =>
    expect(said({ minutes, flowC, events, bar: [1.2, 1.2, 1.2, 1.3, 1.6, 1.7, 1.4, 1.3, 1.2] })).toMatch(
      /^Rose 0\.5 bar [^.]*\.[^.]*\.[^.]* bar\.$/,
    ));
  it('what somebody let in himself is no creep', () =>
    expect(
      said({ minutes, flowC, events: [{ tS: 600, kind: 'top-up' }, ...events], bar: [0.8, 0.8, 1.2, 1.3, 1.6, 1.7, 1.4, 1.3, 1.2] }),
    ).not.toMatch(/before it was heated|higher/));
});

describe('a circuit that nobody heated', () => {
  /** Seven readings over some hours, from one pressure to another, on a gauge marked in tenths. */
  const cold = (fromBar: number, toBar: number, hours: number): string => {
    const bar = Array.from({ length: 7 }, (_, i) => Math.round(10 * (fromBar + ((toBar - fromBar) * i) / 6)) / 10);
    return said({ minutes: bar.map((_, i) => 10 * hours * i), bar, flowC: bar.map(() => 18), readToBar: 0.1 });
  };
  it('tells a fall over days by what it made, a quick one by the hour, and of none that it stood still', () => {
    expect(cold(1.4, 0.8, 72)).toMatch(/^Fell 0\.[56]\d? bar in 72 h with no heat\.$/);
    expect(cold(1.4, 0.8, 3)).toMatch(/^Fell 0\.[12]\d? bar an hour with no heat\.$/);
    expect(cold(1, 1.9, 24)).toMatch(/^Crept up 0\.[89]\d? bar in 24 h with no heat\.$/);
    expect(cold(1.1, 1.1, 72)).toBe('Stood still with no heat.');
  });
  it('that ran down at once and stood there did not stand still', () =>
    expect(
      said({ minutes: [0, 5, 10, 14, 30, 50, 70, 90], bar: [1.1, 1.1, 0.4, 0.2, 0.2, 0.2, 0.2, 0.2], flowC: Array<number>(8).fill(15) }),
    ).toMatch(/^(Went from 1\.1 bar to 0\.2 bar in 90 min|Fell \d\.\d+ bar an hour) with no heat\.$/));
  it('and of which no temperature was read is not told as heated', () =>
    expect(said({ minutes: [0, 10, 20, 30, 40], bar: [1.5, 1.5, 1.5, 1.5, 1.5] })).toBe('Stood still with no heat.'));
});

describe('a circuit that was found hot', () => {
  it('and stayed so is told by where it moved', () =>
    expect(said({ minutes: [0, 10, 20, 30], bar: [2.1, 2.2, 2.1, 2.2], flowC: [60, 61, 60, 61], events: [on(0)] })).toBe(
      'Moved between 2.1 bar and 2.2 bar at 61 °C.',
    ));
  it('and cooled is held against how far it should have fallen', () =>
    expect(
      said({ minutes: [0, 20, 40, 60, 80], bar: [1.9, 1.8, 1.6, 1.4, 1.3], flowC: [68, 66, 52, 40, 32], events: [on(0), off(20)] }),
    ).toMatch(/^Fell 0\.6 bar from 68 °C to 32 °C; this circuit should fall /));
});

describe('a gauge that shows nothing', () => {
  it('is told as that, heated or not', () => {
    const nothing = 'The gauge showed nothing all along: the circuit is empty, or the gauge is dead.';
    expect(said({ minutes: [0, 10, 20, 30], bar: [0, 0, 0, 0] })).toBe(nothing);
    expect(said({ minutes: [0, 10, 20, 30], bar: [0, 0, 0, 0], flowC: [18, 40, 58, 66], events: [on(0)] })).toBe(nothing);
    expect(said({ minutes: [0, 10, 20, 30], bar: [0.3, 0.2, 0.1, 0] })).not.toBe(nothing);
  });
});

import * as fc from 'fast-check';
import { coolingTime } from './coolingTime';

const close = (actual: number, expected: number, tolerance: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);

describe('waiting for it to cool', () => {
  const cooling = (tauMin: number, minutes: number[]) => ({
    samples: {
      tS: minutes.map((m) => 60 * m),
      pressureBar: minutes.map(() => 1),
      flowC: minutes.map((m) => 18 + 52 * Math.exp(-m / tauMin)),
    },
    events: [{ tS: 0, kind: 'heat-off' as const }],
  });

  it('goes by the circuit’s own cooling', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 300 }), (tau) => {
        const wait = coolingTime(cooling(tau, [0, 4, 8, 12]), 50, 720)!;
        const right = tau * Math.log(52 / 32) - 12;
        // A slow one falls too little in twelve minutes to tell: then the usual pace stands.
        return wait.from === 'usual' ? 52 * (1 - Math.exp(-12 / tau)) < 2 : Math.abs(wait.minutes - Math.max(0, right)) < 0.1;
      }),
    );
  });
  it('reads no more than the end of a month at a second', () => {
    const n = 30 * 86400,
      log = {
        samples: { tS: Array.from({ length: n }, (_, i) => i), pressureBar: Array<number>(n).fill(1), flowC: Array<number>(n).fill(55) },
      };
    let reads = 0;
    const flowC = new Proxy(log.samples.flowC, {
      get: (of, key) => {
        reads++;
        return Reflect.get(of, key) as unknown;
      },
    });
    expect(coolingTime({ samples: { ...log.samples, flowC } }, 50, n)!.from).toBe('usual');
    expect(reads).toBeLessThan(86400);
  });
  it('takes the usual pace where nothing was seen to cool, and counts the time since', () => {
    const hot = {
      samples: { tS: [0, 600], pressureBar: [1, 2], flowC: [20, 70] },
      events: [
        { tS: 0, kind: 'heat-on' as const },
        { tS: 600, kind: 'heat-off' as const },
      ],
    };
    const at = (s: number) => coolingTime(hot, 50, s)!.minutes;
    expect(coolingTime(hot, 50, 600)!.from).toBe('usual');
    close(at(600) - at(1200), 10, 1e-6);
  });
  it('does not wait for cool water, and does not guess without a temperature', () => {
    expect(coolingTime({ samples: { tS: [0], pressureBar: [1], flowC: [30] } }, 50, 0)!.minutes).toBe(0);
    expect(coolingTime({ samples: { tS: [0], pressureBar: [1] } }, 50, 0)).toBeNull();
  });
});

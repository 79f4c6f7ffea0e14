import { diagnose } from './diagnose';

/** What the log is said to show: seven cold readings over some hours, from one pressure to another. */
const said = (fromBar: number, toBar: number, hours: number): string[] => {
  const pressureBar = Array.from({ length: 7 }, (_, i) => Math.round(10 * (fromBar + ((toBar - fromBar) * i) / 6)) / 10);
  const d = diagnose({
    format: 'jumper-case',
    version: 1,
    id: 'told',
    circuit: {
      kind: 'sealed-hot-water',
      reliefValve: { setBar: 3 },
      waterVolumeL: 95,
      vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
      fill: { kind: 'manual-loop' },
      gauge: { resolutionBar: 0.1 },
    },
    logs: [{ source: 'hand', samples: { tS: pressureBar.map((_, i) => 600 * hours * i), pressureBar, flowC: pressureBar.map(() => 18) } }],
  });
  return [...new Set(d.because.filter((b) => b.evidence === 'log:0').map((b) => b.text))];
};

it('tells a fall over days by what it made, a quick one by the hour, and of none that it stood still', () => {
  expect(said(1.4, 0.8, 72)).toEqual([expect.stringMatching(/^Fell 0\.[56]\d? bar in 72 h with no heat\.$/)]);
  expect(said(1.4, 0.8, 3)).toEqual([expect.stringMatching(/^Fell 0\.[12]\d? bar an hour with no heat\.$/)]);
  expect(said(1, 1.9, 24)).toEqual([expect.stringMatching(/^Crept up 0\.[89]\d? bar in 24 h with no heat\.$/)]);
  expect(said(1.1, 1.1, 72)).toEqual(['Stood still with no heat.']);
});

it('gives a reason with what a fault makes likelier, none with what is seen anyway', () => {
  const text = (test: 'discharge-pipe', outcome: string) =>
    diagnose({
      format: 'jumper-case',
      version: 1,
      id: 'told',
      circuit: { kind: 'sealed-hot-water', reliefValve: { setBar: 3 } },
      findings: [{ test, outcome }],
    }).because.find((b) => b.evidence === 'finding:0')!.text;
  expect(text('discharge-pipe', 'dry')).toBe('Look at the discharge pipe: dry.');
  expect(text('discharge-pipe', 'dripping')).toBe('Look at the discharge pipe: dripping (a passing seat drips nearly all the time).');
});

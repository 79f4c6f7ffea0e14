import { diagnose } from './diagnose';

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

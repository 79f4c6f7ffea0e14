import { ruleOfThumb } from './ruleOfThumb';

interface Told {
  bar: number[];
  minutes?: number;
  flowC?: number[];
  heatOnMin?: number;
  heatOffMin?: number;
  circuit?: object;
  findings?: object[];
}
/** A wall boiler of 95 L with a vessel of 8 L, read every five minutes. */
const of = ({ bar, minutes = 5, flowC, heatOnMin, heatOffMin, circuit, findings = [] }: Told) =>
  ruleOfThumb({
    circuit: {
      waterVolumeL: 95,
      staticHeadM: 4,
      maxFlowC: 70,
      gauge: { kind: 'dial', resolutionBar: 0.1 },
      reliefValve: { setBar: 3 },
      fill: { kind: 'manual-loop' },
      domesticHotWater: { kind: 'plate-exchanger' },
      vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
      ...circuit,
    },
    findings,
    logs: [
      {
        samples: { tS: bar.map((_, i) => 60 * minutes * i), pressureBar: bar, ...(flowC ? { flowC } : {}) },
        events: [
          ...(heatOnMin === undefined ? [] : [{ tS: 60 * heatOnMin, kind: 'heat-on' }]),
          ...(heatOffMin === undefined ? [] : [{ tS: 60 * heatOffMin, kind: 'heat-off' }]),
        ],
      },
    ],
  });
const FLOW = [17, 17, 40, 55, 65, 68],
  FEED = { fill: { kind: 'reducing-valve', setBar: 0.97 }, reliefValve: { setBar: 2.07 }, domesticHotWater: { kind: 'indirect-coil' } },
  UNIT = { fill: { kind: 'pressurisation-unit', cutInBar: 1.2, cutOutBar: 1.6 } };

describe('the rule of thumb reads a log as a technician does', () => {
  it('a swing against what this circuit should do', () => {
    const heat = { heatOnMin: 5, flowC: FLOW };
    expect(of({ ...heat, bar: [1.1, 1.1, 1.2, 1.3, 1.4, 1.5] })).toEqual(['none']);
    expect(of({ ...heat, bar: [1, 1, 1.4, 2, 2.6, 2.9] })).toEqual(['vessel-undercharged']);
    // A vessel that is small for its content swings so by right.
    expect(of({ ...heat, bar: [1, 1, 1.2, 1.5, 1.9, 2.1], circuit: { waterVolumeL: 190 } })).not.toContain('vessel-undercharged');
    expect(of({ heatOnMin: 5, flowC: [17, 17, 33, 50, 62, 68], bar: [1.1, 1.1, 1.9, 2, 2.1, 2.1] })).toEqual(['vessel-overcharged']);
  });
  it('a creep and a fall with no heat', () => {
    expect(of({ bar: [1, 1.1, 1.2, 1.3, 1.4] })).toEqual(['dhw-plate-perforated']);
    expect(of({ bar: [1, 1.1, 1.2, 1.3, 1.4], circuit: FEED })).toEqual(['reducing-valve-creeping']);
    expect(of({ bar: [1.3, 1.5, 1.9, 2.3, 2.7], circuit: UNIT })).toEqual(['fill-bypass-open']);
    expect(of({ bar: [1.4, 1.3, 1.2, 1.1, 1] })).toEqual(['circuit-leak']);
  });
  it('where it stands, by what fills it', () => {
    expect(of({ bar: [2, 2, 2] })).toEqual(['fill-pressure-too-high']);
    expect(of({ bar: [0.4, 0.4, 0.4] })).toEqual(['fill-pressure-too-low']);
    expect(of({ bar: [1.4, 1.4, 1.4], circuit: FEED })).toEqual(['reducing-valve-set-high']);
    expect(of({ bar: [0.5, 0.5, 0.5], circuit: FEED })).toEqual(['feed-starved']);
    expect(of({ bar: [0.7, 0.7, 0.7], circuit: UNIT })).toEqual(['pressurisation-unit-fault']);
  });
  it('what fell at once while hot, what eased, and what ended lower', () => {
    const heat = { heatOnMin: 5, flowC: [...FLOW, 68, 68] };
    expect(of({ ...heat, bar: [1.1, 1.1, 1.4, 1.6, 1.3, 1.3, 1.3, 1.3] })).toEqual(['relief-valve-lifts-early']);
    expect(of({ ...heat, bar: [1.1, 1.1, 1.2, 1.4, 1.5, 1.4, 1.3, 1.2] })).toEqual(['circuit-leak']);
    expect(
      of({ heatOnMin: 5, heatOffMin: 20, flowC: [17, 17, 50, 65, 50, 35, 24, 19], bar: [1.1, 1.1, 1.3, 1.5, 1.3, 1.1, 0.9, 0.8] }),
    ).toEqual(['circuit-leak']);
  });
  it('a gauge that does not move, and a boiler far above its limit', () => {
    expect(of({ heatOnMin: 5, flowC: FLOW, bar: [1.1, 1.1, 1.1, 1.1, 1.1, 1.1] })).toEqual(['gauge-misreading']);
    expect(of({ heatOnMin: 5, flowC: [17, 17, 45, 65, 80, 88], bar: [1.1, 1.1, 1.3, 1.5, 1.6, 1.8] })).toEqual(['boiler-overheating']);
  });
});

describe('and what findings name', () => {
  const swing = { heatOnMin: 5, flowC: FLOW, bar: [1, 1, 1.4, 2, 2.6, 2.9] },
    creep = { bar: [1, 1.1, 1.2, 1.3, 1.4] };
  it.each([
    [swing, { test: 'gas-valve-press', outcome: 'water' }, ['vessel-diaphragm-failed']],
    [swing, { test: 'vessel-valve-position', outcome: 'closed' }, ['vessel-isolated']],
    [swing, { test: 'vessel-connection-flow', outcome: 'blocked' }, ['vessel-connection-blocked']],
    [swing, { test: 'precharge', valueBar: 0.75, circuitBar: 0, drainOpen: true }, ['vessel-connection-blocked']],
    [swing, { test: 'discharge-pipe', outcome: 'running' }, ['relief-valve-passing', 'vessel-undercharged']],
    [creep, { test: 'fill-disconnected-watch', startBar: 1, endBar: 1, minutes: 20 }, ['fill-loop-passing']],
    [creep, { test: 'fill-disconnected-watch', startBar: 1, endBar: 1.2, minutes: 20 }, ['dhw-plate-perforated']],
    [creep, { test: 'fill-outlet-drip', outcome: 'drips' }, ['fill-loop-passing']],
  ])('%j with %j', (told, finding, faults) => expect(of({ ...told, findings: [finding] })).toEqual(faults));
  it('a draw-off gives the charge by Boyle: half a litre of a vessel of 8 L', () => {
    // From 1.5 bar absolute 2.5: with a charge of 0.75 the gas is 14 bar L, and half a litre takes it to 2.294 absolute.
    const drawn = (afterBar: number) => of({ bar: [1.1, 1.1], findings: [{ test: 'draw-off', volumeL: 0.5, beforeBar: 1.5, afterBar }] });
    expect(drawn(1.3)).toEqual(['none']);
    expect(drawn(1.1)).toEqual(['vessel-undercharged']);
  });
  it('names two faults at the most, and none where nothing speaks', () => {
    const many = [
      { test: 'gas-valve-bubbles', outcome: 'bubbles' },
      { test: 'bleed-radiators', outcome: 'much-air' },
      { test: 'condensate-when-off', outcome: 'drips' },
    ];
    expect(of({ bar: [1.1, 1.1], findings: many })).toHaveLength(2);
    expect(of({ bar: [1.1, 1.1] })).toEqual(['none']);
  });
});

import type { Finding } from '@jumper/core';
import { METRIC, type Units } from '../units/units';
import { findingText } from './findingText';

const US: Units = { pressure: 'psi', temperature: '°F', volume: 'US gal', length: 'ft', power: 'BTU/h' };

it.each<[Finding, string]>([
  [{ test: 'gas-valve-press', outcome: 'water' }, 'Press the air valve (Schrader): water'],
  [{ test: 'discharge-pipe', outcome: 'dripping', water: 'cold' }, 'Look at the discharge pipe: dripping, cold water'],
  [{ test: 'pump-up-hold', outcome: 'would-not-rise' }, 'Pump up and watch: would not rise'],
  [
    { test: 'fill-disconnected-watch', startBar: 1.1, endBar: 1.35, minutes: 20 },
    'Fill loop off: is the valve passing? 1.1 bar to 1.35 bar in 20 min',
  ],
  [{ test: 'second-gauge', firstGaugeBar: 1.6, valueBar: 1 }, 'Second gauge on the circuit: 1.6 bar, 1.0 bar on the second'],
  [{ test: 'draw-off', volumeL: 0.5, beforeBar: 1.5, afterBar: 1.3 }, 'Draw off a measured volume, cold: 0.5 L, 1.5 bar to 1.3 bar'],
  [{ test: 'discharge-catch', volumeMl: 120, minutes: 15, during: 'cold' }, 'Catch the discharge in a jug: 120 mL in 15 min, cold'],
  [{ test: 'boiler-isolated-hold', boilerStartBar: 1.5, boilerEndBar: 0.7, minutes: 120 }, 'boiler side 1.5 bar to 0.7 bar in 120 min'],
  [
    { test: 'boiler-isolated-hold', boilerStartBar: 1.5, boilerEndBar: 1.5, circuitStartBar: 1.5, circuitEndBar: 0.9, minutes: 600 },
    'boiler side 1.5 bar to 1.5 bar, circuit side 1.5 bar to 0.9 bar in 600 min',
  ],
  [{ test: 'top-ups-per-month', count: 0 }, 'Top-ups a month: 0'],
  [{ test: 'relief-marking', markedBar: 2.5 }, ': 2.5 bar'],
  [{ test: 'idle-cold-pressure', valueBar: 2.3, idleHours: 10 }, ': 2.3 bar, after 10 h'],
  [{ test: 'precharge', valueBar: 1, circuitBar: 1, drainOpen: false }, ': 1.0 bar, with 1.0 bar of water behind it'],
  [{ test: 'precharge', valueBar: 0.65, circuitBar: 0, drainOpen: true }, 'Precharge with the water side empty: 0.65 bar'],
  [{ test: 'heat-run-after', coldBar: 1.1, hotBar: 1.6, hotC: 68 }, ': 1.1 bar to 1.6 bar, at 68 °C'],
  [
    { test: 'zone-pipe-temperatures', zone: '2', supplyC: 52, returnC: 40, calling: false },
    'Zone pipe temperatures: zone 2, 52 °C supply, 40 °C return, not calling',
  ],
  [{ test: 'zone-valve-moves', zone: 'Upstairs', outcome: 'stuck' }, ': Upstairs, stuck'],
  [{ test: 'flow-return', flowC: 80, returnC: 30, minutesFiring: 4 }, ': 80 °C flow, 30 °C return, after 4 min of firing'],
  [{ test: 'pressure-control-cut-out', cutOutBar: 0.6, setBar: 0.14 }, 'cut out 0.6 bar, set 0.14 bar'],
  [{ test: 'return-time', minutes: 12 }, ': 12 min'],
  [{ test: 'mixed-supply', setC: 46, valueC: 35 }, ': 35 °C measured, 46 °C set'],
])('%j is told whole', (finding, text) => expect(findingText(finding, METRIC)).toContain(text));

it('speaks the user’s units', () =>
  expect(findingText({ test: 'draw-off', volumeL: 1, beforeBar: 1.5, afterBar: 1.3 }, US)).toContain('0.26 US gal, 21.8 psi to 18.9 psi'));

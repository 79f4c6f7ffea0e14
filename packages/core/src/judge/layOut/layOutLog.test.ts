import { resolveCircuit } from '../../circuit/resolveCircuit';
import { SMALL_HOME } from '../test/homes';
import { layOutLog } from './layOutLog';

const meanOf = (tS: number[], pressureBar: number[]) =>
  layOutLog({ source: 'hand', samples: { tS, pressureBar, flowC: tS.map(() => 18) } }, resolveCircuit(SMALL_HOME))!.meanGaugeBar;

it('means the pressure over the time that it stood, however often it was read', () => {
  // Read by the minute while it was looked at, then once an hour later: it fell evenly to half.
  const often = [0, 60, 120, 180, 240];
  expect(Math.abs(meanOf([...often, 3840], [...often.map(() => 2), 1]) - (240 * 2 + 3600 * 1.5) / 3840)).toBeLessThan(0.02);
  expect(Math.abs(meanOf([0, 1800, 3600], [1.2, 1.2, 1.2]) - 1.2)).toBeLessThan(1e-9);
});

import { atmosphericBar, staticHeadBar } from '../circuit/atmosphere';
import { pumpShiftBar, type PumpPosition } from '../circuit/pumpShift';
import { leastFillGaugeBar } from '../circuit/resolveCircuit';
import { RELIEF_LIFE_YEARS, reliefBand } from '../components/reliefBand';
import { highestTemperatureC } from '../size/chargeOutcome';
import { bucketL } from '../vessel/bucket';
import { chargeFromDrawOff } from '../vessel/chargeFromDrawOff';
import { pumpUp } from '../vessel/pumpUp';
import type { Calculator } from './Calculator';
import { choice, circuit, main, number, outcome, result, CHARGE, COLD, CONTENT, FILL, RELIEF, STRETCH, VESSEL } from './inputs';

export const PRESSURE = {
  swing: {
    title: 'Expected swing',
    group: 'Pressure',
    use: 'What a charge and a fill come to when it is hot: swing, reserve, margin to the relief.',
    inputs: [CHARGE, ...circuit, STRETCH],
    compute: (n) => {
      const o = outcome(n);
      return [
        main('hotGaugeBar', 'Hot', 'pressure', o.hotGaugeBar),
        result('swingBar', 'Swing', 'pressure-difference', o.swingBar),
        result(
          'marginToReliefBar',
          'Left to the relief',
          'pressure-difference',
          o.marginToReliefBar,
          o.marginToReliefBar < 0 ? 'it would lift' : undefined,
        ),
        result('reserveL', 'Reserve in the vessel, cold', 'volume', o.reserveL),
      ];
    },
    formula:
      'Balance of vessel water Vn·(1 − P0/P), stretch s·p and the expansion, solved for P; all the circuit’s water at the hot temperature',
    source: 'Boyle’s law; IAPWS-IF97',
    curve: { over: 'prechargeGaugeBar', of: 'swingBar' },
  },
  fill: {
    title: 'Fill and static head',
    group: 'Pressure',
    use: 'What the gauge must show for water to stand at the top.',
    inputs: [
      number('heightM', 'Highest water above the gauge', 'length', 4.5, 0, 100),
      CHARGE,
      number('altitudeM', 'Site above the sea', 'length', 0, -100, 4500),
    ],
    compute: (n) => {
      const head = staticHeadBar(n.heightM!);
      return [
        main('fillBar', 'Fill, cold', 'pressure', leastFillGaugeBar(n.prechargeGaugeBar!, head)),
        result('headBar', 'Static head', 'pressure', head),
        result('atm', 'Atmosphere there, absolute', 'pressure', atmosphericBar(n.altitudeM!)),
      ];
    },
    formula: '0.0981 bar a metre (0.433 psi a foot); fill = charge + 0.3, not below head + 0.5',
    source: 'Hydrostatics; EN 12828 for the fill (from memory); ISA for the atmosphere',
  },
  heights: {
    title: 'Gauge, vessel and top at their heights',
    group: 'Pressure',
    use: 'What stands at each level, and what charge a vessel needs that hangs above or below the gauge.',
    inputs: [
      FILL,
      number('topM', 'Highest water above the gauge', 'length', 8, 0, 100),
      number('vesselM', 'Vessel above the gauge', 'length', 5, -60, 100, 'below: negative'),
      number('altitudeM', 'Site above the sea', 'length', 0, -100, 4500),
    ],
    compute: (n) => {
      const atTop = n.fillGaugeBar! - staticHeadBar(n.topM!),
        needs = Math.max(0, staticHeadBar(n.topM! - n.vesselM!)) + 0.25;
      return [
        main('charge', 'Charge of that vessel', 'pressure', needs),
        result('atVessel', 'At the vessel, cold', 'pressure', n.fillGaugeBar! - staticHeadBar(n.vesselM!)),
        result(
          'atTop',
          'At the top, cold',
          'pressure',
          atTop,
          atTop < 0.2 ? 'too little: air would be drawn in there; 0.2 bar is usual' : undefined,
        ),
        result(
          'fill',
          'Fill at the gauge, at least',
          'pressure',
          leastFillGaugeBar(needs + staticHeadBar(n.vesselM!), staticHeadBar(n.topM!)),
        ),
        result('atm', 'Atmosphere there, absolute', 'pressure', atmosphericBar(n.altitudeM!)),
      ];
    },
    formula: 'Gauge − 0.0981 bar a metre; charge = head above the vessel + 0.25; fill = charge + head up to the vessel + 0.3',
    source: 'Hydrostatics; margins: common practice',
  },
  pumpShift: {
    title: 'What the pump does to the gauge',
    group: 'Pressure',
    use: 'Why the gauge at the boiler jumps or drops when the pump starts.',
    inputs: [
      choice('position', 'The pump pushes', 'away-from-vessel', {
        'away-from-vessel': 'away from the vessel',
        'towards-vessel': 'towards the vessel',
      }),
      number('headBar', 'Head of the pump', 'pressure-difference', 0.3, 0, 5),
      number('shareToGauge', 'Friction from vessel to gauge', 'percent', 30, 0, 100, 'share of the loop’s, along the flow'),
      FILL,
    ],
    compute: (n, c) => {
      const shift = pumpShiftBar({
        position: c.position as PumpPosition,
        headBar: n.headBar!,
        frictionShareToGauge: n.shareToGauge! / 100,
      });
      const runs = n.fillGaugeBar! + shift;
      return [
        main(
          'runs',
          'Gauge with the pump running',
          'pressure',
          runs,
          runs < 0.3 ? 'low enough to draw air, or to stop the boiler' : undefined,
        ),
        result('shift', shift < 0 ? 'It drops by' : 'It rises by', 'pressure-difference', Math.abs(shift)),
      ];
    },
    formula: 'The vessel’s connection stands still; the gauge = fill + head between them − friction between them',
    source: 'Hydronics: point of no pressure change',
    curve: { over: 'shareToGauge', of: 'runs' },
  },
  drawOff: {
    title: 'Charge from a draw-off',
    group: 'Pressure',
    use: 'The vessel’s charge with nothing drained down: take out a measured volume, cold.',
    inputs: [
      number('drawnL', 'Taken out', 'small-volume', 0.5, 0.02, 100),
      number('beforeGaugeBar', 'Gauge before', 'pressure', 1.5, 0.1, 10),
      number('afterGaugeBar', 'Gauge after', 'pressure', 1.2, 0, 10),
      VESSEL,
      STRETCH,
    ],
    compute: (n) => {
      const charge = chargeFromDrawOff(n as never);
      const empty = charge > n.afterGaugeBar!;
      return [
        main(
          'charge',
          'Charge',
          'pressure',
          charge,
          empty ? 'above the gauge after: the vessel was empty before the end, and the charge is at least that of the gauge' : undefined,
        ),
      ];
    },
    formula: 'P0·Vn = (ΔV − s·Δp)/(1/P2 − 1/P1), absolute pressures',
    source: 'Boyle’s law at constant temperature',
    curve: { over: 'afterGaugeBar', of: 'charge' },
  },
  bucket: {
    title: 'Water in the bucket',
    group: 'Pressure',
    use: 'What should come out when the boiler is shut off and drained; much less means little gas.',
    inputs: [
      VESSEL,
      CHARGE,
      number('systemGaugeBar', 'Gauge before draining', 'pressure', 1.5, 0, 10),
      number('boilerWaterL', 'The boiler’s own water', 'volume', 2.5, 0, 200),
    ],
    compute: (n) => {
      const b = bucketL(n as never);
      return [main('total', 'In the bucket', 'volume', b.totalL), result('vessel', 'Of it from the vessel', 'volume', b.fromVesselL)];
    },
    formula: 'Vn·(1 − P0/P) + boiler water + stretch',
    source: 'Boyle’s law',
    curve: { over: 'prechargeGaugeBar', of: 'total' },
  },
  pumpUp: {
    title: 'Strokes to pump up',
    group: 'Pressure',
    use: 'How long the hand pump takes, with the drain open.',
    inputs: [
      VESSEL,
      number('fromGaugeBar', 'From', 'pressure', 0, -0.9, 8),
      number('toGaugeBar', 'To', 'pressure', 0.75, 0, 8),
      number('strokeL', 'A stroke of the pump', 'small-volume', 0.25, 0.02, 5),
    ],
    compute: (n) => {
      const p = pumpUp(n as never);
      return [main('strokes', 'Strokes', 'count', Math.ceil(p.strokes)), result('minutes', 'At forty a minute', 'minutes', p.minutes)];
    },
    formula: 'Vn·Δp/(atmosphere · stroke · 0.8)',
    source: 'Boyle’s law; filling of the stroke: common practice',
  },
  relief: {
    title: 'Relief valve',
    group: 'Pressure',
    use: 'Between which pressures it opens and shuts again, and when it is due.',
    inputs: [RELIEF, number('ageYears', 'Age', 'years', 8, 0, 60)],
    compute: (n) => {
      const b = reliefBand(n.reliefSetGaugeBar!);
      return [
        main('opensFrom', 'Opens from', 'pressure', b.opensFromGaugeBar),
        result('opensTo', 'Opens by', 'pressure', b.opensToGaugeBar),
        result('full', 'Full lift by', 'pressure', b.fullLiftGaugeBar),
        result('reseatTo', 'Shuts from', 'pressure', b.reseatsToGaugeBar),
        result('reseatFrom', 'Shuts by', 'pressure', b.reseatsFromGaugeBar),
        result(
          'due',
          'Years left',
          'years',
          Math.max(0, RELIEF_LIFE_YEARS - n.ageYears!),
          n.ageYears! >= RELIEF_LIFE_YEARS ? 'past the ten years that are usual' : undefined,
        ),
      ];
    },
    formula: 'Set ± the larger of 3 % and 0.15 bar; full lift + 10 %; reseat 10 to 20 % lower',
    source: 'EN ISO 4126 (from memory); life: common practice',
  },
  stopGap: {
    title: 'Highest temperature until the vessel comes',
    group: 'Pressure',
    use: 'How hot it may run meanwhile without reaching the relief.',
    inputs: [
      CHARGE,
      CONTENT,
      VESSEL,
      FILL,
      COLD,
      RELIEF,
      STRETCH,
      number('marginBar', 'To keep from the relief', 'pressure-difference', 0.3, 0, 3),
    ],
    compute: (n) => {
      const t = highestTemperatureC(n as never, n.marginBar);
      return [
        t === null
          ? main('none', 'Even cold it is too near the relief; margin now', 'pressure-difference', n.reliefSetGaugeBar! - n.fillGaugeBar!)
          : main(
              'meanC',
              'Mean water temperature, at most',
              'temperature',
              t,
              t >= 110 ? 'no limit from the pressure' : 'the flow may be about 5 K above it',
            ),
      ];
    },
    formula: 'The temperature at which the hot pressure comes to the relief less the margin',
    source: 'As for the swing',
  },
} satisfies Record<string, Calculator>;

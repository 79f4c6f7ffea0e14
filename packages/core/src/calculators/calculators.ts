import { atmosphericBar, staticHeadBar } from '../circuit/atmosphere';
import { balancedGaugeBar, heldL, vesselHeldL, type VesselOnCircuit } from '../circuit/balance';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { pumpShiftBar, type PumpPosition } from '../circuit/pumpShift';
import { leastFillGaugeBar, resolveCircuit } from '../circuit/resolveCircuit';
import { contentFromDoseL, EMITTER_L_PER_KW, emitterContentL, PIPE_BORES_MM, pipeContentL, type EmitterKind, type PipeSize } from '../circuit/contentOf';
import { flowForHeatLPerH, heatOfFlowKw, hotShareOfBlend, radiatorOutputKw } from '../circulation/heatFlow';
import { pipeFriction } from '../circulation/pipeFriction';
import { excessAirFactor, gasInputKw } from '../combustion/gasRate';
import { RELIEF_LIFE_YEARS, reliefBand } from '../components/reliefBand';
import { chargeBySchool } from '../size/chargeSchools';
import { chargeOutcome, highestTemperatureC } from '../size/chargeOutcome';
import { airCushionTankUsL, diaphragmTankUsL, expansionOfContentL, finalDesignGaugeBar, leastVesselEn12828L, vesselPerLitreOfContent } from '../size/vesselSize';
import { cycleMinutes, edrOfKw, evaporationHeatKjPerKg, gravityReturnHeightM, steamForHeatKgPerH } from '../steam/steamLoad';
import { bucketL } from '../vessel/bucket';
import { chargeFromDrawOff } from '../vessel/chargeFromDrawOff';
import { complianceLPerBar, leakFromFallLPerH, leakFromTopUpsLPerDay } from '../vessel/compliance';
import { pumpUp } from '../vessel/pumpUp';
import { mixtureNetGrowth, type Glycol } from '../water/antifreeze';
import { netGrowth } from '../water/netGrowth';
import { rustFromMakeUp } from '../water/oxygen';
import { saturationTemperatureC } from '../water/saturation';
import type { Calculator, CalculatorInput, ChoiceInput, Note, NumberInput, Quantity, Result } from './Calculator';

const number = (id: string, label: string, quantity: Quantity, value: number, least: number, most: number, hint?: string): NumberInput => ({ id, label, quantity, value, least, most, ...(hint ? { hint } : {}) });
const choice = (id: string, label: string, value: string, options: Record<string, string>): ChoiceInput => ({ id, label, value, options: Object.entries(options).map(([v, l]) => ({ value: v, label: l })) });
const result = (id: string, label: string, quantity: Quantity, value: number, note?: string | Note): Result => ({ id, label, quantity, value, ...(note ? { note: typeof note === 'string' ? [note] : note } : {}) });
const main = (id: string, label: string, quantity: Quantity, value: number, note?: string | Note): Result => ({ ...result(id, label, quantity, value, note), main: true });

const CONTENT = number('contentL', 'Content', 'volume', 95, 1, 100_000);
const VESSEL = number('nominalVolumeL', 'Vessel', 'volume', 8, 1, 10_000);
const CHARGE = number('prechargeGaugeBar', 'Charge of the vessel', 'pressure', 0.75, -0.9, 8);
const FILL = number('fillGaugeBar', 'Fill, cold', 'pressure', 1.05, 0, 10);
const COLD = number('coldC', 'Cold', 'temperature', 15, 1, 60);
const HOT = number('hotC', 'Mean, hot', 'temperature', 65, 2, 120, 'Flow less half the drop');
const RELIEF = number('reliefSetGaugeBar', 'Relief opens at', 'pressure', 3, 0.5, 20);
const STRETCH = number('stretchLPerBar', 'Stretch of pipes and radiators', 'litres-per-bar', 0.03, 0.001, 10, '0.01 to 0.08 in a home');
const circuit: CalculatorInput[] = [CONTENT, VESSEL, FILL, COLD, HOT, RELIEF];
const outcome = (n: Record<string, number>) => chargeOutcome(n as never);

/** Every calculator. A new one is a function in its own folder and an entry here. */
export const CALCULATORS = {
  expansion: {
    title: 'Water that comes by heating', group: 'Water and vessel', use: 'How much the vessel has to take.',
    inputs: [CONTENT, COLD, HOT, choice('fluid', 'Filled with', 'water', { water: 'Water', propylene: 'Propylene glycol', ethylene: 'Ethylene glycol' }), number('massPercent', 'Glycol, by mass', 'percent', 0, 0, 60)],
    compute: (n, c) => {
      const growth = c.fluid === 'water' || n.massPercent === 0 ? netGrowth({ fromC: n.coldC!, toC: n.hotC! }) : mixtureNetGrowth({ glycol: c.fluid as Glycol, massPercent: n.massPercent!, fromC: n.coldC!, toC: n.hotC! });
      return [main('expansionL', 'Net expansion', 'volume', n.contentL! * growth), result('growth', 'Of the content', 'percent', 100 * growth)];
    },
    formula: 'V · (1 − ρ₂/ρ₁ · (1 + 3α ΔT)), counted at the cold density; α 15·10⁻⁶ for pipes of steel and copper mixed', source: 'Densities: IAPWS-IF97; glycol: Conde 2011', curve: { over: 'hotC', of: 'expansionL' },
  },
  swing: {
    title: 'Expected swing', group: 'Pressure', use: 'What a charge and a fill come to when it is hot: swing, reserve, margin to the relief.',
    inputs: [CHARGE, ...circuit, STRETCH],
    compute: (n) => { const o = outcome(n); return [main('hotGaugeBar', 'Hot', 'pressure', o.hotGaugeBar), result('swingBar', 'Swing', 'pressure-difference', o.swingBar), result('marginToReliefBar', 'Left to the relief', 'pressure-difference', o.marginToReliefBar, o.marginToReliefBar < 0 ? 'it would lift' : undefined), result('reserveL', 'Reserve in the vessel, cold', 'volume', o.reserveL)]; },
    formula: 'Balance of vessel water Vn·(1 − P0/P), stretch s·p and the expansion, solved for P; all the circuit’s water at the hot temperature', source: 'Boyle’s law; IAPWS-IF97', curve: { over: 'prechargeGaugeBar', of: 'swingBar' },
  },
  schools: {
    title: 'Charge by each school', group: 'Water and vessel', use: 'Practitioners differ on the charge: what each would set, and what it leads to.',
    inputs: [number('heightM', 'Highest water above the vessel', 'length', 4.5, 0, 60), number('labelBar', 'On the label', 'pressure', 0.75, 0, 8), ...circuit],
    compute: (n) => {
      const head = staticHeadBar(n.heightM!);
      const sheet: CircuitSheet = { kind: 'sealed-hot-water', staticHeadM: n.heightM!, vessel: { labelPrechargeBar: n.labelBar! } };
      const by = chargeBySchool(sheet);
      const schools: [string, string, number][] = [['label', 'By the label', n.labelBar!], ['head', 'Static head + 0.25 bar', head + 0.25], ['floors', 'Half a bar a floor', by.perFloor!], ['one', 'Always 1 bar', by.oneBar]];
      const covers = resolveCircuit(sheet).prechargeFrom === 'label';
      return schools.map(([id, label, charge]) => {
        const fill = Math.max(n.fillGaugeBar!, leastFillGaugeBar(charge, head));
        const o = outcome({ ...n, prechargeGaugeBar: charge, fillGaugeBar: fill });
        const chosen = covers ? id === 'label' : id === 'head';
        const note: Note = ['fill ', { quantity: 'pressure', value: fill }, ', hot ', { quantity: 'pressure', value: o.hotGaugeBar }, ', reserve ', { quantity: 'volume', value: o.reserveL }, `${chosen ? '; the default here' : ''}${o.marginToReliefBar < 0.3 ? '; too near the relief' : ''}`];
        return { ...result(id, label, 'pressure', charge, note), ...(chosen ? { main: true } : {}) };
      });
    },
    formula: 'Default: the label if it covers the static head + 0.2 bar, else static head + 0.25; fill at least charge + 0.3 and head + 0.5', source: 'Common practice; fill by EN 12828 (from memory)', sheetField: { result: 'main', field: 'vessel.targetPrechargeBar' },
  },
  vesselSize: {
    title: 'Size of the vessel', group: 'Water and vessel', use: 'Whether the vessel is large enough, by three methods.',
    inputs: [CONTENT, number('coldC', 'Cold', 'temperature', 10, 1, 60), number('hotC', 'Highest', 'temperature', 80, 2, 120), CHARGE, FILL, RELIEF],
    compute: (n) => {
      const us = { contentL: n.contentL!, coldC: n.coldC!, hotC: n.hotC!, fillGaugeBar: n.fillGaugeBar!, hotGaugeBar: finalDesignGaugeBar(n.reliefSetGaugeBar!) };
      return [
        main('en12828', 'EN 12828', 'volume', leastVesselEn12828L({ contentL: n.contentL!, coldC: n.coldC!, hotC: n.hotC!, prechargeGaugeBar: n.prechargeGaugeBar!, reliefSetGaugeBar: n.reliefSetGaugeBar! })),
        result('diaphragm', 'US method, diaphragm', 'volume', diaphragmTankUsL(us)), result('cushion', 'US method, air cushion', 'volume', airCushionTankUsL(us)),
        ...(Math.abs(n.reliefSetGaugeBar! - 3) < 0.05 && n.prechargeGaugeBar! >= 0 && n.prechargeGaugeBar! <= 2 ? [result('table', 'Litres for each litre, relief 3 bar', 'volume', n.contentL! * vesselPerLitreOfContent(n.prechargeGaugeBar!))] : []),
        result('expansionL', 'Expansion', 'volume', expansionOfContentL(n.contentL!, n.coldC!, n.hotC!)),
      ];
    },
    formula: 'Vn = (Ve + Vwr)·(pe + 1)/(pe − p0), reserve 0.5 % of the content and at least 3 L (a fifth of the vessel up to 15 L), pe 0.5 bar below the relief', source: 'EN 12828; ASHRAE Handbook; BS 5449 table (all from memory)', curve: { over: 'prechargeGaugeBar', of: 'en12828' },
  },
  fill: {
    title: 'Fill and static head', group: 'Pressure', use: 'What the gauge must show for water to stand at the top.',
    inputs: [number('heightM', 'Highest water above the gauge', 'length', 4.5, 0, 100), CHARGE, number('altitudeM', 'Site above the sea', 'length', 0, -100, 4500)],
    compute: (n) => { const head = staticHeadBar(n.heightM!); return [main('fillBar', 'Fill, cold', 'pressure', leastFillGaugeBar(n.prechargeGaugeBar!, head)), result('headBar', 'Static head', 'pressure', head), result('atm', 'Atmosphere there, absolute', 'pressure', atmosphericBar(n.altitudeM!))]; },
    formula: '0.0981 bar a metre (0.433 psi a foot); fill = charge + 0.3, not below head + 0.5', source: 'Hydrostatics; EN 12828 for the fill (from memory); ISA for the atmosphere',
  },
  heights: {
    title: 'Gauge, vessel and top at their heights', group: 'Pressure', use: 'What stands at each level, and what charge a vessel needs that hangs above or below the gauge.',
    inputs: [FILL, number('topM', 'Highest water above the gauge', 'length', 8, 0, 100), number('vesselM', 'Vessel above the gauge', 'length', 5, -60, 100, 'below: negative'), number('altitudeM', 'Site above the sea', 'length', 0, -100, 4500)],
    compute: (n) => {
      const atTop = n.fillGaugeBar! - staticHeadBar(n.topM!), needs = Math.max(0, staticHeadBar(n.topM! - n.vesselM!)) + 0.25;
      return [main('charge', 'Charge of that vessel', 'pressure', needs), result('atVessel', 'At the vessel, cold', 'pressure', n.fillGaugeBar! - staticHeadBar(n.vesselM!)), result('atTop', 'At the top, cold', 'pressure', atTop, atTop < 0.2 ? 'too little: air would be drawn in there; 0.2 bar is usual' : undefined),
        result('fill', 'Fill at the gauge, at least', 'pressure', leastFillGaugeBar(needs + staticHeadBar(n.vesselM!), staticHeadBar(n.topM!))), result('atm', 'Atmosphere there, absolute', 'pressure', atmosphericBar(n.altitudeM!))];
    },
    formula: 'Gauge − 0.0981 bar a metre; charge = head above the vessel + 0.25; fill = charge + head up to the vessel + 0.3', source: 'Hydrostatics; margins: common practice',
  },
  twoVessels: {
    title: 'Two vessels on one circuit', group: 'Water and vessel', use: 'What a second vessel brings, and how the two share the water when their charges differ.',
    inputs: [VESSEL, CHARGE, { ...VESSEL, id: 'secondL', label: 'Second vessel' }, { ...CHARGE, id: 'secondChargeBar', label: 'Its charge' }, number('secondM', 'It hangs above the first', 'length', 0, -60, 60), CONTENT, FILL, COLD, HOT, STRETCH],
    compute: (n) => {
      const vessels: VesselOnCircuit[] = [{ nominalVolumeL: n.nominalVolumeL!, prechargeGaugeBar: n.prechargeGaugeBar! }, { nominalVolumeL: n.secondL!, prechargeGaugeBar: n.secondChargeBar!, heightAboveGaugeM: n.secondM! }];
      const hotWith = (which: VesselOnCircuit[]) => { const b = { vessels: which, stretchLPerBar: n.stretchLPerBar! }; return balancedGaugeBar(b, heldL(b, n.fillGaugeBar!) + n.contentL! * netGrowth({ fromC: n.coldC!, toC: n.hotC! })); };
      const hot = hotWith(vessels);
      const takes = (v: VesselOnCircuit) => vesselHeldL(v, hot) - vesselHeldL(v, n.fillGaugeBar!);
      return [main('hot', 'Hot with both', 'pressure', hot), result('alone', 'Hot with the first alone', 'pressure', hotWith(vessels.slice(0, 1))), result('first', 'Taken by the first', 'volume', takes(vessels[0]!)), result('second', 'Taken by the second', 'volume', takes(vessels[1]!), takes(vessels[1]!) < 0.05 ? 'it takes no part: its charge is above the pressure there' : undefined)];
    },
    formula: 'Σ Vn·(1 − P0/P) + s·p + expansion in balance, each vessel at the pressure of its own height', source: 'Boyle’s law; hydrostatics', curve: { over: 'secondChargeBar', of: 'hot' },
  },
  pumpShift: {
    title: 'What the pump does to the gauge', group: 'Pressure', use: 'Why the gauge at the boiler jumps or drops when the pump starts.',
    inputs: [choice('position', 'The pump pushes', 'away-from-vessel', { 'away-from-vessel': 'away from the vessel', 'towards-vessel': 'towards the vessel' }), number('headBar', 'Head of the pump', 'pressure-difference', 0.3, 0, 5), number('shareToGauge', 'Friction from vessel to gauge', 'percent', 30, 0, 100, 'share of the loop’s, along the flow'), FILL],
    compute: (n, c) => {
      const shift = pumpShiftBar({ position: c.position as PumpPosition, headBar: n.headBar!, frictionShareToGauge: n.shareToGauge! / 100 });
      const runs = n.fillGaugeBar! + shift;
      return [main('runs', 'Gauge with the pump running', 'pressure', runs, runs < 0.3 ? 'low enough to draw air, or to stop the boiler' : undefined), result('shift', shift < 0 ? 'It drops by' : 'It rises by', 'pressure-difference', Math.abs(shift))];
    },
    formula: 'The vessel’s connection stands still; the gauge = fill + head between them − friction between them', source: 'Hydronics: point of no pressure change', curve: { over: 'shareToGauge', of: 'runs' },
  },
  drawOff: {
    title: 'Charge from a draw-off', group: 'Pressure', use: 'The vessel’s charge with nothing drained down: take out a measured volume, cold.',
    inputs: [number('drawnL', 'Taken out', 'small-volume', 0.5, 0.02, 100), number('beforeGaugeBar', 'Gauge before', 'pressure', 1.5, 0.1, 10), number('afterGaugeBar', 'Gauge after', 'pressure', 1.2, 0, 10), VESSEL, STRETCH],
    compute: (n) => { const charge = chargeFromDrawOff(n as never); const empty = charge > n.afterGaugeBar!; return [main('charge', 'Charge', 'pressure', charge, empty ? 'above the gauge after: the vessel was empty before the end, and the charge is at least that of the gauge' : undefined)]; },
    formula: 'P0·Vn = (ΔV − s·Δp)/(1/P2 − 1/P1), absolute pressures', source: 'Boyle’s law at constant temperature', curve: { over: 'afterGaugeBar', of: 'charge' },
  },
  bucket: {
    title: 'Water in the bucket', group: 'Pressure', use: 'What should come out when the boiler is shut off and drained; much less means little gas.',
    inputs: [VESSEL, CHARGE, number('systemGaugeBar', 'Gauge before draining', 'pressure', 1.5, 0, 10), number('boilerWaterL', 'The boiler’s own water', 'volume', 2.5, 0, 200)],
    compute: (n) => { const b = bucketL(n as never); return [main('total', 'In the bucket', 'volume', b.totalL), result('vessel', 'Of it from the vessel', 'volume', b.fromVesselL)]; },
    formula: 'Vn·(1 − P0/P) + boiler water + stretch', source: 'Boyle’s law', curve: { over: 'prechargeGaugeBar', of: 'total' },
  },
  pumpUp: {
    title: 'Strokes to pump up', group: 'Pressure', use: 'How long the hand pump takes, with the drain open.',
    inputs: [VESSEL, number('fromGaugeBar', 'From', 'pressure', 0, -0.9, 8), number('toGaugeBar', 'To', 'pressure', 0.75, 0, 8), number('strokeL', 'A stroke of the pump', 'small-volume', 0.25, 0.02, 5)],
    compute: (n) => { const p = pumpUp(n as never); return [main('strokes', 'Strokes', 'count', Math.ceil(p.strokes)), result('minutes', 'At forty a minute', 'minutes', p.minutes)]; },
    formula: 'Vn·Δp/(atmosphere · stroke · 0.8)', source: 'Boyle’s law; filling of the stroke: common practice',
  },
  relief: {
    title: 'Relief valve', group: 'Pressure', use: 'Between which pressures it opens and shuts again, and when it is due.',
    inputs: [RELIEF, number('ageYears', 'Age', 'years', 8, 0, 60)],
    compute: (n) => {
      const b = reliefBand(n.reliefSetGaugeBar!);
      return [main('opensFrom', 'Opens from', 'pressure', b.opensFromGaugeBar), result('opensTo', 'Opens by', 'pressure', b.opensToGaugeBar), result('full', 'Full lift by', 'pressure', b.fullLiftGaugeBar), result('reseatTo', 'Shuts from', 'pressure', b.reseatsToGaugeBar), result('reseatFrom', 'Shuts by', 'pressure', b.reseatsFromGaugeBar),
        result('due', 'Years left', 'years', Math.max(0, RELIEF_LIFE_YEARS - n.ageYears!), n.ageYears! >= RELIEF_LIFE_YEARS ? 'past the ten years that are usual' : undefined)];
    },
    formula: 'Set ± the larger of 3 % and 0.15 bar; full lift + 10 %; reseat 10 to 20 % lower', source: 'EN ISO 4126 (from memory); life: common practice',
  },
  stopGap: {
    title: 'Highest temperature until the vessel comes', group: 'Pressure', use: 'How hot it may run meanwhile without reaching the relief.',
    inputs: [CHARGE, CONTENT, VESSEL, FILL, COLD, RELIEF, STRETCH, number('marginBar', 'To keep from the relief', 'pressure-difference', 0.3, 0, 3)],
    compute: (n) => { const t = highestTemperatureC(n as never, n.marginBar); return [t === null ? main('none', 'Even cold it is too near the relief; margin now', 'pressure-difference', n.reliefSetGaugeBar! - n.fillGaugeBar!) : main('meanC', 'Mean water temperature, at most', 'temperature', t, t >= 110 ? 'no limit from the pressure' : 'the flow may be about 5 K above it')]; },
    formula: 'The temperature at which the hot pressure comes to the relief less the margin', source: 'As for the swing',
  },
  leakFromFall: {
    title: 'Leak from a falling gauge', group: 'Losses', use: 'Litres an hour from a fall at equal temperature.',
    inputs: [number('systemGaugeBar', 'Gauge at the start', 'pressure', 1.5, 0, 10), number('endGaugeBar', 'At the end', 'pressure', 1.3, 0, 10), number('hours', 'Time between', 'hours', 8, 0.05, 2000), VESSEL, CHARGE, STRETCH],
    compute: (n) => [main('leak', n.systemGaugeBar! >= n.endGaugeBar! ? 'Going out' : 'Coming in', 'flow', Math.abs(leakFromFallLPerH(n as never))), result('compliance', 'One bar is here', 'volume', complianceLPerBar({ ...(n as never as { nominalVolumeL: number; prechargeGaugeBar: number }), systemGaugeBar: (n.systemGaugeBar! + n.endGaugeBar!) / 2, stretchLPerBar: n.stretchLPerBar! }))],
    formula: '(P0·Vn/P² + s)·Δp/t', source: 'Boyle’s law',
  },
  leakFromTopUps: {
    title: 'Leak from top-ups', group: 'Losses', use: 'What so many top-ups a month lose.',
    inputs: [number('topUpsPerMonth', 'Topped up', 'per-month', 4, 0, 200), number('systemGaugeBar', 'From', 'pressure', 0.5, 0, 10), number('endGaugeBar', 'To', 'pressure', 1.3, 0, 10), VESSEL, CHARGE, STRETCH],
    compute: (n) => { const day = leakFromTopUpsLPerDay(n as never); const rust = rustFromMakeUp(day * 365); return [main('loss', 'Lost', 'loss', day), result('year', 'In a year', 'volume', day * 365), result('iron', 'Iron that its oxygen eats in a year', 'grams', rust.ironG)]; },
    formula: 'Water that one top-up brings (compliance · Δp) times how often', source: 'Boyle’s law; oxygen as for make-up',
  },
  makeUp: {
    title: 'Make-up water and rust', group: 'Losses', use: 'What fresh water does to iron.',
    inputs: [number('makeUpL', 'Make-up', 'volume', 100, 0, 1e6)],
    compute: (n) => { const r = rustFromMakeUp(n.makeUpL!); return [main('iron', 'Iron eaten', 'grams', r.ironG), result('oxygen', 'Oxygen let in', 'grams', r.oxygenG)]; },
    formula: '10 mg of oxygen a litre; 4 Fe + 3 O₂', source: 'Common practice; stoichiometry',
  },
  pipes: {
    title: 'Content of a pipe', group: 'Content', use: 'Litres in a run of pipe.',
    inputs: [choice('size', 'Pipe', 'copper 22', Object.fromEntries(Object.keys(PIPE_BORES_MM).map((k) => [k, k]))), number('lengthM', 'Length', 'length', 20, 0, 10_000)],
    compute: (n, c) => [main('content', 'Content', 'volume', pipeContentL(c.size as PipeSize, n.lengthM!)), result('bore', 'Bore', 'bore', PIPE_BORES_MM[c.size as PipeSize])],
    formula: 'π/4·d²·l', source: 'EN 1057, EN 10255, common PEX dimensions (from memory)',
  },
  emitters: {
    title: 'Content from the emitters', group: 'Content', use: 'A first estimate of the whole circuit.',
    inputs: [choice('kind', 'Emitters', 'panel radiators', Object.fromEntries(Object.keys(EMITTER_L_PER_KW).map((k) => [k, k]))), number('outputKw', 'Their output together', 'power', 9, 0, 5000)],
    compute: (n, c) => { const v = emitterContentL(c.kind as EmitterKind, n.outputKw!); return [main('content', 'Content', 'volume', v), result('low', 'At least', 'volume', 0.75 * v), result('high', 'At most', 'volume', 1.25 * v)]; },
    formula: 'Litres a kW at 75/65/20, ±25 %', source: 'Common practice', sheetField: { result: 'main', field: 'waterVolumeL' },
  },
  dose: {
    title: 'Content from a dose', group: 'Content', use: 'The measured content: put in a known dose, read its concentration once it has gone round.',
    inputs: [number('doseG', 'Dose', 'grams', 500, 0.1, 1e5), number('riseMgPerL', 'Rise', 'mg-per-litre', 5000, 0.5, 1e5)],
    compute: (n) => [main('content', 'Content', 'volume', contentFromDoseL(n.doseG!, n.riseMgPerL!))],
    formula: 'V = dose/rise', source: 'Mass balance', sheetField: { result: 'main', field: 'waterVolumeL', measured: true },
  },
  flow: {
    title: 'Flow for a heat', group: 'Flow and heat', use: 'Flow that carries a heat at a difference.',
    inputs: [number('heatKw', 'Heat', 'power', 12, 0, 5000), number('differenceK', 'Flow less return', 'temperature-difference', 10, 0.5, 80)],
    compute: (n) => [main('flow', 'Flow', 'flow', flowForHeatLPerH(n.heatKw!, n.differenceK!))],
    formula: 'Q/(ρ·c·ΔT); in US units BTU/h = 500 · gpm · ΔT°F', source: 'Handbooks (from memory)', curve: { over: 'differenceK', of: 'flow' },
  },
  heat: {
    title: 'Heat of a flow', group: 'Flow and heat', use: 'What a measured flow and difference carry.',
    inputs: [number('flowLPerH', 'Flow', 'flow', 1000, 0, 1e6), number('differenceK', 'Flow less return', 'temperature-difference', 10, 0, 80)],
    compute: (n) => [main('heat', 'Heat', 'power', heatOfFlowKw(n.flowLPerH!, n.differenceK!))],
    formula: 'ṁ·c·ΔT', source: 'Handbooks (from memory)',
  },
  blend: {
    title: 'Blending valve', group: 'Flow and heat', use: 'How far a blending valve stands open for a floor.',
    inputs: [number('hotC', 'Hot side', 'temperature', 70, 2, 120), number('coldC', 'Return side', 'temperature', 35, 1, 100), number('mixC', 'Wanted', 'temperature', 46, 1, 120)],
    compute: (n) => { const s = hotShareOfBlend(n.hotC!, n.coldC!, n.mixC!); return [main('hot', 'Hot share', 'percent', 100 * s), result('cold', 'From the return', 'percent', 100 * (1 - s))]; },
    formula: '(mix − return)/(hot − return)', source: 'Heat balance',
  },
  friction: {
    title: 'Pipe friction and pump head', group: 'Flow and heat', use: 'Loss along a run, and the head that it asks of the pump.',
    inputs: [number('flowLPerH', 'Flow', 'flow', 800, 1, 1e6), choice('size', 'Pipe', 'copper 22', Object.fromEntries(Object.keys(PIPE_BORES_MM).map((k) => [k, k]))), number('lengthM', 'Length, there and back', 'length', 30, 0, 5000), number('fittings', 'For fittings', 'percent', 50, 0, 300), number('celsius', 'Water', 'temperature', 60, 1, 120)],
    compute: (n, c) => {
      const f = pipeFriction({ flowLPerH: n.flowLPerH!, boreMm: PIPE_BORES_MM[c.size as PipeSize], lengthM: n.lengthM!, celsius: n.celsius!, fittingsShare: n.fittings! / 100, roughnessMm: c.size!.startsWith('steel') ? 0.045 : 0.0015 });
      return [main('head', 'Head', 'length', f.headM), result('perM', 'Loss', 'friction', f.paPerM), result('speed', 'Speed', 'speed', f.speedMPerS, f.speedMPerS > 1 ? 'noisy above about 1 m/s' : undefined)];
    },
    formula: 'Darcy and Weisbach, friction factor by Haaland', source: 'Haaland 1983 (from memory); roughness: handbook values', curve: { over: 'flowLPerH', of: 'head' },
  },
  radiator: {
    title: 'Radiator at other temperatures', group: 'Flow and heat', use: 'What a radiator gives with a cooler flow.',
    inputs: [number('ratedKw', 'Rated at 75/65/20', 'power', 1.5, 0.01, 100), number('flowC', 'Flow', 'temperature', 55, 10, 110), number('returnC', 'Return', 'temperature', 45, 10, 110), number('roomC', 'Room', 'temperature', 20, 0, 35)],
    compute: (n) => [main('output', 'Output', 'power', radiatorOutputKw(n as never)), result('share', 'Of rated', 'percent', (100 * radiatorOutputKw(n as never)) / n.ratedKw!)],
    formula: 'rated·(ΔT/50)^1.3, ΔT mean water over room', source: 'EN 442 (from memory)', curve: { over: 'flowC', of: 'output' },
  },
  boiling: {
    title: 'Boiling point', group: 'Steam', use: 'Steam temperature at a pressure, and the margin of hot water from boiling.',
    inputs: [number('gaugeBar', 'Gauge', 'pressure', 0.14, 0, 10), number('altitudeM', 'Site above the sea', 'length', 0, -100, 4500)],
    compute: (n) => { const c = saturationTemperatureC(n.gaugeBar! + atmosphericBar(n.altitudeM!)); return [main('celsius', 'Boils at', 'temperature', c), ...(c <= 130 ? [result('heat', 'Heat to evaporate a kilogram, kJ', 'count', evaporationHeatKjPerKg(c))] : [])]; },
    formula: 'IF97, region 4', source: 'IAPWS R7-97', curve: { over: 'gaugeBar', of: 'celsius' },
  },
  steamLoad: {
    title: 'Steam load', group: 'Steam', use: 'Radiation, steam and condensate of a boiler.',
    inputs: [number('heatKw', 'Heat', 'power', 40, 0.1, 5000), number('gaugeBar', 'Steam at', 'pressure', 0.07, 0, 1)],
    compute: (n) => { const kg = steamForHeatKgPerH(n.heatKw!, n.gaugeBar!); return [main('steam', 'Steam', 'kg-per-hour', kg), result('edr', 'Radiation', 'edr', edrOfKw(n.heatKw!)), result('condensate', 'Condensate back', 'flow', kg)]; },
    formula: 'Q/r; 240 BTU/h a square foot of radiation', source: 'US handbooks; steam tables (from memory)',
  },
  gravityReturn: {
    title: 'Height of a gravity return', group: 'Steam', use: 'How far the end of the main must stand above the water line.',
    inputs: [number('lossBar', 'Pressure lost in the main', 'pressure-difference', 0.035, 0, 0.5)],
    compute: (n) => [main('height', 'At least', 'length', gravityReturnHeightM(n.lossBar!), 'with 150 mm to spare')],
    formula: 'Δp/(ρ·g) + margin', source: 'Hydrostatics; margin: common practice',
  },
  cycle: {
    title: 'Cycle length', group: 'Steam', use: 'Minutes on and off from cycles an hour.',
    inputs: [number('cyclesPerHour', 'Cycles an hour', 'count', 3, 0.2, 30), number('firing', 'Of the time firing', 'percent', 50, 0, 100)],
    compute: (n) => { const c = cycleMinutes(n.cyclesPerHour!, n.firing! / 100); return [main('on', 'On', 'minutes', c.on), result('off', 'Off', 'minutes', c.off)]; },
    formula: '60/cycles · share', source: 'Arithmetic',
  },
  gas: {
    title: 'Gas rate', group: 'Combustion', use: 'Heat input from a timed meter. Licensed people only; this is the arithmetic.',
    inputs: [number('volumeM3', 'Metered', 'cubic-metres', 0.09, 0.0005, 100), number('seconds', 'In', 'seconds', 120, 10, 3600), number('gross', 'Gross calorific value', 'calorific', 39, 15, 125)],
    compute: (n) => { const kw = gasInputKw(n.volumeM3!, n.seconds!, n.gross!); return [main('gross', 'Input, gross', 'power', kw), result('net', 'Input, net', 'power', kw / 1.11, 'natural gas'), result('rate', 'Rate, m³/h', 'count', (n.volumeM3! * 3600) / n.seconds!)]; },
    formula: 'volume · calorific value/time', source: 'Common practice for natural gas',
  },
  co2: {
    title: 'CO₂ window', group: 'Combustion', use: 'A reading against the maker’s figure and tolerance. Licensed people only.',
    inputs: [number('readPercent', 'Read', 'percent', 9, 0.5, 11.7), number('targetPercent', 'Maker’s figure', 'percent', 9.2, 1, 11.7), number('tolerance', 'Tolerance', 'percent', 0.3, 0, 3)],
    compute: (n) => { const off = n.readPercent! - n.targetPercent!; return [main('off', Math.abs(off) <= n.tolerance! + 1e-9 ? 'Within the window, off by' : 'Outside the window, off by', 'percent', off), result('air', 'Excess air factor', 'factor', excessAirFactor(n.readPercent!))]; },
    formula: 'read − target against the tolerance; λ ≈ 11.7/CO₂', source: 'Common practice for natural gas',
  },
} satisfies Record<string, Calculator>;

export type CalculatorId = keyof typeof CALCULATORS;
export const CALCULATOR_IDS = Object.keys(CALCULATORS) as CalculatorId[];
export const calculator = (id: CalculatorId): Calculator => CALCULATORS[id];

export interface CalculatorRun { kind: 'results'; results: Result[] }
/** A number outside its field's range, or outside what the physics takes. */
export interface CalculatorRefusal { kind: 'refused'; field: string; least: number; most: number }

/** Runs a calculator on canonical numbers; inputs left out take their usual value. */
export function runCalculator(id: CalculatorId, given: Record<string, number | string>): CalculatorRun | CalculatorRefusal {
  const c = calculator(id);
  const n: Record<string, number> = {}, choices: Record<string, string> = {};
  for (const input of c.inputs) {
    if ('options' in input) { const v = given[input.id]; choices[input.id] = input.options.some((o) => o.value === v) ? (v as string) : input.value; continue; }
    const v = typeof given[input.id] === 'number' ? (given[input.id] as number) : input.value;
    if (!(v >= input.least && v <= input.most)) return { kind: 'refused', field: input.id, least: input.least, most: input.most };
    n[input.id] = v;
  }
  try {
    return { kind: 'results', results: c.compute(n, choices) };
  } catch (e) {
    if (e instanceof Error && 'field' in e) { const r = e as unknown as { field: string; least: number; most: number }; return { kind: 'refused', field: r.field, least: r.least, most: r.most }; }
    throw e;
  }
}

/** The calculator's teaching curve round the given inputs; null where it has none. Points outside the physics are left out. */
export function calculatorCurve(id: CalculatorId, given: Record<string, number | string>, points = 41): { x: number; y: number }[] | null {
  const c = calculator(id);
  if (!c.curve) return null;
  const over = c.inputs.find((i): i is NumberInput => i.id === c.curve!.over && !('options' in i))!;
  const here = typeof given[over.id] === 'number' ? (given[over.id] as number) : over.value;
  const reach = Math.max(Math.abs(here), Math.abs(over.value), 0.5);
  const from = Math.max(over.least, here - reach), to = Math.min(over.most, here + reach);
  return Array.from({ length: points }, (_, i) => from + ((to - from) * i) / (points - 1)).flatMap((x) => {
    const run = runCalculator(id, { ...given, [over.id]: x });
    const y = run.kind === 'results' ? run.results.find((r) => r.id === c.curve!.of)?.value : undefined;
    return y !== undefined && Number.isFinite(y) ? [{ x, y }] : [];
  });
}

import { staticHeadBar } from '../circuit/atmosphere';
import { balancedGaugeBar, heldL, vesselHeldL, type VesselOnCircuit } from '../circuit/balance';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { leastFillGaugeBar, resolveCircuit } from '../circuit/resolveCircuit';
import { chargeBySchool } from '../size/chargeSchools';
import {
  airCushionTankUsL,
  diaphragmTankUsL,
  expansionOfContentL,
  finalDesignGaugeBar,
  leastVesselEn12828L,
  vesselPerLitreOfContent,
} from '../size/vesselSize';
import { mixtureNetGrowth, type Glycol } from '../water/antifreeze';
import { netGrowth } from '../water/netGrowth';
import type { Calculator, Note } from './Calculator';
import { choice, circuit, main, number, outcome, result, CHARGE, COLD, CONTENT, FILL, HOT, RELIEF, STRETCH, VESSEL } from './inputs';

export const WATER_AND_VESSEL = {
  expansion: {
    title: 'Expansion volume',
    group: 'Water and vessel',
    use: 'How much the vessel has to take.',
    inputs: [
      CONTENT,
      COLD,
      HOT,
      choice('fluid', 'Filled with', 'water', { water: 'Water', propylene: 'Propylene glycol', ethylene: 'Ethylene glycol' }),
      number('massPercent', 'Glycol, by mass', 'percent', 0, 0, 60),
    ],
    compute: (n, c) => {
      const growth =
        c.fluid === 'water' || n.massPercent === 0
          ? netGrowth({ fromC: n.coldC!, toC: n.hotC! })
          : mixtureNetGrowth({ glycol: c.fluid as Glycol, massPercent: n.massPercent!, fromC: n.coldC!, toC: n.hotC! });
      return [
        main('expansionL', 'Net expansion', 'volume', n.contentL! * growth),
        result('growth', 'Of the content', 'percent', 100 * growth),
      ];
    },
    formula: 'V · (1 − ρ₂/ρ₁ · (1 + 3α ΔT)), counted at the cold density; α 15·10⁻⁶ for pipes of steel and copper mixed',
    source: 'Densities: IAPWS-IF97; glycol: Conde 2011',
    curve: { over: 'hotC', of: 'expansionL' },
  },
  schools: {
    title: 'Charge by each school',
    group: 'Water and vessel',
    use: 'Practitioners differ on the charge: what each would set, and what it leads to.',
    inputs: [
      number('heightM', 'Highest water above the vessel', 'length', 4.5, 0, 60),
      number('labelBar', 'On the label', 'pressure', 0.75, 0, 8),
      ...circuit,
    ],
    compute: (n) => {
      const head = staticHeadBar(n.heightM!);
      const sheet: CircuitSheet = { kind: 'sealed-hot-water', staticHeadM: n.heightM!, vessel: { labelPrechargeBar: n.labelBar! } };
      const by = chargeBySchool(sheet);
      const schools: [string, string, number][] = [
        ['label', 'By the label', n.labelBar!],
        ['head', 'Static head + 0.25 bar', head + 0.25],
        ['floors', 'Half a bar a floor', by.perFloor!],
        ['one', 'Always 1 bar', by.oneBar],
      ];
      const covers = resolveCircuit(sheet).prechargeFrom === 'label';
      return schools.map(([id, label, charge]) => {
        const fill = Math.max(n.fillGaugeBar!, leastFillGaugeBar(charge, head));
        const o = outcome({ ...n, prechargeGaugeBar: charge, fillGaugeBar: fill });
        const chosen = covers ? id === 'label' : id === 'head';
        const note: Note = [
          'fill ',
          { quantity: 'pressure', value: fill },
          ', hot ',
          { quantity: 'pressure', value: o.hotGaugeBar },
          ', reserve ',
          { quantity: 'volume', value: o.reserveL },
          `${chosen ? '; the default here' : ''}${o.marginToReliefBar < 0.3 ? '; too near the relief' : ''}`,
        ];
        return { ...result(id, label, 'pressure', charge, note), ...(chosen ? { main: true } : {}) };
      });
    },
    formula:
      'Default: the label if it covers the static head + 0.2 bar, else static head + 0.25; fill at least charge + 0.3 and head + 0.5',
    source: 'Common practice; fill by EN 12828 (from memory)',
    sheetField: { result: 'main', field: 'vessel.targetPrechargeBar' },
  },
  vesselSize: {
    title: 'Size of the vessel',
    group: 'Water and vessel',
    use: 'Whether the vessel is large enough, by three methods.',
    inputs: [
      CONTENT,
      number('coldC', 'Cold', 'temperature', 10, 1, 60),
      number('hotC', 'Highest', 'temperature', 80, 2, 120),
      CHARGE,
      FILL,
      RELIEF,
    ],
    compute: (n) => {
      const us = {
        contentL: n.contentL!,
        coldC: n.coldC!,
        hotC: n.hotC!,
        fillGaugeBar: n.fillGaugeBar!,
        hotGaugeBar: finalDesignGaugeBar(n.reliefSetGaugeBar!),
      };
      return [
        main(
          'en12828',
          'EN 12828',
          'volume',
          leastVesselEn12828L({
            contentL: n.contentL!,
            coldC: n.coldC!,
            hotC: n.hotC!,
            prechargeGaugeBar: n.prechargeGaugeBar!,
            reliefSetGaugeBar: n.reliefSetGaugeBar!,
          }),
        ),
        result('diaphragm', 'US method, diaphragm', 'volume', diaphragmTankUsL(us)),
        result('cushion', 'US method, air cushion', 'volume', airCushionTankUsL(us)),
        ...(Math.abs(n.reliefSetGaugeBar! - 3) < 0.05 && n.prechargeGaugeBar! >= 0 && n.prechargeGaugeBar! <= 2
          ? [result('table', 'Litres for each litre, relief 3 bar', 'volume', n.contentL! * vesselPerLitreOfContent(n.prechargeGaugeBar!))]
          : []),
        result('expansionL', 'Expansion', 'volume', expansionOfContentL(n.contentL!, n.coldC!, n.hotC!)),
      ];
    },
    formula:
      'Vn = (Ve + Vwr)·(pe + 1)/(pe − p0), reserve 0.5 % of the content and at least 3 L (a fifth of the vessel up to 15 L), pe 0.5 bar below the relief',
    source: 'EN 12828; ASHRAE Handbook; BS 5449 table (all from memory)',
    curve: { over: 'prechargeGaugeBar', of: 'en12828' },
  },
  twoVessels: {
    title: 'Two vessels on one circuit',
    group: 'Water and vessel',
    use: 'What a second vessel brings, and how the two share the water when their charges differ.',
    inputs: [
      VESSEL,
      CHARGE,
      { ...VESSEL, id: 'secondL', label: 'Second vessel' },
      { ...CHARGE, id: 'secondChargeBar', label: 'Its charge' },
      number('secondM', 'It hangs above the first', 'length', 0, -60, 60),
      CONTENT,
      FILL,
      COLD,
      HOT,
      STRETCH,
    ],
    compute: (n) => {
      const vessels: VesselOnCircuit[] = [
        { nominalVolumeL: n.nominalVolumeL!, prechargeGaugeBar: n.prechargeGaugeBar! },
        { nominalVolumeL: n.secondL!, prechargeGaugeBar: n.secondChargeBar!, heightAboveGaugeM: n.secondM! },
      ];
      const hotWith = (which: VesselOnCircuit[]) => {
        const b = { vessels: which, stretchLPerBar: n.stretchLPerBar! };
        return balancedGaugeBar(b, heldL(b, n.fillGaugeBar!) + n.contentL! * netGrowth({ fromC: n.coldC!, toC: n.hotC! }));
      };
      const hot = hotWith(vessels);
      const takes = (v: VesselOnCircuit) => vesselHeldL(v, hot) - vesselHeldL(v, n.fillGaugeBar!);
      return [
        main('hot', 'Hot with both', 'pressure', hot),
        result('alone', 'Hot with the first alone', 'pressure', hotWith(vessels.slice(0, 1))),
        result('first', 'Taken by the first', 'volume', takes(vessels[0]!)),
        result(
          'second',
          'Taken by the second',
          'volume',
          takes(vessels[1]!),
          takes(vessels[1]!) < 0.05 ? 'it takes no part: its charge is above the pressure there' : undefined,
        ),
      ];
    },
    formula: 'Σ Vn·(1 − P0/P) + s·p + expansion in balance, each vessel at the pressure of its own height',
    source: 'Boyle’s law; hydrostatics',
    curve: { over: 'secondChargeBar', of: 'hot' },
  },
} satisfies Record<string, Calculator>;

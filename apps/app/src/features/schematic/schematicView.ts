import { vesselsOf, type CircuitSheet } from '@jumper/core';
import { quantityText } from '../units/quantity';
import { temperatureText, type Units } from '../units/units';
import { placeComponents } from './placeComponents';
import { BOILER_X, Drawing, H, known, RETURN_Y, RIGHT_X, SUPPLY_Y, W, type Schematic } from './Schematic';
import { zonesOf } from './zonesOf';

/** A circuit drawn from its sheet: supply above, return below, boiler at the left, what it heats at the right, vessel and feed hanging off
 *  the return. */
export function schematicView(sheet: CircuitSheet, units: Units): Schematic {
  const d = new Drawing(sheet, units);
  for (const draw of [boiler, gauge, relief, vessels, feed, plate, pump, zones, tank, placeComponents]) draw(d);
  return { width: W, height: H, parts: d.parts, lines: d.lines };
}

function boiler(d: Drawing): void {
  const power = d.sheet.heatOutputKw !== undefined && quantityText(d.sheet.heatOutputKw, 'power', d.units);
  d.line('supply', [BOILER_X, 122], [BOILER_X, SUPPLY_Y], [RIGHT_X, SUPPLY_Y]);
  d.line('return', [RIGHT_X, RETURN_Y], [BOILER_X, RETURN_Y], [BOILER_X, 186]);
  d.add({
    id: 'boiler',
    kind: 'boiler',
    x: BOILER_X,
    y: 154,
    title: 'Boiler',
    facts: known(power, `to ${temperatureText(d.circuit.maxFlowC, d.units.temperature)}`),
    label: { text: power || 'boiler', x: BOILER_X, y: 159, anchor: 'middle' },
  });
}

function gauge(d: Drawing): void {
  d.add({
    id: 'gauge',
    kind: 'gauge',
    x: 22,
    y: 206,
    title: 'Gauge',
    facts: known(`steps of ${d.bar(d.circuit.gaugeStepBar)}`, `${d.bar(d.circuit.staticGaugeBar)} of water stands above it`),
  });
  d.line('quiet', [22, 206], [BOILER_X - 26, 186]);
}

function relief(d: Drawing): void {
  const valve = d.sheet.reliefValve;
  if (!valve) return;
  d.line('quiet', [BOILER_X, 84], [26, 84]);
  d.add({
    id: 'relief',
    kind: 'relief',
    x: 22,
    y: 84,
    title: 'Relief valve',
    warn: d.isWrong('reliefValve'),
    facts: known(
      `opens at ${d.bar(valve.setBar)}`,
      valve.capacityKw !== undefined && quantityText(valve.capacityKw, 'power', d.units),
      valve.ageYears !== undefined && `${valve.ageYears} years old`,
    ),
    label: { text: d.bar(valve.setBar), x: 8, y: 112, anchor: 'start' },
  });
}

const MOST_VESSELS = 2;

/** Vessels side by side, the first where the sheet's charge is meant. One stands there even where the sheet names none. */
function vessels(d: Drawing): void {
  const told = vesselsOf(d.sheet);
  (told.length ? told : [{}]).slice(0, MOST_VESSELS).forEach((v, i) => {
    const x = 112 + 76 * i,
      valve = v.isolationValve && v.isolationValve !== 'none';
    d.line('return', [x, RETURN_Y], [x, 284]);
    if (valve)
      d.add({
        id: `vessel-valve-${i}`,
        kind: 'vessel-valve',
        x,
        y: 258,
        title: 'Valve before the vessel',
        warn: true,
        facts: known(v.isolationValve === 'fitted-with-drain' ? 'with its own drain' : 'no drain', 'is it open?'),
      });
    const size = v.nominalVolumeL !== undefined && quantityText(v.nominalVolumeL, 'volume', d.units),
      chargeBar = v.targetPrechargeBar ?? v.labelPrechargeBar;
    d.add({
      id: `vessel-${i}`,
      kind: 'vessel',
      x,
      y: 308,
      title: i === 0 ? 'Vessel' : 'Second vessel',
      warn: i === 0 && d.isWrong('vessel') && !valve,
      facts: known(
        size || 'size not known',
        chargeBar !== undefined && `label ${d.bar(chargeBar)}`,
        i === 0 && `${d.bar(d.circuit.prechargeGaugeBar)} is wanted`,
        v.maxBar !== undefined && `made for ${d.bar(v.maxBar)}`,
        v.ageYears !== undefined && `${v.ageYears} years old`,
      ),
      label: { text: known(size, chargeBar !== undefined && d.bar(chargeBar)).join(', ') || 'vessel', x, y: 350, anchor: 'middle' },
    });
  });
}

const FEED_X = 284;
const FEED_NAMES = {
  'manual-loop': 'Fill loop',
  'reducing-valve': 'Reducing valve',
  'pressurisation-unit': 'Pressurisation unit',
  'automatic-feeder': 'Feeder',
  'hand-valve': 'Hand valve',
};

function feed(d: Drawing): void {
  const { fill } = d.sheet,
    kind = fill?.kind ?? 'manual-loop';
  if (kind === 'none') return;
  const name = FEED_NAMES[kind],
    holdsBar = fill?.setBar ?? fill?.cutOutBar;
  d.line('quiet', [FEED_X, RETURN_Y], [FEED_X, 332]);
  d.add({
    id: 'feed',
    kind: 'feed',
    x: FEED_X,
    y: 300,
    title: name,
    warn: d.isWrong('fill'),
    facts: known(
      holdsBar !== undefined && `holds ${d.bar(holdsBar)}`,
      `mains ${d.bar(d.circuit.mainsGaugeBar)}`,
      fill?.leftConnected && 'left connected',
    ),
    label: {
      text: holdsBar !== undefined ? `${name.split(' ')[0]!.toLowerCase()} ${d.bar(holdsBar)}` : name.toLowerCase(),
      x: FEED_X,
      y: 350,
      anchor: 'middle',
    },
  });
}

function plate(d: Drawing): void {
  if (d.sheet.domesticHotWater?.kind !== 'plate-exchanger') return;
  d.add({ id: 'plate', kind: 'plate', x: 118, y: 154, title: 'Plate exchanger', facts: ['drinking water on its other side'] });
  d.line('supply', [BOILER_X + 27, 140], [108, 140]);
  d.line('return', [BOILER_X + 27, 168], [108, 168]);
}

/** The pump that the sheet says where it pushes, or none that it lists. */
function pump(d: Drawing): void {
  const position = d.sheet.pump?.position,
    towards = position === 'towards-vessel';
  if (!position && d.sheet.components?.some((p) => p.kind === 'pump')) return;
  d.add({
    id: 'pump',
    kind: 'pump',
    x: towards ? 212 : 100,
    y: towards ? RETURN_Y : SUPPLY_Y,
    title: 'Pump',
    facts: [!position ? 'where it pushes is not known' : towards ? 'pushes towards the vessel' : 'pushes away from the vessel'],
  });
}

function zones(d: Drawing): void {
  zonesOf(d.sheet, d.units).forEach((z, i, all) => {
    const x = RIGHT_X - (all.length - 1 - i) * Math.min(58, 170 / Math.max(1, all.length - 1));
    d.line('supply', [x, SUPPLY_Y], [x, 122]);
    d.line('return', [x, 176], [x, RETURN_Y]);
    d.add({
      id: `zone-${i}`,
      kind: z.kind,
      x,
      y: 149,
      title: z.title,
      facts: z.facts,
      label: {
        text: z.title.length > 9 && all.length > 2 ? `${z.title.slice(0, 8)}…` : z.title,
        x,
        y: 196,
        anchor: all.length > 1 || x < 320 ? 'middle' : 'end',
      },
    });
  });
}

function tank(d: Drawing): void {
  if (!d.sheet.openVented) return;
  d.line('quiet', [150, SUPPLY_Y], [150, 30]);
  d.add({ id: 'tank', kind: 'tank', x: 150, y: 20, title: 'Open tank', warn: true, facts: ['this circuit is not sealed'] });
}

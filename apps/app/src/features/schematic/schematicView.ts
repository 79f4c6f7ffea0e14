import { COMPONENTS, resolveCircuit, sheetWarnings, vesselsOf, type CircuitSheet, type ComponentKind } from '@jumper/core';
import { pressureText, type Units } from '../units/units';

export type PartKindDrawn =
  'boiler' | 'relief' | 'gauge' | 'vessel' | 'vessel-valve' | 'feed' | 'plate' | 'coil' | 'pump' | 'zone' | 'tank' | ComponentKind;
/** A part in the drawing: its middle in the drawing's own units, what it is called, its figures, and whether something about it cannot be
 *  right. */
export interface DrawnPart {
  id: string;
  kind: PartKindDrawn;
  x: number;
  y: number;
  title: string;
  facts: string[];
  warn: boolean;
  label?: { text: string; x: number; y: number; anchor: 'start' | 'middle' | 'end' };
}
export interface DrawnLine {
  tone: 'supply' | 'return' | 'quiet';
  points: [number, number][];
}
export interface Schematic {
  width: number;
  height: number;
  parts: DrawnPart[];
  lines: DrawnLine[];
}

const W = 360,
  SUPPLY_Y = 62,
  RETURN_Y = 236,
  BOILER_X = 58,
  RIGHT_X = 336,
  MOST_ZONES = 4;

/** A circuit drawn from its sheet: supply above, return below, boiler at the left, what it heats at the right, vessel and feed hanging off
 *  the return. */
export function schematicView(sheet: CircuitSheet, units: Units): Schematic {
  const c = resolveCircuit(sheet),
    bar = (x: number) => pressureText(x, units.pressure),
    parts: DrawnPart[] = [],
    lines: DrawnLine[] = [];
  const warned = new Set(sheetWarnings(sheet).map((w) => w.field.split('.')[0]));
  const add = (p: Omit<DrawnPart, 'warn'> & { warn?: boolean }) => parts.push({ ...p, warn: p.warn ?? false });
  const known = (...facts: (string | null | undefined | false)[]) => facts.filter((f): f is string => Boolean(f));
  const vessels = vesselsOf(sheet).length ? vesselsOf(sheet) : [{}];

  lines.push(
    {
      tone: 'supply',
      points: [
        [BOILER_X, 122],
        [BOILER_X, SUPPLY_Y],
        [RIGHT_X, SUPPLY_Y],
      ],
    },
    {
      tone: 'return',
      points: [
        [RIGHT_X, RETURN_Y],
        [BOILER_X, RETURN_Y],
        [BOILER_X, 186],
      ],
    },
  );
  add({
    id: 'boiler',
    kind: 'boiler',
    x: BOILER_X,
    y: 154,
    title: 'Boiler',
    facts: known(sheet.heatOutputKw !== undefined && `${sheet.heatOutputKw} kW`, `to ${c.maxFlowC} °C`),
    label: { text: sheet.heatOutputKw !== undefined ? `${sheet.heatOutputKw} kW` : 'boiler', x: BOILER_X, y: 159, anchor: 'middle' },
  });
  add({
    id: 'gauge',
    kind: 'gauge',
    x: 22,
    y: 206,
    title: 'Gauge',
    facts: known(`steps of ${bar(c.gaugeStepBar)}`, `${c.staticGaugeBar.toFixed(2)} bar of water stands above it`),
  });
  lines.push({
    tone: 'quiet',
    points: [
      [22, 206],
      [BOILER_X - 26, 186],
    ],
  });
  if (sheet.reliefValve) {
    lines.push({
      tone: 'quiet',
      points: [
        [BOILER_X, 84],
        [26, 84],
      ],
    });
    add({
      id: 'relief',
      kind: 'relief',
      x: 22,
      y: 84,
      title: 'Relief valve',
      warn: warned.has('reliefValve'),
      facts: known(
        `opens at ${bar(sheet.reliefValve.setBar)}`,
        sheet.reliefValve.capacityKw !== undefined && `${sheet.reliefValve.capacityKw} kW`,
        sheet.reliefValve.ageYears !== undefined && `${sheet.reliefValve.ageYears} years old`,
      ),
      label: { text: bar(sheet.reliefValve.setBar), x: 8, y: 112, anchor: 'start' },
    });
  }
  vessels.forEach((v, i) => {
    const x = 112 + 76 * i,
      valve = v.isolationValve && v.isolationValve !== 'none';
    if (i > 1) return;
    lines.push({
      tone: 'return',
      points: [
        [x, RETURN_Y],
        [x, 284],
      ],
    });
    if (valve)
      add({
        id: `vessel-valve-${i}`,
        kind: 'vessel-valve',
        x,
        y: 258,
        title: 'Valve before the vessel',
        warn: true,
        facts: known(v.isolationValve === 'fitted-with-drain' ? 'with its own drain' : 'no drain', 'is it open?'),
      });
    const charge = v.targetPrechargeBar ?? v.labelPrechargeBar;
    add({
      id: `vessel-${i}`,
      kind: 'vessel',
      x,
      y: 308,
      title: i === 0 ? 'Vessel' : 'Second vessel',
      warn: i === 0 && warned.has('vessel') && !valve,
      facts: known(
        v.nominalVolumeL !== undefined ? `${v.nominalVolumeL} L` : 'size not known',
        charge !== undefined ? `label ${bar(charge)}` : null,
        i === 0 && `${bar(c.prechargeGaugeBar)} is wanted`,
        v.maxBar !== undefined && `made for ${bar(v.maxBar)}`,
        v.ageYears !== undefined && `${v.ageYears} years old`,
      ),
      label: {
        text: known(v.nominalVolumeL !== undefined && `${v.nominalVolumeL} L`, charge !== undefined && bar(charge)).join(', ') || 'vessel',
        x,
        y: 350,
        anchor: 'middle',
      },
    });
  });
  const feedX = 284,
    fill = sheet.fill?.kind ?? 'manual-loop';
  if (fill !== 'none') {
    lines.push({
      tone: 'quiet',
      points: [
        [feedX, RETURN_Y],
        [feedX, 332],
      ],
    });
    const name = {
      'manual-loop': 'Fill loop',
      'reducing-valve': 'Reducing valve',
      'pressurisation-unit': 'Pressurisation unit',
      'automatic-feeder': 'Feeder',
      'hand-valve': 'Hand valve',
    }[fill];
    const holds = sheet.fill?.setBar ?? sheet.fill?.cutOutBar;
    add({
      id: 'feed',
      kind: 'feed',
      x: feedX,
      y: 300,
      title: name,
      warn: warned.has('fill'),
      facts: known(
        holds !== undefined && `holds ${bar(holds)}`,
        `mains ${bar(c.mainsGaugeBar)}`,
        sheet.fill?.leftConnected && 'left connected',
      ),
      label: {
        text: holds !== undefined ? `${name.split(' ')[0]!.toLowerCase()} ${bar(holds)}` : name.toLowerCase(),
        x: feedX,
        y: 350,
        anchor: 'middle',
      },
    });
  }
  if (sheet.domesticHotWater?.kind === 'plate-exchanger') {
    add({ id: 'plate', kind: 'plate', x: 118, y: 154, title: 'Plate exchanger', facts: ['drinking water on its other side'] });
    lines.push(
      {
        tone: 'supply',
        points: [
          [BOILER_X + 27, 140],
          [108, 140],
        ],
      },
      {
        tone: 'return',
        points: [
          [BOILER_X + 27, 168],
          [108, 168],
        ],
      },
    );
  }
  if (sheet.pump?.position || sheet.components === undefined || !sheet.components.some((p) => p.kind === 'pump'))
    add({
      id: 'pump',
      kind: 'pump',
      x: sheet.pump?.position === 'towards-vessel' ? 212 : 100,
      y: sheet.pump?.position === 'towards-vessel' ? RETURN_Y : SUPPLY_Y,
      title: 'Pump',
      facts: known(
        sheet.pump?.position
          ? sheet.pump.position === 'towards-vessel'
            ? 'pushes towards the vessel'
            : 'pushes away from the vessel'
          : 'where it pushes is not known',
      ),
    });
  zonesOf(sheet).forEach((z, i, all) => {
    const x = RIGHT_X - (all.length - 1 - i) * Math.min(58, 170 / Math.max(1, all.length - 1));
    lines.push(
      {
        tone: 'supply',
        points: [
          [x, SUPPLY_Y],
          [x, 122],
        ],
      },
      {
        tone: 'return',
        points: [
          [x, 176],
          [x, RETURN_Y],
        ],
      },
    );
    add({
      id: `zone-${i}`,
      kind: z.kind === 'coil' ? 'coil' : 'zone',
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
  if (sheet.openVented) {
    lines.push({
      tone: 'quiet',
      points: [
        [150, SUPPLY_Y],
        [150, 30],
      ],
    });
    add({ id: 'tank', kind: 'tank', x: 150, y: 20, title: 'Open tank', warn: true, facts: ['this circuit is not sealed'] });
  }
  placeComponents(sheet, add);
  return { width: W, height: 362, parts, lines };
}

/** What is heated: the zones told, else the house as one, and the cylinder where a coil makes hot water. More than four are drawn as one.
 */
function zonesOf(sheet: CircuitSheet): { kind: 'zone' | 'coil'; title: string; facts: string[] }[] {
  const told = (sheet.zones ?? []).map((z) => ({
    kind: z.emitter === 'cylinder' ? ('coil' as const) : ('zone' as const),
    title: z.id || 'Zone',
    facts: [
      z.emitter === 'floor' ? 'floor' : z.emitter === 'cylinder' ? 'cylinder' : 'radiators',
      z.control === 'circulator' ? 'own circulator' : z.control === 'zone-valve' ? 'zone valve' : '',
    ].filter(Boolean),
  }));
  const zones =
    told.length > MOST_ZONES
      ? [
          ...told.slice(0, MOST_ZONES - 1),
          { kind: 'zone' as const, title: `${told.length - MOST_ZONES + 1} more`, facts: told.slice(MOST_ZONES - 1).map((z) => z.title) },
        ]
      : told.length
        ? told
        : [
            {
              kind: 'zone' as const,
              title: 'Emitters',
              facts: [sheet.waterVolumeL !== undefined ? `${sheet.waterVolumeL} L in all` : 'content not known'],
            },
          ];
  return sheet.domesticHotWater?.kind === 'indirect-coil' && !zones.some((z) => z.kind === 'coil')
    ? [...zones, { kind: 'coil', title: 'Cylinder', facts: ['coil, drinking water round it'] }]
    : zones;
}

const PLACE: Record<string, (i: number) => [number, number]> = {
  supply: (i) => [136 + 26 * i, SUPPLY_Y],
  return: (i) => [228 - 26 * i, RETURN_Y],
  'vessel-branch': (i) => [112, 272 - 20 * i],
  feed: (i) => [284, 262 + 20 * i],
  'hot-water': (i) => [118, 120 - 24 * i],
  highest: (i) => [300 - 26 * i, SUPPLY_Y - 24],
  lowest: (i) => [64 + 26 * i, RETURN_Y + 22],
  boiler: (i) => [92, 200 - 20 * i],
};

function placeComponents(sheet: CircuitSheet, add: (p: Omit<DrawnPart, 'warn'> & { warn?: boolean }) => void): void {
  const count = new Map<string, number>();
  for (const p of sheet.components ?? []) {
    const at =
      p.at ??
      (p.kind === 'automatic-vent'
        ? 'highest'
        : p.kind === 'drain-cock'
          ? 'lowest'
          : p.kind === 'backflow-preventer' || p.kind === 'feed-bypass'
            ? 'feed'
            : p.kind.startsWith('hot-water')
              ? 'hot-water'
              : 'supply');
    const i = count.get(at) ?? 0;
    count.set(at, i + 1);
    const [x, y] = PLACE[at]!(i);
    add({
      id: p.id,
      kind: p.kind,
      x,
      y,
      title: p.name || COMPONENTS[p.kind],
      warn: p.kind === 'feed-bypass' && p.state !== undefined && p.state !== 'shut',
      facts: [p.name ? COMPONENTS[p.kind] : '', p.rating ?? '', p.state ? `found ${p.state.replace('-', ' ')}` : '', p.note ?? ''].filter(
        Boolean,
      ),
    });
  }
}

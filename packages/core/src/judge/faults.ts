import type { CircuitSheet } from '../circuit/CircuitSheet';

/** What puts a fault right. Faults that share a repair need not be told apart before acting. */
export type RepairId =
  | 'recharge-vessel' | 'change-vessel' | 'change-core' | 'clear-connection' | 'open-vessel-valve' | 'add-vessel-volume' | 'lower-charge'
  | 'change-relief' | 'mend-fill' | 'change-feed' | 'set-feed' | 'close-bypass' | 'mend-unit' | 'restore-feed' | 'change-plate'
  | 'change-coil' | 'find-leak' | 'change-exchanger' | 'change-gauge' | 'vent-air' | 'change-vent' | 'fill-up' | 'let-down' | 'mend-control'
  | 'circulation' | 'steam' | 'nothing';

export interface FaultRow {
  /** As a technician says it. */
  title: string;
  /** How often it is the fault among complaints of such a plant, relative weight. Common practice, reviewed; not measured. */
  weight: number;
  repair: RepairId;
  /** From what size it counts as a fault. */
  counts: string;
  /** The repair in one line. */
  remedy: string;
  plant: 'sealed' | 'circulation' | 'steam';
  /** Left out where the sheet rules it out; an unknown sheet rules out nothing. */
  applies?: (sheet: CircuitSheet) => boolean;
}

const fillIs = (...kinds: string[]) => (s: CircuitSheet) => s.fill === undefined || kinds.includes(s.fill.kind);
const dhwIs = (kind: string) => (s: CircuitSheet) => s.domesticHotWater === undefined || s.domesticHotWater.kind === kind;
const row = (title: string, weight: number, repair: RepairId, counts: string, remedy: string, applies?: FaultRow['applies']): FaultRow => ({ title, weight, repair, counts, remedy, plant: 'sealed', ...(applies ? { applies } : {}) });
const other = (plant: 'circulation' | 'steam', title: string, weight: number): FaultRow => ({ title, weight, repair: plant, counts: 'found by its tests', remedy: title, plant });

/** The product's catalogue of faults: one line a fault. */
export const FAULTS = {
  none: row('Nothing wrong', 9, 'nothing', 'no fault of a size that counts', 'Leave it as it is; note the cold pressure for next time.'),
  'vessel-undercharged': row('Vessel has lost its charge', 12, 'recharge-vessel', 'charge more than 0.15 bar below target, diaphragm sound', 'Recharge with the drain open, test the core, then a heat run.'),
  'vessel-diaphragm-failed': row('Vessel diaphragm holed', 5, 'change-vessel', 'water passes to the gas side', 'Change the vessel; set the new one’s charge before any water.'),
  'vessel-gas-valve-leaking': row('Vessel valve core leaking', 3, 'change-core', 'bubbles in leak fluid, charge lost within weeks', 'Change the core, recharge, leak fluid, cap on.'),
  'vessel-connection-blocked': row('Vessel connection blocked', 2.5, 'clear-connection', 'water cannot reach the vessel freely', 'Clear the hose or port, then a heat run.'),
  'vessel-isolated': row('Vessel shut off', 2, 'open-vessel-valve', 'a valve between vessel and circuit is shut', 'Open the valve, take the handle off, note it.'),
  'vessel-undersized': row('Vessel too small', 2.5, 'add-vessel-volume', 'right charge, yet the hot pressure reaches the relief', 'Add vessel volume for the content that is really there.'),
  'vessel-overcharged': row('Vessel overcharged', 2, 'lower-charge', 'charge more than 0.25 bar above target', 'Let the charge down to target with the drain open.'),
  'relief-valve-passing': row('Relief valve passing', 6, 'change-relief', 'drips below its set pressure, cold or hot', 'Change the relief valve for one of the same rating.'),
  'relief-valve-lifts-early': row('Relief valve lifts early', 2.5, 'change-relief', 'lifts more than 0.3 bar below its marking', 'Change the relief valve; check the marking against the boiler.'),
  'fill-loop-passing': row('Fill loop letting by', 5, 'mend-fill', 'the gauge rises with the loop connected and shut', 'Disconnect and cap the loop; change its valve.', fillIs('manual-loop')),
  'reducing-valve-creeping': row('Reducing valve creeping', 4.5, 'change-feed', 'lets by past its setting', 'Change the reducing valve, clean its strainer.', fillIs('reducing-valve')),
  'reducing-valve-set-high': row('Reducing valve set high', 4, 'set-feed', 'holds more than 0.25 bar above the fill wanted, steadily', 'Set it to the fill pressure, let the circuit down to it.', fillIs('reducing-valve')),
  'fill-bypass-open': row('Feed bypass open', 2, 'close-bypass', 'water passes round the feed valve', 'Shut the bypass and note its position.', fillIs('reducing-valve', 'pressurisation-unit')),
  'pressurisation-unit-fault': row('Pressurisation unit at fault', 5, 'mend-unit', 'does not hold between its limits', 'Check supply, limits and pump of the unit.', fillIs('pressurisation-unit')),
  'feed-starved': row('Feed gives no water', 3, 'restore-feed', 'pressure below the feed’s setting and not made up', 'Open the feed, clean its strainer, check the mains.', fillIs('reducing-valve', 'pressurisation-unit')),
  'dhw-plate-perforated': row('Plate exchanger holed', 5, 'change-plate', 'mains water passes into the circuit', 'Change the plate exchanger; flow arrow and seals.', dhwIs('plate-exchanger')),
  'dhw-coil-perforated': row('Cylinder coil holed', 4, 'change-coil', 'mains water passes into the circuit', 'Isolate the coil; change coil or cylinder.', dhwIs('indirect-coil')),
  'circuit-leak': row('Leak in the circuit', 8, 'find-leak', 'water lost outside boiler and relief', 'Find the leak: joints, floors, emitters; mend, refill, watch.'),
  'boiler-exchanger-leak': row('Boiler exchanger leaking', 3, 'change-exchanger', 'water lost inside the boiler', 'Condemn or change the exchanger.'),
  'gauge-misreading': row('Gauge misreading', 4, 'change-gauge', 'off by more than 0.2 bar, or stuck', 'Change the gauge or sensor; read all again.'),
  'air-in-circuit': row('Air in the circuit', 3, 'vent-air', 'more than about a litre of air', 'Bleed from the top down, top up, repeat until none comes.'),
  'air-vent-faulty': row('Automatic vent spitting', 2, 'change-vent', 'water lost at an automatic vent', 'Change the vent; cap it meanwhile.'),
  'fill-pressure-too-low': row('Fill pressure too low', 5, 'fill-up', 'cold pressure more than 0.3 bar below the fill wanted', 'Fill to the pressure wanted, then watch it.'),
  'fill-pressure-too-high': row('Overfilled', 5, 'let-down', 'cold pressure more than 0.5 bar above the fill wanted, steady', 'Let it down to the fill pressure, then watch it.', fillIs('manual-loop', 'none')),
  'boiler-overheating': row('Boiler overheating', 1.5, 'mend-control', 'flow more than 8 K above its limit', 'Check thermostat, sensor and flow through the boiler.'),
  'pump-not-circulating': other('circulation', 'Pump not circulating', 3),
  'pump-valve-closed': other('circulation', 'Pump valve shut', 1),
  'zone-valve-stuck-closed': other('circulation', 'Zone valve stuck shut', 2),
  'zone-valve-end-switch-failed': other('circulation', 'Zone valve end switch failed', 1.5),
  'flow-check-leaking': other('circulation', 'Flow check leaking', 1),
  'air-locked-branch': other('circulation', 'Branch air-locked', 2),
  'branch-restricted': other('circulation', 'Branch restricted', 1.5),
  'mixing-valve-misset': other('circulation', 'Mixing valve wrongly set', 1),
  'controls-no-call': other('circulation', 'Controls not calling', 3),
  'steam-gauge-glass-blocked': other('steam', 'Gauge glass blocked', 3),
  'steam-low-water-cutoff-failed': other('steam', 'Low-water cutoff failed', 2),
  'steam-boiler-overfilled': other('steam', 'Boiler overfilled', 3),
  'steam-feeder-passing': other('steam', 'Feeder letting by', 3),
  'steam-feeder-failed': other('steam', 'Feeder not feeding', 2),
  'steam-return-leak': other('steam', 'Return leaking', 4),
  'steam-boiler-section-leak': other('steam', 'Boiler section leaking', 3),
  'steam-pigtail-blocked': other('steam', 'Pigtail blocked', 2),
  'steam-pressure-control-faulty': other('steam', 'Pressure control faulty', 2),
  'steam-dirty-water': other('steam', 'Water dirty or oily', 3),
  'steam-short-cycling': other('steam', 'Short cycling', 2),
  'steam-return-restricted': other('steam', 'Return restricted', 2),
  'steam-relief-passing': other('steam', 'Relief passing', 1.5),
  'steam-vents-failed': other('steam', 'Vents failed', 3),
  'steam-drain-blocked': other('steam', 'Drain blocked', 1),
  'steam-water-untreated': other('steam', 'Water untreated', 2),
} satisfies Record<string, FaultRow>;

export type FaultId = keyof typeof FAULTS;
export const FAULT_IDS = Object.keys(FAULTS) as FaultId[];
export const faultRow = (id: FaultId): FaultRow => FAULTS[id];

/** Fault ids that this sheet does not rule out, `none` among them. */
export function applicableFaults(sheet: CircuitSheet): FaultId[] {
  const plants = sheet.kind === 'steam' ? ['steam'] : ['sealed', 'circulation'];
  return FAULT_IDS.filter((id) => {
    const f = faultRow(id);
    return id === 'none' || (plants.includes(f.plant) && (f.applies?.(sheet) ?? true));
  });
}

import type { CircuitSheet } from '../circuit/CircuitSheet';

/** What puts a fault right. Faults that share a repair need not be told apart before acting. */
export type RepairId =
  | 'recharge-vessel'
  | 'change-vessel'
  | 'change-core'
  | 'clear-connection'
  | 'open-vessel-valve'
  | 'add-vessel-volume'
  | 'lower-charge'
  | 'change-relief'
  | 'mend-fill'
  | 'change-feed'
  | 'set-feed'
  | 'close-bypass'
  | 'mend-unit'
  | 'restore-feed'
  | 'change-plate'
  | 'change-coil'
  | 'find-leak'
  | 'change-exchanger'
  | 'change-gauge'
  | 'vent-air'
  | 'change-vent'
  | 'fill-up'
  | 'let-down'
  | 'mend-control'
  | 'mend-pump'
  | 'open-pump-valve'
  | 'change-zone-valve'
  | 'change-end-switch'
  | 'change-flow-check'
  | 'vent-branch'
  | 'clear-branch'
  | 'set-mixing'
  | 'restore-call'
  | 'clean-glass'
  | 'mend-cutoff'
  | 'lower-level'
  | 'mend-feeder'
  | 'mend-return'
  | 'change-section'
  | 'clear-pigtail'
  | 'change-pressure-control'
  | 'clean-water'
  | 'lengthen-cycles'
  | 'clear-return'
  | 'change-vents'
  | 'clear-drain'
  | 'treat-water'
  | 'nothing';

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

const fillIs =
  (...kinds: string[]) =>
  (s: CircuitSheet) =>
    s.fill === undefined || kinds.includes(s.fill.kind);
const dhwIs = (kind: string) => (s: CircuitSheet) => s.domesticHotWater === undefined || s.domesticHotWater.kind === kind;
const row = (title: string, weight: number, repair: RepairId, counts: string, remedy: string, applies?: FaultRow['applies']): FaultRow => ({
  title,
  weight,
  repair,
  counts,
  remedy,
  plant: 'sealed',
  ...(applies ? { applies } : {}),
});
const other = (
  plant: 'circulation' | 'steam',
  title: string,
  weight: number,
  repair: RepairId,
  counts: string,
  remedy: string,
): FaultRow => ({ title, weight, repair, counts, remedy, plant });

/** The product's catalogue of faults: one line a fault. */
// prettier-ignore
export const FAULTS = {
  none: row('Nothing wrong', 10, 'nothing', 'no fault of a size that counts', 'Leave it as it is; note the cold pressure for next time.'),
  'vessel-undercharged': row('Vessel has lost its charge', 12, 'recharge-vessel', 'charge more than 0.15 bar below target, diaphragm sound', 'Recharge with the drain open, test the core, then a heat run.'),
  'vessel-diaphragm-failed': row('Vessel diaphragm holed', 5, 'change-vessel', 'water passes to the gas side', 'Change the vessel; set the new one’s charge before any water.'),
  'vessel-gas-valve-leaking': row('Vessel valve core leaking', 3, 'change-core', 'bubbles in leak fluid, charge lost within weeks', 'Change the core, recharge, leak fluid, cap on.'),
  'vessel-connection-blocked': row('Vessel connection blocked', 2.5, 'clear-connection', 'water cannot reach the vessel freely', 'Clear the hose or port, then a heat run.'),
  'vessel-isolated': row('Vessel shut off', 2, 'open-vessel-valve', 'a valve between vessel and circuit is shut', 'Open the valve, take the handle off, note it.'),
  'vessel-undersized': row('Vessel too small', 2.5, 'add-vessel-volume', 'right charge, yet the hot pressure reaches the relief', 'Add vessel volume for the content that is really there.'),
  'vessel-overcharged': row('Vessel overcharged', 2, 'lower-charge', 'charge more than 0.25 bar above target', 'Let the charge down to target with the drain open.'),
  'relief-valve-passing': row('Relief valve passing', 6, 'change-relief', 'drips below its set pressure, cold or hot', 'Change the relief valve for one of the same rating.'),
  'relief-valve-lifts-early': row('Relief valve lifts early', 1, 'change-relief', 'lifts more than 0.3 bar below its marking', 'Change the relief valve; check the marking against the boiler.'),
  'fill-loop-passing': row('Fill loop letting by', 6, 'mend-fill', 'the gauge rises with the loop connected and shut', 'Disconnect and cap the loop; change its valve.', fillIs('manual-loop')),
  'reducing-valve-creeping': row('Reducing valve creeping', 4.5, 'change-feed', 'lets by past its setting', 'Change the reducing valve, clean its strainer.', fillIs('reducing-valve')),
  'reducing-valve-set-high': row('Reducing valve set high', 4, 'set-feed', 'holds more than 0.25 bar above the fill wanted, steadily', 'Set it to the fill pressure, let the circuit down to it.', fillIs('reducing-valve')),
  'fill-bypass-open': row('Feed bypass open', 2, 'close-bypass', 'water passes round the feed valve', 'Shut the bypass and note its position.', fillIs('reducing-valve', 'pressurisation-unit')),
  'pressurisation-unit-fault': row('Pressurisation unit at fault', 8, 'mend-unit', 'does not hold between its limits', 'Check supply, limits and pump of the unit.', fillIs('pressurisation-unit')),
  'feed-starved': row('Feed gives no water', 3, 'restore-feed', 'pressure below the feed’s setting or cut-in, cold, and not made up', 'Open the feed’s stop valve, clean its strainer, check mains and pump.', fillIs('reducing-valve', 'pressurisation-unit')),
  'dhw-plate-perforated': row('Plate exchanger holed', 2.75, 'change-plate', 'mains water passes into the circuit', 'Change the plate exchanger; flow arrow and seals. Treated water may reach the hot taps: nobody drinks from them; run them after the repair.', dhwIs('plate-exchanger')),
  'dhw-coil-perforated': row('Cylinder coil holed', 1.5, 'change-coil', 'mains water passes into the circuit', 'Isolate the coil; change coil or cylinder. Treated water may reach the hot taps: nobody drinks from them; run them after the repair.', dhwIs('indirect-coil')),
  'circuit-leak': row('Leak in the circuit', 8, 'find-leak', 'water lost outside boiler and relief', 'Find the leak: joints, floors, emitters; mend, refill, watch.'),
  'boiler-exchanger-leak': row('Boiler exchanger leaking', 3, 'change-exchanger', 'water lost inside the boiler', 'Condemn or change the exchanger.'),
  'gauge-misreading': row('Gauge misreading', 4, 'change-gauge', 'off by more than 0.2 bar, or stuck', 'Change the gauge or sensor; read all again.'),
  'air-in-circuit': row('Air in the circuit', 3, 'vent-air', 'more than about a litre of air', 'Gauge above the water standing over it, then bleed from the bottom floor to the top; top up, repeat until none comes.'),
  'air-vent-faulty': row('Automatic vent spitting', 3.5, 'change-vent', 'water lost at an automatic vent', 'Change the vent; cap it meanwhile.'),
  'fill-pressure-too-low': row('Fill pressure too low', 5, 'fill-up', 'cold pressure more than 0.3 bar below the fill wanted', 'Fill to the pressure wanted, then watch it.'),
  'fill-pressure-too-high': row('Overfilled', 5, 'let-down', 'cold pressure more than 0.5 bar above the fill wanted, steady', 'Let it down to the fill pressure, then watch it.', fillIs('manual-loop', 'none')),
  'boiler-overheating': row('Boiler overheating', 1.5, 'mend-control', 'flow more than 8 K above its limit', 'Check thermostat, sensor and flow through the boiler.'),
  'pump-not-circulating': other('circulation', 'Pump not circulating', 3, 'mend-pump', 'the rotor stands, or has no power', 'Power and terminals first, then free or change the pump; vent it.'),
  'pump-valve-closed': other('circulation', 'Pump valve shut', 1, 'open-pump-valve', 'an isolating valve at the pump is shut', 'Open the valve, note its position.'),
  'zone-valve-stuck-closed': other('circulation', 'Zone valve stuck shut', 2, 'change-zone-valve', '24 V on a call, and it does not travel', 'Change the motor head, or the valve where its body sticks.'),
  'zone-valve-end-switch-failed': other('circulation', 'Zone valve end switch failed', 1.5, 'change-end-switch', 'travels, and its switch stays open', 'Change the head; check the boiler then starts.'),
  'flow-check-leaking': other('circulation', 'Flow check leaking', 1, 'change-flow-check', 'a zone that does not call gets warm', 'Clean or change the flow check.'),
  'air-locked-branch': other('circulation', 'Branch air-locked', 2, 'vent-branch', 'air stands in the branch and nothing flows', 'Bleed the branch, or purge it one way; then find where the air comes from.'),
  'branch-restricted': other('circulation', 'Branch restricted', 4, 'clear-branch', 'hot in, cool out, while the pump runs', 'Balance, flush, or clear what narrows the branch.'),
  'mixing-valve-misset': other('circulation', 'Mixing valve wrongly set', 1, 'set-mixing', 'more than 5 K off what it is set to', 'Set it by a thermometer; clean or change it if it does not answer.'),
  'controls-no-call': other('circulation', 'Controls not calling', 6, 'restore-call', 'no call reaches pump or valve', 'Thermostat, timer and wiring; look for a switch left off.'),
  'steam-gauge-glass-blocked': other('steam', 'Gauge glass blocked', 3, 'clean-glass', 'the glass does not follow a drain', 'Rod its valves, clean or change the glass; until then the level is unknown.'),
  'steam-low-water-cutoff-failed': other('steam', 'Low-water cutoff failed', 2, 'mend-cutoff', 'the burner goes on below the low level', 'Do not fire. Clean probe or float chamber, or change the cutoff; prove it with the burner on.'),
  'steam-boiler-overfilled': other('steam', 'Boiler overfilled', 3, 'lower-level', 'glass full, and steady while idle', 'Drain to the mark; find who or what filled it.'),
  'steam-feeder-passing': other('steam', 'Feeder letting by', 3, 'mend-feeder', 'the level creeps up while idle', 'Clean or change the feeder; shut its valve meanwhile and watch the level by hand.'),
  'steam-feeder-failed': other('steam', 'Feeder not feeding', 2, 'mend-feeder', 'does not make up at low level', 'Supply and strainer first, then clean or change the feeder.'),
  'steam-return-leak': other('steam', 'Return leaking', 4, 'mend-return', 'make-up that neither flue nor boiler explains', 'Find and mend the return; renew what is buried.'),
  'steam-boiler-section-leak': other('steam', 'Boiler section leaking', 3, 'change-section', 'water drips or steams into the fire side', 'Change the section or the boiler; ask why so much fresh water came in.'),
  'steam-pigtail-blocked': other('steam', 'Pigtail blocked', 2, 'clear-pigtail', 'nothing comes through when it is blown', 'Clear or renew the pigtail, fill it with water, prove the cut-out.'),
  'steam-pressure-control-faulty': other('steam', 'Pressure control faulty', 2, 'change-pressure-control', 'cuts out more than 0.05 bar from where it is set, pigtail clear', 'Change the control; prove the cut-out on a gauge.'),
  'steam-dirty-water': other('steam', 'Water dirty or oily', 3, 'clean-water', 'the level jumps, or a sample shows oil', 'Skim slowly until a sample is clear; drain the mud.'),
  'steam-short-cycling': other('steam', 'Short cycling', 2, 'lengthen-cycles', 'calls end, or the burner stops, before the far end is hot', 'Set one long cycle an hour; check the size of the fire against what is connected.'),
  'steam-return-restricted': other('steam', 'Return restricted', 2, 'clear-return', 'condensate is late: the level sinks while it steams', 'Clear the return and its drip legs; suck or snake long lines.'),
  'steam-relief-passing': other('steam', 'Relief passing', 1.5, 'change-relief', 'drips with the pressure right', 'Change the relief for one of the same rating; drip leg.'),
  'steam-vents-failed': other('steam', 'Vents failed', 3, 'change-vents', 'vents stay shut, or spit', 'Change the vents, mains before radiators; look for standing water.'),
  'steam-drain-blocked': other('steam', 'Drain blocked', 1, 'clear-drain', 'little or nothing comes at the drain', 'Clear the drain cock and flush the mud leg, loop port too.'),
  'steam-water-untreated': other('steam', 'Water untreated', 2, 'treat-water', 'pH outside 9 to 11, or no treatment left', 'Treat by the maker’s limits, chased in with water; not so for aluminium.'),
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

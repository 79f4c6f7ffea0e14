import { atmosphericBar, staticHeadBar } from './atmosphere';
import { boilerWaterL } from './boilerWater';
import { placesOf } from './placesOnMap';
import type { CircuitFluid } from '../water/fluid';
import { vesselsOf, type CircuitSheet, type Vessel } from './CircuitSheet';
import { contentOfEmittersL } from './contentOfEmitters';

/** A sealed circuit with a number for everything, and how far each may be off. */
export interface ResolvedCircuit {
  atmosphericBar: number;
  fluid: CircuitFluid;
  contentL: number;
  /** Relative standard deviation of the content. 0.15 for an estimate stands for ±25 % at nine in ten. */
  contentSpread: number;
  /** Sum of the vessels' nominal volumes. */
  vesselL: number;
  vesselSpread: number;
  staticGaugeBar: number;
  /** Static head from the gauge up to the vessel's connection; negative where it hangs lower. Several vessels: the first's. */
  vesselStaticBar: number;
  prechargeGaugeBar: number;
  prechargeFrom: 'target' | 'label' | 'static-head';
  /** How far a charge that is in order may lie from it, standard deviation, bar. */
  chargeSpreadBar: number;
  fillGaugeBar: number;
  /** How far the charge and the fill wanted may lie from what is taken here, standard deviation, bar: 0 where label, target or feed tell
   *  them. */
  fillSpreadBar: number;
  /** From where a pressurisation unit pumps, up to the fill; null where none feeds, or its limit is not known. */
  cutInGaugeBar: number | null;
  reliefSetGaugeBar: number;
  /** A reducing valve or a unit keeps the cold pressure up. */
  fedByItself: boolean;
  /** Of circuits of this sheet that could feed themselves, those whose feed is out of service: 1 where nothing feeds. */
  feedShutShare: number;
  mainsGaugeBar: number;
  stretchLPerBar: number;
  maxFlowC: number;
  heatOutputKw: number;
  /** Water of the boiler itself, L, and whether somebody said so. */
  boilerWaterL: number;
  boilerWaterSaid: boolean;
  /** How likely the vessel stands on the boiler's side of its valves. */
  vesselAtBoiler: number;
  gaugeStepBar: number;
  /** The sheet's fields that were not given and are assumed here. */
  assumed: string[];
}

/** Content where nobody knows it: 4 L/kW (24 kW and 95 L), and a vessel's volume over 0.09 of it (0.083 and 0.109 L a litre for fills of
 *  0.5 and 1 bar: BS 5449, from memory). Both are rough; their geometric mean is less so. Common practice. */
const LITRES_PER_KW = 4,
  VESSEL_SHARE = 0.09;
/** What a gauge is read to, bar: a dial of tenths, a sensor of hundredths; one with coloured zones for numbers is guessed at. Common
 *  practice. */
const STEP_BAR = { dial: 0.1, sensor: 0.01, unnumbered: 0.3 } as const;
/** How far a content by the emitters is off, in its logarithm. Common practice: about a quarter. */
const BY_EMITTERS_SPREAD = 0.25;
/** Content of a circuit of which nothing is known but how it is filled, L. Common practice. */
const USUAL_HOME_L = 95,
  USUAL_PLANT_L = 1500;

/** Fills the gaps of a sealed circuit's sheet. The charge: the target if given, else the label if it covers the static head + 0.2,
 *  else static head + 0.25. The fill: what the feed is set to, else charge + 0.3 (EN 12828, from memory), not below static + 0.5. */
export function resolveCircuit(sheet: CircuitSheet): ResolvedCircuit {
  const assumed: string[] = [];
  const take = <T>(field: string, value: T | undefined, otherwise: T): T => {
    if (value !== undefined) return value;
    assumed.push(field);
    return otherwise;
  };
  const vessels = vesselsOf(sheet);
  const first = vessels[0];
  const knownVesselL = vessels.reduce((sum, v) => sum + (v.nominalVolumeL ?? 0), 0);
  const reliefSetGaugeBar = sheet.reliefValve?.setBar ?? USUAL_RELIEF_BAR;
  const cutInGaugeBar = sheet.fill?.kind === 'pressurisation-unit' ? (sheet.fill.cutInBar ?? null) : null;
  // What feeds by itself was set by the height of the building: half a bar above the head.
  const fedFromGaugeBar = sheet.fill?.kind === 'reducing-valve' ? (sheet.fill.setBar ?? null) : cutInGaugeBar;
  const staticGaugeBar = staticHeadBar(
    take(
      'staticHeadM',
      sheet.staticHeadM,
      fedFromGaugeBar !== null ? headUnderM(fedFromGaugeBar) : unmeasuredHeadM(sheet, reliefSetGaugeBar, first),
    ),
  );
  const vesselStaticBar = staticHeadBar(first?.heightAboveGaugeM ?? 0);
  // A vessel only has to carry the water that stands above it.
  const charge = resolveCharge(vessels, Math.max(0, staticGaugeBar - vesselStaticBar), assumed);
  const fillGaugeBar = fillFor(sheet, charge.prechargeGaugeBar + vesselStaticBar, staticGaugeBar);
  const content = resolveContent(sheet, knownVesselL, assumed),
    fillSpreadBar = spreadOfFill(sheet, charge.prechargeFrom, reliefSetGaugeBar, assumed);
  return {
    atmosphericBar: atmosphericBar(sheet.altitudeM ?? 0),
    ...content,
    vesselL: knownVesselL > 0 ? knownVesselL : take('vessel.nominalVolumeL', undefined, Math.max(8, 0.08 * content.contentL)),
    vesselSpread: knownVesselL > 0 ? 0.03 : 0.25,
    fluid: sheet.glycolPercent ? { glycol: sheet.glycol ?? 'propylene', massPercent: sheet.glycolPercent } : 'water',
    staticGaugeBar,
    vesselStaticBar,
    ...charge,
    cutInGaugeBar,
    chargeSpreadBar: charge.prechargeFrom === 'static-head' ? Math.hypot(UNSAID_CHARGE_SD, fillSpreadBar) : DRIFTED_CHARGE_SD,
    fillGaugeBar,
    fillSpreadBar,
    fedByItself: feedsItself(sheet),
    feedShutShare: feedShutShare(sheet),
    reliefSetGaugeBar: take('reliefValve.setBar', sheet.reliefValve?.setBar, USUAL_RELIEF_BAR),
    mainsGaugeBar: take('fill.mainsBar', sheet.fill?.mainsBar, Math.max(3.5, fillGaugeBar + 1)),
    stretchLPerBar: 0.02 + 0.0003 * content.contentL,
    // Not on the sheet: by the content, as the content is taken by the output.
    heatOutputKw: sheet.heatOutputKw ?? content.contentL / LITRES_PER_KW,
    boilerWaterL: boilerWaterL(sheet).litres,
    boilerWaterSaid: !boilerWaterL(sheet).assumed,
    vesselAtBoiler: vesselAtBoiler(sheet),
    maxFlowC: take('maxFlowC', sheet.maxFlowC, 75),
    gaugeStepBar: take('gauge.resolutionBar', sheet.gauge?.resolutionBar, STEP_BAR[sheet.gauge?.kind ?? 'dial']),
    assumed,
  };
}

/** Where the vessel stands, as far as somebody said so, or as such plants mostly are. Common practice. */
function vesselAtBoiler(sheet: CircuitSheet): number {
  const said = sheet.valveMap?.vessel !== undefined,
    atBoiler = placesOf(sheet).vessel === 'boiler';
  return said ? (atBoiler ? 1 : 0) : atBoiler ? MOSTLY : 1 - MOSTLY;
}
const MOSTLY = 0.8;

function resolveContent(sheet: CircuitSheet, vesselL: number, assumed: string[]): { contentL: number; contentSpread: number } {
  if (sheet.waterVolumeL !== undefined)
    return { contentL: sheet.waterVolumeL, contentSpread: sheet.waterVolumeSource === 'measured' ? 0.03 : 0.15 };
  assumed.push('waterVolumeL');
  const byEmittersL = contentOfEmittersL(sheet.emitters);
  if (byEmittersL !== null) return { contentL: byEmittersL, contentSpread: BY_EMITTERS_SPREAD };
  const byVesselL = vesselL / VESSEL_SHARE;
  if (sheet.heatOutputKw !== undefined) {
    const byOutputL = LITRES_PER_KW * sheet.heatOutputKw;
    return { contentL: vesselL > 0 ? Math.sqrt(byOutputL * byVesselL) : byOutputL, contentSpread: 0.35 };
  }
  if (vesselL > 0) return { contentL: byVesselL, contentSpread: 0.4 };
  return { contentL: sheet.fill?.kind === 'pressurisation-unit' ? USUAL_PLANT_L : USUAL_HOME_L, contentSpread: 0.45 };
}

/** A charge that was set once has drifted a little; one that stands on no label was set to some school's figure: some set a bar whatever
 *  the head, or what the feed holds. Common practice. */
const DRIFTED_CHARGE_SD = 0.09,
  UNSAID_CHARGE_SD = 0.18;

/** One charge for all vessels: each one's own by its volume, so that their gas together stays what it is. */
function resolveCharge(
  vessels: Vessel[],
  staticAboveBar: number,
  assumed: string[],
): Pick<ResolvedCircuit, 'prechargeGaugeBar' | 'prechargeFrom'> {
  const single = (v: Vessel | undefined) => chargeOfVessel(v, staticAboveBar);
  const lead = single(vessels[0]);
  if (lead.prechargeFrom === 'static-head' && vessels[0]?.labelPrechargeBar === undefined) assumed.push('vessel.labelPrechargeBar');
  const volumes = vessels.map((v) => v.nominalVolumeL ?? 0),
    total = volumes.reduce((a, b) => a + b, 0);
  if (vessels.length < 2 || total === 0) return lead;
  return { ...lead, prechargeGaugeBar: vessels.reduce((sum, v, i) => sum + (single(v).prechargeGaugeBar * volumes[i]!) / total, 0) };
}

/** What one vessel's charge should be, from its own target, its label where that carries the water above it, or that head. */
export function chargeOfVessel(
  vessel: Vessel | undefined,
  staticAboveBar: number,
): Pick<ResolvedCircuit, 'prechargeGaugeBar' | 'prechargeFrom'> {
  if (vessel?.targetPrechargeBar !== undefined) return { prechargeGaugeBar: vessel.targetPrechargeBar, prechargeFrom: 'target' };
  const label = vessel?.labelPrechargeBar;
  if (label !== undefined && label >= staticAboveBar + 0.2) return { prechargeGaugeBar: label, prechargeFrom: 'label' };
  return { prechargeGaugeBar: Math.max(0.5, Math.round((staticAboveBar + 0.25) * 20) / 20), prechargeFrom: 'static-head' };
}

/** The same circuit with its vessel brought down to the gauge: it takes and gives as before where the atmosphere is less by the head
 *  between and the charge more, since its gas sees P − head. What reckons at the gauge then need not know where the vessel hangs. */
export function atGaugeLevel(c: ResolvedCircuit): ResolvedCircuit {
  return c.vesselStaticBar === 0
    ? c
    : { ...c, atmosphericBar: c.atmosphericBar - c.vesselStaticBar, prechargeGaugeBar: c.prechargeGaugeBar + c.vesselStaticBar };
}

function fillFor(sheet: CircuitSheet, prechargeGaugeBar: number, staticGaugeBar: number): number {
  const fed =
    sheet.fill?.kind === 'reducing-valve'
      ? sheet.fill.setBar
      : sheet.fill?.kind === 'pressurisation-unit'
        ? sheet.fill.cutOutBar
        : undefined;
  return fed ?? leastFillGaugeBar(prechargeGaugeBar, staticGaugeBar) + (isUnitOfUnknownLimits(sheet) ? UNIT_BAND_BAR : 0);
}

/** A unit holds a plant between limits that somebody set by a building's height; where nobody wrote down either, what it holds lies about
 *  halfway up to the relief. It fills to so much above the least that the plant needs. Common practice. */
const isUnitOfUnknownLimits = ({ fill }: CircuitSheet): boolean =>
  fill?.kind === 'pressurisation-unit' && fill.cutInBar === undefined && fill.cutOutBar === undefined;
const UNIT_FILL_SHARE = 0.5,
  UNIT_BAND_BAR = 0.2,
  UNIT_SPREAD_SHARE = 0.13,
  UNIT_SPREAD_BAR = 0.25;
/** A feed is set half a bar above the head. */
const headUnderM = (fedGaugeBar: number): number => Math.max(0, fedGaugeBar - 0.5) / staticHeadBar(1);

/** With no label the charge was set to some school's figure; with no height either, to carry a building that nobody described: higher ones
 *  have higher reliefs. Common practice. */
function spreadOfFill(
  sheet: CircuitSheet,
  prechargeFrom: ResolvedCircuit['prechargeFrom'],
  reliefSetGaugeBar: number,
  assumed: readonly string[],
): number {
  if (isUnitOfUnknownLimits(sheet))
    return assumed.includes('staticHeadM') && prechargeFrom === 'static-head'
      ? UNIT_SPREAD_SHARE * Math.max(USUAL_RELIEF_BAR, reliefSetGaugeBar)
      : UNIT_SPREAD_BAR;
  if (prechargeFrom !== 'static-head' || (sheet.fill?.setBar ?? sheet.fill?.cutOutBar) !== undefined) return 0;
  return assumed.includes('staticHeadM') ? 0.1 * Math.max(USUAL_RELIEF_BAR, reliefSetGaugeBar) : 0.12;
}

/** A home's relief, bar, and the water above its gauge, m. Common practice. */
const USUAL_RELIEF_BAR = 3,
  USUAL_HEAD_M = 5;

/** Water above the gauge where nobody measured it, m: a house of two floors under a relief of 3 bar; a relief that is set higher stands
 *  under a higher building, but none that the vessel's label would not carry, since a label is not set aside for a height that nobody knows;
 *  and a plant under what a unit of unknown limits holds. Common practice. */
function unmeasuredHeadM(sheet: CircuitSheet, reliefSetGaugeBar: number, vessel: Vessel | undefined): number {
  if (isUnitOfUnknownLimits(sheet)) return Math.max(USUAL_HEAD_M, headUnderM(UNIT_FILL_SHARE * reliefSetGaugeBar - UNIT_BAND_BAR));
  const labelBar = vessel?.targetPrechargeBar ?? vessel?.labelPrechargeBar,
    byReliefM = USUAL_HEAD_M * Math.max(1, reliefSetGaugeBar / USUAL_RELIEF_BAR) ** 2;
  return labelBar === undefined ? byReliefM : Math.min(byReliefM, Math.max(0, (labelBar - 0.25) / staticHeadBar(1)));
}

/** A reducing valve or a unit keeps the cold pressure up, unless its stop valve is kept shut. */
export const feedsItself = (sheet: CircuitSheet): boolean => isAutomaticFeed(sheet) && sheet.fill?.valve !== 'shut';

/** A reducing valve or a unit is fitted, in service or not. */
export const isAutomaticFeed = ({ fill }: Pick<CircuitSheet, 'fill'>): boolean =>
  fill?.kind === 'reducing-valve' || fill?.kind === 'pressurisation-unit';

/** How often a feed's stop valve is kept shut: of a valve that somebody saw open hardly ever, of a unit seldom, since it is in service
 *  unless said; of a reducing valve that nobody looked at now and then. Common practice. */
function feedShutShare(sheet: CircuitSheet): number {
  if (!feedsItself(sheet)) return 1;
  return sheet.fill?.valve === 'open' ? SEEN_OPEN : sheet.fill?.kind === 'pressurisation-unit' ? UNIT_SHUT : VALVE_SHUT;
}
const SEEN_OPEN = 0.02,
  UNIT_SHUT = 0.04,
  VALVE_SHUT = 0.15;

/** The least cold pressure that is right: a unit lets it fall to its lower limit, all else stands at the fill. */
export const heldFromGaugeBar = (c: ResolvedCircuit): number => c.cutInGaugeBar ?? c.fillGaugeBar;

/** Fill wanted where nothing feeds the circuit: charge + 0.3 bar (EN 12828, from memory), not below the static head + 0.5. */
export const leastFillGaugeBar = (prechargeGaugeBar: number, staticGaugeBar: number): number =>
  Math.max(prechargeGaugeBar + 0.3, staticGaugeBar + 0.5);

import { vesselsOf, type CircuitSheet } from './CircuitSheet';
import { expectedPressure } from './expectedPressure';
import { resolveCircuit } from './resolveCircuit';

/** Something on the sheet that cannot be right, or needs care: a stable code, the field, and the numbers for its sentence. */
export interface SheetWarning {
  code:
    | 'charge-below-static-head'
    | 'relief-capacity-below-output'
    | 'relief-old'
    | 'valve-before-vessel'
    | 'hot-near-relief'
    | 'fill-above-relief'
    | 'vessel-unknown'
    | 'relief-above-vessel-rating'
    | 'loop-left-connected'
    | 'open-vented'
    | 'feed-bypass-open'
    | 'no-relief';
  field: string;
  data: Record<string, number>;
}

/** Plausibility of a sealed circuit's sheet. Ten years for a relief: common practice. Empty for steam. */
export function sheetWarnings(sheet: CircuitSheet): SheetWarning[] {
  if (sheet.kind !== 'sealed-hot-water') return [];
  const c = resolveCircuit(sheet);
  const out: SheetWarning[] = [];
  const relief = sheet.reliefValve;
  const vessels = vesselsOf(sheet);
  const aboveVesselBar = c.staticGaugeBar - c.vesselStaticBar;
  if (c.prechargeGaugeBar < aboveVesselBar)
    out.push({ code: 'charge-below-static-head', field: 'vessel', data: { chargeBar: c.prechargeGaugeBar, staticBar: aboveVesselBar } });
  if (relief?.capacityKw !== undefined && sheet.heatOutputKw !== undefined && relief.capacityKw < sheet.heatOutputKw)
    out.push({
      code: 'relief-capacity-below-output',
      field: 'reliefValve.capacityKw',
      data: { capacityKw: relief.capacityKw, outputKw: sheet.heatOutputKw },
    });
  if ((relief?.ageYears ?? 0) > 10) out.push({ code: 'relief-old', field: 'reliefValve.ageYears', data: { ageYears: relief!.ageYears! } });
  if (!relief) out.push({ code: 'no-relief', field: 'reliefValve', data: {} });
  if (sheet.openVented) out.push({ code: 'open-vented', field: 'openVented', data: {} });
  const weakest = Math.min(...vessels.flatMap((v) => (v.maxBar === undefined ? [] : [v.maxBar])));
  if (relief && weakest < relief.setBar)
    out.push({ code: 'relief-above-vessel-rating', field: 'vessel.maxBar', data: { setBar: relief.setBar, ratedBar: weakest } });
  if (sheet.fill?.kind === 'manual-loop' && sheet.fill.leftConnected)
    out.push({ code: 'loop-left-connected', field: 'fill.leftConnected', data: {} });
  if (sheet.components?.some((p) => p.kind === 'feed-bypass' && p.state !== undefined && p.state !== 'shut'))
    out.push({ code: 'feed-bypass-open', field: 'components', data: {} });
  if (vessels.some((v) => v.isolationValve && v.isolationValve !== 'none'))
    out.push({ code: 'valve-before-vessel', field: 'vessel.isolationValve', data: {} });
  if (!vessels.some((v) => v.nominalVolumeL !== undefined)) out.push({ code: 'vessel-unknown', field: 'vessel.nominalVolumeL', data: {} });
  if (c.fillGaugeBar >= c.reliefSetGaugeBar)
    out.push({ code: 'fill-above-relief', field: 'reliefValve.setBar', data: { fillBar: c.fillGaugeBar, setBar: c.reliefSetGaugeBar } });
  else {
    const hot = expectedPressure({ circuit: c, coldGaugeBar: c.fillGaugeBar, coldC: 15, flowC: c.maxFlowC });
    if (hot.gaugeBar > c.reliefSetGaugeBar - 0.3)
      out.push({ code: 'hot-near-relief', field: 'vessel.nominalVolumeL', data: { hotBar: hot.gaugeBar, setBar: c.reliefSetGaugeBar } });
  }
  return out;
}

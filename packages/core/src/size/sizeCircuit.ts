import type { CircuitSheet } from '../circuit/CircuitSheet';
import { expectedPressure } from '../circuit/expectedPressure';
import { atGaugeLevel, resolveCircuit } from '../circuit/resolveCircuit';
import { sheetWarnings, type SheetWarning } from '../circuit/sheetWarnings';
import { acceptedWaterL } from '../vessel/acceptedWater';
import { chargeBySchool, type ChargeBySchool } from './chargeSchools';
import {
  diaphragmTankUsL,
  expansionOfContentL,
  finalDesignGaugeBar,
  finalUsGaugeBar,
  leastVesselEn12828L,
  vesselPerLitreOfContent,
} from './vesselSize';

/** What the sheet of a sealed circuit works out to. Pressures bar gauge, volumes L. */
export interface CircuitSizing {
  prechargeBar: ChargeBySchool & { chosen: number; chosenFrom: string };
  fillBar: number;
  /** Growth of the whole content from 10 °C to the greatest flow temperature, water only. */
  expansionL: number;
  /** Water the vessel takes between the fill and half a bar below the relief. */
  acceptanceL: number;
  /** Expected hot pressure of a healthy circuit, from the fill at 15 °C. */
  hotBar: number;
  leastVesselL: { en12828: number | null; diaphragmUs: number | null; perLitreTable: number | null };
  /** By which of these methods a vessel is judged: that of its market. */
  method: 'en12828' | 'diaphragmUs';
  warnings: SheetWarning[];
  assumed: string[];
}

/** A circuit built as in North America: fed by a reducing valve, relief 30 psi. Common practice. */
const ofUsMarket = ({ fill, reliefValve }: CircuitSheet): boolean =>
  fill?.kind === 'reducing-valve' && Math.abs((reliefValve?.setBar ?? 0) - US_RELIEF_BAR) < 0.05;
const US_RELIEF_BAR = 2.07;

const COLD_C = 10;

/** @throws {OutOfRangeError} for numbers outside the ranges of the functions it calls */
export function sizeCircuit(sheet: CircuitSheet): CircuitSizing {
  const c = resolveCircuit(sheet),
    seen = atGaugeLevel(c);
  const finalGaugeBar = finalDesignGaugeBar(c.reliefSetGaugeBar);
  const at = (systemGaugeBar: number) =>
    acceptedWaterL({
      nominalVolumeL: c.vesselL,
      prechargeGaugeBar: seen.prechargeGaugeBar,
      systemGaugeBar,
      atmosphericBar: seen.atmosphericBar,
    });
  const chargeFits = c.prechargeGaugeBar < finalGaugeBar;
  return {
    prechargeBar: { ...chargeBySchool(sheet), chosen: c.prechargeGaugeBar, chosenFrom: c.prechargeFrom },
    fillBar: c.fillGaugeBar,
    expansionL: expansionOfContentL(c.contentL, COLD_C, c.maxFlowC, c.fluid),
    acceptanceL: Math.max(0, at(finalGaugeBar) - at(c.fillGaugeBar)),
    hotBar: expectedPressure({ circuit: c, coldGaugeBar: c.fillGaugeBar, coldC: 15, flowC: c.maxFlowC }).gaugeBar,
    leastVesselL: {
      en12828: chargeFits
        ? leastVesselEn12828L({
            contentL: c.contentL,
            coldC: COLD_C,
            hotC: c.maxFlowC,
            prechargeGaugeBar: Math.max(0, c.prechargeGaugeBar),
            reliefSetGaugeBar: c.reliefSetGaugeBar,
            fluid: c.fluid,
          })
        : null,
      diaphragmUs:
        c.fillGaugeBar < finalUsGaugeBar(c.reliefSetGaugeBar)
          ? diaphragmTankUsL({
              contentL: c.contentL,
              coldC: COLD_C,
              hotC: c.maxFlowC,
              fillGaugeBar: c.fillGaugeBar,
              hotGaugeBar: finalUsGaugeBar(c.reliefSetGaugeBar),
              atmosphericBar: c.atmosphericBar,
            })
          : null,
      perLitreTable:
        c.reliefSetGaugeBar === 3 && c.prechargeGaugeBar >= 0 && c.prechargeGaugeBar <= 2
          ? c.contentL * vesselPerLitreOfContent(c.prechargeGaugeBar)
          : null,
    },
    method: ofUsMarket(sheet) ? 'diaphragmUs' : 'en12828',
    warnings: sheetWarnings(sheet),
    assumed: c.assumed,
  };
}

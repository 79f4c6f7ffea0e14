import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import type { FaultId } from '../judge/faults';
import type { PlantSetup } from './PlantSetup';

/** What one fault does to the plant at a severity of 0 (just counts) to 1 (gross). */
type Bend = (plant: PlantSetup, severity: number, circuit: ResolvedCircuit) => void;

const between = (least: number, most: number, severity: number) => least + (most - least) * severity;
/** Leaks spread over decades: geometric between the ends. */
const decade = (least: number, most: number, severity: number) => least * Math.pow(most / least, severity);

/** One row a fault that shows in the pressure of a sealed circuit. */
export const PLANT_FAULTS: Partial<Record<FaultId, Bend>> = {
  none: () => {},
  'vessel-undercharged': (p, s, c) => {
    p.prechargeGaugeBar = between(c.prechargeGaugeBar - 0.2, -0.9, s);
  },
  'vessel-diaphragm-failed': (p, s, c) => {
    p.prechargeGaugeBar = between(Math.min(0.1, c.prechargeGaugeBar - 0.2), -0.95, s);
  },
  'vessel-gas-valve-leaking': (p, s) => {
    p.gasLossPerH = decade(0.0005, 0.02, s);
  },
  'vessel-connection-blocked': (p) => {
    p.vesselConnected = false;
  },
  'vessel-isolated': (p) => {
    p.vesselConnected = false;
  },
  'vessel-undersized': (p, s) => {
    p.contentL *= between(1.5, 2.6, s);
  },
  'vessel-overcharged': (p, s, c) => {
    p.prechargeGaugeBar = between(c.prechargeGaugeBar + 0.4, c.prechargeGaugeBar + 1.6, s);
  },
  'relief-valve-passing': (p, s) => {
    p.reliefPassing = decade(0.03, 3, s);
  },
  'relief-valve-lifts-early': (p, s, c) => {
    p.reliefLiftGaugeBar = between(c.reliefSetGaugeBar - 0.4, Math.max(c.fillGaugeBar + 0.15, 0.5 * c.reliefSetGaugeBar), s);
    p.reliefReseatGaugeBar = 0.88 * p.reliefLiftGaugeBar;
  },
  'fill-loop-passing': (p, s) => {
    p.inflowByFill = decade(0.05, 6, s);
  },
  'fill-bypass-open': (p, s) => {
    p.inflowByFill = decade(1, 30, s);
  },
  'reducing-valve-creeping': (p, s) => {
    p.inflowByFill = decade(0.05, 3, s);
  },
  'reducing-valve-set-high': (p, s, c) => {
    p.feedHoldsGaugeBar = c.fillGaugeBar + between(0.35, 1.2, s);
    p.startGaugeBar = p.feedHoldsGaugeBar;
  },
  // A pump that does not start leaves the plant to whatever it loses; from the middle on the switch sticks instead, and it pumps past its
  // cut-out.
  'pressurisation-unit-fault': (p, s, c) => {
    p.feedHoldsGaugeBar = null;
    if (s < 0.5 || !p.unit) {
      p.unit = null;
      p.startGaugeBar = between(c.fillGaugeBar - 0.3, 0.3, Math.min(1, 2 * s));
      return;
    }
    p.unit = {
      ...p.unit,
      cutOutGaugeBar: p.unit.cutOutGaugeBar + between(0.3, 1.5, 2 * s - 1),
      cutInGaugeBar: p.unit.cutInGaugeBar + between(0.3, 1.5, 2 * s - 1),
    };
  },
  'feed-starved': (p, s, c) => {
    p.feedHoldsGaugeBar = null;
    p.unit = null;
    p.startGaugeBar = between(c.fillGaugeBar - 0.3, 0.2, s);
  },
  'dhw-plate-perforated': (p, s) => {
    p.inflowByCoil = decade(0.05, 6, s);
  },
  'dhw-coil-perforated': (p, s) => {
    p.inflowByCoil = decade(0.05, 6, s);
  },
  'circuit-leak': (p, s) => {
    p.leak = decade(0.03, 3, s);
  },
  'boiler-exchanger-leak': (p, s) => {
    p.leak = decade(0.03, 3, s);
    p.leakAtBoiler = true;
  },
  'gauge-misreading': (p, s) => {
    p.gauge.offsetBar = (s < 0.5 ? -1 : 1) * between(0.25, 0.9, Math.abs(2 * s - 1));
  },
  'air-in-circuit': (p, s) => {
    p.airBarL = between(1, 6, s);
  },
  'air-vent-faulty': (p, s) => {
    p.leak = decade(0.03, 0.5, s);
  },
  'fill-pressure-too-low': (p, s, c) => {
    p.startGaugeBar = between(Math.min(c.staticGaugeBar + 0.2, c.fillGaugeBar - 0.35), 0.05, s);
  },
  'fill-pressure-too-high': (p, s, c) => {
    p.startGaugeBar = between(c.fillGaugeBar + 0.7, c.reliefSetGaugeBar - 0.2, s);
  },
  'boiler-overheating': (p, s) => {
    p.maxFlowC += between(10, 25, s);
  },
};

import type { Doing } from './Doing';
import { runPlant } from './runPlant';

/** A watch with no heat, after something was shut; its length is what the tool asked for, or one of the usual. */
export function watchedChange({ p, r, read, watchMin }: Doing, action: string | null, usualMin: number[]): Record<string, unknown> {
  const minutes = watchMin ?? r.pick(usualMin);
  const t = runPlant({ ...p, roomC: 18 }, { durationS: 60 * minutes, heat: [], actions: action ? [{ atS: 0, kind: action }] : [] });
  const start = t.systemBar[0]!,
    end = t.systemBar.at(-1)!;
  const shownEnd = start + (1 - p.gauge.stuckShare) * (end - start);
  return { startBar: read(start), endBar: read(shownEnd), minutes, heating: false };
}

/** Boiler and circuit shut off from each other and left: each loses what leaks on its side. A boiler with its own vessel falls slowly, the
 *  pipes without one at once. */
export function isolatedHold({ p, r, read }: Doing): Record<string, unknown> {
  const minutes = r.pick([60, 120, 600]),
    hours = minutes / 60;
  const vesselAtBoiler = p.kind === 'wall-boiler';
  const room = (withVessel: boolean) =>
    p.stretchLPerBar +
    0.02 +
    (withVessel && p.vesselOpen ? (Math.max(0.05, p.chargeBar + 1.013) * p.vesselL) / (p.coldBar + 1.013) ** 2 : 0);
  const after = (lossPerH: number, gainPerH: number, withVessel: boolean) =>
    Math.min(p.mainsBar, Math.max(0, p.coldBar + ((gainPerH - lossPerH) * hours) / room(withVessel)));
  const root = Math.sqrt(Math.max(0, p.coldBar)),
    over = Math.sqrt(Math.max(0, p.mainsBar - p.coldBar));
  const boilerEnd = after(
    (p.leakInBoiler ? p.leak : 0) * root + p.reliefDrip * root,
    (p.dhw === 'plate-exchanger' ? p.seepCoil : 0) * over,
    vesselAtBoiler,
  );
  const circuitEnd = after(
    (p.leakInBoiler ? 0 : p.leak) * root,
    (p.seepFill + (p.dhw === 'indirect-coil' ? p.seepCoil : 0)) * over,
    !vesselAtBoiler,
  );
  const start = read(p.coldBar);
  return {
    boilerStartBar: start,
    boilerEndBar: read(boilerEnd),
    ...(r.chance(0.6) ? { circuitStartBar: start, circuitEndBar: read(circuitEnd) } : {}),
    minutes,
  };
}

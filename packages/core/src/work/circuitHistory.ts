import { heldL } from '../circuit/balance';
import { balanceOf, topUpL } from '../circuit/balanceOf';
import type { CircuitSheet } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';

/** What one visit, or one look by the customer, adds to a circuit's history. */
export interface HistoryPoint {
  at: string;
  coldBar?: number;
  topUps?: number;
  /** Charge as found, and as left when it was set. */
  chargeFoundBar?: number;
  chargeLeftBar?: number;
}

export interface CircuitHistory {
  /** How the charge falls between what one visit left and the next found, bar a year; null until there are two. */
  chargeLoss: { perYear: number } | null;
  /** Water lost, L a month, from the top-ups told or from the fall of the cold pressure between visits with no top-up. */
  waterLossLPerMonth: number | null;
  /** Days until the charge is 0.15 below its target at that pace. */
  daysToLow: number | null;
}

const DAY_MS = 86_400_000,
  MONTH_DAYS = 30.4,
  LOW_BELOW_BAR = 0.15;

/** Trends across visits. About 0.07 bar a year is a vessel's natural loss (common practice); more is a core or a diaphragm. */
export function circuitHistory(points: readonly HistoryPoint[], sheet: CircuitSheet): CircuitHistory {
  const c = resolveCircuit(sheet),
    balance = balanceOf(c),
    aTopUpL = topUpL(c);
  const sorted = [...points].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const falls: { bar: number; days: number }[] = [],
    lossesL: { litres: number; days: number }[] = [];
  let left: { bar: number; at: string } | null = null,
    cold: { bar: number; at: string } | null = null;
  for (const p of sorted) {
    if (left && p.chargeFoundBar !== undefined) {
      const days = (Date.parse(p.at) - Date.parse(left.at)) / DAY_MS;
      if (days >= 1) falls.push({ bar: left.bar - p.chargeFoundBar, days });
    }
    const leftNow = p.chargeLeftBar ?? p.chargeFoundBar;
    if (leftNow !== undefined) left = { bar: leftNow, at: p.at };
    if (cold && p.coldBar !== undefined) {
      const days = (Date.parse(p.at) - Date.parse(cold.at)) / DAY_MS;
      const fell = heldL(balance, cold.bar) - heldL(balance, p.coldBar);
      if (days >= 1 && ((p.topUps ?? 0) > 0 || fell > 0)) lossesL.push({ litres: (p.topUps ?? 0) * aTopUpL + Math.max(0, fell), days });
    }
    if (p.coldBar !== undefined) cold = { bar: p.coldBar, at: p.at };
  }
  const days = falls.reduce((s, f) => s + f.days, 0),
    bar = falls.reduce((s, f) => s + f.bar, 0);
  const chargeLoss = days > 0 ? { perYear: (bar / days) * 365 } : null;
  const lossDays = lossesL.reduce((s, l) => s + l.days, 0);
  const pace = chargeLoss ? chargeLoss.perYear / 365 : 0;
  return {
    chargeLoss,
    waterLossLPerMonth: lossDays > 0 ? (lossesL.reduce((s, l) => s + l.litres, 0) / lossDays) * MONTH_DAYS : null,
    daysToLow: left && pace > 1e-5 ? Math.max(0, (left.bar - (c.prechargeGaugeBar - LOW_BELOW_BAR)) / pace) : null,
  };
}

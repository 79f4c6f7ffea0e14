import type { CircuitSheet } from '../circuit/CircuitSheet';
import type { Case } from './Case';

/** The sheet with what the visit shows of the plant where the sheet is silent: nobody parts a fill loop, isolates a coil or listens at a
 *  plate exchanger that is not there, nor changes one. What the sheet says stands, but for a vessel's valve: one that was found open or
 *  closed is there, whatever the sheet says. */
export function asTheVisitShows({ circuit, logs = [], findings = [], alreadyDone = [], repairs = [] }: Case): CircuitSheet {
  if (circuit.kind === 'steam') return circuit;
  const seen = new Set<string>([
    ...findings.map((f) => f.test),
    ...logs.flatMap((l) => l.events?.map((e) => e.kind) ?? []),
    ...alreadyDone.map((d) => d.part),
    ...repairs.map((r) => r.kind),
  ]);
  const any = (...names: string[]) => names.some((name) => seen.has(name));
  const fill = any('fill-outlet-drip', 'fill-disconnected-watch', 'fill-disconnected', 'fill-loop')
    ? 'manual-loop'
    : any('reducing-valve')
      ? 'reducing-valve'
      : null;
  const hotWater = any('coil-isolated-watch', 'coil-isolated', 'coil-reopened', 'coil', 'coil-changed')
    ? 'indirect-coil'
    : any('listen-at-exchanger', 'plate-exchanger', 'plate-changed')
      ? 'plate-exchanger'
      : null;
  const valve = findings.some((f) => f.test === 'vessel-valve-position' && (f.outcome === 'open' || f.outcome === 'closed'));
  // One that was seen open is in service; one found shut may have been shut by whoever looks for what it hides.
  const seenOpen = findings.some((f) => f.test === 'feed-valve-position' && f.outcome === 'open') && circuit.fill?.valve === undefined;
  return {
    ...circuit,
    ...(seenOpen && circuit.fill ? { fill: { ...circuit.fill, valve: 'open' as const } } : {}),
    ...(valve && (circuit.vessel?.isolationValve ?? 'none') === 'none' ? { vessel: { ...circuit.vessel, isolationValve: 'fitted' } } : {}),
    ...(!circuit.fill && fill ? { fill: { kind: fill } } : {}),
    ...(!circuit.domesticHotWater && hotWater ? { domesticHotWater: { kind: hotWater } } : {}),
  };
}

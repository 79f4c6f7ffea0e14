import type { PositionId } from './positions';

/** A stretch of pipework with nothing to shut inside it. */
export interface Section {
  id: string;
  title: string;
  /** Water in it, L, without what stands in a vessel. */
  litres: number;
  /** Where air can be let in so that it runs out; null where nothing opens. A vessel's own gas pushes its water out. */
  vent: string | null;
}

/** A way between two sections. `valve` is null where they are joined for good. */
export interface Link {
  id: string;
  between: readonly [string, string];
  valve: { title: string; position: PositionId } | null;
}

export type PartOnGraph = 'boiler' | 'vessel' | 'relief' | 'gauge' | 'feed' | 'drain' | 'plate' | 'coil' | 'pump' | 'emitters';

/** A part on the section that it stands on. */
export interface PlacedPart {
  kind: PartOnGraph;
  section: string;
  title: string;
  /** Its place was not stated by anybody. */
  assumed: boolean;
}

/** Where everything stands between the valves: data, so that what can be shut off is worked out and not written down case by case. */
export interface ValveGraph {
  sections: readonly Section[];
  links: readonly Link[];
  parts: readonly PlacedPart[];
}

export const partsOn = (graph: ValveGraph, kind: PartOnGraph, sections: readonly string[]): PlacedPart[] =>
  graph.parts.filter((p) => p.kind === kind && sections.includes(p.section));

/** Sections that stay in one piece when some links are shut, each as a list of section ids in the order of the graph. */
export function regionsOf(graph: ValveGraph, shut: ReadonlySet<string>): string[][] {
  const open = graph.links.filter((l) => !shut.has(l.id)),
    seen = new Set<string>(),
    regions: string[][] = [];
  for (const { id } of graph.sections) {
    if (seen.has(id)) continue;
    const reached = new Set([id]);
    for (let grew = true; grew;) {
      grew = false;
      for (const { between } of open)
        for (const [from, to] of [between, [between[1], between[0]] as const])
          if (reached.has(from) && !reached.has(to)) {
            reached.add(to);
            grew = true;
          }
    }
    reached.forEach((r) => seen.add(r));
    regions.push(graph.sections.map((s) => s.id).filter((s) => reached.has(s)));
  }
  return regions;
}

import type { ResolvedCircuit } from '../circuit/resolveCircuit';
import { fluidGrowth } from '../water/fluid';
import { partsOn, regionsOf, type ValveGraph } from './ValveGraph';

/** What a part of the circuit that was shut off still has. */
export interface Region {
  sections: string[];
  title: string;
  litres: number;
  hasBoiler: boolean;
  hasVessel: boolean;
  hasRelief: boolean;
  hasGauge: boolean;
  isDrained: boolean;
}

/** Change of pressure of water that is shut in with no vessel, bar per kelvin: from about 20 °C, and from about 40 °C. */
export interface TrappedRise {
  lowBarPerK: number;
  highBarPerK: number;
}

/** Each region that is left when some links are shut and some sections are drained. */
export function regionStates(graph: ValveGraph, shut: ReadonlySet<string>, drained: ReadonlySet<string> = new Set()): Region[] {
  return regionsOf(graph, shut).map((sections) => {
    const rows = graph.sections.filter((s) => sections.includes(s.id)),
      has = (kind: Parameters<typeof partsOn>[1]) => partsOn(graph, kind, sections).length > 0;
    return {
      sections,
      title: rows.map((s) => s.title).join(' and '),
      litres: rows.reduce((sum, s) => sum + s.litres, 0),
      hasBoiler: has('boiler'),
      hasVessel: has('vessel'),
      hasRelief: has('relief'),
      hasGauge: has('gauge'),
      isDrained: sections.some((s) => drained.has(s)),
    };
  });
}

/** Whether water is shut in there without something that a whole circuit has. */
export const isTrapped = (r: Region): boolean => !r.isDrained && !(r.hasVessel && r.hasRelief && r.hasGauge);

/** Whether the boiler could be fired as the regions stand: it needs water, a vessel and a relief on its own region. */
export const boilerIsProtected = (regions: readonly Region[]): boolean => {
  const boiler = regions.find((r) => r.hasBoiler);
  return boiler !== undefined && !boiler.isDrained && boiler.hasVessel && boiler.hasRelief;
};

/** How quickly the pressure of water shut in with no vessel follows its temperature: its growth over what pipes and emitters give. A litre
 *  more or less of water in it makes no difference, since both go with its content.
 *  @see net growth of water over the stretch of pipework; about 0.2 to 0.6 bar a kelvin in a home (common practice) */
export function trappedRise(c: ResolvedCircuit): TrappedRise {
  const giveLPerBar = c.stretchLPerBar + WATER_PER_BAR * c.contentL,
    perKAt = (celsius: number) => (c.contentL * fluidGrowth(c.fluid, celsius - 0.5, celsius + 0.5)) / giveLPerBar;
  return { lowBarPerK: perKAt(20), highBarPerK: perKAt(40) };
}
/** How far water itself can be squeezed, share of its volume a bar [memory: CRC Handbook, 4.6e-5 at 20 °C]. */
const WATER_PER_BAR = 4.6e-5;

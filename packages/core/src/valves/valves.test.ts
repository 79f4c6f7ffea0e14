import * as fc from 'fast-check';
import { MAP_SIDES, type CircuitSheet, type PlacesOnMap } from '../circuit/CircuitSheet';
import { resolveCircuit } from '../circuit/resolveCircuit';
import { plainly } from '../units/said';
import { heatRule } from './heatRule';
import { isolation, isolationPlan, type IsolationPlan } from './isolationPlan';
import { trappedText } from './isolationWords';
import { POSITION_IDS, positionRow, toPutBack, type PositionSaid } from './positions';
import { boilerIsProtected, regionStates, trappedRise } from './regionState';
import { RUN_SHEET_IDS, runSheet, runSheetRow } from '../work/runSheets';
import type { Link, PartOnGraph, PlacedPart, ValveGraph } from './ValveGraph';
import { assumedPlaces, placesOf } from '../circuit/placesOnMap';
import { valveGraphOf } from './valveGraphOf';

const WALL: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 95,
  heatOutputKw: 24,
  staticHeadM: 4.5,
  vessel: { nominalVolumeL: 8, labelPrechargeBar: 0.75 },
  reliefValve: { setBar: 3 },
  fill: { kind: 'manual-loop' },
  domesticHotWater: { kind: 'plate-exchanger' },
};
const FED: CircuitSheet = {
  kind: 'sealed-hot-water',
  waterVolumeL: 240,
  heatOutputKw: 40,
  staticHeadM: 5.5,
  vessel: { nominalVolumeL: 35, labelPrechargeBar: 0.83, isolationValve: 'fitted-with-drain' },
  reliefValve: { setBar: 2.07 },
  fill: { kind: 'reducing-valve', setBar: 0.97 },
  domesticHotWater: { kind: 'indirect-coil' },
};
const planFor = (sheet: CircuitSheet, part: PartOnGraph): IsolationPlan => {
  const plan = isolationPlan(valveGraphOf(sheet), { part }, resolveCircuit(sheet));
  if (plan.kind !== 'plan') throw new Error(plan.why);
  return plan;
};

describe('what has to be shut', () => {
  it('a wall boiler’s vessel: its flow and return, its gauge reads zero, and litres by the boiler’s size', () => {
    const plan = planFor(WALL, 'vessel');
    expect([plan.shut.map((v) => v.link), plan.drained, plan.zeroGauge, plan.vent, plan.feedOn]).toEqual([
      ['boiler-flow', 'boiler-return'],
      ['boiler'],
      'gauge',
      'vent over the boiler',
      'drained',
    ]);
    // 24 kW at 0.1 L a kW, and what 8 L at 0.75 bar hold at 1.05 bar: 8 · (1 − 1.76 / 2.06) = 1.2 L.
    expect(Math.abs(plan.litresOut - 3.6)).toBeLessThan(0.15);
    expect(plan.trapped.map((t) => [t.title, t.hasRelief, t.hasVessel])).toEqual([['radiators and pipes', false, false]]);
  });
  it('a vessel on its own valve with a drain: the tank only, and no gauge of the boiler stands for it', () => {
    const plan = planFor(FED, 'vessel');
    expect([plan.shut.map((v) => v.link), plan.drain, plan.drainPosition, plan.zeroGauge, plan.vent]).toEqual([
      ['vessel-valve'],
      'vessel’s own drain',
      'vessel-drain',
      null,
      null,
    ]);
    expect(plan.trapped.every((t) => t.hasRelief)).toBe(true);
  });
  it('an external vessel without a valve is not emptied by a zero at the boiler', () => {
    const sheet: CircuitSheet = { ...FED, vessel: { ...FED.vessel, isolationValve: 'none' } },
      plan = planFor(sheet, 'vessel');
    expect(plan.drained).toContain('circuit');
    const boilerOnly = planFor({ ...sheet, valveMap: { vessel: 'boiler' } }, 'vessel');
    expect(boilerOnly.drained).toEqual(['boiler']);
    expect(plan.litresOut).toBeGreaterThan(5 * boilerOnly.litresOut);
  });
  it('a relief on a fed circuit is changed with the feed off, wherever that stands', () => {
    for (const feed of MAP_SIDES) {
      const steps = runSheet('relief-change', { ...FED, valveMap: { feed } }).steps.map((s) => s.id);
      expect(steps.indexOf('feed-off')).toBeLessThan(steps.indexOf('drain'));
      expect(steps).not.toContain('loop-off');
    }
  });
  it('without a drain there is no plan, and the sheet says why', () => {
    const sheet: CircuitSheet = { ...WALL, valveMap: { drain: 'nowhere' } };
    expect(isolationPlan(valveGraphOf(sheet), { part: 'relief' }, resolveCircuit(sheet))).toEqual({ kind: 'impossible', why: 'no-drain' });
    expect(runSheet('relief-change', sheet)).toMatchObject({ steps: [], refused: expect.stringContaining('No drain') });
  });
  it('says which places nobody stated, and no others', () => {
    expect(assumedPlaces({ ...WALL, valveMap: placesOf(WALL) })).toEqual([]);
    expect(assumedPlaces(WALL)).toContain('relief');
    expect(assumedPlaces(WALL)).not.toContain('coil');
    const stated: CircuitSheet = { ...WALL, valveMap: placesOf(WALL) };
    expect(runSheet('recharge', stated).steps.map((s) => s.id)).not.toContain('where');
    expect(runSheet('recharge', WALL).steps.map((s) => s.id)).toContain('where');
  });
});

describe('water that is shut in', () => {
  it('follows its temperature by 0.2 to 0.6 bar a kelvin in a home (corrections of the trade, row 4)', () => {
    const rise = trappedRise(resolveCircuit(WALL));
    // Cooling 35 → 25 °C falls about 5 bar, warming 15 → 20 °C adds about 1.3 bar, of 95 L.
    expect(rise.lowBarPerK).toBeGreaterThan(0.2);
    expect(rise.highBarPerK).toBeLessThan(0.8);
    expect(Math.abs(10 * ((rise.lowBarPerK + rise.highBarPerK) / 2) - 5)).toBeLessThan(1.5);
  });
  it('is named with what it lacks', () => {
    const [trapped] = planFor(WALL, 'relief').trapped;
    expect(plainly(trappedText(trapped!))).toMatch(/radiators and pipes.*without relief, vessel and gauge.*10 K/);
  });
});

const anyGraph: fc.Arbitrary<ValveGraph> = fc
  .record({
    count: fc.integer({ min: 2, max: 5 }),
    links: fc.array(
      fc.record({
        from: fc.nat(4),
        to: fc.nat(4),
        position: fc.constantFrom('boiler-valves', 'vessel-valve', 'coil-valves', null),
      }),
      { maxLength: 7 },
    ),
    parts: fc.array(
      fc.record({ kind: fc.constantFrom('vessel', 'relief', 'gauge', 'feed', 'drain', 'plate', 'coil', 'pump'), at: fc.nat(4) }),
      { maxLength: 10 },
    ),
    vents: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
  })
  .map(({ count, links, parts, vents }) => {
    const section = (n: number) => `s${n % count}`;
    return {
      sections: Array.from({ length: count }, (_, i) => ({
        id: `s${i}`,
        title: `section ${i}`,
        litres: 5 + i,
        vent: vents[i] ? `vent ${i}` : null,
      })),
      links: links.map(({ from, to, position }, i): Link => ({
        id: `l${i}`,
        between: [section(from), section(to)],
        valve: position === null ? null : { title: `valve ${i}`, position },
      })),
      parts: [
        { kind: 'boiler', section: 's0', title: 'boiler', assumed: false },
        ...parts.map(({ kind, at }, i): PlacedPart => ({
          kind: kind as PartOnGraph,
          section: section(at),
          title: `${kind} ${i}`,
          assumed: false,
        })),
      ],
    };
  });

/** What water can reach from a section when some links are shut: written again, so that the plan does not check itself. */
function reaches(graph: ValveGraph, from: string, shut: readonly string[]): Set<string> {
  const reached = new Set<string>(),
    look = (at: string): void => {
      if (reached.has(at)) return;
      reached.add(at);
      for (const l of graph.links) if (!shut.includes(l.id) && l.between.includes(at)) l.between.forEach(look);
    };
  look(from);
  return reached;
}

describe('any graph, any part', () => {
  const c = resolveCircuit(WALL);
  const parts: PartOnGraph[] = ['vessel', 'relief', 'gauge', 'feed', 'plate', 'coil', 'boiler'];
  it('what is emptied has a drain, ends at shut valves, and every section shut in without something is named', () => {
    let planned = 0;
    fc.assert(
      fc.property(anyGraph, fc.constantFrom(...parts), (graph, part) => {
        const plan = isolationPlan(graph, { part }, c);
        if (plan.kind !== 'plan') return;
        planned++;
        const shut = plan.shut.map((v) => v.link),
          at = graph.parts.find((p) => p.kind === part)!.section,
          wet = reaches(graph, at, shut);
        expect([...wet].sort()).toEqual([...plan.drained].sort());
        expect(graph.parts.some((p) => p.kind === 'drain' && wet.has(p.section))).toBe(true);
        if (plan.zeroGauge !== null)
          expect(graph.parts.some((p) => p.kind === 'gauge' && p.title === plan.zeroGauge && wet.has(p.section))).toBe(true);
        // Whatever stays full and lacks something is told.
        for (const { id } of graph.sections) {
          if (wet.has(id)) continue;
          const region = reaches(graph, id, shut),
            lacks = (['vessel', 'relief', 'gauge'] as const).some((k) => !graph.parts.some((p) => p.kind === k && region.has(p.section)));
          expect(plan.trapped.some((t) => t.sections.includes(id))).toBe(lacks);
        }
        expect(plan.mayFire).toBe(false);
      }),
      { numRuns: 400 },
    );
    expect(planned).toBeGreaterThan(40);
  });
  it('a boiler that may be fired has vessel and relief on its own side', () => {
    const sets = fc.subarray(['boiler-valves', 'vessel-valve', 'coil-valves'] as const);
    let fired = 0;
    fc.assert(
      fc.property(anyGraph, sets, (graph, positions) => {
        const state = isolation(graph, positions, c);
        if (!state.mayFire) return;
        fired++;
        const shut = graph.links.filter((l) => l.valve && positions.includes(l.valve.position as never)).map((l) => l.id),
          wet = reaches(graph, 's0', shut);
        for (const kind of ['vessel', 'relief'] as const) expect(graph.parts.some((p) => p.kind === kind && wet.has(p.section))).toBe(true);
      }),
      { numRuns: 400 },
    );
    expect(fired).toBeGreaterThan(20);
  });
});

const anySheet: fc.Arbitrary<CircuitSheet> = fc
  .record({
    fill: fc.constantFrom('manual-loop', 'reducing-valve', 'pressurisation-unit', 'none'),
    valve: fc.constantFrom('open', 'shut', undefined),
    hotWater: fc.constantFrom('plate-exchanger', 'indirect-coil', 'none'),
    isolationValve: fc.constantFrom('none', 'fitted', 'fitted-with-drain'),
    map: fc.record({
      boilerValves: fc.constantFrom('fitted', 'none'),
      coilValves: fc.constantFrom('fitted', 'none'),
      vessel: fc.constantFrom(...MAP_SIDES),
      relief: fc.constantFrom(...MAP_SIDES),
      gauge: fc.constantFrom(...MAP_SIDES),
      feed: fc.constantFrom(...MAP_SIDES),
      drain: fc.constantFrom(...MAP_SIDES, 'both', 'nowhere'),
      plate: fc.constantFrom(...MAP_SIDES),
      coil: fc.constantFrom(...MAP_SIDES),
      pump: fc.constantFrom(...MAP_SIDES),
    }),
  })
  .map(({ fill, valve, hotWater, isolationValve, map }) => ({
    ...WALL,
    vessel: { ...WALL.vessel, isolationValve: isolationValve as 'none' },
    fill: { kind: fill as 'none', ...(valve ? { valve: valve as 'open' } : {}) },
    domesticHotWater: { kind: hotWater as 'none' },
    valveMap: map as PlacesOnMap,
  }));

describe('run sheets on any circuit', () => {
  it('no step drains with a live feed, none powers up what is not whole, and all is put back but what may stay', () => {
    fc.assert(
      fc.property(anySheet, fc.constantFrom(...RUN_SHEET_IDS), (sheet, id) => {
        const said: PositionSaid[] = [],
          steps = runSheet(id, sheet).steps;
        expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
        let feeds = sheet.fill!.kind !== 'none' && !(sheet.fill!.kind === 'reducing-valve' && sheet.fill!.valve === 'shut');
        steps.forEach((step, i) => {
          if (step.id === 'feed-off') feeds = false;
          if (step.id === 'feed-on' || step.id === 'refill') feeds = true;
          for (const t of step.turns ?? []) said.push({ ...t, at: new Date(60_000 * i).toISOString() });
          const away = toPutBack(said),
            open = away.map((p) => p.position);
          if (open.some((p) => p === 'drain' || p === 'vessel-drain' || p === 'relief')) expect([step.id, feeds]).toEqual([step.id, false]);
          if (step.turns?.some((t) => t.position === 'boiler-power' && t.state === 'back')) {
            expect(heatRule(sheet, away).blocks).toEqual([]);
            const graph = valveGraphOf(sheet),
              links = graph.links.filter((l) => l.valve && open.includes(l.valve.position));
            expect(boilerIsProtected(regionStates(graph, new Set(links.map((l) => l.id))))).toBe(true);
          }
        });
        const left = toPutBack(said).map((p) => p.position);
        expect(left.filter((p) => !(positionRow(p) as { mayStay?: boolean }).mayStay)).toEqual([]);
        expect(left.length > 0).toBe(runSheetRow(id).temporary === true && steps.length > 0);
      }),
      { numRuns: 300 },
    );
  });
  it('the low-pressure stop is proved while the boiler is still shut off and empty', () => {
    for (const id of ['recharge', 'core-change', 'vessel-change', 'gauge-change'] as const) {
      const ids = runSheet(id, WALL).steps.map((s) => s.id);
      expect(ids.indexOf('low-stop')).toBeGreaterThan(ids.indexOf('zero'));
      for (const later of ['shut-drain', 'reopen', 'refill']) expect(ids.indexOf('low-stop')).toBeLessThan(ids.indexOf(later));
    }
    // A boiler that has no such stop, or that stays full, cannot prove one.
    expect(runSheet('vessel-change', FED).steps.map((s) => s.id)).not.toContain('low-stop');
  });
  it('different plants get different steps', () => {
    const unit: CircuitSheet = { ...FED, fill: { kind: 'pressurisation-unit', cutInBar: 1, cutOutBar: 1.3 } };
    const texts = [WALL, FED, unit].map((s) => runSheet('vessel-change', s).steps.map((x) => plainly(x.text)));
    expect(new Set(texts.map((t) => t.join('|'))).size).toBe(3);
    expect(texts[2]!.find((t) => t.startsWith('Pressurisation unit off'))).toBeDefined();
    expect(texts[1]!.find((t) => t.startsWith('Shut the stop valve of the feed'))).toBeDefined();
    expect(texts[0]!.find((t) => t.startsWith('Both valves of the fill loop'))).toBeDefined();
  });
});

describe('one rule for heat', () => {
  const away = (...positions: (typeof POSITION_IDS)[number][]) => positions.map((position) => ({ position }));
  it('refuses it with boiler or vessel shut off, a drain open, the relief off, a plug frozen', () => {
    for (const p of ['boiler-valves', 'vessel-valve', 'drain', 'vessel-drain', 'relief', 'interlock', 'freeze-plug'] as const)
      expect([p, heatRule(WALL, away(p)).allowed]).toEqual([p, false]);
    expect(heatRule(WALL, away('thermostat', 'feed-valve')).allowed).toBe(true);
  });
  it('allows it with the coil shut off where boiler, vessel and relief stay together, and says what to mind', () => {
    const rule = heatRule(FED, away('coil-valves'));
    expect([rule.allowed, rule.cautions.length]).toEqual([true, 1]);
    expect(rule.cautions[0]).toMatch(/pump off[\s\S]*no relief[\s\S]*mains pressure/);
    expect(heatRule(FED, away('coil-valves', 'vessel-valve')).allowed).toBe(false);
  });
});

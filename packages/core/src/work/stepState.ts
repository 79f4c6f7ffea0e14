import { EMPTY_GAUGE_BAR } from '../judge/Finding';
import type { PositionSaid, PutBack } from '../valves/positions';
import type { RunSheet, RunStep } from './RunSheet';
import type { StepSaid } from './runProgress';

/** Somebody's word about a position, with the name of who gave it where it is known. */
export type PositionNoted = PositionSaid & { by?: string };

/** A step that was done in another run of the same job, with the step as it stood there. */
export interface DoneElsewhere {
  step: RunStep;
  said: StepSaid;
}

/** What the record of a job says that makes a step of a run sheet true before anybody does it. */
export interface JobState {
  /** What stands away from where it belongs. */
  away: readonly PutBack[];
  /** Everything said about positions, oldest first. */
  positions: readonly PositionNoted[];
  /** Steps done in other runs, and by tests that emptied a part, oldest first. */
  elsewhere: readonly DoneElsewhere[];
  /** The last reading of the system gauge, and when; null where there is none. */
  lastReading: { at: string; gaugeBar: number; by?: string } | null;
  /** The charge that a test read with the water side empty and nothing set since; null where none did. */
  chargeFound: { at: string; gaugeBar: number; by?: string } | null;
  nowMs: number;
}

/** A reading no older than this is the gauge as found, min. */
const FRESH_MIN = 60;
/** Steps that make a part ready to be worked on, by their ids. */
const READIES = new Set(['heat-off', 'found', 'where', 'feed-off', 'isolate', 'drain', 'vent', 'vents', 'zero', 'read-charge']);
/** Of these the words must be the same as where they were done: another plan may empty another part through another drain. */
const SAME_WORDS = new Set(['where', 'isolate', 'drain', 'vent', 'vents', 'zero']);
/** Steps that put back what a whole job shares: done by one run after another's work, they count for both. */
const PUTS_BACK = new Set(['shut-drain', 'reopen', 'refill', 'feed-on', 'feed-shut', 'loop-off', 'power', 'low-stop', 'vents-shut']);

/** Steps of a run that are true already, by step: what was turned and still stands so, what was read, and what another run put back. A step
 *  of the work itself is never among them, nor is one that stands after a step still to be done by this run's own work.
 *  @param said what this run's own steps say */
export function alreadyTrue(sheet: RunSheet, said: readonly StepSaid[], job: JobState): Map<string, StepSaid> {
  const own = new Map(said.map((s) => [s.step, s])),
    found = new Map<string, StepSaid>();
  const workedAt = lastWorkMs(sheet, own);
  for (const step of sheet.steps) {
    if (own.has(step.id)) continue;
    const holds = PUTS_BACK.has(step.id) ? backAgain(step, workedAt, job) : READIES.has(step.id) ? ready(step, sheet, job) : null;
    if (holds) found.set(step.id, { step: step.id, did: 'done', ...holds, given: true });
    // What comes after a step that is still to do is not looked at: it may be undone by it.
    else if (step.must || step.repairs) break;
  }
  return found;
}

type Holds = { at: string; value?: number; by?: string };

function ready(step: RunStep, sheet: RunSheet, job: JobState): Holds | null {
  if (step.asks === 'charge-found')
    return job.chargeFound && { at: job.chargeFound.at, value: job.chargeFound.gaugeBar, ...by(job.chargeFound) };
  if (step.asks === 'found-pressure') {
    const r = job.lastReading;
    return r && job.nowMs - Date.parse(r.at) < 60_000 * FRESH_MIN && !drainOpen(job) ? { at: r.at, value: r.gaugeBar, ...by(r) } : null;
  }
  const turned = turnsHold(step, job);
  if (!SAME_WORDS.has(step.id)) return turned;
  const same = job.elsewhere.findLast((e) => e.step.id === step.id && sameWords(e.step, step));
  if (!same) return null;
  if (step.id === 'zero') {
    // Read since the drain was opened, which stands open still.
    const drain = sheet.steps.find((s) => s.id === 'drain'),
      open = drain && turnsHold(drain, job);
    return open && Date.parse(same.said.at) >= Date.parse(open.at) && (same.said.value ?? 0) <= EMPTY_GAUGE_BAR ? saidOf(same.said) : null;
  }
  return step.turns?.length ? turned : saidOf(same.said);
}

/** Whether everything that a step turns stands as it says, by somebody's word. */
function turnsHold(step: RunStep, job: JobState): Holds | null {
  if (!step.turns?.length) return null;
  const words = step.turns.map((t) => {
    const last = job.positions.findLast((p) => p.position === t.position),
      isAway = job.away.some((a) => a.position === t.position);
    return last && last.state === t.state && isAway === (t.state === 'away') ? last : null;
  });
  if (words.some((w) => w === null)) return null;
  const latest = words.reduce((a, b) => (Date.parse(b!.at) > Date.parse(a!.at) ? b : a))!;
  return { at: latest.at, ...by(latest) };
}

/** A step that puts back was done by another run since this one's last work, and nothing was turned away again. */
function backAgain(step: RunStep, workedAtMs: number | null, job: JobState): Holds | null {
  if (workedAtMs === null) return null;
  const same = job.elsewhere.findLast((e) => e.step.id === step.id && sameWords(e.step, step));
  if (!same || Date.parse(same.said.at) < workedAtMs) return null;
  const stillBack = (step.turns ?? []).every((t) => job.away.some((a) => a.position === t.position) === (t.state === 'away'));
  return stillBack || step.id === 'refill' || step.id === 'feed-on' ? saidOf(same.said) : null;
}

/** When this run last did a step of the work itself, ms; null where it has not yet. */
function lastWorkMs(sheet: RunSheet, own: ReadonlyMap<string, StepSaid>): number | null {
  const needed = sheet.steps.filter((s) => s.repairs);
  if (needed.length === 0 || !needed.every((s) => own.has(s.id))) return null;
  return Math.max(...needed.map((s) => Date.parse(own.get(s.id)!.at)));
}

const drainOpen = (job: JobState): boolean => job.away.some((a) => a.position === 'drain' || a.position === 'vessel-drain');
const sameWords = (a: RunStep, b: RunStep): boolean => JSON.stringify(a.text) === JSON.stringify(b.text);
const by = ({ by: name }: { by?: string }): { by?: string } => (name === undefined ? {} : { by: name });
const saidOf = (s: StepSaid): Holds => ({ at: s.at, ...(s.value === undefined ? {} : { value: s.value }), ...by(s) });

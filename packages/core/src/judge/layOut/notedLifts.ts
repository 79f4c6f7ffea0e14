import { EVENT_OFF_S, type PressureLog } from '../../log/PressureLog';
import { RELIEF_LET_GO, type LogTrack } from './LogTrack';

/** A relief that blows takes at least so much of the pressure with it, bar, or so many of the gauge's steps; one that weeps takes nothing. */
const BLEW_BAR = 0.06,
  BLEW_STEPS = 1.5;
/** What has cooled by more, K, fell by that. */
const COOLED_K = 4;
/** Heat that had begun to lift it goes on doing so, at most so many times as quickly. */
const MAY_QUICKEN = 2;

interface Peak {
  gaugeBar: number;
  tS: number;
  /** How far above it the pressure may have gone unread, bar. */
  unreadBar: number;
  /** Until when the lift may have been, s. */
  untilS: number;
}

/** The highest reading about the minute in which a relief was seen to lift; null where none was taken. */
function peakAbout(eventS: number, { samples: { tS, pressureBar } }: PressureLog, stepBar: number): Peak | null {
  const read = tS.flatMap((t, i) => (pressureBar[i] == null ? [] : [{ t, bar: pressureBar[i]! }]));
  const last = read.findLastIndex(({ t }) => t <= eventS - EVENT_OFF_S),
    next = read.findIndex(({ t }) => t >= eventS + EVENT_OFF_S);
  const from = Math.max(0, last),
    to = next < 0 ? read.length - 1 : next;
  if (from > to) return null;
  let top = from;
  for (let i = from; i <= to; i++) if (read[i]!.bar >= read[top]!.bar) top = i;
  const { t, bar } = read[top]!,
    before = read[top - 1],
    untilS = read[to]!.t;
  const gapS = (read[top + 1]?.t ?? eventS + EVENT_OFF_S) - t,
    roseBar = before ? Math.max(stepBar, bar - before.bar) : Infinity;
  return { gaugeBar: bar, tS: t, unreadBar: before ? (MAY_QUICKEN * roseBar * gapS) / Math.max(1, t - before.t) : Infinity, untilS };
}

/** A relief that somebody saw lift let go where the pressure was highest about that minute, however little of the fall was read; what
 *  followed has begun anew if it fell. */
export function allowForNotedLifts(track: LogTrack, meanC: readonly number[], log: PressureLog, stepBar: number): void {
  for (const { tS: eventS } of (log.events ?? []).filter((e) => e.kind === 'relief-lifted')) {
    const peak = peakAbout(eventS, log, stepBar);
    if (!peak) continue;
    const least = Math.max(BLEW_BAR, BLEW_STEPS * stepBar),
      fellBy = (i: number) => track.gaugeBar[i - 1]! - track.gaugeBar[i]!;
    let fell = -1;
    for (let i = 1; i < track.n && track.tS[i - 1]! <= peak.untilS; i++)
      if (track.tS[i]! > peak.tS && meanC[i - 1]! - meanC[i]! < COOLED_K && fellBy(i) > (fell < 0 ? least : fellBy(fell))) fell = i;
    if (fell > 0 && track.starts[fell] === 0) track.starts[fell] = RELIEF_LET_GO;
    const before = track.letGo,
      fall =
        fell > 0
          ? { fellBar: fellBy(fell), tookS: track.tS[fell]! - track.tS[fell - 1]!, cooledK: meanC[fell - 1]! - meanC[fell]! }
          : { fellBar: 0, tookS: 0, cooledK: 0 };
    const higher = !before || peak.gaugeBar > before.gaugeBar ? { gaugeBar: peak.gaugeBar, unreadBar: peak.unreadBar } : {};
    track.letGo = { ...(before ?? { ...fall, times: 1, timesWarming: 0, gaugeBar: 0, unreadBar: 0 }), ...higher, noted: true };
  }
}

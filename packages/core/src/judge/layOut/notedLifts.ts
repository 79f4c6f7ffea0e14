import { EVENT_OFF_S, type PressureLog } from '../../log/PressureLog';
import { RELIEF_LET_GO, type LogTrack } from './LogTrack';
import { DROP_COOLING_K } from './reliefInLog';
import { unreadAboveBar } from './unreadAbove';

/** A relief that blows takes at least so much of the pressure with it, bar, or so many of the gauge's steps; one that weeps takes nothing. */
const BLEW_BAR = 0.06,
  BLEW_STEPS = 1.5;
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
  // A log of days is only walked along, not copied.
  const isRead = (i: number) => pressureBar[i] != null;
  const last = tS.findLastIndex((t, i) => t <= eventS - EVENT_OFF_S && isRead(i)),
    next = tS.findIndex((t, i) => t >= eventS + EVENT_OFF_S && isRead(i));
  const from = last < 0 ? tS.findIndex((_, i) => isRead(i)) : last,
    to = next < 0 ? tS.findLastIndex((_, i) => isRead(i)) : next;
  if (from < 0) return null;
  let top = from;
  for (let i = from; i <= to; i++) if (isRead(i) && pressureBar[i]! >= pressureBar[top]!) top = i;
  let before = top - 1,
    after = top + 1;
  while (before >= 0 && !isRead(before)) before--;
  while (after < tS.length && !isRead(after)) after++;
  const gaugeBar = pressureBar[top]!,
    unreadS = (tS[after] ?? eventS + EVENT_OFF_S) - tS[top]!;
  return {
    gaugeBar,
    tS: tS[top]!,
    unreadBar: before < 0 ? Infinity : unreadAboveBar(gaugeBar - pressureBar[before]!, tS[top]! - tS[before]!, unreadS, stepBar),
    untilS: tS[to]!,
  };
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
      if (track.tS[i]! > peak.tS && meanC[i - 1]! - meanC[i]! < DROP_COOLING_K && fellBy(i) > (fell < 0 ? least : fellBy(fell))) fell = i;
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

import { router } from 'expo-router';
import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { TimerRow } from '../../ui/TimerRow';
import { clockText, stopTimer, timerAt } from './timers';
import { useTimers } from './useTimers';

/** The timers that run for a job, the next to end first. A touch goes back to the test; an own timer is done with a touch. */
export function TimerStrip({ jobId }: { jobId: string }) {
  const { timers, nowMs } = useTimers((t) => t.jobId === jobId);
  const over = timers.filter((t) => timerAt(t, nowMs).leftS <= 0).length;
  const before = useRef(over);
  useEffect(() => {
    // A buzz where the platform has it; the words say it everywhere.
    if (over > before.current) {
      if ('vibrate' in navigator) navigator.vibrate([200, 100, 200]);
      beep();
    }
    before.current = over;
  }, [over]);
  if (timers.length === 0) return null;
  return (
    <View role="list" aria-label="Timers">
      {[...timers]
        .sort((a, b) => timerAt(a, nowMs).leftS - timerAt(b, nowMs).leftS)
        .map((t) => {
          const { leftS } = timerAt(t, nowMs);
          return (
            <TimerRow
              key={t.id}
              label={t.label}
              clock={leftS > 0 ? clockText(leftS) : `+${clockText(-leftS)}`}
              over={leftS <= 0}
              note={leftS > 0 ? 'left' : t.testId ? 'time is up: read the gauge' : 'time is up'}
              action={
                t.testId || (t.path && leftS > 0)
                  ? { label: 'Open', onPress: () => router.navigate((t.testId ? `/jobs/${jobId}/test/${t.testId}` : t.path) as never) }
                  : { label: 'Done', onPress: () => stopTimer(t.id) }
              }
            />
          );
        })}
    </View>
  );
}

/** Two short tones where the page may make sound; after a reload it may not until it is touched, and then the words have to do. */
function beep(): void {
  const Audio = (globalThis as { AudioContext?: typeof AudioContext }).AudioContext;
  if (!Audio) return;
  const context = new Audio();
  if (context.state === 'suspended') return void context.close();
  for (const startS of [0, 0.35]) {
    const tone = context.createOscillator(),
      loudness = context.createGain();
    tone.frequency.value = 880;
    loudness.gain.value = 0.2;
    tone.connect(loudness).connect(context.destination);
    tone.start(context.currentTime + startS);
    tone.stop(context.currentTime + startS + 0.22);
  }
  setTimeout(() => void context.close(), 1000);
}

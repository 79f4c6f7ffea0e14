import { useEffect, useState } from 'react';
import { Text } from '../../ui/Text';
import { dueText } from './dueText';

/** When to look at the gauge again. Worked out from the last reading, so a reload or a locked phone changes nothing. */
export function NextReading({ lastAtMs }: { lastAtMs: number }) {
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNowMs(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const due = dueText(lastAtMs, nowMs);
  if (!due) return null;
  return (
    <Text role="timer" className={due.now ? 'font-semibold text-brass' : 'text-ink2'} style={{ fontVariant: ['tabular-nums'] }}>
      {due.text}
    </Text>
  );
}

import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from '../../ui/Text';
import { useJudgeProgress } from './useDiagnosis';

/** Shorter than this, nobody waits. */
const WORTH_SHOWING_MS = 900;

/** How far the judge has come, once it takes longer than a moment. */
export function JudgeProgress() {
  const share = useJudgeProgress();
  const busy = share !== null;
  const [long, setLong] = useState(false);
  useEffect(() => {
    if (!busy) return;
    const timer = setTimeout(() => setLong(true), WORTH_SHOWING_MS);
    return () => {
      clearTimeout(timer);
      setLong(false);
    };
  }, [busy]);
  if (!busy || !long) return null;
  const percent = Math.round(100 * share);
  return (
    <View role="progressbar" aria-label="Judging" aria-valuenow={percent} aria-valuemin={0} aria-valuemax={100} className="gap-1 px-4">
      <Text className="text-small text-ink2">{`Weighing the evidence, ${percent} %`}</Text>
      <View className="h-[4px] bg-hair">
        <View className="h-[4px] bg-ink" style={{ width: `${percent}%` }} />
      </View>
    </View>
  );
}

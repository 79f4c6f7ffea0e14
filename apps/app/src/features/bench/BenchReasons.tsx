import { View } from 'react-native';
import { Notice } from '../../ui/Notice';
import { cannotBe } from '../sheet/summaryRows';
import { assumedLine } from '../sheet/assumedNames';
import { JudgeProgress } from './JudgeProgress';
import { notJudgedLines } from './notJudged';
import { SuspectList } from './SuspectList';
import type { BenchState } from './useBench';
import { VerdictDetails } from './VerdictDetails';
import { Text } from '../../ui/Text';

/** Behind the verdict: the figures it comes to, what disagrees, what it rests on, and every suspect with its reasons. */
export function BenchReasons({ bench }: { bench: BenchState }) {
  const { diagnosis, proof, rows, units, file, stale } = bench;
  if (rows.length === 0 || bench.alerts.drainedAt !== null) return <JudgeProgress />;
  const doubts = cannotBe(diagnosis?.warnings ?? [], units),
    silent = notJudgedLines(diagnosis?.notJudged ?? [], file),
    assumed = assumedLine(bench.parts.sheet);
  return (
    <>
      <JudgeProgress />
      {doubts.length > 0 ? (
        <View className="px-3">
          <Notice
            kind="caution"
            title="The sheet can hardly be right"
          >{`${doubts.join(' ')} The verdict rests on it: look at the labels again.`}</Notice>
        </View>
      ) : null}
      {silent.length > 0 ? (
        <View className="px-3">
          <Notice kind="caution" title="Half a finding says nothing">{`${silent.join(' ')} Enter it, or do the test again.`}</Notice>
        </View>
      ) : null}
      {diagnosis ? (
        <VerdictDetails diagnosis={diagnosis} proof={proof} stale={stale} units={units} sheetWaterL={file.circuit.waterVolumeL} />
      ) : null}
      <SuspectList jobId={bench.jobId} suspects={bench.suspects} onOpen={bench.chooseOverlay} />
      {assumed ? <Text className="px-4 text-small text-brass">{assumed}</Text> : null}
    </>
  );
}

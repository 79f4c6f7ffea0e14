import { View } from 'react-native';
import { Notice } from '../../ui/Notice';
import { cannotBe } from '../sheet/summaryRows';
import { TimerStrip } from '../timers/TimerStrip';
import { PutBackList } from '../work/PutBackList';
import { BenchQuestions } from './BenchAlerts';
import { FindingEffect } from './FindingEffect';
import { JudgeProgress } from './JudgeProgress';
import { awaitedProof, NextStep } from './NextStep';
import { notJudgedLines } from './notJudged';
import { SuspectList } from './SuspectList';
import type { BenchState } from './useBench';
import { VerdictBlock } from './VerdictBlock';

/** What runs, what is away, what the last finding changed, what to do next, and what is likely wrong. */
export function BenchJudgement({ bench, after }: { bench: BenchState; after?: string }) {
  const { parts, jobId, judgement, diagnosis, stale, proof, rows, state, units } = bench,
    doubts = cannotBe(diagnosis?.warnings ?? [], units),
    silent = notJudgedLines(diagnosis?.notJudged ?? [], bench.file);
  return (
    <>
      <TimerStrip jobId={jobId} />
      <PutBackList open={state.open} onAdd={(body) => void bench.add(body)} />
      <JudgeProgress />
      {after ? (
        <View className="px-3">
          <FindingEffect parts={parts} factId={after} now={stale ? null : diagnosis} onUndo={() => bench.takeBack(after)} />
        </View>
      ) : null}
      {proof?.kind === 'pass' ? null : (
        <View className="px-3">
          <NextStep
            jobId={jobId}
            judgement={judgement}
            readings={bench.view.lastBar === null ? 0 : 1}
            busy={bench.isJudging}
            awaits={proof ? awaitedProof(proof.proof) : null}
            skipped={state.skips}
          />
        </View>
      )}
      <BenchQuestions bench={bench} />
      {doubts.length > 0 && rows.length > 0 ? (
        <View className="px-3">
          <Notice
            kind="caution"
            title="The sheet can hardly be right"
          >{`${doubts.join(' ')} What is said here rests on it: look at the labels again.`}</Notice>
        </View>
      ) : null}
      {silent.length > 0 ? (
        <View className="px-3">
          <Notice kind="caution" title="Half a finding says nothing">{`${silent.join(' ')} Enter it, or do the test again.`}</Notice>
        </View>
      ) : null}
      {diagnosis && rows.length > 0 ? (
        <VerdictBlock
          jobId={jobId}
          skipped={state.skips}
          proof={proof}
          diagnosis={diagnosis}
          stale={stale}
          units={units}
          sheetWaterL={bench.file?.circuit.waterVolumeL}
        />
      ) : null}
      {bench.problem ? (
        <View className="px-3">
          <Notice kind="danger" title="The judge stopped">{`${bench.problem}. Your readings are safe.`}</Notice>
        </View>
      ) : null}
      {rows.length > 0 ? <SuspectList suspects={bench.suspects} onOpen={bench.chooseOverlay} /> : null}
    </>
  );
}

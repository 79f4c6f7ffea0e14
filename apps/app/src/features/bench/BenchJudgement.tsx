import { router } from 'expo-router';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { jobPlace } from '../jobPlace/jobPlaces';
import { BenchQuestions } from './BenchAlerts';
import { FindingEffect } from './FindingEffect';
import { awaitedProof, NextStep } from './NextStep';
import type { BenchState } from './useBench';
import { VerdictBlock } from './VerdictBlock';

/** What the last finding changed, what is likely wrong, and the one thing to do next: all in the first screen of a phone. */
export function BenchJudgement({ bench, after }: { bench: BenchState; after?: string }) {
  const { parts, jobId, judgement, diagnosis, stale, proof, rows, state, alerts } = bench;
  if (alerts.drainedAt !== null) return null;
  const next =
    proof?.kind === 'pass' ? (
      state.closed ? null : (
        <Button label="Close the job" kind="main" onPress={() => router.navigate(`${jobPlace(jobId, 'work')}/close` as never)} />
      )
    ) : (
      <NextStep
        jobId={jobId}
        judgement={judgement}
        readings={bench.view.lastBar === null ? 0 : 1}
        busy={bench.isJudging}
        awaits={proof ? awaitedProof(proof.proof) : null}
        skipped={state.skips}
      />
    );
  return (
    <>
      {after ? (
        <View className="px-3">
          <FindingEffect parts={parts} factId={after} now={stale ? null : diagnosis} onUndo={() => bench.takeBack(after)} />
        </View>
      ) : null}
      {diagnosis && rows.length > 0 ? (
        <VerdictBlock jobId={jobId} skipped={state.skips} proof={proof} diagnosis={diagnosis} stale={stale} />
      ) : null}
      {next ? <View className="px-3">{next}</View> : null}
      <BenchQuestions bench={bench} />
      {bench.problem ? (
        <View className="px-3">
          <Notice kind="danger" title="The verdict could not be worked out">{`${bench.problem}. Your readings are safe.`}</Notice>
        </View>
      ) : null}
    </>
  );
}

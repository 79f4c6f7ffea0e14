import { useMemo, useState } from 'react';
import type { JobParts } from '@jumper/contract';
import { router } from 'expo-router';
import { useAddFact } from '../jobs/useAddFact';
import { proofView } from '../proof/proofView';
import { useUnits } from '../units/UnitsProvider';
import { useKeepVerdict } from '../verdict/verdicts';
import { sheetOfJob, workState } from '../work/workState';
import { alertsView } from './alertsView';
import { benchView } from './benchView';
import { recordRows } from './recordRows';
import { faultStands, nextTest, predictedBy, suspects } from './suspects';
import { useJobDiagnosis } from './useJobDiagnosis';
import { useShortcuts } from './useShortcuts';
import { useWakeLock } from './useWakeLock';

export type BenchState = ReturnType<typeof useBench>;

/** A job on the bench: what was logged, what the judge makes of it, how far the work is, and what of it is looked at. */
export function useBench(parts: JobParts) {
  const jobId = parts.job.id,
    add = useAddFact(jobId),
    { units } = useUnits();
  const [logIndex, setLogIndex] = useState<number | null>(null);
  const [overlay, setOverlay] = useState<string | null>(null);
  const [help, setHelp] = useState(false);
  const { file, judged } = useJobDiagnosis(parts);
  const diagnosis = judged.data ?? null,
    judgement = diagnosis ? (diagnosis.now ?? diagnosis) : null,
    stale = judged.isPlaceholderData;
  const view = useMemo(
    () =>
      benchView(parts, file, units, {
        logIndex,
        chargeNow: judgement?.estimates.prechargeBar ?? null,
        faultLikely: diagnosis !== null && faultStands(diagnosis),
      }),
    [parts, file, units, logIndex, judgement, diagnosis],
  );
  const rows = useMemo(() => recordRows(parts.facts, units, sheetOfJob(parts)), [parts, units]);
  const proof = useMemo(() => proofView(parts, file, diagnosis, units), [parts, file, diagnosis, units]);
  useKeepVerdict(parts, stale ? null : diagnosis, proof);
  const state = useMemo(() => workState(parts), [parts]);
  const alerts = useMemo(() => alertsView(parts, view), [parts, view]);
  const list = useMemo(() => (judgement ? suspects(judgement, units) : []), [judgement, units]);
  const next = judgement ? nextTest(judgement, state.skips) : null;
  useWakeLock(view.heatOn);
  useShortcuts({
    '?': () => setHelp(!help),
    n: () => {
      if (next) router.navigate(`/jobs/${jobId}/test/${next}` as never);
    },
  });
  return {
    parts,
    jobId,
    units,
    file,
    view,
    rows,
    proof,
    state,
    alerts,
    diagnosis,
    judgement,
    stale,
    isJudging: judged.isFetching,
    problem: judged.isError ? String(judged.error) : null,
    suspects: list,
    overlay,
    predicted: judgement && overlay !== null ? predictedBy(judgement, overlay, view.shown) : null,
    help,
    add,
    takeBack: (id: string) => void add({ kind: 'retraction', at: new Date().toISOString() }, id),
    chooseLog: setLogIndex,
    chooseOverlay: setOverlay,
    toggleHelp: () => setHelp(!help),
  };
}

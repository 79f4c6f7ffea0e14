import { router } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { FactBody, JobParts } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Halves } from '../../ui/Halves';
import { Header } from '../../ui/Header';
import { Part } from '../../ui/Part';
import { Text } from '../../ui/Text';
import { faultStands } from '../bench/suspects';
import { useJobDiagnosis } from '../bench/useJobDiagnosis';
import { jobPlace } from '../jobPlace/jobPlaces';
import { useAddFact } from '../jobs/useAddFact';
import { WithJob } from '../jobs/WithJob';
import { proofView } from '../proof/proofView';
import { useUnits } from '../units/UnitsProvider';
import { CloseJob } from './CloseJob';
import { PutBackList } from './PutBackList';
import { SaidForm } from './SaidForm';
import { workState } from './workState';

export function CloseScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the end of the visit">
      {(parts) => <Close parts={parts} />}
    </WithJob>
  );
}

/** The end of a visit: what is still away, what the customer was told, what has to be looked at again, and the report. */
function Close({ parts }: { parts: JobParts }) {
  const { units } = useUnits(),
    add = useAddFact(parts.job.id);
  const state = useMemo(() => workState(parts), [parts]);
  const { file, judged } = useJobDiagnosis(parts),
    diagnosis = judged.data ?? null;
  const proof = proofView(parts, file, diagnosis, units);
  const addAll = async (bodies: FactBody[]) => {
    for (const b of bodies) await add(b);
  };
  return (
    <Halves
      className="gap-5 py-4"
      header={<Header title="End of the visit" subtitle={parts.sheet.site} backTo={jobPlace(parts.job.id, 'work')} />}
      walk={
        <>
          {state.open.length > 0 ? (
            <Part title="To put back">
              <PutBackList open={state.open} onAdd={(b) => void add(b)} />
            </Part>
          ) : null}
          <View className="px-4">
            <CloseJob
              parts={parts}
              state={state}
              proof={proof?.kind ?? null}
              faultFound={diagnosis !== null && faultStands(diagnosis)}
              onAdd={(b) => void addAll(b)}
            />
          </View>
        </>
      }
      note={
        state.closed ? null : (
          <View className="gap-2 px-4">
            <Text className="text-ink2">Anything advised, or a defect that stays? It goes into the report.</Text>
            <SaidForm onAdd={(b) => void add(b)} />
          </View>
        )
      }
      dock={
        <Button
          label="Report for the customer"
          kind={state.closed ? 'main' : 'plain'}
          onPress={() => router.navigate(`/jobs/${parts.job.id}/report` as never)}
        />
      }
    />
  );
}

import { useLocalSearchParams } from 'expo-router';
import { WorkScreen } from '../../../../features/work/WorkScreen';

export default function WorkRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <WorkScreen key={jobId} jobId={jobId} />;
}

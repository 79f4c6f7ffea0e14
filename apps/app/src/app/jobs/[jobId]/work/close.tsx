import { useLocalSearchParams } from 'expo-router';
import { CloseScreen } from '../../../../features/work/CloseScreen';

export default function CloseRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <CloseScreen key={jobId} jobId={jobId} />;
}

import { useLocalSearchParams } from 'expo-router';
import { ImportScreen } from '../../../features/logTable/ImportScreen';

export default function ImportRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <ImportScreen key={jobId} jobId={jobId} />;
}

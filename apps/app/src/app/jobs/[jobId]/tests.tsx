import { useLocalSearchParams } from 'expo-router';
import { TestsScreen } from '../../../features/tests/TestsScreen';

export default function TestsRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <TestsScreen key={jobId} jobId={jobId} />;
}

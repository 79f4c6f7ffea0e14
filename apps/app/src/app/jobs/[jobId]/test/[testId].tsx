import { useLocalSearchParams } from 'expo-router';
import { TestScreen } from '../../../../features/testCard/TestScreen';

export default function TestRoute() {
  const { jobId, testId } = useLocalSearchParams<{ jobId: string; testId: string }>();
  return <TestScreen key={`${jobId} ${testId}`} jobId={jobId} testId={testId} />;
}

import { useLocalSearchParams } from 'expo-router';
import { BenchScreen } from '../../../features/bench/BenchScreen';

export default function BenchRoute() {
  const { jobId, after } = useLocalSearchParams<{ jobId: string; after?: string }>();
  return <BenchScreen key={jobId} jobId={jobId} {...(after ? { after } : {})} />;
}

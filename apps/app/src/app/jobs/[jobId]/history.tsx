import { useLocalSearchParams } from 'expo-router';
import { HistoryScreen } from '../../../features/history/HistoryScreen';

export default function HistoryRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <HistoryScreen key={jobId} jobId={jobId} />;
}

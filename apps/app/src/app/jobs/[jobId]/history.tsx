import { useLocalSearchParams } from 'expo-router';
import { HistoryScreen } from '../../../features/history/HistoryScreen';

export default function HistoryRoute() {
  const { jobId, from } = useLocalSearchParams<{ jobId: string; from?: string }>();
  return <HistoryScreen key={jobId} jobId={jobId} {...(from === 'circuits' ? { backTo: '/circuits' } : {})} />;
}

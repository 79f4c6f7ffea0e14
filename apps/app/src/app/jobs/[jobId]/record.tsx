import { useLocalSearchParams } from 'expo-router';
import { RecordScreen } from '../../../features/record/RecordScreen';

export default function RecordRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <RecordScreen key={jobId} jobId={jobId} />;
}

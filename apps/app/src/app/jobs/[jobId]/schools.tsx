import { useLocalSearchParams } from 'expo-router';
import { SchoolsScreen } from '../../../features/work/SchoolsScreen';

export default function SchoolsRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <SchoolsScreen key={jobId} jobId={jobId} />;
}

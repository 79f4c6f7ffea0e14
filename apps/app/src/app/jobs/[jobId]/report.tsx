import { useLocalSearchParams } from 'expo-router';
import { ReportScreen } from '../../../features/report/ReportScreen';

export default function ReportRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <ReportScreen key={jobId} jobId={jobId} />;
}

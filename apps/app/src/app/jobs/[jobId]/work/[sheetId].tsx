import { useLocalSearchParams } from 'expo-router';
import { RunScreen } from '../../../../features/work/RunScreen';

export default function RunRoute() {
  const { jobId, sheetId } = useLocalSearchParams<{ jobId: string; sheetId: string }>();
  return <RunScreen key={`${jobId}.${sheetId}`} jobId={jobId} sheetId={sheetId} />;
}

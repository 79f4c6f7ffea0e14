import { useLocalSearchParams } from 'expo-router';
import { SheetScreen } from '../../../features/sheet/SheetScreen';

export default function SheetRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <SheetScreen key={jobId} jobId={jobId} />;
}

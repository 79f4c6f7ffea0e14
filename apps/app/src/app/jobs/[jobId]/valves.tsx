import { useLocalSearchParams } from 'expo-router';
import { ValveMapScreen } from '../../../features/valves/ValveMapScreen';

export default function ValvesRoute() {
  const { jobId, for: forWhat } = useLocalSearchParams<{ jobId: string; for?: string }>();
  return <ValveMapScreen key={jobId} jobId={jobId} forWhat={forWhat ?? null} />;
}

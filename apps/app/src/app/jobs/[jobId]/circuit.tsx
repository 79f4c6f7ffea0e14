import { useLocalSearchParams } from 'expo-router';
import { CircuitPlaceScreen } from '../../../features/circuitPlace/CircuitPlaceScreen';

export default function CircuitPlaceRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <CircuitPlaceScreen key={jobId} jobId={jobId} />;
}

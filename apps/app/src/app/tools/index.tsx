import { useLocalSearchParams } from 'expo-router';
import { ToolsScreen } from '../../features/tools/ToolsScreen';

export default function ToolsRoute() {
  const { job } = useLocalSearchParams<{ job?: string }>();
  return <ToolsScreen {...(job ? { jobId: job } : {})} />;
}

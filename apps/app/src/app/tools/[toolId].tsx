import { useLocalSearchParams } from 'expo-router';
import { ToolScreen } from '../../features/tools/ToolScreen';

export default function ToolRoute() {
  const query = useLocalSearchParams<{ toolId: string; job?: string }>();
  return <ToolScreen key={query.toolId} toolId={query.toolId} query={query} {...(query.job ? { jobId: query.job } : {})} />;
}

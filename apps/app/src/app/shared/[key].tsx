import { useLocalSearchParams } from 'expo-router';
import { SharedReportScreen } from '../../features/report/SharedReportScreen';

export default function SharedRoute() {
  const { key } = useLocalSearchParams<{ key: string }>();
  return <SharedReportScreen linkKey={key} />;
}

import { router } from 'expo-router';
import { State } from '../ui/State';

export default function NotFound() {
  return <State title="There is no such page" action={{ label: 'To the jobs', onPress: () => router.navigate('/') }} />;
}

import { View } from 'react-native';
import { Button } from './Button';
import { Text } from './Text';

/** What a view shows instead of its content: loading, nothing yet, or an error with a way on. */
export function State({ title, text, action }: { title: string; text?: string; action?: { label: string; onPress: () => void } }) {
  return (
    <View className="flex-1 justify-center gap-3 p-6">
      <Text className="font-semibold text-lead">{title}</Text>
      {text ? <Text className="text-ink2">{text}</Text> : null}
      {action ? <Button label={action.label} onPress={action.onPress} /> : null}
    </View>
  );
}

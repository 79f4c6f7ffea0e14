import { router } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from './Text';
import { useTheme } from './ThemeProvider';

interface Props {
  title: string;
  subtitle?: string;
  backTo?: string;
  children?: ReactNode;
}

export function Header({ title, subtitle, backTo, children }: Props) {
  const { tokens } = useTheme();
  return (
    <View role="banner" className="min-h-[62px] flex-row items-center gap-1 border-b border-hair pr-4">
      {backTo ? (
        <Pressable
          role="button"
          aria-label="Back"
          onPress={() => router.navigate(backTo as never)}
          className="h-[52px] w-[48px] items-center justify-center active:opacity-60"
        >
          <ChevronLeft size={26} color={tokens.ink} />
        </Pressable>
      ) : (
        <View className="w-3" />
      )}
      <View className="min-w-0 flex-1 py-2">
        <Text role="heading" aria-level={1} numberOfLines={2} className="font-semibold text-lead">
          {title}
        </Text>
        {subtitle ? (
          <Text numberOfLines={2} className="text-small text-ink2">
            {subtitle}
          </Text>
        ) : null}
      </View>
      {children}
    </View>
  );
}

import '../noCodeFromStrings';
import '../../global.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { SyncProvider } from '../offline/SyncProvider';
import { FONTS } from '../ui/fonts';
import { Rail } from '../ui/Place';
import { placeOf, WIDE_PX } from '../ui/places';
import { ThemeProvider } from '../ui/ThemeProvider';
import { UnitsProvider } from '../features/units/UnitsProvider';
import { keepAppOnDevice } from '../offline/keepAppOnDevice';

export default function RootLayout() {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { networkMode: 'always', refetchOnWindowFocus: false } } }));
  // A customer's page reads one report; nothing of the company's comes onto his device.
  const path = usePathname(),
    { from } = useGlobalSearchParams<{ from?: string }>(),
    shared = path.startsWith('/shared/'),
    wide = useWindowDimensions().width >= WIDE_PX;
  useFonts(FONTS);
  useEffect(() => keepAppOnDevice(), []);
  return (
    <ThemeProvider>
      <UnitsProvider>
        <QueryClientProvider client={client}>
          <View className="flex-1 flex-row bg-lime">
            {wide && !shared ? <Rail at={placeOf(path, from)} /> : null}
            <View role="main" className="min-w-0 flex-1">
              {shared ? (
                <Slot />
              ) : (
                <SyncProvider>
                  <Slot />
                </SyncProvider>
              )}
            </View>
          </View>
        </QueryClientProvider>
      </UnitsProvider>
    </ThemeProvider>
  );
}

import '../noCodeFromStrings';
import '../../global.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { SyncProvider } from '../offline/SyncProvider';
import { FONTS } from '../ui/fonts';
import { ThemeProvider } from '../ui/ThemeProvider';
import { UnitsProvider } from '../features/units/UnitsProvider';
import { keepAppOnDevice } from '../offline/keepAppOnDevice';

export default function RootLayout() {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { networkMode: 'always', refetchOnWindowFocus: false } } }));
  // A customer's page reads one report; nothing of the company's comes onto his device.
  const shared = usePathname().startsWith('/shared/');
  useFonts(FONTS);
  useEffect(() => keepAppOnDevice(), []);
  return (
    <ThemeProvider>
      <UnitsProvider>
        <QueryClientProvider client={client}>
          <View role="main" className="flex-1 bg-lime">{shared ? <Slot /> : <SyncProvider><Slot /></SyncProvider>}</View>
        </QueryClientProvider>
      </UnitsProvider>
    </ThemeProvider>
  );
}

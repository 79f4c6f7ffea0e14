import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import { Barlow_500Medium } from '@expo-google-fonts/barlow/500Medium';
import { Barlow_600SemiBold } from '@expo-google-fonts/barlow/600SemiBold';
import { BarlowCondensed_500Medium } from '@expo-google-fonts/barlow-condensed/500Medium';
import { BarlowCondensed_600SemiBold } from '@expo-google-fonts/barlow-condensed/600SemiBold';

/** Bundled: nothing is fetched from elsewhere. */
export const FONTS = { Barlow_400Regular, Barlow_500Medium, Barlow_600SemiBold, BarlowCondensed_500Medium, BarlowCondensed_600SemiBold };
